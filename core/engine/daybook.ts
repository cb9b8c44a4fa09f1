import { keyed } from '../keyed/index.ts';
import type { IndexRecord } from './records.ts';

export type Outcome = IndexRecord['outcome'];

/** What became of an address on a day; `from` is missing where it was not known before. */
export interface OutcomeChange {
  readonly address: string;
  readonly from?: Outcome | undefined;
  readonly to: Outcome;
  /** The code of what decided. */
  readonly why: string;
}

/** What an engine did on a site on one day. */
export interface EngineDay {
  /** ISO time of the engine's clock. */
  readonly at: string;
  readonly visited: number;
  readonly listed: number;
  /** How many requests were answered how: by status, `no-answer`, or `not-asked` where robots.txt forbade it. */
  readonly answers?: Readonly<Record<string, number>> | undefined;
  readonly bytes?: number | undefined;
  /** Real milliseconds that the answers took, in all. */
  readonly milliseconds?: number | undefined;
  readonly changes?: readonly OutcomeChange[] | undefined;
}

/** The addresses of which something became another thing between two states of an index, in order. */
export function outcomeChanges(before: readonly IndexRecord[], after: readonly IndexRecord[]): OutcomeChange[] {
  const was = new Map(before.map((record) => [record.address, record.outcome]));
  return after.flatMap(({ address, outcome, reason }) => {
    const from = was.get(address);
    return from === outcome ? [] : [{ address, ...(from === undefined ? {} : { from }), to: outcome, why: reason.code }];
  });
}

/** Some addresses of a site, as many as are in each class, on the evening of a day. */
export interface Evening<C extends string> {
  readonly at: string;
  readonly counts: Readonly<Record<C, number>>;
}

/**
 * What the index held on the evening of each day, oldest first, by classes that the caller tells: the present state walked back change by change. `days`
 * are latest first, as an engine keeps them.
 */
export function evenings<C extends string>(
  records: readonly Pick<IndexRecord, 'address' | 'outcome'>[],
  days: readonly EngineDay[],
  classes: readonly C[],
  classOf: (address: string, outcome: Outcome) => C | undefined,
): Evening<C>[] {
  const counts = keyed(classes, () => 0);
  const count = (address: string, outcome: Outcome | undefined, by: number): void => {
    const found = outcome === undefined ? undefined : classOf(address, outcome);
    if (found !== undefined) counts[found] += by;
  };
  for (const { address, outcome } of records) count(address, outcome, 1);
  const told: Evening<C>[] = [];
  for (const { at, changes = [] } of days) {
    told.push({ at, counts: { ...counts } });
    for (const { address, from, to } of changes) {
      count(address, to, -1);
      count(address, from, 1);
    }
  }
  return told.reverse();
}

/** Something that happened besides visits. ISO times of the engine's clock. */
export type EngineEvent = { readonly at: string } & (
  | { readonly code: 'proved' | 'proof-lost' }
  | { readonly code: 'map-handed-in' | 'map-taken-back'; readonly address: string; readonly count: number; readonly problem?: string | undefined }
  | { readonly code: 'robots'; readonly status: number | undefined; readonly was: number | undefined }
  | { readonly code: 'told'; readonly count: number }
  | { readonly code: 'asked'; readonly count: number }
  | { readonly code: 'first-seen' | 'first-click'; readonly query: string; readonly address: string; readonly position: number }
);
