import type { Language, LanguageCode } from './languages.ts';
import { sentencesOf, type Sentence } from './sentences.ts';
import { syllablesOf } from './syllables.ts';
import { wordsOf } from './words.ts';

/** How easily a text reads, by a published formula of its language. */
export interface ReadingEase {
  /** Who stated the formula. */
  readonly formula: string;
  readonly score: number;
  readonly band: 'easy' | 'plain' | 'hard' | 'very-hard';
  readonly words: number;
  readonly sentences: number;
}

/** Fewer words than this say nothing reliable. */
const ENOUGH_WORDS = 60;

/** a − b × words a sentence − c × syllables a word; higher is easier, about 60 to 70 is plain everyday language. */
const FORMULAS: Readonly<Partial<Record<LanguageCode, { readonly by: string; readonly a: number; readonly b: number; readonly c: number }>>> = {
  en: { by: 'Flesch', a: 206.835, b: 1.015, c: 84.6 },
  de: { by: 'Amstad', a: 180, b: 1, c: 58.5 },
  fr: { by: 'Kandel and Moles', a: 207, b: 1.015, c: 73.6 },
  es: { by: 'Szigriszt-Pazos', a: 206.835, b: 1, c: 62.3 },
  it: { by: 'Flesch and Vacca', a: 206, b: 1, c: 65 },
  nl: { by: 'Douma', a: 206.84, b: 0.93, c: 77 },
  pt: { by: 'Martins and others', a: 248.835, b: 1.015, c: 84.6 },
  ru: { by: 'Oborneva', a: 206.835, b: 1.3, c: 60.1 },
};
/** Words a sentence plus long words in a hundred (Björnsson, 1968); lower is easier. */
const LIX = new Set<LanguageCode>(['sv', 'da', 'no', 'fi']);

/** Reading ease of running text given as its sentences; undefined where there is too little of it, or no formula for its language. */
export function readingEase(passages: readonly string[], language: Language): ReadingEase | undefined {
  const formula = FORMULAS[language.code];
  if (!formula && !LIX.has(language.code)) return undefined;
  let sentences = 0;
  let words = 0;
  let syllables = 0;
  let long = 0;
  for (const passage of passages) {
    sentences += sentencesOf(passage, language).length;
    for (const { text } of wordsOf(passage, language)) {
      words++;
      syllables += syllablesOf(text, language);
      if (text.length > 6) long++;
    }
  }
  if (words < ENOUGH_WORDS || sentences === 0) return undefined;
  if (!formula) {
    const score = words / sentences + (long * 100) / words;
    return { formula: 'LIX (Björnsson)', score, band: score < 35 ? 'easy' : score < 45 ? 'plain' : score < 55 ? 'hard' : 'very-hard', words, sentences };
  }
  const score = formula.a - formula.b * (words / sentences) - formula.c * (syllables / words);
  return { formula: formula.by, score, band: score >= 70 ? 'easy' : score >= 50 ? 'plain' : score >= 30 ? 'hard' : 'very-hard', words, sentences };
}

/** Sentences with more words than a reader holds at once. */
export function longSentences(text: string, language: Language, most = LONG_SENTENCE): (Sentence & { readonly words: number })[] {
  return sentencesOf(text, language)
    .map((sentence) => ({ ...sentence, words: wordsOf(sentence.text, language).length }))
    .filter((sentence) => sentence.words > most);
}

/** Words from which a sentence is long, and a paragraph a wall. */
export const LONG_SENTENCE = 28;
export const LONG_PARAGRAPH = 130;
