import { FilePlus2, Globe, ListPlus, PackageOpen, Sparkle } from 'lucide-react';
import { Suspense, useRef, useState } from 'react';
import type { SiteRecord } from '../storage/index.ts';
import { Boundary, Busy, Empty, part, useDrop } from '../ui/index.ts';
import { useWorkspaceApi } from '../workspace/index.ts';
import { Bin } from './Bin.tsx';
import { FilePickers } from './FilePickers.tsx';
import { fromDrop, fromInside } from './picking.ts';
import { SiteLine } from './SiteLine.tsx';
import { Space } from './Space.tsx';
import { hasCrawl } from './kept-crawl.ts';
import { useImport } from './importing.ts';
import { useSiteList } from './site-list.ts';
import { wording } from './wording.ts';

const FromAddress = part(() => import('./FromAddress.tsx'), 'FromAddress');
const FromList = part(() => import('./FromList.tsx'), 'FromList');

/** So many ZIPs in one are offered. */
const MOST_INSIDE = 6;

/** All sites in this browser, and the ways to bring one in. */
export function Sites() {
  const workspace = useWorkspaceApi();
  const [asking, setAsking] = useState<'list' | 'address' | undefined>(() => (hasCrawl('') ? 'address' : undefined));
  const heading = useRef<HTMLHeadingElement>(null);
  const { sites, bin, refresh, remove, restore, clear, failure: unread } = useSiteList(() => heading.current?.focus());
  const { take, demo, busy, inside, failure = unread, setFailure } = useImport(refresh);
  const sharing = (site: SiteRecord): string[] =>
    (sites ?? []).filter((other) => other.id !== site.id && site.summary && other.summary?.host === site.summary.host).map((other) => other.name);
  const { over, zone } = useDrop((transfer) => void fromDrop(transfer).then((bringing) => take(bringing)));
  return (
    <main className="min-h-full px-5 py-10" {...zone}>
      {over && <p className="drop-here display text-2xl">{wording.drop}</p>}
      <div className="mx-auto max-w-column">
        <div className="flex items-center gap-3.5">
          <img src="/beacon.svg" alt="" width={44} height={44} />
          <div>
            <title>Your sites · Jolly Beacon</title>
            <h1 ref={heading} tabIndex={-1}>
              {wording.title}
            </h1>
            <p className="soft">{wording.lead}</p>
          </div>
        </div>
        <div className="mt-6 flex flex-wrap gap-2.5">
          <FilePickers
            names={{ folder: wording.folder, archive: wording.archive }}
            accept=".zip,.beacon,application/zip"
            disabled={busy !== undefined}
            onBring={take}
            onFailure={setFailure}
          />
          <button
            type="button"
            className="btn btn-outline-ink gap-2"
            disabled={busy !== undefined}
            onClick={() => void take({ kind: 'empty', name: 'New site' })}
          >
            <FilePlus2 size={17} aria-hidden /> {wording.empty}
          </button>
          <button
            type="button"
            className="btn btn-outline-ink gap-2"
            disabled={busy !== undefined}
            aria-expanded={asking === 'list'}
            onClick={() => setAsking(asking === 'list' ? undefined : 'list')}
          >
            <ListPlus size={17} aria-hidden /> {wording.list}
          </button>
          <button
            type="button"
            className="btn btn-outline-ink gap-2"
            disabled={busy !== undefined}
            aria-expanded={asking === 'address'}
            onClick={() => setAsking(asking === 'address' ? undefined : 'address')}
          >
            <Globe size={17} aria-hidden /> {wording.address}
          </button>
          <button type="button" className="btn btn-outline-ink gap-2" disabled={busy !== undefined} onClick={() => void demo()}>
            <Sparkle size={17} aria-hidden /> {wording.demo}
          </button>
        </div>
        <p className="soft mt-2 text-note">{wording.dropHint}</p>
        {asking && !busy && (
          <Boundary>
            <Suspense>
              {asking === 'list' ? (
                <FromList busy={false} onTake={(bringing) => void take(bringing)} />
              ) : (
                <FromAddress of="" onTake={(bringing) => void take(bringing)} />
              )}
            </Suspense>
          </Boundary>
        )}
        {busy && (
          <div className="mt-4">
            <Busy
              what="Bringing the site in"
              done={busy.done}
              of={busy.of}
              onCancel={() => void workspace.tools.analysis.cancel(busy.job).catch(() => undefined)}
            />
          </div>
        )}
        {failure !== undefined && (
          <p className={`notice mt-4 ${inside ? 'notice-amber' : 'notice-bad'}`} role="alert">
            {failure}
          </p>
        )}
        {inside && (
          <ul className="mt-3 flex flex-wrap gap-2.5" aria-label={wording.inside}>
            {inside.paths.slice(0, MOST_INSIDE).map((path) => (
              <li key={path}>
                <button type="button" className="btn btn-primary gap-2" onClick={() => void fromInside(inside.bringing, path).then((inner) => take(inner))}>
                  <PackageOpen size={17} aria-hidden /> {wording.openInside(path)}
                </button>
              </li>
            ))}
          </ul>
        )}
        {sites?.length === 0 && !busy && <Empty title={wording.none}>{wording.noneWhy}</Empty>}
        <ul className="panel mt-6 empty:hidden" aria-label={wording.title}>
          {sites?.map((site) => (
            <SiteLine key={site.id} site={site} sameAddress={sharing(site)} onChange={refresh} onDelete={() => remove(site)} />
          ))}
        </ul>
        <Bin sites={bin} onRestore={restore} onClear={clear} />
        <Space changed={(sites ?? []).map(({ id, bytes }) => `${id} ${bytes ?? 0}`).join()} />
      </div>
    </main>
  );
}
