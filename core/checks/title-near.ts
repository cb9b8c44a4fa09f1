import { documentTitle } from '../page/index.ts';
import type { Check } from './check.ts';

/** Nearly the same title as other pages that are meant to be found (N13). */
export const titleNear: Check<{ readonly code: 'title-near'; readonly pages: readonly string[] }> = {
  code: 'title-near',
  cost: 'polish',
  stop: 'words',
  alsoWhenOut: false,
  place: (facts) => documentTitle(facts)?.tag.start,
  fix: () => ({ go: 'alike' }),
  look: ({ site }) => (site.nearTitle.length > 0 && site.sameTitle.length === 0 ? { code: 'title-near', pages: site.nearTitle } : undefined),
};
