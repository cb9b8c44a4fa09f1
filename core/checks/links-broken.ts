import type { Check } from './finding.ts';

/** Links inside the site that lead nowhere (N18). */
export const linksBroken: Check<'links-broken'> = {
  code: 'links-broken',
  cost: 'polish',
  stop: 'words',
  alsoWhenOut: true,
  look: ({ site }) => (site.broken.length > 0 ? { code: 'links-broken', paths: site.broken } : undefined),
};
