import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cellText, EDITABLE, isEditable, READ_ONLY, readBlock, type LedgerColumn } from '../../../core/ledger/index.ts';
import { testSite } from '../../../core/testing/site.ts';
import { cleared, copied, filledDown, pasted, wantedAt, type Wanted } from './blocks.ts';
import type { Box } from './selection.ts';

const NAMES = ['index.html', 'a/index.html', 'b.html', 'c/d.html'];
const { survey, document } = testSite(
  Object.fromEntries(
    NAMES.map((name, at) => [name, `<title>Page ${at}</title><meta name=description content="It tells of “${at}”,\nand of more."><h1>Page ${at}</h1>`]),
  ),
);
const rows = survey.rows();
const cells = { rows, columns: ['name', 'title', 'description', 'words', 'phrase', 'keywords'] satisfies LedgerColumn[] as readonly LedgerColumn[] };
const told = (wanted: readonly Wanted[]): string[] => wanted.map(({ row, column, text }) => `${row.id} ${column} ${text}`);
const box: fc.Arbitrary<Box> = fc
  .record({ top: fc.nat(3), left: fc.nat(5), rows: fc.integer({ min: 1, max: 4 }), columns: fc.integer({ min: 1, max: 6 }) })
  .map((one) => ({ ...one, rows: Math.min(one.rows, 4 - one.top), columns: Math.min(one.columns, 6 - one.left) }));

describe('a block of the ledger', () => {
  it('is filled down from its first row, in columns that can be written', () => {
    expect(told(filledDown(cells, document, { top: 1, left: 1, rows: 3, columns: 1 }))).toEqual(['b.html title Page 1', 'c/d.html title Page 1']);
    expect(filledDown(cells, document, { top: 1, left: 3, rows: 3, columns: 1 })).toEqual([]);
    expect(filledDown(cells, document, { top: 1, left: 1, rows: 1, columns: 4 })).toEqual([]);
  });
  it('is emptied where it can be written', () => {
    expect(told(cleared(cells, { top: 0, left: 0, rows: 1, columns: 4 }))).toEqual(['index.html title ', 'index.html description ']);
  });
  it('takes one text into all its cells, and a larger block beyond itself', () => {
    expect(told(pasted(cells, 'New', { top: 0, left: 1, rows: 2, columns: 1 }).wanted)).toEqual(['index.html title New', 'a/index.html title New']);
    const beyond = pasted(cells, 'One\ttwo\nThree\tfour', { top: 2, left: 1, rows: 1, columns: 1 });
    expect(told(beyond.wanted)).toEqual(['b.html title One', 'b.html description two', 'c/d.html title Three', 'c/d.html description four']);
    expect(beyond.to).toEqual({ row: 3, column: 2 });
  });
  it('leaves out what would lie outside of the grid', () => {
    const { wanted, to } = pasted(cells, 'a\tb\nc\td\ne\tf', { top: 3, left: 5, rows: 1, columns: 1 });
    expect(told(wanted)).toEqual(['c/d.html keywords a']);
    expect(to).toEqual({ row: 3, column: 5 });
  });
  it('copied and pasted where it came from says what is there already', () => {
    fc.assert(
      fc.property(box, (one) => {
        const { wanted, to } = pasted(cells, copied(cells, document, one), one);
        for (const { row, column, text } of wanted) expect(text).toBe(cellText(row, document, column));
        expect(wanted.length).toBe(one.rows * cells.columns.slice(one.left, one.left + one.columns).filter(isEditable).length);
        expect(to).toEqual({ row: one.top + one.rows - 1, column: one.left + one.columns - 1 });
      }),
    );
  });
  it('is copied as other programs read it: as many rows and cells as it has', () => {
    fc.assert(
      fc.property(box, (one) => {
        const read = readBlock(copied(cells, document, one));
        expect(read.length).toBe(one.rows);
        for (const line of read) expect(line.length).toBe(one.columns);
      }),
    );
  });
  it('never asks for a text in a column that only tells', () => {
    for (const column of [...EDITABLE, ...READ_ONLY])
      expect(wantedAt({ rows, columns: [column] }, { row: 0, column: 0 }, 'x').length, column).toBe(isEditable(column) ? 1 : 0);
  });
});
