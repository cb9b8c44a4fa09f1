import { useState } from 'react';
import { Link } from 'react-router';
import { kindIntent, set, TABLES, type Kind, type RecordOf, KIND_TABLE } from '../../core/site/index.ts';
import { SITEMAP_LIMITS } from '../../core/sitemap/index.ts';
import { counted } from '../../core/wording/index.ts';
import { byKind, Term, useRoute } from '../components/index.ts';
import { Segments } from '../ui/index.ts';
import { useReport, useTables, useWorkspace, useWorkspaceApi } from '../workspace/index.ts';
import { Extras } from './Extras.tsx';
import { FlagChoice } from './FlagChoice.tsx';
import { DATE_CHOICES, wording } from './wording.ts';

type Frequency = NonNullable<RecordOf<'kinds'>['changefreq']>;
const FREQUENCIES = TABLES.kinds.shape.changefreq.unwrap().unwrap().options as readonly Frequency[];

/** What goes into the maps and how they are split. */
export function Choices() {
  const workspace = useWorkspaceApi();
  const document = useTables('sitemap', 'kinds');
  const rows = useWorkspace((state) => state.rows);
  const report = useReport((one) => one.tools.analysis.mapReport());
  const { linkToView } = useRoute();
  const settings = document.tables.sitemap[''] ?? {};
  const hints = settings.hints === true;
  return (
    <div className="mx-auto max-w-page">
      <h1 className="mb-1">What goes in</h1>
      <p className="soft mb-4">{wording.choicesLead}</p>
      <section aria-labelledby="kinds-in-map">
        <h2 id="kinds-in-map" className="mb-2">
          Kinds
        </h2>
        <div className="panel overflow-x-auto">
          <table className="data-table">
            <thead>
              <tr>
                <th>Kind</th>
                <th className="num">Pages</th>
                <th>In the sitemap</th>
                {hints && <th>Changes</th>}
                {hints && <th>Priority</th>}
              </tr>
            </thead>
            <tbody>
              {byKind(rows).map(({ kind, rows: pages }) => (
                <KindLine key={kind} kind={kind} pages={pages.length} inMap={report?.lines.filter((line) => line.kind === kind).length} hints={hints} />
              ))}
            </tbody>
          </table>
        </div>
        <p className="soft mt-1.5 text-fine">
          Single pages are taken out and put in on “The sitemap”, folders by{' '}
          <Link className="link-act" to={linkToView('doors', 'kinds')}>
            a rule
          </Link>
          . {wording.keptOutNever}
        </p>
      </section>
      <section className="mt-6 grid gap-x-8 gap-y-4 sm:grid-cols-2" aria-label="How the maps are written">
        <div>
          <p className="mb-1.5 font-semibold">Written as</p>
          <Segments<'kind' | 'one'>
            label="Written as"
            value={settings.by ?? 'kind'}
            onChange={(value) =>
              workspace.change(set('sitemap', '', 'by', value === 'kind' ? null : value), {
                label: value === 'kind' ? 'One map for each kind' : 'One map for all',
              })
            }
            options={[
              { value: 'kind', label: 'a map for each kind' },
              { value: 'one', label: 'one map' },
            ]}
          />
        </div>
        <LinksInAMap />
        <div className="sm:col-span-2">
          <p className="mb-1.5 font-semibold">
            Dates of change <Term id="lastmod" />
          </p>
          <Segments
            label="Dates of change"
            value={settings.dates ?? 'best'}
            onChange={(value) =>
              workspace.change(set('sitemap', '', 'dates', value === 'best' ? null : value), { label: `Dates: ${DATE_CHOICES[value].name}` })
            }
            options={(['best', 'visible', 'files', 'none'] as const).map((value) => ({ value, label: DATE_CHOICES[value].name }))}
          />
          <p className="soft mt-1 text-fine">{DATE_CHOICES[settings.dates ?? 'best'].why}</p>
          {report && (!report.trust.files || !report.trust.pages) && (
            <p className="mt-1 text-note text-amber-ink" data-testid="dates-refused">
              {!report.trust.files && wording.filesRefused} {!report.trust.pages && wording.pagesRefused}
            </p>
          )}
        </div>
        <FlagChoice
          field="pictures"
          standard
          label="Pictures"
          why="The pictures of each page, so that picture searches find them. Those without meaning are left out."
        />
        <FlagChoice field="alternates" standard label="Other languages" why="Where pages name themselves in other languages, the sitemap says so too." />
        <FlagChoice field="gzip" label="Packed copies" why="Each map once more as .gz. Engines read both; a large site saves traffic." />
        <FlagChoice
          field="hints"
          label="Priority and change frequency"
          why="Hardly any engine heeds them. Leave them out, unless somebody asks."
          term="hints"
        />
      </section>
      <Extras extras={report?.extras ?? []} />
    </div>
  );
}

function KindLine({ kind, pages, inMap, hints }: { readonly kind: Kind; readonly pages: number; readonly inMap: number | undefined; readonly hints: boolean }) {
  const workspace = useWorkspaceApi();
  const document = useTables('sitemap', 'kinds');
  const own = document.tables.kinds[kind];
  const name = KIND_TABLE[kind].many;
  const out = kindIntent(document, kind).intent === 'out';
  return (
    <tr>
      <td>{name}</td>
      <td className="num">{pages}</td>
      <td>
        <label className="flex min-h-8 items-center gap-2 text-small">
          <input
            type="checkbox"
            className="checkbox checkbox-sm"
            aria-label={`${name} stand in the sitemap`}
            disabled={out}
            checked={!out && own?.inMap !== false}
            onChange={(event) =>
              workspace.change(set('kinds', kind, 'inMap', event.target.checked ? null : false), {
                label: event.target.checked ? `${name} stand in the sitemap` : `${name} stay out of the sitemap`,
              })
            }
          />
          {out ? 'kept out' : inMap === undefined ? '' : `${inMap} in it`}
        </label>
      </td>
      {hints && (
        <td>
          <select
            className="select select-sm w-auto"
            aria-label={`How often ${name.toLowerCase()} change`}
            value={own?.changefreq ?? ''}
            onChange={(event) =>
              workspace.change(set('kinds', kind, 'changefreq', event.target.value === '' ? null : (event.target.value as Frequency)), {
                label: `${name}: change frequency`,
              })
            }
          >
            <option value="">not said</option>
            {FREQUENCIES.map((word) => (
              <option key={word} value={word}>
                {word}
              </option>
            ))}
          </select>
        </td>
      )}
      {hints && (
        <td>
          <select
            className="select select-sm w-auto"
            aria-label={`Priority of ${name.toLowerCase()}`}
            value={typeof own?.priority === 'number' ? String(own.priority) : ''}
            onChange={(event) =>
              workspace.change(set('kinds', kind, 'priority', event.target.value === '' ? null : Number(event.target.value)), { label: `${name}: priority` })
            }
          >
            <option value="">not said</option>
            {Array.from({ length: 11 }, (_, index) => index / 10).map((value) => (
              <option key={value} value={String(value)}>
                {value.toFixed(1)}
              </option>
            ))}
          </select>
        </td>
      )}
    </tr>
  );
}

function LinksInAMap() {
  const workspace = useWorkspaceApi();
  const kept = useWorkspace((state) => state.document.tables.sitemap['']?.links) ?? SITEMAP_LIMITS.entries;
  const [typed, setTyped] = useState<string>();
  const number = Number(typed ?? kept);
  const bad = !Number.isInteger(number) || number < 1 || number > SITEMAP_LIMITS.entries;
  const take = (): void => {
    if (!bad && typed !== undefined)
      workspace.change(set('sitemap', '', 'links', number === SITEMAP_LIMITS.entries ? null : number), {
        label: `At most ${counted(number, 'address', 'addresses')} in a sitemap`,
      });
    if (!bad) setTyped(undefined);
  };
  return (
    <label className="block">
      <span className="mb-1.5 block font-semibold">Addresses in one sitemap, at most</span>
      <input
        className="input w-36 tabular-nums"
        inputMode="numeric"
        value={typed ?? String(kept)}
        aria-invalid={bad}
        aria-describedby="links-limit"
        onChange={(event) => setTyped(event.target.value)}
        onBlur={take}
        onKeyDown={(event) => event.key === 'Enter' && take()}
      />
      <span id="links-limit" className={`mt-1 block text-fine ${bad ? 'text-error' : 'soft'}`}>
        {bad ? 'A whole number from 1 to 50,000. The one before is kept.' : 'The protocol allows 50,000, and 50 MiB.'}
      </span>
    </label>
  );
}
