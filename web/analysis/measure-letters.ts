import type { MeasureLetters } from '../../core/titles/index.ts';

/** The face whose widths the table holds, then what browsers fall back to for letters that it lacks. */
const FACE = "100px 'Liberation Sans', Arial, Helvetica, sans-serif";

/** Measures letters with this browser's own fonts, in the page and in workers alike; undefined where it has no canvas. One is made for the first letters that ask for it. */
export function lettersMeasuredHere(): MeasureLetters | undefined {
  if (typeof OffscreenCanvas === 'undefined') return undefined;
  let context: OffscreenCanvasRenderingContext2D | null | undefined;
  return (letters) => {
    if (context === undefined) {
      context = new OffscreenCanvas(1, 1).getContext('2d');
      if (context) context.font = FACE;
    }
    return context ? context.measureText(letters).width / 100 : undefined;
  };
}
