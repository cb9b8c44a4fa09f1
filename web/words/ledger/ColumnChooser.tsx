import type { LedgerColumn } from '../../../core/ledger/index.ts';
import { ColumnChips } from './ColumnChips.tsx';
import { AT_FIRST, CHOOSABLE } from './layout.ts';

/** Which columns stand in the ledger. Their order is the order in which they are switched on. */
export function ColumnChooser({ chosen, onChange }: { readonly chosen: readonly LedgerColumn[]; readonly onChange: (next: readonly LedgerColumn[]) => void }) {
  return (
    <div className="panel mb-2.5 flex flex-wrap items-center gap-1.5 p-2.5" role="group" aria-label="Columns">
      <ColumnChips columns={CHOOSABLE} chosen={chosen} onChange={(next) => next.length > 0 && onChange(next)} />
      <button type="button" className="link-act ml-1 text-note" onClick={() => onChange(AT_FIRST)}>
        As at first
      </button>
    </div>
  );
}
