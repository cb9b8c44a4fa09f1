import { noindexPlace } from './place.ts';
import { shutGates, type Gate, type ShutGate } from '../indexing/index.ts';
import type { Check } from './check.ts';

/** Meant to be found, and is not: a noindex, a robots.txt line, a canonical elsewhere. */
export const shutOut: Check<{ readonly code: 'shut-out'; readonly gates: readonly ShutGate[] }> = {
  code: 'shut-out',
  cost: 'blocks',
  stop: 'doors',
  alsoWhenOut: false,
  place: noindexPlace,
  fix: () => ({ do: 'open-page' }),
  look: ({ state, way }) => {
    // What keeps the whole site out is one thing, told once for the site; a page has a finding where something of its own shuts it.
    const gates = state === 'shut-out' ? shutGates(way.gates.filter((gate) => !isForAll(gate.reason))) : [];
    return gates.length > 0 ? { code: 'shut-out', gates } : undefined;
  },
};

/** Whether a gate is shut by the one switch, or by who may visit the site at all. */
export function isForAll(reason: Gate['reason']): boolean {
  return (reason.code === 'noindex' && reason.from === 'switch') || reason.code === 'draft' || reason.code === 'restricted';
}

/** Meant to stay out, and engines may list it. */
export const leaking: Check<{ readonly code: 'leaking' }> = {
  code: 'leaking',
  cost: 'blocks',
  stop: 'doors',
  alsoWhenOut: true,
  fix: () => ({ do: 'keep-kind-out' }),
  look: ({ state }) => (state === 'leaking' ? { code: 'leaking' } : undefined),
};

/** Meant to stay out, but only fetching is forbidden: the bare address may be listed. */
export const halfHidden: Check<{ readonly code: 'half-hidden'; readonly line: number | undefined }> = {
  code: 'half-hidden',
  cost: 'weakens',
  stop: 'doors',
  alsoWhenOut: true,
  fix: () => ({ do: 'hide-page' }),
  look: ({ state, way }) => {
    if (state !== 'half-hidden') return undefined;
    const reason = way.gates.find((gate) => gate.name === 'fetchable')?.reason;
    return { code: 'half-hidden', line: reason?.code === 'rule' ? reason.line : undefined };
  },
};
