import { ADVANCE_WIDTHS, UNITS_PER_EM } from './advance-widths.ts';

/** Places where texts are cut. */
export type TextLimitId =
  'title-wide' | 'title-phone' | 'title-plover' | 'description-wide' | 'description-phone' | 'description-plover' | 'tab' | 'share-title' | 'share-text';

/** A place where a text is cut: how wide the room is, at which type size, in how many lines. */
export interface TextLimit {
  readonly id: TextLimitId;
  /** px. */
  readonly fontSize: number;
  /** Width of the whole text that is shown, lines added up, in `unit`. */
  readonly width: number;
  readonly lines: number;
  /** Cards that are drawn by many programs are cut by characters; results by real widths. */
  readonly unit: 'px' | 'characters';
}

/** Where titles and descriptions are cut: the first engine's wide result, a phone, the second engine. Conventions of the trade, not law; kept in this one place, and the owner may set others. */
export const TITLE_LIMITS: readonly [TextLimit, ...TextLimit[]] = [
  { id: 'title-wide', fontSize: 20, width: 580, lines: 1, unit: 'px' },
  { id: 'title-phone', fontSize: 20, width: 660, lines: 2, unit: 'px' },
  { id: 'title-plover', fontSize: 20, width: 600, lines: 1, unit: 'px' },
];
export const DESCRIPTION_LIMITS: readonly [TextLimit, ...TextLimit[]] = [
  { id: 'description-wide', fontSize: 14, width: 920, lines: 2, unit: 'px' },
  { id: 'description-phone', fontSize: 14, width: 680, lines: 2, unit: 'px' },
  { id: 'description-plover', fontSize: 14, width: 990, lines: 2, unit: 'px' },
];
export const TAB_LIMIT: TextLimit = { id: 'tab', fontSize: 12, width: 150, lines: 1, unit: 'px' };
export const SHARE_TITLE_LIMIT: TextLimit = { id: 'share-title', fontSize: 16, width: 70, lines: 2, unit: 'characters' };
export const SHARE_TEXT_LIMIT: TextLimit = { id: 'share-text', fontSize: 14, width: 200, lines: 3, unit: 'characters' };

/** All rooms, in the order of the table of limits. */
export const TEXT_LIMITS: readonly TextLimit[] = [...TITLE_LIMITS, ...DESCRIPTION_LIMITS, TAB_LIMIT, SHARE_TITLE_LIMIT, SHARE_TEXT_LIMIT];

/** How a text fits a room. */
export interface Fit {
  /** Width of the whole text, in the room's unit. */
  readonly width: number;
  readonly limit: TextLimit;
  readonly cut: boolean;
  /** What is shown: the whole text, or whole words and an ellipsis. */
  readonly shown: string;
  /** UTF-16 offset from which nothing is shown. */
  readonly cutAt: number;
}

const AVERAGE = 1139;
/** Code points below this are looked up; what stands above is told by its script. */
const LOOKED_UP = 0x2200;
const table = Uint16Array.from({ length: LOOKED_UP }, (_, code) => typical(code));
const beyond = new Map<number, number>();
for (const [first, widths] of ADVANCE_WIDTHS)
  widths.forEach((width, index) => {
    if (first + index < LOOKED_UP) table[first + index] = width;
    else beyond.set(first + index, width);
  });

/** Where the face has no such letter: wide scripts take a whole em, marks nothing, all else a typical letter. */
function typical(code: number): number {
  if ((code >= 0x300 && code <= 0x36f) || (code >= 0x200b && code <= 0x200f) || code === 0xfe0f) return 0;
  if (
    (code >= 0x1100 && code <= 0x115f) ||
    (code >= 0x2e80 && code <= 0xa4cf) ||
    (code >= 0xac00 && code <= 0xd7a3) ||
    (code >= 0xf900 && code <= 0xfaff) ||
    (code >= 0xff01 && code <= 0xff60) ||
    code >= 0x1f300
  )
    return UNITS_PER_EM;
  return AVERAGE;
}

/** Advance width of one code point in units of 1/2048 em. */
function advance(code: number): number {
  return code < LOOKED_UP ? (table[code] as number) : (beyond.get(code) ?? typical(code));
}

/** Width of a text in px at a type size in px. */
export function textWidth(text: string, fontSize: number): number {
  let units = 0;
  for (let at = 0; at < text.length; at++) {
    const code = text.codePointAt(at) as number;
    units += advance(code);
    if (code > 0xffff) at++;
  }
  return (units * fontSize) / UNITS_PER_EM;
}

const UNSPACED = /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Thai}]/u;

/** Cuts a text the way results do: the last whole word that fits together with an ellipsis. A single long word is cut inside. */
export function fit(text: string, limit: TextLimit): Fit {
  const measure = limit.unit === 'px' ? (part: string): number => textWidth(part, limit.fontSize) : (part: string): number => [...part].length;
  const width = measure(text);
  if (width <= limit.width) return { width, limit, cut: false, shown: text, cutAt: text.length };
  const ellipsis = measure(' …');
  let used = 0;
  let at = 0;
  let wordEnd = 0;
  for (const character of text) {
    if (character === ' ') wordEnd = at;
    // Scripts without spaces may break before any letter.
    else if (at > 0 && UNSPACED.test(character)) wordEnd = at;
    used += measure(character);
    if (used + ellipsis > limit.width) break;
    at += character.length;
  }
  const cutAt = wordEnd > 0 ? wordEnd : at;
  return { width, limit, cut: true, shown: `${text.slice(0, cutAt).replace(/[\s,;:–-]+$/, '')} …`, cutAt };
}

/** Number of words of a text that fall past the cut. */
export function wordsPast({ cutAt }: Fit, text: string): number {
  return text.slice(cutAt).split(/\s+/).filter(Boolean).length;
}
