import { useCallback, useLayoutEffect, useState, type RefObject } from 'react';
import type { LedgerColumn } from '../../../core/ledger/index.ts';
import { WIDTHS } from './layout.ts';

/** Columns in view besides the first, which is always there, and how much stands before them, px. */
export interface View {
  readonly from: number;
  readonly to: number;
  readonly before: number;
}

const widthAt = (columns: readonly LedgerColumn[], at: number): number => {
  const column = columns[at];
  return column === undefined ? 0 : WIDTHS[column];
};

/** Where a column begins, px; past the last, how wide all are. */
export const leftOf = (columns: readonly LedgerColumn[], at: number): number => columns.slice(0, at).reduce((sum, column) => sum + WIDTHS[column], 0);

/** What is in view of a grid that is so wide and scrolled so far. */
export function viewOf(columns: readonly LedgerColumn[], scrolled: number, wide: number): View {
  const kept = widthAt(columns, 0);
  let [from, to, at, before] = [1, columns.length - 1, 0, 0];
  for (let column = 1; column < columns.length; column++) {
    const width = widthAt(columns, column);
    if (at + width < scrolled) {
      from = column + 1;
      before = at + width;
    }
    if (at + kept > scrolled + wide) {
      to = column;
      break;
    }
    at += width;
  }
  return { from, to, before };
}

/** How far a grid is scrolled for a column to be seen whole beside the first, or from its beginning where there is less room; as it is where it is seen already. */
export function scrolledTo(columns: readonly LedgerColumn[], column: number, scrolled: number, wide: number): number {
  if (column === 0) return scrolled;
  const left = leftOf(columns, column);
  const right = left + widthAt(columns, column);
  const kept = widthAt(columns, 0);
  if (left - kept < scrolled) return left - kept;
  return right > scrolled + wide ? Math.min(left - kept, right - wide) : scrolled;
}

/** Which columns are drawn: those in view, and one to each side. `look` is to be called when the grid is scrolled. */
export function useColumnsInView(grid: RefObject<HTMLElement | null>, columns: readonly LedgerColumn[]): { readonly view: View; readonly look: () => void } {
  const [view, setView] = useState<View>({ from: 1, to: 6, before: 0 });
  const look = useCallback((): void => {
    const element = grid.current;
    if (!element) return;
    const next = viewOf(columns, element.scrollLeft, element.clientWidth);
    setView((last) => (last.from === next.from && last.to === next.to && last.before === next.before ? last : next));
  }, [grid, columns]);
  useLayoutEffect(() => {
    look();
    const watch = new ResizeObserver(look);
    if (grid.current) watch.observe(grid.current);
    return () => watch.disconnect();
  }, [grid, look]);
  return { view, look };
}
