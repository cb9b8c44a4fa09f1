import { endsAsSentence, isCommon, sentencesOf, stem, wordsOf, type Language } from '../language/index.ts';
import { mainHeading, type PageFacts } from '../page/index.ts';
import { fit, textWidth, type TextLimit } from './fit.ts';

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

/** Shorter than this says too little to be worth a result's lines, in UTF-16 units; scripts whose letters are words say it in less. */
const SHORTEST = 50;
const MOST = 4;

/**
 * Sentences of the page itself that would serve as its description, best first. Neighbouring sentences are taken together while they fit; nothing is
 * invented, nothing is cut inside a sentence. Ranked by how early it stands, how many of the page's telling words it says, whether it says the
 * target phrase, and how well it fills the room.
 */
export function suggestDescriptions({ facts, language, limit, current, phrase, common = [] }: SuggestFrom): Suggestion[] {
  const weights = tellingWords(facts, language);
  const total = [...weights.values()].reduce((sum, weight) => sum + weight, 0) || 1;
  const wanted = new Set(wordsOf(phrase, language).map((word) => stem(word.text, language)));
  const found = new Map<string, Suggestion>();
  const shortest = language.unspaced ? SHORTEST / 2 : SHORTEST;
  facts.paragraphs.forEach((paragraph, place) => {
    const sentences = sentencesOf(paragraph, language).filter(({ text }) => endsAsSentence(text) && !common.some((one) => one === text || one.includes(text)));
    for (let from = 0; from < Math.min(sentences.length, 5); from++) {
      let text = '';
      for (const sentence of sentences.slice(from)) {
        const longer = text === '' ? sentence.text : `${text}${language.unspaced ? '' : ' '}${sentence.text}`;
        if (fit(longer, limit).cut) break;
        text = longer;
      }
      if (text.length < shortest || text === current || isFurniture(text) || found.has(text)) continue;
      const stems = new Set(wordsOf(text, language).map((word) => stem(word.text, language)));
      const said = [...stems].reduce((sum, one) => sum + (weights.get(one) ?? 0), 0) / total;
      const phrased = wanted.size === 0 ? 0 : [...wanted].filter((one) => stems.has(one)).length / wanted.size;
      const filled = Math.min(1, textWidth(text, limit.fontSize) / limit.width);
      // A sentence that points back ("It opens flat.") does not stand alone.
      const leans = /^(it|this|that|they|these|but|and|so|he|she|es|er|sie|das|dies|aber|und|il|elle|ils|elles|cela|mais|et|esto|eso|pero|y)\b/i.test(text)
        ? 0.35
        : 0;
      found.set(text, { text, score: 1.2 / (1 + place * 0.35 + from * 0.5) + said * 1.6 + phrased + filled * 0.6 - leans });
    }
  });
  return [...found.values()].sort((a, b) => b.score - a.score).slice(0, MOST);
}

/** The main heading of the page as its title, or where it has none those below, with the site's name behind where that still fits. Never what stands there already. */
export function suggestTitles(
  { facts, language, limit, current, phrase }: SuggestFrom,
  site: { readonly name: string; readonly separator: string },
): Suggestion[] {
  const wanted = new Set(wordsOf(phrase, language).map((word) => stem(word.text, language)));
  const found = new Map<string, Suggestion>();
  const deepest = mainHeading(facts) === undefined ? 2 : 1;
  facts.headings.forEach((heading, place) => {
    if (heading.text === '' || heading.level > deepest || isFurniture(heading.text)) return;
    const named = `${heading.text} ${site.separator} ${site.name}`;
    const text = site.name === '' || heading.text.toLowerCase().includes(site.name.toLowerCase()) || fit(named, limit).cut ? heading.text : named;
    if (same(text, current) || found.has(text)) return;
    const stems = new Set(wordsOf(text, language).map((word) => stem(word.text, language)));
    const phrased = wanted.size === 0 ? 0 : [...wanted].filter((one) => stems.has(one)).length / wanted.size;
    const short = wordsOf(heading.text, language).length < 2 && !language.unspaced ? 0.4 : 0;
    found.set(text, { text, score: (heading.level === 1 ? 2 : 0.8) / (1 + place * 0.15) + phrased - short - (fit(text, limit).cut ? 0.5 : 0) });
  });
  return [...found.values()].sort((a, b) => b.score - a.score).slice(0, MOST);
}

/** Stems of what the page is about, each with its weight: headings count more than text. */
function tellingWords(facts: PageFacts, language: Language): Map<string, number> {
  const weights = new Map<string, number>();
  const add = (text: string, weight: number): void => {
    for (const word of wordsOf(text, language)) {
      if (isCommon(word.text, language) || /^\d+$/.test(word.text)) continue;
      const one = stem(word.text, language);
      weights.set(one, Math.min(6, (weights.get(one) ?? 0) + weight));
    }
  };
  for (const heading of facts.headings) add(heading.text, heading.level === 1 ? 3 : 1.5);
  for (const paragraph of facts.paragraphs) add(paragraph, 0.5);
  return weights;
}

/** Words that stand on every page and describe none. */
function isFurniture(text: string): boolean {
  return /©|\bcookies?\b|all rights reserved|alle rechte vorbehalten|tous droits réservés|derechos reservados|\bskip to\b|javascript/i.test(text);
}

const same = (a: string, b: string): boolean => a.trim().toLowerCase() === b.trim().toLowerCase();
