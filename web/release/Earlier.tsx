import { Archive, RotateCcw } from 'lucide-react';
import { useState } from 'react';
import { fieldChanges, itemKey, type ReleaseItem } from '../../core/release/index.ts';
import { messageOf, type FilePath } from '../../core/source/index.ts';
import { bytesText, counted, editWords } from '../../core/wording/index.ts';
import { onProgress } from '../analysis/index.ts';
import { Busy, download, Empty, More, note, useMore } from '../ui/index.ts';
import { nextNumber, release, useReport, useWorkspace, useWorkspaceApi } from '../workspace/index.ts';
import { Diff } from './Diff.tsx';
import { DropQuestion, KeptFiles } from './KeptFiles.tsx';
import { ReleaseLine } from './ReleaseLine.tsx';
import { wording } from './wording.ts';

type Ref = number | 'now';

/** All releases: any two side by side, page by page and line by line; one out again; one as a ZIP. */
export function Earlier() {
  const workspace = useWorkspaceApi();
  const releases = useWorkspace((state) => state.document.tables.releases);
  const site = useWorkspace((state) => state.site?.name ?? 'site');
  const [drops, setDrops] = useState(0);
  const found = useReport((one) => one.tools.analysis.kept(one.state.document), `${Object.keys(releases).join()} ${drops}`);
  const kept = found?.releases.map(({ number }) => number);
  const [busy, setBusy] = useState<{ what: string; done: number; of: number }>();
  const [asking, setAsking] = useState<{ readonly number: number; readonly what: 'again' | 'drop' }>();
  const [picked, setPicked] = useState<{ readonly from: Ref; readonly to: Ref }>();
  const numbers = [...new Set([...Object.keys(releases).map(Number), ...(kept ?? [])])].sort((a, b) => b - a);
  if (!found || !kept) return <Busy what="Looking for what is kept" done={0} of={1} />;
  if (numbers.length === 0) return <Empty title={wording.noneYet}>{wording.noneYetWhy}</Empty>;
  const there = numbers.filter((number) => kept.includes(number));
  const pair = picked ?? { from: there[1] ?? there[0] ?? 0, to: there.length > 1 ? (there[0] as number) : 'now' };
  const working = async (what: string, run: () => Promise<void>): Promise<void> => {
    setBusy({ what, done: 0, of: 1 });
    try {
      await run();
    } catch (error) {
      note(messageOf(error), {}, 'bad');
    } finally {
      setBusy(undefined);
    }
  };
  const goBack = (number: number): Promise<void> =>
    working('Putting it out again', async () => {
      setAsking(undefined);
      const done = await release(workspace, 'host', { from: number }, (_, count, of) => setBusy((now) => now && { ...now, done: count, of }));
      note(`Release ${done.number} is live: release ${number} once more.`, {}, 'good');
    });
  const zip = (number: number): Promise<void> =>
    working('Packing', async () => {
      const blob = await workspace.tools.analysis.releaseZip(
        number,
        onProgress((done, of) => setBusy((now) => now && { ...now, done, of })),
      );
      download(blob, `${site.replace(/[^\p{L}\p{N}]+/gu, '-').toLowerCase()}-release-${number}.zip`);
    });
  const dropRelease = (number: number): Promise<void> =>
    working('Dropping it', async () => {
      setAsking(undefined);
      await workspace.tools.analysis.forgetRelease(number);
      setDrops(drops + 1);
    });
  const dropVersion = (number: number): Promise<void> =>
    working('Dropping it', async () => {
      const bytes = found.versions.find((one) => one.number === number)?.bytes ?? 0;
      if (await workspace.tools.analysis.forgetVersion(workspace.state.document, number)) note(wording.dropped(bytesText(bytes)), {}, 'good');
      setDrops(drops + 1);
    });
  const ask = (number: number, what: 'again' | 'drop'): void => setAsking(asking?.number === number && asking.what === what ? undefined : { number, what });
  return (
    <div className="mx-auto max-w-column">
      <h1>{wording.earlierTitle}</h1>
      <p className="soft mt-1 mb-4 max-w-prose">{wording.earlierLead}</p>
      {busy && (
        <div className="mb-3">
          <Busy {...busy} />
        </div>
      )}
      <ol className="panel overflow-hidden" aria-label={wording.earlierTitle}>
        {numbers.map((number) => (
          <li key={number} className="border-t border-line px-4 py-2.5 first:border-t-0" data-release={number}>
            <div className="flex flex-wrap items-start gap-x-3 gap-y-2">
              <div className="min-w-0 flex-1 basis-60">
                <ReleaseLine
                  number={String(number)}
                  record={releases[String(number)] ?? { to: 'brought-in' }}
                  bytes={found.releases.find((one) => one.number === number)?.bytes}
                />
              </div>
              {kept.includes(number) ? (
                <span className="flex flex-wrap gap-2">
                  <button
                    type="button"
                    className="btn btn-sm btn-ghost gap-1.5"
                    disabled={busy !== undefined}
                    onClick={() => void zip(number)}
                    aria-label={`ZIP of release ${number}`}
                  >
                    <Archive size={15} aria-hidden /> {wording.asZip}
                  </button>
                  {number !== numbers[0] && (
                    <button
                      type="button"
                      className="btn btn-sm btn-ghost gap-1.5"
                      disabled={busy !== undefined}
                      aria-expanded={asking?.number === number && asking.what === 'again'}
                      aria-label={`Put release ${number} out again`}
                      onClick={() => ask(number, 'again')}
                    >
                      <RotateCcw size={15} aria-hidden /> {wording.goBack}
                    </button>
                  )}
                  {number !== numbers[0] && (
                    <button
                      type="button"
                      className="btn btn-sm btn-ghost"
                      disabled={busy !== undefined}
                      aria-expanded={asking?.number === number && asking.what === 'drop'}
                      aria-label={`${wording.drop} release ${number}`}
                      onClick={() => ask(number, 'drop')}
                    >
                      {wording.drop}
                    </button>
                  )}
                </span>
              ) : (
                <span className="soft text-note">{wording.notKept}</span>
              )}
            </div>
            {asking?.number === number && asking.what === 'drop' && (
              <DropQuestion why={wording.dropReleaseWhy} onDrop={() => void dropRelease(number)} onLeave={() => setAsking(undefined)} />
            )}
            {asking?.number === number && asking.what === 'again' && (
              <div className="notice notice-amber mt-2 flex flex-wrap items-center gap-x-4 gap-y-2">
                <p className="min-w-0 flex-1 basis-64 text-small">{wording.goBackWhy(number, nextNumber(workspace, undefined))}</p>
                <button type="button" className="btn btn-sm btn-primary" onClick={() => void goBack(number)}>
                  {wording.goBack}
                </button>
                <button type="button" className="btn btn-sm btn-outline-ink" onClick={() => setAsking(undefined)}>
                  Leave it
                </button>
              </div>
            )}
          </li>
        ))}
      </ol>
      <KeptFiles versions={found.versions} busy={busy !== undefined} onDrop={(number) => void dropVersion(number)} />
      {there.length > 0 && (
        <section className="mt-6" aria-labelledby="compare">
          <h2 id="compare">Compare</h2>
          <div className="mt-2 mb-3 flex flex-wrap items-center gap-2.5">
            <Pick label={wording.compareFrom} value={pair.from} numbers={there} onChange={(from) => setPicked({ ...pair, from })} />
            <Pick label={wording.compareTo} value={pair.to} numbers={there} onChange={(to) => setPicked({ ...pair, to })} />
          </div>
          <Compared key={`${pair.from} ${pair.to}`} from={pair.from} to={pair.to} />
        </section>
      )}
    </div>
  );
}

function Pick({
  label,
  value,
  numbers,
  onChange,
}: {
  readonly label: string;
  readonly value: Ref;
  readonly numbers: readonly number[];
  readonly onChange: (ref: Ref) => void;
}) {
  return (
    <label className="flex items-center gap-2">
      {label}
      <select
        aria-label={label}
        className="select select-sm"
        value={String(value)}
        onChange={(event) => onChange(event.target.value === 'now' ? 'now' : Number(event.target.value))}
      >
        <option value="now">{wording.now}</option>
        {numbers.map((number) => (
          <option key={number} value={number}>
            release {number}
          </option>
        ))}
      </select>
    </label>
  );
}

function Compared({ from, to }: { readonly from: Ref; readonly to: Ref }) {
  const compared = useReport(async (one) => ({ items: (await one.tools.analysis.compareReleases(from, to)) ?? [] }), `${from} ${to}`);
  const { drawn, more } = useMore(`${from} ${to}`);
  if (!compared) return <Busy what="Comparing" done={0} of={1} />;
  const { items } = compared;
  if (items.length === 0) return <p className="soft">{wording.noDifference}</p>;
  return (
    <>
      <p className="soft mb-2">{counted(items.length, 'file differs', 'files differ')}.</p>
      <ul className="panel overflow-hidden" aria-label="What differs">
        {items.slice(0, drawn).map((item) => (
          <ComparedItem key={itemKey(item)} item={item} from={from} to={to} />
        ))}
      </ul>
      <More drawn={drawn} total={items.length} onMore={more} />
    </>
  );
}

function ComparedItem({ item, from, to }: { readonly item: ReleaseItem; readonly from: Ref; readonly to: Ref }) {
  const [open, setOpen] = useState(false);
  const name = useWorkspace((state) => state.byId.get(item.path)?.name);
  return (
    <li className="border-t border-line first:border-t-0" data-compared={item.path}>
      <button
        type="button"
        className="block w-full cursor-pointer px-4 py-2.5 text-left"
        aria-expanded={open}
        disabled={item.hosting === true}
        onClick={() => setOpen(!open)}
      >
        <span className="font-semibold">{item.hosting ? (item.path === 'visitors' ? wording.visitors : wording.headers) : (name ?? item.path)}</span>{' '}
        <span className="soft text-note">{item.what}</span>
        {item.source && <span className="soft ml-1.5 text-note">{wording.otherFile}</span>}
        {fieldChanges(item.edits, item.before).map(({ key, now, before }) => {
          const words = now ? editWords(now) : before ? { field: editWords(before).field, value: wording.asThePage } : undefined;
          return (
            words && (
              <span key={key} className="block text-small break-words">
                <span className="soft">{words.field}:</span> <span dir="auto">{words.value}</span>
              </span>
            )
          );
        })}
      </button>
      {open && <BetweenDiff path={item.path} own={item.own} from={from} to={to} />}
    </li>
  );
}

function BetweenDiff({ path, own, from, to }: { readonly path: FilePath; readonly own: boolean; readonly from: Ref; readonly to: Ref }) {
  const compared = useReport(async (one) => ({ hunks: await one.tools.analysis.diffBetween(path, own, from, to) }), `${path} ${own} ${from} ${to}`);
  return <Diff path={path} compared={compared} />;
}
