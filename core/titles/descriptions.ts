import { endsAsSentence, isCommon, languageOf, likelyLanguage, roughSentences, sentencesOf, stem, wordsOf, type Language } from '../language/index.ts';
import type { PageFacts } from '../page/index.ts';
import { fit, type TextLimit } from './fit.ts';
import { isCodeLike, nameIn, namesOfParts, withPlainSpaces } from './names.ts';
import { earlierEnds, stopFor, withoutNotes } from './shorten.ts';
import { pointsElsewhere, standsAlone, startsWithName } from './standing.ts';
import { MOST_SUGGESTIONS, type SuggestFrom, type Suggestion } from './suggest.ts';
import { textWidth } from './widths.ts';

/** Shorter than this says too little to be worth a result's lines, in UTF-16 units; scripts whose letters are words say it in less. */
const SHORTEST = 50;
/** A text that scores less is worse than none. */
const WORTH_IT = 1.3;
/** A sentence that leans so far on what stood before it is worse than none. */
const LEANING = -1;
/** So many words are running text. */
const RUNNING = 5;
/** A sentence of so few UTF-16 units says nothing by itself, mostly. */
const SCRAP = 28;
/** Sentences of a passage from which a text may begin. */
const BEGINNINGS = 4;

/**
 * Sentences of the page itself that would serve as its description, best first. Neighbouring sentences are taken together while they fit; nothing is
 * invented, nothing is cut inside a clause. Only what a reader understands with nothing before it is taken (`standsAlone`); it is ranked by how early
 * it stands, whether it speaks of what the page is called, how many of the page's telling words it says, whether it says the target phrase, and how well
 * it fills the room. A line that says what its name means ("pack - makes an archive") is a sentence here. A page that says nothing about itself but has
 * parts is described by what they are called.
 */
export function suggestDescriptions(from: SuggestFrom): Suggestion[] {
  const { facts, limit, current, phrase, common = [] } = from;
  const language = spokenIn(from);
  const weights = tellingWords(facts, language);
  const total = [...weights.values()].reduce((sum, weight) => sum + weight, 0) || 1;
  const stemsIn = (text: string): Set<string> => new Set(wordsOf(text, language).map((word) => stem(word.text, language)));
  const wanted = stemsIn(phrase);
  const name = nameIn(facts);
  const named = new Set([...stemsIn(name)].filter((one) => weights.has(one)));
  const banners = new Set(common.map(withPlainSpaces));
  const isBanner = (text: string): boolean => banners.has(text) || roughSentences(text).every((one) => banners.has(one));
  const found = new Map<string, Suggestion>();
  const shortest = language.unspaced || language.tag === 'ko' ? SHORTEST / 2 : SHORTEST;
  const share = (of: ReadonlySet<string>, stems: ReadonlySet<string>): number => (of.size === 0 ? 0 : [...of].filter((one) => stems.has(one)).length / of.size);
  const consider = (text: string, bonus: number, loose: boolean, least = shortest): void => {
    if (text.length < least || text === current || found.has(text)) return;
    const stems = stemsIn(text);
    const said = [...stems].reduce((sum, one) => sum + (weights.get(one) ?? 0), 0) / total;
    const filled = Math.min(1, textWidth(text, limit.fontSize) / limit.width);
    const speaksOfIt = share(named, stems);
    // Text in no paragraph is as often a line of a list: it must speak of what the page is called.
    if (loose && speaksOfIt < 0.3) return;
    // Words set under a picture, or in a list, are no text.
    // A glance is enough for most; abbreviations and dates look like many short sentences, and are looked at closely.
    const scraps = scrapsIn(roughSentences(text)) < 2 ? 0 : scrapsIn(sentencesOf(text, language).map((one) => one.text));
    const score = said * 1.2 + speaksOfIt * 0.9 + share(wanted, stems) + filled * 0.5 + bonus - (language.unspaced || scraps < 2 ? 0 : 2);
    if (score >= WORTH_IT) found.set(text, { text, score });
  };
  const isRunning = (sentence: string): boolean => (language.unspaced ? sentence.length : wordsIn(sentence)) >= RUNNING;
  const passages = [...facts.paragraphs, ...facts.loose].map(withPlainSpaces);
  let begun = false;
  // A page that begins "This is the …" speaks of itself.
  let opening: string | undefined;
  const sentences = passages.map((passage) => {
    const found = sentencesOf(passage, language).flatMap(({ text }) => (endsAsSentence(text) && !isBanner(text) ? [withoutNotes(text)] : []));
    // What the page says first of "it" is said of what the page is called.
    if (!begun && found[0] !== undefined && language.code === 'en') {
      found[0] = withSubject(found[0], name);
      if (/^This is (?:the|an?|our|my)\b/.test(found[0])) opening = found[0];
    }
    begun ||= found.some(isRunning);
    return found;
  });
  // What stands in paragraphs is what was written as text; other passages serve where those say nothing.
  let place = 0;
  passages.forEach((passage, index) => {
    const loose = index >= facts.paragraphs.length;
    const own = sentences[index] as string[];
    const early = (at: number): number => (loose ? 1.3 : 1.9) / (1 + place * 0.3 + at * 0.55);
    const meaning = definition(passage, name);
    if (meaning !== undefined && !isBanner(passage) && standsAlone(meaning, language, name) !== undefined) {
      const meant = stemsIn(meaning);
      const isNews = (one: string): boolean => share(stemsIn(one), meant) < 0.6;
      const next = sentences
        .slice(index, index + 3)
        .flat()
        .find((one) => one !== passage && isNews(one) && (standsAlone(one, language, name) ?? -1) >= 0);
      for (const text of [next === undefined ? meaning : `${meaning} ${next}`, meaning])
        if (!fit(text, limit).cut) consider(text, early(0) + 1.2, false, shortest / 2);
    }
    for (let at = 0; at < Math.min(own.length, BEGINNINGS); at++) {
      const stands = own[at] === opening ? 0.3 : standsAlone(own[at] as string, language, name);
      if (stands === undefined || stands <= LEANING) continue;
      const text = joined(own.slice(at), language, name, limit);
      if (text !== '') consider(text, early(at) + stands, loose);
      // A sentence too long for the room may say enough before its end.
      else {
        const shorter = earlierEnds(own[at] as string, language).find((one) => !fit(one, limit).cut && one.length >= shortest);
        if (shorter !== undefined) consider(shorter, early(at) + stands - 0.2, loose);
      }
    }
    // Captions and the names of other pages are no places: only what holds sentences stands before something.
    if (own.some(isRunning)) place++;
  });
  if (found.size === 0) {
    const parts = namesOfParts(facts, name, language, limit);
    if (parts !== undefined && parts !== current && !isBanner(parts)) found.set(parts, { text: parts, score: 0 });
  }
  return [...found.values()].sort((a, b) => b.score - a.score).slice(0, MOST_SUGGESTIONS);
}

const scrapsIn = (sentences: readonly string[]): number => sentences.filter((one) => one.length < SCRAP).length;

/** As many sentences from the first on as fit and belong together; empty where the first does not fit. */
function joined(sentences: readonly string[], language: Language, name: string, limit: TextLimit): string {
  let text = '';
  for (const sentence of sentences) {
    // Full-width marks hold their own space.
    const longer = text === '' ? sentence : `${text}${/[。！？｡」』）]$/.test(text) ? '' : ' '}${sentence}`;
    if (fit(longer, limit).cut) break;
    // What follows must be a sentence about the page too; that it leans on the one before is what it may do here, but not that it sends one elsewhere.
    if (text !== '' && (standsAlone(sentence, language, name) === undefined || pointsElsewhere(sentence))) break;
    text = longer;
  }
  return text;
}

/** The language that a page's text is in, whatever the page says: translations are often begun and not finished. */
function spokenIn({ facts, language }: SuggestFrom): Language {
  const tag = likelyLanguage(facts.paragraphs.join(' '));
  const likely = tag === undefined ? language : languageOf(tag);
  return likely.code === language.code ? language : likely;
}

/** A sentence about "it" with the name of what it is about; as it is where the name would not stand well in a sentence. */
function withSubject(sentence: string, name: string): string {
  if (
    !/^It (?!seems|follows|was|would|may|might|can be|is (?:possible|important|necessary|not|also|recommended|easy|hard|useful|common|often|sometimes|assumed|up|a good|worth))\p{Ll}/u.test(
      sentence,
    )
  )
    return sentence;
  return name.length < 3 || name.length > 40 || isCodeLike(name) ? sentence : sentence.replace(/^It/, name);
}

/** A passage that says what the page's name means, as a sentence: the name, a dash, an explanation. */
function definition(passage: string, name: string): string | undefined {
  const match = /^(\S[^\u2013\u2014.!?]{0,60}?)\s+[-\u2013\u2014]\s+(\S.{14,})$/s.exec(passage);
  if (!match || !startsWithName(match[1] as string, name) || wordsIn(match[2] as string) < 3) return undefined;
  return endsAsSentence(passage) ? passage : `${passage}${stopFor(passage)}`;
}
const wordsIn = (text: string): number => text.split(/\s+/).length;

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
