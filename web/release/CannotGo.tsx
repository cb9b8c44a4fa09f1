import { editKey, type Held, type ReleaseItem } from '../../core/release/index.ts';
import { counted, editWords, PATCH_REFUSALS } from '../../core/wording/index.ts';
import type { LeftInFile } from '../analysis/index.ts';
import { More, useMore } from '../ui/index.ts';
import { goes, withField } from './held.ts';
import { wording } from './wording.ts';

/** What cannot be written, before it goes: which change of which page, and why; with one press it is left out. */
export function CannotGo({
  left,
  items,
  held,
  onHeld,
}: {
  readonly left: readonly LeftInFile[];
  readonly items: readonly ReleaseItem[];
  readonly held: Held;
  readonly onHeld: (held: Held) => void;
}) {
  if (left.length === 0) return null;
  const byPlace = new Map(items.filter(({ own }) => !own).map((item) => [item.out, item]));
  const out = left.reduce((so, { path, edit }) => {
    const item = byPlace.get(path);
    return item && goes(so, item) !== 'none' ? withField(so, item, editKey(edit), false) : so;
  }, held);
  return (
    <section className="notice notice-amber mb-3" data-testid="cannot-go">
      <p className="flex flex-wrap items-baseline gap-x-3">
        <span>
          <b>{wording.cannotGo(counted(left.length, 'change'), counted(new Set(left.map(({ path }) => path)).size, 'page'))}</b>{' '}
          {JSON.stringify(out) === JSON.stringify(held) ? wording.leftOut : wording.cannotGoWhy}
        </span>
        {JSON.stringify(out) !== JSON.stringify(held) && (
          <button type="button" className="link-act" onClick={() => onHeld(out)}>
            {wording.leaveOut}
          </button>
        )}
      </p>
      <LeftList left={left} />
    </section>
  );
}

/** Changes that are not written, each with its page and its reason. */
export function LeftList({ left }: { readonly left: readonly LeftInFile[] }) {
  const { drawn, more } = useMore('not-written');
  return (
    <>
      <ul className="mt-1 text-small">
        {left.slice(0, drawn).map(({ path, edit, reason }) => {
          const { field, value } = editWords(edit);
          return (
            <li key={`${path} ${editKey(edit)}`} className="py-0.5 break-words">
              <span className="mono break-all">{path}</span>: {field}
              {value !== '' && (
                <>
                  {' '}
                  “<span dir="auto">{value.length > 60 ? `${value.slice(0, 60)}…` : value}</span>”
                </>
              )}
              , {PATCH_REFUSALS[reason]}.
            </li>
          );
        })}
      </ul>
      <More drawn={drawn} total={left.length} onMore={more} />
    </>
  );
}
