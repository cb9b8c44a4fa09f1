import { CircleDashed, CircleMinus, Link2, ListChecks } from 'lucide-react';
import { useMemo, useState } from 'react';
import type { EngineRow } from '../../core/exchange/index.ts';
import { gateWords, shortDate } from '../../core/wording/index.ts';
import { PageLink, PageName } from '../components/index.ts';
import { useWorkspace } from '../workspace/index.ts';
import { OUTCOMES } from './wording.ts';

const ICONS = { listed: ListChecks, bare: Link2, 'not-listed': CircleMinus, waiting: CircleDashed } as const;
const COLOURS = { listed: 'text-success', bare: 'sign-half-hidden', 'not-listed': 'text-error', waiting: 'soft' } as const;
const ORDER: readonly EngineRow['outcome'][] = ['bare', 'not-listed', 'waiting', 'listed'];
const DRAWN = 300;

/** Every address that the engine knows, with what became of it and why. */
export function IndexTable({ records }: { readonly records: readonly EngineRow[] }) {
  const [only, setOnly] = useState<EngineRow['outcome']>();
  const rows = useWorkspace((state) => state.rows);
  const byAddress = useMemo(() => new Map(rows.map((row) => [row.address, row])), [rows]);
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
      <div className="panel mt-2.5 overflow-x-auto">
        <table className="data-table stacked">
          <thead>
            <tr>
              <th>Address</th>
              <th>State</th>
              <th>Why</th>
              <th>Last visit</th>
            </tr>
          </thead>
          <tbody>
            {shown.slice(0, DRAWN).map((record) => {
              const Icon = ICONS[record.outcome];
              const path = new URL(record.address).pathname;
              const row = byAddress.get(path);
              const { evidence, means } = gateWords(record.reason);
              return (
                <tr key={record.address} data-record={path} data-outcome={record.outcome}>
                  <td className="min-w-40">
                    {row ? (
                      <PageLink to="doors" page={row.id} className="link-act text-left">
                        <PageName row={row} />
                      </PageLink>
                    ) : null}
                    <span className="mono soft block break-all text-[12px]">{path}</span>
                  </td>
                  <td className="whitespace-nowrap">
                    <span className={`inline-flex items-center gap-2 font-semibold ${COLOURS[record.outcome]}`}>
                      <Icon size={16} aria-hidden /> {OUTCOMES[record.outcome]}
                    </span>
                  </td>
                  <td className="text-[13px]">
                    {evidence}
                    <span className="soft block">{means}</span>
                  </td>
                  <td className="whitespace-nowrap">{record.visitedAt ? shortDate(record.visitedAt) : <span className="soft">never</span>}</td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
      {shown.length > DRAWN && <p className="soft mt-1 text-[13px]">and {shown.length - DRAWN} more</p>}
    </>
  );
}
