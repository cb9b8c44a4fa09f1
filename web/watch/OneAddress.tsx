import { useState, type FormEvent } from 'react';
import { useSearchParams } from 'react-router';
import { SHOWN_BY, snippetFor } from '../../core/engine/index.ts';
import { SKERRY, type Engine } from '../../core/engines/index.ts';
import type { AddressAnswer, PageResource } from '../../core/exchange/index.ts';
import { fit } from '../../core/titles/index.ts';
import { bytesText, counted, fullDate, gateWords, numberText } from '../../core/wording/index.ts';
import { LiveLook, useRoute } from '../components/index.ts';
import { Copyable, Empty, note, useAsync } from '../ui/index.ts';
import { useWorkspace, useWorkspaceApi } from '../workspace/index.ts';
import { wholeAddress } from './addresses.ts';
import { useWatching } from './engines.tsx';
import { WatchPage } from './WatchPage.tsx';
import { OUTCOMES, wording } from './wording.ts';

const RESOURCE_WORDS: Readonly<Record<PageResource['what'], string>> = {
  there: 'fetched',
  forbidden: 'robots.txt forbids it',
  status: 'answers',
  'no-answer': 'no answer',
  elsewhere: 'on another host, not asked',
};
const KIND_WORDS: Readonly<Record<PageResource['kind'], string>> = { style: 'Style sheet', script: 'Script', picture: 'Picture', frame: 'Frame' };

/** One address closely: what the crawler got, what it took from that, what it could not fetch, and how it is right now. */
export function OneAddress() {
  const { tools } = useWorkspaceApi();
  const { engine, origin, site, host, under, during } = useWatching();
  const { page } = useRoute();
  const current = useWorkspace((state) => (page === undefined ? undefined : state.byId.get(page)));
  const [query, setQuery] = useSearchParams();
  const asked = query.get('address') ?? (current ? origin + current.address : `${origin}/`);
  const [typed, setTyped] = useState<string>();
  const { value, failure } = useAsync(() => tools.outside.closely(asked, engine.id), `${engine.id} ${asked} ${site?.days[0]?.at ?? ''}`, { fresh: true });
  const place = site?.queue.findIndex(({ address }) => address === asked) ?? -1;
  const submit = (event: FormEvent): void => {
    event.preventDefault();
    const whole = wholeAddress(typed ?? asked, origin);
    if (whole === undefined) return note('This is no address.', {}, 'bad');
    setTyped(undefined);
    setQuery((before) => {
      const next = new URLSearchParams(before);
      next.set('address', new URL(whole).href);
      return next;
    });
  };
  const askVisit = async (): Promise<void> => {
    await during('Asking', () => tools.outside.visitSoon(host, [asked], engine.id));
  };
  return (
    <WatchPage title="One address, closely">
      <form onSubmit={submit} className="field mt-4 flex items-center gap-2 pl-3.5">
        <input
          className="mono !px-0"
          aria-label="Address to look at"
          value={typed ?? asked}
          onChange={(event) => setTyped(event.target.value)}
          spellCheck={false}
        />
        <button type="submit" className="btn btn-primary m-1.5">
          Look
        </button>
      </form>
      {failure !== undefined && <p className="notice notice-bad mt-3">{failure}</p>}
      {value && !value.record && (
        <Empty title={`${engine.name} does not know this address`}>No map names it, and no page it has read links to it. Ask for a visit, or link to it.</Empty>
      )}
      {value?.record && <Known answer={value} record={value.record} engine={engine} />}
      {value && (
        <div className="mt-4 flex flex-wrap items-center gap-3">
          <button type="button" className="btn btn-outline-ink" disabled={under !== undefined || place >= 0} onClick={() => void askVisit()}>
            Ask {engine.name} for a fresh visit
          </button>
          <span className="soft text-note">
            {place >= 0
              ? `In line, place ${place + 1}. ${engine.name} takes ${engine.freshVisits} such a day; move the clock on.`
              : `${counted(engine.freshVisits, 'such visit')} a day; ${site?.queue.length ?? 0} in line.`}
          </span>
        </div>
      )}
      <LiveLook key={`${asked} ${engine.id}`} address={asked} crawler={engine.crawler ?? SKERRY.crawler} way={undefined} />
    </WatchPage>
  );
}

function Known({ answer, record, engine }: { readonly answer: AddressAnswer; readonly record: NonNullable<AddressAnswer['record']>; readonly engine: Engine }) {
  const { evidence, means } = gateWords(record.reason);
  const got = record.got;
  const trouble = answer.resources.filter(({ what }) => what !== 'there' && what !== 'elsewhere');
  return (
    <>
      <section className="panel mt-4 px-4 py-3" data-testid="closely">
        <p className="font-semibold">
          {OUTCOMES[record.outcome]}
          <span className="soft font-normal">: {evidence}</span>
        </p>
        <p className="soft text-small">{means}</p>
        <dl className="mt-3 grid gap-x-4.5 text-small min-[481px]:grid-cols-[max-content_1fr] min-[481px]:gap-y-1 [&_dd]:max-[480px]:mb-1.5 [&_dt]:text-faint">
          <dt>Last visit</dt>
          <dd>{record.visitedAt ? `${fullDate(record.visitedAt)}, ${record.visitedAt.slice(11, 16)}` : 'never'}</dd>
          <dt>Found</dt>
          <dd>
            {{ home: 'as the home page', sitemap: 'in a map', link: 'by a link' }[record.foundBy]}, {fullDate(record.foundAt)}
          </dd>
          <dt>Links to it</dt>
          <dd>
            {record.linkedFrom.length === 0 ? 'none known' : counted(record.linkedFrom.length, 'page')}
            {record.linkedFrom.length > 0 && (
              <span className="mono soft block break-all text-tiny whitespace-pre-line">{record.linkedFrom.slice(0, 4).join('\n')}</span>
            )}
          </dd>
          <dt>Main address</dt>
          <dd className="break-all">{record.canonical ? `it names ${record.canonical}` : 'itself'}</dd>
        </dl>
      </section>
      {record.outcome === 'listed' && (
        <section className="mt-5" aria-labelledby="would-show">
          <h2 id="would-show">What {engine.name} would show</h2>
          <div className="panel result mt-2">
            <p className="soft break-all text-fine">{record.address}</p>
            <p className="result-title mt-0.5">{fit(record.title || record.headings[0] || record.address, SHOWN_BY[engine.id].title).shown}</p>
            <p className="soft mt-1 text-plain leading-snug">
              {snippetFor(record, [], SHOWN_BY[engine.id].description) || <span className="italic">{wording.noSnippet}</span>}
            </p>
          </div>
        </section>
      )}
      <section className="mt-5" aria-labelledby="got">
        <h2 id="got">What the crawler got</h2>
        {got ? (
          <>
            <p className="soft mt-1 text-small">
              {bytesText(got.bytes)} in {numberText(got.milliseconds)} ms, on this machine.
            </p>
            <pre className="panel code-block mt-2 max-h-56 overflow-auto" tabIndex={0} aria-label="Status and headers">
              {[
                ...got.hops.map(({ address, status }) => `${status} ${address}`),
                '',
                ...Object.entries(got.headers).flatMap(([name, values]) => values.map((value) => `${name}: ${value}`)),
              ].join('\n')}
            </pre>
          </>
        ) : (
          <p className="soft mt-1 text-small">{record.visitedAt ? 'Nothing: it was not fetched, or did not answer.' : 'Nothing yet.'}</p>
        )}
        {answer.html !== undefined && (
          <details className="panel mt-2 px-4 py-2 text-small">
            <summary className="font-semibold">The source it got</summary>
            <div className="flex justify-end">
              <Copyable text={answer.html} />
            </div>
            <pre className="code-block max-h-96 overflow-auto" tabIndex={0} aria-label="Source">
              {answer.html}
            </pre>
          </details>
        )}
        {record.text !== '' && (
          <details className="panel mt-2 px-4 py-2 text-small">
            <summary className="font-semibold">The text it took from it</summary>
            <p className="mt-1.5 max-h-80 overflow-auto leading-relaxed [overflow-wrap:anywhere]" tabIndex={0}>
              {record.text}
            </p>
          </details>
        )}
      </section>
      {answer.resources.length > 0 && (
        <section className="mt-5" aria-labelledby="resources">
          <h2 id="resources">Files it needs to show the page</h2>
          <p className={`mt-1 text-small ${trouble.length > 0 ? 'text-error' : 'soft'}`}>
            {trouble.length === 0 ? `All ${answer.resources.length} that it asked for came.` : `${counted(trouble.length, 'file')} it could not fetch.`}
          </p>
          <ul className="panel mt-2 text-note">
            {[...trouble, ...answer.resources.filter((one) => !trouble.includes(one))].map((one) => (
              <li key={one.address} className="flex flex-wrap gap-x-3 border-t border-line px-4 py-1.5 first:border-t-0">
                <span className="w-24 flex-none">{KIND_WORDS[one.kind]}</span>
                <span className="mono min-w-0 flex-1 break-all text-tiny">{one.address}</span>
                <span className={trouble.includes(one) ? 'font-semibold text-error' : 'soft'}>
                  {RESOURCE_WORDS[one.what]}
                  {one.what === 'status' && ` ${one.status ?? ''}`}
                  {one.bytes !== undefined && `, ${bytesText(one.bytes)}`}
                </span>
              </li>
            ))}
          </ul>
        </section>
      )}
    </>
  );
}
