import { PAGE_LIMITS, readPage, readSource, type PageFacts, type PageRefusal } from '../../core/page/index.ts';
import { SERVER_FILE, type Template } from '../../core/release/index.ts';
import { homeFile, isPage, isPageFile, isProgramFile } from '../../core/site/index.ts';
import { decodeBytes, decodeSource, type SourceText, type FilePath } from '../../core/source/index.ts';
import { forSurvey, type SurveyedFacts } from '../../core/rows/index.ts';
import type { Imported } from '../../core/survey/index.ts';
import { eachPage, loadBytes, type Database, type StoredFile } from '../storage/index.ts';
import { broughtMaps } from './maps.ts';

/** A site as the browser keeps it. */
export interface StoredSite {
  readonly db: Database;
  readonly siteId: string;
  readonly files: readonly StoredFile[];
}

/** What was read from one page file. */
export interface ReadFile {
  readonly id: string;
  readonly read: SurveyedFacts | PageRefusal;
}

/** Facts by the hash of the bytes they were read from: what has not changed is not read again. */
export type FactCache = Map<string, SurveyedFacts | PageRefusal | typeof NO_PAGE>;

/** By which hash what was found out of a file is kept. What is kept of files that are not among these is forgotten; each key of `kept` begins with a hash and a blank. */
export function keptByHash(kept: Map<string, unknown>, files: readonly StoredFile[]): (id: string) => string {
  const hashes = new Map(files.map(({ path, hash }) => [path, hash]));
  const here = new Set(hashes.values());
  for (const key of kept.keys()) if (!here.has(key.slice(0, key.indexOf(' ')))) kept.delete(key);
  return (id) => hashes.get(id) ?? id;
}

/** Tells when the reading of one page, which begins now, has taken too long. */
export function timeLimit(now: () => number): () => boolean {
  const until = now() + PAGE_LIMITS.milliseconds;
  return () => now() > until;
}

/** A program without a page in it. */
const NO_PAGE = 'no-page';

const pagesOf = (files: readonly { readonly id: string; readonly read: SurveyedFacts | PageRefusal | typeof NO_PAGE }[]): ReadFile[] =>
  files.flatMap(({ id, read }) => (read === NO_PAGE ? [] : [{ id, read }]));

/** Feeds are read to tell posts from pages. */
const MOST_FEEDS = 8;
const isFeed = (file: StoredFile): boolean =>
  /(^|\/)[^/]*(feed|rss|atom)[^/]*\.(xml|rss|atom)$|(^|\/)(feed|rss|atom)\/index\.xml$/i.test(file.path) && file.size < 2_000_000;

/** Reads all pages into facts, from the cache where it has them all. Undefined where it was cancelled. */
export async function readPages(
  { db, siteId, files }: StoredSite,
  cache: FactCache,
  now: () => number,
  progress: (done: number, of: number) => void,
  cancelled: () => boolean,
): Promise<readonly ReadFile[] | undefined> {
  const pageFiles = files.filter((file) => isPageFile(file.path));
  const known = pageFiles.flatMap(({ path, hash }) => {
    const read = cache.get(hash);
    return read === undefined ? [] : [{ id: path, read }];
  });
  if (known.length === pageFiles.length) return pagesOf(known);
  const listed = new Map(pageFiles.map((file) => [file.path, file]));
  const pages: ReadFile[] = [];
  const shared = new Map<string, string>();
  cache.clear();
  for await (const batch of eachPage(db, siteId)) {
    if (cancelled()) return undefined;
    for (const { path: read, bytes } of batch) {
      // The text that is kept is the one of the list.
      const { path, hash } = listed.get(read) ?? { path: read, hash: read };
      if (!isPage(path, bytes)) {
        cache.set(hash, NO_PAGE);
        continue;
      }
      const reading = readPage(bytes, { outOfTime: timeLimit(now) });
      const facts = reading.ok ? forSurvey(reading.facts, shared) : reading.reason;
      giveBack(bytes);
      cache.set(hash, facts);
      pages.push({ id: path, read: facts });
    }
    progress(pages.length, pageFiles.length);
  }
  return pages;
}

/**
 * Gives the memory of bytes back at once that nobody needs any more (ECMAScript 2024, `ArrayBuffer.prototype.transfer`): thousands of pages would wait for the collector, which
 * does not count them. Nothing else may be a view on the same memory. Where it cannot be done they wait.
 */
export function giveBack(bytes: Uint8Array): void {
  const { buffer } = bytes as { readonly buffer: ArrayBufferLike & { transfer?: (length: number) => unknown } };
  buffer.transfer?.(0);
}

/** A page's file, decoded and read; undefined where there is none, or it cannot be read. */
export async function readStored(db: Database, siteId: string, id: string): Promise<{ readonly source: SourceText; readonly facts: PageFacts } | undefined> {
  const bytes = await loadBytes(db, siteId, id);
  if (!bytes) return undefined;
  const source = decodeSource(bytes);
  const reading = readSource(source);
  return reading.ok ? { source, facts: reading.facts } : undefined;
}

/** Reads robots.txt, maps, feeds, and the home page from which the map for people takes its look. */
export async function readImported(store: StoredSite): Promise<Imported> {
  const { db, siteId, files } = store;
  const text = async (path: FilePath): Promise<string | undefined> => {
    const bytes = await loadBytes(db, siteId, path);
    return bytes && decodeBytes(bytes, 'utf-8');
  };
  const exactText = async (path: FilePath): Promise<string | null | undefined> => {
    const bytes = await loadBytes(db, siteId, path);
    if (!bytes) return undefined;
    try {
      return new TextDecoder('utf-8', { fatal: true, ignoreBOM: true }).decode(bytes);
    } catch {
      return null;
    }
  };
  const feeds = await Promise.all(
    files
      .filter(isFeed)
      .slice(0, MOST_FEEDS)
      .map((file) => text(file.path)),
  );
  return {
    robots: await text('robots.txt'),
    server: await exactText(SERVER_FILE),
    maps: await broughtMaps(db, siteId, files),
    feeds: feeds.filter((feed) => feed !== undefined),
    template: await templateOf(store),
  };
}

async function templateOf({ db, siteId, files }: StoredSite): Promise<Template | undefined> {
  const home = homeFile((path) => files.some((file) => file.path === path));
  const read = home === undefined ? undefined : await readStored(db, siteId, home);
  if (!read) return undefined;
  // A page beside it, as near to the root as can be, tells what is frame and what is the page's own.
  const beside = files
    .filter((file) => isPageFile(file.path) && file.path !== home && !isProgramFile(file.path) && !/(^|\/)404\./.test(file.path))
    .reduce<StoredFile | undefined>((best, file) => (best && best.path.split('/').length <= file.path.split('/').length ? best : file), undefined);
  const other = beside && (await loadBytes(db, siteId, beside.path));
  return { ...read, other: other && decodeSource(other).text };
}
