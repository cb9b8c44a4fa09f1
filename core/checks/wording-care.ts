import type { Check } from './check.ts';

/** Words that leave people out (N19). Only asked where the owner wants it. */
export const wordingCare: Check<{ readonly code: 'wording-care'; readonly words: readonly { readonly word: string; readonly instead: string }[] }> = {
  code: 'wording-care',
  cost: 'polish',
  stop: 'words',
  alsoWhenOut: true,
  fix: () => ({ go: 'part', part: 'reading' }),
  look: ({ care, measure }) => (care && measure && measure.care.length > 0 ? { code: 'wording-care', words: measure.care } : undefined),
};
