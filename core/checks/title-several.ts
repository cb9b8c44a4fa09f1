import type { Check } from './finding.ts';

/** More than one `title` element: only the first counts. */
export const titleSeveral: Check<'title-several'> = {
  code: 'title-several',
  cost: 'polish',
  stop: 'words',
  alsoWhenOut: false,
  look: ({ facts }) => (facts.titles.length > 1 ? { code: 'title-several', count: facts.titles.length } : undefined),
};
