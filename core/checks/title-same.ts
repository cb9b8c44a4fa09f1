import { documentTitle } from '../page/index.ts';
import type { Check } from './check.ts';

/** The same title on other pages that are meant to be found (N13). */
export const titleSame: Check<{ readonly code: 'title-same'; readonly pages: readonly string[] }> = {
  code: 'title-same',
  cost: 'weakens',
  stop: 'words',
  alsoWhenOut: false,
  place: (facts) => documentTitle(facts)?.tag.start,
  fix: () => ({ go: 'alike' }),
  look: ({ site }) => (site.sameTitle.length > 0 ? { code: 'title-same', pages: site.sameTitle } : undefined),
};
