import type { Language } from './languages.ts';

/** A word and where it stands, in UTF-16 units. */
export interface Word {
  readonly text: string;
  readonly start: number;
  readonly end: number;
}

const SPACED = /[\p{L}\p{M}\p{N}]+(?:['’·.][\p{L}\p{M}]+)*/gu;
/** Scripts that set no spaces between words, whatever language the page declares. */
const UNSPACED_SCRIPT = /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Thai}\p{Script=Lao}\p{Script=Khmer}\p{Script=Myanmar}]/u;

/** Whether a text holds letters of a script that sets no spaces between words. */
export const isUnspaced = (text: string): boolean => UNSPACED_SCRIPT.test(text);

const segmenters = new Map<string, Intl.Segmenter>();
function segmenter(tag: string): Intl.Segmenter {
  const known = segmenters.get(tag);
  if (known) return known;
  const made = new Intl.Segmenter(tag || 'und', { granularity: 'word' });
  segmenters.set(tag, made);
  return made;
}

/** The words of a text. Elided articles (`l’atelier`, `dell'arte`) stand for themselves in the languages that have them. */
export function wordsOf(text: string, language: Language): Word[] {
  if (isUnspaced(text)) {
    const found: Word[] = [];
    for (const { segment, index, isWordLike } of segmenter(language.tag).segment(text))
      if (isWordLike === true) found.push({ text: segment, start: index, end: index + segment.length });
    return found;
  }
  const elides = language.code === 'fr' || language.code === 'it';
  const found: Word[] = [];
  for (const match of text.matchAll(SPACED)) {
    const start = match.index;
    const elision = elides ? /^(?:[cdjlmnst]|qu|jusqu|lorsqu|puisqu|dell?|all|nell|sull|dall|un)['’]/iu.exec(match[0]) : null;
    const skipped = elision ? elision[0].length : 0;
    if (match[0].length > skipped) found.push({ text: match[0].slice(skipped), start: start + skipped, end: start + match[0].length });
  }
  return found;
}

/** How many words a text has. */
export function countWords(text: string, language: Language): number {
  return wordsOf(text, language).length;
}
