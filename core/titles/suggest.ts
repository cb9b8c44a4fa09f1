import { endsAsSentence, isCommon, roughSentences, sentencesOf, stem, wordsOf, type Language } from '../language/index.ts';
import { documentTitle, mainHeading, withoutMark, type PageFacts } from '../page/index.ts';
import { fit, type TextLimit } from './fit.ts';
import { standsAlone } from './standing.ts';
import { textWidth } from './widths.ts';

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
/** A text that scores less is worse than none. */
const WORTH_IT = 1.3;
/** Sentences of a passage from which a text may begin. */
const BEGINNINGS = 4;

/**
 * Sentences of the page itself that would serve as its description, best first. Neighbouring sentences are taken together while they fit; nothing is
 * invented, nothing is cut inside a sentence. Only what a reader understands with nothing before it is taken (`standsAlone`); it is ranked by how early
 * it stands, whether it speaks of what the page is called, how many of the page's telling words it says, whether it says the target phrase, and how well
 * it fills the room.
 */
export function suggestDescriptions({ facts, language, limit, current, phrase, common = [] }: SuggestFrom): Suggestion[] {
  const weights = tellingWords(facts, language);
  const total = [...weights.values()].reduce((sum, weight) => sum + weight, 0) || 1;
  const stemsIn = (text: string): Set<string> => new Set(wordsOf(text, language).map((word) => stem(word.text, language)));
  const wanted = stemsIn(phrase);
  const name = nameIn(facts);
  const named = new Set([...stemsIn(name)].filter((one) => weights.has(one)));
  const banners = new Set(common);
  const isBanner = (text: string): boolean => banners.has(text) || roughSentences(text).every((one) => banners.has(one));
  const found = new Map<string, Suggestion>();
  const shortest = language.unspaced || language.tag === 'ko' ? SHORTEST / 2 : SHORTEST;
  const share = (of: ReadonlySet<string>, stems: ReadonlySet<string>): number => (of.size === 0 ? 0 : [...of].filter((one) => stems.has(one)).length / of.size);
  // What stands in paragraphs is what was written as text; other passages serve where those say nothing.
  [...facts.paragraphs, ...facts.loose].forEach((passage, place) => {
    const loose = place >= facts.paragraphs.length;
    const sentences = sentencesOf(passage, language)
      .map(({ text }) => text)
      .filter((text) => endsAsSentence(text) && !isBanner(text));
    for (let from = 0; from < Math.min(sentences.length, BEGINNINGS); from++) {
      const stands = standsAlone(sentences[from] as string, language, name);
      if (stands === undefined) continue;
      let text = '';
      for (const sentence of sentences.slice(from)) {
        const longer = text === '' ? sentence : `${text}${language.unspaced ? '' : ' '}${sentence}`;
        if (fit(longer, limit).cut) break;
        // What follows must be a sentence about the page too; that it leans on the one before is what it may do here.
        if (text !== '' && standsAlone(sentence, language, name) === undefined) break;
        text = longer;
      }
      if (text.length < shortest || text === current || found.has(text)) continue;
      const stems = stemsIn(text);
      const said = [...stems].reduce((sum, one) => sum + (weights.get(one) ?? 0), 0) / total;
      const filled = Math.min(1, textWidth(text, limit.fontSize) / limit.width);
      const speaksOfIt = share(named, stems);
      // Text in no paragraph is as often a line of a list: it must speak of what the page is called.
      if (loose && speaksOfIt < 0.3) continue;
      const early = (loose ? 1.3 : 1.8) / (1 + place * 0.3 + from * 0.55);
      const score = early + said * 1.2 + speaksOfIt * 0.9 + share(wanted, stems) + filled * 0.5 + stands;
      if (score >= WORTH_IT) found.set(text, { text, score });
    }
  });
  return [...found.values()].sort((a, b) => b.score - a.score).slice(0, MOST);
}

/** What the page is called: its main heading, else its title's first part, without numbers of chapters in front. */
function nameIn(facts: PageFacts): string {
  const name = mainHeading(facts) ?? documentTitle(facts)?.text.split(/\s+[|\u2013\u2014·•»-]\s+/)[0] ?? '';
  return name
    .replace(/\s*\(\d\w*\).*$/, '')
    .replace(
      /^(?:chapter|section|part|appendix|kapitel|abschnitt|anhang|chapitre|annexe|capítulo|apéndice|capitolo|appendice|hoofdstuk)\s+[\dA-Z]+[.:]?\s+/i,
      '',
    )
    .replace(/^(?:\d+(?:\.\d+)*|[A-Z](?:\.\d+)+)\.?\s+/, '')
    .split(/\s+[\u2013\u2014-]\s+/)[0] as string;
}

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
