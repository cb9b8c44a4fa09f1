import { useState } from 'react';
import { EDITABLE, READ_ONLY, writeCsv, type LedgerColumn } from '../../../core/ledger/index.ts';
import { siteHost, siteOrigin } from '../../../core/site/index.ts';
import { counted } from '../../../core/wording/index.ts';
import { download } from '../../ui/index.ts';
import { useWorkspace, useWorkspaceApi } from '../../workspace/index.ts';
import { ColumnChips } from '../ledger/ColumnChips.tsx';

const AT_FIRST: readonly LedgerColumn[] = ['address', 'name', 'title', 'description', 'phrase', 'ending', 'kind', 'intent'];
/** In the order of the ledger. */
const ORDER: readonly LedgerColumn[] = ['address', 'name', ...EDITABLE, ...READ_ONLY.filter((column) => column !== 'address' && column !== 'name')];

/** The whole ledger as a CSV file, which comes back in as it went out. */
export function TableOut() {
  const rows = useWorkspace((state) => state.rows);
  const workspace = useWorkspaceApi();
  const [columns, setColumns] = useState(AT_FIRST);
  const chosen = ORDER.filter((column) => columns.includes(column));
  return (
    <div className="panel p-4">
      <p>
        {counted(rows.length, 'page')} as a table in UTF-8, with commas: every spreadsheet opens it, and it comes back in by <em>Table in</em>.
      </p>
      <div className="mt-3 flex flex-wrap gap-1.5" role="group" aria-label="Columns">
        <ColumnChips columns={ORDER} chosen={columns} fixed={['address']} onChange={setColumns} />
      </div>
      <button
        type="button"
        className="btn btn-primary mt-4"
        disabled={rows.length === 0}
        onClick={() => {
          const { document } = workspace.state;
          download(
            new Blob(['\uFEFF', writeCsv(rows, document, chosen, siteOrigin(document))], { type: 'text/csv;charset=utf-8' }),
            `${siteHost(document)}-words.csv`,
          );
        }}
      >
        Save the table
      </button>
    </div>
  );
}
