import { expose } from 'comlink';
import type { FindingCode, TemplateField } from '../../core/checks/index.ts';
import type { PatchRefusal } from '../../core/page/index.ts';
import { broughtInManifest, type DriftField, type ReleaseItem } from '../../core/release/index.ts';
import type { MergePlan } from '../../core/merge/index.ts';
import { changesVersion, snippetsOf, versionOf, type Change, type Kind, type PatternField, type SiteDocument } from '../../core/site/index.ts';
import type { MapFrom, MapOrder } from '../../core/map/index.ts';
import type { PageRow } from '../../core/rows/index.ts';
import type { FilledIn } from '../../core/survey/index.ts';
import { withLinkTo, type ListedFile, type ListedPage } from '../../core/ledger/index.ts';
import { decodeBytes, toHex } from '../../core/source/index.ts';
import { measureUnknownLettersBy, type Pattern } from '../../core/titles/index.ts';
import {
  arrivalLock,
  clearSite,
  filesId,
  dropRelease,
  keepRows,
  keepVersion,
  lastingDatabase,
  listAside,
  loadHistory,
  openDatabase,
  saveManifest,
  type Database,
  type SiteVersion,
} from '../storage/index.ts';
import { Analyst, type SurveyNews } from './analyst.ts';
import type { FactCache } from './read-site.ts';
import { importSite, type Bringing, type BringingResult, type PickedFile } from './import-site.ts';
import { lettersMeasuredHere } from './measure-letters.ts';
import { forgetVersion, keptOf, type Kept } from './kept.ts';
import { driftIn, type LookedAt } from './drift.ts';
import { snippetReports, type SnippetReport } from './snippet-stands.ts';
import { planVersion } from './new-version.ts';
import { bytesIn, outFiles, packProject, packZip } from './export-site.ts';
import type { ReleaseRef } from './releases.ts';
import { Sending, type Outgoing, type ReleaseWish } from './sending.ts';

type Progress = (done: number, of: number) => void;

const sha256 = async (bytes: Uint8Array): Promise<string> => toHex(new Uint8Array(await crypto.subtle.digest('SHA-256', bytes as Uint8Array<ArrayBuffer>)));

measureUnknownLettersBy(lettersMeasuredHere());

let database: Promise<Database> | undefined;
const db = (): Promise<Database> =>
  (database ??= lastingDatabase((lost) => openDatabase(undefined, lost)).catch((error: unknown) => {
    // Asked again, it may open.
    database = undefined;
    throw error;
  }));
let analyst: Analyst | undefined;
/** The opening that is under way: what is asked of a site meanwhile waits for it. */
let opening: Promise<unknown> = Promise.resolve();
let sending: Sending | undefined;
const cache: FactCache = new Map();
const cancelled = new Set<string>();

const site = async (): Promise<Analyst> => {
  await opening;
  if (!analyst) throw new Error('no site is open');
  return analyst;
};

/** The release that was prepared. A worker that was started since knows of none: then it is prepared anew. */
function onItsWay(): Sending {
  if (!sending) throw new Error('no release was prepared');
  return sending;
}

/** Held as long as this worker lives: whoever is granted it knows that the worker is gone. */
const alive = new Promise<void>((held) => {
  void navigator.locks.request(self.name, () => {
    held();
    return new Promise<never>(() => undefined);
  });
});

/** What came of bringing a new version in. Without a plan it is the one that is here. */
export type BroughtVersion =
  | { readonly ok: true; readonly plan: MergePlan | undefined; readonly version: SiteVersion | undefined }
  | { readonly ok: false; readonly reason: string; readonly inside?: readonly string[] };

const holding = new Map<string, () => void>();

/** Holds what is brought in under an id, so that nobody sweeps it. False where another tab is bringing in the same. */
function hold(id: string): Promise<boolean> {
  return new Promise((answer) => {
    void navigator.locks.request(arrivalLock(id), { ifAvailable: true }, (lock) => {
      answer(lock !== null);
      return lock === null ? undefined : new Promise<void>((release) => holding.set(id, release));
    });
  });
}

function letGo(id: string): void {
  holding.get(id)?.();
  holding.delete(id);
}

/** Rows that go over in one message: more would hold the page up while it unpacks them. */
const ROWS_A_MESSAGE = 500;
const rest = new Map<number, readonly PageRow[]>();
let tickets = 0;

/** News with its first rows; the rest is fetched by its ticket. */
function inParts(news: SurveyNews): SurveyNews {
  if (news.rows.length <= ROWS_A_MESSAGE) return news;
  rest.set(++tickets, news.rows.slice(ROWS_A_MESSAGE));
  return { ...news, rows: news.rows.slice(0, ROWS_A_MESSAGE), ticket: tickets };
}

/** What the page can ask of the worker. One site is open at a time. */
const service = {
  /** Resolves when the worker is there and can be watched. */
  ready: () => alive,

  /** Stops the work that was started under this name, at its next breath. */
  cancel(job: string): void {
    cancelled.add(job);
  },

  async importSite(job: string, bringing: Bringing, progress: Progress): Promise<BringingResult> {
    const id = crypto.randomUUID();
    // Held while it is at work: what a worker that died left of a site nobody holds, and it is swept.
    const result = await navigator.locks.request(arrivalLock(id), async () =>
      importSite(bringing, { db: await db(), id, now: () => new Date(), hash: sha256, progress, cancelled: () => cancelled.has(job) }),
    );
    cancelled.delete(job);
    return result;
  },

  /**
   * Brings a new version of a site's files in beside those that are here, and tells what taking it would do. It lies there, held by this worker, until it is
   * kept or dropped.
   */
  async bringVersion(job: string, siteId: string, document: SiteDocument, bringing: Bringing, progress: Progress): Promise<BroughtVersion> {
    const site = await (await db()).get('sites', siteId);
    const number = Math.max(versionOf(document), ...(site?.versions ?? []).map((version) => version.number)) + 1;
    const id = filesId(siteId, number);
    const held = await hold(id);
    if (!held) return { ok: false, reason: 'at-work' };
    const cancelling = (): boolean => cancelled.has(job);
    const drop = async (answer: BroughtVersion): Promise<BroughtVersion> => {
      cancelled.delete(job);
      await service.dropVersion(siteId, number);
      return answer;
    };
    const result = await importSite(bringing, { db: await db(), id, now: () => new Date(), hash: sha256, progress, cancelled: cancelling, beside: true });
    if (!result.ok) return drop(result);
    const plan = await planVersion({ db: await db(), siteId, document, version: number, progress, cancelled: cancelling });
    if (plan === undefined) return drop({ ok: false, reason: 'cancelled' });
    if (plan === 'same') return drop({ ok: true, plan: undefined, version: undefined });
    const { bytes = 0, unread } = result.site;
    return { ok: true, plan, version: { number, at: new Date().toISOString(), bytes, unread } };
  },

  /** A site that was typed in, with one page more. */
  async bringPage(job: string, siteId: string, document: SiteDocument, page: ListedPage, file: ListedFile): Promise<BroughtVersion> {
    const its = await site();
    const bytesOf = bytesIn(await db(), its.siteId, its.version);
    const files: PickedFile[] = [];
    for (const { path, hash } of its.storedFiles()) {
      const bytes = await bytesOf(path, hash);
      if (!bytes) throw new Error(`The bytes of ${path} are not kept in this browser.`);
      const home = path === 'index.html' ? new TextEncoder().encode(withLinkTo(decodeBytes(bytes, 'utf-8'), file.path, page)) : bytes;
      files.push({ path, file: new File([home as Uint8Array<ArrayBuffer>], path) });
    }
    files.push({ path: file.path, file: new File([file.html], file.path) });
    return service.bringVersion(job, siteId, document, { kind: 'files', name: '', files }, () => undefined);
  },

  /** The plan once more, for a document that became another one meanwhile. */
  planAgain: async (siteId: string, document: SiteDocument, version: number): Promise<MergePlan | undefined> => {
    const plan = await planVersion({ db: await db(), siteId, document, version, progress: () => undefined, cancelled: () => false });
    return plan === 'same' ? undefined : plan;
  },

  /** Keeps a version that was brought in; the document may name it from then on. */
  async keepVersion(siteId: string, version: SiteVersion): Promise<boolean> {
    const kept = await keepVersion(await db(), siteId, version);
    letGo(filesId(siteId, version.number));
    return kept !== undefined;
  },

  /** Drops a version that was brought in and is not wanted. */
  async dropVersion(siteId: string, number: number): Promise<void> {
    const id = filesId(siteId, number);
    const site = await (await db()).get('sites', siteId);
    if (!(site?.versions ?? []).some((version) => version.number === number)) await clearSite(await db(), id);
    letGo(id);
  },

  async open(job: string, siteId: string, document: SiteDocument, progress: Progress): Promise<SurveyNews | undefined> {
    const before = opening;
    const work = async (): Promise<SurveyNews | undefined> => {
      await before.catch(() => undefined);
      // Until it is open nobody is answered from another site.
      analyst = undefined;
      const next = new Analyst(await db(), siteId, () => Date.now(), cache);
      const news = await next.open(document, progress, () => cancelled.has(job));
      cancelled.delete(job);
      if (news) analyst = next;
      return news;
    };
    const under = work();
    opening = under.catch(() => undefined);
    const news = await under;
    return news && inParts(news);
  },

  /** The next rows of news that came in parts. */
  moreRows(ticket: number): readonly PageRow[] {
    const rows = rest.get(ticket) ?? [];
    if (rows.length > ROWS_A_MESSAGE) rest.set(ticket, rows.slice(ROWS_A_MESSAGE));
    else rest.delete(ticket);
    return rows.slice(0, ROWS_A_MESSAGE);
  },

  update: async (document: SiteDocument, change: Change) => inParts((await site()).update(document, change)),
  page: async (id: string) => (await site()).page(id),
  wayIn: async (id: string, crawler?: string) => (await site()).wayIn(id, crawler),
  /** robots.txt as it will be, or a draft of it, line by line. */
  robots: async (draft?: string) => (await site()).robots(draft),
  robotsOpenedFor: async (paths: readonly string[], draft?: string) => (await site()).robotsOpenedFor(paths, draft),
  robotsEffect: async (draft: string) => (await site()).robotsEffect(draft),
  tryAddress: async (address: string, crawlers: readonly string[]) => (await site()).tryAddress(address, crawlers),
  clicks: async () => (await site()).clicks(),
  otherFiles: async () => (await site()).otherFiles(),
  mapReport: async () => (await site()).mapReport(),
  validateMap: async (from: MapFrom) => (await site()).validateMap(from),
  mapLines: async (ticket: number, order: MapOrder, most: number) => (await site()).mapLines(ticket, order, most),
  releaseItems: async (): Promise<ReleaseItem[]> => {
    const its = await site();
    await its.allUnderstood();
    return its.releaseItems();
  },
  /** The structured data of one page, read back. */
  meaning: async (id: string) => (await site()).meaning(id),
  resultExtras: async (id: string) => (await site()).resultExtras(id),
  meaningKinds: async () => (await site()).meaningKinds(),
  tryKind: async (kind: Kind, markup: string | null) => (await site()).tryKind(kind, markup),
  broughtMarkup: async () => (await site()).broughtMarkup(),
  pasteItems: async () => (await site()).pasteItems(),
  factOffers: async () => (await site()).factOffers(),
  heaviest: async (most: number) => (await site()).heaviest(most),
  unreadable: async () => (await site()).unreadable(),
  diff: async (path: string, own: boolean) => (await site()).diff(path, own),
  /** What differs between two releases, or one and now. */
  compareReleases: async (before: ReleaseRef, after: ReleaseRef) => {
    const its = await site();
    await its.allUnderstood();
    return its.releases.compare(before, after);
  },
  diffBetween: async (path: string, own: boolean, before: ReleaseRef, after: ReleaseRef) => (await site()).releases.diff(path, own, before, after),
  /** What is kept of the open site besides what is open, and what it takes. */
  kept: async (document: SiteDocument): Promise<Kept> => keptOf(await db(), (await site()).siteId, document),
  /** Drops a kept release: it can be neither compared nor put out again. What is live stays. */
  forgetRelease: async (number: number): Promise<void> => dropRelease(await db(), (await site()).siteId, number),
  forgetVersion: async (document: SiteDocument, number: number): Promise<boolean> => forgetVersion(await db(), (await site()).siteId, document, number),
  /** A release that is kept, as a ZIP of its files. */
  async releaseZip(number: number, progress: Progress): Promise<Blob> {
    const its = await site();
    const kept = await its.releases.manifest(number);
    if (!kept) throw new Error(`Release ${number} is not kept in this browser.`);
    const of = Object.keys(kept.manifest.files).length;
    const out = outFiles(bytesIn(await db(), its.siteId, its.version), kept.manifest, its.storedFiles());
    return (await packZip(out, new Date(), (count) => count % 20 === 0 && progress(count, of))).zip;
  },
  /** Finds out more, for about so many milliseconds; `left` is how much is still to come. */
  lookFurther: async (milliseconds: number) => (await site()).lookFurther(milliseconds),
  alike: async () => (await site()).alike(),
  pictures: async () => (await site()).pictures(),
  tags: async (id: string) => (await site()).tags(id),
  mainAddressEffect: async (origin: string) => (await site()).mainAddressEffect(origin),
  pageForPeople: async () => (await site()).pageForPeople(),
  templateMend: async (code: FindingCode, field: TemplateField) => (await site()).templateMend(code, field),
  brokenLinks: async () => (await site()).brokenLinks(),
  phrases: async () => (await site()).phrases(),
  patternPreview: async (kind: Kind, field: PatternField, pattern: Pattern | undefined) => (await site()).patternPreview(kind, field, pattern),
  async suggestionsForEmpty(job: string, field: 'title' | 'description', progress: Progress): Promise<FilledIn[] | undefined> {
    const found = await (await site()).suggestionsForEmpty(field, { progress, stopped: () => cancelled.has(job) });
    cancelled.delete(job);
    return found;
  },
  /** A picture of the site, to be shown; undefined where there is none of this path. */
  picture: async (path: string) => (await site()).picture(path),
  hasFile: async (path: string): Promise<boolean> => (await site()).storedFiles().some((file) => file.path === path),

  /** The changed files, or all, as a ZIP. */
  async zip(what: 'changed' | 'all', progress: Progress): Promise<{ zip: Blob; count: number; refused: readonly { path: string; reason: PatchRefusal }[] }> {
    const its = await site();
    await its.allUnderstood();
    const paths =
      what === 'all'
        ? undefined
        : new Set(
            its
              .releaseItems()
              .filter((item) => item.what !== 'gone')
              .map((item) => item.out),
          );
    const of = paths?.size ?? its.storedFiles().length;
    const packed = await packZip(
      outFiles(bytesIn(await db(), its.siteId, its.version), its.workingCopy(), its.storedFiles(), paths),
      new Date(),
      (count) => count % 20 === 0 && progress(count, of),
    );
    return { zip: packed.zip, count: packed.count, refused: packed.refused.map(({ path, refused }) => ({ path, reason: refused as PatchRefusal })) };
  },

  /** How each snippet stands in the pages as they were brought in. */
  async snippetReports(): Promise<Readonly<Record<string, SnippetReport>>> {
    const its = await site();
    const hashes = new Map(its.storedFiles().map(({ path, hash }) => [path, hash]));
    return snippetReports(snippetsOf(its.itsDocument()), its.whole().rows, bytesIn(await db(), its.siteId, its.version), hashes);
  },

  /** What of pages is out there otherwise than they would go out now, page by page, in the order in which they were given. */
  async drift(pages: readonly LookedAt[]): Promise<readonly (readonly DriftField[])[]> {
    const its = await site();
    await its.allUnderstood();
    return driftIn(pages, { copy: its.workingCopy(), document: its.itsDocument(), bytesOf: bytesIn(await db(), its.siteId, its.version) });
  },

  /** The changed files one by one, for writing into a folder. */
  async changedFiles(): Promise<{ path: string; bytes: Uint8Array }[]> {
    const its = await site();
    await its.allUnderstood();
    const paths = new Set(
      its
        .releaseItems()
        .filter((item) => item.what !== 'gone')
        .map((item) => item.out),
    );
    const found: { path: string; bytes: Uint8Array }[] = [];
    for await (const { path, bytes } of outFiles(bytesIn(await db(), its.siteId, its.version), its.workingCopy(), its.storedFiles(), paths))
      found.push({ path, bytes });
    return found;
  },

  /** What goes out in a release. */
  async outgoing(number: number, wish: ReleaseWish, progress: Progress): Promise<Outgoing> {
    const its = await site();
    await its.allUnderstood();
    sending = new Sending(await db(), sha256);
    return sending.outgoing(its, number, wish, progress);
  },

  /** Bundles of the files with these hashes, to be sent one after the other. */
  bundles: async (wanted: readonly { path: string; hash: string }[]): Promise<Blob[]> => onItsWay().bundles(wanted),

  /** Remembers the release that `outgoing` prepared; `document` holds its record already. */
  async released(document: SiteDocument): Promise<SurveyNews> {
    const its = await site();
    const manifest = onItsWay().finish();
    await saveManifest(await db(), its.siteId, manifest, its.version);
    return inParts(its.released(manifest, document));
  },

  /** Sets down what was live when the site was brought in: everything, but for some files made since. */
  async startFrom(number: number, document: SiteDocument, except: readonly string[]): Promise<SurveyNews> {
    const its = await site();
    const manifest = broughtInManifest(its.manifestFor(number), new Set(except));
    await saveManifest(await db(), its.siteId, manifest, its.version);
    return inParts(its.released(manifest, document));
  },

  /** Keeps the rows for the next opening. */
  async keepRows(siteId: string, made: string): Promise<void> {
    const its = await site();
    if (its.siteId === siteId) await keepRows(await db(), siteId, its.whole(), made);
  },

  /** Takes in what another tab released. */
  async manifestAgain(document: SiteDocument): Promise<SurveyNews> {
    return inParts(await (await site()).manifestAgain(document));
  },

  /** The whole project as one file, with its history and what could not be read of it. */
  async project(name: string, document: SiteDocument): Promise<Blob> {
    const its = await site();
    const [{ start, entries }, aside] = await Promise.all([loadHistory(await db(), its.siteId), listAside(await db(), its.siteId)]);
    // A project holds one version of the files: what was undone to another could not be shown.
    const whole = !entries.some(({ change }) => changesVersion(change));
    return packProject(
      await db(),
      its.filesId,
      {
        name,
        savedAt: new Date().toISOString(),
        document,
        history: whole ? { start, entries: [...entries] } : { start: document, entries: [] },
        aside: aside.map(({ table, key, value, problem }) => ({ table, key, value, problem })),
        manifest: its.lastManifest() ?? null,
      },
      its.storedFiles(),
      new Date(),
    );
  },
};

export type AnalysisService = typeof service;
expose(service);
