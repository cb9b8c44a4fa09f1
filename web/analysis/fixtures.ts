import { createHash } from 'node:crypto';
import { zipSync, type Zippable } from 'fflate';
import { loadDocument, openDatabase, type Database } from '../storage/index.ts';
import type { SiteDocument } from '../../core/site/index.ts';
import { Analyst } from './analyst.ts';
import { importSite } from './import-site.ts';

let names = 0;

/** For tests: a site of such files in a database of its own, with an analyst that has not opened it yet. `now` is its clock. */
export async function importedSite(
  files: Zippable,
  now: () => number = () => Date.UTC(2026, 10, 25),
): Promise<{ readonly db: Database; readonly document: SiteDocument; readonly analyst: Analyst }> {
  const db = await openDatabase(`fixture-${++names}`);
  await importSite(
    { kind: 'archive', name: 'x.zip', bytes: zipSync(files) },
    {
      db,
      id: 's',
      now: () => new Date('2026-11-25T10:00:00Z'),
      hash: async (content) => createHash('sha256').update(content).digest('hex'),
      progress: () => undefined,
      cancelled: () => false,
    },
  );
  return { db, document: (await loadDocument(db, 's')).document, analyst: new Analyst(db, 's', now, new Map()) };
}

/** Opens it, whatever that takes. */
export const openWhole = (analyst: Analyst, document: SiteDocument): Promise<unknown> =>
  analyst.open(
    document,
    () => undefined,
    () => false,
  );
