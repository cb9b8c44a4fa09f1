import { ArrowDown, CornerDownRight, Undo2 } from 'lucide-react';
import { useMemo } from 'react';
import { isEnoughAt } from '../../core/checks/index.ts';
import { counted } from '../../core/wording/index.ts';
import { useHotkey } from '../ui/index.ts';
import { useWorkspace, useWorkspaceApi } from '../workspace/index.ts';
import { useNextToMend, useRoute } from './navigation.ts';
import { PageLink } from './PageLink.tsx';

/** How far the walk is: what is left, the way on, and what was passed over. */
export function WalkBar({ stop, enough }: { readonly stop: 'words' | 'meaning'; readonly enough: string }) {
  const workspace = useWorkspaceApi();
  const rows = useWorkspace((state) => state.rows);
  const skipped = useWorkspace((state) => state.skipped);
  const { page, go } = useRoute();
  const nextToMend = useNextToMend();
  const open = useMemo(() => rows.filter((row) => !isEnoughAt(stop, row.findings)), [rows, stop]);
  const left = open.filter((row) => !skipped.has(row.id)).length;
  const passed = open.length - left;
  const here = rows.find((row) => row.id === page);
  const next = nextToMend(1);
  const skip = (): void => {
    if (page === undefined || !here || isEnoughAt(stop, here.findings)) return;
    const on = nextToMend(1);
    workspace.skip(page);
    if (on !== undefined) go(stop, on, { walking: true });
  };
  useHotkey('alt+s', skip);
  useHotkey('alt+b', () => workspace.skip(undefined));
  if (open.length === 0) {
    return (
      <p className="notice notice-good mb-4 py-2 text-small" role="status">
        {enough}
      </p>
    );
  }
  return (
    <div className="mb-3.5 flex flex-wrap items-center gap-x-3 gap-y-1.5 text-small" role="group" aria-label="The walk" data-testid="walk">
      <progress className="progress progress-success w-24" value={rows.length - open.length} max={rows.length} aria-label="Pages that are good enough" />
      <span className="tabular-nums">
        {left === 0 ? 'Only pages you passed over are left' : `${counted(left, 'page')} to fix`}
        {passed > 0 && <span className="soft"> · {passed} passed over</span>}
      </span>
      <span className="ml-auto flex flex-wrap items-center gap-x-3 gap-y-1">
        {here && !isEnoughAt(stop, here.findings) && !skipped.has(here.id) && left > 1 && (
          <button type="button" className="link-act inline-flex items-center gap-1" onClick={skip} aria-keyshortcuts="Alt+S">
            <CornerDownRight size={15} aria-hidden /> Pass over <kbd>Alt S</kbd>
          </button>
        )}
        {passed > 0 && (
          <button type="button" className="link-act inline-flex items-center gap-1" onClick={() => workspace.skip(undefined)} aria-keyshortcuts="Alt+B">
            <Undo2 size={15} aria-hidden /> Come back to them <kbd>Alt B</kbd>
          </button>
        )}
        {next !== undefined && (
          <PageLink to={stop} page={next} walking className="btn btn-sm btn-outline-ink gap-1" aria-keyshortcuts="Alt+ArrowDown">
            Next to fix <ArrowDown size={15} aria-hidden />
          </PageLink>
        )}
      </span>
    </div>
  );
}
