const DAY = /^(\d{4})(?:-(\d\d)(?:-(\d\d))?)?$/;
const MOMENT = /^(\d{4}-\d\d-\d\d)[T ](\d\d):(\d\d)(?::(\d\d)(?:[.,]\d+)?)?(Z|[+-]\d\d(?::?\d\d)?)?$/;

/** Whether a text is a date by ISO 8601: year, month, or a day that there is. */
export function isIsoDate(text: string): boolean {
  const found = DAY.exec(text);
  if (!found) return false;
  const [, year = '', month = '01', day = '01'] = found;
  const date = new Date(`${year}-${month}-${day}T00:00:00Z`);
  return !Number.isNaN(date.getTime()) && date.toISOString().startsWith(`${year}-${month}-${day}`);
}

/** Whether a text is a day with its hour by ISO 8601. */
export function isIsoMoment(text: string): boolean {
  const found = MOMENT.exec(text);
  if (!found) return false;
  const [, day = '', hour = '', minute = '', second = '00'] = found;
  return isIsoDate(day) && Number(hour) <= 24 && Number(minute) < 60 && Number(second) <= 60;
}

/** Whether a text is an hour of the day. */
export const isIsoTime = (text: string): boolean => /^([01]\d|2[0-3]):[0-5]\d(:[0-5]\d)?(Z|[+-]\d\d:?\d\d)?$/.test(text);

/** Whether a text is a length of time by ISO 8601, such as `PT1H30M`; at least one part has to be said. */
export const isIsoDuration = (text: string): boolean =>
  /^P(?!$)(\d+(?:[.,]\d+)?Y)?(\d+(?:[.,]\d+)?M)?(\d+(?:[.,]\d+)?W)?(\d+(?:[.,]\d+)?D)?(T(?=\d)(\d+(?:[.,]\d+)?H)?(\d+(?:[.,]\d+)?M)?(\d+(?:[.,]\d+)?S)?)?$/.test(
    text,
  );
