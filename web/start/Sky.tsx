import { KIND_TABLE } from '../../core/site/index.ts';
import { useDeferredValue, useMemo, useRef, useState, type KeyboardEvent, type MouseEvent } from 'react';
import type { PageRow } from '../../core/rows/index.ts';
import { STATE_WORDS } from '../../core/wording/index.ts';
import { StateSign, useRoute, useQuietNavigate } from '../components/index.ts';
import { useWorkspace } from '../workspace/index.ts';
import { signAfter, skyGroups } from './sky-groups.ts';

const TROUBLE = new Set(['shut-out', 'leaking']);
const NONE: readonly PageRow[] = [];
/** One sign per page, grouped by kind, in tree order; a click goes there. */
export function Sky() {
  // Hundreds of signs may wait for the sentence above them.
  const rows = useDeferredValue(
    useWorkspace((state) => state.rows),
    NONE,
  );
  const { linkTo } = useRoute();
  const navigate = useQuietNavigate();
  const sky = useRef<HTMLElement>(null);
  // One stop of the Tab key: it comes back to the sign it left.
  const [here, setHere] = useState<string>();
  const groups = useMemo(() => skyGroups(rows), [rows]);
  if (rows.length === 0) return null;
  const all = groups.flatMap(({ signs }) => signs);
  const stop = all.some((row) => row.id === here) ? here : all[0]?.id;
  // One hearer for hundreds of signs, each of them a plain link: another tab opens it as it opens any.
  const follow = (event: MouseEvent): void => {
    const href = (event.target as Element).closest('a')?.getAttribute('href');
    if (!href || event.button !== 0 || event.ctrlKey || event.metaKey || event.shiftKey || event.altKey) return;
    event.preventDefault();
    void navigate(href);
  };
  const keys = (event: KeyboardEvent): void => {
    const at = all.findIndex((row) => row.id === stop);
    const to = event.altKey ? undefined : signAfter(event.key, at, all.length);
    if (to === undefined) return;
    event.preventDefault();
    const next = all[to];
    if (next) sky.current?.querySelector<HTMLElement>(`[data-sign="${CSS.escape(next.id)}"]`)?.focus();
  };
  return (
    <section
      ref={sky}
      aria-label="The sky: one sign per page; arrow keys move from sign to sign"
      className={`panel sky mt-5${rows.length > 60 ? ' sky-dense' : ''}`}
      onKeyDown={keys}
      onClick={follow}
      onFocus={(event) => setHere((event.target as HTMLElement).dataset['sign'] ?? here)}
    >
      {groups.map(({ kind, count, signs, more, dense }) => {
        return (
          <div key={kind} className="sky-group">
            <div className="sky-signs">
              {signs.map((row) => (
                <a
                  key={row.id}
                  data-sign={row.id}
                  href={linkTo(TROUBLE.has(row.state) || row.state === 'half-hidden' ? 'doors' : 'words', row.id)}
                  className={TROUBLE.has(row.state) ? 'trouble' : ''}
                  title={`${row.name}: ${STATE_WORDS[row.state].name.toLowerCase()}`}
                  aria-label={`${row.name}: ${STATE_WORDS[row.state].name.toLowerCase()}`}
                  tabIndex={row.id === stop ? 0 : -1}
                >
                  <StateSign state={row.state} size={19} silent />
                </a>
              ))}
              {signs.length === 0 && <StateSign state="findable" size={19} />}
            </div>
            <p className="soft mt-1.5 text-fine">
              {KIND_TABLE[kind].many} {dense && `· ${count.toLocaleString('en')}`}
              {more > 0 && `, ${more.toLocaleString('en')} more like these`}
            </p>
          </div>
        );
      })}
    </section>
  );
}
