import type { FilePath } from '../../core/source/index.ts';
import { isPageFile } from '../../core/site/index.ts';
import { siteRange, type Database, type SiteRecord, type SiteVersion, type StoredBytes, type StoredFile } from './database.ts';

/** Records a transaction takes: enough to be fast, few enough to leave room for others. */
const BATCH = 100;

const storeOf = (path: FilePath): 'pages' | 'assets' => (isPageFile(path) ? 'pages' : 'assets');

/**
 * Under which id the files of a version of a site are kept: the first under the site's own, later ones beside it. Ids of sites never hold a tilde.
 */
export function filesId(siteId: string, version: number): string {
  return version === 0 ? siteId : `${siteId}~${version}`;
}

/** The ids of all versions but the first. */
const laterVersions = (siteId: string): IDBKeyRange => IDBKeyRange.bound([`${siteId}~`], [`${siteId}~\uffff`, []]);

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
export async function listFiles(db: Database, siteId: string): Promise<StoredFile[]> {
  // Each record has come with a text of its own for the site that all are of.
  return (await db.getAll('files', siteRange(siteId))).map((file) => ({ ...file, siteId }));
}

/** The bytes of one file; undefined where there is no such file. */
export async function loadBytes(db: Database, siteId: string, path: FilePath): Promise<Uint8Array | undefined> {
  return (await db.get(storeOf(path), [siteId, path]))?.bytes;
}

/** So many pages of a site, from one on, in the order of their paths. */
export function pagesFrom(db: Database, siteId: string, path: FilePath, most: number): Promise<StoredBytes[]> {
  return db.getAll('pages', IDBKeyRange.bound([siteId, path], [siteId, []]), most);
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

/** Everything that is kept by site. */
const BY_SITE = ['documents', 'manifests', 'journal', 'files', 'pages', 'assets', 'releases', 'aside', 'rows'] as const;

/** Takes away everything kept of a site. */
export async function clearSite(db: Database, siteId: string): Promise<void> {
  const transaction = db.transaction(['sites', ...BY_SITE], 'readwrite');
  const whole = (name: (typeof BY_SITE)[number]) => (name === 'documents' || name === 'manifests' ? siteId : siteRange(siteId));
  await Promise.all([
    transaction.objectStore('sites').delete(siteId),
    transaction.objectStore('sites').delete(IDBKeyRange.bound(`${siteId}~`, `${siteId}~\uffff`)),
    ...BY_SITE.map((name) => transaction.objectStore(name).delete(whole(name) as never)),
    ...(['files', 'pages', 'assets'] as const).map((name) => transaction.objectStore(name).delete(laterVersions(siteId))),
  ]);
  await transaction.done;
}

/** Takes away the files of one version of a site, and all that says it is here. */
export async function dropFiles(db: Database, siteId: string, version: number): Promise<void> {
  const transaction = db.transaction(['sites', 'files', 'pages', 'assets'], 'readwrite');
  const sites = transaction.objectStore('sites');
  const site = await sites.get(siteId);
  const range = siteRange(filesId(siteId, version));
  if (site)
    await Promise.all([
      sites.put(version === 0 ? { ...site, firstDropped: true } : { ...site, versions: (site.versions ?? []).filter(({ number }) => number !== version) }),
      ...(['files', 'pages', 'assets'] as const).map((name) => transaction.objectStore(name).delete(range)),
    ]);
  await transaction.done;
}

/**
 * Takes away what no site in the list claims, and sites that were being brought in when somebody stopped in the middle. `atWork` tells of a site whether
 * it is being brought in right now. Gives the number of sites that were swept.
 */
export async function sweep(db: Database, atWork: (siteId: string) => Promise<boolean>): Promise<number> {
  const known = new Set<string>();
  const stray = new Set<string>();
  for (const site of await db.getAll('sites')) {
    if (site.arriving && !(await atWork(site.id))) stray.add(site.id);
    else for (const number of [0, ...(site.versions ?? []).map((version) => version.number)]) known.add(filesId(site.id, number));
  }
  for (const name of BY_SITE) {
    const store = db.transaction(name).store;
    // From one site's first record to the next one's: as many steps as there are sites, however many files they have.
    for (let range: IDBKeyRange | undefined; ;) {
      const key: string | [string, ...unknown[]] | undefined = (await store.openKeyCursor(range as never))?.key;
      if (key === undefined) break;
      const siteId = typeof key === 'string' ? key : key[0];
      if (!known.has(siteId)) stray.add(siteId);
      range = IDBKeyRange.lowerBound(typeof key === 'string' ? siteId : [siteId, []], true);
    }
  }
  for (const siteId of stray) await clearSite(db, siteId);
  return stray.size;
}

/**
 * Makes files that were brought in under a version's id a version of the site: of what came in with them nothing else is kept. Undefined where the site is
 * not there any more, or the files are not.
 */
export async function keepVersion(db: Database, siteId: string, version: SiteVersion): Promise<SiteRecord | undefined> {
  const transaction = db.transaction(['sites', 'documents', 'journal', 'manifests', 'aside'], 'readwrite');
  const sites = transaction.objectStore('sites');
  const id = filesId(siteId, version.number);
  const [site, arrived] = await Promise.all([sites.get(siteId), sites.get(id)]);
  // What was swept, since the worker that held it died, must not be named by any document.
  const next = site && arrived && { ...site, versions: [...(site.versions ?? []).filter(({ number }) => number !== version.number), version] };
  if (next) {
    await Promise.all([
      sites.put(next),
      sites.delete(id),
      transaction.objectStore('documents').delete(id),
      transaction.objectStore('manifests').delete(id),
      transaction.objectStore('journal').delete(siteRange(id)),
      transaction.objectStore('aside').delete(siteRange(id)),
    ]);
  }
  await transaction.done;
  return next;
}
