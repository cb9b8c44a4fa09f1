import { keysOf } from '../keyed/index.ts';
import { DURATION_WORDS, type DurationWords } from './duration-words.ts';

type Unit = 'W' | 'D' | 'H' | 'M' | 'S';
const WORD_OF = {
  W: 'weeks',
  D: 'days',
  H: 'hours',
  M: 'minutes',
  S: 'seconds',
} as const satisfies Record<Unit, keyof DurationWords>;
const ALL = Object.values(DURATION_WORDS);
const anyOf = (part: (words: DurationWords) => string): string => ALL.map(part).join('|');
/** From the greatest. */
const ORDER = keysOf(WORD_OF);
const UNITS = ORDER.map((unit) => [unit, new RegExp(`^(?:${anyOf((words) => words[WORD_OF[unit]])})$`, 'iu')] as const);
const UNIT = Object.values(WORD_OF)
  .map((part) => anyOf((words) => words[part]))
  .join('|');
const NUMBERS: readonly (readonly [RegExp, number])[] = ALL.flatMap(({ numbers }) =>
  numbers.map((forms, at) => [new RegExp(`^(?:${forms})$`, 'iu'), at + 1] as const),
);
const FRACTIONS: Readonly<Record<string, number>> = { '½': 0.5, '¼': 0.25, '¾': 0.75 };

const AMOUNT = String.raw`(?<amount>\d+(?:[.,]\d+)?(?:\s?[½¼¾]|\s1\/2)?|[½¼¾]|(?<!\p{L})(?:${ALL.flatMap(({ numbers }) => numbers).join('|')})(?=\s))`;
const END = String.raw`(?!\p{Script=Latin}|\d)`;
/** One part of a length: how many of what; minutes behind hours may have no word, half an hour may have no number. */
const PART = new RegExp(
  String.raw`(?<![\d.,:/])(?:(?<clock>\d{1,2}:[0-5]\d)\s?(?:${anyOf(({ hours }) => hours)})${END}|(?<half>${anyOf(({ halfHour }) => halfHour)})${END}|(?<more>${anyOf(({ hourAndHalf }) => hourAndHalf)})${END}|${AMOUNT}[\s-]?(?<unit>${UNIT})(?:${END}|(?=\d{1,2}(?!\d)))(?:(?<rest>\s?[0-5]\d)(?!\s?[\p{L}\d€£$¥%°]|[.,:]\d)|\s?(?<andHalf>${anyOf(({ andHalf }) => andHalf)})(?!\p{Script=Latin}))?)`,
  'giu',
);
const BETWEEN = new RegExp(String.raw`^[\s,·+&]*(?:${anyOf(({ and }) => and)})?[\s,]*$`, 'iu');
/** What stands before a length that is a bound, one end of a span, or a rate. */
const LIMITED = new RegExp(
  String.raw`(?:(?<!\p{L})(?:${anyOf(({ limit }) => limit)})\s+|\d\s?[-–—~〜/]\s?|\d\s?(?:${UNIT})?\.?\s?(?:[-–—~〜/]|to|bis|à|a|tot|até|do)\s?|[€£$¥%]\s?|[\d.,]+\s?(?:€|eur|usd|gbp|zł|円)\s?(?:\/|pro|per|par|por)?\s?)$`,
  'iu',
);
/** What stands behind one that goes on to another, or that is a rate or a bound. */
const RATES =
  'a (?:day|week|month|year)|per|pro|par|por|al d[ií]a|am tag|al giorno|na dobę|ago|later|notice|old|before|after|earlier|vor|nach|avant|après|antes|después|prima|dopo|voor|na|depois|przed|po';
const GOES_ON = new RegExp(String.raw`^\s?(?:[-–—~〜]\s?\d|(?:to|bis|à|a|tot|até|do|から)\s?\d|\/|以内|以上|ごと|前|後|(?:${RATES})(?![\p{L}\d]))`, 'iu');
/** The whole day long: when something is open, and no length. */
const ALL_DAY = 'PT24H';
/** Marks of a text that may say a length: nothing is looked for without one. */
const MAY_SAY = new RegExp(`\\d|[½¼¾]|half|halb|demi|media|mezz|meia|pół|一時間|${ALL.flatMap(({ numbers }) => numbers).join('|')}`, 'i');

interface Found {
  readonly parts: Partial<Record<Unit, number>>;
  readonly start: number;
  readonly end: number;
}

/**
 * The length of time that a text says, as ISO 8601 has it: `1 h 30 min` is `PT1H30M`. Undefined where none is said, where several are and nobody knows which is meant, and where
 * it is only a bound, a span (`2–3 hours`) or a rate.
 */
export function durationIn(text: string): { readonly iso: string; readonly start: number; readonly end: number } | undefined {
  if (!MAY_SAY.test(text)) return undefined;
  const found = lengthsIn(text);
  const isos = found.map(({ parts }) => isoOf(parts));
  const [first] = found;
  const [iso] = isos;
  if (!first || iso === undefined || iso === ALL_DAY || isos.some((other) => other !== iso)) return undefined;
  if (found.some(({ start, end }) => LIMITED.test(text.slice(Math.max(0, start - 24), start)) || GOES_ON.test(text.slice(end, end + 12)))) return undefined;
  return { iso, start: first.start, end: first.end };
}

function lengthsIn(text: string): Found[] {
  const found: Found[] = [];
  for (const match of text.matchAll(PART)) {
    const parts = partsOf(match.groups ?? {});
    if (!parts) continue;
    const [start, end] = [match.index, match.index + match[0].length];
    const before = found.at(-1);
    // Each part is said once, the greater before the less.
    const isMore =
      before !== undefined &&
      BETWEEN.test(text.slice(before.end, start)) &&
      Object.keys(parts).every((unit) => Object.keys(before.parts).every((other) => ORDER.indexOf(other as Unit) < ORDER.indexOf(unit as Unit)));
    // A letter alone is a unit of time only behind another one: 12 m is a height.
    if (!isMore && /^[ms]$/i.test(match.groups?.['unit'] ?? '')) continue;
    if (isMore) found[found.length - 1] = { parts: { ...before.parts, ...parts }, start: before.start, end };
    else found.push({ parts, start, end });
  }
  return found;
}

function partsOf({ clock, half, more, amount, unit, rest, andHalf }: Readonly<Record<string, string | undefined>>): Found['parts'] | undefined {
  if (clock !== undefined) return { H: Number(clock.split(':')[0]), M: Number(clock.split(':')[1]) };
  if (half !== undefined) return { M: 30 };
  if (more !== undefined) return { H: 1, M: 30 };
  const sign = UNITS.find(([, words]) => words.test(unit ?? ''))?.[0];
  const number = amount === undefined ? undefined : numberOf(amount);
  if (sign === undefined || number === undefined) return undefined;
  if (rest !== undefined) return sign === 'H' ? { H: number, M: Number(rest) } : { [sign]: number };
  return { [sign]: andHalf === undefined ? number : number + 0.5 };
}

function numberOf(amount: string): number | undefined {
  const word = NUMBERS.find(([forms]) => forms.test(amount))?.[1];
  if (word !== undefined) return word;
  const [, whole = '', fraction] = /^(\d*(?:[.,]\d+)?)\s?([½¼¾]|1\/2)?$/.exec(amount) ?? [];
  return Number(whole.replace(',', '.') || '0') + (fraction === undefined ? 0 : (FRACTIONS[fraction] ?? 0.5));
}

/** By ISO 8601, 4.4.3: parts of a unit go down to the next one; nothing where that does not come out even. */
function isoOf(parts: Found['parts']): string | undefined {
  const { W = 0, D = 0, H = 0, M = 0, S = 0 } = parts;
  if (W > 0) return Number.isInteger(W) && D + H + M + S === 0 ? `P${W}W` : undefined;
  if (!Number.isInteger(D)) return undefined;
  const minutes = H * 60 + M;
  const seconds = S + (minutes % 1) * 60;
  if (!Number.isInteger(seconds)) return undefined;
  const whole = Math.floor(minutes);
  const [hours, rest] = H > 0 ? [Math.floor(whole / 60), whole % 60] : [0, whole];
  const time = `${hours > 0 ? `${hours}H` : ''}${rest > 0 ? `${rest}M` : ''}${seconds > 0 ? `${seconds}S` : ''}`;
  return D === 0 && time === '' ? undefined : `P${D > 0 ? `${D}D` : ''}${time === '' ? '' : `T${time}`}`;
}
