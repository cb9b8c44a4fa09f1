import type { Check } from './finding.ts';

/** Words that leave people out (N19). Only asked where the owner wants it. */
export const wordingCare: Check<'wording-care'> = {
  code: 'wording-care',
  cost: 'polish',
  stop: 'words',
  alsoWhenOut: true,
  look: ({ care, measure }) => (care && measure && measure.care.length > 0 ? { code: 'wording-care', words: measure.care } : undefined),
};
