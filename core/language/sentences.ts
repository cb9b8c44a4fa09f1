import type { Language } from './languages.ts';

/** A sentence and where it stands. */
export interface Sentence {
  readonly text: string;
  readonly start: number;
  readonly end: number;
}

/** After these a full stop ends no sentence. */
const ABBREVIATIONS: Readonly<Partial<Record<Language['code'], string>>> = {
  en: 'mr mrs ms dr prof st no vol fig e.g i.e etc vs approx inc ltd co dept est jan feb mar apr jun jul aug sept sep oct nov dec a.m p.m cf ca',
  de: 'dr prof nr bzw z.b d.h u.a usw ca vgl str abs bd hr fr inkl evtl ggf zzgl tel jan feb mär apr jun jul aug sep okt nov dez s.o s.u max min st',
  fr: 'm mm mme mlle dr pr st ste av etc p.ex env tél no fig vol janv févr avr juil sept oct nov déc c.-à-d cf',
  es: 'sr sra srta dr dra d dña av avda etc p.ej núm pág tel ud uds ee.uu cf aprox vol',
  it: 'sig sig.ra dott dott.ssa prof ecc es pag tel n p.es vol',
  nl: 'dhr mevr dr prof nr bijv d.w.z enz o.a t.a.v ca tel blz',
  pt: 'sr sra dr dra prof etc p.ex pág tel av nº',
};
const sets = new Map<string, ReadonlySet<string>>();
const EVERYWHERE = new Set('dr prof st nr no vol etc tel ca'.split(' '));

function abbreviations(code: Language['code']): ReadonlySet<string> {
  let known = sets.get(code);
  if (!known) sets.set(code, (known = ABBREVIATIONS[code] === undefined ? EVERYWHERE : new Set(ABBREVIATIONS[code].split(' '))));
  return known;
}

/** End marks with the quotes and brackets that close after them; full-width ones need no space behind them. */
const ENDS = /(?:[.!?…؟۔।॥]+["'”’»)\]]*(?:[ \u00a0\u202f]»)?(?=\s|$)|[。！？｡]+[」』）”]*)/gu;

/** Thai sets sentences apart by spaces; shorter stretches belong to the one before. */
const THAI = /\p{Script=Thai}/u;
const THAI_SENTENCE = 24;

/** The sentences of a text, as its language sets them apart: not after abbreviations, ordinals (`3. Mai`), single initials or between digits. */
export function sentencesOf(text: string, language: Language): Sentence[] {
  const found: Sentence[] = [];
  let from = 0;
  const take = (end: number): void => {
    const raw = text.slice(from, end);
    const lead = raw.length - raw.trimStart().length;
    const trimmed = raw.trim();
    if (trimmed !== '') found.push({ text: trimmed, start: from + lead, end: from + lead + trimmed.length });
    from = end;
  };
  if (language.tag === 'th' || (THAI.test(text) && language.code === 'other')) {
    for (const space of text.matchAll(/\s+/g)) if (space.index - from >= THAI_SENTENCE && THAI.test(text.slice(from, space.index))) take(space.index);
    take(text.length);
    return found;
  }
  for (const match of text.matchAll(ENDS)) {
    if (match[0][0] === '.' && match[0].length === 1 && !endsHere(text, from, match.index, language)) continue;
    // What goes on with a small letter has not ended: a name with a mark at its end, what somebody called out.
    if (/^[!?]$/.test(match[0]) && /^\s+\p{Ll}/u.test(text.slice(match.index + 1, match.index + 4))) continue;
    take(match.index + match[0].length);
  }
  take(text.length);
  return found;
}

const MONTH = /^(januar|jänner|februar|märz|april|mai|juni|juli|august|september|oktober|november|dezember|jahrhundert|jh\b|auflage|ausgabe|kapitel|klasse)/i;
const BEFORE_ORDINAL =
  /(?:^|\s)(?:d(?:er|ie|as|en|em|es)|am|im|zum|zur|vom|beim|bis|seit|ab|ein(?:e[rnms]?)?|jede[rnms]?|ihr(?:e[rnms]?)?|sein(?:e[rnms]?)?|unser(?:e[rnms]?)?|und|oder|den?|til|fra)\s+$/i;

function endsHere(text: string, from: number, at: number, language: Language): boolean {
  const before = /[\p{L}\p{N}.-]+$/u.exec(text.slice(Math.max(from, at - 24), at))?.[0].toLowerCase() ?? '';
  const after = text.slice(at + 1).trimStart();
  if (abbreviations(language.code).has(before)) return after === '';
  if (/^\p{L}$/u.test(before)) return after === '';
  // Ordinals are written with a full stop in these languages: before a month, after an article, before a small letter.
  if (/^\d{1,3}$/.test(before) && /^(de|da|no|fi|other)$/.test(language.code))
    return after === '' || (/^[\p{Lu}]/u.test(after) && !MONTH.test(after) && !BEFORE_ORDINAL.test(text.slice(Math.max(from, at - 24), at - before.length)));
  return !/^[\p{Ll}]/u.test(after);
}

/** Whether a text ends as a sentence does; in Thai, where nothing marks it, any may. */
export function endsAsSentence(text: string): boolean {
  const trimmed = text.trim();
  return /[.!?…؟۔。！？।॥](?:[\s\u00a0\u202f]*»)?["'”’»)\]」』]*$/u.test(trimmed) || (trimmed.length >= THAI_SENTENCE && /\p{Script=Thai}$/u.test(trimmed));
}

/** Sentences as well as a glance tells them: a cut too many or too few does no harm, since the same text is always cut the same way. */
export function roughSentences(paragraph: string): string[] {
  return paragraph.split(/(?<=[.!?。！？।])\s*(?=\S)/u).map((sentence) => sentence.trim());
}
