import { useVirtualizer } from '@tanstack/react-virtual';
import { ArrowDownNarrowWide, ArrowUpNarrowWide } from 'lucide-react';
import { useCallback, useEffect, useLayoutEffect, useMemo, useRef, useState, type ClipboardEvent, type KeyboardEvent, type PointerEvent } from 'react';
import { cellText, columnName, isEditable, readBlock, spreadBlock, writeBlock, type LedgerColumn } from '../../../core/ledger/index.ts';
import { descriptionLimit, titleLimit } from '../../../core/site/index.ts';
import type { PageRow } from '../../../core/rows/index.ts';
import { useWorkspace, useWorkspaceApi } from '../../workspace/index.ts';
import { CellEditor } from './CellEditor.tsx';
import { GridRow } from './GridRow.tsx';
import { usePrinting } from '../../ui/index.ts';
import { HEAD_HEIGHT, ROW_HEIGHT, WIDTHS } from './layout.ts';
import { PrintedLedger } from './PrintedLedger.tsx';
import { boxOf, moved, type At, type Selection } from './selection.ts';

/** One cell that shall get a text. */
export interface Wanted {
  readonly row: PageRow;
  readonly column: LedgerColumn;
  readonly text: string;
}

export interface Sort {
  readonly column: LedgerColumn;
  readonly down: boolean;
}

/**
 * The site as a grid: arrow keys and the mouse move and select, typing writes, blocks are copied and pasted, filled down by key or by the corner.
 * Only rows in view are drawn.
 */
export function Grid({
  rows,
  columns,
  sort,
  onSort,
  onWrite,
  onSelection,
}: {
  readonly rows: readonly PageRow[];
  readonly columns: readonly LedgerColumn[];
  readonly sort: Sort | undefined;
  readonly onSort: (column: LedgerColumn) => void;
  readonly onWrite: (cells: readonly Wanted[]) => void;
  readonly onSelection: (rows: readonly PageRow[]) => void;
}) {
  const workspace = useWorkspaceApi();
  const document = useWorkspace((state) => state.document);
  const [selection, setSelection] = useState<Selection>({ anchor: { row: 0, column: 1 }, cursor: { row: 0, column: 1 } });
  const [editing, setEditing] = useState<{ readonly at: At; readonly start: string | undefined }>();
  const grid = useRef<HTMLDivElement>(null);
  const drag = useRef<'select' | 'fill'>(undefined);
  const list = useVirtualizer({
    count: rows.length,
    getScrollElement: () => grid.current,
    estimateSize: () => ROW_HEIGHT,
    overscan: 8,
    scrollMargin: HEAD_HEIGHT,
    useFlushSync: false,
  });
  const ownLimits = document.tables.limits;
  // eslint-disable-next-line react-hooks/exhaustive-deps
  const limits = useMemo(() => ({ title: titleLimit(document), description: descriptionLimit(document) }), [ownLimits]);
  const box = useMemo(() => boxOf(selection), [selection]);
  const corner = useMemo(() => ({ row: box.top + box.rows - 1, column: box.left + box.columns - 1 }), [box]);
  useEffect(() => onSelection(rows.slice(box.top, box.top + box.rows)), [box, rows, onSelection]);
  useEffect(() => grid.current?.focus(), []);

  const [view, setView] = useState({ from: 1, to: 6, before: 0 });
  // Only columns in view are drawn, and one to each side.
  const lookAcross = useCallback((): void => {
    const element = grid.current;
    if (!element) return;
    const kept = WIDTHS[columns[0] as LedgerColumn];
    let at = 0;
    let before = 0;
    let from = 1;
    let to = columns.length - 1;
    for (let column = 1; column < columns.length; column++) {
      const wide = WIDTHS[columns[column] as LedgerColumn];
      if (at + wide < element.scrollLeft) {
        from = column + 1;
        before = at + wide;
      }
      if (at + kept > element.scrollLeft + element.clientWidth) {
        to = column;
        break;
      }
      at += wide;
    }
    setView((last) => (last.from === from && last.to === to && last.before === before ? last : { from, to, before }));
  }, [columns]);
  useLayoutEffect(() => {
    lookAcross();
    const watch = new ResizeObserver(lookAcross);
    if (grid.current) watch.observe(grid.current);
    return () => watch.disconnect();
  }, [lookAcross]);

  const show = ({ row, column }: At): void => {
    list.scrollToIndex(row, { align: 'auto' });
    const element = grid.current;
    if (!element || column === 0) return;
    const left = columns.slice(0, column).reduce((sum, one) => sum + WIDTHS[one], 0);
    const right = left + WIDTHS[columns[column] as LedgerColumn];
    const kept = WIDTHS[columns[0] as LedgerColumn];
    if (left - kept < element.scrollLeft) element.scrollLeft = left - kept;
    else if (right > element.scrollLeft + element.clientWidth) element.scrollLeft = right - element.clientWidth;
  };
  const go = (to: At, extend: boolean): void => {
    setSelection({ anchor: extend ? selection.anchor : to, cursor: to });
    show(to);
  };
  const edit = (start?: string): void => {
    const { cursor } = selection;
    if (rows[cursor.row] && isEditable(columns[cursor.column] as LedgerColumn)) setEditing({ at: cursor, start });
  };
  const cell = (at: At, text: string): Wanted[] => {
    const row = rows[at.row];
    const column = columns[at.column];
    return row && column && isEditable(column) ? [{ row, column, text }] : [];
  };
  const fillDown = (to = box): void => {
    const cells: Wanted[] = [];
    for (let column = to.left; column < to.left + to.columns; column++) {
      const from = rows[to.top];
      const name = columns[column];
      if (!from || !name) continue;
      const text = cellText(from, document, name);
      for (let row = to.top + 1; row < to.top + to.rows; row++) cells.push(...cell({ row, column }, text));
    }
    onWrite(cells);
  };
  const clear = (): void => {
    const cells: Wanted[] = [];
    for (let row = box.top; row < box.top + box.rows; row++)
      for (let column = box.left; column < box.left + box.columns; column++) cells.push(...cell({ row, column }, ''));
    onWrite(cells);
  };

  const keys = (event: KeyboardEvent): void => {
    if (editing || event.altKey) return;
    const mod = event.ctrlKey || event.metaKey;
    const page = Math.max(1, Math.floor((grid.current?.clientHeight ?? 400) / ROW_HEIGHT) - 2);
    const to = moved(selection.cursor, event.key, { rows: rows.length, columns: columns.length, page }, mod);
    if (to) go(to, event.shiftKey);
    else if (event.key === 'Tab' && !mod) {
      const step = event.shiftKey ? -1 : 1;
      const next = selection.cursor.column + step;
      // Past the edge, Tab leaves the grid as it leaves any control.
      if (next < 0 || next >= columns.length) return;
      go({ row: selection.cursor.row, column: next }, false);
    } else if (event.key === 'Enter' || event.key === 'F2') edit();
    else if (event.key === 'Delete' || event.key === 'Backspace') clear();
    else if (mod && event.key.toLowerCase() === 'a')
      setSelection({ anchor: { row: 0, column: 0 }, cursor: { row: rows.length - 1, column: columns.length - 1 } });
    else if (mod && event.key.toLowerCase() === 'd') fillDown();
    else if (!mod && event.key.length === 1) edit(event.key);
    else return;
    event.preventDefault();
  };
  const copy = (event: ClipboardEvent): void => {
    if (editing) return;
    const cells = rows
      .slice(box.top, box.top + box.rows)
      .map((row) => columns.slice(box.left, box.left + box.columns).map((column) => cellText(row, document, column)));
    event.clipboardData.setData('text/plain', writeBlock(cells));
    event.preventDefault();
  };
  const paste = (event: ClipboardEvent): void => {
    if (editing) return;
    event.preventDefault();
    const block = readBlock(event.clipboardData.getData('text/plain'));
    const cells = spreadBlock(block, box);
    onWrite(cells.flatMap(({ row, column, text }) => cell({ row, column }, text)));
    const height = Math.max(...cells.map(({ row }) => row), box.top);
    const width = Math.max(...cells.map(({ column }) => column), box.left);
    // The cursor stays where the block begins, as in any spreadsheet.
    setSelection({
      anchor: { row: Math.min(height, rows.length - 1), column: Math.min(width, columns.length - 1) },
      cursor: { row: box.top, column: box.left },
    });
  };

  const atPointer = (event: PointerEvent): At | undefined => {
    const target = window.document.elementFromPoint(event.clientX, event.clientY)?.closest<HTMLElement>('[data-column]');
    const row = target?.closest<HTMLElement>('[data-row]');
    return target && row ? { row: Number(row.dataset['row']), column: Number(target.dataset['column']) } : undefined;
  };
  const press = (event: PointerEvent): void => {
    const at = atPointer(event);
    if (!at || event.button !== 0) return;
    if ((event.target as HTMLElement).dataset['fill'] !== undefined) drag.current = 'fill';
    else {
      drag.current = 'select';
      setSelection({ anchor: event.shiftKey ? selection.anchor : at, cursor: at });
    }
    grid.current?.focus({ preventScroll: true });
  };
  const move = (event: PointerEvent): void => {
    const at = drag.current && atPointer(event);
    if (!at) return;
    if (drag.current === 'select') setSelection({ anchor: selection.anchor, cursor: at });
    else if (at.row >= box.top) setSelection({ anchor: { row: box.top, column: box.left }, cursor: { row: at.row, column: box.left + box.columns - 1 } });
  };
  const release = (): void => {
    if (drag.current === 'fill') fillDown();
    drag.current = undefined;
  };
  useLayoutEffect(() => {
    // The list may have become shorter than where the cursor stands.
    if (rows.length > 0 && selection.cursor.row >= rows.length)
      setSelection({ anchor: { row: rows.length - 1, column: 1 }, cursor: { row: rows.length - 1, column: 1 } });
  }, [rows.length, selection.cursor.row]);

  const printing = usePrinting();
  if (printing) return <PrintedLedger rows={rows} columns={columns} document={document} />;
  const editingRow = editing && rows[editing.at.row];
  const width = columns.reduce((sum, column) => sum + WIDTHS[column], 0);
  return (
    <div
      ref={grid}
      className="ledger-grid"
      role="grid"
      tabIndex={0}
      aria-label="All pages"
      aria-rowcount={rows.length + 1}
      aria-colcount={columns.length}
      aria-multiselectable
      aria-activedescendant="ledger-cursor"
      data-testid="ledger"
      onKeyDown={keys}
      onCopy={copy}
      onPaste={paste}
      onPointerDown={press}
      onPointerMove={move}
      onPointerUp={release}
      onDoubleClick={() => edit()}
      onScroll={lookAcross}
    >
      <div className="ledger-head" role="row" aria-rowindex={1} style={{ width }}>
        {columns.map((column, at) => (
          <div
            key={column}
            role="columnheader"
            className={`ledger-cell${at === 0 ? ' first' : ''}`}
            style={{ width: WIDTHS[column] }}
            aria-sort={sort?.column === column ? (sort.down ? 'descending' : 'ascending') : 'none'}
          >
            <button type="button" tabIndex={-1} onClick={() => onSort(column)} title={`Sort by ${columnName(column).toLowerCase()}`}>
              {columnName(column)}{' '}
              {sort?.column === column &&
                (sort.down ? <ArrowDownNarrowWide size={14} className="inline" aria-hidden /> : <ArrowUpNarrowWide size={14} className="inline" aria-hidden />)}
            </button>
          </div>
        ))}
      </div>
      <div role="rowgroup" style={{ height: list.getTotalSize() }}>
        {list.getVirtualItems().map((item) => {
          const row = rows[item.index];
          return (
            row && (
              <GridRow
                key={row.id}
                row={row}
                index={item.index}
                top={item.start}
                columns={columns}
                width={width}
                view={view}
                own={document.tables.pages[row.id]}
                document={document}
                limits={limits}
                box={box}
                cursor={selection.cursor}
                corner={corner}
              />
            )
          );
        })}
      </div>
      {editing && editingRow && (
        <CellEditor
          key={`${editingRow.id} ${editing.at.column}`}
          column={columns[editing.at.column] as LedgerColumn}
          row={editingRow}
          start={editing.start ?? cellText(editingRow, workspace.state.document, columns[editing.at.column] as LedgerColumn)}
          left={columns.slice(0, editing.at.column).reduce((sum, one) => sum + WIDTHS[one], 0)}
          top={HEAD_HEIGHT + editing.at.row * ROW_HEIGHT}
          onDone={(text, step) => {
            setEditing(undefined);
            grid.current?.focus({ preventScroll: true });
            if (text !== undefined) onWrite(cell(editing.at, text));
            if (step) go(moved(editing.at, step, { rows: rows.length, columns: columns.length, page: 1 }, false) ?? editing.at, false);
          }}
        />
      )}
    </div>
  );
}
