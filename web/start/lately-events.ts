import type { JournalEntry } from '../../core/site/index.ts';
import { counted } from '../../core/wording/index.ts';

/** One thing that happened, with its time. */
export interface Event {
  readonly at: string;
  readonly text: string;
  readonly note?: string;
}

/** Most changes of the owner's that are told, days of the engine's, and events in all. */
const MOST = { changes: 5, days: 3, all: 7 };

/** What happened lately, the latest first: changes (newest first; those of one step once), releases, and days of the engine's (newest first). */
export function latelyEvents(
  entries: readonly JournalEntry[],
  releases: Readonly<Record<string, { at?: string | null | undefined; pages?: number | null | undefined }>>,
  days: readonly { at: string; visited: number; listed: number }[],
): Event[] {
  const events: Event[] = [];
  let coalesceKey: string | null = null;
  for (const entry of entries) {
    if (entry.notUndoable || (entry.coalesceKey !== null && entry.coalesceKey === coalesceKey)) continue;
    coalesceKey = entry.coalesceKey;
    events.push({ at: entry.at, text: entry.role === 'undo' ? `Undone: ${entry.label}` : entry.label });
    if (events.length >= MOST.changes) break;
  }
  for (const [number, release] of Object.entries(releases))
    if (release.at) events.push({ at: release.at, text: `Release ${number}`, note: counted(release.pages ?? 0, 'page') });
  for (const day of days.slice(0, MOST.days))
    events.push({ at: day.at, text: 'Skerry visited', note: `${counted(day.visited, 'address', 'addresses')} visited, ${day.listed} listed` });
  return events.sort((a, b) => (a.at < b.at ? 1 : -1)).slice(0, MOST.all);
}
