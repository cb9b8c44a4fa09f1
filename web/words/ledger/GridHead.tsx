import { ArrowDownNarrowWide, ArrowUpNarrowWide } from 'lucide-react';
import { columnName, type LedgerColumn } from '../../../core/ledger/index.ts';
import { WIDTHS } from './layout.ts';

export interface Sort {
  readonly column: LedgerColumn;
  readonly down: boolean;
}

/** The names of the columns; a press sorts by one. */
export function GridHead({
  columns,
  sort,
  width,
  onSort,
}: {
  readonly columns: readonly LedgerColumn[];
  readonly sort: Sort | undefined;
  /** Of all columns, px. */
  readonly width: number;
  readonly onSort: (column: LedgerColumn) => void;
}) {
  return (
    <div className="ledger-head" role="row" aria-rowindex={1} style={{ width }}>
      {columns.map((column, at) => (
        <div
          key={column}
          role="columnheader"
          className={`ledger-cell${at === 0 ? ' first' : ''}`}
          style={{ width: WIDTHS[column] }}
          aria-sort={sort?.column === column ? (sort.down ? 'descending' : 'ascending') : 'none'}
        >
          <button type="button" tabIndex={-1} onClick={() => onSort(column)} title={`Sort by ${columnName(column).toLowerCase()}`}>
            {columnName(column)}{' '}
            {sort?.column === column &&
              (sort.down ? <ArrowDownNarrowWide size={14} className="inline" aria-hidden /> : <ArrowUpNarrowWide size={14} className="inline" aria-hidden />)}
          </button>
        </div>
      ))}
    </div>
  );
}
