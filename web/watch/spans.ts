import type { SeenAnswer } from '../../core/exchange/index.ts';
import { addUp, type SeenSum } from './wording.ts';

const DAY = 86_400_000;

/** The days of a span that ends on `until`, oldest first, `YYYY-MM-DD`. */
export function daysUntil(until: string, length: number): string[] {
  const end = Date.parse(`${until}T00:00:00Z`);
  return Array.from({ length }, (_, at) => new Date(end - (length - 1 - at) * DAY).toISOString().slice(0, 10));
}

/** A sum beside the one of the span before it. */
export interface Compared extends SeenSum {
  readonly before: SeenSum | undefined;
}

/** Sums over the last `length` days of which is told, each with that over the same number of days before. What was only seen before stands at the end. */
export function compareSpans({ rows, until }: SeenAnswer, length: number, keyOf: (row: SeenAnswer['rows'][number]) => string): Compared[] {
  const days = daysUntil(until, 2 * length);
  const [from, since] = [days[0] as string, days[length] as string];
  const now = addUp(
    rows.filter(({ day }) => day >= since),
    keyOf,
  );
  const earlier = new Map(
    addUp(
      rows.filter(({ day }) => day >= from && day < since),
      keyOf,
    ).map((sum) => [sum.key, sum]),
  );
  const here = new Set(now.map(({ key }) => key));
  return [
    ...now.map((sum) => ({ ...sum, before: earlier.get(sum.key) })),
    ...[...earlier.values()].flatMap((before) => (here.has(before.key) ? [] : [{ key: before.key, seen: 0, clicks: 0, position: 0, before }])),
  ];
}
