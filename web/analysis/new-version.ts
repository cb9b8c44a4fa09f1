import {
  differingPages,
  excerptOf,
  isSameVersion,
  ownValues,
  pagesWithValues,
  planMerge,
  templateBlocks,
  type MergePlan,
  type PageExcerpt,
  withValues,
} from '../../core/merge/index.ts';
import { saidValues } from '../../core/structured-data/index.ts';
import { readSource } from '../../core/page/index.ts';
import { altsOf, isPageFile, passagesOf, versionOf, type SiteDocument } from '../../core/site/index.ts';
import { decodeBytes, decodeSource, type FilePath, type PageId } from '../../core/source/index.ts';
import { filesId, listFiles, loadBytes, type Database } from '../storage/index.ts';

/** Pages of each version that tell what its template says. */
const SAMPLE = 120;
/** Pages after which messages, a cancel above all, come through. */
const BREATH = 10;

/** Two versions of a site's files, to be compared. */
export interface TwoVersions {
  readonly db: Database;
  readonly siteId: string;
  readonly document: SiteDocument;
  /** The number of the new one. */
  readonly version: number;
  readonly progress: (done: number, of: number) => void;
  readonly cancelled: () => boolean;
}

/** What bringing a version in would do, which lies beside the site's files already. `same` where it is what is here; undefined where it was cancelled. */
export async function planVersion({ db, siteId, document, version, progress, cancelled }: TwoVersions): Promise<MergePlan | 'same' | undefined> {
  const ids = { before: filesId(siteId, versionOf(document)), after: filesId(siteId, version) };
  const hashes = async (id: string): Promise<Map<string, string>> => new Map((await listFiles(db, id)).map(({ path, hash }) => [path, hash]));
  const [before, after] = await Promise.all([hashes(ids.before), hashes(ids.after)]);
  if (isSameVersion(before, after)) return 'same';
  const differing = differingPages({ before, after, isPage: isPageFile });
  const samples = { before: sampleOf(before), after: sampleOf(after) };
  const of = differing.before.length + differing.after.length + samples.before.length + samples.after.length;
  let done = 0;
  const read = async (id: string, path: FilePath) => {
    if (++done % BREATH === 0) {
      progress(Math.min(done, of), of);
      await new Promise((resolve) => setTimeout(resolve));
      if (cancelled()) throw new Cancelled();
    }
    const bytes = await loadBytes(db, id, path);
    if (!bytes) return undefined;
    const source = decodeSource(bytes);
    const reading = readSource(source, { keepText: true });
    return reading.ok ? { text: source.text, facts: reading.facts } : undefined;
  };
  const template = async (id: string, paths: readonly string[]): Promise<ReadonlySet<string>> => {
    const pages: (readonly string[])[] = [];
    for (const path of paths) pages.push((await read(id, path))?.facts.blocks ?? []);
    return templateBlocks(pages);
  };
  const touched = (path: PageId): boolean => passagesOf(document, path).length > 0 || altsOf(document, path).length > 0;
  // Words within pages are sought in whatever page may be the new one.
  const close = differing.before.some(touched);
  const excerpts = async (id: string, paths: readonly string[], files: ReadonlyMap<string, string>, common: ReadonlySet<string>) => {
    const found = new Map<string, PageExcerpt>();
    for (const path of paths) {
      const page = await read(id, path);
      if (page) found.set(path, excerptOf(path, files.get(path) ?? '', page, common, close && (touched(path) || id === ids.after), files));
    }
    return found;
  };
  const robots = async (id: string): Promise<string> => {
    const bytes = await loadBytes(db, id, 'robots.txt');
    return bytes ? decodeBytes(bytes, 'utf-8') : '';
  };
  try {
    const common = new Set([...(await template(ids.before, samples.before)), ...(await template(ids.after, samples.after))]);
    const plan = planMerge({
      document,
      version,
      before,
      after,
      isPage: isPageFile,
      excerptsBefore: await excerpts(ids.before, differing.before, before, common),
      excerptsAfter: await excerpts(ids.after, differing.after, after, common),
      robots: { before: await robots(ids.before), after: await robots(ids.after) },
    });
    const own = ownValues(document);
    const said = [];
    for (const pair of pagesWithValues(plan, own)) {
      const [was, is] = [await read(ids.before, pair.before), await read(ids.after, pair.page)];
      const names = own.get(pair.before) ?? [];
      if (was && is) said.push({ ...pair, base: saidValues(document, pair.before, was, names), theirs: saidValues(document, pair.page, is, names) });
    }
    return withValues(plan, own, said);
  } catch (error) {
    if (error instanceof Cancelled) return undefined;
    throw error;
  }
}

class Cancelled extends Error {}

/** Some pages of a version, evenly chosen. */
function sampleOf(files: ReadonlyMap<string, string>): string[] {
  const pages = [...files.keys()].filter(isPageFile);
  const step = Math.max(1, pages.length / SAMPLE);
  return pages.filter((_, at) => Math.floor(at / step) !== Math.floor((at - 1) / step));
}
