import { cellText, columnName, type LedgerColumn } from '../../../core/ledger/index.ts';
import type { SiteDocument } from '../../../core/site/index.ts';
import type { PageRow } from '../../../core/rows/index.ts';
import { siteText } from '../../components/index.ts';

/** The ledger on paper: all rows that are shown, with all columns that are. */
export function PrintedLedger({
  rows,
  columns,
  document,
}: {
  readonly rows: readonly PageRow[];
  readonly columns: readonly LedgerColumn[];
  readonly document: SiteDocument;
}) {
  return (
    <table className="data-table printed-ledger">
      <thead>
        <tr>
          {columns.map((column) => (
            <th key={column}>{columnName(column)}</th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map((row) => (
          <tr key={row.id}>
            {columns.map((column) => (
              <td key={column} {...siteText(row.lang)}>
                {cellText(row, document, column)}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
