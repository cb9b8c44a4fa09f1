import { set, type RecordOf } from '../../core/site/index.ts';
import type { TermId } from '../../core/wording/index.ts';
import { Term } from '../components/index.ts';
import { useWorkspace, useWorkspaceApi } from '../workspace/index.ts';

type Flag = { [K in keyof RecordOf<'sitemap'>]-?: boolean extends NonNullable<RecordOf<'sitemap'>[K]> ? K : never }[keyof RecordOf<'sitemap'>];

/** One choice about the maps that is made or not. `standard`: it holds where nobody said anything. */
export function FlagChoice({
  field,
  label,
  why,
  standard = false,
  term,
}: {
  readonly field: Flag;
  readonly label: string;
  readonly why: string;
  readonly standard?: boolean;
  readonly term?: TermId;
}) {
  const workspace = useWorkspaceApi();
  const on = useWorkspace((state) => state.document.tables.sitemap['']?.[field]) ?? standard;
  return (
    <div className="flex items-start gap-3">
      <input
        type="checkbox"
        className="checkbox checkbox-sm mt-1 flex-none"
        id={`flag-${field}`}
        aria-describedby={`flag-${field}-why`}
        checked={on}
        onChange={(event) => {
          const next = event.target.checked;
          workspace.change(set('sitemap', '', field, next === standard ? null : next), { label: `${label}: ${next ? 'yes' : 'no'}` });
        }}
      />
      <div className="min-w-0">
        <label htmlFor={`flag-${field}`} className="cursor-pointer font-semibold">
          {label}
        </label>{' '}
        {term && <Term id={term} />}
        <p id={`flag-${field}-why`} className="soft text-fine">
          {why}
        </p>
      </div>
    </div>
  );
}
