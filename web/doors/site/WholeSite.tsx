import { keysOf } from '../../../core/keyed/index.ts';
import { useState } from 'react';
import { set } from '../../../core/site/index.ts';
import { ENGINES } from '../../../core/engines/index.ts';
import { Term } from '../../components/index.ts';
import { DataTable, Segments } from '../../ui/index.ts';
import { useTables, useWorkspace, useWorkspaceApi } from '../../workspace/index.ts';
import { Crawlers } from './Crawlers.tsx';
import { DirectivesEditor } from '../rules/DirectivesEditor.tsx';
import { SiteSwitch } from './SiteSwitch.tsx';
import { useCrawlers } from '../page/crawlers.ts';
import { AUDIENCES, DIFFERENCES, wording, type Audience } from '../wording.ts';

/** What holds for the site as a whole: the switch, who can visit, what may be shown of all pages, and how the engines differ. */
export function WholeSite() {
  const workspace = useWorkspaceApi();
  const document = useTables('siteSwitch', 'visitors', 'directives', 'releases');
  const crawlers = useCrawlers();
  const shut = document.tables.siteSwitch['']?.open === false;
  const visitors = document.tables.visitors[''];
  const audience: Audience = visitors?.audience ?? 'public';
  return (
    <div className="mx-auto max-w-sheet">
      <h1 className="mb-1">The whole site</h1>
      <p className="soft mb-4">{wording.siteLead}</p>
      <SiteSwitch full />
      <ul className="mt-2 grid gap-1 text-small">
        {wording.switchFacts.map((fact) => (
          <li key={fact} className="flex gap-2">
            <span aria-hidden>·</span> {fact}
          </li>
        ))}
      </ul>
      {shut && (
        <label className="mt-3 flex flex-wrap items-center gap-2 text-small">
          {wording.remindOn}
          <input
            type="date"
            className="input input-sm w-auto"
            value={document.tables.siteSwitch['']?.opensOn ?? ''}
            onChange={(event) =>
              workspace.change(set('siteSwitch', '', 'opensOn', event.target.value === '' ? null : event.target.value), {
                label: event.target.value === '' ? 'No day to open is set' : `The site is to open on ${event.target.value}`,
                coalesceKey: 'opens-on',
              })
            }
          />
        </label>
      )}

      <section className="mt-7" aria-labelledby="visitors">
        <h2 id="visitors">{wording.visitors}</h2>
        <p className="soft mb-2 text-small">{wording.visitorsWhy}</p>
        <Segments<Audience>
          label={wording.visitors}
          value={audience}
          onChange={(value) =>
            workspace.change(set('visitors', '', 'audience', value === 'public' ? null : value), { label: `${AUDIENCES[value].name}: who can visit` })
          }
          options={keysOf(AUDIENCES).map((value) => ({ value, label: AUDIENCES[value].name }))}
        />
        {audience === 'restricted' && <Password />}
        <dl className="mt-3 grid gap-x-5 gap-y-1 text-small sm:grid-cols-[9rem_1fr]">
          <dt className="soft">People get</dt>
          <dd>{AUDIENCES[audience].people}</dd>
          <dt className="soft">Engines get</dt>
          <dd>{AUDIENCES[audience].engines}</dd>
          <dt className="soft">Pages then are</dt>
          <dd>{AUDIENCES[audience].listing}</dd>
          <dt className="soft">The proof is</dt>
          <dd data-testid="proof-then">{AUDIENCES[audience].proof}</dd>
        </dl>
        <p className="soft mt-2 text-fine">{wording.visitorsRelease}</p>
      </section>

      <DirectivesEditor scope="site" name="All pages" crawlers={crawlers} />

      <section className="mt-7" aria-labelledby="differ">
        <h2 id="differ">{wording.differ}</h2>
        <p className="soft mb-2 text-small">{wording.differWhy}</p>
        <DataTable
          stacked={false}
          rows={DIFFERENCES}
          keyOf={({ what }) => what}
          columns={[
            { id: 'what', name: 'What', cell: ({ what }) => what },
            ...ENGINES.map((engine) => ({ id: engine.id, name: engine.name, cell: ({ tell }: (typeof DIFFERENCES)[number]) => tell(engine) })),
          ]}
        />
      </section>

      <section className="mt-7" aria-labelledby="crawlers">
        <h2 id="crawlers">
          {wording.crawlers} <Term id="crawler" />
        </h2>
        <p className="soft mb-2 text-small">{wording.crawlersWhy}</p>
        <Crawlers />
      </section>
    </div>
  );
}

/** The password that visitors are asked for; kept with the site's other settings. */
function Password() {
  const workspace = useWorkspaceApi();
  const kept = useWorkspace((state) => state.document.tables.visitors['']?.password ?? '');
  const [shown, setShown] = useState(false);
  return (
    <div className="mt-3 flex flex-wrap items-end gap-2">
      <label className="block">
        <span className="mb-1 block text-small font-semibold">Password for visitors</span>
        <input
          type={shown ? 'text' : 'password'}
          className="input w-64"
          autoComplete="off"
          maxLength={200}
          value={kept}
          aria-describedby="password-note"
          onChange={(event) =>
            workspace.change(set('visitors', '', 'password', event.target.value === '' ? null : event.target.value), {
              label: 'The password for visitors changed',
              coalesceKey: 'password',
            })
          }
        />
      </label>
      <button type="button" className="link-act text-note" onClick={() => setShown(!shown)}>
        {shown ? 'Hide it' : 'Show it'}
      </button>
      <p id="password-note" className={`w-full text-fine ${kept === '' ? 'text-error' : 'soft'}`}>
        {kept === '' ? 'Without a password nobody gets in at all.' : 'Any user name goes with it.'}
      </p>
    </div>
  );
}
