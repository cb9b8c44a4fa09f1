import type { Check } from './check.ts';

/** The page does not say which language it is in. */
export const langMissing: Check<{ readonly code: 'lang-missing' }> = {
  code: 'lang-missing',
  cost: 'polish',
  stop: 'words',
  alsoWhenOut: true,
  place: (facts) => facts.htmlTag?.start,
  fix: () => ({ go: 'check' }),
  onAllPages: 'lang',
  look: ({ facts }) => ((facts.lang ?? '').trim() === '' ? { code: 'lang-missing' } : undefined),
};
