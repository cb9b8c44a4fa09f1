import type { EngineId } from '../../../core/engines/index.ts';
import { useMemo } from 'react';
import type { Reality } from '../../../core/indexing/index.ts';
import type { PageRow } from '../../../core/rows/index.ts';
import { StateSign } from '../../components/index.ts';
import { Segments } from '../../ui/index.ts';
import { INTENT_NAMES, matrixState, REALITY_NAMES, wording } from '../wording.ts';

const REALITIES: readonly Reality[] = ['listed', 'bare', 'out', 'not-live'];
const INTENTS: readonly PageRow['intent'][] = ['list', 'out'];

/** How many pages stand in each cell, by intent and reality. */
function countCells(rows: readonly PageRow[], engine: string): Readonly<Record<string, number>> {
  const counts: Record<string, number> = {};
  for (const { intent, realities } of rows) {
    const cell = `${intent} ${realities[engine] ?? ''}`;
    counts[cell] = (counts[cell] ?? 0) + 1;
  }
  return counts;
}

/** Intent against reality: what you want in rows, what an engine does in columns; a press on a number shows those pages. */
export function Matrix({
  rows,
  engine,
  engines,
  onEngine,
  picked,
  onPick,
}: {
  readonly rows: readonly PageRow[];
  readonly engine: EngineId;
  readonly engines: readonly { readonly id: EngineId; readonly name: string }[];
  readonly onEngine: (id: EngineId) => void;
  readonly picked: { readonly intent: PageRow['intent']; readonly reality: Reality } | undefined;
  readonly onPick: (cell: { readonly intent: PageRow['intent']; readonly reality: Reality } | undefined) => void;
}) {
  const counts = useMemo(() => countCells(rows, engine), [rows, engine]);
  return (
    <section aria-labelledby="matrix">
      <div className="mb-2 flex flex-wrap items-center justify-between gap-2">
        <h2 id="matrix">{wording.matrix}</h2>
        <Segments label="By which engine" value={engine} onChange={onEngine} options={engines.map(({ id, name }) => ({ value: id, label: name }))} />
      </div>
      <div className="panel overflow-x-auto">
        <table className="intents">
          <thead>
            <tr>
              <td />
              {REALITIES.map((reality) => (
                <th key={reality} scope="col">
                  {REALITY_NAMES[reality]}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {INTENTS.map((intent) => (
              <tr key={intent}>
                <th scope="row">{INTENT_NAMES[intent]}</th>
                {REALITIES.map((reality) => {
                  const number = counts[`${intent} ${reality}`] ?? 0;
                  const state = matrixState(intent, reality);
                  const on = picked?.intent === intent && picked.reality === reality;
                  return (
                    <td key={reality} className={number > 0 ? `intents-${state}` : ''}>
                      <button
                        type="button"
                        className="intents-cell"
                        disabled={number === 0}
                        aria-pressed={on}
                        data-cell={`${intent} ${reality}`}
                        onClick={() => onPick(on ? undefined : { intent, reality })}
                      >
                        <StateSign state={state} size={18} silent />
                        <span className="intents-number">{number}</span>
                        <span className="text-tiny">{wording.cells[state]}</span>
                      </button>
                    </td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}
