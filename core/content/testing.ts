import { pageTree } from '../markup/index.ts';
import { readPage } from '../page/index.ts';
import { saidHours } from '../values/index.ts';
import { gatherContent, outlineOf } from './index.ts';

const DAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday', 'PublicHolidays'];
const SHORT = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun', 'holidays'];

/** For tests: address, telephone and hours of a page in brief, empty where they are not found. */
export function contactOn(html: string, lang: string, country?: string): Readonly<Record<'address' | 'telephone' | 'hours', string>> {
  const reading = readPage(new TextEncoder().encode(html), { httpCharset: 'utf-8' });
  if (!reading.ok) throw new Error('not a page');
  const { contact } = gatherContent(outlineOf(pageTree(html)), reading.facts, { lang, host: 'a.example', country });
  const { street, postalCode, locality } = contact.address?.value ?? {};
  const byDays = new Map<string, string[]>();
  for (const { days, opens, closes } of saidHours(contact.hours?.value ?? '', lang).hours) {
    const key = daysInBrief(days.map((day) => DAYS.indexOf(day)));
    byDays.set(key, [...(byDays.get(key) ?? []), opens === closes ? 'closed' : `${opens}–${closes}`]);
  }
  return {
    address: street === undefined ? '' : `${street}|${postalCode}|${locality}`,
    telephone: contact.telephone?.value ?? '',
    hours: [...byDays].map(([days, spans]) => `${days} ${spans.join(', ')}`).join('; '),
  };
}

/** Days beside each other, over the end of the week too, as one span. */
function daysInBrief(days: readonly number[]): string {
  const week = days.filter((day) => day < 7);
  const first = week.find((day) => !week.includes((day + 6) % 7)) ?? week[0] ?? 0;
  const isRun = week.length > 1 && week.every((_, at) => week.includes((first + at) % 7));
  const named = isRun ? [`${SHORT[first] as string}–${SHORT[(first + week.length - 1) % 7] as string}`] : week.map((day) => SHORT[day] as string);
  return [...named, ...(days.includes(7) ? ['holidays'] : [])].join(', ');
}
