import type { Check } from './finding.ts';

/** Nearly the same description as other pages (N13). */
export const descriptionNear: Check<'description-near'> = {
  code: 'description-near',
  cost: 'polish',
  stop: 'words',
  alsoWhenOut: false,
  look: ({ site }) =>
    site.nearDescription.length > 0 && site.sameDescription.length === 0 ? { code: 'description-near', pages: site.nearDescription } : undefined,
};
