import type { Check } from './check.ts';

/** Menus and footers alone come to about this many words. */
const THIN = 50;

/** Too little text to say what the page is about (N19). */
export const textThin: Check<{ readonly code: 'text-thin'; readonly words: number }> = {
  code: 'text-thin',
  cost: 'polish',
  stop: 'words',
  alsoWhenOut: false,
  fix: () => ({ go: 'part', part: 'text' }),
  look: ({ facts }) => (facts.wordCount < THIN ? { code: 'text-thin', words: facts.wordCount } : undefined),
};
