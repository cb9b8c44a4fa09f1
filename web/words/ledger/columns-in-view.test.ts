import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { EDITABLE, READ_ONLY, type LedgerColumn } from '../../../core/ledger/index.ts';
import { leftOf, scrolledTo, viewOf } from './columns-in-view.ts';
import { isColumn, WIDTHS } from './layout.ts';

const ALL: readonly LedgerColumn[] = [...EDITABLE, ...READ_ONLY];
const columns = fc.shuffledSubarray([...ALL], { minLength: 1 });
const scrolled = fc.nat(4000);
const wide = fc.integer({ min: 200, max: 2000 });

describe('columns in view', () => {
  it('are all that can be seen beside the first, with the room of those before them', () => {
    fc.assert(
      fc.property(columns, scrolled, wide, (shown, from, width) => {
        const view = viewOf(shown, from, width);
        const kept = WIDTHS[shown[0] as LedgerColumn];
        for (let at = 1; at < shown.length; at++) {
          // Where it stands in the grid's own measure, and the part of the grid that the first column does not hide.
          const left = leftOf(shown, at);
          const seen = left < from + width && left + WIDTHS[shown[at] as LedgerColumn] > from + kept;
          if (seen) expect(at >= view.from && at <= view.to, `${at} of ${shown.length}`).toBe(true);
        }
        expect(view.before).toBe(leftOf(shown, view.from) - kept);
      }),
    );
  });
  it('take one in whole when it is gone to, or from its beginning where there is less room', () => {
    fc.assert(
      fc.property(columns, fc.nat(21), scrolled, wide, (shown, nth, from, width) => {
        const at = nth % shown.length;
        const to = scrolledTo(shown, at, from, width);
        const [left, own, kept] = [leftOf(shown, at), WIDTHS[shown[at] as LedgerColumn], WIDTHS[shown[0] as LedgerColumn]];
        if (at === 0) expect(to).toBe(from);
        else if (own <= width - kept) expect(left >= to + kept && left + own <= to + width).toBe(true);
        else expect(to).toBe(left - kept);
      }),
    );
  });
  it('stay where they are when what is gone to is seen already', () => {
    expect(scrolledTo(['name', 'kind', 'intent'], 1, 0, 800)).toBe(0);
  });
});

describe('names of columns', () => {
  it('are known from anything else', () => {
    for (const column of ALL) expect(isColumn(column)).toBe(true);
    for (const other of ['', 'Name', 'constructor', '__proto__']) expect(isColumn(other)).toBe(false);
  });
});
