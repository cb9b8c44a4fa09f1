/** A date as sitemaps hold it: the day alone, in UTC, since a page's hour tells an engine nothing. */
export function w3cDate(time: number): string {
  return new Date(time).toISOString().slice(0, 10);
}

/** W3C datetime in one of the six forms that the protocol allows. */
const W3C = /^(\d{4})(?:-(\d\d)(?:-(\d\d)(?:T(\d\d):(\d\d)(?::(\d\d(?:\.\d+)?))?(Z|[+-]\d\d:\d\d))?)?)?$/;

/** Reads a W3C datetime: milliseconds since 1970 of its first moment. Undefined for anything else, days that no calendar has among it. */
export function readW3cDate(text: string): number | undefined {
  const parts = W3C.exec(text);
  if (!parts) return undefined;
  const [, year = '', month = '01', day = '01', hour = '00', minute = '00', second = '00', zone = 'Z'] = parts;
  const time = Date.parse(`${year}-${month}-${day}T${hour}:${minute}:${second}${zone}`);
  if (Number.isNaN(time)) return undefined;
  // The parser takes 30 February for 2 March.
  return new Date(Date.UTC(Number(year), Number(month) - 1, Number(day))).getUTCDate() === Number(day) ? time : undefined;
}

/**
 * Whether dates of a site can be true. Where nearly all pages carry the same day, it is the day of a build or of a copy, and telling it to
 * engines teaches them to ignore the dates.
 */
export function datesAreTrue(times: readonly (number | undefined)[]): boolean {
  const days = new Map<string, number>();
  for (const time of times) if (time !== undefined) days.set(w3cDate(time), (days.get(w3cDate(time)) ?? 0) + 1);
  const most = Math.max(0, ...days.values());
  return times.length < 3 || most <= times.length * 0.8;
}
