import { useMemo } from 'react';
import { stopCounts } from '../../core/rows/index.ts';
import type { Stop } from '../../core/checks/index.ts';
import { stepsLeft } from '../components/index.ts';
import { useDebounced } from '../ui/index.ts';
import { useWorkspace, useWorkspaceApi } from '../workspace/index.ts';

/** How much is open at each stop: pages where it is about pages, things to do elsewhere. */
export function useStopCounts(): Readonly<Partial<Record<Stop, number>>> {
  const workspace = useWorkspaceApi();
  // Counts follow the survey, not the keys: it looks at all pages again and says when it is done.
  const surveyed = useDebounced(useWorkspace((state) => state.surveyed));
  const engine = useWorkspace((state) => state.engine);
  return useMemo(() => {
    if (surveyed === 0) return {};
    return stopCounts(stepsLeft({ ...workspace.state, engine }));
  }, [workspace, surveyed, engine]);
}
