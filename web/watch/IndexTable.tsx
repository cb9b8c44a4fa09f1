import { CircleDashed, CircleMinus, Link2, ListChecks } from 'lucide-react';
import { useMemo, useState } from 'react';
import type { EngineRow } from '../../core/exchange/index.ts';
import { gateWords, shortDate } from '../../core/wording/index.ts';
import { PageLink, PageName } from '../components/index.ts';
import { byText, DataTable, type Column } from '../ui/index.ts';
import { useWorkspace } from '../workspace/index.ts';
import { OUTCOMES } from './wording.ts';

const ICONS = { listed: ListChecks, bare: Link2, 'not-listed': CircleMinus, waiting: CircleDashed } as const;
const COLOURS = { listed: 'text-success', bare: 'sign-half-hidden', 'not-listed': 'text-error', waiting: 'soft' } as const;
const ORDER: readonly EngineRow['outcome'][] = ['bare', 'not-listed', 'waiting', 'listed'];

const pathOf = ({ address }: EngineRow): string => new URL(address).pathname;
const found = (record: EngineRow): Record<`data-${string}`, string> => ({ 'data-record': pathOf(record), 'data-outcome': record.outcome });

const COLUMNS: readonly Column<EngineRow>[] = [
  {
    id: 'state',
    name: 'State',
    className: 'whitespace-nowrap',
    cell: ({ outcome }) => {
      const Icon = ICONS[outcome];
      return (
        <span className={`inline-flex items-center gap-2 font-semibold ${COLOURS[outcome]}`}>
          <Icon size={16} aria-hidden /> {OUTCOMES[outcome]}
        </span>
      );
    },
  },
  {
    id: 'why',
    name: 'Why',
    className: 'text-note',
    cell: ({ reason }) => {
      const { evidence, means } = gateWords(reason);
      return (
        <>
          {evidence}
          <span className="soft block">{means}</span>
        </>
      );
    },
  },
  {
    id: 'visit',
    name: 'Last visit',
    className: 'whitespace-nowrap',
    compare: byText(({ visitedAt }) => visitedAt),
    cell: ({ visitedAt }) => (visitedAt ? shortDate(visitedAt) : <span className="soft">never</span>),
  },
];

/** Every address that the engine knows, with what became of it and why. */
export function IndexTable({ records }: { readonly records: readonly EngineRow[] }) {
  const [only, setOnly] = useState<EngineRow['outcome']>();
  const rows = useWorkspace((state) => state.rows);
  const byAddress = useMemo(() => new Map(rows.map((row) => [row.address, row])), [rows]);
  const address: Column<EngineRow> = {
    id: 'address',
    name: 'Address',
    className: 'min-w-40',
    compare: byText((record) => record.address),
    cell: (record) => {
      const path = pathOf(record);
      const row = byAddress.get(path);
      return (
        <>
          {row && (
            <PageLink to="doors" page={row.id} className="link-act text-left">
              <PageName row={row} />
            </PageLink>
          )}
          <span className="mono soft block break-all text-tiny">{path}</span>
        </>
      );
    },
  };
  const shown = useMemo(
    () => records.filter((record) => only === undefined || record.outcome === only).sort((a, b) => ORDER.indexOf(a.outcome) - ORDER.indexOf(b.outcome)),
    [records, only],
  );
  return (
    <>
      <div className="mt-2 flex flex-wrap gap-1.5" role="group" aria-label="Show only">
        {ORDER.map((outcome) => {
          const count = records.filter((record) => record.outcome === outcome).length;
          return count === 0 ? null : (
            <button
              key={outcome}
              type="button"
              className="chip"
              aria-pressed={only === outcome}
              onClick={() => setOnly(only === outcome ? undefined : outcome)}
            >
              {OUTCOMES[outcome]} <span className="tabular-nums">{count}</span>
            </button>
          );
        })}
      </div>
      <div className="mt-2.5">
        <DataTable rows={shown} list={only ?? ''} keyOf={({ address }) => address} data={found} columns={[address, ...COLUMNS]} />
      </div>
    </>
  );
}
