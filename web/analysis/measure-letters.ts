import type { MeasureLetters } from '../../core/titles/index.ts';

/** The face whose widths the table holds, then what browsers fall back to for letters that it lacks. */
const FACE = "100px 'Liberation Sans', Arial, Helvetica, sans-serif";

/** Measures letters with this browser's own fonts, in the page and in workers alike; undefined where it has no canvas. */
export function lettersMeasuredHere(): MeasureLetters | undefined {
  const context = typeof OffscreenCanvas === 'undefined' ? undefined : new OffscreenCanvas(1, 1).getContext('2d');
  if (!context) return undefined;
  context.font = FACE;
  return (letters) => context.measureText(letters).width / 100;
}
