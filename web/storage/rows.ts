import type { PageRow, SiteNumbers } from '../../core/rows/index.ts';
import { siteRange, type Database } from './database.ts';

/** Rows a record holds: to unpack more at once would hold the page up. */
const PART = 400;

/** What a site looked like when it was looked at last. */
export interface KeptRows {
  readonly rows: readonly PageRow[];
  readonly numbers: SiteNumbers;
  /** The version of the site's files that they are about. */
  readonly version: number;
}

/** Keeps the rows of a site for the next time it is opened. `made` names the program that made them: another one's are of no use. */
export async function keepRows(db: Database, siteId: string, { rows, numbers, version }: KeptRows, made: string): Promise<void> {
  const transaction = db.transaction('rows', 'readwrite', { durability: 'relaxed' });
  void transaction.store.delete(siteRange(siteId));
  for (let part = 0; part * PART < Math.max(1, rows.length); part++)
    void transaction.store.put({ siteId, part, made, version, numbers, of: rows.length, rows: rows.slice(part * PART, (part + 1) * PART) });
  await transaction.done;
}

/** The rows kept of a site; undefined where there are none of this program's making, or not all of them. */
export async function loadRows(db: Database, siteId: string, made: string): Promise<KeptRows | undefined> {
  const first = await db.get('rows', [siteId, 0]);
  if (!first || first.made !== made) return undefined;
  // Asked for all at once: each comes in a task of its own, and none waits for the one before.
  const parts = Math.ceil(first.of / PART);
  const others = await Promise.all(Array.from({ length: Math.max(0, parts - 1) }, (_, at) => db.get('rows', [siteId, at + 1])));
  if (!others.every((next) => next?.made === made && next.of === first.of)) return undefined;
  const rows = [first, ...others].flatMap((next) => next?.rows ?? []);
  return rows.length === first.of ? { rows, numbers: first.numbers, version: first.version ?? 0 } : undefined;
}
