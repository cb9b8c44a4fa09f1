import { eventStatusIn, spansIn, stockIn, type EventStatus, type Stock } from '../values/index.ts';
import type { Said } from './content.ts';
import type { DateReading } from './dates.ts';
import type { Block } from './outline.ts';

/** Longest block, in UTF-16 units, that says in a few words how a thing stands. */
const LONGEST = 240;

/** Whether what a page offers can be had. Where two things are said none is told. */
export const availabilityIn = (own: Iterable<Block>): Said<Stock> | undefined =>
  oneSaid(own, ({ text }) => {
    const found = stockIn(text);
    return found && { ...found, value: found.stock };
  });

/** What became of what a page tells of: called off, put off, put off to a day that is said, or moved online. Where two things are said none is told. */
export const eventStatusOf = (own: Iterable<Block>, { lang, country }: DateReading): Said<EventStatus | 'EventRescheduled'> | undefined =>
  oneSaid(own, ({ text }) => {
    const found = eventStatusIn(text);
    if (!found) return undefined;
    if (found.status !== 'EventPostponed') return { ...found, value: found.status };
    const isDaySaid = spansIn(text, lang, country).some(({ start }) =>
      start >= found.end ? ON_TO.test(text.slice(found.end, start)) : TO.test(text.slice(0, start)),
    );
    return { ...found, value: isDaySaid ? 'EventRescheduled' : 'EventPostponed' };
  });

/** What stands between "put off" and the day to which it is, and what in front of such a day. */
const ON_TO = /^[^.;(]{0,40}$/;
const TO = /(?<!\p{L})(?:auf(?: den)?|naar|na dzień|para o dia|to|au|al)\s+(?:\p{L}+,?\s+(?:den\s+)?)?$/iu;

function oneSaid<V>(
  own: Iterable<Block>,
  read: (block: Block) => { readonly value: V; readonly start: number; readonly end: number } | undefined,
): Said<V> | undefined {
  let first: Said<V> | undefined;
  for (const block of own) {
    if (block.text.length > LONGEST) continue;
    const found = read(block);
    if (!found) continue;
    if (first !== undefined && first.value !== found.value) return undefined;
    first ??= { value: found.value, text: block.text.slice(found.start, found.end), start: block.start, end: block.end, how: 'words' };
  }
  return first;
}
