import { isGrave, type MarkupFault } from '../structured-data/index.ts';
import type { Check } from './check.ts';

const ELSEWHERE = new Set(['json-broken', 'json-repaired', 'too-deep', 'too-much', 'nothing-in-it', 'not-shown', 'picture-missing']);

/** Values of structured data in a form that engines cannot use (N25). */
export const markupWrong: Check<{ readonly code: 'markup-wrong'; readonly fault: MarkupFault; readonly others: number }> = {
  code: 'markup-wrong',
  cost: 'weakens',
  stop: 'meaning',
  alsoWhenOut: false,
  place: (_facts, { fault }) => fault.start,
  fix: () => ({ go: 'meaning' }),
  look: ({ meaning }) => {
    const found = meaning?.faults.filter((fault) => isGrave(fault) && !ELSEWHERE.has(fault.code)) ?? [];
    const [fault] = found;
    return fault && { code: 'markup-wrong', fault, others: found.length - 1 };
  },
};

/** Words that the vocabulary does not know, and all else that costs no result. */
export const markupOdd: Check<{ readonly code: 'markup-odd'; readonly fault: MarkupFault; readonly others: number }> = {
  code: 'markup-odd',
  cost: 'polish',
  stop: 'meaning',
  alsoWhenOut: false,
  place: (_facts, { fault }) => fault.start,
  fix: () => ({ go: 'meaning' }),
  look: ({ meaning }) => {
    const found = meaning?.faults.filter((fault) => !isGrave(fault) && !ELSEWHERE.has(fault.code)) ?? [];
    const [fault] = found;
    return fault && { code: 'markup-odd', fault, others: found.length - 1 };
  },
};
