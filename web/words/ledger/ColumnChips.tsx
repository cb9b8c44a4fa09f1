import { columnName, type LedgerColumn } from '../../../core/ledger/index.ts';

/** Columns to choose from, each switched on and off by itself; `fixed` are on for good. */
export function ColumnChips({
  columns,
  chosen,
  fixed = [],
  onChange,
}: {
  readonly columns: readonly LedgerColumn[];
  readonly chosen: readonly LedgerColumn[];
  readonly fixed?: readonly LedgerColumn[];
  readonly onChange: (next: readonly LedgerColumn[]) => void;
}) {
  return columns.map((column) => (
    <button
      key={column}
      type="button"
      className="chip"
      aria-pressed={chosen.includes(column)}
      disabled={fixed.includes(column)}
      onClick={() => onChange(chosen.includes(column) ? chosen.filter((one) => one !== column) : [...chosen, column])}
    >
      {columnName(column)}
    </button>
  ));
}
