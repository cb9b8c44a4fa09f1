import { spareHeadings } from '../page/index.ts';
import type { Check } from './check.ts';

/** More than one main heading (N19). */
export const headingSeveral: Check<{ readonly code: 'heading-several'; readonly count: number }> = {
  code: 'heading-several',
  cost: 'polish',
  stop: 'words',
  alsoWhenOut: true,
  place: (facts) => spareHeadings(facts)[0]?.tag.start,
  fix: () => ({ go: 'check' }),
  onAllPages: 'oneHeading',
  look: ({ facts }) => {
    const spare = spareHeadings(facts).length;
    return spare > 0 ? { code: 'heading-several', count: spare + 1 } : undefined;
  },
};
