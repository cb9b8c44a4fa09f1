import { FolderSync, Globe } from 'lucide-react';
import { Suspense, useEffect, useRef, useState } from 'react';
import { siteOrigin, versionOf } from '../../core/site/index.ts';
import { messageOf } from '../../core/source/index.ts';
import { counted, REFUSAL_WORDS, shortDate } from '../../core/wording/index.ts';
import type { Bringing } from '../analysis/index.ts';
import { PageLink } from '../components/index.ts';
import { Busy, part, useDrop } from '../ui/index.ts';
import { bringVersion, leaveVersion, rememberSource, takeVersion, useWorkspace, useWorkspaceApi, type Coming } from '../workspace/index.ts';
import { hasCrawl } from './kept-crawl.ts';
import { FilePickers } from './FilePickers.tsx';
import { fromDrop, fromFolder } from './picking.ts';
import { VersionPlan } from './VersionPlan.tsx';
import { newVersion as wording } from './wording.ts';

const FromAddress = part(() => import('./FromAddress.tsx'), 'FromAddress');

let jobs = 0;

/** The site was built anew: its new files are brought in, what that would do is shown, and the owner's words stay on top. */
export function NewVersion() {
  const workspace = useWorkspaceApi();
  const site = useWorkspace((state) => state.site);
  const version = useWorkspace((state) => versionOf(state.document));
  const [busy, setBusy] = useState<{ job: string; done: number; of: number }>();
  const [failure, setFailure] = useState<string>();
  const [outcome, setOutcome] = useState<'same' | 'taken' | 'planned-anew'>();
  const [coming, setComing] = useState<Coming>();
  const mainAddress = useWorkspace((state) => siteOrigin(state.document));
  // A site that came from its address comes from there again.
  const [asking, setAsking] = useState((site?.from === 'address' && site.folder === undefined) || (site !== undefined && hasCrawl(site.id)));
  // What was brought in and not decided about is left when the screen is.
  const undecided = useRef<Coming>(undefined);
  useEffect(() => {
    undecided.current = coming;
  }, [coming]);
  useEffect(
    () => () => {
      if (undecided.current) void leaveVersion(workspace, undecided.current).catch(() => undefined);
    },
    [workspace],
  );

  const bring = async (bringing: Bringing | undefined, folder?: FileSystemDirectoryHandle): Promise<void> => {
    if (!bringing || !site) return;
    const job = `version-${++jobs}`;
    setFailure(undefined);
    setOutcome(undefined);
    setBusy({ job, done: 0, of: 1 });
    try {
      const found = await bringVersion(workspace, job, bringing, (done, of) => setBusy((now) => now && { ...now, done, of }));
      if (found === 'same') setOutcome('same');
      else if ('plan' in found) setComing(found);
      else setFailure(REFUSAL_WORDS[found.reason] ?? REFUSAL_WORDS['failed']);
      if (found !== 'same' && !('plan' in found)) return;
      if (folder) await rememberSource(workspace, { folder });
      else if (bringing.kind === 'archive' && bringing.told) await rememberSource(workspace, { address: `${bringing.told.origin}/` });
    } catch (error) {
      setFailure(messageOf(error));
    } finally {
      setBusy(undefined);
    }
  };
  /** Reads the folder that was opened last once more. */
  const readAgain = async (folder: FileSystemDirectoryHandle): Promise<void> => {
    try {
      if ((await folder.requestPermission?.({ mode: 'read' })) === 'denied') return setFailure(wording.denied);
      await bring(await fromFolder(folder), folder);
    } catch (error) {
      if ((error as Error).name !== 'AbortError') setFailure(messageOf(error));
    }
  };
  const take = async (theirs: ReadonlySet<string>, redirects: Readonly<Record<string, string>>): Promise<void> => {
    if (!coming) return;
    setBusy({ job: 'take', done: 0, of: 1 });
    try {
      const done = await takeVersion(workspace, coming, { theirs, redirects });
      setComing(done === 'taken' ? undefined : done);
      setOutcome(done === 'taken' ? 'taken' : 'planned-anew');
    } catch (error) {
      setFailure(messageOf(error));
    } finally {
      setBusy(undefined);
    }
  };
  const leave = async (): Promise<void> => {
    if (coming) await leaveVersion(workspace, coming).catch(() => undefined);
    setComing(undefined);
    setOutcome(undefined);
  };
  const { over, zone } = useDrop((transfer) => void fromDrop(transfer).then((bringing) => (coming ? undefined : bring(bringing))));
  const folder = site?.folder;
  const latest = site?.versions?.find(({ number }) => number === version);
  return (
    <div className="mx-auto min-h-full max-w-column" {...zone}>
      {over && !coming && <p className="drop-here display text-2xl">{wording.drop}</p>}
      <h1>{wording.title}</h1>
      <p className="soft mt-1 max-w-prose">{wording.lead}</p>
      {!coming && (
        <>
          <div className="mt-4 flex flex-wrap gap-2.5">
            {folder && (
              <button type="button" className="btn btn-primary gap-2" disabled={busy !== undefined} onClick={() => void readAgain(folder)}>
                <FolderSync size={17} aria-hidden /> {wording.again(folder.name)}
              </button>
            )}
            <FilePickers
              names={{ folder: wording.folder, archive: wording.archive }}
              accept=".zip,application/zip"
              disabled={busy !== undefined}
              quiet={folder !== undefined}
              onBring={bring}
              onFailure={setFailure}
            />
            <button type="button" className="btn btn-outline-ink gap-2" aria-expanded={asking} disabled={busy !== undefined} onClick={() => setAsking(!asking)}>
              <Globe size={17} aria-hidden /> {wording.address}
            </button>
          </div>
          {asking && !busy && (
            <Suspense>
              <FromAddress again of={site?.id ?? ''} start={site?.address ?? mainAddress} onTake={(bringing) => void bring(bringing)} />
            </Suspense>
          )}
          <p className="soft mt-2 text-note">
            {wording.dropHint}
            {latest && ` ${wording.last(version + 1, shortDate(latest.at))}`}
          </p>
        </>
      )}
      {busy && (
        <div className="mt-4">
          <Busy
            what={busy.job === 'take' ? wording.taking : wording.reading}
            done={busy.done}
            of={busy.of}
            {...(busy.job === 'take' ? {} : { onCancel: () => void workspace.tools.analysis.cancel(busy.job).catch(() => undefined) })}
          />
        </div>
      )}
      {failure !== undefined && (
        <p className="notice notice-bad mt-4" role="alert">
          {failure}
        </p>
      )}
      {outcome === 'same' && <p className="notice notice-good mt-4">{wording.same}</p>}
      {outcome === 'planned-anew' && <p className="notice notice-amber mt-4">{wording.plannedAnew}</p>}
      {outcome === 'taken' && (
        <p className="notice notice-good mt-4 flex flex-wrap items-center gap-x-4 gap-y-1" data-testid="version-taken">
          <span>{wording.taken}</span>
          <PageLink to="release" className="link-act">
            {wording.toRelease}
          </PageLink>
        </p>
      )}
      {coming && coming.version.unread.length > 0 && (
        <p className="notice notice-amber mt-4">
          {counted(coming.version.unread.length, 'file')} could not be read:{' '}
          {coming.version.unread
            .slice(0, 5)
            .map(({ path }) => path)
            .join(', ')}
        </p>
      )}
      {coming && !busy && <VersionPlan key={coming.version.number} plan={coming.plan} onTake={take} onLeave={() => void leave()} />}
    </div>
  );
}
