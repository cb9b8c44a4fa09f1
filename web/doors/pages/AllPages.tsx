import { useMemo } from 'react';
import { ENGINE_IDS, ENGINES, SKERRY, type EngineId } from '../../../core/engines/index.ts';
import type { Reality } from '../../../core/indexing/index.ts';
import type { PageRow } from '../../../core/rows/index.ts';
import { counted } from '../../../core/wording/index.ts';
import { Empty, useRemembered, like, useKeptState } from '../../ui/index.ts';
import { useReport, useWorkspace } from '../../workspace/index.ts';
import { clickBand, type Band } from './click-bands.ts';
import { Clicks } from './Clicks.tsx';
import { Matrix } from './Matrix.tsx';
import { PagesTable } from './PagesTable.tsx';
import { wording } from '../wording.ts';

/** What the table is narrowed to. */
export interface Narrowing {
  readonly cell: { readonly intent: PageRow['intent']; readonly reality: Reality } | undefined;
  readonly band: Band | undefined;
  readonly orphans: boolean;
}

const ALL: Narrowing = { cell: undefined, band: undefined, orphans: false };

/** All pages: intent against reality as a picture that filters, clicks from home, and the table to change many at once. */
export function AllPages() {
  const rows = useWorkspace((state) => state.rows);
  const clicks = useReport((one) => one.tools.analysis.clicks());
  const [engine, setEngine] = useRemembered<EngineId>('doors-engine', ENGINE_IDS, SKERRY.id);
  const [narrow, setNarrow] = useKeptState<Narrowing>('all-pages', ALL, like(ALL, ['cell', 'band']));
  const shown = useMemo(
    () =>
      rows.filter((row) => {
        if (narrow.cell && (row.intent !== narrow.cell.intent || row.realities[engine] !== narrow.cell.reality)) return false;
        if (narrow.band !== undefined && clickBand(clicks?.get(row.id)) !== narrow.band) return false;
        return !narrow.orphans || isOrphan(row);
      }),
    [rows, clicks, narrow, engine],
  );
  if (rows.length === 0) return <Empty title="There is no page here yet">Bring a site in, and every page stands here.</Empty>;
  const orphans = countOrphans(rows);
  const narrowed = narrow.cell !== undefined || narrow.band !== undefined || narrow.orphans;
  return (
    <div className="mx-auto max-w-270">
      <h1 className="mb-1">All pages</h1>
      <p className="soft mb-4">{wording.pagesLead}</p>
      <div className="grid gap-6 *:min-w-0 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
        <Matrix rows={rows} engine={engine} engines={ENGINES} onEngine={setEngine} picked={narrow.cell} onPick={(cell) => setNarrow({ ...narrow, cell })} />
        <Clicks rows={rows} clicks={clicks} picked={narrow.band} onPick={(band) => setNarrow({ ...narrow, band })} />
      </div>
      <div className="mt-5 mb-2 flex flex-wrap items-center gap-2">
        <h2 className="mr-1">{counted(shown.length, 'page')}</h2>
        <button type="button" className="chip" aria-pressed={narrow.orphans} onClick={() => setNarrow({ ...narrow, orphans: !narrow.orphans })}>
          {wording.orphans} <span className="tabular-nums">{orphans}</span>
        </button>
        {narrowed && (
          <button type="button" className="link-act text-note" onClick={() => setNarrow(ALL)}>
            Show all {rows.length}
          </button>
        )}
      </div>
      <PagesTable rows={shown} clicks={clicks} engine={engine} />
    </div>
  );
}

const countOrphans = (rows: readonly PageRow[]): number => rows.reduce((sum, row) => sum + Number(isOrphan(row)), 0);
const isOrphan = (row: PageRow): boolean => row.linksIn === 0 && row.address !== '/';
