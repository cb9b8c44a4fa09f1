import { useDeferredValue, useMemo } from 'react';
import type { PageRow } from '../../core/survey/index.ts';
import { KIND_WORDS, STATE_WORDS } from '../../core/wording/index.ts';
import { byKind, StateSign, usePlace } from '../pieces/index.ts';
import { useWorkspace } from '../workspace/index.ts';

const TROUBLE = new Set(['shut-out', 'leaking']);
const NONE: readonly PageRow[] = [];
/** Past this many pages a sign each is too much; the sky then shows the troubled ones and counts the rest. */
const EACH = 400;

/** One sign per page, grouped by kind, in tree order; a click goes there. */
export function Sky() {
  // Hundreds of signs may wait for the sentence above them.
  const rows = useDeferredValue(
    useWorkspace((state) => state.rows),
    NONE,
  );
  const { go } = usePlace();
  const groups = useMemo(() => byKind(rows), [rows]);
  if (rows.length === 0) return null;
  const dense = rows.length > EACH;
  return (
    <section aria-label="The sky: one sign per page" className={`panel sky mt-5${rows.length > 60 ? ' sky-dense' : ''}`}>
      {groups.map(({ kind, rows: pages }) => {
        const troubled = dense ? pages.filter((row) => row.state !== 'findable') : pages;
        const signs = dense ? troubled.slice(0, 120) : pages;
        return (
          <div key={kind} className="sky-group">
            <div className="sky-signs">
              {signs.map((row) => (
                <button
                  key={row.id}
                  type="button"
                  className={TROUBLE.has(row.state) ? 'trouble' : ''}
                  title={`${row.name}: ${STATE_WORDS[row.state].name.toLowerCase()}`}
                  aria-label={`${row.name}: ${STATE_WORDS[row.state].name.toLowerCase()}`}
                  onClick={() => go(TROUBLE.has(row.state) || row.state === 'half-hidden' ? 'doors' : 'words', row.id)}
                >
                  <StateSign state={row.state} size={19} silent />
                </button>
              ))}
              {signs.length === 0 && <StateSign state="findable" size={19} />}
            </div>
            <p className="soft mt-1.5 text-[12.5px]">
              {KIND_WORDS[kind].many} {dense && `· ${pages.length.toLocaleString('en')}`}
              {troubled.length > signs.length && `, ${(troubled.length - signs.length).toLocaleString('en')} more like these`}
            </p>
          </div>
        );
      })}
    </section>
  );
}
