import { useEffect, useState } from 'react';
import type { JournalEntry } from '../../core/site/index.ts';
import { counted, shortDate } from '../../core/wording/index.ts';
import { latestEntries } from '../storage/index.ts';
import { useLatest } from '../ui/index.ts';
import { useWorkspace, useWorkspaceApi } from '../workspace/index.ts';
import { wording } from './wording.ts';

interface Event {
  readonly at: string;
  readonly text: string;
  readonly note?: string;
}

/** What happened lately: the owner's changes, releases, and the engine's visits. */
export function Lately() {
  const workspace = useWorkspaceApi();
  const siteId = useWorkspace((state) => state.site?.id);
  const document = useWorkspace((state) => state.document);
  const engine = useWorkspace((state) => state.engine);
  const save = useWorkspace((state) => state.save);
  const latest = useLatest();
  const [entries, setEntries] = useState<readonly JournalEntry[]>([]);
  useEffect(() => {
    if (siteId !== undefined && save === 'saved') latest(latestEntries(workspace.tools.db, siteId, 60), setEntries);
  }, [workspace, siteId, save, document, latest]);
  const events = lately(entries, document.tables.releases, engine?.days ?? []);
  return (
    <>
      <h2 className="mt-5">{wording.lately}</h2>
      {events.length === 0 && <p className="soft mt-1">{wording.nothingLately}</p>}
      <ol className="mt-2 border-l-2 border-line pl-3">
        {events.map((event, index) => (
          <li key={`${event.at}-${index}`} className="relative pb-2.5">
            <span className="absolute -left-4.5 top-1.5 h-2.5 w-2.5 rounded-[3px] bg-accent" aria-hidden />
            <p className="leading-snug [overflow-wrap:anywhere]">{event.text}</p>
            <p className="soft text-fine">
              {shortDate(event.at)}
              {event.note && ` · ${event.note}`}
            </p>
          </li>
        ))}
      </ol>
    </>
  );
}

function lately(
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
    if (events.length >= 5) break;
  }
  for (const [number, release] of Object.entries(releases))
    if (release.at) events.push({ at: release.at, text: `Release ${number}`, note: counted(release.pages ?? 0, 'page') });
  for (const day of days.slice(0, 3))
    events.push({ at: day.at, text: 'Skerry visited', note: `${counted(day.visited, 'address', 'addresses')} visited, ${day.listed} listed` });
  return events.sort((a, b) => (a.at < b.at ? 1 : -1)).slice(0, 7);
}
