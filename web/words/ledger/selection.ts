/** A cell by row and column of what is shown. */
export interface At {
  readonly row: number;
  readonly column: number;
}

/** A range of cells: where it began, and where the cursor is. */
export interface Selection {
  readonly anchor: At;
  readonly cursor: At;
}

/** The range as its corner and size. */
export interface Box {
  readonly top: number;
  readonly left: number;
  readonly rows: number;
  readonly columns: number;
}

export function boxOf({ anchor, cursor }: Selection): Box {
  const top = Math.min(anchor.row, cursor.row);
  const left = Math.min(anchor.column, cursor.column);
  return { top, left, rows: Math.abs(anchor.row - cursor.row) + 1, columns: Math.abs(anchor.column - cursor.column) + 1 };
}

export function inBox(box: Box, row: number, column: number): boolean {
  return row >= box.top && row < box.top + box.rows && column >= box.left && column < box.left + box.columns;
}

/** Where a key takes the cursor; undefined for keys that move nothing. `page` is how many rows are in view. */
export function moved(at: At, key: string, size: { readonly rows: number; readonly columns: number; readonly page: number }, far: boolean): At | undefined {
  const clamp = (row: number, column: number): At => ({
    row: Math.max(0, Math.min(size.rows - 1, row)),
    column: Math.max(0, Math.min(size.columns - 1, column)),
  });
  switch (key) {
    case 'ArrowDown':
      return clamp(far ? size.rows : at.row + 1, at.column);
    case 'ArrowUp':
      return clamp(far ? 0 : at.row - 1, at.column);
    case 'ArrowRight':
      return clamp(at.row, far ? size.columns : at.column + 1);
    case 'ArrowLeft':
      return clamp(at.row, far ? 0 : at.column - 1);
    case 'PageDown':
      return clamp(at.row + size.page, at.column);
    case 'PageUp':
      return clamp(at.row - size.page, at.column);
    case 'Home':
      return clamp(far ? 0 : at.row, 0);
    case 'End':
      return clamp(far ? size.rows : at.row, size.columns);
    default:
      return undefined;
  }
}
