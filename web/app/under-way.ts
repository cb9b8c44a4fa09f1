import { z } from 'zod';
import { journalEntrySchema } from '../../core/site/index.ts';
import type { WorkspaceTools } from '../workspace/index.ts';

const UNDER_WAY = 'jolly-beacon-under-way:';

/** What is on its way to the database, kept in the tab's own storage: a reload finds it again. */
export const tabMemory: WorkspaceTools['underWay'] = {
  keep: (siteId, entries) => {
    try {
      if (entries.length === 0) sessionStorage.removeItem(UNDER_WAY + siteId);
      else sessionStorage.setItem(UNDER_WAY + siteId, JSON.stringify(entries));
    } catch {
      // There is no room for more, or none is allowed; it is written all the same, a moment later.
    }
  },
  find: (siteId) => {
    try {
      const entries = JSON.parse(sessionStorage.getItem(UNDER_WAY + siteId) ?? '[]') as object[];
      // One that cannot be read does not take the others along.
      return entries.flatMap((entry) => z.array(journalEntrySchema).safeParse([{ ...entry, seq: 0 }]).data ?? []);
    } catch {
      return [];
    }
  },
};
