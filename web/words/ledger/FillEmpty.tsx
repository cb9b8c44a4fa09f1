import { Sparkles } from 'lucide-react';
import { useState } from 'react';
import type { PageRow } from '../../../core/rows/index.ts';
import { numberText } from '../../../core/wording/index.ts';
import { onProgress } from '../../analysis/index.ts';
import { note } from '../../ui/index.ts';
import { useWorkspace, useWorkspaceApi } from '../../workspace/index.ts';
import type { Wanted } from './blocks.ts';

/** Gives empty descriptions, of the selected rows where there are several, the best sentence of their page; while it reads, a press stops it. */
export function FillEmpty({ selected, onWrite: write }: { readonly selected: readonly PageRow[]; readonly onWrite: (cells: readonly Wanted[]) => void }) {
  const workspace = useWorkspaceApi();
  const byId = useWorkspace((state) => state.byId);
  const [filling, setFilling] = useState<{ readonly job: string; readonly done: number; readonly of: number }>();
  const suggest = async (): Promise<void> => {
    if (filling) return void workspace.tools.analysis.cancel(filling.job);
    const job = workspace.tools.newId();
    setFilling({ job, done: 0, of: 0 });
    const found = await workspace.tools.analysis
      .suggestionsForEmpty(
        job,
        'description',
        onProgress((done, of) => setFilling({ job, done, of })),
      )
      .finally(() => setFilling(undefined));
    if (!found) return void note('Stopped: nothing was filled in.');
    const wanted = found.filter(({ page }) => selected.length < 2 || selected.some((row) => row.id === page));
    if (wanted.length === 0) return void note('No page without a description has a sentence that would serve.');
    write(wanted.flatMap(({ page, text }) => (byId.get(page) ? [{ row: byId.get(page) as PageRow, column: 'description' as const, text }] : [])));
  };
  return (
    <button
      type="button"
      className="btn btn-sm btn-outline-ink gap-1.5"
      onClick={() => void suggest()}
      title={
        filling
          ? `${numberText(filling.done)} of ${numberText(filling.of)} pages read; press to stop`
          : 'Fill from the pages: empty descriptions of the selected rows, or of all, get the page’s own best sentence'
      }
    >
      <Sparkles size={15} aria-hidden /> {/* No wider than before it was pressed: what stops it stays under the hand. */}
      {filling === undefined ? 'Fill empty' : filling.of === 0 ? 'Reading …' : `Stop, ${Math.floor((100 * filling.done) / filling.of)} %`}
    </button>
  );
}
