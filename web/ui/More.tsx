import { useState } from 'react';
import { useGrowing } from './growing.ts';
import { usePrinting } from './printing.ts';

/** Rows drawn at first, and with each press: few enough that drawing them holds nothing up. */
const STEP = 60;

/** How many rows of a long table are drawn. It begins anew where `key` changes: another list, another order. */
export function useMore(key: string): { readonly drawn: number; readonly more: () => void } {
  const [state, setState] = useState({ key, drawn: STEP });
  const printing = usePrinting();
  const wanted = printing ? Infinity : state.key === key ? state.drawn : STEP;
  const drawn = useGrowing(wanted, key);
  return { drawn, more: () => setState({ key, drawn: (state.key === key ? state.drawn : STEP) + STEP }) };
}

/** Below a long table: how many more there are, and the way to see some of them. */
export function More({ drawn, total, onMore }: { readonly drawn: number; readonly total: number; readonly onMore: () => void }) {
  if (total <= drawn) return null;
  return (
    <p className="soft flex flex-wrap gap-x-3 px-3 py-2 text-note">
      and {new Intl.NumberFormat('en').format(total - drawn)} more
      <button type="button" className="link-act" onClick={onMore}>
        Show {Math.min(STEP, total - drawn)} of them
      </button>
    </p>
  );
}
