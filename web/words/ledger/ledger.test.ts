import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { EDITABLE, READ_ONLY } from '../../../core/ledger/index.ts';
import { set } from '../../../core/site/index.ts';
import { testSite } from '../../../core/testing/site.ts';
import { arranged, NO_FILTER, type Filter } from './filters.ts';
import { boxOf, inBox, moved } from './selection.ts';

const KEYS = ['ArrowDown', 'ArrowUp', 'ArrowLeft', 'ArrowRight', 'PageDown', 'PageUp', 'Home', 'End'];
const size = fc.record({ rows: fc.integer({ min: 1, max: 200 }), columns: fc.integer({ min: 1, max: 12 }), page: fc.integer({ min: 1, max: 30 }) });
const at = fc.record({ row: fc.nat(199), column: fc.nat(11) });

describe('the cursor of the ledger', () => {
  it('never leaves the table, whatever is pressed', () => {
    fc.assert(
      fc.property(size, at, fc.array(fc.tuple(fc.constantFrom(...KEYS), fc.boolean()), { maxLength: 30 }), (table, start, presses) => {
        let cursor = { row: Math.min(start.row, table.rows - 1), column: Math.min(start.column, table.columns - 1) };
        for (const [key, far] of presses) cursor = moved(cursor, key, table, far) ?? cursor;
        expect(cursor.row >= 0 && cursor.row < table.rows && cursor.column >= 0 && cursor.column < table.columns).toBe(true);
      }),
    );
  });
  it.each([
    ['ArrowDown', false, { row: 6, column: 2 }],
    ['ArrowDown', true, { row: 49, column: 2 }],
    ['PageUp', false, { row: 0, column: 2 }],
    ['Home', false, { row: 5, column: 0 }],
    ['Home', true, { row: 0, column: 0 }],
    ['End', true, { row: 49, column: 3 }],
    ['x', false, undefined],
  ] as const)('by %s (far: %s) goes as in any table', (key, far, expected) =>
    expect(moved({ row: 5, column: 2 }, key, { rows: 50, columns: 4, page: 10 }, far)).toEqual(expected),
  );
  it('marks the cells between where it began and where it is, and no others', () => {
    fc.assert(
      fc.property(at, at, at, (anchor, cursor, cell) => {
        const between = (one: number, a: number, b: number): boolean => one >= Math.min(a, b) && one <= Math.max(a, b);
        expect(inBox(boxOf({ anchor, cursor }), cell.row, cell.column)).toBe(
          between(cell.row, anchor.row, cursor.row) && between(cell.column, anchor.column, cursor.column),
        );
      }),
    );
  });
});

const page = (title: string, more = ''): string => `<html lang=en><title>${title}</title><h1>${title}</h1><p>Words of this page.${more}`;
const SITE = {
  'index.html': page('Bindery', '<a href=a/>a</a><a href=b/>b</a><a href=tag/x/>x</a>'),
  'a/index.html': page('Box 10').replace('<h1>', '<meta name=description content="A box."><h1>'),
  'b/index.html': page('box 9', '<a href=../a/>a</a>'),
  'tag/x/index.html': page('Tag: Älteres'),
};

describe('the ledger narrowed and sorted', () => {
  const { survey, document } = testSite(SITE, { changes: [set('pages', 'b/index.html', 'phrase', 'old books')] });
  const rows = survey.rows();
  const shown = (filter: Partial<Filter>, sort?: Parameters<typeof arranged>[3]): readonly string[] =>
    arranged(rows, document, { ...NO_FILTER, ...filter }, sort);
  it.each([
    [{}, ['index.html', 'a/index.html', 'b/index.html', 'tag/x/index.html']],
    [{ text: ' BOX ' }, ['a/index.html', 'b/index.html']],
    [{ text: 'a box.' }, ['a/index.html']],
    [{ kind: 'tag' }, ['tag/x/index.html']],
    [{ state: 'leaking' }, ['tag/x/index.html']],
    [{ finding: 'description-missing' }, ['index.html', 'b/index.html']],
    [{ empty: 'phrase', kind: 'page' }, ['index.html', 'a/index.html']],
    [{ text: 'nobody says this' }, []],
  ] as const)('to %j', (filter, ids) => expect(shown(filter)).toEqual(ids));
  it('by names as people sort them, numbers by their size', () => {
    expect(shown({}, { column: 'title', down: false })).toEqual(['index.html', 'b/index.html', 'a/index.html', 'tag/x/index.html']);
    expect(shown({}, { column: 'linksIn', down: true })[0]).toBe('a/index.html');
  });
  it('by what findings cost, not by how many there are', () => {
    // A leak weighs more than any number of things to polish.
    expect(shown({}, { column: 'findings', down: true })[0]).toBe('tag/x/index.html');
  });
  it('loses and doubles no page, by whatever column', () => {
    for (const column of [...EDITABLE, ...READ_ONLY])
      for (const down of [true, false]) expect([...shown({}, { column, down })].sort()).toEqual(Object.keys(SITE).sort());
  });
});
