import { useMemo } from 'react';
import { remainingSteps, type Step } from '../../core/rows/index.ts';
import type { Stop } from '../../core/checks/index.ts';
import { useDebounced } from '../ui/index.ts';
import { useWorkspace, useWorkspaceApi } from '../workspace/index.ts';

const STOP_OF: Readonly<Record<Step['code'], Stop>> = {
  'no-home': 'words',
  'open-site': 'doors',
  'open-visitors': 'doors',
  'open-page': 'doors',
  'open-pages': 'doors',
  'close-kind': 'doors',
  'close-page': 'doors',
  'half-hidden': 'doors',
  'write-words': 'words',
  'say-who': 'meaning',
  'make-map': 'map',
  release: 'release',
  'place-proof': 'proof',
  verify: 'proof',
  'hand-in': 'watch',
  wait: 'watch',
};

/** How much is open at each stop: pages where it is about pages, things to do elsewhere. */
export function useStopCounts(): Readonly<Partial<Record<Stop, number>>> {
  const workspace = useWorkspaceApi();
  // Counts follow the survey, not the keys: it looks at all pages again and says when it is done.
  const surveyed = useDebounced(useWorkspace((state) => state.surveyed));
  const engine = useWorkspace((state) => state.engine);
  return useMemo(() => {
    if (surveyed === 0) return {};
    const { document, rows, numbers } = workspace.state;
    const counts: Partial<Record<Stop, number>> = { words: 0, meaning: 0, doors: 0, map: 0, release: 0, proof: 0, watch: 0 };
    for (const { step } of remainingSteps(document, rows, numbers, engine)) {
      const stop = STOP_OF[step.code];
      const weight = 'pages' in step ? step.pages.length : step.code === 'release' ? step.files : 1;
      counts[stop] = (counts[stop] ?? 0) + weight;
    }
    return counts;
  }, [workspace, surveyed, engine]);
}
