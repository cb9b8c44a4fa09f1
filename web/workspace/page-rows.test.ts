import fc from 'fast-check';
import { expect, it } from 'vitest';
import type { PageRow } from '../../core/rows/index.ts';
import { runs } from '../../core/testing/effort.ts';
import { PageRows } from './page-rows.ts';

it('holds what a plain table of all rows holds, whatever comes, and what was there before stays as it was', () => {
  const row = fc.record({ id: fc.integer({ max: 2_000, min: 0 }).map(String), name: fc.string({ maxLength: 3 }) }) as unknown as fc.Arbitrary<PageRow>;
  const news = fc.oneof({ weight: 4, arbitrary: fc.array(row, { maxLength: 8 }) }, fc.array(row, { minLength: 500, maxLength: 900, size: 'max' }));
  fc.assert(
    fc.property(news, fc.array(news, { maxLength: 6 }), (first, steps) => {
      let rows = PageRows.of(first);
      const plain = new Map(first.map((one) => [one.id, one]));
      for (const step of steps) {
        const [before, were] = [rows, new Map(plain)];
        rows = rows.with(step);
        for (const one of step) plain.set(one.id, one);
        expect(rows.size).toBe(plain.size);
        for (const [id, one] of plain) expect(rows.get(id)).toBe(one);
        for (const id of ['-1', '0', '7', '1999']) expect([rows.has(id), rows.get(id)]).toEqual([plain.has(id), plain.get(id)]);
        expect(before.size).toBe(were.size);
        for (const { id } of step) expect(before.get(id)).toBe(were.get(id));
      }
    }),
    { numRuns: runs(40) },
  );
});
