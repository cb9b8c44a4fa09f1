import { useMemo } from 'react';
import { KIND_TABLE, type Snippet } from '../../core/site/index.ts';
import { PageName } from '../components/index.ts';
import { Segments } from '../ui/index.ts';
import { useWorkspace } from '../workspace/index.ts';
import { kindsOf, toggled, type Scope } from './scope.ts';
import { snippetWording as wording } from './snippet-wording.ts';

/** Which pages: all, those of some kinds, or chosen ones. */
export function WhichPages({ scope, onScope }: { readonly scope: Scope; readonly onScope: (scope: Scope) => void }) {
  const rows = useWorkspace((state) => state.rows);
  const kinds = useMemo(() => kindsOf(rows), [rows]);
  const has = new Set(scope.on);
  const toggle = (one: string): void => onScope(toggled(scope, one));
  return (
    <fieldset>
      <legend className="text-small font-semibold">{wording.which}</legend>
      <div className="mt-1">
        <Segments<Snippet['by']>
          label={wording.which}
          value={scope.by}
          onChange={(by) => onScope({ by, on: [] })}
          options={[
            { value: 'all', label: `All ${rows.length}` },
            { value: 'kinds', label: 'By kind' },
            { value: 'pages', label: 'Chosen ones' },
          ]}
        />
      </div>
      {scope.by === 'kinds' && (
        <div className="mt-2 flex flex-wrap gap-1.5">
          {kinds.map(([kind, count]) => (
            <button key={kind} type="button" className="chip" aria-pressed={has.has(kind)} onClick={() => toggle(kind)}>
              {KIND_TABLE[kind].many} <span className="tabular-nums">{count}</span>
            </button>
          ))}
        </div>
      )}
      {scope.by === 'pages' && (
        <ul className="panel mt-2 max-h-56 overflow-auto" tabIndex={0} aria-label="Pages">
          {rows.slice(0, 2_000).map((row) => (
            <li key={row.id} className="border-t border-line first:border-t-0">
              <label className="flex items-center gap-2.5 px-3 py-1.5 text-small">
                <input type="checkbox" className="checkbox checkbox-sm" checked={has.has(row.id)} onChange={() => toggle(row.id)} />
                <PageName row={row} /> <span className="mono soft ml-auto break-all text-tiny">{row.address}</span>
              </label>
            </li>
          ))}
        </ul>
      )}
    </fieldset>
  );
}
