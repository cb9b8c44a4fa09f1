import { useQuietNavigate } from '../components/index.ts';
import { messageOf } from '../../core/source/index.ts';
import { FilePlus2, Globe, ListPlus, PackageOpen, Sparkle } from 'lucide-react';
import { Suspense, useCallback, useEffect, useRef, useState } from 'react';
import { REFUSAL_WORDS } from '../../core/wording/index.ts';
import type { Bringing } from '../analysis/index.ts';
import type { SiteRecord } from '../storage/index.ts';
import { Boundary, Busy, Empty, note, part, useHotkey, useLatest, useDrop } from '../ui/index.ts';
import { bringInDemo, bringInSite, deleteSite, listSites, restoreSite, useWorkspaceApi } from '../workspace/index.ts';
import { Bin } from './Bin.tsx';
import { FilePickers } from './FilePickers.tsx';
import { fromDrop, fromInside } from './picking.ts';
import { SiteLine } from './SiteLine.tsx';
import { Space } from './Space.tsx';
import { wording } from './wording.ts';

const FromAddress = part(() => import('./FromAddress.tsx'), 'FromAddress');
const FromList = part(() => import('./FromList.tsx'), 'FromList');

let jobs = 0;
/** So many ZIPs in one are offered. */
const MOST_INSIDE = 6;

/** All sites in this browser, and the ways to bring one in. */
export function Sites() {
  const workspace = useWorkspaceApi();
  const navigate = useQuietNavigate();
  const [list, setList] = useState<{ readonly sites: readonly SiteRecord[]; readonly bin: readonly SiteRecord[] }>();
  const sites = list?.sites;
  const heading = useRef<HTMLHeadingElement>(null);
  const [busy, setBusy] = useState<{ job: string; done: number; of: number }>();
  const [failure, setFailure] = useState<string>();
  /** What was brought without a page of its own, and the ZIPs in it. */
  const [inside, setInside] = useState<{ readonly bringing: Bringing; readonly paths: readonly string[] }>();
  const [asking, setAsking] = useState<'list' | 'address'>();
  const latest = useLatest();
  const refresh = useCallback(() => latest(listSites(workspace), setList, (error) => setFailure(messageOf(error))), [workspace, latest]);
  useEffect(refresh, [refresh]);
  // Another tab may bring a site in, rename or delete one.
  useEffect(() => workspace.tools.listen(refresh), [workspace, refresh]);
  const deleted = useRef<SiteRecord[]>([]);
  const going = useRef<Promise<unknown>>(Promise.resolve());
  const undo = (): void => {
    const site = deleted.current.pop();
    if (!site) return note('Nothing to undo here.', { id: 'undo' });
    // One that is on its way out is had back once it is there.
    void going.current.then(() => restoreSite(workspace, site)).then(refresh);
    note(`“${site.name}” is back.`, { id: 'undo' });
  };
  useHotkey('mod+z', undo);
  const remove = async (site: SiteRecord): Promise<void> => {
    deleted.current.push(site);
    const gone = deleteSite(workspace, site);
    going.current = gone.catch(() => undefined);
    await gone;
    refresh();
    heading.current?.focus();
    note(`“${site.name}” was moved to the bin.`, { id: 'undo', duration: 12_000, action: { label: 'Undo', onClick: undo } });
  };
  const sharing = (site: SiteRecord): string[] =>
    (sites ?? []).filter((other) => other.id !== site.id && site.summary && other.summary?.host === site.summary.host).map((other) => other.name);

  const take = async (bringing: Bringing | undefined, folder?: FileSystemDirectoryHandle): Promise<void> => {
    if (!bringing) return;
    const job = `bring-${++jobs}`;
    setFailure(undefined);
    setInside(undefined);
    setBusy({ job, done: 0, of: 1 });
    try {
      const result = await bringInSite(workspace, job, bringing, (done, of) => setBusy((now) => now && { ...now, done, of }));
      if (!result.ok) {
        if (result.reason === 'cancelled') note(REFUSAL_WORDS['cancelled'] ?? '');
        else setFailure(REFUSAL_WORDS[result.reason] ?? REFUSAL_WORDS['failed']);
        if (result.inside) setInside({ bringing, paths: result.inside });
        return;
      }
      if (folder) await workspace.tools.db.put('sites', { ...result.site, folder });
      // Asked once there is something worth keeping; a browser that says no is asked again from the list.
      void navigator.storage.persist?.().catch(() => false);
      void navigate(`/s/${result.site.id}`);
    } catch (error) {
      setFailure(messageOf(error));
    } finally {
      setBusy(undefined);
      refresh();
    }
  };
  const demo = async (): Promise<void> => {
    setBusy({ job: 'demo', done: 0, of: 1 });
    try {
      await workspace.tools.outside.beginDemoAnew();
      void navigate(`/s/${(await bringInDemo(workspace)).id}`);
    } catch (error) {
      setFailure(messageOf(error));
      setBusy(undefined);
    }
  };
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
                <FromAddress onTake={(bringing) => void take(bringing)} />
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
            <SiteLine key={site.id} site={site} sameAddress={sharing(site)} onChange={refresh} onDelete={() => void remove(site)} />
          ))}
        </ul>
        <Bin sites={list?.bin ?? []} onChange={refresh} />
        <Space changed={(list?.sites ?? []).map(({ id, bytes }) => `${id} ${bytes ?? 0}`).join()} />
      </div>
    </main>
  );
}
