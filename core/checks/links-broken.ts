import type { Check } from './check.ts';

/** Links inside the site that lead nowhere (N18). */
export const linksBroken: Check<{ readonly code: 'links-broken'; readonly paths: readonly string[] }> = {
  code: 'links-broken',
  cost: 'polish',
  stop: 'words',
  alsoWhenOut: true,
  place: (facts, finding) => facts.anchors.find((anchor) => finding.paths.some((path) => path.endsWith(anchor.href.replace(/^[./]+|[?#].*$/g, ''))))?.tag.start,
  fix: () => ({ go: 'part', part: 'links' }),
  look: ({ site }) => (site.broken.length > 0 ? { code: 'links-broken', paths: site.broken } : undefined),
};
