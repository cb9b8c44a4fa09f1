import type { Language } from '../language/index.ts';
import { documentTitle, mainHeading, withoutMark, type PageFacts } from '../page/index.ts';
import { fit, type TextLimit } from './fit.ts';
import { stopFor } from './shorten.ts';

/** What the page is called: its main heading, else its title's first part, without numbers of chapters in front. */
export function nameIn(facts: PageFacts): string {
  const name = mainHeading(facts) ?? documentTitle(facts)?.text.split(/\s+[|\u2013\u2014·•»-]\s+/)[0] ?? '';
  return withoutNumber(name.replace(/\s*\(\d\w*\).*$/, '')).split(/\s+[\u2013\u2014-]\s+/)[0] as string;
}

/** A heading without the number of its chapter or section. */
function withoutNumber(heading: string): string {
  return heading
    .replace(
      /^(?:(?:chapter|section|part|appendix|kapitel|abschnitt|anhang|chapitre|annexe|capítulo|apéndice|capitolo|appendice|hoofdstuk)\s+[\dA-Z]+[.:]?\s+|第\s*\d+\s*[章节部]\s*)/i,
      '',
    )
    .replace(/^(?:\d+(?:\.\d+)*|[A-Z](?:\.\d+)+)\.?\s+/, '');
}

/** Words that stand on every page and describe none. */
export function isFurniture(text: string): boolean {
  return /©|\bcookies?\b|all rights reserved|alle rechte vorbehalten|tous droits réservés|derechos reservados|\bskip to\b|javascript/i.test(text);
}

/** Headings that stand on every page of a sort and tell nothing of one. */
const OF_ANY_PAGE =
  /^(?:name|synopsis|description|options?|parameters?|arguments?|outputs?|inputs?|notes?|examples?|usage|compatibility|see also|author(?:s|ship)?|history|bugs|overview|introduction|summary|contents?|table of contents|index|references?|menu|navigation|search|footnotes?|keyboard shortcuts|beschreibung|siehe auch|beispiele?|übersicht|einleitung|einführung|inhalt(?:sverzeichnis)?|voir aussi|exemples?|aperçu|sommaire|introducción|índice|ejemplos?|véase también|descrizione|introduzione|indice|esempi|vedi anche|目次|概要|はじめに|目录|简介)$/iu;
/** A page with fewer parts is described by none of them. */
const FEWEST_PARTS = 3;
const FEWEST_CONTENTS = 2;

/** What the parts of a page are called, as far as that fits behind its own name. */
export function namesOfParts(facts: PageFacts, name: string, language: Language, limit: TextLimit): string | undefined {
  if (name === '' || isCodeLike(name)) return undefined;
  const level = mainHeading(facts) === undefined ? Math.min(...facts.headings.map((one) => one.level)) : 2;
  const parts = facts.headings
    .filter((one) => one.level === level)
    .map(({ text }) => withoutNumber(withoutMark(text)).trim())
    .filter((text) => text !== '' && text.length <= 70 && !OF_ANY_PAGE.test(text) && !isFurniture(text) && !isCodeLike(text));
  const [colon, comma] = language.unspaced && stopFor(parts.join('')) === '。' ? ['：', '、'] : [': ', ', '];
  // A list of contents, where the page has no parts of its own.
  const fewest = parts.length === 0 ? FEWEST_CONTENTS : FEWEST_PARTS;
  if (parts.length === 0)
    parts.push(...facts.loose.flatMap((line) => /^\d{1,2}\.\s+(\D.{3,68})$/.exec(withPlainSpaces(line))?.[1] ?? []).filter((text) => !isCodeLike(text)));
  const own = [...new Set(parts)].filter((one) => one.toLowerCase() !== name.toLowerCase());
  // Letters and numbers are the parts of an index.
  if (own.filter((one) => one.length < 4).length > own.length / 4 && !language.unspaced) return undefined;
  for (let many = own.length; many >= fewest; many--) {
    const text = `${name}${colon}${own.slice(0, many).join(comma)}${stopFor(own[many - 1] as string)}`;
    if (!fit(text, limit).cut) return text;
  }
  return undefined;
}

/** Whether a name would not stand well in a sentence: signs of programs, or a mark at its end. */
export const isCodeLike = (text: string): boolean => /[{}<>=;$]|\w\(\)|^\W*$/.test(text) || /[?!:]$/.test(text);

/** Spaces that hold words together are spaces here, but where French marks have them. */
export function withPlainSpaces(text: string): string {
  return text
    .replace(/(?<!«)[\u00a0\u2007\u202f](?![?!:;»])/g, ' ')
    .replace(/ {2,}/g, ' ')
    .trim();
}
