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
