import { canonicalLinks } from '../page/index.ts';
import type { Check } from './check.ts';

/** Canonicals that name different addresses: engines heed none of them (RFC 6596, 3). */
export const canonicalSeveral: Check<{ readonly code: 'canonical-several'; readonly addresses: readonly string[] }> = {
  code: 'canonical-several',
  cost: 'weakens',
  stop: 'doors',
  alsoWhenOut: false,
  place: (facts) => canonicalLinks(facts)[1]?.tag.start,
  fix: () => ({ do: 'own-canonical' }),
  look: ({ way }) => {
    const reason = way.gates.find((gate) => gate.name === 'main-address')?.reason;
    return reason?.code === 'canonical-conflict' ? { code: 'canonical-several', addresses: reason.addresses } : undefined;
  },
};
