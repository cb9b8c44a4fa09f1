import { stem, wordsOf, type Language } from '../language/index.ts';
import { mainHeading, withoutMark, type PageFacts } from '../page/index.ts';
import { fit, type TextLimit } from './fit.ts';
import { isFurniture } from './names.ts';

/** A text of the page itself that would serve, and why. */
export interface Suggestion {
  readonly text: string;
  /** Higher is better; only the order means something. */
  readonly score: number;
}

/** What suggestions are made from. */
export interface SuggestFrom {
  readonly facts: PageFacts;
  readonly language: Language;
  readonly limit: TextLimit;
  /** What stands there now: never suggested. */
  readonly current: string;
  readonly phrase: string;
  /** Sentences that stand on many pages of the site: a banner's, never suggested. */
  readonly common?: readonly string[];
}

/** So many are offered at most. */
export const MOST_SUGGESTIONS = 4;

/** The main heading of the page as its title, or where it has none those below, with the site's name behind where that still fits. Never what stands there already. */
export function suggestTitles(
  { facts, language, limit, current, phrase }: SuggestFrom,
  site: { readonly name: string; readonly separator: string },
): Suggestion[] {
  const wanted = new Set(wordsOf(phrase, language).map((word) => stem(word.text, language)));
  const found = new Map<string, Suggestion>();
  const deepest = mainHeading(facts) === undefined ? 2 : 1;
  facts.headings.forEach(({ level, text: marked }, place) => {
    const heading = { level, text: withoutMark(marked) };
    if (heading.text === '' || heading.level > deepest || isFurniture(heading.text)) return;
    const named = `${heading.text} ${site.separator} ${site.name}`;
    const text = site.name === '' || heading.text.toLowerCase().includes(site.name.toLowerCase()) || fit(named, limit).cut ? heading.text : named;
    if (same(text, current) || found.has(text)) return;
    const stems = new Set(wordsOf(text, language).map((word) => stem(word.text, language)));
    const phrased = wanted.size === 0 ? 0 : [...wanted].filter((one) => stems.has(one)).length / wanted.size;
    const short = wordsOf(heading.text, language).length < 2 && !language.unspaced ? 0.4 : 0;
    found.set(text, { text, score: (heading.level === 1 ? 2 : 0.8) / (1 + place * 0.15) + phrased - short - (fit(text, limit).cut ? 0.5 : 0) });
  });
  return [...found.values()].sort((a, b) => b.score - a.score).slice(0, MOST_SUGGESTIONS);
}

const same = (a: string, b: string): boolean => a.trim().toLowerCase() === b.trim().toLowerCase();
