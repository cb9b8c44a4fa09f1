import Papa from 'papaparse';

/** A block of cells as spreadsheets put it on the clipboard: tabs and line ends, cells with either in them in quotes. */
export function readBlock(text: string): string[][] {
  if (text === '') return [];
  const body = text.replace(/\r\n?/g, '\n').replace(/\n$/, '');
  if (!/(^|\t|\n)"/.test(body)) return body.split('\n').map((line) => line.split('\t'));
  const parsed = Papa.parse<string[]>(body, { delimiter: '\t', newline: '\n' });
  // A quote that opens and never closes was no quoting: the text is taken as it stands.
  return parsed.errors.some((error) => error.type === 'Quotes') ? body.split('\n').map((line) => line.split('\t')) : parsed.data;
}

/** The same way round: what a spreadsheet takes as a block. A last row that is empty has its end written, since it would be none otherwise. */
export function writeBlock(cells: readonly (readonly string[])[]): string {
  const text = cells.map((row) => row.map((cell) => (/["\t\n\r]/.test(cell) ? `"${cell.replace(/"/g, '""')}"` : cell)).join('\t')).join('\n');
  return cells.length > 0 && /(^|\n)$/.test(text) ? `${text}\n` : text;
}

/** What a pasted block puts where: it begins at a cell; a block of one cell fills the whole selection, as a row or column does where it fits. */
export function spreadBlock(
  block: readonly (readonly string[])[],
  selection: { readonly top: number; readonly left: number; readonly rows: number; readonly columns: number },
): { readonly row: number; readonly column: number; readonly text: string }[] {
  const height = block.length;
  const width = Math.max(0, ...block.map((row) => row.length));
  if (height === 0 || width === 0) return [];
  const down = selection.rows > height && selection.rows % height === 0 ? selection.rows : height;
  const across = selection.columns > width && selection.columns % width === 0 ? selection.columns : width;
  const cells: { row: number; column: number; text: string }[] = [];
  for (let row = 0; row < down; row++)
    for (let column = 0; column < across; column++) {
      const text = block[row % height]?.[column % width];
      if (text !== undefined) cells.push({ row: selection.top + row, column: selection.left + column, text });
    }
  return cells;
}
