import { expect } from 'vitest';

/** Plain, finished, and without marks of exclamation: what every sentence of the program has to be. */
export function expectGoodWords(...texts: string[]): void {
  for (const text of texts) {
    expect(text).toMatch(/\S/);
    expect(text).not.toMatch(/undefined|null|NaN|\[object|!/);
    // What a careful reader struck out: words of ours that are none of the trade's, and English that is none.
    expect(text).not.toMatch(/\bmend|\bdo again\b|belongs? into|passed by by|\bpasses by\b|comes? by it|\bshall\b|\bThis is no\b|\bdusk\b/i);
    // A singular where there is one, a plural where there are none or several.
    expect(text).not.toMatch(/(?<![\d,.])1 (pages|files|addresses|gates|cells|links|things|others|characters|words|rules|minutes|releases|changes)\b/);
    // Closed is the site, blocked is a page, kept out is a wish.
    expect(text).not.toMatch(/\bshut out\b/i);
  }
}
