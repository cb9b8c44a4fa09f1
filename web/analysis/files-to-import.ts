import { openProject, PROJECT_ENTRY, PROJECT_FILES, type CrawlTold, type OpenedProject } from '../../core/exchange/index.ts';
import type { ListedFile } from '../../core/ledger/index.ts';
import { isPageFile } from '../../core/site/index.ts';
import { ARCHIVE_LIMITS, fromHex, inflateEntry, listArchive, type FilePath } from '../../core/source/index.ts';

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

/** Why nothing was brought in. `inside` names the ZIPs in what was brought, where it has no page of its own. */
export interface Refused {
  readonly ok: false;
  readonly reason: string;
  readonly inside?: readonly string[];
}

/** Longest path of a file, in UTF-16 units: keys of the site's records are made of it, with room for what they say besides. */
const LONGEST_PATH = 1024;

/** What a new site begins with: a home page with nothing on it, so that every step of the work has something to stand on. */
const BARE_PAGE =
  '<!doctype html>\n<html lang="en">\n  <head>\n    <meta charset="utf-8">\n    <title></title>\n  </head>\n  <body>\n    <h1></h1>\n  </body>\n</html>\n';

/** A file before it is read. */
interface Loose {
  readonly path: FilePath;
  readonly modified: number | undefined;
  readonly oldName?: Uint8Array | undefined;
  read(): Promise<{ ok: true; bytes: Uint8Array } | { ok: false; reason: string }>;
}

/** What is brought in, before it is read. */
export interface FilesToImport {
  readonly loose: readonly Loose[];
  /** What a project file says besides its files. */
  readonly saved: OpenedProject | undefined;
  readonly unread: { path: FilePath; reason: string }[];
}

/** The files that are brought in, each under the path it is to have; or why they are none. */
export async function filesToImport(bringing: Bringing): Promise<FilesToImport | Refused> {
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
  return { loose: usable, saved, unread };
}

/** The bytes of a ZIP that lies in a ZIP. */
function unpackInner(zip: Uint8Array, path: FilePath): { ok: true; bytes: Uint8Array } | { ok: false; reason: string } {
  const listing = listArchive(zip);
  if (!listing.ok) return listing;
  const entry = listing.entries.find((one) => one.path === path || one.path.endsWith(`/${path}`));
  return entry ? inflateEntry(zip, entry) : { ok: false, reason: 'damaged' };
}

/** Why what has no page is no site: with the ZIPs in it, one of which may be the site. */
function noPages(files: readonly Loose[]): Refused {
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
