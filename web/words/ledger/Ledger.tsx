import { Columns3, Replace, Sparkles } from 'lucide-react';
import { useCallback, useMemo, useState } from 'react';
import { CHECKS } from '../../../core/checks/index.ts';
import { cellChange, columnName, EDITABLE, TakenPlaces, type LedgerColumn } from '../../../core/ledger/index.ts';
import { all, KINDS, type Change, KIND_TABLE } from '../../../core/site/index.ts';
import type { PageRow } from '../../../core/rows/index.ts';
import { aboutCheck, counted, numberText, STATE_WORDS, plural } from '../../../core/wording/index.ts';
import { Empty, like, note, useHotkey, useKeptState, useDebounced } from '../../ui/index.ts';
import { onProgress } from '../../analysis/index.ts';
import { useWorkspace, useWorkspaceApi } from '../../workspace/index.ts';
import { ColumnChooser } from './ColumnChooser.tsx';
import { arranged, NO_FILTER, type Filter } from './filters.ts';
import { AddPage } from './AddPage.tsx';
import { FindReplace } from './FindReplace.tsx';
import { Grid, type Sort, type Wanted } from './Grid.tsx';
import { CHOOSABLE, FIRST, rememberColumns, rememberedColumns } from './layout.ts';
import { CELL_FAULTS, wording } from '../wording.ts';

/** Whether a word names a column. */
const isColumn = (name: string): name is LedgerColumn => name === FIRST || CHOOSABLE.includes(name as LedgerColumn);

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
  const [filling, setFilling] = useState<{ readonly job: string; readonly done: number; readonly of: number }>();
  const [selected, setSelected] = useState<readonly PageRow[]>([]);
  const columns = useMemo<readonly LedgerColumn[]>(() => [FIRST, ...chosen], [chosen]);
  // What is shown, and in which order, is settled when it is asked for: a row that was just written must not jump away from under the cursor.
  // eslint-disable-next-line react-hooks/exhaustive-deps
  const order = useMemo(() => arranged(rows, workspace.state.document, filter, sort), [filter, sort, rows.length, workspace]);
  const shown = useMemo(() => order.flatMap((id) => byId.get(id) ?? []), [order, byId]);
  const settled = useDebounced(rows, 400);
  const codes = useMemo(() => new Set(settled.flatMap((row) => row.findings.map((finding) => finding.code))), [settled]);
  const kinds = useMemo(() => KINDS.filter((kind) => settled.some((row) => row.kind === kind)), [settled]);
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
  const suggest = async (): Promise<void> => {
    if (filling) return void workspace.tools.analysis.cancel(filling.job);
    const job = workspace.tools.newId();
    setFilling({ job, done: 0, of: 0 });
    const found = await workspace.tools.analysis
      .suggestionsForEmpty(
        job,
        'description',
        onProgress((done, of) => setFilling({ job, done, of })),
      )
      .finally(() => setFilling(undefined));
    if (!found) return void note('Stopped: nothing was filled in.');
    const wanted = found.filter(({ page }) => selected.length < 2 || selected.some((row) => row.id === page));
    if (wanted.length === 0) return void note('No page without a description has a sentence that would serve.');
    write(wanted.flatMap(({ page, text }) => (byId.get(page) ? [{ row: byId.get(page) as PageRow, column: 'description' as const, text }] : [])));
  };
  if (rows.length === 0 && grows) return <AddPage />;
  if (rows.length === 0) return <Empty title={wording.noPages}>{wording.noPagesWhy}</Empty>;
  const narrowed = Object.values(filter).some((value) => value !== '');
  return (
    <div className="ledger">
      <h1 className="sr-only">Ledger</h1>
      {grows && <AddPage />}
      <div className="mb-2.5 flex flex-wrap items-center gap-2 print:hidden">
        <input
          className="input input-sm w-28"
          type="search"
          placeholder="Find"
          aria-label="Find in the ledger"
          value={filter.text}
          onChange={(event) => setFilter({ ...filter, text: event.target.value })}
        />
        <Choice
          label="Kind"
          value={filter.kind}
          options={kinds.map((kind) => [kind, KIND_TABLE[kind].many])}
          onChange={(kind) => setFilter({ ...filter, kind })}
        />
        <Choice
          label="State"
          value={filter.state}
          options={Object.entries(STATE_WORDS).map(([state, words]) => [state, words.name])}
          onChange={(state) => setFilter({ ...filter, state })}
        />
        <Choice
          label="Finding"
          value={filter.finding}
          options={[
            ['mend', 'Anything that needs fixing'],
            ...CHECKS.filter((check) => codes.has(check.code)).map((check): [string, string] => [check.code, aboutCheck(check.code).name]),
          ]}
          onChange={(finding) => setFilter({ ...filter, finding })}
        />
        <Choice
          label="Empty"
          value={filter.empty}
          options={EDITABLE.map((column) => [column, columnName(column)])}
          onChange={(empty) => setFilter({ ...filter, empty })}
        />
        <Choice
          label="Sort"
          any="tree"
          value={sort ? `${sort.column} ${sort.down ? 'down' : 'up'}` : ''}
          options={columns.flatMap((column): [string, string][] => [
            [`${column} up`, `${columnName(column)} ↑`],
            [`${column} down`, `${columnName(column)} ↓`],
          ])}
          onChange={(next) => {
            const [column = '', way] = next.split(' ');
            setSort(isColumn(column) ? { column, down: way === 'down' } : undefined);
          }}
        />
        <span className="ml-auto flex flex-wrap gap-2">
          <button
            type="button"
            className="btn btn-sm btn-outline-ink gap-1.5"
            onClick={() => void suggest()}
            title={
              filling
                ? `${numberText(filling.done)} of ${numberText(filling.of)} pages read; press to stop`
                : 'Fill from the pages: empty descriptions of the selected rows, or of all, get the page’s own best sentence'
            }
          >
            <Sparkles size={15} aria-hidden /> {/* No wider than before it was pressed: what stops it stays under the hand. */}
            {filling === undefined ? 'Fill empty' : filling.of === 0 ? 'Reading …' : `Stop, ${Math.floor((100 * filling.done) / filling.of)} %`}
          </button>
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
      <p className="soft mt-1.5 text-fine">
        <span className="mr-3 font-semibold tabular-nums" role="status">
          {narrowed ? `${numberText(shown.length)} of ${numberText(rows.length)}` : counted(rows.length, 'page')}
          {narrowed && (
            <button type="button" className="link-act ml-2" onClick={() => setFilter(NO_FILTER)}>
              Show all
            </button>
          )}
        </span>
        <span className="hidden sm:inline">
          Type or <kbd>Enter</kbd> to write, <kbd>Shift</kbd> and arrows to select, <kbd>Ctrl C</kbd> <kbd>Ctrl V</kbd> from and to a spreadsheet,{' '}
          <kbd>Ctrl D</kbd> fills down, <kbd>Del</kbd> gives the page its own words back.
        </span>
      </p>
    </div>
  );
}

function Choice({
  label,
  any = 'any',
  value,
  options,
  onChange,
}: {
  readonly label: string;
  /** What stands there where nothing is chosen. */
  readonly any?: string;
  readonly value: string;
  readonly options: readonly (readonly [string, string])[];
  readonly onChange: (value: string) => void;
}) {
  return (
    <select
      className={`select select-sm w-auto max-w-[150px]${value === '' ? '' : ' !border-base-content font-semibold'}`}
      aria-label={label}
      value={value}
      onChange={(event) => onChange(event.target.value)}
    >
      <option value="">
        {label}: {any}
      </option>
      {options.map(([id, name]) => (
        <option key={id} value={id}>
          {name}
        </option>
      ))}
    </select>
  );
}
