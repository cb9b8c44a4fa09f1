import type { FilePath, PageId } from '../../core/source/index.ts';
import type { FindingCode, TemplateField } from '../../core/checks/index.ts';
import { pasteItems, type PasteItem } from '../../core/ledger/index.ts';
import { releasedTags, SITEMAP_PAGE, type Hunk, type Manifest, type ReleasedTags, type WorkingCopy } from '../../core/release/index.ts';
import {
  applyChange,
  emptyDocument,
  mainAddressChange,
  siteHost,
  versionOf,
  type Change,
  type Kind,
  type PatternField,
  type SiteDocument,
} from '../../core/site/index.ts';
import { ENGINES } from '../../core/engines/index.ts';
import type { ResultExtras } from '../../core/results/index.ts';
import type { MarkupReport } from '../../core/structured-data/index.ts';
import {
  alikeGroups,
  pagesLacking,
  patternPreview,
  phraseReport,
  picturePlaces,
  suggestionsForEmpty,
  Survey,
  type FilledIn,
  type Imported,
} from '../../core/survey/index.ts';
import { mapLines, summaryOf, type MapEntryLine, type MapFrom, type MapOrder, type MapSummary, type ReadMap } from '../../core/map/index.ts';
import type { PageRow, SiteNumbers } from '../../core/rows/index.ts';
import type { Pattern } from '../../core/titles/index.ts';
import { filesId, listFiles, loadBytes, loadManifest, type Database, type StoredFile } from '../storage/index.ts';
import { addressEffect, type AddressEffect } from './address-effect.ts';
import { bytesIn, type BytesOf } from './export-site.ts';
import { FurtherLook } from './further-look.ts';
import { importedAddress } from './meanings.ts';
import { markupTree, type MarkupTree } from './markup-tree.ts';
import { pageDetail, type PageDetail } from './page-detail.ts';
import { readImported, readPages, readStored, type FactCache, type ReadFile, type StoredSite } from './read-site.ts';
import { Releases } from './releases.ts';
import { shownPage } from './shown-page.ts';
import { templateMend, type MendGroup } from './template-mends.ts';
import { tryAddress, type TriedAddress } from './tried-address.ts';

/** What the page is told after each look. Rows are only those that changed. */
export interface SurveyNews {
  readonly rows: readonly PageRow[];
  readonly numbers: SiteNumbers;
  /** Where there are more rows than go over in one message: by what the rest is fetched. */
  readonly ticket?: number;
  /** What had been found out does not hold any more: `lookFurther` has work again. */
  readonly again?: true;
}

/** The structured data of one page: what is written, and what it came with. */
export interface PageMeaningDetail {
  readonly report: MarkupReport;
  readonly brought: MarkupTree | undefined;
}

/** A map as it was read; by the ticket its entries are asked for. */
export type MapReading = MapSummary & { readonly ticket: number };

/** Characters of a file of ours that is handed to the page as a whole. */
const SMALL = 600_000;
/** Milliseconds for which the worker is at one thing while others may wait. */
const AT_A_TIME = 40;

/** What is open: the site's files as they were read, and what is made of them. */
interface Opened {
  readonly store: StoredSite;
  readonly pages: readonly ReadFile[];
  readonly imported: Imported;
  readonly survey: Survey;
  readonly further: FurtherLook;
  document: SiteDocument;
  manifest: Manifest | undefined;
}

/** The survey of one opened site, over what the browser keeps. Lives in the worker. */
export class Analyst {
  private opened: Opened | undefined;
  readonly releases: Releases;
  /** The map that was read last. */
  private read: { readonly ticket: number; readonly map: ReadMap } | undefined;

  constructor(
    private readonly db: Database,
    readonly siteId: string,
    private readonly now: () => number,
    private readonly cache: FactCache,
  ) {
    this.releases = new Releases(
      db,
      siteId,
      () => this.bytesByHash,
      () => this.survey.workingCopy(),
    );
  }

  /** Reads all pages. Undefined where it was cancelled. */
  async open(document: SiteDocument, progress: (done: number, of: number) => void, cancelled: () => boolean): Promise<SurveyNews | undefined> {
    const id = filesId(this.siteId, versionOf(document));
    const [files, manifest] = await Promise.all([listFiles(this.db, id), loadManifest(this.db, this.siteId)]);
    const store = { db: this.db, siteId: id, files };
    const pages = await readPages(store, this.cache, this.now, progress, cancelled);
    if (!pages) return undefined;
    const imported = await readImported(store);
    const survey = new Survey(document, files, pages, imported, manifest, this.now);
    const readable = pages.flatMap(({ id: page, read }) => (typeof read === 'string' ? [] : [page]));
    this.opened = { store, pages, imported, survey, further: new FurtherLook(store, readable, document, survey, this.now), document, manifest };
    return { rows: survey.rows(), numbers: survey.numbers() };
  }

  private get its(): Opened {
    if (!this.opened) throw new Error('the site is not open');
    return this.opened;
  }

  /** What is known of the open site. */
  get survey(): Survey {
    return this.its.survey;
  }

  /** All that the owner has said, as far as it is known here. */
  get document(): SiteDocument {
    return this.its.document;
  }

  /** The version of the site's files that is open. */
  get version(): number {
    return versionOf(this.opened?.document ?? emptyDocument());
  }

  /** Under which the open version of the files is kept. */
  get filesId(): string {
    return this.its.store.siteId;
  }

  get files(): readonly StoredFile[] {
    return this.its.store.files;
  }

  get manifest(): Manifest | undefined {
    return this.its.manifest;
  }

  private readonly bytesOf = (path: FilePath): Promise<Uint8Array | undefined> => loadBytes(this.db, this.filesId, path);

  /** A file's bytes by their hash, from the open version or any that is kept. */
  get bytesByHash(): BytesOf {
    return bytesIn(this.db, this.siteId, this.version);
  }

  /** The paths at which something would go out that is not out there, as far as it is known what pages say. */
  changedPaths(): ReadonlySet<string> {
    return new Set(this.survey.releaseItems().flatMap(({ what, out }) => (what === 'gone' ? [] : [out])));
  }

  /** Looks again after changes. */
  update(document: SiteDocument, change: Change): SurveyNews {
    const { survey, further } = this.its;
    this.its.document = document;
    const again = further.follow(document);
    return { rows: survey.update(document, change), numbers: survey.numbers(), ...(again ? { again } : {}) };
  }

  /** Takes a finished release in. */
  released(manifest: Manifest, document: SiteDocument): SurveyNews {
    this.its.manifest = manifest;
    this.its.document = document;
    return { rows: this.survey.released(manifest, document), numbers: this.survey.numbers() };
  }

  /** What another tab released, taken in from the browser's database. */
  async manifestAgain(document: SiteDocument): Promise<SurveyNews> {
    const manifest = await loadManifest(this.db, this.siteId);
    return manifest ? this.released(manifest, document) : this.update(document, { kind: 'all', changes: [] });
  }

  /** All rows as they are told now. */
  whole(): { readonly rows: readonly PageRow[]; readonly numbers: SiteNumbers; readonly version: number } {
    return { rows: this.survey.rows(), numbers: this.survey.numbers(), version: this.version };
  }

  /** Finds out more, for about so many milliseconds; `left` is how much is still to come. */
  async lookFurther(milliseconds: number): Promise<{ readonly news: SurveyNews | undefined; readonly left: number }> {
    const { further, survey } = this.its;
    const { rows, left } = await further.look(milliseconds);
    return { news: rows && { rows, numbers: survey.numbers() }, left };
  }

  /** Waits until it is known what every page says: what is written into pages depends on it. */
  async allUnderstood(): Promise<void> {
    if (this.document.tables.meaning['']?.on === true) await this.its.further.understandAll();
  }

  async page(id: PageId): Promise<PageDetail | undefined> {
    const bytes = await this.bytesOf(id);
    return bytes && pageDetail(id, bytes, this.survey, await this.its.further.measured(id));
  }

  /** The structured data of one page, read back, and what it came with as a tree. */
  async meaning(id: PageId): Promise<PageMeaningDetail | undefined> {
    await this.its.further.understand(id);
    const read = await readStored(this.db, this.filesId, id);
    if (!read) return undefined;
    const brought = markupTree(read.source.text, read.facts, importedAddress(this.document, id), this.survey.broughtBy(id));
    return { report: this.survey.meaning.page(id), brought };
  }

  /** What the first engine makes of a page's structured data, as it will go out; nothing where none is written. */
  resultExtras(id: PageId): ResultExtras {
    const report = this.survey.meaning.page(id);
    return report.on ? report.extras[ENGINES[0].id] : {};
  }

  /** What a release would write into pages, as texts to paste, page by page; pages without any are not among them. */
  async pasteItems(): Promise<Readonly<Record<string, readonly PasteItem[]>>> {
    await this.allUnderstood();
    const found: Record<string, readonly PasteItem[]> = {};
    for (const { source, row } of this.survey.sitePages()) {
      const items = pasteItems(this.survey.editsOf(row.id), source);
      if (items.length > 0) found[row.id] = items;
    }
    return found;
  }

  /** The tags of a page as it will be released. */
  async tags(id: PageId): Promise<ReleasedTags | undefined> {
    const read = await readStored(this.db, this.filesId, id);
    return read && releasedTags(read.source, read.facts, this.survey.editsOf(id));
  }

  alike(): ReturnType<typeof alikeGroups> {
    return alikeGroups(this.survey);
  }

  pictures(): ReturnType<typeof picturePlaces> {
    return picturePlaces(this.survey, this.document);
  }

  phrases(): ReturnType<typeof phraseReport> {
    return phraseReport(this.survey, this.document);
  }

  patternPreview(kind: Kind, field: PatternField, pattern: Pattern | undefined): ReturnType<typeof patternPreview> {
    return patternPreview(this.survey, this.document, kind, field, pattern);
  }

  /** What empty fields could say, found out a while at a time; undefined where it was stopped. */
  async suggestionsForEmpty(
    field: 'title' | 'description',
    { progress, stopped }: { readonly progress: (done: number, of: number) => void; readonly stopped: () => boolean },
  ): Promise<FilledIn[] | undefined> {
    const pages = pagesLacking(this.survey, field);
    const found: FilledIn[] = [];
    let done = 0;
    let until = this.now() + AT_A_TIME;
    for (const one of suggestionsForEmpty(this.survey, this.document, field, pages)) {
      done++;
      if (one) found.push(one);
      if (this.now() < until) continue;
      progress(done, pages.length);
      // Others who ask something of the worker have their turn.
      await new Promise((resolve) => setTimeout(resolve));
      if (stopped()) return undefined;
      until = this.now() + AT_A_TIME;
    }
    return found;
  }

  /** What another main address would do, told by the site surveyed as it would be. */
  mainAddressEffect(origin: string): AddressEffect {
    const { store, pages, imported, manifest, document } = this.its;
    const moved = applyChange(document, mainAddressChange(document, origin));
    return addressEffect(this.survey, new Survey(moved, store.files, pages, imported, manifest, this.now));
  }

  /** The map for people, to be shown before it is written. */
  pageForPeople(): Promise<string> {
    return shownPage(this.survey.maps.pageForPeople(), `/${SITEMAP_PAGE}`, siteHost(this.document), this.bytesOf);
  }

  /** What a mend for what lives in a template would write, on all pages that need it. */
  templateMend(code: FindingCode, field: TemplateField): Promise<MendGroup[]> {
    const pages = this.survey.rows().filter((row) => row.findings.some((finding) => finding.code === code));
    return templateMend(this.its.store, field, pages, this.document.tables.facts['']?.language || 'en');
  }

  /** Any address against some crawlers. Undefined where it is no address of this site. */
  tryAddress(address: string, crawlers: readonly string[]): Promise<readonly TriedAddress[] | undefined> {
    return tryAddress(this.survey, this.document, this.bytesOf, address, crawlers);
  }

  /** Reads a map; its entries, of which there may be very many, are asked for by the ticket. */
  validateMap(from: MapFrom): MapReading {
    this.read = { ticket: (this.read?.ticket ?? 0) + 1, map: this.survey.maps.read(from) };
    return { ...summaryOf(this.read.map), ticket: this.read.ticket };
  }

  /** The first addresses of the map that was read last, in an order. Undefined where another was read since. */
  mapLines(ticket: number, order: MapOrder, most: number): readonly MapEntryLine[] | undefined {
    return this.read?.ticket === ticket ? mapLines(this.read.map, order, most) : undefined;
  }

  heaviest(most: number): readonly StoredFile[] {
    return [...this.files].sort((a, b) => b.size - a.size).slice(0, most);
  }

  /** A picture of the site, to be shown; undefined where there is none of this path. */
  async picture(path: FilePath): Promise<Blob | undefined> {
    const type = PICTURES[/\.(\w+)$/.exec(path.toLowerCase())?.[1] ?? ''];
    if (type === undefined) return undefined;
    const bytes = await this.bytesOf(path);
    return bytes && new Blob([bytes as Uint8Array<ArrayBuffer>], { type });
  }

  /** The difference of a file between the last release and now. Undefined for bytes that are no text, or too far apart. */
  diff(path: FilePath, own: boolean): Promise<readonly Hunk[] | undefined> {
    return this.releases.differenceIn(path, own, this.manifest, this.survey.workingCopy());
  }

  /** Of what is out, what the host is told and those of our own files that are small: enough to take a change of them back. */
  releasedOwn(): Pick<WorkingCopy, 'own' | 'hosting'> {
    const { own = {}, hosting = {} } = this.manifest ?? {};
    return { own: Object.fromEntries(Object.entries(own).filter(([path, text]) => text.length <= SMALL && !/\.(?:xml|gz|xsl)$/.test(path))), hosting };
  }

  manifestFor(number: number): Manifest {
    return this.survey.manifestFor(number, this.now());
  }
}

/** Types of pictures that a browser shows; shown as pictures, nothing in them runs. */
const PICTURES: Readonly<Record<string, string>> = {
  jpg: 'image/jpeg',
  jpeg: 'image/jpeg',
  png: 'image/png',
  gif: 'image/gif',
  webp: 'image/webp',
  avif: 'image/avif',
  svg: 'image/svg+xml',
};
