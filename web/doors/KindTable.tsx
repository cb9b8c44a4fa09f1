import { Moon, Sun } from 'lucide-react';
import { useMemo } from 'react';
import { kindIntent } from '../../core/site/index.ts';
import { counted, KIND_WORDS } from '../../core/wording/index.ts';
import { byKind } from '../pieces/index.ts';
import { setKindIntent, useWorkspace, useWorkspaceApi } from '../workspace/index.ts';
import { W } from './wording.ts';

/** What each kind of page is for; one press turns a whole kind. */
export function KindTable() {
  const workspace = useWorkspaceApi();
  const rows = useWorkspace((state) => state.rows);
  const document = useWorkspace((state) => state.document);
  const kinds = useMemo(() => byKind(rows), [rows]);
  return (
    <section aria-labelledby="kinds">
      <div className="mb-2 flex flex-wrap items-baseline gap-x-2.5">
        <h2 id="kinds">{W.kinds}</h2>
        <span className="soft text-[13px]">{W.kindsWhy}</span>
      </div>
      <div className="panel overflow-x-auto">
        <table className="data-table">
          <thead>
            <tr>
              <th>Kind</th>
              <th className="num">Pages</th>
              <th>Engines should</th>
              <th>As it is</th>
            </tr>
          </thead>
          <tbody>
            {kinds.map(({ kind, rows: pages }) => {
              const { intent, from } = kindIntent(document, kind);
              const shut = pages.filter((row) => row.state === 'shut-out').length;
              const leaking = pages.filter((row) => row.state === 'leaking').length;
              const half = pages.filter((row) => row.state === 'half-hidden').length;
              const name = KIND_WORDS[kind].many;
              return (
                <tr key={kind}>
                  <td>{name}</td>
                  <td className="num">{pages.length}</td>
                  <td>
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
                      <button type="button" className="link-act ml-2 text-[12.5px]" onClick={() => setKindIntent(workspace, kind, null)}>
                        default
                      </button>
                    )}
                  </td>
                  <td className="text-[13px]">
                    {shut + leaking + half === 0 ? (
                      <span className="soft">as you want it</span>
                    ) : (
                      <span className="flex flex-wrap gap-x-3 font-semibold text-error">
                        {shut > 0 && <span>{shut} shut out</span>}
                        {leaking > 0 && <span>{leaking} leaking</span>}
                        {half > 0 && <span className="sign-half-hidden">{counted(half, 'half hidden', 'half hidden')}</span>}
                      </span>
                    )}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
    </section>
  );
}
