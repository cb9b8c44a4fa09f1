import { careWords } from './care.ts';
import type { Language } from './languages.ts';
import { LONG_PARAGRAPH, LONG_SENTENCE, longSentences, readingEase, type ReadingEase } from './reading.ts';
import { sentencesOf } from './sentences.ts';
import { wordsOf } from './words.ts';

/** How a page's running text reads: small enough to be kept for every page of a large site. */
export interface TextMeasure {
  readonly ease: ReadingEase | undefined;
  readonly longSentences: number;
  /** Words of the longest sentence, and how it begins. */
  readonly longest: { readonly words: number; readonly begins: string } | undefined;
  readonly longParagraphs: number;
  readonly care: readonly { readonly word: string; readonly instead: string }[];
}

/** A block with fewer words is a label, not running text. */
const RUNNING = 8;
const BEGINS = 60;

/** Measures a page's text, given as its blocks in order. Menus, labels and lists of links are left out: they are no sentences. */
export function measureText(blocks: readonly string[], language: Language): TextMeasure {
  const running = blocks.filter((block) => sentencesOf(block, language).length > 0 && wordsOf(block, language).length >= RUNNING);
  const long = running.flatMap((block) => longSentences(block, language, LONG_SENTENCE));
  const longest = long.reduce<(typeof long)[number] | undefined>((most, one) => (most === undefined || one.words > most.words ? one : most), undefined);
  return {
    ease: readingEase(running, language),
    longSentences: long.length,
    longest: longest && { words: longest.words, begins: longest.text.slice(0, BEGINS) },
    longParagraphs: running.filter((block) => wordsOf(block, language).length > LONG_PARAGRAPH).length,
    care: [...new Map(blocks.flatMap((block) => careWords(block, language)).map(({ word, instead }) => [word, { word, instead }])).values()].slice(0, 8),
  };
}
