import type { Check } from './finding.ts';

/** Nearly the same title as other pages that are meant to be found (N13). */
export const titleNear: Check<'title-near'> = {
  code: 'title-near',
  cost: 'polish',
  stop: 'words',
  alsoWhenOut: false,
  look: ({ site }) => (site.nearTitle.length > 0 && site.sameTitle.length === 0 ? { code: 'title-near', pages: site.nearTitle } : undefined),
};
