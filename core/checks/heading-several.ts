import type { Check } from './check.ts';

/** More than one main heading (N19). */
export const headingSeveral: Check<{ readonly code: 'heading-several'; readonly count: number }> = {
  code: 'heading-several',
  cost: 'polish',
  stop: 'words',
  alsoWhenOut: true,
  place: (facts) => facts.headings.filter((heading) => heading.level === 1 && heading.text !== '')[1]?.tag.start,
  look: ({ facts }) => {
    const count = facts.headings.filter((heading) => heading.level === 1 && heading.text !== '').length;
    return count > 1 ? { code: 'heading-several', count } : undefined;
  },
};
