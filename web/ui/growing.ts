import { useCallback, useEffect, useState } from 'react';
import { usePrinting } from './printing.ts';

/** Rows that are drawn in one go. */
const STEP = 20;

/**
 * How many rows of a list are drawn: a few at once, the others frame by frame, so that none of them holds the page up. All of them where it is printed. It
 * begins anew where `key` changes.
 */
export function useGrowing(total: number, key: string): number {
  const [state, setState] = useState({ key, drawn: STEP });
  const printing = usePrinting();
  const drawn = state.key === key ? state.drawn : STEP;
  useEffect(() => {
    if (printing || drawn >= total) return;
    const frame = requestAnimationFrame(() => setState({ key, drawn: drawn + STEP }));
    return () => cancelAnimationFrame(frame);
  }, [drawn, total, key, printing]);
  return printing ? total : Math.min(drawn, total);
}

/** Pixels below what is seen at which more rows are drawn. */
const AHEAD = '900px';

/**
 * How many rows of a long list are drawn: as many as come near to what is seen. `end` goes onto an element behind the last row that is drawn. All of them
 * where it is printed; `atLeast` where a row further down is wanted.
 */
export function useComing(
  total: number,
  step: number,
  atLeast = 0,
): { readonly drawn: number; readonly end: (element: Element | null) => (() => void) | undefined } {
  const [near, setNear] = useState(step);
  const printing = usePrinting();
  const drawn = printing ? total : Math.min(total, Math.max(near, atLeast));
  const end = useCallback(
    (element: Element | null) => {
      if (!element || drawn >= total) return undefined;
      const observer = new IntersectionObserver((entries) => entries.some((entry) => entry.isIntersecting) && setNear(drawn + step), { rootMargin: AHEAD });
      observer.observe(element);
      return () => observer.disconnect();
    },
    [drawn, total, step],
  );
  return { drawn, end };
}
