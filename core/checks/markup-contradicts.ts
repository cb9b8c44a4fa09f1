import type { MarkupFault } from '../structured-data/index.ts';
import type { Check } from './check.ts';

/** Structured data that says what no visitor sees: engines take that for deceit, and drop the result (N25). */
export const markupContradicts: Check<{ readonly code: 'markup-contradicts'; readonly fault: MarkupFault; readonly others: number }> = {
  code: 'markup-contradicts',
  cost: 'weakens',
  stop: 'meaning',
  alsoWhenOut: false,
  place: (_facts, { fault }) => fault.start,
  fix: () => ({ go: 'meaning' }),
  look: ({ meaning }) => {
    const found = meaning?.faults.filter(({ code }) => code === 'not-shown' || code === 'picture-missing') ?? [];
    const [fault] = found;
    return fault && { code: 'markup-contradicts', fault, others: found.length - 1 };
  },
};
