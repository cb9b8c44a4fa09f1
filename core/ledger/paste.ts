import type { PageRow } from '../rows/index.ts';
import { endingOf } from '../site/index.ts';

/** What is carried over by hand into a builder that has only text boxes. */
export const PASTE_FIELDS = ['title', 'description', 'ending', 'markup'] as const;
export type PasteField = (typeof PASTE_FIELDS)[number];

/** What a field of a page says, as it is to be pasted; `blocks` are the pages' blocks of structured data. */
export function pasteValue(
  row: Pick<PageRow, 'id' | 'address' | 'title' | 'description'>,
  field: PasteField,
  blocks: Readonly<Record<string, string>>,
): string {
  if (field === 'markup') return blocks[row.id] ?? '';
  return field === 'ending' ? endingOf(row.address) : row[field];
}
