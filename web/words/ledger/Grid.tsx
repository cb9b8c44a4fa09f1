import { useVirtualizer } from '@tanstack/react-virtual';
import { useEffect, useLayoutEffect, useMemo, useRef, useState, type ClipboardEvent, type KeyboardEvent } from 'react';
import { cellText, isEditable, type LedgerColumn } from '../../../core/ledger/index.ts';
import { descriptionLimit, titleLimit, type SiteDocument } from '../../../core/site/index.ts';
import type { PageRow } from '../../../core/rows/index.ts';
import { useWorkspace, useWorkspaceApi } from '../../workspace/index.ts';
import { cleared, copied, filledDown, pasted, wantedAt, type Cells, type Wanted } from './blocks.ts';
import { CellEditor } from './CellEditor.tsx';
import { useCellPointer } from './cell-pointer.ts';
import { leftOf, scrolledTo, useColumnsInView, type View } from './columns-in-view.ts';
import { GridHead, type Sort } from './GridHead.tsx';
import { GridRow } from './GridRow.tsx';
import { usePrinting } from '../../ui/index.ts';
import { HEAD_HEIGHT, ROW_HEIGHT } from './layout.ts';
import { PrintedLedger } from './PrintedLedger.tsx';
import { boxOf, moved, type At, type Box, type Selection } from './selection.ts';

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
  const list = useVirtualizer({
    count: rows.length,
    getScrollElement: () => grid.current,
    estimateSize: () => ROW_HEIGHT,
    overscan: 8,
    scrollMargin: HEAD_HEIGHT,
    useFlushSync: false,
  });
  const cells = useMemo(() => ({ rows, columns }), [rows, columns]);
  const box = useMemo(() => boxOf(selection), [selection]);
  useEffect(() => onSelection(rows.slice(box.top, box.top + box.rows)), [box, rows, onSelection]);
  useEffect(() => grid.current?.focus(), []);

  const { view, look } = useColumnsInView(grid, columns);
  const show = ({ row, column }: At): void => {
    list.scrollToIndex(row, { align: 'auto' });
    const element = grid.current;
    if (element) element.scrollLeft = scrolledTo(columns, column, element.scrollLeft, element.clientWidth);
  };
  const go = (to: At, extend: boolean): void => {
    setSelection({ anchor: extend ? selection.anchor : to, cursor: to });
    show(to);
  };
  const edit = (start?: string): void => {
    const { cursor } = selection;
    if (rows[cursor.row] && isEditable(columns[cursor.column] as LedgerColumn)) setEditing({ at: cursor, start });
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
    else if (event.key === 'Delete' || event.key === 'Backspace') onWrite(cleared(cells, box));
    else if (mod && event.key.toLowerCase() === 'a')
      setSelection({ anchor: { row: 0, column: 0 }, cursor: { row: rows.length - 1, column: columns.length - 1 } });
    else if (mod && event.key.toLowerCase() === 'd') onWrite(filledDown(cells, document, box));
    else if (!mod && event.key.length === 1) edit(event.key);
    else return;
    event.preventDefault();
  };
  const copy = (event: ClipboardEvent): void => {
    if (editing) return;
    event.clipboardData.setData('text/plain', copied(cells, document, box));
    event.preventDefault();
  };
  const paste = (event: ClipboardEvent): void => {
    if (editing) return;
    event.preventDefault();
    const { wanted, to } = pasted(cells, event.clipboardData.getData('text/plain'), box);
    onWrite(wanted);
    // The cursor stays where the block begins, as in any spreadsheet.
    setSelection({ anchor: to, cursor: { row: box.top, column: box.left } });
  };

  const pointer = useCellPointer(grid, {
    onPress: (at, extend) => setSelection({ anchor: extend ? selection.anchor : at, cursor: at }),
    onSelect: (at) => setSelection({ anchor: selection.anchor, cursor: at }),
    onFill: (at) => {
      if (at.row >= box.top) setSelection({ anchor: { row: box.top, column: box.left }, cursor: { row: at.row, column: box.left + box.columns - 1 } });
    },
    onFilled: () => onWrite(filledDown(cells, document, box)),
  });
  useLayoutEffect(() => {
    // The list may have become shorter than where the cursor stands.
    if (rows.length > 0 && selection.cursor.row >= rows.length)
      setSelection({ anchor: { row: rows.length - 1, column: 1 }, cursor: { row: rows.length - 1, column: 1 } });
  }, [rows.length, selection.cursor.row]);

  const printing = usePrinting();
  if (printing) return <PrintedLedger rows={rows} columns={columns} document={document} />;
  const editingRow = editing && rows[editing.at.row];
  const width = leftOf(columns, columns.length);
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
      {...pointer}
      onDoubleClick={() => edit()}
      onScroll={look}
    >
      <GridHead columns={columns} sort={sort} width={width} onSort={onSort} />
      <div role="rowgroup" style={{ height: list.getTotalSize() }}>
        <Rows items={list.getVirtualItems()} cells={cells} document={document} width={width} view={view} cursor={selection.cursor} box={box} />
      </div>
      {editing && editingRow && (
        <CellEditor
          key={`${editingRow.id} ${editing.at.column}`}
          column={columns[editing.at.column] as LedgerColumn}
          row={editingRow}
          start={editing.start ?? cellText(editingRow, workspace.state.document, columns[editing.at.column] as LedgerColumn)}
          left={leftOf(columns, editing.at.column)}
          top={HEAD_HEIGHT + editing.at.row * ROW_HEIGHT}
          onDone={(text, step) => {
            setEditing(undefined);
            grid.current?.focus({ preventScroll: true });
            if (text !== undefined) onWrite(wantedAt(cells, editing.at, text));
            if (step) go(moved(editing.at, step, { rows: rows.length, columns: columns.length, page: 1 }, false) ?? editing.at, false);
          }}
        />
      )}
    </div>
  );
}

/** The rows in view. */
function Rows({
  items,
  cells: { rows, columns },
  document,
  width,
  view,
  cursor,
  box,
}: {
  readonly items: readonly { readonly index: number; readonly start: number }[];
  readonly cells: Cells;
  readonly document: SiteDocument;
  readonly width: number;
  readonly view: View;
  readonly cursor: At;
  readonly box: Box;
}) {
  const ownLimits = document.tables.limits;
  // eslint-disable-next-line react-hooks/exhaustive-deps
  const limits = useMemo(() => ({ title: titleLimit(document), description: descriptionLimit(document) }), [ownLimits]);
  const corner = useMemo(() => ({ row: box.top + box.rows - 1, column: box.left + box.columns - 1 }), [box]);
  return (
    <>
      {items.map((item) => {
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
              cursor={cursor}
              corner={corner}
            />
          )
        );
      })}
    </>
  );
}
