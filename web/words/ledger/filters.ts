import { costOf, isEnough } from '../../../core/checks/index.ts';
import { cellText, type LedgerColumn } from '../../../core/ledger/index.ts';
import type { SiteDocument } from '../../../core/site/index.ts';
import type { PageRow } from '../../../core/rows/index.ts';
import type { Sort } from './GridHead.tsx';

/** What the ledger is narrowed to; empty texts narrow nothing. */
export interface Filter {
  readonly text: string;
  readonly kind: string;
  readonly state: string;
  readonly finding: string;
  readonly empty: string;
}

export const NO_FILTER: Filter = { text: '', kind: '', state: '', finding: '', empty: '' };

/** The ids of the rows that a filter leaves over, in the order of a sort. */
export function arranged(rows: readonly PageRow[], document: SiteDocument, filter: Filter, sort: Sort | undefined): readonly string[] {
  const text = filter.text.trim().toLowerCase();
  const kept = rows.filter(
    (row) =>
      (filter.kind === '' || row.kind === filter.kind) &&
      (filter.state === '' || row.state === filter.state) &&
      (filter.finding === '' || (filter.finding === 'mend' ? !isEnough(row.findings) : row.findings.some((finding) => finding.code === filter.finding))) &&
      (filter.empty === '' || cellText(row, document, filter.empty as LedgerColumn) === '') &&
      (text === '' || [row.name, row.address, row.title, row.description].some((one) => one.toLowerCase().includes(text))),
  );
  if (!sort) return kept.map((row) => row.id);
  const numeric = ['findings', 'words', 'linksIn', 'linksOut'].includes(sort.column);
  const collator = new Intl.Collator(undefined, { numeric: true, sensitivity: 'base' });
  const weight = (row: PageRow): number =>
    sort.column === 'findings' ? row.findings.reduce((sum, one) => sum + { blocks: 10_000, weakens: 100, polish: 1 }[costOf(one)], 0) : 0;
  const keyed = kept.map((row) => ({ id: row.id, text: cellText(row, document, sort.column), weight: weight(row) }));
  keyed.sort((a, b) => (sort.column === 'findings' ? a.weight - b.weight : numeric ? Number(a.text) - Number(b.text) : collator.compare(a.text, b.text)));
  if (sort.down) keyed.reverse();
  return keyed.map((row) => row.id);
}
