import type { EngineRow } from '../../core/exchange/index.ts';

/** Addresses that an engine was asked to look at again, with what each was then. `at` is when, ISO, by the engine's clock. */
export interface AskedAgain {
  readonly at: string;
  readonly was: Readonly<Record<string, EngineRow['outcome']>>;
}

/** What became of addresses that were asked for again: how many were visited since, how many wait still, and which are otherwise than they were. */
export interface Became {
  readonly visited: number;
  readonly waiting: number;
  readonly others: readonly { readonly address: string; readonly from: EngineRow['outcome']; readonly to: EngineRow['outcome'] }[];
}

/** Looks what became of them in what the engine knows now. */
export function becameOf({ at, was }: AskedAgain, records: readonly EngineRow[]): Became {
  const asked = records.filter(({ address }) => Object.hasOwn(was, address));
  const visited = asked.filter(({ visitedAt }) => visitedAt !== undefined && visitedAt > at);
  return {
    visited: visited.length,
    waiting: Object.keys(was).length - visited.length,
    others: visited.flatMap(({ address, outcome }) => {
      const from = was[address] as EngineRow['outcome'];
      return from === outcome ? [] : [{ address, from, to: outcome }];
    }),
  };
}

/** Whether something kept is what was asked for. */
export function isAskedAgain(value: unknown): value is AskedAgain {
  const { at, was } = (value ?? {}) as { at?: unknown; was?: unknown };
  return typeof at === 'string' && typeof was === 'object' && was !== null && Object.values(was).every((outcome) => typeof outcome === 'string');
}
