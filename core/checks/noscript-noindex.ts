import type { Check } from './check.ts';

/** A noindex in a `noscript`: whoever runs no scripts reads it, and many crawlers run none (N27). */
export const noscriptNoindex: Check<{ readonly code: 'noscript-noindex'; readonly content: string }> = {
  code: 'noscript-noindex',
  cost: 'weakens',
  stop: 'words',
  alsoWhenOut: false,
  look: ({ facts }) => (facts.noscriptNoindex === undefined ? undefined : { code: 'noscript-noindex', content: facts.noscriptNoindex }),
};
