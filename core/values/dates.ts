import { clockOf, type SaidClock } from './clock.ts';
import { datePatterns, type DatePatterns } from './date-patterns.ts';
import { dateLanguage } from './date-words.ts';
import { isIsoDate } from './forms.ts';

/** A date that was found in a text, as ISO 8601 has it: a day, or a day with its hour where one is said. */
export interface FoundDate {
  readonly iso: string;
  /** Where it stands in the text, in UTF-16 units. */
  readonly start: number;
  readonly end: number;
}

/** A day, or from when to when. */
export interface FoundSpan {
  readonly from: string;
  readonly to?: string | undefined;
  readonly start: number;
  readonly end: number;
  /** Whether it is one of several days that are not one span: "4 and 11 May 2026". */
  readonly isOneOfSeveral: boolean;
}

/** How far around a year a date is looked for, and how many years of one text. */
const AROUND = 72;
const MOST_YEARS = 24;
const YEAR = /(?<!\d)(?:19|20)\d\d(?!\d)|(?:令和|平成|昭和|大正)(?:元|\d{1,2})年/g;

/** The dates that a text says whole: day, month and year, the ends of a span one by one. Nothing is made up; a day without its year is none, and neither is one that could be two: 03/04/2026 where nobody knows whether the day or the month comes first. `lang` as pages say it; `country` by ISO 3166-1. */
export function datesIn(text: string, lang: string, country?: string): FoundDate[] {
  return spansIn(text, lang, country).flatMap(({ from, to, start, end }) => [
    { iso: from, start, end },
    ...(to === undefined ? [] : [{ iso: to, start, end }]),
  ]);
}

/** The same, with the two ends of a span together. */
export function spansIn(raw: string, lang: string, country?: string): FoundSpan[] {
  const text = narrow(raw);
  const readers = readersOf(lang);
  const order = orderOf(lang, country);
  const found: FoundSpan[] = [];
  let years = 0;
  for (const { index } of text.matchAll(YEAR)) {
    const end = found.at(-1)?.end ?? 0;
    if (index < end) continue;
    if (++years > MOST_YEARS) break;
    const from = Math.max(end, index - AROUND);
    const day = dayAround(text.slice(from, index + AROUND), index - from, readers, order);
    if (!day) continue;
    const [reader] = readers;
    const timed = reader ? withClock(text, from + day.start, from + day.end, end, reader) : undefined;
    const isListed = day.isListed || LISTED.test(text.slice(Math.max(0, from + day.start - 16), from + day.start));
    const place = { start: timed?.start ?? from + day.start, end: timed?.end ?? from + day.end };
    for (const span of spansOf(day, timed, isListed)) found.push({ ...span, ...place });
  }
  return joinedIn(text, found, readers);
}

/** Digits and signs of East Asian width as their narrow ones, each in its place. */
const narrow = (text: string): string =>
  text
    .replace(/[！-～]/g, (sign) => String.fromCharCode(sign.charCodeAt(0) - 0xfee0))
    .replace(/[\u00a0\u202f\u2009]/g, ' ')
    .replace(/\u00ad/g, ' ');

/** Which comes first where a date is in digits. */
type Order = 'day' | 'month' | 'unknown';

const MONTH_FIRST = new Set(['US', 'PH', 'FM', 'MH', 'PW', 'PR', 'GU', 'AS', 'MP', 'VI']);
const BOTH = new Set(['CA', 'KE', 'GH', 'TG', 'PA', 'MY']);

function orderOf(lang: string, country: string | undefined): Order {
  const region = (/^[a-z]{2,3}[-_](?:[a-z]{4}[-_])?([a-z]{2})(?:[-_]|$)/i.exec(lang)?.[1] ?? country ?? '').toUpperCase();
  if (MONTH_FIRST.has(region)) return 'month';
  if (BOTH.has(region)) return 'unknown';
  if (region !== '') return 'day';
  const language = dateLanguage(lang);
  return language === undefined || language === 'en' || language === 'ja' ? 'unknown' : 'day';
}

interface Day {
  readonly from: string;
  readonly to?: string | undefined;
  /** Whether the two are days of a list and no span. */
  readonly isListed: boolean;
  readonly start: number;
  readonly end: number;
}

/** More days of the same list in front of a date, or what would be the beginning of a span but was not read as one. */
const LISTED =
  /\d(?:st|nd|rd|th|[.º])?\s*(?:[,&+/、・]|[-–—~〜]|\s(?:und|u\.|and|et|y|e|i|oraz|en|to|bis|au|al|tot|do|até|a)(?=\s))\s*(?:\p{L}{1,10}\.?,?\s+)?$/u;

function dayAround(window: string, year: number, readers: readonly DatePatterns[], order: Order): Day | undefined {
  for (const reader of readers) {
    let best: Day | undefined;
    for (const pattern of reader.days)
      for (const match of window.matchAll(pattern)) {
        const end = match.index + match[0].length;
        if (match.index > year || end < year + 4) continue;
        if (match.groups?.['mark'] !== undefined && NUMBERED.test(window.slice(0, match.index))) continue;
        const day = dayOf(match.groups ?? {}, reader, order, window.slice(Math.max(0, match.index - 12), match.index));
        const found = day ? { ...day, start: match.index, end } : firstAlone(match, reader, order);
        if (found && (!best || found.end - found.start > best.end - best.start)) best = found;
      }
    if (best) return best;
  }
  return undefined;
}

/** The first of two whole dates that are no span, such as a later and an earlier one: it stands for itself. The other is read after it. */
function firstAlone(match: RegExpExecArray, reader: DatePatterns, order: Order): Day | undefined {
  const { d1, m1, y1, mark } = match.groups ?? {};
  if (d1 === undefined || m1 === undefined || y1 === undefined) return undefined;
  const alone = dayOf({ d2: d1, m2: m1, y2: y1, mark }, reader, order, '');
  return alone && { ...alone, start: match.index, end: match.index + match[0].indexOf(y1) + y1.length };
}

/** What makes digits with dots between them something else than a date. */
const NUMBERED = /(?<!\p{L})(?:version|release|v|no|nr|art|ref|tel|fax|n[°º])[.:]?\s*$/iu;

const ERAS: Readonly<Record<string, number>> = { 令和: 2018, 平成: 1988, 昭和: 1925, 大正: 1911 };
const BETWEEN_THEM = /\b(?:between|zwischen|entre|tra|fra|tussen|między)\s+(?:\p{L}+\s+)?$/iu;

function dayOf(
  groups: Readonly<Record<string, string | undefined>>,
  { months }: DatePatterns,
  order: Order,
  before: string,
): Omit<Day, 'start' | 'end'> | undefined {
  const monthOf = (word: string | undefined): number | undefined =>
    word === undefined ? undefined : /^\d+$/.test(word) ? Number(word) : months.get(word.toLowerCase());
  const yearOf = (at: 1 | 2): number | undefined => {
    const era = groups[`era${at}`];
    if (era !== undefined) return (ERAS[era] ?? 0) + (groups[`count${at}`] === '元' ? 1 : Number(groups[`count${at}`]));
    return groups[`y${at}`] === undefined ? undefined : Number(groups[`y${at}`]);
  };
  let [day1, day2] = [groups['d1'], groups['d2']].map((digits) => (digits === undefined ? undefined : Number(digits)));
  let month1 = monthOf(groups['m1']);
  let month2 = monthOf(groups['m2']) ?? monthOf(groups['m3']) ?? month1;
  let [year1, year2] = [yearOf(1), yearOf(2)];
  // Japanese says the year and the month with the first day.
  year2 ??= year1;
  if (day2 === undefined || month2 === undefined || year2 === undefined) return undefined;
  if (groups['mark'] !== undefined) {
    const isDotted = groups['mark'] === '.';
    const both = [
      [day1, month1],
      [day2, month2],
    ] as const;
    const isMonthFirst =
      !isDotted &&
      both.every(([first]) => first === undefined || first <= 12) &&
      (order === 'month' || (order === 'unknown' && both.some(([, second]) => (second ?? 0) > 12)));
    const isSure = isDotted || order !== 'unknown' || isMonthFirst || both.some(([first]) => (first ?? 0) > 12) || (day2 === month2 && day1 === undefined);
    if (!isSure) return undefined;
    if (isMonthFirst) {
      if (day1 !== undefined && month1 === undefined) return undefined;
      [day1, month1, day2, month2] = [month1, day1, month2, day2];
    }
  }
  const to = isoOf(year2, month2, day2);
  if (to === undefined) return undefined;
  if (day1 === undefined) return { from: to, isListed: false };
  month1 ??= month2;
  year1 ??= month1 > month2 ? year2 - 1 : year2;
  const from = isoOf(year1, month1, day1);
  if (from === undefined || from >= to) return undefined;
  const isNext = dayAfter(from) === to;
  return { from, to, isListed: groups['and'] !== undefined && !BETWEEN_THEM.test(before) && !(isNext && !/\d\P{L}{0,3}[,;]\s*$/u.test(before)) };
}

function isoOf(year: number, month: number, day: number): string | undefined {
  const iso = `${String(year).padStart(4, '0')}-${String(month).padStart(2, '0')}-${String(day).padStart(2, '0')}`;
  return isIsoDate(iso) ? iso : undefined;
}

interface Timed {
  readonly clock: SaidClock;
  readonly zone: string;
  readonly start: number;
  readonly end: number;
}

const ZONES: Readonly<Record<string, string>> = { UTC: 'Z', GMT: 'Z', CET: '+01:00', MEZ: '+01:00', CEST: '+02:00', MESZ: '+02:00', JST: '+09:00' };
const zoneOf = (said: string | undefined): string => {
  if (said === undefined) return '';
  const hours = /^UTC([+-])(\d{1,2})$/i.exec(said);
  return hours ? `${hours[1]}${hours[2]?.padStart(2, '0')}:00` : (ZONES[said.toUpperCase()] ?? said);
};

/** The hour that is said with a date, behind it or in front. `from` is the end of what was read before. */
function withClock(text: string, start: number, end: number, from: number, { behind, before, words }: DatePatterns): Timed | undefined {
  const next = behind.exec(text.slice(end, end + AROUND));
  if (next) {
    const clock = clockOf(next.groups ?? {}, words, next.groups?.['named'] !== undefined);
    if (clock) return { clock, zone: zoneOf(next.groups?.['zone']), start, end: end + next[0].length };
  }
  const front = text.slice(Math.max(from, start - AROUND), start);
  const last = before.exec(front);
  const clock = last && clockOf(last.groups ?? {}, words, last.groups?.['named'] !== undefined);
  return clock ? { clock, zone: '', start: start - (front.length - last.index), end } : undefined;
}

function spansOf(day: Day, timed: Timed | undefined, isOneOfSeveral: boolean): readonly Omit<FoundSpan, 'start' | 'end'>[] {
  const { from, to } = day;
  if (isOneOfSeveral && to !== undefined) return [from, to].map((one) => ({ from: one, isOneOfSeveral }));
  if (!timed) return [{ from, to, isOneOfSeveral }];
  const { clock, zone } = timed;
  const at = (on: string, hour: string): string => `${on}T${hour}${zone}`;
  // Hours behind a span of days may be those of each day: they begin and end it only if they do so on its first and last.
  if (to !== undefined)
    return [clock.to === undefined || clock.overnight ? { from, to, isOneOfSeveral } : { from: at(from, clock.from), to: at(to, clock.to), isOneOfSeveral }];
  if (clock.to === undefined) return [{ from: at(from, clock.from), isOneOfSeveral }];
  return [{ from: at(from, clock.from), to: at(clock.overnight ? dayAfter(from) : from, clock.to), isOneOfSeveral }];
}

const dayAfter = (day: string): string => new Date(Date.parse(day) + 86_400_000).toISOString().slice(0, 10);

/** Whether what stands between two dates makes them the ends of a span, and nothing else. */
export const isSpanSign = (between: string, lang: string): boolean => joins(narrow(` ${between} `), readersOf(lang));

const joins = (between: string, readers: readonly DatePatterns[]): boolean =>
  readers.some((reader) => reader.between.exec(between)?.groups?.['to'] !== undefined);

const readersOf = (lang: string): readonly DatePatterns[] => [...new Set([dateLanguage(lang) ?? 'en', 'en' as const])].map(datePatterns);

/** Two dates with nothing but a sign of a span between them are its ends. */
function joinedIn(text: string, found: readonly FoundSpan[], readers: readonly DatePatterns[]): FoundSpan[] {
  const joined: FoundSpan[] = [];
  for (const next of found) {
    const last = joined.at(-1);
    const gap = last && last.end <= next.start && next.start - last.end < 40 ? text.slice(last.end, next.start) : undefined;
    if (last && gap !== undefined && last.to === undefined && next.to === undefined && next.from > last.from && joins(gap, readers))
      joined[joined.length - 1] = { from: last.from, to: next.from, start: last.start, end: next.end, isOneOfSeveral: last.isOneOfSeveral };
    else joined.push(next);
  }
  return joined;
}
