import { messageOf } from '../../core/source/index.ts';
import { useEffect, useState } from 'react';
import type { Held } from '../../core/release/index.ts';
import type { HostedSite } from '../../core/exchange/index.ts';
import { siteHost } from '../../core/site/index.ts';
import { counted, numberText } from '../../core/wording/index.ts';
import { Rail } from '../components/index.ts';
import { Busy, Empty, note, useKeptState } from '../ui/index.ts';
import { nextNumber, release, useReport, useTables, useWorkspace, useWorkspaceApi, type ReleaseOutcome } from '../workspace/index.ts';
import type { LeftInFile } from '../analysis/index.ts';
import { CannotGo } from './CannotGo.tsx';
import { FilesOut } from './FilesOut.tsx';
import { goes, isHeld, stillHeld } from './held.ts';
import { EarlierReleases, Hosted, Outcome } from './beside-waiting.tsx';
import { Reminders } from './Reminders.tsx';
import { NotWritable } from './NotWritable.tsx';
import { OpeningReminder } from './OpeningReminder.tsx';
import { SameAddress } from './SameAddress.tsx';
import { WaitingItem } from './WaitingItem.tsx';
import { wording } from './wording.ts';

/** How many of the files go, and how many of these only in part. */
function partly(going: number, of: number, held: Held): string {
  const parts = Object.values(held).filter((what) => what !== 'whole').length;
  const go = going === of ? `All ${of} go` : `${going} of ${of} ${going === 1 ? 'goes' : 'go'}`;
  return parts > 0 ? `${go}, ${parts} of them in part.` : `${go}.`;
}

const NOTHING_LEFT: readonly LeftInFile[] = [];

/** How many waiting files are drawn at once. */
const DRAWN = 200;

/** What changed since the last release, and the ways out. */
export function Waiting() {
  const workspace = useWorkspaceApi();
  const items = useReport((one) => one.tools.analysis.releaseItems());
  const left = useReport((one) => one.tools.analysis.cannotGo()) ?? NOTHING_LEFT;
  const released = useReport((one) => one.tools.analysis.releasedOwn());
  const document = useTables('facts', 'releases');
  const host = siteHost(document);
  const [busy, setBusy] = useState<{ what: string; done: number; of: number }>();
  const [outcome, setOutcome] = useState<ReleaseOutcome>();
  const siteId = useWorkspace((state) => state.site?.id ?? '');
  const [chosen, setHeld] = useKeptState<Held>(`held-${siteId}`, {}, isHeld);
  const [remark, setRemark] = useState('');
  /** Null once it is known that nothing is hosted. */
  const [hosted, setHosted] = useState<HostedSite | null>();
  useEffect(() => {
    workspace.tools.outside.hosted(host).then(
      (found) => setHosted(found ?? null),
      () => undefined,
    );
  }, [workspace, host, outcome]);
  if (!items) return <Busy what="Comparing with the last release" done={0} of={1} />;
  const held = stillHeld(chosen, items);
  const going = items.filter((item) => goes(held, item) !== 'none').length;
  const go = async (to: 'host' | 'files'): Promise<void> => {
    try {
      const steps = { packing: 'Writing the pages', sending: 'Sending the files', switching: 'Going live' };
      const done = await release(workspace, to, { held: to === 'host' ? held : {}, note: remark }, (step, count, of) =>
        setBusy({ what: steps[step], done: count, of }),
      );
      setOutcome(done);
      setRemark('');
      note(`Release ${done.number} is live.`, {}, 'good');
    } catch (error) {
      note(`Not released: ${messageOf(error)}`, {}, 'bad');
    } finally {
      setBusy(undefined);
    }
  };
  const releases = Object.entries(document.tables.releases).sort(([a], [b]) => Number(b) - Number(a));
  return (
    <div className="mx-auto max-w-column">
      <header className="mb-4 flex flex-wrap items-start gap-4">
        <div className="min-w-0 flex-1 basis-72">
          <h1>{wording.title}</h1>
          <p className="soft mt-1">
            {items.length === 0
              ? 'The working copy and what is live are the same.'
              : `${counted(items.length, 'file differs', 'files differ')} from ${releases[0] ? `release ${releases[0][0]}` : 'what is live'}.${
                  Object.keys(held).length > 0 ? ` ${partly(going, items.length, held)}` : ''
                }`}
          </p>
        </div>
        <button
          type="button"
          className="btn btn-primary"
          disabled={busy !== undefined || (items.length === 0 ? hosted !== null : going === 0)}
          onClick={() => void go('host')}
        >
          {wording.publish} {nextNumber(workspace, hosted ?? undefined)}
        </button>
      </header>
      <OpeningReminder />
      <SameAddress />
      <NotWritable />
      <CannotGo left={left} items={items} held={held} onHeld={setHeld} />
      <Reminders held={held} />
      {busy && (
        <div className="mb-3">
          <Busy {...busy} />
        </div>
      )}
      {outcome && <Outcome outcome={outcome} />}
      {items.length === 0 ? (
        hosted === null && releases.length === 0 ? (
          <Empty title={wording.asBroughtIn}>{wording.asBroughtInWhy}</Empty>
        ) : (
          <Empty title={wording.nothing}>{wording.nothingWhy}</Empty>
        )
      ) : (
        <>
          <div className="mb-2 flex flex-wrap items-center gap-3">
            <input
              className="input min-w-0 flex-1 basis-64"
              aria-label={wording.noteLabel}
              placeholder={`${wording.noteLabel}: ${wording.notePlaceholder.toLowerCase()}`}
              maxLength={500}
              value={remark}
              onChange={(event) => setRemark(event.target.value)}
            />
            {Object.keys(held).length > 0 && (
              <button type="button" className="link-act text-note" onClick={() => setHeld({})}>
                {wording.all}
              </button>
            )}
          </div>
          <ul className="panel overflow-hidden" aria-label="Files that wait for release">
            {items.slice(0, DRAWN).map((item) => (
              <WaitingItem key={`${item.path} ${item.own}`} item={item} held={held} left={left} released={released} onHeld={setHeld} />
            ))}
            {items.length > DRAWN && <li className="soft px-4 py-2.5">and {numberText(items.length - DRAWN)} more</li>}
          </ul>
        </>
      )}
      <Rail>
        <Hosted host={host} hosted={hosted} onChange={setHosted} />
        <FilesOut items={items} onMarked={() => void go('files')} />
        <EarlierReleases releases={releases} />
      </Rail>
    </div>
  );
}
