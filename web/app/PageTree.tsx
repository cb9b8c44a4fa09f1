import { readableAddress } from '../../core/source/index.ts';
import { useVirtualizer } from '@tanstack/react-virtual';
import { Search } from 'lucide-react';
import { memo, useDeferredValue, useEffect, useMemo, useRef, useState, type KeyboardEvent } from 'react';
import { useLocation } from 'react-router';
import { isEnough } from '../../core/checks/index.ts';
import type { PageRow } from '../../core/rows/index.ts';
import { counted, numberText } from '../../core/wording/index.ts';
import { isOfOnePage, QuietLink, siteText, StateSign, useRoute } from '../components/index.ts';
import { useRemembered, useDebounced } from '../ui/index.ts';
import { useWorkspace, useWorkspaceApi } from '../workspace/index.ts';

type Filter = 'all' | 'no-description' | 'same' | 'shut-out' | 'leaking' | 'to-mend';
const NONE: readonly PageRow[] = [];
const has = (row: PageRow, ...codes: string[]): boolean => row.findings.some((finding) => codes.includes(finding.code));
const FILTERS: readonly { id: Filter; name: string; test: (row: PageRow) => boolean }[] = [
  { id: 'all', name: 'All', test: () => true },
  { id: 'to-mend', name: 'To fix', test: (row) => !isEnough(row.findings) },
  { id: 'no-description', name: 'Undescribed', test: (row) => has(row, 'description-missing') },
  { id: 'same', name: 'Same', test: (row) => has(row, 'title-same', 'description-same') },
  { id: 'shut-out', name: 'Blocked', test: (row) => row.state === 'shut-out' },
  { id: 'leaking', name: 'Leaking', test: (row) => row.state === 'leaking' || row.state === 'half-hidden' },
];

/** One page in the tree. Drawn anew only where something of it changed: all of them stand there on every screen. */
const TreeRow = memo(function TreeRow({
  row,
  to,
  depth,
  current,
  stop,
}: {
  readonly row: PageRow;
  readonly to: string;
  readonly depth: number;
  readonly current: boolean;
  /** Whether the Tab key stops at it. */
  readonly stop: boolean;
}) {
  const open = row.findings.length;
  return (
    <QuietLink
      to={to}
      data-page={row.id}
      className="tree-row"
      style={{ paddingLeft: 11 + depth * 18 }}
      aria-current={current ? 'page' : undefined}
      tabIndex={stop ? 0 : -1}
      title={readableAddress(row.address)}
    >
      <StateSign state={row.state} />
      <span className="min-w-0 flex-1 truncate" {...siteText(row.lang)}>
        {row.name}
      </span>
      {row.pending && (
        <span className="waiting-dot size-1.75 flex-none rounded-full bg-accent" role="img" aria-label="waits for release" title="waits for release" />
      )}
      {open > 0 && (
        <span className="flex-none text-tiny font-semibold text-count tabular-nums" aria-label={counted(open, 'thing to look at', 'things to look at')}>
          {open}
        </span>
      )}
    </QuietLink>
  );
});

/** The site as its addresses, with signs and what is open; typed text and filters narrow it. */
export function PageTree({ onPalette }: { readonly onPalette: () => void }) {
  // A whole site's rows may wait for the keys: the tree is drawn when there is time.
  const rows = useDeferredValue(
    useWorkspace((state) => state.rows),
    NONE,
  );
  const workspace = useWorkspaceApi();
  const closed = useWorkspace((state) => state.numbers.closed);
  const empty = useWorkspace((state) => state.rows.length === 0);
  const { page, goToPage, linkToPage } = useRoute();
  const { pathname } = useLocation();
  const [filter, setFilter] = useRemembered<Filter>(
    'tree-filter',
    FILTERS.map(({ id }) => id),
    'all',
  );
  const [typed, setTyped] = useState('');
  const scroller = useRef<HTMLDivElement>(null);
  const settled = useDebounced(rows);
  const counts = useMemo(() => new Map(FILTERS.map(({ id, test }) => [id, settled.filter(test).length])), [settled]);
  const shown = useMemo(() => narrow(rows, filter, typed), [rows, filter, typed]);
  const depths = useMemo(() => depthsOf(shown), [shown]);
  const list = useVirtualizer({
    count: shown.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => (window.innerWidth <= 760 ? 44 : 30),
    overscan: 12,
  });
  const at = shown.findIndex((row) => row.id === page);
  useEffect(() => {
    if (at >= 0) list.scrollToIndex(at, { align: 'auto' });
  }, [at, list]);

  const choose = (id: string, replace = false): void => goToPage(id, { replace });
  const keys = (event: KeyboardEvent): void => {
    const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
    if (step === undefined || event.altKey) return;
    event.preventDefault();
    const next = shown[Math.min(shown.length - 1, Math.max(0, at + step))];
    if (!next) return;
    // A run of arrows is one way through the tree, not so many places to go back to.
    choose(next.id, isOfOnePage(pathname));
    requestAnimationFrame(() => scroller.current?.querySelector<HTMLElement>(`[data-page="${CSS.escape(next.id)}"]`)?.focus());
  };
  return (
    <>
      <div className="p-3 pb-2">
        <label className="field flex items-center gap-2 pl-2.5">
          <Search size={15} className="flex-none soft" aria-hidden />
          <input
            className="!px-0 !py-1.5 !text-plain"
            type="search"
            placeholder="Find a page"
            aria-label="Find a page"
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
            onKeyDown={(event) => {
              // Enter may come before the tree is drawn: it takes the first of what there is, not of what is shown.
              const [first] = event.key === 'Enter' ? narrow(workspace.state.rows, filter, typed) : [];
              if (first) {
                choose(first.id);
                setTyped('');
              } else if (event.key === 'ArrowDown' && !event.altKey) keys(event);
            }}
          />
          <button
            type="button"
            className="mr-1.5 flex-none"
            onClick={onPalette}
            aria-label="Find a page or an action (Ctrl K)"
            title="Find a page or an action"
          >
            <kbd>Ctrl K</kbd>
          </button>
        </label>
        <div className="mt-2 flex flex-wrap gap-1.5" role="group" aria-label="Show only">
          {FILTERS.map(({ id, name }) => {
            const count = counts.get(id) ?? 0;
            if (count === 0 && id !== 'all' && id !== filter) return null;
            return (
              <button key={id} type="button" className="chip" aria-pressed={filter === id} onClick={() => setFilter(id === filter ? 'all' : id)}>
                {id === 'shut-out' && closed ? 'Closed' : name} <span className="tabular-nums">{numberText(count)}</span>
              </button>
            );
          })}
        </div>
      </div>
      <div ref={scroller} className="min-h-0 flex-1 overflow-auto pb-4" onKeyDown={keys}>
        {shown.length === 0 && (empty || rows.length > 0) && <p className="soft px-4 py-3">{empty ? 'No pages yet.' : 'No page fits this.'}</p>}
        <ul className="relative" style={{ height: list.getTotalSize() }}>
          {list.getVirtualItems().map((item) => {
            const row = shown[item.index] as PageRow;
            return (
              <li key={row.id} className="absolute inset-x-0" style={{ top: item.start, height: item.size }}>
                <TreeRow
                  row={row}
                  to={linkToPage(row.id)}
                  depth={depths[item.index] ?? 0}
                  current={row.id === page}
                  stop={row.id === page || (at < 0 && item.index === 0)}
                />
              </li>
            );
          })}
        </ul>
      </div>
    </>
  );
}

/** The rows that a filter and a typed text leave over. */
function narrow(rows: readonly PageRow[], filter: Filter, typed: string): readonly PageRow[] {
  const test = FILTERS.find(({ id }) => id === filter)?.test ?? (() => true);
  const text = typed.trim().toLowerCase();
  const names = (row: PageRow): boolean => [row.name, row.address, row.title].some((name) => name.toLowerCase().includes(text));
  return rows.filter((row) => test(row) && (text === '' || names(row)));
}

/** How deep each row lies below those shown before it. Home is nobody's parent: everything lies below it. */
function depthsOf(rows: readonly PageRow[]): number[] {
  const parents: string[] = [];
  return rows.map(({ address }) => {
    while (parents.length > 0 && !address.startsWith(parents[parents.length - 1] as string)) parents.pop();
    const depth = parents.length;
    if (address !== '/' && address.endsWith('/')) parents.push(address);
    return Math.min(depth, 5);
  });
}
