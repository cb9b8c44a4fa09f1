import { KINDS, type Kind } from '../../core/site/index.ts';
import type { PageRow } from '../../core/rows/index.ts';

/** Pages grouped by what they are for, in the order of the kinds; kinds without a page are left out. */
export function byKind(rows: readonly PageRow[]): { kind: Kind; rows: PageRow[] }[] {
  return KINDS.map((kind) => ({ kind, rows: rows.filter((row) => row.kind === kind) })).filter((group) => group.rows.length > 0);
}
