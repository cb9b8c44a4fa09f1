import { useState } from 'react';
import { isPartial } from '../../core/exchange/index.ts';
import type { Bringing } from '../analysis/index.ts';
import { CrawlProgress } from './CrawlProgress.tsx';
import { useCrawl } from './crawl.ts';
import { crawling as wording } from './crawl-wording.ts';

const LIMITS = [
  { id: 'pages', most: 5000, of: 1, start: 500 },
  { id: 'megabytes', most: 150, of: 1_000_000, start: 60 },
  { id: 'depth', most: 30, of: 1, start: 10 },
  { id: 'minutes', most: 60, of: 60, start: 10 },
] as const;
type LimitId = (typeof LIMITS)[number]['id'];

/** Brings a site in from where it lives: asked for page by page, within limits, stopped and gone on with. `start` is where it is thought to be; `again` where its files are here already. */
export function FromAddress({
  of,
  start = '',
  again = false,
  onTake,
}: {
  /** The site whose files come anew; empty for a new one. */
  readonly of: string;
  readonly start?: string;
  readonly again?: boolean;
  readonly onTake: (bringing: Bringing) => void;
}) {
  const [typed, setTyped] = useState(start);
  const [limits, setLimits] = useState<Readonly<Record<LimitId, number>>>({ pages: 500, megabytes: 60, depth: 10, minutes: 10 });
  const address = addressFrom(typed);
  const { id, view, failure, crawl, tried, watch, setView, setFailure } = useCrawl(of);
  const running = view?.state === 'running';
  const begin = (): Promise<void> =>
    tried(async () => {
      if (address === undefined) {
        // How another address fared is no answer to this one; what came in stays.
        if (view?.state === 'failed') watch(undefined);
        return setFailure(wording.noAddress);
      }
      watch(
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
      watch(undefined);
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
              <LimitField
                least={limit === 'depth' ? 0 : 1}
                most={most}
                value={limits[limit]}
                disabled={running}
                onValue={(value) => setLimits({ ...limits, [limit]: value })}
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
      {view && <CrawlProgress view={view} />}
      {again && view && view.state !== 'failed' && !running && isPartial(view) && <p className="notice notice-amber mt-3">{wording.partial}</p>}
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
              {view.state === 'stopped' && (
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

/** A number within bounds. What is typed stays as it is until the field is left: it can be emptied and written anew. */
function LimitField({
  least,
  most,
  value,
  disabled,
  onValue,
}: {
  readonly least: number;
  readonly most: number;
  readonly value: number;
  readonly disabled: boolean;
  readonly onValue: (value: number) => void;
}) {
  const [typed, setTyped] = useState<string>();
  const take = (text: string): void => {
    const number = Math.round(Number(text));
    if (text.trim() !== '' && Number.isFinite(number)) onValue(Math.min(most, Math.max(least, number)));
  };
  return (
    <input
      type="number"
      className="input input-sm w-24"
      min={least}
      max={most}
      value={typed ?? value}
      disabled={disabled}
      onChange={(event) => {
        setTyped(event.target.value);
        take(event.target.value);
      }}
      onBlur={() => setTyped(undefined)}
    />
  );
}

/** A whole address out of what was typed; undefined where it is none. */
function addressFrom(typed: string): string | undefined {
  const text = typed.trim();
  const whole = /^https?:\/\//i.test(text) ? text : `https://${text}`;
  // What is no public address is for the server to refuse, with its reason.
  return URL.canParse(whole) && /[.:]|^localhost$/.test(new URL(whole).hostname) ? new URL(whole).href : undefined;
}
