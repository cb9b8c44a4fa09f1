import type { EnginePolicy } from '../engines/index.ts';
import type { IndexRecord } from './records.ts';

const DAY = 86_400_000;

/** How many addresses of a site an engine visits in a day; one that waits between visits gets through fewer. `delay` is in seconds. */
export function visitsAllowed(policy: EnginePolicy, delay: number | undefined): number {
  if (!policy.waits || delay === undefined || delay <= 0) return policy.visits;
  return Math.max(1, Math.min(policy.visits, Math.floor(policy.seconds / delay)));
}

/** Addresses to visit now: the unseen first, then those whose last visit is longest ago, a day at least. */
export function dueVisits(records: readonly IndexRecord[], now: number, most: number): IndexRecord[] {
  return records
    .filter((record) => record.visitedAt === undefined || now - Date.parse(record.visitedAt) >= DAY * 0.9)
    .sort((a, b) => Date.parse(a.visitedAt ?? '1970-01-01') - Date.parse(b.visitedAt ?? '1970-01-01') || (a.address < b.address ? -1 : 1))
    .slice(0, most);
}
