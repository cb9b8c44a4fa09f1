import { useMemo } from 'react';
import { Link } from 'react-router';
import { evenings, type Outcome } from '../../core/engine/index.ts';
import type { EngineSite } from '../../core/exchange/index.ts';
import { pathAndQuery } from '../../core/source/index.ts';
import { counted, fullDate, numberText, shortDate, storyOf, type StoryEntry } from '../../core/wording/index.ts';
import { useRoute } from '../components/index.ts';
import { Chart } from '../ui/index.ts';
import { useTables, useWorkspace } from '../workspace/index.ts';
import { useRowOf } from './addresses.ts';
import { useWatching } from './engines.tsx';
import { Launch } from './Launch.tsx';
import { WatchPage } from './WatchPage.tsx';
import { wording } from './wording.ts';

const CLASSES = ['as meant', 'though meant to be out', 'not listed, though wanted', 'found, not visited yet'] as const;
type Class = (typeof CLASSES)[number];
const COLOURS = {
  'as meant': '--color-accent',
  'though meant to be out': '--brick',
  'not listed, though wanted': '--plum',
  'found, not visited yet': '--line',
} as const;
const DOTS: Readonly<Record<StoryEntry['tone'], string>> = { good: 'bg-success', bad: 'bg-error', first: 'bg-accent', plain: 'bg-base-content' };
const SHOWN_DAYS = 28;
const NO_DAYS: EngineSite['days'] = [];

/** A day, its sign on a line that runs through all of them, and what happened. */
const ENTRY =
  "relative grid grid-cols-[48px_14px_1fr] gap-x-2.25 pb-3.5 before:absolute before:top-4.5 before:-bottom-1 before:left-15.75 before:w-0.5 before:bg-line before:content-[''] last:before:hidden min-[481px]:grid-cols-[64px_14px_1fr] min-[481px]:gap-x-3 min-[481px]:before:left-20.5";

/** What an engine made of the site, day by day: a chart of what is listed, and the story. */
export function Rehearsal() {
  const { engine, site, host } = useWatching();
  const document = useTables('releases');
  const rows = useWorkspace((state) => state.rows);
  const { linkToView } = useRoute();
  const rowOf = useRowOf();
  const { releases: table } = document.tables;
  const releases = useMemo(
    () =>
      Object.entries(table).flatMap(([number, { at, pages, note, to }]) =>
        at && to !== 'brought-in' ? [{ number, at, pages: pages ?? 0, note: note ?? undefined }] : [],
      ),
    [table],
  );
  const days = site?.days ?? NO_DAYS;
  const story = useMemo(
    () =>
      storyOf(days, site?.log ?? [], {
        engine,
        nameOf: (address) => rowOf(address)?.name ?? pathAndQuery(new URL(address)),
        intentOf: (address) => rowOf(address)?.intent,
        releases,
      }).reverse(),
    [days, site, engine, rowOf, releases],
  );
  const chart = useMemo(() => {
    const classOf = (address: string, outcome: Outcome): Class | undefined => {
      const intent = rowOf(address)?.intent;
      if (outcome === 'waiting') return 'found, not visited yet';
      if (outcome === 'not-listed') return intent === 'list' ? 'not listed, though wanted' : undefined;
      return intent === 'out' ? 'though meant to be out' : 'as meant';
    };
    return evenings(site?.records ?? [], days, CLASSES, classOf).slice(-SHOWN_DAYS);
  }, [days, site, rowOf]);
  const last = chart.at(-1);
  const shown = CLASSES.filter((name) => name === 'as meant' || chart.some(({ counts }) => counts[name] > 0));
  const latest = Math.max(0, ...releases.map(({ number }) => Number(number)));
  return (
    <WatchPage
      title={wording.rehearsed(days.length)}
      lead={wording.rehearsedLead(engine.name, latest === 0 ? undefined : latest)}
      rail={
        last && (
          <section className="mt-6" aria-labelledby="in-the-end">
            <h2 id="in-the-end" className="flex items-baseline justify-between">
              In the end <span className="soft text-note font-normal">day {days.length}</span>
            </h2>
            <ul className="mt-1.5 border-t border-line pt-2 text-plain leading-relaxed">
              <li>
                <strong>{numberText(last.counts['as meant'])}</strong> listed, as you want it
              </li>
              <li>
                <strong>{numberText(keptOut(rows, site?.records ?? [], rowOf))}</strong> kept out, as you want it
              </li>
              <li>
                <strong>{numberText(last.counts['though meant to be out'] + last.counts['not listed, though wanted'])}</strong> otherwise than you want it
              </li>
              {last.counts['found, not visited yet'] > 0 && (
                <li>
                  <strong>{numberText(last.counts['found, not visited yet'])}</strong> found, not visited yet
                </li>
              )}
            </ul>
          </section>
        )
      }
    >
      {chart.length > 0 && (
        <section className="panel mt-4 px-4 pt-3 pb-1" aria-labelledby="what-is-listed">
          <h2 id="what-is-listed">What is listed</h2>
          <Chart
            label={`What ${engine.name} lists of ${host} on the evening of each of ${counted(chart.length, 'day')}. The last: ${shown.map((name) => `${last?.counts[name] ?? 0} ${name}`).join(', ')}.`}
            days={chart.map(({ at }) => shortDate(at))}
            series={shown.map((name) => ({ name, colour: COLOURS[name], values: chart.map(({ counts }) => counts[name]) }))}
          />
          <details className="mb-2 text-note">
            <summary className="soft">The same as a table</summary>
            <div className="mt-1 max-h-60 overflow-auto" tabIndex={0} role="region" aria-label="Listed by day">
              <table className="data-table">
                <thead>
                  <tr>
                    <th>Evening</th>
                    {shown.map((name) => (
                      <th key={name} className="num">
                        {name}
                      </th>
                    ))}
                  </tr>
                </thead>
                <tbody>
                  {[...chart].reverse().map(({ at, counts }) => (
                    <tr key={at}>
                      <td>{fullDate(at)}</td>
                      {shown.map((name) => (
                        <td key={name} className="num">
                          {numberText(counts[name])}
                        </td>
                      ))}
                    </tr>
                  ))}
                </tbody>
              </table>
            </div>
          </details>
        </section>
      )}
      <Launch />
      {story.length > 0 && (
        <section className="mt-6" aria-labelledby="story">
          <h2 id="story">The story</h2>
          <ol className="mt-2" data-testid="story">
            {story.map((entry, at) => (
              <li key={`${entry.at} ${at}`} data-tone={entry.tone} className={ENTRY}>
                <span className="soft pt-px text-right text-small whitespace-nowrap">{shortDate(entry.at)}</span>
                <span className={`mx-px mt-1 size-3 rounded-[3px] ${DOTS[entry.tone]}`} aria-hidden />
                <div className="min-w-0">
                  <p className="font-semibold leading-snug [overflow-wrap:anywhere]">{entry.title}</p>
                  <p className="soft text-small [overflow-wrap:anywhere]">
                    {entry.text}{' '}
                    {entry.tone === 'bad' && entry.addresses[0] && (
                      <Link className="link-act" to={linkToView('watch', 'address', { address: entry.addresses[0] })}>
                        Look closely
                      </Link>
                    )}
                  </p>
                </div>
              </li>
            ))}
          </ol>
        </section>
      )}
    </WatchPage>
  );
}

/** Pages that are meant to be out, and are. */
function keptOut(
  rows: readonly { readonly intent: string; readonly address: string }[],
  records: readonly { readonly address: string; readonly outcome: Outcome }[],
  rowOf: (address: string) => { readonly address: string } | undefined,
): number {
  const listed = new Set(records.flatMap(({ address, outcome }) => (outcome === 'listed' || outcome === 'bare' ? (rowOf(address)?.address ?? []) : [])));
  return rows.filter(({ intent, address }) => intent === 'out' && !listed.has(address)).length;
}
