import type { Check } from './check.ts';

/** Links that spell the page's address otherwise, without a redirect: engines list each spelling as a page of its own (N18). A canonical makes them one. */
export const secondSpelling: Check<{ readonly code: 'second-spelling'; readonly paths: readonly string[] }> = {
  code: 'second-spelling',
  cost: 'polish',
  stop: 'words',
  alsoWhenOut: false,
  fix: () => ({ do: 'one-address' }),
  look: ({ site }) => (site.spelledAs.length > 0 ? { code: 'second-spelling', paths: site.spelledAs } : undefined),
};
