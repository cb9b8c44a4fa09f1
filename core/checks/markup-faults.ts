import { faultSort, type FaultSort, type MarkupFault } from '../structured-data/index.ts';
import type { Check, Cost } from './check.ts';

/** A fault of the structured data that came with the page, and how many more there are of its sort. */
interface FaultFound<C extends string> {
  readonly code: C;
  readonly fault: MarkupFault;
  readonly others: number;
}

/** The check for one sort of fault: it tells the first, and counts the others (N25). */
const checkOfFaults = <C extends string>(code: C, cost: Cost, sort: FaultSort): Check<FaultFound<C>> => ({
  code,
  cost,
  stop: 'meaning',
  alsoWhenOut: false,
  place: (_facts, { fault }) => fault.start,
  fix: () => ({ go: 'meaning' }),
  look: ({ meaning }) => {
    const found = meaning?.faults.filter((fault) => faultSort(fault) === sort) ?? [];
    const [fault] = found;
    return fault && { code, fault, others: found.length - 1 };
  },
});

/** Blocks that cannot be read: engines pass them over. */
export const markupBroken = checkOfFaults('markup-broken', 'weakens', 'unreadable');
/** What no visitor sees: engines take that for deceit, and drop the result. */
export const markupContradicts = checkOfFaults('markup-contradicts', 'weakens', 'contradicts');
/** Values in a form that engines cannot use. */
export const markupWrong = checkOfFaults('markup-wrong', 'weakens', 'wrong');
/** Words that the vocabulary does not know, and all else that costs no result. */
export const markupOdd = checkOfFaults('markup-odd', 'polish', 'odd');
