import type { Check } from './check.ts';

/** Other pages would go out at the same address, since one of them moved there: only one could (N18). */
export const addressTaken: Check<{ readonly code: 'address-taken'; readonly pages: readonly string[] }> = {
  code: 'address-taken',
  cost: 'blocks',
  stop: 'words',
  alsoWhenOut: true,
  fix: ({ pages }) => ({ do: 'old-address', others: pages }),
  look: ({ site }) => (site.sameAddress.length > 0 ? { code: 'address-taken', pages: site.sameAddress } : undefined),
};
