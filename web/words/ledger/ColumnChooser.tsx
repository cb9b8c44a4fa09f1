import { columnName, type LedgerColumn } from '../../../core/ledger/index.ts';
import { AT_FIRST, CHOOSABLE } from './layout.ts';

/** Which columns stand in the ledger. Their order is the order in which they are switched on. */
export function ColumnChooser({ chosen, onChange }: { readonly chosen: readonly LedgerColumn[]; readonly onChange: (next: readonly LedgerColumn[]) => void }) {
  return (
    <div className="panel mb-2.5 flex flex-wrap items-center gap-1.5 p-2.5" role="group" aria-label="Columns">
      {CHOOSABLE.map((column) => (
        <button
          key={column}
          type="button"
          className="chip"
          aria-pressed={chosen.includes(column)}
          onClick={() => onChange(chosen.includes(column) ? (chosen.length > 1 ? chosen.filter((one) => one !== column) : chosen) : [...chosen, column])}
        >
          {columnName(column)}
        </button>
      ))}
      <button type="button" className="link-act ml-1 text-[13px]" onClick={() => onChange(AT_FIRST)}>
        As at first
      </button>
    </div>
  );
}
