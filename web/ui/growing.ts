import { useEffect, useState } from 'react';
import { usePrinting } from './printing.ts';

/** Rows that are drawn in one go. */
const STEP = 24;

/** How many rows of a list are drawn: a few at once, the others frame by frame, so that none of them holds the page up. All of them where it is printed. */
export function useGrowing(total: number): number {
  const [drawn, setDrawn] = useState(STEP);
  const printing = usePrinting();
  useEffect(() => {
    if (drawn >= total) return;
    const frame = requestAnimationFrame(() => setDrawn((now) => now + STEP));
    return () => cancelAnimationFrame(frame);
  }, [drawn, total]);
  return printing ? total : Math.min(drawn, total);
}
