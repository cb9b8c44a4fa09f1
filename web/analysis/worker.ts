import type { CrawlerToken, FilePath, PageId } from '../../core/source/index.ts';
import { expose } from 'comlink';
import type { FindingCode, TemplateField } from '../../core/checks/index.ts';
import { SITEMAP_FILE } from '../../core/sitemap/index.ts';
import type { ProofLoss, Proving } from '../../core/ownership/index.ts';
import { broughtInManifest, redirectPages, type DriftField, type Held, type ReleaseItem } from '../../core/release/index.ts';
import { snippetsOf, type Change, type Kind, type PatternField, type SiteDocument } from '../../core/site/index.ts';
import type { MapFrom, MapOrder } from '../../core/map/index.ts';
import type { PageRow } from '../../core/rows/index.ts';
import type { FilledIn } from '../../core/survey/index.ts';
import { measureUnknownLettersBy, type Pattern } from '../../core/titles/index.ts';
import { arrivalLock, dropRelease, keepRows, lastingDatabase, openDatabase, saveManifest, type Database } from '../storage/index.ts';
import { Analyst, type SurveyNews } from './analyst.ts';
import type { FactCache } from './read-site.ts';
import type { Bringing } from './files-to-import.ts';
import { importSite, sha256, type BringingResult, type Progress } from './import-site.ts';
import { arrivals } from './arrivals.ts';
import { cannotGo } from './cannot-go.ts';
import { provingNow, proofsLost } from './proofs-lost.ts';
import type { LeftInFile } from './export-site.ts';
import { downloads } from './downloads.ts';
import { lettersMeasuredHere } from './measure-letters.ts';
import { forgetVersion, keptOf, type Kept } from './kept.ts';
import { driftIn, type LookedAt } from './drift.ts';
import { readSnippet, type ReadSnippet } from '../../core/snippets/index.ts';
import { pagesOfFrames, snippetFits, type SnippetFits } from './snippet-fits.ts';
import { snippetReports, type SnippetReport } from './snippet-stands.ts';
import type { ReleaseRef } from './releases.ts';
import { Sending, type Outgoing, type ReleaseWish } from './sending.ts';

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
  ...arrivals(db, site, cancelled),
  ...downloads(db, site),

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
  page: async (id: PageId) => (await site()).page(id),
  wayIn: async (id: PageId, crawler?: CrawlerToken) => (await site()).survey.wayIn(id, crawler),
  /** robots.txt as it will be, or a draft of it, line by line. */
  robots: async (draft?: string) => (await site()).survey.robots.report(draft),
  robotsOpenedFor: async (paths: readonly string[], draft?: string) => (await site()).survey.robots.openedFor(paths, draft),
  robotsEffect: async (draft: string) => (await site()).survey.robots.effect(draft),
  tryAddress: async (address: string, crawlers: readonly string[]) => (await site()).tryAddress(address, crawlers),
  clicks: async () => (await site()).survey.clicks(),
  otherFiles: async () => (await site()).survey.otherFiles(),
  mapReport: async () => (await site()).survey.maps.report(),
  /** Feeds that name a hub. */
  feedTopics: async () => (await site()).survey.maps.topics(),
  validateMap: async (from: MapFrom) => (await site()).validateMap(from),
  mapLines: async (ticket: number, order: MapOrder, most: number) => (await site()).mapLines(ticket, order, most),
  /** Old addresses at which a page of ours leads on. */
  redirectPages: async () => redirectPages((await site()).survey.workingCopy().own),
  releasedOwn: async () => (await site()).releasedOwn(),
  /** Redirects of ours that lead nowhere. */
  deadRedirects: async () => (await site()).survey.deadRedirects(),
  /** What waits for release and cannot be written. */
  cannotGo: async (): Promise<readonly LeftInFile[]> => {
    const its = await site();
    await its.allUnderstood();
    return cannotGo(its);
  },
  /** Proofs of ownership that a release of what is not held back would take away. */
  proofsLost: async (held: Held): Promise<readonly ProofLoss[]> => {
    const its = await site();
    await its.allUnderstood();
    return proofsLost(its, held);
  },
  /** What proves ownership in the home page as it would go out. */
  provingTags: async (): Promise<Proving['tags']> => provingNow(await site()),
  releaseItems: async (): Promise<ReleaseItem[]> => {
    const its = await site();
    await its.allUnderstood();
    return its.survey.releaseItems();
  },
  /** The structured data of one page, read back. */
  meaning: async (id: PageId) => (await site()).meaning(id),
  resultExtras: async (id: PageId) => (await site()).resultExtras(id),
  meaningKinds: async () => (await site()).survey.meaning.kinds(),
  tryKind: async (kind: Kind, markup: string | null) => (await site()).survey.meaning.tryKind(kind, markup, 3),
  broughtMarkup: async () => (await site()).survey.meaning.brought(),
  pasteItems: async () => (await site()).pasteItems(),
  factOffers: async () => (await site()).survey.meaning.factOffers(),
  heaviest: async (most: number) => (await site()).heaviest(most),
  unreadable: async () => (await site()).survey.refusals(),
  diff: async (path: FilePath, own: boolean) => (await site()).diff(path, own),
  /** What differs between two releases, or one and now. */
  compareReleases: async (before: ReleaseRef, after: ReleaseRef) => {
    const its = await site();
    await its.allUnderstood();
    return its.releases.compare(before, after);
  },
  diffBetween: async (path: FilePath, own: boolean, before: ReleaseRef, after: ReleaseRef) => (await site()).releases.diff(path, own, before, after),
  /** What is kept of the open site besides what is open, and what it takes. */
  kept: async (document: SiteDocument): Promise<Kept> => keptOf(await db(), (await site()).siteId, document),
  /** Drops a kept release: it can be neither compared nor put out again. What is live stays. */
  forgetRelease: async (number: number): Promise<void> => dropRelease(await db(), (await site()).siteId, number),
  forgetVersion: async (document: SiteDocument, number: number): Promise<boolean> => forgetVersion(await db(), (await site()).siteId, document, number),
  /** Finds out more, for about so many milliseconds; `left` is how much is still to come. */
  lookFurther: async (milliseconds: number) => (await site()).lookFurther(milliseconds),
  alike: async () => (await site()).alike(),
  pictures: async () => (await site()).pictures(),
  tags: async (id: PageId) => (await site()).tags(id),
  mainAddressEffect: async (origin: string) => (await site()).mainAddressEffect(origin),
  pageForPeople: async () => (await site()).pageForPeople(),
  templateMend: async (code: FindingCode, field: TemplateField) => (await site()).templateMend(code, field),
  brokenLinks: async () => (await site()).survey.brokenLinks(),
  phrases: async () => (await site()).phrases(),
  patternPreview: async (kind: Kind, field: PatternField, pattern: Pattern | undefined) => (await site()).patternPreview(kind, field, pattern),
  async suggestionsForEmpty(job: string, field: 'title' | 'description', progress: Progress): Promise<FilledIn[] | undefined> {
    const found = await (await site()).suggestionsForEmpty(field, { progress, stopped: () => cancelled.has(job) });
    cancelled.delete(job);
    return found;
  },
  /** A picture of the site, to be shown; undefined where there is none of this path. */
  picture: async (path: FilePath) => (await site()).picture(path),
  /** Whether a sitemap goes out, written here or brought in. */
  hasMap: async (): Promise<boolean> => {
    const { survey, files } = await site();
    return SITEMAP_FILE in survey.workingCopy().own || files.some(({ path }) => path === SITEMAP_FILE);
  },
  hasFile: async (path: FilePath): Promise<boolean> => (await site()).files.some((file) => file.path === path),

  /** How each snippet stands in the pages as they were brought in. */
  async snippetReports(): Promise<Readonly<Record<string, SnippetReport>>> {
    const its = await site();
    const hashes = new Map(its.files.map(({ path, hash }) => [path, hash]));
    return snippetReports(snippetsOf(its.document), its.whole().rows, its.bytesByHash, hashes);
  },

  readSnippet: async (code: string): Promise<ReadSnippet> => readSnippet(code),

  /** How a snippet would fit pages: one of each frame that they have is tried. */
  async snippetFits(code: string, ids: readonly PageId[]): Promise<SnippetFits> {
    const its = await site();
    return snippetFits(code, await pagesOfFrames(ids, its.files, its.bytesByHash));
  },

  /** What of pages is out there otherwise than they would go out now, page by page, in the order in which they were given. */
  async drift(pages: readonly LookedAt[]): Promise<readonly (readonly DriftField[])[]> {
    const its = await site();
    await its.allUnderstood();
    return driftIn(pages, { copy: its.survey.workingCopy(), document: its.document, bytesOf: its.bytesByHash });
  },

  /** What goes out in a release. */
  async outgoing(number: number, wish: ReleaseWish, progress: Progress): Promise<Outgoing> {
    const its = await site();
    await its.allUnderstood();
    sending = new Sending(await db(), sha256);
    return sending.outgoing(its, number, wish, progress);
  },

  /** Bundles of the files with these hashes, to be sent one after the other. */
  bundles: async (wanted: readonly { path: FilePath; hash: string }[]): Promise<Blob[]> => onItsWay().bundles(wanted),

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
};

export type AnalysisService = typeof service;
expose(service);
