import { useState } from 'react';
import { faultWeight, type MapEntryLine, type MapOrder } from '../../core/map/index.ts';
import { DataTable, useAsync, useMore, type Column, type Sorting } from '../ui/index.ts';
import { useWorkspaceApi } from '../workspace/index.ts';
import { faultWords } from './wording.ts';

/** By weight: wrong, only out of date, as it should be. */
const FAULT_LOOKS = ['text-error', 'text-amber-ink', 'soft'] as const;
/** The worker sorts: here it need only be said which columns can. */
const elsewhere = (): number => 0;

const COLUMNS: readonly (Column<MapEntryLine> & { readonly id: MapOrder['by'] })[] = [
  {
    id: 'loc',
    name: 'Address',
    className: 'break-all',
    compare: elsewhere,
    cell: ({ loc, languages }) => (
      <>
        <span className="mono text-fine">{loc}</span>
        {languages.length > 0 && <span className="soft block text-tiny">also {languages.join(', ')}</span>}
      </>
    ),
  },
  {
    id: 'lastmod',
    name: 'Last change',
    className: 'whitespace-nowrap tabular-nums',
    compare: elsewhere,
    cell: ({ lastmod }) => lastmod ?? <span className="soft">not told</span>,
  },
  { id: 'images', name: 'Pictures', className: 'num', compare: elsewhere, cell: ({ images }) => images },
  {
    id: 'fault',
    name: 'Against the site',
    className: ({ fault }) => `text-note ${FAULT_LOOKS[faultWeight(fault)]}`,
    compare: elsewhere,
    cell: ({ fault, page }) => (fault ? faultWords(fault) : page === undefined ? 'a file of the site' : 'as it should be'),
  },
];

/** The addresses of a map, each with what is wrong with it. The worker keeps them; as many are asked for as are drawn. */
export function ReadEntries({ ticket, entries, wrong }: { readonly ticket: number; readonly entries: number; readonly wrong: number }) {
  const { tools } = useWorkspaceApi();
  const [sort, setSort] = useState<Sorting<string>>({ by: 'fault', down: false });
  const [wrongOnly, setWrongOnly] = useState(false);
  const { drawn, more } = useMore(`${sort.by} ${sort.down} ${wrongOnly}`);
  const by = COLUMNS.find(({ id }) => id === sort.by)?.id ?? 'fault';
  const { value: lines } = useAsync(
    () => tools.analysis.mapLines(ticket, { by, down: sort.down, wrongOnly }, drawn),
    `${ticket} ${by} ${sort.down} ${wrongOnly} ${drawn}`,
  );
  return (
    <>
      {wrong > 0 && (
        <label className="mb-2 flex min-h-8 items-center gap-2 text-small">
          <input type="checkbox" className="checkbox checkbox-sm" checked={wrongOnly} onChange={(event) => setWrongOnly(event.target.checked)} />
          Only the {wrong.toLocaleString('en')} that are wrong
        </label>
      )}
      <DataTable
        columns={COLUMNS}
        rows={lines ?? []}
        keyOf={({ loc, place }) => `${loc} ${place}`}
        data={({ loc, fault }) => ({ 'data-entry': loc, 'data-fault': fault?.code })}
        elsewhere={{ sort, onSort: setSort, drawn, more, total: wrongOnly ? wrong : entries }}
      />
    </>
  );
}
