import { shutGates, stateOf, type ShutGate } from '../indexing/index.ts';
import { isForAll } from './against-intent.ts';
import type { Check } from './check.ts';

/** States that want something done. */
const TROUBLED = ['shut-out', 'leaking', 'half-hidden'] as const;

/** One engine takes the page as it is meant, and another one does not: a word to its crawler alone, or what only some engines heed. */
export const oneEngine: Check<{
  readonly code: 'one-engine';
  readonly engine: string;
  readonly how: (typeof TROUBLED)[number];
  readonly gates: readonly ShutGate[];
}> = {
  code: 'one-engine',
  cost: 'weakens',
  stop: 'doors',
  alsoWhenOut: true,
  fix: ({ how, gates }) =>
    how === 'shut-out' ? { do: 'open-page', partly: !gates.some((gate) => gate.openable) } : { do: how === 'leaking' ? 'keep-page-out' : 'hide-page' },
  look: ({ intent, state, others }) => {
    // What keeps it from the engine by which states are told has a finding of its own, and one mend for all.
    if (state === 'not-live' || state === 'unseen' || TROUBLED.some((one) => one === state)) return undefined;
    for (const { engine, way } of others) {
      const how = TROUBLED.find((one) => one === stateOf(intent.intent, way.reality, false));
      if (how !== undefined) return { code: 'one-engine', engine, how, gates: shutGates(way.gates.filter((gate) => !isForAll(gate.reason))) };
    }
    return undefined;
  },
};
