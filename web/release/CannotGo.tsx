import { editKey, type Held, type ReleaseItem } from '../../core/release/index.ts';
import { counted, editWords, PATCH_REFUSALS } from '../../core/wording/index.ts';
import type { LeftInFile } from '../analysis/index.ts';
import { More, useMore } from '../ui/index.ts';
import { fieldGoes, withField } from './held.ts';
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
  const going = left.flatMap(({ path, edit }) => {
    const item = byPlace.get(path);
    return item && fieldGoes(held, item, editKey(edit)) ? [{ item, key: editKey(edit) }] : [];
  });
  const leaveOut = (): void => onHeld(going.reduce((so, { item, key }) => withField(so, item, key, false), held));
  return (
    <section className="notice notice-amber mb-3" data-testid="cannot-go">
      <p className="flex flex-wrap items-baseline gap-x-3">
        <span>
          <b>{wording.cannotGo(counted(left.length, 'change'), counted(new Set(left.map(({ path }) => path)).size, 'page'))}</b>{' '}
          {going.length === 0 ? wording.leftOut : wording.cannotGoWhy}
        </span>
        {going.length > 0 && (
          <button type="button" className="link-act" onClick={leaveOut}>
            {wording.leaveOut}
          </button>
        )}
      </p>
      <LeftList left={left} />
    </section>
  );
}

/** Pages of one change that are named; the others are counted. */
const NAMED = 4;

/** Changes that are not written, each once with its pages and its reason. */
export function LeftList({ left }: { readonly left: readonly LeftInFile[] }) {
  const { drawn, more } = useMore('not-written');
  const groups = new Map<string, LeftInFile[]>();
  for (const one of left) {
    const key = JSON.stringify([one.edit, one.reason]);
    const group = groups.get(key);
    if (group) group.push(one);
    else groups.set(key, [one]);
  }
  return (
    <>
      <ul className="mt-1 text-small">
        {[...groups].slice(0, drawn).map(([key, group]) => {
          const [{ edit, reason }] = group as [LeftInFile];
          const { field, value } = editWords(edit);
          return (
            <li key={key} className="py-0.5 break-words">
              {field}
              {value !== '' && (
                <>
                  {' '}
                  “<span dir="auto">{value.length > 60 ? `${value.slice(0, 60)}…` : value}</span>”
                </>
              )}
              : {PATCH_REFUSALS[reason]}.
              <span className="mono block text-tiny break-all">
                {group
                  .slice(0, NAMED)
                  .map(({ path }) => path)
                  .join(' · ')}
                {group.length > NAMED && ` ${wording.andMore(group.length - NAMED)}`}
              </span>
            </li>
          );
        })}
      </ul>
      <More drawn={drawn} total={groups.size} onMore={more} />
    </>
  );
}
