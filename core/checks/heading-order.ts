import type { Check } from './check.ts';

/** A heading that skips a level (N19): who moves by headings loses the thread. */
export const headingOrder: Check<{ readonly code: 'heading-order'; readonly heading: string; readonly level: number; readonly after: number }> = {
  code: 'heading-order',
  cost: 'polish',
  stop: 'words',
  alsoWhenOut: true,
  place: (facts, finding) => facts.headings.find((heading) => heading.level === finding.level && heading.text === finding.heading)?.tag.start,
  fix: () => ({ go: 'part', part: 'text' }),
  look: ({ facts }) => {
    for (const [index, heading] of facts.headings.entries()) {
      const after = facts.headings[index - 1]?.level;
      if (after !== undefined && heading.level > after + 1) return { code: 'heading-order', heading: heading.text, level: heading.level, after };
    }
    return undefined;
  },
};
