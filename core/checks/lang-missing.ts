import type { Check } from './finding.ts';

/** The page does not say which language it is in. */
export const langMissing: Check<'lang-missing'> = {
  code: 'lang-missing',
  cost: 'polish',
  stop: 'words',
  alsoWhenOut: true,
  look: ({ facts }) => ((facts.lang ?? '').trim() === '' ? { code: 'lang-missing' } : undefined),
};
