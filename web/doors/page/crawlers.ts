import { isOneOf } from '../../../core/keyed/index.ts';
import { useMemo } from 'react';
import { CRAWLERS } from '../../../core/engines/index.ts';
import { useWorkspace } from '../../workspace/index.ts';

/** The crawlers that can be chosen: those of the engines here, and those that the owner added. */
export function useCrawlers(): readonly string[] {
  const own = useWorkspace((state) => state.document.tables.crawlers);
  return useMemo(() => [...CRAWLERS, ...Object.keys(own).filter((token) => !isOneOf(CRAWLERS, token))], [own]);
}
