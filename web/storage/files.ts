import { isPageFile } from '../../core/site/index.ts';
import { siteRange, type Database, type StoredBytes, type StoredFile } from './database.ts';

/** Records a transaction takes: enough to be fast, few enough to leave room for others. */
const BATCH = 100;

const storeOf = (path: string): 'pages' | 'assets' => (isPageFile(path) ? 'pages' : 'assets');

/** Keeps files of a site. */
export async function saveFiles(db: Database, files: readonly (StoredFile & { readonly bytes: Uint8Array })[]): Promise<void> {
  for (let from = 0; from < files.length; from += BATCH) {
    const transaction = db.transaction(['files', 'pages', 'assets'], 'readwrite', { durability: 'relaxed' });
    for (const { bytes, ...file } of files.slice(from, from + BATCH)) {
      void transaction.objectStore('files').put(file);
      void transaction.objectStore(storeOf(file.path)).put({ siteId: file.siteId, path: file.path, bytes });
    }
    await transaction.done;
  }
}

/** What is known of a site's files, in path order. */
export function listFiles(db: Database, siteId: string): Promise<StoredFile[]> {
  return db.getAll('files', siteRange(siteId));
}

/** The bytes of one file; undefined where there is no such file. */
export async function loadBytes(db: Database, siteId: string, path: string): Promise<Uint8Array | undefined> {
  return (await db.get(storeOf(path), [siteId, path]))?.bytes;
}

/** All pages of a site, batch by batch: a whole site's pages are never in memory at once. The next batch is fetched while the last one is worked on. */
export async function* eachPage(db: Database, siteId: string): AsyncGenerator<StoredBytes[]> {
  let coming: Promise<StoredBytes[]> | undefined = db.getAll('pages', siteRange(siteId), BATCH);
  while (coming) {
    const batch: StoredBytes[] = await coming;
    const last = batch.length === BATCH ? batch[BATCH - 1] : undefined;
    coming = last && db.getAll('pages', IDBKeyRange.bound([siteId, last.path], [siteId, []], true), BATCH);
    if (batch.length > 0) yield batch;
  }
}

/** Takes away everything kept of a site. */
export async function clearSite(db: Database, siteId: string): Promise<void> {
  const transaction = db.transaction(['sites', 'documents', 'journal', 'files', 'pages', 'assets', 'manifests'], 'readwrite');
  await Promise.all([
    transaction.objectStore('sites').delete(siteId),
    transaction.objectStore('documents').delete(siteId),
    transaction.objectStore('manifests').delete(siteId),
    ...(['journal', 'files', 'pages', 'assets'] as const).map((name) => transaction.objectStore(name).delete(siteRange(siteId))),
  ]);
  await transaction.done;
}
