import { useVirtualizer } from '@tanstack/react-virtual';
import { ArrowDown, ArrowUp } from 'lucide-react';
import { useMemo, useRef, useState } from 'react';
import type { PageRow } from '../../../core/rows/index.ts';
import { counted } from '../../../core/wording/index.ts';
import { usePrinting } from '../../ui/index.ts';
import { setInMap, setPageIntents, useWorkspace, useWorkspaceApi } from '../../workspace/index.ts';
import { CELLS, PageLine, ROW, thingsOf } from './PageLine.tsx';

type Column = 'name' | 'kind' | 'intent' | 'reality' | 'clicks' | 'linksIn' | 'inMap' | 'is';
const ROW_HEIGHT = 44;

/** What can be done with all marked pages. */
const BULK: readonly { readonly name: string; readonly act: (workspace: ReturnType<typeof useWorkspaceApi>, ids: readonly string[]) => void }[] = [
  { name: 'List', act: (workspace, ids) => setPageIntents(workspace, ids, 'list') },
  { name: 'Keep out', act: (workspace, ids) => setPageIntents(workspace, ids, 'out') },
  { name: 'As their kind', act: (workspace, ids) => setPageIntents(workspace, ids, null) },
  { name: 'Into the sitemap', act: (workspace, ids) => setInMap(workspace, ids, true) },
  { name: 'Out of the sitemap', act: (workspace, ids) => setInMap(workspace, ids, false) },
  { name: 'Map as intended', act: (workspace, ids) => setInMap(workspace, ids, null) },
];

/** The pages as a table that sorts, with marks to change many at once. */
export function PagesTable({
  rows,
  clicks,
  engine,
}: {
  readonly rows: readonly PageRow[];
  readonly clicks: ReadonlyMap<string, number> | undefined;
  readonly engine: string;
}) {
  const workspace = useWorkspaceApi();
  const [sort, setSort] = useState<{ readonly by: Column; readonly down: boolean }>();
  const [marked, setMarked] = useState<ReadonlySet<string>>(new Set());
  const mapOn = useWorkspace((state) => state.document.tables.sitemap['']?.on === true);
  const scroller = useRef<HTMLDivElement>(null);
  const sorted = useMemo(
    () => (sort ? [...rows].sort((a, b) => compare(a, b, sort.by, clicks, engine) * (sort.down ? -1 : 1)) : rows),
    [rows, sort, clicks, engine],
  );
  // The list tells by itself when it has to be drawn anew; a compiler cannot see that.
  const list = useVirtualizer({ count: sorted.length, getScrollElement: () => scroller.current, estimateSize: () => ROW_HEIGHT, overscan: 4 });
  const printing = usePrinting();
  const items = printing ? sorted.map((_, index) => ({ index, start: index * ROW_HEIGHT })) : list.getVirtualItems();
  const chosen = sorted.filter((row) => marked.has(row.id)).map((row) => row.id);
  const all = sorted.length > 0 && chosen.length === sorted.length;
  const lastMarked = useRef<string>(undefined);
  /** Marks a page; with Shift, all from the one marked last. */
  const mark = (at: number, on: boolean, reaching: boolean): void => {
    const from = reaching ? sorted.findIndex((row) => row.id === lastMarked.current) : -1;
    const next = new Set(marked);
    for (const { id } of sorted.slice(from < 0 ? at : Math.min(at, from), Math.max(at, from) + 1)) {
      if (on) next.add(id);
      else next.delete(id);
    }
    lastMarked.current = sorted[at]?.id;
    setMarked(next);
  };
  const heading = (by: Column, words: string, className: string) => (
    <span role="columnheader" className={className} aria-sort={sort?.by === by ? (sort.down ? 'descending' : 'ascending') : 'none'}>
      <button
        type="button"
        className="inline-flex min-h-7 cursor-pointer items-center gap-1 font-semibold"
        onClick={() => setSort(sort?.by !== by ? { by, down: false } : sort.down ? undefined : { by, down: true })}
      >
        {words}
        {sort?.by === by && (sort.down ? <ArrowDown size={13} aria-hidden /> : <ArrowUp size={13} aria-hidden />)}
      </button>
    </span>
  );
  return (
    <>
      <div className="mb-2 flex min-h-9 flex-wrap items-center gap-2 text-small" role="group" aria-label="Change the marked pages">
        <label className="flex min-h-8 items-center gap-2">
          <input
            type="checkbox"
            className="checkbox checkbox-sm"
            checked={all}
            onChange={(event) => setMarked(event.target.checked ? new Set(sorted.map((row) => row.id)) : new Set())}
          />
          {chosen.length === 0 ? 'Mark all' : `${counted(chosen.length, 'page')} marked`}
        </label>
        {BULK.map(({ name, act }) => (
          <button key={name} type="button" className="btn btn-sm btn-outline-ink" disabled={chosen.length === 0} onClick={() => act(workspace, chosen)}>
            {name}
          </button>
        ))}
      </div>
      <div
        className="panel relative max-h-[62vh] overflow-auto print:max-h-none print:overflow-visible"
        role="table"
        aria-label="Pages"
        aria-rowcount={sorted.length + 1}
        ref={scroller}
        tabIndex={0}
      >
        <div role="row" className={`${ROW} sticky z-2 h-9 border-b bg-base-100 text-fine`}>
          <span role="columnheader" className={CELLS.mark}>
            <span className="sr-only">Marked</span>
          </span>
          {heading('name', 'Page', CELLS.name)}
          {heading('kind', 'Kind', CELLS.kind)}
          {heading('intent', 'You want', CELLS.intent)}
          {heading('reality', 'Engine', CELLS.reality)}
          {heading('clicks', 'Clicks', CELLS.number)}
          {heading('linksIn', 'Links in', CELLS.number)}
          {heading('inMap', 'Sitemap', CELLS.map)}
          {heading('is', 'Markup', CELLS.is)}
        </div>
        <div style={{ height: list.getTotalSize(), position: 'relative' }}>
          {items.map(({ index, start }) => {
            const row = sorted[index] as PageRow;
            return (
              <PageLine
                key={row.id}
                row={row}
                index={index}
                top={start}
                depth={clicks?.get(row.id)}
                engine={engine}
                mapOn={mapOn}
                marked={marked.has(row.id)}
                onMark={(on, reaching) => mark(index, on, reaching)}
              />
            );
          })}
        </div>
      </div>
    </>
  );
}

const FAR = 1_000_000;

function compare(a: PageRow, b: PageRow, by: Column, clicks: ReadonlyMap<string, number> | undefined, engine: string): number {
  switch (by) {
    case 'name':
      return a.name.localeCompare(b.name);
    case 'kind':
      return a.kind.localeCompare(b.kind);
    case 'intent':
      return a.intent.localeCompare(b.intent);
    case 'reality':
      return (a.realities[engine] ?? '').localeCompare(b.realities[engine] ?? '');
    case 'clicks':
      return (clicks?.get(a.id) ?? FAR) - (clicks?.get(b.id) ?? FAR);
    case 'linksIn':
      return a.linksIn - b.linksIn;
    case 'inMap':
      return Number(b.inMap) - Number(a.inMap);
    case 'is':
      return (b.lacks?.length ?? 0) - (a.lacks?.length ?? 0) || thingsOf(a).localeCompare(thingsOf(b));
  }
}
