import type { Check } from './finding.ts';

/** The same description on other pages that are meant to be found (N13). */
export const descriptionSame: Check<'description-same'> = {
  code: 'description-same',
  cost: 'weakens',
  stop: 'words',
  alsoWhenOut: false,
  look: ({ site }) => (site.sameDescription.length > 0 ? { code: 'description-same', pages: site.sameDescription } : undefined),
};
