import { cellText, isEditable, readBlock, spreadBlock, writeBlock, type LedgerColumn } from '../../../core/ledger/index.ts';
import type { PageRow } from '../../../core/rows/index.ts';
import type { SiteDocument } from '../../../core/site/index.ts';
import type { At, Box } from './selection.ts';

/** One cell that shall get a text. */
export interface Wanted {
  readonly row: PageRow;
  readonly column: LedgerColumn;
  readonly text: string;
}

/** What stands in the grid: its rows and columns in their order. */
export interface Cells {
  readonly rows: readonly PageRow[];
  readonly columns: readonly LedgerColumn[];
}

/** One cell that shall get a text; none where there is no cell, or one that only tells. */
export function wantedAt({ rows, columns }: Cells, at: At, text: string): Wanted[] {
  const row = rows[at.row];
  const column = columns[at.column];
  return row && column && isEditable(column) ? [{ row, column, text }] : [];
}

/** All places of a block, row by row. */
const placesOf = ({ top, left, rows, columns }: Box): At[] =>
  Array.from({ length: rows * columns }, (_, at) => ({ row: top + Math.floor(at / columns), column: left + (at % columns) }));

/** The first row of a block, written into those below it. */
export function filledDown(cells: Cells, document: SiteDocument, box: Box): Wanted[] {
  const first = cells.rows[box.top];
  if (!first) return [];
  return placesOf(box).flatMap((at) => {
    const column = cells.columns[at.column];
    return at.row === box.top || column === undefined ? [] : wantedAt(cells, at, cellText(first, document, column));
  });
}

/** A block, emptied. */
export const cleared = (cells: Cells, box: Box): Wanted[] => placesOf(box).flatMap((at) => wantedAt(cells, at, ''));

/** A block as text for the clipboard, as spreadsheets take it. */
export function copied({ rows, columns }: Cells, document: SiteDocument, box: Box): string {
  return writeBlock(
    rows.slice(box.top, box.top + box.rows).map((row) => columns.slice(box.left, box.left + box.columns).map((column) => cellText(row, document, column))),
  );
}

/** The clipboard's text, spread over a block; `to` is the last cell that it reaches, within the grid. */
export function pasted(cells: Cells, text: string, box: Box): { readonly wanted: readonly Wanted[]; readonly to: At } {
  const spread = spreadBlock(readBlock(text), box);
  const far = spread.reduce((to, at) => ({ row: Math.max(to.row, at.row), column: Math.max(to.column, at.column) }), { row: box.top, column: box.left });
  return {
    wanted: spread.flatMap(({ row, column, text: one }) => wantedAt(cells, { row, column }, one)),
    to: { row: Math.min(far.row, cells.rows.length - 1), column: Math.min(far.column, cells.columns.length - 1) },
  };
}
