import { oneOf, type DateWords } from './date-words.ts';

/** An hour of the day, or from when to when, as ISO 8601 has hours: `19:30`. */
export interface SaidClock {
  readonly from: string;
  readonly to?: string | undefined;
  /** Whether `to` is on the day after. */
  readonly overnight: boolean;
}

interface Hand {
  readonly minutes: number;
  readonly hour: number;
  /** `am` or `pm`, as far as it is said. */
  readonly half: 'am' | 'pm' | undefined;
  /** Whether the text itself tells it from any other number: by minutes behind a colon, by a word, by am or pm. */
  readonly isClear: boolean;
  /** Whether it can only be counted to 24: `09:00`, `19:30`, noon. */
  readonly isWhole: boolean;
  /** Whether it may as well be a length of time: `3h`, `2 horas`. */
  readonly isLength: boolean;
  /** Whether hours and minutes stand behind a dot: `7.30`. */
  readonly isDotted: boolean;
}

const HALF = String.raw`[ap]\.?\s?m\b\.?`;

/** A pattern of one hour. `at` makes its groups' names differ where there are two. */
export function clockPattern(words: DateWords, at: 1 | 2): string {
  const named = `(?:(?<noon${at}>${oneOf(words.noon.split('|'))})|(?<midnight${at}>${oneOf(words.midnight.split('|'))}))(?!\\p{L})`;
  const behind = `(?<half${at}>${HALF})|(?<unit${at}>${words.hour})(?![\\p{Script=Latin}間])`;
  const minutes = String.raw`\s?(?<sep${at}>:|\.|h|時|uhr)\s?(?<minute${at}>[0-5]\d|半)(?!\d|[.:]\d)分?`;
  return `(?:${named}|(?<front${at}>午前|午後)?(?<![\\d.,:])(?<hour${at}>\\d{1,2})(?!\\d)(?:${minutes})?(?:\\s?(?:${behind}))?)`;
}

type Groups = Readonly<Record<string, string | undefined>>;

const named = (hour: number): Hand => ({ minutes: hour * 60, hour, half: undefined, isClear: true, isWhole: true, isLength: false, isDotted: false });

function handOf(groups: Groups, at: 1 | 2): Hand | undefined {
  if (groups[`noon${at}`] !== undefined) return named(12);
  if (groups[`midnight${at}`] !== undefined) return named(0);
  const [digits, minute, sep, unit, front] = ['hour', 'minute', 'sep', 'unit', 'front'].map((name) => groups[`${name}${at}`]);
  if (digits === undefined) return undefined;
  const hour = Number(digits);
  const said = groups[`half${at}`] ?? (front === '午前' ? 'am' : front === '午後' ? 'pm' : undefined);
  const half = said === undefined ? undefined : /^p/i.test(said) ? 'pm' : 'am';
  const past = minute === '半' ? 30 : Number(minute ?? 0);
  if (hour > 24 || (hour === 24 && past > 0) || (half !== undefined && hour > 12)) return undefined;
  const counted = half === undefined ? hour : (hour % 12) + (half === 'pm' ? 12 : 0);
  const isOClock = unit !== undefined && /clock/i.test(unit);
  return {
    minutes: counted * 60 + past,
    hour,
    half,
    isClear: half !== undefined || unit !== undefined || (minute !== undefined && sep !== '.') || sep === '時',
    isWhole:
      half !== undefined ||
      hour > 12 ||
      hour === 0 ||
      (minute !== undefined && digits.startsWith('0')) ||
      (unit !== undefined && !isOClock) ||
      (sep !== undefined && /[h時]|uhr/i.test(sep)),
    isLength: half === undefined && (/^(?:h|heures?|horas|hs|ore|uur|u)$/i.test(unit ?? '') || /^h$/i.test(sep ?? '')),
    isDotted: sep === '.',
  };
}

/** Hours at which a morning's work begins: what begins earlier may as well be in the afternoon. */
const MORNING = 8;

/** Reads one hour, or two, out of a match of `clockPattern`. Undefined where it could be meant in two ways. `isNamed`: something in front says that it is an hour. */
export function clockOf(groups: Groups, words: DateWords, isNamed: boolean): SaidClock | undefined {
  const first = handOf(groups, 1);
  const second = handOf(groups, 2);
  if (!first) return undefined;
  const isPair = ['hour2', 'noon2', 'midnight2'].some((name) => groups[name] !== undefined);
  if (isPair) return second && pairOf(first, second, words, isNamed);
  if (!first.isClear && !(isNamed && first.isDotted) && !(isNamed && first.isWhole)) return undefined;
  // A length of time looks the same; what begins at an hour does so late enough to be told from one.
  if (first.isLength && !isNamed && first.minutes < 10 * 60) return undefined;
  if (words.toTwelve && !first.isWhole && !(first.isClear && first.hour >= 10)) return undefined;
  return first.minutes >= 1440 ? undefined : { from: clockTime(first.minutes), overnight: false };
}

function pairOf(first: Hand, second: Hand, words: DateWords, isNamed: boolean): SaidClock | undefined {
  if (!first.isClear && !second.isClear && !isNamed) return undefined;
  const ends = halvesOf(first, second, words);
  if (!ends) return undefined;
  const [from, to] = ends;
  if (from === to || from >= 1440) return undefined;
  return { from: clockTime(from), to: clockTime(to % 1440), overnight: to < from || to >= 1440 };
}

/** Both in minutes from midnight, with the halves of the day that are not said but can only be one. */
function halvesOf(first: Hand, second: Hand, words: DateWords): readonly [number, number] | undefined {
  const [a, b] = [first.minutes, second.minutes];
  if (first.half !== undefined && second.half === undefined && !second.isWhole) {
    const to = [b, b + 720].find((one) => one > a && one < 1440);
    return to === undefined ? undefined : [a, to];
  }
  if (second.half !== undefined && first.half === undefined && !first.isWhole) {
    if (second.half === 'am') return a < b ? [a, b] : [a + 720, b];
    const late = first.hour === 12 ? a : a + 720;
    return late < b ? [late, b] : a < b ? [a, b] : undefined;
  }
  if (first.isWhole || second.isWhole || first.half !== undefined) {
    // "9:00–5:00" beside a whole one: 09:00 to 5:00 is a night only if it begins in the evening.
    if (b <= a && !second.isWhole && second.hour <= 12 && a < 720) return words.toTwelve ? [a, b + 720] : undefined;
    if (words.toTwelve && !first.isWhole && first.hour < MORNING && b > a + 720) return undefined;
    return [a, b];
  }
  if (b <= a) return words.toTwelve && first.hour >= MORNING - 1 ? [a, b + 720] : undefined;
  return !words.toTwelve || first.hour >= MORNING ? [a, b] : undefined;
}

/** Minutes from midnight as ISO 8601 has an hour: `09:30`. */
export const clockTime = (minutes: number): string => `${String(Math.floor(minutes / 60)).padStart(2, '0')}:${String(minutes % 60).padStart(2, '0')}`;
