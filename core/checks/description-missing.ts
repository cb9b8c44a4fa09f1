import type { Check } from './check.ts';

/** No meta description: engines pick a piece of the page, often a poor one. */
export const descriptionMissing: Check<{ readonly code: 'description-missing' }> = {
  code: 'description-missing',
  cost: 'weakens',
  stop: 'words',
  alsoWhenOut: false,
  fix: () => ({ do: 'write', field: 'description' }),
  look: ({ description }) => (description.value === '' ? { code: 'description-missing' } : undefined),
};
