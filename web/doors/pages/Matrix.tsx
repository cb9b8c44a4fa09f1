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

const HEADING = 'px-2.5 py-2 text-left text-fine font-semibold text-faint';
/** By what becomes of the pages in a cell. */
const CELL_LOOKS: Readonly<Partial<Record<PageRow['state'], string>>> = {
  'shut-out': 'bg-brick-soft',
  leaking: 'bg-brick-soft',
  'half-hidden': 'bg-plum-soft',
  'kept-out': 'bg-plum-soft',
  findable: 'bg-amber-soft',
};

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
        <table className="w-full min-w-130 table-fixed">
          <thead>
            <tr>
              <td />
              {REALITIES.map((reality) => (
                <th key={reality} scope="col" className={HEADING}>
                  {REALITY_NAMES[reality]}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {INTENTS.map((intent) => (
              <tr key={intent}>
                <th scope="row" className={HEADING}>
                  {INTENT_NAMES[intent]}
                </th>
                {REALITIES.map((reality) => {
                  const number = counts[`${intent} ${reality}`] ?? 0;
                  const state = matrixState(intent, reality);
                  const on = picked?.intent === intent && picked.reality === reality;
                  return (
                    <td key={reality} className={`border-t border-l border-line p-0 ${number > 0 ? CELL_LOOKS[state] : ''}`}>
                      <button
                        type="button"
                        className="flex min-h-19.5 w-full cursor-pointer flex-col items-start gap-0.5 px-2.75 py-2.25 text-left -outline-offset-3 aria-pressed:shadow-[inset_0_0_0_3px_var(--color-accent)] disabled:cursor-default disabled:text-faint disabled:[&>:not([data-number])]:invisible"
                        disabled={number === 0}
                        aria-pressed={on}
                        data-cell={`${intent} ${reality}`}
                        onClick={() => onPick(on ? undefined : { intent, reality })}
                      >
                        <StateSign state={state} size={18} silent />
                        <span className="display text-[22px]/[1.1] font-bold tabular-nums" data-number>
                          {number}
                        </span>
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
