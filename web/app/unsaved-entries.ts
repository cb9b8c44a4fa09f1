import { journalEntrySchema, type JournalEntry } from '../../core/site/index.ts';
import type { WorkspaceTools } from '../workspace/index.ts';

const UNDER_WAY = 'jolly-beacon-under-way:';

/** An entry as it was kept; undefined where it is none, or was cut off. */
function entryOf(text: string | null): JournalEntry | undefined {
  try {
    return journalEntrySchema.safeParse({ ...(JSON.parse(text ?? 'null') as object), seq: 0 }).data;
  } catch {
    return undefined;
  }
}

/**
 * What is on its way to the database, kept in the tab's own storage: a reload finds it again. Each entry has an item of its own, so that a key costs what
 * a key costs, however many wait.
 */
export function tabMemory(storage: () => Storage): WorkspaceTools['unsavedEntries'] {
  let counter = 0;
  const itemsOf = (siteId: string): string[] =>
    Object.keys(storage())
      .filter((key) => key.startsWith(`${UNDER_WAY}${siteId}:`))
      .sort();
  const add = (siteId: string, entry: unknown): void => {
    try {
      storage().setItem(`${UNDER_WAY}${siteId}:${String(++counter).padStart(9, '0')}`, JSON.stringify(entry));
    } catch {
      // There is no room for more, or none is allowed; it is written all the same, a moment later.
    }
  };
  return {
    add,
    keep: (siteId, entries) => {
      try {
        for (const key of itemsOf(siteId)) storage().removeItem(key);
      } catch {
        return;
      }
      for (const entry of entries) add(siteId, entry);
    },
    find: (siteId) => {
      try {
        // One that cannot be read does not take the others along.
        return itemsOf(siteId).flatMap((key) => entryOf(storage().getItem(key)) ?? []);
      } catch {
        return [];
      }
    },
  };
}
