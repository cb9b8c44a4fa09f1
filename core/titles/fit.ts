import { measure, type Measured, type MeasuredBy } from './widths.ts';

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

/** Limits of one sort of text: on a wide screen, by which checks are made; on a phone; and others. */
export type TextLimits = readonly [wide: TextLimit, phone: TextLimit, ...others: TextLimit[]];

/** Where titles and descriptions are cut: the first engine's wide result, a phone, the second engine. Conventions of the trade, not law; kept in this one place, and the owner may set others. */
export const TITLE_LIMITS: TextLimits = [
  { id: 'title-wide', fontSize: 20, width: 580, lines: 1, unit: 'px' },
  { id: 'title-phone', fontSize: 20, width: 660, lines: 2, unit: 'px' },
  { id: 'title-plover', fontSize: 20, width: 600, lines: 1, unit: 'px' },
];
export const DESCRIPTION_LIMITS: TextLimits = [
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
  /** By what the width was told. */
  readonly by: MeasuredBy;
}

const UNSPACED = /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Thai}]/u;

/** Cuts a text the way results do: the last whole word that fits together with an ellipsis. A single long word is cut inside. */
export function fit(text: string, limit: TextLimit): Fit {
  const { width, by } = measuredFor(text, limit, false);
  if (width <= limit.width) return { width, limit, cut: false, shown: text, cutAt: text.length, by };
  const ellipsis = measuredFor(' …', limit, false).width;
  let at = 0;
  let wordEnd = 0;
  for (const [end, used] of measuredFor(text, limit, true).ends) {
    const character = text.slice(at, end);
    if (character === ' ') wordEnd = at;
    // Scripts without spaces may break before any letter.
    else if (at > 0 && UNSPACED.test(character)) wordEnd = at;
    if (used + ellipsis > limit.width) break;
    at = end;
  }
  const cutAt = wordEnd > 0 ? wordEnd : at;
  return { width, limit, cut: true, shown: `${text.slice(0, cutAt).replace(/[\s,;:–-]+$/, '')} …`, cutAt, by };
}

/** A text's width in the unit of a room. */
function measuredFor(text: string, { unit, fontSize }: TextLimit, withEnds: boolean): Measured {
  if (unit === 'px') return measure(text, fontSize, withEnds);
  let at = 0;
  const ends = [...text].map((character, index) => [(at += character.length), index + 1] as const);
  return { width: ends.length, ends, by: 'table' };
}

/** Number of words of a text that fall past the cut. */
export function wordsPast({ cutAt }: Fit, text: string): number {
  return text.slice(cutAt).split(/\s+/).filter(Boolean).length;
}
