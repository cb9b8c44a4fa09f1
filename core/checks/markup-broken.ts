import type { MarkupFault } from '../structured-data/index.ts';
import type { Check } from './check.ts';

const BROKEN = new Set(['json-broken', 'json-repaired', 'too-deep', 'too-much', 'nothing-in-it']);

/** Structured data that came with the page and cannot be read: engines pass it over (N25). */
export const markupBroken: Check<{ readonly code: 'markup-broken'; readonly fault: MarkupFault }> = {
  code: 'markup-broken',
  cost: 'weakens',
  stop: 'meaning',
  alsoWhenOut: false,
  place: (_facts, { fault }) => fault.start,
  fix: () => ({ go: 'meaning' }),
  look: ({ meaning }) => {
    const fault = meaning?.faults.find(({ code }) => BROKEN.has(code));
    return fault && { code: 'markup-broken', fault };
  },
};
