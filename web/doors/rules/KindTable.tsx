import { Moon, Sun } from 'lucide-react';
import { Fragment, useMemo } from 'react';
import { ARCHIVES, kindIntent, set, type Kind, KIND_TABLE } from '../../../core/site/index.ts';
import { counted } from '../../../core/wording/index.ts';
import { byKind } from '../../components/index.ts';
import { setKindIntent, useTables, useWorkspace, useWorkspaceApi } from '../../workspace/index.ts';
import { DirectivesEditor } from './DirectivesEditor.tsx';
import { wording } from '../wording.ts';

/** What each kind of page is for, with why; one press turns a whole kind. */
export function KindTable({
  picked,
  onPick,
  crawlers,
}: {
  readonly picked: Kind | undefined;
  readonly onPick: (kind: Kind | undefined) => void;
  readonly crawlers: readonly string[];
}) {
  const workspace = useWorkspaceApi();
  const rows = useWorkspace((state) => state.rows);
  const document = useTables('kinds');
  const kinds = useMemo(() => byKind(rows), [rows]);
  return (
    <section aria-labelledby="kinds">
      <div className="mb-2 flex flex-wrap items-baseline gap-x-2.5">
        <h2 id="kinds">{wording.kinds}</h2>
        <span className="soft text-note">{wording.kindsWhy}</span>
      </div>
      <div className="panel overflow-x-auto">
        <table className="data-table stacked">
          <thead>
            <tr>
              <th>Kind</th>
              <th className="num">Pages</th>
              <th>Engines should</th>
              <th>In the sitemap</th>
              <th>As it is</th>
              <th>
                <span className="sr-only">More</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {kinds.map(({ kind, rows: pages }) => {
              const { intent, from } = kindIntent(document, kind);
              const shut = pages.filter((row) => row.state === 'shut-out').length;
              const leaking = pages.filter((row) => row.state === 'leaking').length;
              const half = pages.filter((row) => row.state === 'half-hidden').length;
              const own = document.tables.kinds[kind];
              const name = KIND_TABLE[kind].many;
              return (
                <Fragment key={kind}>
                  <tr data-kind={kind}>
                    <td>
                      {name}
                      <span className="soft block text-fine">{from === 'default' ? KIND_TABLE[kind].why : 'as you set it'}</span>
                    </td>
                    <td className="num">{pages.length}</td>
                    <td className="whitespace-nowrap">
                      <button
                        type="button"
                        className="chip"
                        aria-label={`${name}: ${intent === 'list' ? 'listed; keep them out' : 'kept out; list them'}`}
                        onClick={() => setKindIntent(workspace, kind, intent === 'list' ? 'out' : 'list')}
                      >
                        {intent === 'list' ? <Sun size={14} className="sign-findable" aria-hidden /> : <Moon size={14} className="sign-kept-out" aria-hidden />}
                        {intent === 'list' ? 'list' : 'keep out'}
                      </button>
                      {from === 'kind' && (
                        <button type="button" className="link-act ml-2 text-fine" onClick={() => setKindIntent(workspace, kind, null)}>
                          default
                        </button>
                      )}
                    </td>
                    <td>
                      {intent === 'out' ? (
                        <span className="soft">no</span>
                      ) : (
                        <label className="flex min-h-8 items-center gap-2">
                          <input
                            type="checkbox"
                            className="checkbox checkbox-sm"
                            aria-label={`${name} stand in the sitemap`}
                            checked={own?.inMap !== false}
                            onChange={(event) =>
                              workspace.change(set('kinds', kind, 'inMap', event.target.checked ? null : false), {
                                label: event.target.checked ? `${name} stand in the sitemap` : `${name} stay out of the sitemap`,
                              })
                            }
                          />
                          {own?.inMap === false ? 'no' : 'yes'}
                        </label>
                      )}
                    </td>
                    <td className="text-note">
                      {shut + leaking + half === 0 ? (
                        <span className="soft">as you want it</span>
                      ) : (
                        <span className="flex flex-wrap gap-x-3 font-semibold text-error">
                          {shut > 0 && <span>{shut} blocked</span>}
                          {leaking > 0 && (
                            <span>
                              {leaking} leaking{' '}
                              {intent === 'out' && (
                                <button type="button" className="link-act ml-1" onClick={() => setKindIntent(workspace, kind, 'out')}>
                                  Keep them out
                                </button>
                              )}
                            </span>
                          )}
                          {half > 0 && <span className="sign-half-hidden">{counted(half, 'half hidden', 'half hidden')}</span>}
                        </span>
                      )}
                    </td>
                    <td>
                      <button
                        type="button"
                        className="link-act text-note"
                        aria-expanded={picked === kind}
                        onClick={() => onPick(picked === kind ? undefined : kind)}
                      >
                        {picked === kind ? 'Close' : 'What is shown'}
                      </button>
                    </td>
                  </tr>
                  {picked === kind && (
                    <tr>
                      <td colSpan={6} className="says-row">
                        <DirectivesEditor scope={`kind:${kind}`} name={name} crawlers={crawlers} open />
                      </td>
                    </tr>
                  )}
                </Fragment>
              );
            })}
          </tbody>
        </table>
      </div>
      {kinds.some(({ kind }) => ARCHIVES.includes(kind)) && <p className="soft mt-1.5 text-fine">{wording.archives}</p>}
    </section>
  );
}
