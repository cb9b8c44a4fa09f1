import type { Check } from './finding.ts';

/** The same title on other pages that are meant to be found (N13). */
export const titleSame: Check<'title-same'> = {
  code: 'title-same',
  cost: 'weakens',
  stop: 'words',
  alsoWhenOut: false,
  look: ({ site }) => (site.sameTitle.length > 0 ? { code: 'title-same', pages: site.sameTitle } : undefined),
};
