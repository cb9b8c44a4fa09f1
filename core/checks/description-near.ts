import { metaDescription } from '../page/index.ts';
import type { Check } from './check.ts';

/** Nearly the same description as other pages (N13). */
export const descriptionNear: Check<{ readonly code: 'description-near'; readonly pages: readonly string[] }> = {
  code: 'description-near',
  cost: 'polish',
  stop: 'words',
  alsoWhenOut: false,
  place: (facts) => metaDescription(facts)?.tag.start,
  fix: () => ({ go: 'alike' }),
  look: ({ site }) =>
    site.nearDescription.length > 0 && site.sameDescription.length === 0 ? { code: 'description-near', pages: site.nearDescription } : undefined,
};
