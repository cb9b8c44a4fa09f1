import type { Check } from './check.ts';

/** A page without a title: engines make one up. */
export const titleMissing: Check<{ readonly code: 'title-missing' }> = {
  code: 'title-missing',
  cost: 'weakens',
  stop: 'words',
  alsoWhenOut: false,
  fix: () => ({ do: 'write', field: 'title' }),
  look: ({ title }) => (title.value === '' ? { code: 'title-missing' } : undefined),
};
