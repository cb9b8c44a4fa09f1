import type { Check } from './finding.ts';

/** More than one main heading (N19). */
export const headingSeveral: Check<'heading-several'> = {
  code: 'heading-several',
  cost: 'polish',
  stop: 'words',
  alsoWhenOut: true,
  look: ({ facts }) => {
    const count = facts.headings.filter((heading) => heading.level === 1 && heading.text !== '').length;
    return count > 1 ? { code: 'heading-several', count } : undefined;
  },
};
