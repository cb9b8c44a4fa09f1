import type { Check } from './check.ts';

/** Words that nobody reads through without a landmark. */
const LONG = 450;

/** A long text without any heading below the main one (N19). */
export const headingWall: Check<{ readonly code: 'heading-wall'; readonly words: number }> = {
  code: 'heading-wall',
  cost: 'polish',
  stop: 'words',
  alsoWhenOut: false,
  fix: () => ({ go: 'part', part: 'text' }),
  look: ({ facts }) =>
    facts.wordCount > LONG && facts.headings.filter((heading) => heading.level > 1 && heading.text !== '').length === 0
      ? { code: 'heading-wall', words: facts.wordCount }
      : undefined,
};
