import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { SeenAnswer } from '../../core/exchange/index.ts';
import { compareSpans, daysUntil } from './spans.ts';
import { addUp, rankWords } from './wording.ts';

type Row = SeenAnswer['rows'][number];
const row = (day: string, query: string, seen: number, clicks: number, position: number): Row =>
  ({ day, query, seen, clicks, position, address: 'https://a.example/' }) as Row;

describe('spans of days', () => {
  it('end on a day and go back over months and leap days', () => {
    expect(daysUntil('2028-03-01', 3)).toEqual(['2028-02-28', '2028-02-29', '2028-03-01']);
    expect(daysUntil('2026-01-01', 2)).toEqual(['2025-12-31', '2026-01-01']);
  });
  it('are held against as many days before, with what was only seen then', () => {
    const rows = [
      row('2026-11-20', 'old books', 10, 1, 4),
      row('2026-11-21', 'old books', 10, 2, 2),
      row('2026-11-22', 'old books', 30, 3, 6),
      row('2026-11-19', 'glue', 5, 0, 9),
      row('2026-11-18', 'too early', 5, 0, 9),
    ];
    const compared = compareSpans({ rows, until: '2026-11-22' } as SeenAnswer, 2, ({ query }) => query);
    expect(compared).toEqual([
      { key: 'old books', seen: 40, clicks: 5, position: 5, before: { key: 'old books', seen: 10, clicks: 1, position: 4 } },
      { key: 'glue', seen: 0, clicks: 0, position: 0, before: { key: 'glue', seen: 5, clicks: 0, position: 9 } },
    ]);
  });
  it('add up to what all rows in them add up to, by whatever they share', () => {
    const day = fc.integer({ min: 1, max: 28 }).map((number) => `2026-11-${String(number).padStart(2, '0')}`);
    const any = fc.record({ day, query: fc.constantFrom('a', 'b', 'c'), seen: fc.nat(50), clicks: fc.nat(9), position: fc.integer({ min: 1, max: 50 }) });
    fc.assert(
      fc.property(fc.array(any, { maxLength: 30 }), (drawn) => {
        const rows = drawn.map(({ day: on, query, seen, clicks, position }) => row(on, query, seen, clicks, position));
        const sums = addUp(rows, ({ query }) => query);
        const total = (
          pick: (one: { readonly seen: number; readonly clicks: number }) => number,
          of: readonly { readonly seen: number; readonly clicks: number }[],
        ): number => of.reduce((sum, one) => sum + pick(one), 0);
        expect(total(({ seen }) => seen, sums)).toBe(total(({ seen }) => seen, rows));
        expect(total(({ clicks }) => clicks, sums)).toBe(total(({ clicks }) => clicks, rows));
        for (const { key, position, seen } of sums) {
          const places = rows.filter((one) => one.query === key && one.seen > 0).map((one) => one.position);
          if (seen > 0) expect(position >= Math.min(...places) - 1e-9 && position <= Math.max(...places) + 1e-9).toBe(true);
        }
        for (const [at, sum] of sums.entries()) expect(at === 0 || (sums[at - 1]?.clicks ?? 0) >= sum.clicks).toBe(true);
      }),
    );
  });
});

describe('why a page stands where it does', () => {
  it.each([
    [{ where: [{ field: 'title', words: ['old', 'books'] }], missing: [], links: 1 }, '“old”, “books” in its title. 1 link leads to it.'],
    [
      {
        where: [
          { field: 'headings', words: ['glue'] },
          { field: 'text', words: ['bone'] },
        ],
        missing: ['folder'],
        links: 15,
      },
      '“glue” in its headings; “bone” in its text. It lacks “folder”. 15 or more links lead to it.',
    ],
    [{ where: [], missing: ['glue'], links: 0 }, 'It lacks “glue”. No link to it is known.'],
  ] as const)('is told in a sentence, %#', (reason, sentence) => expect(rankWords(reason as unknown as Parameters<typeof rankWords>[0])).toBe(sentence));
});
