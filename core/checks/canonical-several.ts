import type { Check } from './finding.ts';

/** Canonicals that name different addresses: engines heed none of them (RFC 6596, 3). */
export const canonicalSeveral: Check<'canonical-several'> = {
  code: 'canonical-several',
  cost: 'weakens',
  stop: 'doors',
  alsoWhenOut: false,
  look: ({ way }) => {
    const reason = way.gates.find((gate) => gate.name === 'main-address')?.reason;
    return reason?.code === 'canonical-conflict' ? { code: 'canonical-several', addresses: reason.addresses } : undefined;
  },
};
