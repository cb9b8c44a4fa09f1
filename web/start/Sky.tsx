import { KIND_TABLE } from '../../core/site/index.ts';
import { useDeferredValue, useMemo, useRef, useState, type KeyboardEvent, type MouseEvent } from 'react';
import type { PageRow } from '../../core/rows/index.ts';
import { STATE_WORDS } from '../../core/wording/index.ts';
import { byKind, StateSign, useRoute, useQuietNavigate } from '../components/index.ts';
import { useWorkspace } from '../workspace/index.ts';

const TROUBLE = new Set(['shut-out', 'leaking']);
const NONE: readonly PageRow[] = [];
/** Signs of one kind that are drawn in a dense sky. */
const SHOWN = 24;
/** Past this many pages a sign each is too much; the sky then shows the troubled ones and counts the rest. */
const EACH = 400;

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
  const groups = useMemo(() => byKind(rows), [rows]);
  if (rows.length === 0) return null;
  const dense = rows.length > EACH;
  const signsOf = (pages: readonly PageRow[]): readonly PageRow[] => (dense ? pages.filter((row) => row.state !== 'findable').slice(0, SHOWN) : pages);
  const all = groups.flatMap(({ rows: pages }) => signsOf(pages));
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
    const to = { ArrowRight: at + 1, ArrowDown: at + 1, ArrowLeft: at - 1, ArrowUp: at - 1, Home: 0, End: all.length - 1 }[event.key];
    if (to === undefined || event.altKey) return;
    event.preventDefault();
    const next = all[Math.min(all.length - 1, Math.max(0, to))];
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
      {groups.map(({ kind, rows: pages }) => {
        const troubled = dense ? pages.filter((row) => row.state !== 'findable') : pages;
        const signs = signsOf(pages);
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
              {KIND_TABLE[kind].many} {dense && `· ${pages.length.toLocaleString('en')}`}
              {troubled.length > signs.length && `, ${(troubled.length - signs.length).toLocaleString('en')} more like these`}
            </p>
          </div>
        );
      })}
    </section>
  );
}
