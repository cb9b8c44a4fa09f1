import { useMemo } from 'react';
import type { PhraseRow } from '../../../core/phrases/index.ts';
import { set } from '../../../core/site/index.ts';
import { useWorkspace, useWorkspaceApi } from '../../workspace/index.ts';

const ANSWER_LOOKS = { answered: 'text-green', weak: 'text-sun', none: '' };

/** Pages that have a column of their own. */
const COLUMNS = 30;

/** Phrases down, pages across: who answers, who only touches it, whose target it is; a click gives the phrase to the page. */
export function PhraseMatrix({ rows }: { readonly rows: readonly PhraseRow[] }) {
  const workspace = useWorkspaceApi();
  const byId = useWorkspace((state) => state.byId);
  const columns = useMemo(() => {
    const counts = new Map<string, number>();
    for (const row of rows)
      for (const id of [...row.targets, ...row.targets, ...row.answered, ...row.answered, ...row.weak]) counts.set(id, (counts.get(id) ?? 0) + 1);
    return [...counts]
      .sort((a, b) => b[1] - a[1])
      .slice(0, COLUMNS)
      .map(([id]) => id);
  }, [rows]);
  const name = (id: string): string => byId.get(id)?.name ?? id;
  return (
    <div className="panel overflow-x-auto" tabIndex={0} role="region" aria-label="Phrases and pages">
      <table className="[&_:is(td,th)]:border-b [&_:is(td,th)]:border-line [&_:is(td,th)]:px-2 [&_:is(td,th)]:py-1">
        <thead>
          <tr>
            <td />
            {columns.map((id) => (
              <th key={id} scope="col" className="h-32.5 align-bottom text-fine font-medium">
                <span title={name(id)} className="inline-block max-h-30 rotate-180 truncate [writing-mode:vertical-rl]">
                  {name(id)}
                </span>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.phrase}>
              <th scope="row" className="sticky left-0 bg-base-100 text-left font-medium whitespace-nowrap">
                {row.phrase}
              </th>
              {columns.map((id) => {
                const target = row.targets.includes(id);
                const how = row.answered.includes(id) ? 'answered' : row.weak.includes(id) ? 'weak' : 'none';
                return (
                  <td key={id} className="text-center">
                    <button
                      type="button"
                      className={`size-7 cursor-pointer rounded-lg text-lead hover:bg-secondary ${ANSWER_LOOKS[how]} ${target ? 'bg-amber-soft' : ''}`}
                      aria-pressed={target}
                      aria-label={`${row.phrase}, ${name(id)}: ${{ answered: 'answers it', weak: 'touches it', none: 'nothing' }[how]}${target ? ', its target' : ''}`}
                      onClick={() =>
                        workspace.change(set('pages', id, 'phrase', target ? null : row.phrase), {
                          label: target ? `“${name(id)}” has no target phrase` : `“${name(id)}” is to answer “${row.phrase}”`,
                        })
                      }
                    >
                      {{ answered: '●', weak: '◐', none: '' }[how]}
                    </button>
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
      <p className="soft px-3 py-2 text-fine">● answers it · ◐ touches it · on amber: its target. A click gives the phrase to the page, or takes it back.</p>
    </div>
  );
}
