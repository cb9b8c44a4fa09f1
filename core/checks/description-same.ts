import { metaDescription } from '../page/index.ts';
import type { Check } from './check.ts';

/** The same description on other pages that are meant to be found (N13). */
export const descriptionSame: Check<{ readonly code: 'description-same'; readonly pages: readonly string[] }> = {
  code: 'description-same',
  cost: 'weakens',
  stop: 'words',
  alsoWhenOut: false,
  place: (facts) => metaDescription(facts)?.tag.start,
  fix: () => ({ go: 'alike' }),
  look: ({ site }) => (site.sameDescription.length > 0 ? { code: 'description-same', pages: site.sameDescription } : undefined),
};
