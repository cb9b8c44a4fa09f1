import { Columns3, Replace } from 'lucide-react';
import { useCallback, useMemo, useState } from 'react';
import { cellChange, TakenPlaces, type LedgerColumn } from '../../../core/ledger/index.ts';
import { all, type Change } from '../../../core/site/index.ts';
import type { PageRow } from '../../../core/rows/index.ts';
import { counted, numberText, plural } from '../../../core/wording/index.ts';
import { Empty, like, note, useHotkey, useKeptState } from '../../ui/index.ts';
import { useWorkspace, useWorkspaceApi } from '../../workspace/index.ts';
import { ColumnChooser } from './ColumnChooser.tsx';
import { arranged, NO_FILTER, type Filter } from './filters.ts';
import { AddPage } from './AddPage.tsx';
import { FillEmpty } from './FillEmpty.tsx';
import { FindReplace } from './FindReplace.tsx';
import type { Wanted } from './blocks.ts';
import { Grid } from './Grid.tsx';
import type { Sort } from './GridHead.tsx';
import { LedgerFilters } from './LedgerFilters.tsx';
import { FIRST, isColumn, rememberColumns, rememberedColumns } from './layout.ts';
import { CELL_FAULTS, wording } from '../wording.ts';

/** All pages as a grid, to be filled in like a spreadsheet. */
export function Ledger() {
  const workspace = useWorkspaceApi();
  const rows = useWorkspace((state) => state.rows);
  const byId = useWorkspace((state) => state.byId);
  // Sites that came as files grow where they are made.
  const grows = useWorkspace((state) => state.site?.from === 'empty' || state.site?.from === 'list');
  const [chosen, setChosen] = useState(rememberedColumns);
  const [sort, setSort] = useKeptState<Sort | undefined>(
    'ledger-sort',
    undefined,
    (kept) => like({ column: '', down: false })(kept) && isColumn((kept as Sort).column),
  );
  const [filter, setFilter] = useKeptState<Filter>('ledger-filter', NO_FILTER, like(NO_FILTER));
  const [open, setOpen] = useState<'columns' | 'replace'>();
  const [selected, setSelected] = useState<readonly PageRow[]>([]);
  const columns = useMemo<readonly LedgerColumn[]>(() => [FIRST, ...chosen], [chosen]);
  // What is shown, and in which order, is settled when it is asked for: a row that was just written must not jump away from under the cursor.
  // eslint-disable-next-line react-hooks/exhaustive-deps
  const order = useMemo(() => arranged(rows, workspace.state.document, filter, sort), [filter, sort, rows.length, workspace]);
  const shown = useMemo(() => order.flatMap((id) => byId.get(id) ?? []), [order, byId]);
  const onSelection = useCallback((next: readonly PageRow[]) => setSelected(next), []);
  useHotkey('mod+h', () => setOpen(open === 'replace' ? undefined : 'replace'));

  const write = (cells: readonly Wanted[]): void => {
    const { document } = workspace.state;
    const changes: Change[] = [];
    const faults = new Map<string, number>();
    const taken = new TakenPlaces(workspace.state.rows);
    for (const { row, column, text } of cells) {
      const result = cellChange(row, document, column, text, taken);
      if ('fault' in result) faults.set(CELL_FAULTS[result.fault], (faults.get(CELL_FAULTS[result.fault]) ?? 0) + 1);
      else if (result.change) changes.push(result.change);
    }
    if (changes.length > 0) workspace.change(all(changes), { label: `${counted(changes.length, 'cell')} of the ledger changed` });
    for (const [fault, count] of faults) note(`${counted(count, 'cell')} left as ${plural(count, 'it was', 'they were')}: ${fault}`);
    if (changes.length > 1) note(`${counted(changes.length, 'cell')} changed.`, { action: { label: 'Undo', onClick: () => void workspace.undo() } });
  };
  if (rows.length === 0 && grows) return <AddPage />;
  if (rows.length === 0) return <Empty title={wording.noPages}>{wording.noPagesWhy}</Empty>;
  const narrowed = Object.values(filter).some((value) => value !== '');
  return (
    <div className="ledger">
      <h1 className="sr-only">Ledger</h1>
      {grows && <AddPage />}
      <div className="mb-2.5 flex flex-wrap items-center gap-2 print:hidden">
        <LedgerFilters filter={filter} onFilter={setFilter} sort={sort} onSort={setSort} columns={columns} />
        <span className="ml-auto flex flex-wrap gap-2">
          <FillEmpty selected={selected} onWrite={write} />
          <button
            type="button"
            className="btn btn-sm btn-outline-ink gap-1.5"
            aria-expanded={open === 'replace'}
            aria-keyshortcuts="Control+H"
            onClick={() => setOpen(open === 'replace' ? undefined : 'replace')}
          >
            <Replace size={15} aria-hidden /> Replace
          </button>
          <button
            type="button"
            className="btn btn-sm btn-outline-ink px-2"
            aria-label="Columns"
            title="Columns"
            aria-expanded={open === 'columns'}
            onClick={() => setOpen(open === 'columns' ? undefined : 'columns')}
          >
            <Columns3 size={15} aria-hidden />
          </button>
        </span>
      </div>
      {open === 'columns' && (
        <ColumnChooser
          chosen={chosen}
          onChange={(next) => {
            setChosen(next);
            rememberColumns(next);
          }}
        />
      )}
      {open === 'replace' && <FindReplace rows={shown} selected={selected} onClose={() => setOpen(undefined)} onWrite={write} />}
      {shown.length === 0 ? (
        <Empty
          title="No page fits this"
          action={
            <button type="button" className="btn btn-outline-ink" onClick={() => setFilter(NO_FILTER)}>
              Show all pages
            </button>
          }
        >
          Nothing is lost: the filter leaves no row over.
        </Empty>
      ) : (
        <Grid
          rows={shown}
          columns={columns}
          sort={sort}
          onSort={(column) => setSort(sort?.column === column ? (sort.down ? undefined : { column, down: true }) : { column, down: false })}
          onWrite={write}
          onSelection={onSelection}
        />
      )}
      <LedgerFoot shown={shown.length} all={rows.length} narrowed={narrowed} onAll={() => setFilter(NO_FILTER)} />
    </div>
  );
}

/** How many rows there are, and what the keys do. */
function LedgerFoot({
  shown,
  all: total,
  narrowed,
  onAll,
}: {
  readonly shown: number;
  readonly all: number;
  readonly narrowed: boolean;
  readonly onAll: () => void;
}) {
  return (
    <p className="soft mt-1.5 text-fine">
      <span className="mr-3 font-semibold tabular-nums" role="status">
        {narrowed ? `${numberText(shown)} of ${numberText(total)}` : counted(total, 'page')}
        {narrowed && (
          <button type="button" className="link-act ml-2" onClick={onAll}>
            Show all
          </button>
        )}
      </span>
      <span className="hidden sm:inline">
        Type or <kbd>Enter</kbd> to write, <kbd>Shift</kbd> and arrows to select, <kbd>Ctrl C</kbd> <kbd>Ctrl V</kbd> from and to a spreadsheet,{' '}
        <kbd>Ctrl D</kbd> fills down, <kbd>Del</kbd> gives the page its own words back.
      </span>
    </p>
  );
}
