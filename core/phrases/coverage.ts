import { keyed } from '../keyed/index.ts';
import { isCommon, stem, wordsOf, type Language } from '../language/index.ts';

/** Places where a page can serve its phrase. */
export const PLACES = ['title', 'description', 'address', 'heading', 'first-paragraph', 'sub-headings', 'alts'] as const;
export type PhrasePlace = (typeof PLACES)[number];

/** The texts of one page in which a phrase is looked for. */
export interface PhraseTexts {
  readonly title: string;
  readonly description: string;
  /** The address path, decoded. */
  readonly address: string;
  readonly heading: string;
  readonly firstParagraph: string;
  readonly subHeadings: readonly string[];
  readonly alts: readonly string[];
}

/** How a page serves a phrase. `partly`: some of its words, not all. */
export interface Coverage {
  readonly places: Readonly<Record<PhrasePlace, 'all' | 'partly' | 'none' | 'absent'>>;
  /** Where it stands whole in title or main heading, and again somewhere else, the page answers; where it stands elsewhere, or only word by word over several places, weakly. */
  readonly verdict: 'answered' | 'weak' | 'none';
}

/** The words of a phrase that mean something, as stems without repeats. Empty for a phrase without words. */
export function phraseStems(phrase: string, language: Language): string[] {
  const words = wordsOf(phrase, language);
  const telling = words.filter((word) => !isCommon(word.text, language));
  return [...new Set((telling.length > 0 ? telling : words).map((word) => stem(word.text, language)))];
}

/** A page's texts made ready for many phrases: for each place the stems of each text that stands there. */
export type Prepared = Readonly<Record<PhrasePlace, readonly ReadonlySet<string>[]>>;

/** Makes a page's texts ready. */
export function prepareTexts(texts: PhraseTexts, language: Language): Prepared {
  const sets = (parts: readonly string[]): ReadonlySet<string>[] =>
    parts.filter((part) => part.trim() !== '').map((part) => new Set(wordsOf(part, language).map((word) => stem(word.text, language))));
  return {
    title: sets([texts.title]),
    description: sets([texts.description]),
    address: sets([texts.address.replace(/[/_.-]+/g, ' ')]),
    heading: sets([texts.heading]),
    'first-paragraph': sets([texts.firstParagraph]),
    'sub-headings': sets(texts.subHeadings),
    alts: sets(texts.alts),
  };
}

/** How a page's texts serve a phrase; word forms count. */
export function coverageOf(phrase: string, texts: PhraseTexts, language: Language): Coverage {
  return coverageIn(prepareTexts(texts, language), phraseStems(phrase, language));
}

/** The same with everything made ready: `wanted` are the phrase's stems. */
export function coverageIn(prepared: Prepared, wanted: readonly string[]): Coverage {
  const look = (place: PhrasePlace): Coverage['places'][PhrasePlace] => {
    const there = prepared[place];
    if (there.length === 0) return 'absent';
    let best = 0;
    for (const stems of there) best = Math.max(best, wanted.filter((one) => stems.has(one)).length);
    return wanted.length > 0 && best === wanted.length ? 'all' : best > 0 ? 'partly' : 'none';
  };
  const places = keyed(PLACES, look);
  return { places, verdict: verdictIn(prepared, wanted) };
}

/** The verdict alone, for very many phrases and pages. `knownToHoldAll`: the page says all the words somewhere, it was looked up by them. */
export function verdictIn(prepared: Prepared, wanted: readonly string[], knownToHoldAll = false): Coverage['verdict'] {
  const title = holds(prepared.title, wanted);
  const heading = holds(prepared.heading, wanted);
  let others = Number(title) + Number(heading);
  const front = others > 0;
  // Without one in front there is no answer any more, and nothing more to find out.
  if (!front && knownToHoldAll) return 'weak';
  for (const place of BEHIND) {
    // Two places with one of them in front are an answer, whatever else there is.
    if (front && others >= 2) return 'answered';
    if (holds(prepared[place], wanted)) others++;
  }
  if (front && others >= 2) return 'answered';
  if (others > 0 || knownToHoldAll) return 'weak';
  const wholly = wanted.length > 0 && wanted.every((one) => PLACES.some((place) => prepared[place].some((stems) => stems.has(one))));
  return wholly ? 'weak' : 'none';
}

/** Whether title or main heading says all of some words. */
export function standsInFront(prepared: Prepared, wanted: readonly string[]): boolean {
  return [...prepared.title, ...prepared.heading].some((stems) => hasAll(stems, wanted));
}

const BEHIND = PLACES.filter((place) => place !== 'title' && place !== 'heading');

function holds(there: readonly ReadonlySet<string>[], wanted: readonly string[]): boolean {
  for (const stems of there) if (hasAll(stems, wanted)) return true;
  return false;
}

function hasAll(stems: ReadonlySet<string>, wanted: readonly string[]): boolean {
  if (wanted.length === 0) return false;
  for (const one of wanted) if (!stems.has(one)) return false;
  return true;
}

/** All stems of a page's places together. */
export function stemsIn(prepared: Prepared): Set<string> {
  const all = new Set<string>();
  for (const place of PLACES) for (const stems of prepared[place]) for (const one of stems) all.add(one);
  return all;
}

/** Where a phrase stands in running text: all its telling words close together, in any order and form. */
export function occurrences(phrase: string, text: string, language: Language): { readonly start: number; readonly end: number }[] {
  const wanted = new Set(phraseStems(phrase, language));
  if (wanted.size === 0) return [];
  const words = wordsOf(text, language);
  const reach = wanted.size + 3;
  const found: { start: number; end: number }[] = [];
  const stems = words.map((word) => stem(word.text, language));
  for (let at = 0; at < words.length; at++) {
    if (!wanted.has(stems[at] as string)) continue;
    const seen = new Set<string>();
    for (let next = at; next < Math.min(words.length, at + reach); next++) {
      // A search is answered within a sentence, not across two.
      if (next > at && /[.!?;…。！？]/.test(text.slice((words[next - 1] as { end: number }).end, (words[next] as { start: number }).start))) break;
      if (wanted.has(stems[next] as string)) seen.add(stems[next] as string);
      if (seen.size < wanted.size) continue;
      found.push({ start: (words[at] as { start: number }).start, end: (words[next] as { end: number }).end });
      at = next;
      break;
    }
  }
  return found;
}

/** How often a phrase stands in a text for the length of it. */
export interface Density {
  readonly count: number;
  readonly words: number;
  /** Times in a hundred words. */
  readonly perHundred: number;
  readonly verdict: 'too-rare' | 'good' | 'uneven' | 'too-often' | 'too-short';
  /** Where it stands, each 0 to 1 of the text's length. */
  readonly at: readonly number[];
  /** Largest stretch of the text without it, 0 to 1: how long it is, and where. */
  readonly gap: number;
  readonly gapFrom: number;
}

const TOO_OFTEN = 3;
const TOO_SHORT = 40;
/** Said more than once, and yet nowhere in so many words running, which are most of the text: a reader who begins there does not find it. */
const UNEVEN = { words: 250, share: 0.6 } as const;

/** How often and how evenly a phrase stands in a text. Long texts are asked for it at least once in about 400 words. */
export function densityOf(phrase: string, text: string, language: Language): Density {
  const words = wordsOf(text, language).length;
  const found = occurrences(phrase, text, language);
  const at = found.map(({ start }) => start / Math.max(1, text.length));
  const perHundred = words === 0 ? 0 : (found.length * 100) / words;
  const edges = [0, ...at, 1];
  const gaps = edges.slice(1).map((edge, index) => edge - (edges[index] as number));
  const gap = Math.max(...gaps);
  const verdict =
    words < TOO_SHORT
      ? 'too-short'
      : perHundred > TOO_OFTEN && found.length > 3
        ? 'too-often'
        : found.length < Math.max(1, Math.floor(words / 400))
          ? 'too-rare'
          : found.length > 1 && gap > UNEVEN.share && gap * words > UNEVEN.words
            ? 'uneven'
            : 'good';
  return { count: found.length, words, perHundred, verdict, at, gap, gapFrom: edges[gaps.indexOf(gap)] as number };
}
