const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'] as const;
const WEEKDAY = /^(?:mon|tue|wed|thu|fri|sat|sun)[a-z]*\.?,?\s+/;
/** Hours from UTC (RFC 822, 5.1, and the zones of central Europe). */
const ZONES: Readonly<Record<string, number>> = {
  z: 0,
  ut: 0,
  utc: 0,
  gmt: 0,
  est: -5,
  edt: -4,
  cst: -6,
  cdt: -5,
  mst: -7,
  mdt: -6,
  pst: -8,
  pdt: -7,
  cet: 1,
  cest: 2,
};

const MONTH = '([a-z]{3,9})\\.?';
const TIME = '(?:,?[t\\s]+(?:at\\s+)?(\\d{1,2}):(\\d\\d)(?::(\\d\\d)(?:\\.\\d+)?)?\\s*([ap]m)?\\s*(z|[a-z]{2,4}|[+-]\\d\\d:?\\d\\d)?)?';
/** Each form with the places of day, month and year in it. */
const FORMS: readonly { readonly form: RegExp; readonly day: number; readonly month: number; readonly year: number }[] = [
  // ISO 8601 and RFC 3339.
  { form: new RegExp(`^(\\d{4})-(\\d\\d)-(\\d\\d)${TIME}$`), day: 3, month: 2, year: 1 },
  // RFC 822, 1123 and 5322: 25 Jun 2030; RFC 850: 25-Jun-30.
  { form: new RegExp(`^(\\d{1,2})[\\s-]+${MONTH}[\\s-]+(\\d{4}|\\d\\d)${TIME}$`), day: 1, month: 2, year: 3 },
  // As people write it: Dec 31, 2030.
  { form: new RegExp(`^${MONTH}\\s+(\\d{1,2})(?:st|nd|rd|th)?,?\\s+(\\d{4})${TIME}$`), day: 2, month: 1, year: 3 },
];
/** C's asctime: Nov 25 15:00:00 2030. */
const ASCTIME = /^([a-z]{3})\s+(\d{1,2})\s+(\d\d:\d\d:\d\d)\s+(\d{4})$/;

/**
 * A day, with or without a time, in any of the forms in which `unavailable_after` is met: RFC 822, RFC 850, ISO 8601, asctime, and "Dec 31, 2030". Without a
 * zone it is UTC; a day without a time begins at midnight; two figures of a year are read as RFC 5322, 4.3 has it. Milliseconds since 1970; undefined where it
 * is no date.
 */
export function readDirectiveDate(text: string): number | undefined {
  const bare = text.trim().toLowerCase().replace(WEEKDAY, '').replace(/\s+/g, ' ');
  const plain = bare.replace(ASCTIME, '$2 $1 $4 $3');
  for (const { form, day, month, year } of FORMS) {
    const found = form.exec(plain);
    if (found) return timeOf(found[year] as string, found[month] as string, found[day] as string, found.slice(4));
  }
  return undefined;
}

function timeOf(year: string, month: string, day: string, [hour, minute, second, half, zone]: readonly (string | undefined)[]): number | undefined {
  const short = Number(year);
  const years = year.length === 4 ? short : short < 50 ? 2000 + short : 1900 + short;
  const months = /^\d/.test(month) ? Number(month) - 1 : MONTHS.findIndex((name) => month.startsWith(name));
  const hours = half === undefined ? Number(hour ?? 0) : (Number(hour) % 12) + (half === 'pm' ? 12 : 0);
  const shift = zoneMinutes(zone);
  const midnight = Date.UTC(years, months, Number(day));
  const real = months >= 0 && months < 12 && new Date(midnight).getUTCDate() === Number(day) && new Date(midnight).getUTCMonth() === months;
  if (!real || hours > 24 || Number(minute ?? 0) > 59 || Number(second ?? 0) > 60 || shift === undefined) return undefined;
  return midnight + ((hours * 60 + Number(minute ?? 0) - shift) * 60 + Number(second ?? 0)) * 1000;
}

function zoneMinutes(zone: string | undefined): number | undefined {
  if (zone === undefined) return 0;
  const offset = /^([+-])(\d\d):?(\d\d)$/.exec(zone);
  if (offset) return (offset[1] === '-' ? -1 : 1) * (Number(offset[2]) * 60 + Number(offset[3]));
  const hours = Object.hasOwn(ZONES, zone) ? ZONES[zone] : undefined;
  return hours === undefined ? undefined : hours * 60;
}
