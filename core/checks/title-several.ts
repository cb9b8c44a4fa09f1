import type { Check } from './check.ts';

/** More than one `title` element: only the first counts. */
export const titleSeveral: Check<{ readonly code: 'title-several'; readonly count: number }> = {
  code: 'title-several',
  cost: 'polish',
  stop: 'words',
  alsoWhenOut: false,
  place: (facts) => facts.titles[1]?.tag.start,
  fix: () => ({ go: 'check' }),
  onAllPages: 'oneTitle',
  look: ({ facts }) => (facts.titles.length > 1 ? { code: 'title-several', count: facts.titles.length } : undefined),
};
