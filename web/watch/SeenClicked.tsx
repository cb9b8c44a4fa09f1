import { useMemo, useState } from 'react';
import Papa from 'papaparse';
import { pathAndQuery } from '../../core/source/index.ts';
import { numberText, shortDate } from '../../core/wording/index.ts';
import { PageName } from '../components/index.ts';
import { byText, Chart, DataTable, download, Empty, Segments, useAsync, type Column } from '../ui/index.ts';
import { useWorkspaceApi } from '../workspace/index.ts';
import { useRowOf } from './addresses.ts';
import { useWatching } from './engines.tsx';
import { compareSpans, daysUntil, type Compared } from './spans.ts';
import { ToRehearsal, WatchPage } from './WatchPage.tsx';
import { wording } from './wording.ts';

type By = 'query' | 'page' | 'day';
const SPANS = [7, 28, 90] as const;

/** What invented searchers saw of the site and pressed, by query, page and day, beside the span before. */
export function SeenClicked() {
  const { tools } = useWorkspaceApi();
  const { engine, host, site, now } = useWatching();
  const rowOf = useRowOf();
  const [by, setBy] = useState<By>('query');
  const [length, setLength] = useState<number>(28);
  const [onlyUnclicked, setOnlyUnclicked] = useState(false);
  const { value, failure } = useAsync(() => tools.outside.seen(host, engine.id), `${host} ${engine.id} ${site?.days[0]?.at ?? ''}`);
  const sums = useMemo(() => (value ? compareSpans(value, length, ({ query, address, day }) => ({ query, page: address, day })[by]) : []), [value, length, by]);
  const perDay = useMemo(() => {
    if (!value) return [];
    const days = daysUntil(value.until, length);
    const sums = new Map(compareSpans(value, length, ({ day }) => day).map((sum) => [sum.key, sum]));
    return days.map((day) => ({ day, seen: sums.get(day)?.seen ?? 0, clicks: sums.get(day)?.clicks ?? 0 }));
  }, [value, length]);
  const total = perDay.reduce((sum, { seen, clicks }) => ({ seen: sum.seen + seen, clicks: sum.clicks + clicks }), { seen: 0, clicks: 0 });
  const shown = (by === 'day' ? sums.filter(({ seen }) => seen > 0).sort((a, b) => (a.key < b.key ? 1 : -1)) : sums).filter(
    ({ seen, clicks }) => !onlyUnclicked || (seen > 0 && clicks === 0),
  );
  const unclicked = sums.filter(({ seen, clicks }) => seen > 0 && clicks === 0).length;
  const columns: readonly Column<Compared>[] = [
    {
      id: 'key',
      name: { query: 'Query', page: 'Page', day: 'Day' }[by],
      className: 'min-w-44',
      compare: byText(({ key }) => key),
      cell: ({ key }) => {
        if (by === 'day') return shortDate(key);
        if (by === 'query') return <bdi>{key}</bdi>;
        const path = pathAndQuery(new URL(key));
        const row = rowOf(key);
        return (
          <>
            {row && <PageName row={row} />}
            <span className="mono soft block break-all text-tiny">{path}</span>
          </>
        );
      },
    },
    {
      id: 'clicks',
      name: 'Clicks',
      className: 'num',
      compare: (a, b) => a.clicks - b.clicks,
      cell: ({ clicks, before }) => <Beside now={clicks} before={before?.clicks} />,
    },
    { id: 'seen', name: 'Seen', className: 'num', compare: (a, b) => a.seen - b.seen, cell: ({ seen, before }) => <Beside now={seen} before={before?.seen} /> },
    {
      id: 'share',
      name: 'Share',
      className: 'num',
      compare: (a, b) => a.clicks / (a.seen || 1) - b.clicks / (b.seen || 1),
      cell: ({ seen, clicks }) => (seen === 0 ? '' : `${Math.round((100 * clicks) / seen)} %`),
    },
    {
      id: 'position',
      name: 'Place',
      className: 'num',
      compare: (a, b) => a.position - b.position,
      cell: ({ position, seen }) => (seen === 0 ? '' : position.toFixed(1)),
    },
  ];
  const csv = (): void => {
    const told = shown.map(({ key, clicks, seen, position, before }) => ({
      [by]: key,
      clicks,
      seen,
      place: position.toFixed(1),
      'clicks before': before?.clicks ?? 0,
      'seen before': before?.seen ?? 0,
    }));
    download(new Blob(['\ufeff', Papa.unparse(told, { escapeFormulae: true })], { type: 'text/csv' }), `${engine.id}-${by}-${value?.until ?? ''}.csv`);
  };
  return (
    <WatchPage title={wording.seen} lead={wording.seenLead} wide>
      {failure !== undefined && <p className="notice notice-bad mt-3">{failure}</p>}
      {value &&
        (value.rows.length === 0 ? (
          <Empty title="Nobody has seen it yet" action={(site?.records ?? []).some(({ outcome }) => outcome === 'listed') ? undefined : <ToRehearsal />}>
            {(site?.records ?? []).some(({ outcome }) => outcome === 'listed')
              ? `Pages are listed; what happens today is told in two days. It is ${now ? shortDate(now) : 'today'}.`
              : 'First something has to be listed. Move the clock on.'}
          </Empty>
        ) : (
          <>
            <section className="panel mt-4 px-4 pt-3 pb-1" aria-label="By day">
              <p className="text-plain">
                <strong>{numberText(total.clicks)}</strong> clicks of <strong>{numberText(total.seen)}</strong> times seen, until {shortDate(value.until)}. A
                rehearsal: nobody stands behind it.
              </p>
              <Chart
                kind="lines"
                height={170}
                label={`Seen and clicked on each of ${length} days; in all ${total.seen} and ${total.clicks}.`}
                days={perDay.map(({ day }) => shortDate(day))}
                series={[
                  { name: 'seen', colour: '--soft', values: perDay.map(({ seen }) => seen) },
                  { name: 'clicked', colour: '--color-accent', values: perDay.map(({ clicks }) => clicks) },
                ]}
              />
            </section>
            <div className="mt-4 flex flex-wrap items-center gap-2">
              <Segments<By>
                label="Added up by"
                value={by}
                onChange={setBy}
                options={[
                  { value: 'query', label: 'By query' },
                  { value: 'page', label: 'By page' },
                  { value: 'day', label: 'By day' },
                ]}
              />
              <Segments
                label="Over"
                value={String(length)}
                onChange={(value) => setLength(Number(value))}
                options={SPANS.map((days) => ({ value: String(days), label: `${days} days` }))}
              />
              {by !== 'day' && unclicked > 0 && (
                <button type="button" className="chip" aria-pressed={onlyUnclicked} onClick={() => setOnlyUnclicked(!onlyUnclicked)}>
                  Seen and not clicked <span className="tabular-nums">{unclicked}</span>
                </button>
              )}
              <button type="button" className="btn btn-sm btn-outline-ink ml-auto" onClick={csv}>
                As a table (CSV)
              </button>
            </div>
            <p className="soft mt-2 text-note">
              Small numbers stand for the {length} days before.{' '}
              {onlyUnclicked && 'Titles and descriptions that do not answer the query are passed over: see the stop Words.'}
            </p>
            <div className="mt-2">
              <DataTable
                rows={shown}
                list={`${by} ${length} ${onlyUnclicked}`}
                keyOf={({ key }) => key}
                columns={columns}
                label={`Seen and clicked by ${by}`}
              />
            </div>
          </>
        ))}
    </WatchPage>
  );
}

/** A number, and what it was over the span before. */
function Beside({ now, before }: { readonly now: number; readonly before: number | undefined }) {
  return (
    <>
      {numberText(now)}
      {before !== undefined && (
        <span className="soft ml-1.5 text-tiny">
          <span className="sr-only">before: </span>
          {numberText(before)}
        </span>
      )}
    </>
  );
}
