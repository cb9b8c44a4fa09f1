import { readJsonLd } from '../../../core/markup/index.ts';
import { checkMarkup, isGrave } from '../../../core/structured-data/index.ts';
import { loadMeanings, loadVocabulary, type Meanings, type Vocabulary } from '../../../core/vocabulary/index.ts';
import { faultSentence } from '../../../core/wording/index.ts';

/** What the editor knows of the vocabulary. */
export interface Knowledge {
  readonly vocabulary: Vocabulary;
  readonly meanings: Meanings;
}

/** Something to say about a piece of the block. */
export interface Problem {
  readonly words: string;
  readonly grave: boolean;
  readonly from: number;
  readonly to: number;
  readonly line: number;
}

export async function loadKnowledge(): Promise<Knowledge> {
  const [vocabulary, meanings] = await Promise.all([loadVocabulary(), loadMeanings()]);
  return { vocabulary, meanings };
}

/** Checks a block as it is typed, by the same rules as all other markup. */
export function problemsIn(text: string, { vocabulary }: Knowledge): Problem[] {
  if (text.trim() === '') return [];
  const address = 'https://page.invalid/';
  const faults = checkMarkup(readJsonLd({ start: 0, end: text.length, text }, address), vocabulary, address);
  return faults
    .filter(({ code }) => code !== 'id-nowhere')
    .map((fault) => ({
      words: faultSentence(fault),
      grave: isGrave(fault),
      from: Math.min(fault.start, text.length),
      to: Math.max(fault.start, Math.min(fault.end, text.length)),
      line: text.slice(0, fault.start).split('\n').length,
    }));
}
