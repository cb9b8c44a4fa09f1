import type { EngineSite } from '../../core/exchange/index.ts';
import { bytesText, fullDate, numberText, shortDate } from '../../core/wording/index.ts';
import { Chart, DataTable, Empty, type Column } from '../ui/index.ts';
import { useWatching } from './engines.tsx';
import { ToRehearsal, WatchPage } from './WatchPage.tsx';
import { wording } from './wording.ts';

type Day = EngineSite['days'][number];

const asked = ({ answers = {}, visited }: Day): number => visited - (answers['not-asked'] ?? 0);
const of = ({ answers = {} }: Day, form: RegExp): number => Object.entries(answers).reduce((sum, [name, count]) => (form.test(name) ? sum + count : sum), 0);

const ANSWERS = [
  { name: 'answered 200', colour: '--green', form: /^2/ },
  { name: 'led elsewhere', colour: '--color-accent', form: /^3/ },
  { name: 'refused or gone', colour: '--brick', form: /^4/ },
  { name: 'failed', colour: '--plum', form: /^5|no-answer/ },
] as const;

const COLUMNS: readonly Column<Day>[] = [
  { id: 'day', name: 'Day', className: 'whitespace-nowrap', cell: ({ at }) => fullDate(at) },
  { id: 'asked', name: 'Asked for', className: 'num', compare: (a, b) => asked(a) - asked(b), cell: (day) => numberText(asked(day)) },
  {
    id: 'answers',
    name: 'Answers',
    cell: ({ answers = {} }) => (
      <span className="flex flex-wrap gap-x-3">
        {Object.entries(answers).map(([name, count]) => (
          <span key={name} className={/^[45]|no-answer/.test(name) ? 'font-semibold text-error' : ''}>
            {{ 'not-asked': 'forbidden by robots.txt', 'no-answer': 'no answer' }[name] ?? name}: {numberText(count)}
          </span>
        ))}
      </span>
    ),
  },
  {
    id: 'bytes',
    name: 'Bytes',
    className: 'num whitespace-nowrap',
    compare: (a, b) => (a.bytes ?? 0) - (b.bytes ?? 0),
    cell: ({ bytes }) => (bytes === undefined ? '' : bytesText(bytes)),
  },
  {
    id: 'time',
    name: 'Average time',
    className: 'num whitespace-nowrap',
    cell: (day) => (day.milliseconds === undefined || asked(day) === 0 ? '' : `${(day.milliseconds / asked(day)).toFixed(1)} ms`),
  },
];

/** What an engine's crawler asked for, day by day, and how it was answered. */
export function Visits() {
  const { engine, site } = useWatching();
  const days = site?.days ?? [];
  const shown = [...days.slice(0, 28)].reverse();
  return (
    <WatchPage title={wording.visits} lead={wording.visitsLead} wide>
      {site === undefined ? null : days.length === 0 ? (
        <Empty title={wording.notYet(engine.name)} action={<ToRehearsal />}>
          Move the clock on by a day.
        </Empty>
      ) : (
        <>
          <section className="panel mt-4 px-4 pt-3 pb-1" aria-label="Requests by day">
            <Chart
              label={`Requests of ${engine.crawler} on each of ${shown.length} days, by how they were answered.`}
              days={shown.map(({ at }) => shortDate(at))}
              height={170}
              series={ANSWERS.map(({ name, colour, form }) => ({ name, colour, values: shown.map((day) => of(day, form)) })).filter(({ values }) =>
                values.some((value) => value > 0),
              )}
            />
          </section>
          {site.robots && (
            <p className="soft mt-3 text-small">
              robots.txt was fetched first, {fullDate(site.robots.fetchedAt)}, and answered {site.robots.status ?? 'nothing'}.
            </p>
          )}
          <div className="mt-3">
            <DataTable rows={days} keyOf={({ at }) => at} columns={COLUMNS} label="Visits by day" />
          </div>
          <p className="soft mt-2 text-note">Times are this machine’s own, from asking to the last byte; a host far away takes longer.</p>
        </>
      )}
    </WatchPage>
  );
}
