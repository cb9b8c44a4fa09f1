import { useState } from 'react';
import { bytesText, counted, shortDate } from '../../core/wording/index.ts';
import type { KeptVersion } from '../analysis/index.ts';
import { wording } from './wording.ts';

/** The versions of the site's files that are kept, what each takes and what holds it; one that nothing holds can be dropped. */
export function KeptFiles({
  versions,
  busy,
  onDrop,
}: {
  readonly versions: readonly KeptVersion[];
  readonly busy: boolean;
  readonly onDrop: (number: number) => void;
}) {
  const [asking, setAsking] = useState<number>();
  if (versions.length < 2) return null;
  return (
    <section className="mt-6" aria-labelledby="kept-files">
      <h2 id="kept-files">{wording.keptFiles}</h2>
      <p className="soft mt-1 mb-2 max-w-prose text-small">{wording.keptFilesWhy}</p>
      <ol className="panel overflow-hidden" aria-labelledby="kept-files">
        {[...versions].reverse().map((version) => {
          const held = heldBy(version);
          return (
            <li key={version.number} className="border-t border-line px-4 py-2.5 first:border-t-0" data-version={version.number}>
              <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
                <span className="min-w-0 flex-1 basis-60">
                  {wording.version(version.number + 1)} · {shortDate(version.at)} · {bytesText(version.bytes)}
                  {held !== undefined && <span className="soft block text-fine">{held}</span>}
                </span>
                {held === undefined && (
                  <button
                    type="button"
                    className="btn btn-sm btn-ghost"
                    disabled={busy}
                    aria-expanded={asking === version.number}
                    aria-label={`${wording.drop} version ${version.number + 1}`}
                    onClick={() => setAsking(asking === version.number ? undefined : version.number)}
                  >
                    {wording.drop}
                  </button>
                )}
              </div>
              {asking === version.number && (
                <DropQuestion
                  why={wording.dropVersionWhy}
                  onDrop={() => {
                    setAsking(undefined);
                    onDrop(version.number);
                  }}
                  onLeave={() => setAsking(undefined)}
                />
              )}
            </li>
          );
        })}
      </ol>
    </section>
  );
}

/** Asks before something is dropped that nobody brings back. */
export function DropQuestion({ why, onDrop, onLeave }: { readonly why: string; readonly onDrop: () => void; readonly onLeave: () => void }) {
  return (
    <div className="notice notice-amber mt-2 flex flex-wrap items-center gap-x-4 gap-y-2">
      <p className="min-w-0 flex-1 basis-64 text-small">{why}</p>
      <button type="button" className="btn btn-sm btn-primary" onClick={onDrop}>
        {wording.dropIt}
      </button>
      <button type="button" className="btn btn-sm btn-outline-ink" onClick={onLeave}>
        {wording.leaveIt}
      </button>
    </div>
  );
}

/** What holds a version, in words; undefined where nothing does. */
function heldBy({ isCurrent, inUndo, releases }: KeptVersion): string | undefined {
  if (isCurrent) return wording.isCurrent;
  if (releases.length > 0)
    return `needed by ${releases.length === 1 ? `release ${releases[0]}` : `${counted(releases.length, 'release')} (${releases.join(', ')})`}`;
  return inUndo ? wording.inUndo : undefined;
}
