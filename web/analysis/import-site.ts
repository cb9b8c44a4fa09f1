import { openProject, PROJECT_ENTRY, PROJECT_FILES, type CrawlTold, type OpenedProject } from '../../core/exchange/index.ts';
import type { ListedFile } from '../../core/ledger/index.ts';
import { readPage, type PageFacts } from '../../core/page/index.ts';
import { parseRobots } from '../../core/robots/index.ts';
import { all, applyChange, emptyDocument, homeFile, firstFacts, isPageFile, rulesFromHeaders, set, versionOf, type Change } from '../../core/site/index.ts';
import { readSitemap } from '../../core/sitemap/index.ts';
import { ARCHIVE_LIMITS, decodeBytes, fromHex, inflateEntry, listArchive, toHex, type FilePath } from '../../core/source/index.ts';
import { clearSite, filesId, putAside, saveFiles, saveManifest, writeSnapshot, type Database, type SiteRecord, type StoredFile } from '../storage/index.ts';

/** A file that somebody picked or dropped. */
export interface PickedFile {
  readonly path: FilePath;
  readonly file: File;
}

/** What is brought in. */
export type Bringing =
  | {
      readonly kind: 'archive';
      readonly name: string;
      readonly bytes: Uint8Array;
      readonly as?: 'demo' | 'address';
      /** Where it came in from its address: what the files themselves do not tell. */
      readonly told?: CrawlTold;
      /** The file that the bytes are of: they go over to the worker, and it can be asked for them again. */
      readonly file?: File;
      /** The ZIP inside this one that is meant. */
      readonly inside?: string;
    }
  | { readonly kind: 'files'; readonly name: string; readonly files: readonly PickedFile[] }
  /** Pages of which only the addresses are known, each with a file that stands for it. */
  | { readonly kind: 'list'; readonly name: string; readonly files: readonly ListedFile[] }
  | { readonly kind: 'empty'; readonly name: string };

/** `inside` names the ZIPs in what was brought, where it has no page of its own. */
export type BringingResult =
  { readonly ok: true; readonly site: SiteRecord } | { readonly ok: false; readonly reason: string; readonly inside?: readonly string[] };

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

interface Loose {
  readonly path: FilePath;
  readonly modified: number | undefined;
  readonly oldName?: Uint8Array | undefined;
  read(): Promise<{ ok: true; bytes: Uint8Array } | { ok: false; reason: string }>;
}

/** Takes a site into the browser's database. Cancelled or refused, it leaves nothing behind. */
export async function importSite(bringing: Bringing, tools: BringingTools): Promise<BringingResult> {
  const { db, id } = tools;
  const unread: { path: FilePath; reason: string }[] = [];
  let loose: Loose[] = [];
  let saved: OpenedProject | undefined;
  if (bringing.kind === 'archive') {
    const zip = bringing.inside === undefined ? { ok: true as const, bytes: bringing.bytes } : unpackInner(bringing.bytes, bringing.inside);
    if (!zip.ok) return zip;
    const listing = listArchive(zip.bytes);
    if (!listing.ok) return { ok: false, reason: listing.reason };
    unread.push(...listing.refused);
    const project = listing.entries.find((entry) => entry.path === PROJECT_ENTRY);
    const whole = project ? inflateEntry(zip.bytes, project) : undefined;
    const opened = whole?.ok ? openProject(new TextDecoder().decode(whole.bytes)) : undefined;
    if (opened && !opened.ok && opened.reason !== 'not-a-project') return { ok: false, reason: opened.reason };
    loose = listing.entries.map((entry) => ({ ...entry, read: async () => inflateEntry(zip.bytes, entry) }));
    if (opened?.ok) {
      const known = new Map(opened.project.files.map((file) => [file.path, file]));
      loose = loose
        .filter((file) => file.path.startsWith(PROJECT_FILES))
        .map((file) => {
          const path = file.path.slice(PROJECT_FILES.length);
          const { modified, oldName } = known.get(path) ?? {};
          return { ...file, path, modified: modified ?? undefined, oldName: oldName === undefined ? undefined : fromHex(oldName) };
        });
      saved = opened.project;
    }
  } else if (bringing.kind === 'files') {
    loose = bringing.files.map(({ path, file }) => ({
      path,
      modified: file.lastModified,
      read: async () =>
        file.size > ARCHIVE_LIMITS.entrySize ? { ok: false, reason: 'too-large' } : { ok: true, bytes: new Uint8Array(await file.arrayBuffer()) },
    }));
    const total = bringing.files.reduce((sum, { file }) => sum + file.size, 0);
    if (total > ARCHIVE_LIMITS.totalSize) return { ok: false, reason: 'too-large' };
    if (loose.length > ARCHIVE_LIMITS.entries) return { ok: false, reason: 'too-many' };
  }
  if (bringing.kind === 'empty')
    loose = [{ path: 'index.html', modified: undefined, read: async () => ({ ok: true, bytes: new TextEncoder().encode(BARE_PAGE) }) }];
  if (bringing.kind === 'list')
    loose = bringing.files.map(({ path, html }) => ({ path, modified: undefined, read: async () => ({ ok: true, bytes: new TextEncoder().encode(html) }) }));
  else if (!saved) loose = rooted(loose.filter((file) => !isClutter(file.path)));
  // A project that could only save what was in memory has no files: its words are still worth having.
  if (loose.length === 0 && !saved) return { ok: false, reason: 'nothing-in-it' };
  if (!saved && !loose.some(({ path }) => isPageFile(path))) return noPages(loose);
  const usable = loose.filter(({ path }) => path.length <= LONGEST_PATH && path !== '__proto__');
  for (const { path } of loose) if (path.length > LONGEST_PATH) unread.push({ path: `${path.slice(0, 80)}…`, reason: 'path-too-long' });
  loose = usable;

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
            rulesFromHeaders(told.tags, [...paths]),
          ]
        : []),
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

/** Longest path of a file, in UTF-16 units: keys of the site's records are made of it, with room for what they say besides. */
const LONGEST_PATH = 1024;
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

/** What a new site begins with: a home page with nothing on it, so that every step of the work has something to stand on. */
const BARE_PAGE =
  '<!doctype html>\n<html lang="en">\n  <head>\n    <meta charset="utf-8">\n    <title></title>\n  </head>\n  <body>\n    <h1></h1>\n  </body>\n</html>\n';

class Cancelled extends Error {}

/** The bytes of a ZIP that lies in a ZIP. */
function unpackInner(zip: Uint8Array, path: FilePath): { ok: true; bytes: Uint8Array } | { ok: false; reason: string } {
  const listing = listArchive(zip);
  if (!listing.ok) return listing;
  const entry = listing.entries.find((one) => one.path === path || one.path.endsWith(`/${path}`));
  return entry ? inflateEntry(zip, entry) : { ok: false, reason: 'damaged' };
}

/** Why what has no page is no site: with the ZIPs in it, one of which may be the site. */
function noPages(files: readonly Loose[]): BringingResult {
  const inside = files.map(({ path }) => path).filter((path) => /\.zip$/i.test(path));
  if (inside.length > 0) return { ok: false, reason: 'zip-inside', inside };
  const onlyPictures = files.every(({ path }) => /\.(jpe?g|png|gif|webp|avif|svg|bmp|tiff?|heic|ico)$/i.test(path));
  return { ok: false, reason: onlyPictures ? 'pictures-only' : 'no-pages' };
}

/** Folders of tools and systems that are no part of a site. */
function isClutter(path: FilePath): boolean {
  return /(^|\/)(\.git|node_modules|__MACOSX)\//.test(path) || /(^|\/)(\.DS_Store|Thumbs\.db|desktop\.ini)$/i.test(path);
}

/** Takes away one folder that everything lies in, as ZIPs and folder pickers put there. */
function rooted(files: readonly Loose[]): Loose[] {
  const root = /^([^/]+)\//.exec(files[0]?.path ?? '')?.[1];
  if (root === undefined || !files.every((file) => file.path.startsWith(`${root}/`))) return [...files];
  return rooted(files.map((file) => ({ ...file, path: file.path.slice(root.length + 1) })));
}

/** Lets messages (a cancel, above all) come through. */
function pause(): Promise<void> {
  return new Promise((resolve) => setTimeout(resolve));
}
