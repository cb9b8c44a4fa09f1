import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { all, effectiveAddress, set, type Change } from '../site/index.ts';
import { testSite, type TestSite } from '../testing/site.ts';
import { cellChange, changesOf, dryRun, guessMapping, readTable, TakenPlaces } from './index.ts';

const FILES = ['index.html', 'a/index.html', 'b/index.html', 'c.html', 'd.html', 'shop/a.html', 'shop/b.html'];
const made = (...changes: Change[]): TestSite => testSite(Object.fromEntries(FILES.map((file) => [file, `<title>${file}</title>`])), { changes });
const addresses = ({ document }: TestSite): string[] => FILES.map((file) => effectiveAddress(document, file));

/** Puts endings into the ledger in one go, as a paste does; gives what could not be. */
function paste(site: TestSite, cells: readonly (readonly [file: string, ending: string])[]): string[] {
  const rows = site.survey.rows();
  const taken = new TakenPlaces(rows);
  const changes: Change[] = [];
  const faults: string[] = [];
  for (const [file, ending] of cells) {
    const row = rows.find(({ id }) => id === file);
    if (!row) continue;
    const result = cellChange(row, site.document, 'ending', ending, taken);
    if ('fault' in result) faults.push(`${file}: ${result.fault}`);
    else if (result.change) changes.push(result.change);
  }
  site.change(all(changes));
  return faults;
}

describe('places that are taken', () => {
  it('are told of pages that move in the same go', () => {
    const site = made();
    const faults = paste(site, [
      ['c.html', 'same'],
      ['d.html', 'same'],
      ['shop/a.html', 'same'],
    ]);
    expect(faults).toEqual(['d.html: ending-taken']);
    expect(addresses(site)).toEqual(['/', '/a/', '/b/', '/same.html', '/d.html', '/shop/same.html', '/shop/b.html']);
  });
  it('are told of pages that moved before, where they are and where they were', () => {
    const moved = made(set('pages', 'c.html', 'ending', 'new'));
    expect(paste(moved, [['d.html', 'new']])).toEqual(['d.html: ending-taken']);
    expect(paste(moved, [['d.html', 'c']])).toEqual(['d.html: ending-taken']);
  });
  it('are told of rows of a table', () => {
    const reading = readTable(new TextEncoder().encode('Address,Ending\n/c.html,same\n/d.html,same\n'));
    if (!reading.ok) throw new Error(reading.reason);
    const site = made();
    const run = dryRun(reading.table, guessMapping(reading.table), site.survey.rows(), site.document);
    expect(run.faults.map(({ row, fault }) => [row, fault])).toEqual([[3, 'ending-taken']]);
    site.change(changesOf(run));
    expect(addresses(site).slice(3, 5)).toEqual(['/same.html', '/d.html']);
  });
  it('leave no two pages at one address, whatever is given to which, and in however many goes', () => {
    const cell = fc.tuple(fc.constantFrom(...FILES), fc.constantFrom('a', 'b', 'c', 'd', 'new', 'A', ''));
    fc.assert(
      fc.property(fc.array(fc.array(cell, { maxLength: 8 }), { maxLength: 3 }), (goes) => {
        const site = made();
        for (const cells of goes) paste(site, cells);
        expect(new Set(addresses(site)).size).toBe(FILES.length);
      }),
    );
  });
});
