import { readPage, type PageFacts } from '../../core/page/index.ts';
import { parseRobots } from '../../core/robots/index.ts';
import { all, applyChange, emptyDocument, homeFile, firstFacts, isPageFile, allFromHeaders, set, versionOf, type Change } from '../../core/site/index.ts';
import { readSitemap } from '../../core/sitemap/index.ts';
import { decodeBytes, toHex, type FilePath } from '../../core/source/index.ts';
import { filesToImport, type Bringing, type Refused } from './files-to-import.ts';
import { clearSite, filesId, putAside, saveFiles, saveManifest, writeSnapshot, type Database, type SiteRecord, type StoredFile } from '../storage/index.ts';

export type BringingResult = { readonly ok: true; readonly site: SiteRecord } | Refused;

/** Told as work goes on. */
export type Progress = (done: number, of: number) => void;

export interface BringingTools {
  readonly db: Database;
  readonly id: string;
  readonly now: () => Date;
  readonly hash: (bytes: Uint8Array) => Promise<string>;
  readonly progress: Progress;
  readonly cancelled: () => boolean;
  /** It is brought in beside a site, as another version of its files: until somebody decides about it, it is still arriving. */
  readonly beside?: boolean;
}

/** SHA-256, hexadecimal. */
export const sha256 = async (bytes: Uint8Array): Promise<string> =>
  toHex(new Uint8Array(await crypto.subtle.digest('SHA-256', bytes as Uint8Array<ArrayBuffer>)));

/** Takes a site into the browser's database. Cancelled or refused, it leaves nothing behind. */
export async function importSite(bringing: Bringing, tools: BringingTools): Promise<BringingResult> {
  const { db, id } = tools;
  const found = await filesToImport(bringing);
  if ('ok' in found) return found;
  const { loose, saved, unread } = found;

  // What a project says of its files is said of the version they are.
  const version = saved ? versionOf(saved.document) : 0;
  const files = filesId(id, version);
  const at = tools.now().toISOString();
  const from: SiteRecord['from'] =
    bringing.kind === 'empty' || bringing.kind === 'list'
      ? bringing.kind
      : bringing.kind === 'files'
        ? 'folder'
        : saved
          ? 'project'
          : (bringing.as ?? 'archive');
  const arriving: SiteRecord = { id, name: bringing.name, createdAt: at, openedAt: at, deletedAt: null, from, unread: [], arriving: true };
  try {
    // Said first, so that whatever is left of a tab that dies in the middle can be found and swept.
    await db.put('sites', arriving);
    let home: Uint8Array | undefined;
    const sample = sampleOf(loose.map(({ path }) => path));
    const others: PageFacts[] = [];
    let bytes = 0;
    const named: Partial<Record<(typeof NAMING)[number], Uint8Array>> = {};
    const paths = new Set(loose.map(({ path }) => path));
    const homePath = homeFile((path) => paths.has(path));
    let batch: (StoredFile & { bytes: Uint8Array })[] = [];
    let batchSize = 0;
    for (const [index, file] of loose.entries()) {
      if (tools.cancelled()) throw new Cancelled();
      const content = await file.read().catch(() => ({ ok: false as const, reason: 'unreadable' }));
      if (!content.ok) {
        unread.push({ path: file.path, reason: content.reason });
        continue;
      }
      bytes += content.bytes.length;
      if (file.path === homePath) home = content.bytes;
      else if (sample.has(file.path)) {
        const reading = readPage(content.bytes);
        if (reading.ok) others.push(reading.facts);
      }
      const naming = NAMING.find((path) => path === file.path);
      if (naming) named[naming] = content.bytes;
      batch.push({
        siteId: files,
        path: file.path,
        hash: await tools.hash(content.bytes),
        size: content.bytes.length,
        modified: file.modified,
        ...(file.oldName ? { oldName: file.oldName } : {}),
        bytes: content.bytes,
      });
      batchSize += content.bytes.length;
      if (batch.length >= 100 || batchSize > 8_000_000) {
        await saveFiles(db, batch);
        batch = [];
        batchSize = 0;
      }
      if (index % 25 === 0) {
        tools.progress(index, loose.length);
        await pause();
      }
    }
    await saveFiles(db, batch);
    if (tools.cancelled()) throw new Cancelled();

    const reading = home ? readPage(home) : undefined;
    const told = bringing.kind === 'archive' ? bringing.told : undefined;
    const name = bringing.name.replace(/\.(zip|beacon)$/i, '');
    const change: Change = all([
      firstFacts(
        reading?.ok ? reading.facts : undefined,
        name,
        [...(told ? [told.origin] : []), ...namedBy(named['robots.txt'], named['sitemap.xml'])],
        others,
      ),
      set('siteSwitch', '', 'open', true),
      ...(told
        ? [
            ...Object.entries(told.addresses).flatMap(([path, address]) => (paths.has(path) ? [set('pages', path, 'address', address)] : [])),
            allFromHeaders(emptyDocument(), told, [...paths]),
          ]
        : []),
      ...(bringing.kind === 'list' ? [set('facts', '', 'fromList', true)] : []),
      ...(bringing.kind === 'list'
        ? bringing.files.flatMap(({ path, address }) => (address === undefined ? [] : [set('pages', path, 'address', address)]))
        : []),
    ]);
    const document = saved?.document ?? applyChange(emptyDocument(), change);
    await writeSnapshot(db, id, saved?.start ?? document, saved?.entries);
    if (saved?.manifest) await saveManifest(db, id, saved.manifest);
    if (saved && saved.aside.length > 0) await putAside(db, id, saved.aside, at);
    const { arriving: _, ...arrived } = arriving;
    const site: SiteRecord = {
      ...arrived,
      name: saved?.name ?? document.tables.facts['']?.siteName ?? name,
      unread,
      bytes,
      ...(told ? { address: `${told.origin}/` } : {}),
      ...(version === 0 ? {} : { versions: [{ number: version, at, bytes, unread }] }),
    };
    await db.put('sites', tools.beside ? { ...site, arriving: true } : site);
    return { ok: true, site };
  } catch (error) {
    await clearSite(db, id);
    if (error instanceof Cancelled) return { ok: false, reason: 'cancelled' };
    return { ok: false, reason: (error as Error).name === 'QuotaExceededError' ? 'no-room' : 'failed' };
  }
}

/** So many pages are asked what the site is called. */
const SAMPLE = 40;

/** Some pages that tell what the site is called: those nearest to its root. */
function sampleOf(paths: readonly string[]): ReadonlySet<string> {
  const depth = (path: FilePath): number => path.split('/').length;
  const pages = paths.filter(isPageFile).sort((a, b) => depth(a) - depth(b));
  return new Set(pages.slice(0, SAMPLE));
}

/** Files at the root that name addresses of the site. */
const NAMING = ['robots.txt', 'sitemap.xml'] as const;

/** The maps that robots.txt names, and the first address in the map. */
function namedBy(robots: Uint8Array | undefined, map: Uint8Array | undefined): string[] {
  const reading = map && readSitemap(decodeBytes(map, 'utf-8'));
  return [
    ...(robots ? parseRobots(decodeBytes(robots, 'utf-8')).sitemaps : []),
    ...(reading?.ok ? reading.sitemap.entries.slice(0, 1).map((entry) => entry.loc) : []),
  ];
}

class Cancelled extends Error {}

/** Lets messages (a cancel, above all) come through. */
function pause(): Promise<void> {
  return new Promise((resolve) => setTimeout(resolve));
}
