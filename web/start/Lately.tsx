import { useEffect, useState } from 'react';
import type { JournalEntry } from '../../core/site/index.ts';
import { shortDate } from '../../core/wording/index.ts';
import { latestEntries } from '../storage/index.ts';
import { useLatest } from '../ui/index.ts';
import { useWorkspace, useWorkspaceApi } from '../workspace/index.ts';
import { latelyEvents } from './lately-events.ts';
import { wording } from './wording.ts';

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
  const events = latelyEvents(entries, document.tables.releases, engine?.days ?? []);
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
