import type { EnginePolicy } from '../engines/index.ts';
import type { IndexRecord } from './records.ts';

const DAY = 86_400_000;

/** How many addresses of a site an engine visits in a day; one that waits between visits gets through fewer. `delay` is in seconds. */
export function visitsAllowed(policy: EnginePolicy, delay: number | undefined): number {
  if (!policy.waits || delay === undefined || delay <= 0) return policy.visits;
  return Math.max(1, Math.min(policy.visits, Math.floor(policy.seconds / delay)));
}

/** An address that the engine was asked to visit soon, by its owner (`told` by a change notice: those count for no allowance). */
export interface VisitAsked {
  readonly address: string;
  readonly at: string;
  readonly told?: boolean | undefined;
}

/** What of a queue has its turn on the next day: all that was told of, and as many of the others as the engine's allowance lets through, in the order in which they came. */
export function turnsOfTheDay(queue: readonly VisitAsked[], allowance: number): VisitAsked[] {
  let left = allowance;
  return queue.filter(({ told }) => told === true || left-- > 0);
}

/** Addresses to visit now: the unseen first, then those whose last visit is longest ago, a day at least. */
export function dueVisits(records: readonly IndexRecord[], now: number, most: number): IndexRecord[] {
  return records
    .filter((record) => record.visitedAt === undefined || now - Date.parse(record.visitedAt) >= DAY * 0.9)
    .sort((a, b) => Date.parse(a.visitedAt ?? '1970-01-01') - Date.parse(b.visitedAt ?? '1970-01-01') || (a.address < b.address ? -1 : 1))
    .slice(0, most);
}

/**
 * In how many days each address has its turn again: 1 is the engine's next day. All wait in one line, those asked for at its head, and `perDay` of them
 * are visited in a day.
 */
export function expectedVisits(
  records: readonly { readonly address: string; readonly visitedAt?: string | undefined }[],
  queue: readonly VisitAsked[],
  { perDay, allowance }: { readonly perDay: number; readonly allowance: number },
): Map<string, number> {
  const days = new Map<string, number>();
  let waiting = [...queue];
  for (let day = 1; waiting.length > 0; day++) {
    const taken = new Set(turnsOfTheDay(waiting, Math.max(1, allowance)));
    for (const { address } of taken) if (!days.has(address)) days.set(address, day);
    waiting = waiting.filter((one) => !taken.has(one));
  }
  const line = records
    .filter(({ address }) => !days.has(address))
    .sort((a, b) => (a.visitedAt ?? '').localeCompare(b.visitedAt ?? '') || (a.address < b.address ? -1 : 1));
  let [day, left] = [1, Math.max(0, perDay - [...days.values()].filter((one) => one === 1).length)];
  for (const { address } of line) {
    while (left <= 0) [day, left] = [day + 1, perDay];
    days.set(address, day);
    left--;
  }
  return days;
}
