import { BANDS, clickBand, type Band } from './click-bands.ts';
import { useMemo } from 'react';
import type { PageRow } from '../../../core/rows/index.ts';
import { Term } from '../../components/index.ts';
import { wording } from '../wording.ts';

/** How deep pages lie, as bars that filter. */
export function Clicks({
  rows,
  clicks,
  picked,
  onPick,
}: {
  readonly rows: readonly PageRow[];
  readonly clicks: ReadonlyMap<string, number> | undefined;
  readonly picked: Band | undefined;
  readonly onPick: (band: Band | undefined) => void;
}) {
  const counts = useMemo(() => {
    const bands = new Map<Band, number>(BANDS.map((band) => [band, 0]));
    for (const row of rows) {
      const band = clickBand(clicks?.get(row.id));
      bands.set(band, (bands.get(band) ?? 0) + 1);
    }
    return bands;
  }, [rows, clicks]);
  const most = Math.max(1, ...counts.values());
  return (
    <section aria-labelledby="clicks">
      <h2 id="clicks" className="mb-2 flex min-h-8 items-center">
        {wording.clicks}&nbsp;
        <Term id="orphan" />
      </h2>
      <div className="panel px-3.5 py-2.5">
        {BANDS.map((band) => {
          const number = counts.get(band) ?? 0;
          return (
            <button
              key={band}
              type="button"
              className="flex w-full cursor-pointer items-center gap-2.5 rounded-lg px-1.5 py-0.5 text-note disabled:cursor-default disabled:text-faint aria-pressed:bg-secondary aria-pressed:font-semibold"
              disabled={number === 0}
              aria-pressed={picked === band}
              onClick={() => onPick(picked === band ? undefined : band)}
            >
              <span className="w-28 flex-none text-left">{wording.bands[band]}</span>
              <span className="h-2.5 flex-1 overflow-hidden rounded-full bg-base-200" aria-hidden>
                <span
                  className={`block h-full rounded-full ${band === 'none' || band === '4+' ? 'bg-brick' : 'bg-green'}`}
                  style={{ width: `${(number / most) * 100}%` }}
                />
              </span>
              <span className="w-12 flex-none text-right tabular-nums">{number}</span>
            </button>
          );
        })}
      </div>
    </section>
  );
}
