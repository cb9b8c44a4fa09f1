import type { Check } from './check.ts';

/** No other page links here (N18): visitors never come by it. */
export const linksNone: Check<{ readonly code: 'links-none' }> = {
  code: 'links-none',
  cost: 'polish',
  stop: 'words',
  alsoWhenOut: false,
  fix: () => ({ go: 'part', part: 'links' }),
  look: ({ site, isHome }) => (site.linksIn === 0 && !isHome ? { code: 'links-none' } : undefined),
};
