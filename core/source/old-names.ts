import { decodeBytes } from './encoding.ts';

/** IBM code page 437, octets 80 to FF: what the ZIP format means where it says nothing (APPNOTE, D.1). */
const CP437 = 'ÇüéâäàåçêëèïîìÄÅÉæÆôöòûùÿÖÜ¢£¥₧ƒáíóúñÑªº¿⌐¬½¼¡«»░▒▓│┤╡╢╖╕╣║╗╝╜╛┐└┴┬├─┼╞╟╚╔╩╦╠═╬╧╨╤╥╙╘╒╓╫╪┘┌█▄▌▐▀αßΓπΣσµτΦΘΩδ∞φε∩≡±≥≤⌠⌡÷≈°∙·√ⁿ²■\u00a0';
/** IBM code page 850, octets 80 to FF: what systems of Western Europe wrote. */
const CP850 = 'ÇüéâäàåçêëèïîìÄÅÉæÆôöòûùÿÖÜø£Ø×ƒáíóúñÑªº¿®¬½¼¡«»░▒▓│┤ÁÂÀ©╣║╗╝¢¥┐└┴┬├─┼ãÃ╚╔╩╦╠═╬¤ðÐÊËÈıÍÎÏ┘┌█▄¦Ì▀ÓßÔÒõÕµþÞÚÛÙýÝ¯´\u00ad±‗¾¶§÷¸°¨·¹³²■\u00a0';

const octets = (upper: string): ((name: Uint8Array) => string) => {
  const signs = Array.from({ length: 256 }, (_, octet) => (octet < 0x80 ? String.fromCharCode(octet) : (upper[octet - 0x80] as string)));
  return (name) => {
    let read = '';
    for (const octet of name) read += signs[octet] as string;
    return read;
  };
};
const standard = (label: string) => (name: Uint8Array) => decodeBytes(name, label);

/** Encodings in which programs have written names of files; of equals the earlier is taken. */
const PAGES: readonly ((name: Uint8Array) => string)[] = [
  octets(CP437),
  octets(CP850),
  standard('windows-1252'),
  standard('ibm866'),
  standard('windows-1251'),
  standard('windows-1250'),
  standard('shift_jis'),
  standard('gbk'),
  standard('euc-kr'),
];

/** So many names are looked at, and so much of each, in UTF-16 units. */
const SAMPLE = 400;
const LOOKED_AT = 300;

/**
 * Names of files in an encoding that nobody names, none of them UTF-8: read in the one encoding in which, all together, they look most like words. Octets
 * that spell nothing in it become U+FFFD. Empty for none.
 */
export function readOldNames(names: readonly Uint8Array[]): string[] {
  // Some of them tell; an archive may have tens of thousands.
  const sample = names.slice(0, SAMPLE);
  let best: { readonly page: (name: Uint8Array) => string; readonly score: number } | undefined;
  for (const page of PAGES) {
    const score = sample.reduce((sum, name) => sum + likeWords(page(name).slice(0, LOOKED_AT)), 0);
    if (!best || score > best.score) best = { page, score };
  }
  return best ? names.map(best.page) : [];
}

/** The letters that Western languages use most beyond ASCII; the others are letters too, but seldom ones. */
const COMMON = /[äöüßéèêëàâçñíóúáîôùûïòìœæøåÄÖÜÉÈÀÇÑØÅÆ’“”–]/;
interface Script {
  readonly name: string;
  readonly letters: RegExp;
  /** How much one of its letters speaks for words. */
  readonly weight: number;
}
const SCRIPTS: readonly Script[] = [
  { name: 'Latin', letters: /\p{Script=Latin}/u, weight: 1 },
  { name: 'Cyrillic', letters: /\p{Script=Cyrillic}/u, weight: 2 },
  // Kana say Japanese; two octets make one of these, so that they count twice.
  { name: 'Kana', letters: /[\u3041-\u30fe]/, weight: 6 },
  { name: 'Hangul', letters: /\p{Script=Hangul}/u, weight: 5 },
  { name: 'Han', letters: /\p{Script=Han}/u, weight: 3 },
  { name: 'Greek', letters: /\p{Script=Greek}/u, weight: 0 },
];
const scriptOf = (sign: string): Script | undefined => SCRIPTS.find(({ letters }) => letters.test(sign));

/** How much a name looks like words: letters of one script side by side, small ones behind large ones; boxes, signs and mixed scripts speak against it. */
function likeWords(name: string): number {
  let score = 0;
  const signs = [...name];
  signs.forEach((sign, at) => {
    if (sign < '\u0080') return;
    const script = scriptOf(sign);
    if (script === undefined) return void (score -= sign === '\ufffd' || /[\p{Cc}\uff61-\uff9f]/u.test(sign) ? 8 : 4);
    // Capitals in a row are read where nothing better can be.
    score += capital(sign) && capital(signs[at - 1]) ? 0 : COMMON.test(sign) ? 3 : script.weight;
    // No word of a Western language has three such letters in a row.
    if (script.name === 'Latin' && beyond(signs[at - 1]) && beyond(signs[at - 2])) score -= 6;
    for (const beside of [signs[at - 1], signs[at + 1]]) {
      const other = beside === undefined ? undefined : scriptOf(beside);
      if (other !== undefined && other !== script && !(KANJI.has(script.name) && KANJI.has(other.name))) score -= 3;
    }
    // Within a word no large letter follows a small one.
    if (capital(sign) && /\p{Ll}/u.test(signs[at - 1] ?? '')) score -= 4;
    if (/\p{Ll}/u.test(sign) && at > 1 && /\p{Lu}/u.test(signs[at - 1] ?? '') && /\p{Ll}/u.test(signs[at - 2] ?? '')) score -= 2;
  });
  return score;
}

const capital = (sign: string | undefined): boolean => sign !== undefined && /\p{Lu}/u.test(sign);
const beyond = (sign: string | undefined): boolean => sign !== undefined && sign >= '\u0080' && scriptOf(sign)?.name === 'Latin';

const KANJI: ReadonlySet<string> = new Set(['Han', 'Kana']);
