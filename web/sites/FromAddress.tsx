import { useCallback, useEffect, useRef, useState } from 'react';
import type { CrawlView } from '../../core/exchange/index.ts';
import { messageOf } from '../../core/source/index.ts';
import { bytesText, counted } from '../../core/wording/index.ts';
import type { Bringing } from '../analysis/index.ts';
import { OutsideError } from '../outside/index.ts';
import { useWorkspaceApi } from '../workspace/index.ts';
import { crawling as wording } from './wording.ts';

/** Milliseconds between two looks at how far it has come. */
const BETWEEN = 500;
const LIMITS = [
  { id: 'pages', most: 5000, of: 1, start: 500 },
  { id: 'megabytes', most: 150, of: 1_000_000, start: 60 },
  { id: 'depth', most: 30, of: 1, start: 10 },
  { id: 'minutes', most: 60, of: 60, start: 10 },
] as const;
type LimitId = (typeof LIMITS)[number]['id'];

/** Brings a site in from where it lives: asked for page by page, within limits, stopped and gone on with. `start` is where it is thought to be; `again` where its files are here already. */
export function FromAddress({
  start = '',
  again = false,
  onTake,
}: {
  readonly start?: string;
  readonly again?: boolean;
  readonly onTake: (bringing: Bringing) => void;
}) {
  const { crawl } = useWorkspaceApi().tools.outside;
  const [typed, setTyped] = useState(start);
  const [limits, setLimits] = useState<Readonly<Record<LimitId, number>>>({ pages: 500, megabytes: 60, depth: 10, minutes: 10 });
  const [id, setId] = useState<string>();
  const [view, setView] = useState<CrawlView>();
  const [failure, setFailure] = useState<string>();
  const address = addressFrom(typed);
  const running = view?.state === 'running';
  const here = useRef(true);
  const fail = useCallback((error: unknown): void => {
    const code = error instanceof OutsideError ? error.code : undefined;
    // A server that was started anew knows nothing of it, but remembers what came in; one that is away for a moment is asked again.
    setFailure(code === 'not-found' ? wording.lost : messageOf(error));
    if (code === 'no-server') return setView((before) => before && { ...before });
    setId(undefined);
    setView(undefined);
  }, []);
  useEffect(() => {
    here.current = true;
    return () => {
      here.current = false;
    };
  }, []);
  useEffect(() => {
    if (id === undefined || (view && view.state !== 'running')) return;
    const timer = setTimeout(() => {
      crawl.view(id).then(
        (next) => {
          if (!here.current) return;
          setFailure(undefined);
          setView(next);
        },
        (error: unknown) => here.current && fail(error),
      );
    }, BETWEEN);
    return () => clearTimeout(timer);
  }, [crawl, fail, id, view]);
  const tried = async (run: () => Promise<void>): Promise<void> => {
    setFailure(undefined);
    try {
      await run();
    } catch (error) {
      fail(error);
    }
  };
  const begin = (): Promise<void> =>
    tried(async () => {
      if (address === undefined) return setFailure(wording.noAddress);
      setView(undefined);
      setId(
        (
          await crawl.begin(address, {
            pages: limits.pages,
            bytes: limits.megabytes * 1_000_000,
            depth: limits.depth,
            seconds: limits.minutes * 60,
          })
        ).id,
      );
    });
  const take = (): Promise<void> =>
    tried(async () => {
      if (id === undefined || !view) return;
      const { zip, ...told } = await crawl.files(id);
      onTake({ kind: 'archive', name: view.host, bytes: zip, as: 'address', told });
    });
  return (
    <form
      className="panel mt-4 p-4"
      onSubmit={(event) => {
        event.preventDefault();
        void begin();
      }}
    >
      <label className="block">
        <span className="font-semibold">{wording.label}</span>
        <span className="mt-1 flex flex-wrap gap-2.5">
          <input
            className="input mono min-w-0 flex-1 basis-64"
            autoFocus
            inputMode="url"
            placeholder="https://your-name.example"
            value={typed}
            maxLength={2000}
            disabled={running}
            onChange={(event) => setTyped(event.target.value)}
          />
          <button type="submit" className="btn btn-primary" disabled={running || typed.trim() === ''}>
            {wording.begin}
          </button>
        </span>
      </label>
      <p className="soft mt-2 text-note">
        {wording.note} {wording.token} <span className="mono">JollyBeacon</span>.
      </p>
      <details className="mt-2 text-small">
        <summary className="cursor-pointer">{wording.limits}</summary>
        <div className="mt-2 flex flex-wrap gap-3">
          {LIMITS.map(({ id: limit, most }) => (
            <label key={limit} className="flex items-center gap-2">
              {wording[limit]}
              <input
                type="number"
                className="input input-sm w-24"
                min={limit === 'depth' ? 0 : 1}
                max={most}
                value={limits[limit]}
                disabled={running}
                onChange={(event) =>
                  setLimits({ ...limits, [limit]: Math.min(most, Math.max(limit === 'depth' ? 0 : 1, Math.round(Number(event.target.value) || 0))) })
                }
              />
            </label>
          ))}
        </div>
      </details>
      {failure !== undefined && (
        <p className="notice notice-bad mt-3" role="alert">
          {failure}
        </p>
      )}
      {view && <Progress view={view} />}
      {again && view && view.state !== 'failed' && !running && view.state !== 'done' && <p className="notice notice-amber mt-3">{wording.partial}</p>}
      {view && view.state !== 'failed' && (
        <div className="mt-3 flex flex-wrap gap-2.5">
          {running ? (
            <button type="button" className="btn btn-outline-ink" onClick={() => void tried(async () => setView(await crawl.stop(id ?? '')))}>
              {wording.stop}
            </button>
          ) : (
            <>
              <button type="button" className="btn btn-primary" disabled={view.pages === 0} onClick={() => void take()}>
                {wording.take}
              </button>
              {view.state === 'stopped' && view.reason !== 'pages' && view.reason !== 'bytes' && (
                <button type="button" className="btn btn-outline-ink" onClick={() => void tried(async () => setView(await crawl.goOn(id ?? '')))}>
                  {wording.goOn}
                </button>
              )}
            </>
          )}
        </div>
      )}
    </form>
  );
}

/** How far it has come, and what was left out and why. */
function Progress({ view }: { readonly view: CrawlView }) {
  const told = [
    ...(view.unchanged > 0 ? [wording.unchanged(view.unchanged)] : []),
    ...(view.forbidden > 0 ? [wording.forbidden(view.forbidden)] : []),
    ...(view.scripted > 0 ? [wording.scripted(view.scripted)] : []),
    ...(view.left > 0 ? [wording.left(view.left)] : []),
  ];
  const good = view.state === 'done' || view.state === 'running';
  return (
    <div className={`notice mt-3 ${view.state === 'failed' ? 'notice-bad' : good ? '' : 'notice-amber'}`} role="status" data-testid="crawl">
      <p className="font-semibold">{view.reason ? wording.reasons[view.reason] : wording.state[view.state]}</p>
      {view.state !== 'failed' && (
        <p className="tabular-nums">
          {counted(view.pages, 'page')}, {counted(view.files, 'file')}, {bytesText(view.bytes)}
          {view.state === 'running' && ` · ${view.waiting} waiting`}
        </p>
      )}
      {view.state === 'running' && view.latest[0] && <p className="mono soft truncate text-tiny">{view.latest[0]}</p>}
      {told.length > 0 && (
        <ul className="mt-1 list-disc pl-5 text-small">
          {told.map((one) => (
            <li key={one}>{one}</li>
          ))}
        </ul>
      )}
      {view.examples.length > 0 && (
        <details className="mt-1 text-small">
          <summary className="cursor-pointer">{wording.troubles(view.troubles)}</summary>
          <ul className="mt-1">
            {view.examples.map(({ address, what }) => (
              <li key={address} className="mono text-tiny break-all">
                {what} {address}
              </li>
            ))}
          </ul>
        </details>
      )}
    </div>
  );
}

/** A whole address out of what was typed; undefined where it is none. */
function addressFrom(typed: string): string | undefined {
  const text = typed.trim();
  const whole = /^https?:\/\//i.test(text) ? text : `https://${text}`;
  return URL.canParse(whole) && new URL(whole).hostname.includes('.') ? new URL(whole).href : undefined;
}
