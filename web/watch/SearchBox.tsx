import { useAsync } from '../ui/index.ts';
import { Search } from 'lucide-react';
import { useState, type FormEvent } from 'react';
import { SHOWN_BY, type SearchResult } from '../../core/engine/index.ts';
import type { Engine } from '../../core/engines/index.ts';
import { fit } from '../../core/titles/index.ts';
import { extrasLine } from '../../core/wording/index.ts';
import { useWorkspaceApi } from '../workspace/index.ts';
import { rankWords, wording } from './wording.ts';

/** Results that come at once. */
const AT_ONCE = 20;

/** A search with the engine, answered in cards of our own. */
export function SearchBox({ host, engine, refreshed }: { readonly host: string; readonly engine: Engine; readonly refreshed: string | undefined }) {
  const { tools } = useWorkspaceApi();
  const [typed, setTyped] = useState(`site:${host}`);
  const [asked, setAsked] = useState<string>();
  /** How many times as many results as come at once are shown. */
  const [times, setTimes] = useState(1);
  const { value, failure } = useAsync(
    () => Promise.all(Array.from({ length: times }, (_, at) => tools.outside.search(asked ?? '', engine.id, at * AT_ONCE))),
    asked === undefined ? undefined : `${asked}\n${engine.id}\n${refreshed ?? ''}\n${times}`,
  );
  const results = value?.flatMap((page) => page.results);
  const total = value?.[0]?.total ?? 0;
  const ask = (text: string): void => {
    setTyped(text);
    setAsked(text);
    setTimes(1);
  };
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    ask(typed.trim());
  };
  return (
    <section className="mt-5" aria-label={wording.search(engine.name)}>
      <form onSubmit={submit} className="field flex items-center gap-2 pl-3.5">
        <Search size={17} className="soft flex-none" aria-hidden />
        <input
          className="!px-0"
          type="search"
          value={typed}
          aria-label={wording.search(engine.name)}
          placeholder={wording.searchPlaceholder}
          onChange={(event) => setTyped(event.target.value)}
        />
        <button type="submit" className="btn btn-primary m-1.5">
          Search
        </button>
      </form>
      {failure !== undefined && <p className="notice notice-bad mt-2">{failure}</p>}
      {results && (
        <div aria-live="polite">
          {results.length === 0 ? (
            <p className="soft mt-2.5">{wording.nothingFound(engine.name)}</p>
          ) : (
            <>
              <p className="soft mt-2.5 text-small" data-testid="result-count">
                {wording.resultCount(total, results.length)}
              </p>
              <ol className="panel mt-1.5" aria-label="Results">
                {results.map((result) => (
                  <li
                    key={result.address}
                    className={`result border-t border-line first:border-t-0 ${new URL(result.address).host === host ? 'shadow-[inset_3px_0_0_var(--color-accent)]' : ''}`}
                    data-result={result.address}
                  >
                    <p className="soft flex gap-2 text-fine">
                      {result.position !== undefined && <span className="font-semibold tabular-nums">{result.position}</span>}
                      <span className="min-w-0 break-all">{result.extras?.trail ? result.extras.trail.join(' › ') : trail(result.address)}</span>
                      {new URL(result.address).host === host && <span className="ml-auto flex-none font-semibold text-amber-ink">yours</span>}
                    </p>
                    <p className={result.bare ? 'mono mt-0.5 break-all' : 'result-title mt-0.5'}>
                      {result.bare ? result.title : fit(result.title, SHOWN_BY[engine.id].title).shown}
                    </p>
                    {result.bare ? (
                      <p className="soft mt-0.5 text-small italic">Only the address is known: robots.txt forbids reading it.</p>
                    ) : (
                      <p className="soft mt-1 text-plain leading-snug">
                        {result.extras && extrasLine(result.extras) !== '' && <strong className="text-base-content">{extrasLine(result.extras)} — </strong>}
                        {marked(result)}
                      </p>
                    )}
                    {result.why && (
                      <details className="mt-1 text-note">
                        <summary className="soft">Why it stands here</summary>
                        <p className="mt-0.5">{rankWords(result.why)}</p>
                      </details>
                    )}
                    {result.more !== undefined && (
                      <button
                        type="button"
                        className="link-act mt-1 text-note"
                        onClick={() => ask(`site:${new URL(result.address).host} ${(asked ?? '').replace(/(?:^|\s)site:\S+/gi, ' ').trim()}`)}
                      >
                        {result.more} more from {new URL(result.address).host}
                      </button>
                    )}
                  </li>
                ))}
              </ol>
              {results.length < total && (
                <button type="button" className="btn btn-outline-ink mt-3" onClick={() => setTimes(times + 1)}>
                  {wording.moreResults(Math.min(AT_ONCE, total - results.length))}
                </button>
              )}
            </>
          )}
        </div>
      )}
    </section>
  );
}

function trail(address: string): string {
  const url = new URL(address);
  return [url.host, ...url.pathname.split('/').filter(Boolean)].join(' › ');
}

function marked({ snippet, marks }: SearchResult) {
  const parts = [];
  let at = 0;
  for (const [start, end] of marks) {
    parts.push(
      snippet.slice(at, start),
      <mark key={start} className="rounded-[3px] bg-amber-soft px-0.5 text-inherit">
        {snippet.slice(start, end)}
      </mark>,
    );
    at = end;
  }
  parts.push(snippet.slice(at));
  return parts;
}
