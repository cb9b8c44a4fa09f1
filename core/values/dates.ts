import { isIsoDate } from './forms.ts';
import { de, en, es, fr, it, ja, nl, pt, type ParsedResult } from 'chrono-node';

/** A date that was found in a text, as ISO 8601 has it: a day, or a day with its hour where one is said. */
export interface FoundDate {
  readonly iso: string;
  /** Where it stands in the text, in UTF-16 units. */
  readonly start: number;
  readonly end: number;
}

interface Reader {
  parse(text: string, reference?: Date, options?: { readonly forwardDate?: boolean }): ParsedResult[];
}
/** Readers of dates in words, by language. English dates in digits alone are not read where day and month could be the other way round. */
const READERS: Readonly<Record<string, Reader>> = {
  de: de.strict,
  en: en.GB,
  es: es.strict,
  fr: fr.strict,
  it: it.strict,
  ja: ja.strict,
  nl: nl.strict,
  pt: pt.strict,
};

/** How far around a year a date is looked for, and how many years of one text. */
const AROUND = 36;
const MOST_YEARS = 24;
const YEAR = /(?<!\d)(?:19|20)\d\d(?!\d)/g;
const SWAPPABLE = /(?<!\d)(0?[1-9]|1[0-2])[/.-](0?[1-9]|1[0-2])[/.-](?:19|20)\d\d/;

/** The dates that a text says whole: day, month and year. Nothing is made up; a day without its year is none. `lang` as pages say it. */
export function datesIn(text: string, lang: string): FoundDate[] {
  const language = lang.slice(0, 2).toLowerCase();
  const found: FoundDate[] = [];
  let years = 0;
  for (const { index } of text.matchAll(YEAR)) {
    if (index < (found[found.length - 1]?.end ?? 0)) continue;
    if (++years > MOST_YEARS) break;
    const from = Math.max(found[found.length - 1]?.end ?? 0, index - AROUND);
    const window = text.slice(from, index + AROUND);
    const iso = isoDateIn(window, index - from);
    for (const date of iso ? [iso] : worded(window, index - from, language)) found.push({ iso: date.iso, start: from + date.start, end: from + date.end });
  }
  return found;
}

const ISO = /(?<!\d)((?:19|20)\d\d-\d\d-\d\d)(?:[T ](\d\d:\d\d))?(?!\d)/g;

function isoDateIn(window: string, year: number): FoundDate | undefined {
  for (const { 0: whole, 1: day = '', 2: hour, index } of window.matchAll(ISO))
    if (index === year && isIsoDate(day)) return { iso: hour === undefined ? day : `${day}T${hour}`, start: index, end: index + whole.length };
  return undefined;
}

/** A fixed day to read dates by: only whole dates are taken, so that it bears on nothing. */
const REFERENCE = new Date(Date.UTC(2020, 0, 1, 12));

/** An hour right behind a date. */
const HOUR = /^,?\s*(?:at|um|à|a las|·)?\s*([01]?\d|2[0-3]):([0-5]\d)(?!\d)/;

function worded(window: string, year: number, language: string): readonly FoundDate[] {
  const reader = READERS[language] ?? READERS['en'];
  const readers = language in READERS && language !== 'en' ? [reader, READERS['en']] : [reader];
  for (const one of readers) {
    if (!one || (one === READERS['en'] && SWAPPABLE.test(window))) continue;
    for (const { index, text, start, end } of one.parse(window, REFERENCE)) {
      if (index > year || index + text.length < year + 4) continue;
      if (!start.isCertain('day') || !start.isCertain('month') || !start.isCertain('year')) continue;
      const two = (value: number | null): string => String(value ?? 0).padStart(2, '0');
      const day = `${String(start.get('year')).padStart(4, '0')}-${two(start.get('month'))}-${two(start.get('day'))}`;
      if (!isIsoDate(day)) continue;
      const trimmed = text.trimEnd();
      const [behind = '', hours, minutes] = start.isCertain('hour') ? [] : (HOUR.exec(window.slice(index + trimmed.length)) ?? []);
      const clock = start.isCertain('hour')
        ? `${two(start.get('hour'))}:${two(start.get('minute'))}`
        : hours === undefined
          ? ''
          : `${hours.padStart(2, '0')}:${minutes}`;
      const place = { start: index, end: index + trimmed.length + behind.length };
      const until =
        end?.isCertain('hour') === true && end.get('day') === start.get('day')
          ? [{ iso: `${day}T${two(end.get('hour'))}:${two(end.get('minute'))}`, ...place }]
          : [];
      return [{ iso: clock === '' ? day : `${day}T${clock}`, ...place }, ...until];
    }
  }
  return [];
}

const UNITS: readonly [RegExp, string][] = [
  [/^(d|days?|tage?n?|jours?|d[ií]as?|日)$/i, 'D'],
  [/^(h|hrs?|hours?|std\.?|stunden?|heures?|horas?|時間)$/i, 'H'],
  [/^(m|mins?|minutes?|minuten?|minutos?|分)\.?$/i, 'M'],
];
const LENGTH =
  /(\d+(?:[.,]\d+)?)\s*(days?|tage?n?|jours?|d[ií]as?|日|hrs?|hours?|h|std\.?|stunden?|heures?|horas?|時間|mins?|minutes?|minuten?|minutos?|分|m)(?![\p{L}])/giu;

/** The length of time that a text says first, as ISO 8601 has it: `1 h 30 min` is `PT1H30M`. Undefined where none is said. */
export function durationIn(text: string): { readonly iso: string; readonly start: number; readonly end: number } | undefined {
  let parts: Record<string, number> = {};
  let start = -1;
  let end = -1;
  for (const { 0: whole, 1: amount = '', 2: unit = '', index } of text.matchAll(LENGTH)) {
    if (end >= 0 && !/^\s*(?:and|und|et|y|,)?\s*$/i.test(text.slice(end, index))) break;
    const sign = UNITS.find(([words]) => words.test(unit))?.[1];
    if (sign === undefined) continue;
    if (start < 0) [start, parts] = [index, {}];
    parts[sign] = (parts[sign] ?? 0) + Number(amount.replace(',', '.'));
    end = index + whole.length;
  }
  if (start < 0) return undefined;
  const minutes = Math.round((parts['H'] ?? 0) * 60 + (parts['M'] ?? 0));
  const [hours, rest] = parts['H'] === undefined ? [0, minutes] : [Math.floor(minutes / 60), minutes % 60];
  const time = `${hours > 0 ? `${hours}H` : ''}${rest > 0 ? `${rest}M` : ''}`;
  const days = parts['D'] === undefined ? '' : `${parts['D']}D`;
  return days === '' && time === '' ? undefined : { iso: `P${days}${time === '' ? '' : `T${time}`}`, start, end };
}
