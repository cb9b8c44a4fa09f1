import type { FindingCode, TemplateField } from '../../core/checks/index.ts';
import type { TextMeasure } from '../../core/language/index.ts';
import { pasteItems, type PasteItem } from '../../core/ledger/index.ts';
import { passagesIn, patchPage, readSource, type PageFacts, type Passage, type Unwritable } from '../../core/page/index.ts';
import { releasedTags, SITEMAP_PAGE, type Hunk, type Manifest, type ReleasedTags, type ReleaseItem } from '../../core/release/index.ts';
import { comparedPath, parseRobots, robotsMatcher, type RobotsVerdict } from '../../core/robots/index.ts';
import {
  applyChange,
  emptyDocument,
  mainAddressChange,
  siteHost,
  siteOrigin,
  versionOf,
  type Change,
  type Kind,
  type PatternField,
  type SiteDocument,
} from '../../core/site/index.ts';
import { ENGINES } from '../../core/engines/index.ts';
import type { ResultExtras } from '../../core/results/index.ts';
import type { MarkupReport, PageMeaning } from '../../core/structured-data/index.ts';
import { decodeSource, isAddressVariant } from '../../core/source/index.ts';
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
import { mapLines, summaryOf, type MapEntryLine, type MapFrom, type MapOrder, type MapSummary, type ReadMap, type MapReport } from '../../core/map/index.ts';
import type { AddressWay, RobotsEffect, RobotsReport } from '../../core/crawl/index.ts';
import type { PageRow, SiteNumbers } from '../../core/rows/index.ts';
import type { Pattern } from '../../core/titles/index.ts';
import { gatePlaces, type GatePlaces, type WayIn } from '../../core/indexing/index.ts';
import { filesId, listFiles, loadBytes, loadManifest, type Database, type StoredFile } from '../storage/index.ts';
import { importedAddress, Meanings } from './meanings.ts';
import { Measures } from './measures.ts';
import { markupTree, type MarkupTree } from './markup-tree.ts';
import { addressEffect, type AddressEffect } from './address-effect.ts';
import { Releases } from './releases.ts';
import { shownPage } from './shown-page.ts';
import { templateMend, type MendGroup } from './template-mends.ts';
import { readImported, readPages, readStored, type FactCache, type ReadFile } from './read-site.ts';

/** What the page is told after each look. Rows are only those that changed. */
export interface SurveyNews {
  readonly rows: readonly PageRow[];
  readonly numbers: SiteNumbers;
  /** Where there are more rows than go over in one message: by what the rest is fetched. */
  readonly ticket?: number;
  /** What had been found out does not hold any more: `lookFurther` has work again. */
  readonly again?: true;
}

/** Everything of one page that its own screens need. */
export interface PageDetail {
  readonly id: string;
  readonly facts: PageFacts;
  readonly source: string;
  /** What the page shows, passage by passage, as its file has it. */
  readonly passages: readonly Passage[];
  /** How it reads. */
  readonly measure: TextMeasure | undefined;
  readonly backlinks: readonly string[];
  readonly size: number;
  /** Sentences of it that stand on many pages. */
  readonly common: readonly string[];
  /** Why nothing can be written into it; undefined where it can. */
  readonly unwritable: Unwritable | undefined;
}

/** The structured data of one page: what is written, and what it came with. */
export interface PageMeaningDetail {
  readonly report: MarkupReport;
  readonly brought: MarkupTree | undefined;
}

/** A map as it was read; by the ticket its entries are asked for. */
export type MapReading = MapSummary & { readonly ticket: number };

/** One crawler at one address. */
export interface TriedAddress extends AddressWay {
  readonly crawler: string;
  readonly verdict: RobotsVerdict;
  /** Where in the page stands what decided. */
  readonly places: GatePlaces;
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

/** A title that a page is tried with, to know whether it can be written into. */
const TRIAL = 'A title';

/** Milliseconds after which the page is told of what was found out meanwhile. */
const BETWEEN_NEWS = 4000;
/** Milliseconds for which the worker is at one thing while others may wait. */
const AT_A_TIME = 40;
/** Rows handed over in one go. */
const ROWS_AT_ONCE = 600;

/** The survey of one opened site, over what the browser keeps. Lives in the worker. */
export class Analyst {
  private survey: Survey | undefined;
  /** Under which the version of the files that the document is about is kept. */
  filesId: string;
  readonly releases: Releases;
  private files: StoredFile[] = [];
  private manifest: Manifest | undefined;
  private document: SiteDocument = emptyDocument();
  /** Rows found out about since the page was told. */
  private readonly found = new Map<string, PageRow>();
  private handedOver = 0;
  private measures: Measures | undefined;
  private meanings: Meanings | undefined;
  /** Pages of which it is not known yet what they say; and on what of the document that depends. */
  private unread: string[] = [];
  private basis = '';
  private reading: Promise<void> = Promise.resolve();
  /** What was read of the site's files. */
  private sources: { readonly pages: readonly ReadFile[]; readonly imported: Imported } | undefined;
  /** The map that was read last. */
  private read: { readonly ticket: number; readonly map: ReadMap } | undefined;
  /** Pages whose reading has not been measured yet. */
  private unmeasured: string[] = [];

  constructor(
    private readonly db: Database,
    readonly siteId: string,
    private readonly now: () => number,
    private readonly cache: FactCache,
  ) {
    this.filesId = siteId;
    this.releases = new Releases(
      db,
      siteId,
      () => this.version,
      () => this.its().workingCopy(),
    );
  }

  /** Reads all pages. Undefined where it was cancelled. */
  async open(document: SiteDocument, progress: (done: number, of: number) => void, cancelled: () => boolean): Promise<SurveyNews | undefined> {
    this.filesId = filesId(this.siteId, versionOf(document));
    [this.files, this.manifest] = await Promise.all([listFiles(this.db, this.filesId), loadManifest(this.db, this.siteId)]);
    const store = { db: this.db, siteId: this.filesId, files: this.files };
    const pages = await readPages(store, this.cache, this.now, progress, cancelled);
    if (!pages) return undefined;
    this.sources = { pages, imported: await readImported(store) };
    this.document = document;
    this.survey = this.surveyOf(document);
    this.measures = new Measures(store, this.now);
    this.meanings = new Meanings(store);
    this.handedOver = this.now();
    this.unmeasured = pages.flatMap(({ id, read }) => (typeof read === 'string' ? [] : [id]));
    this.basis = Meanings.basis(document);
    this.unread = [...this.unmeasured];
    return { rows: this.survey.rows(), numbers: this.survey.numbers() };
  }

  /** The site as it was read last, surveyed by a document. */
  private surveyOf(document: SiteDocument): Survey {
    if (!this.sources) throw new Error('no site is open');
    return new Survey(document, this.files, this.sources.pages, this.sources.imported, this.manifest, this.now);
  }

  /** Looks again after changes. */
  update(document: SiteDocument, change: Change): SurveyNews {
    this.document = document;
    const survey = this.its();
    const basis = Meanings.basis(document);
    if (basis !== this.basis) {
      this.basis = basis;
      this.unread = survey.rows().map(({ id }) => id);
      return { rows: survey.update(document, change), numbers: survey.numbers(), again: true };
    }
    return { rows: survey.update(document, change), numbers: survey.numbers() };
  }

  /** Looks at pages until so much time has passed, or all are looked at; gives the rows that are others then. One reading goes after the other. */
  private readMeanings(goOn: () => boolean): Promise<PageRow[]> {
    const reading = this.reading.then(async () => {
      const found = new Map<string, PageMeaning>();
      while (this.unread.length > 0 && goOn()) {
        const id = this.unread.shift() as string;
        const { basis } = this;
        const meaning = await this.meanings?.of(id, this.document).catch(() => 'cannot' as const);
        if (basis !== this.basis) continue;
        // Without the vocabulary, which comes from the server, none can be: pages stay as they were released, and are asked about when somebody looks at them.
        if (meaning === 'cannot') this.unread = [];
        else if (meaning) found.set(id, meaning);
      }
      return found.size === 0 ? [] : this.its().putMeanings(found);
    });
    this.reading = reading.then(
      () => undefined,
      () => undefined,
    );
    return reading;
  }

  /** Waits until it is known what every page says: what is written into pages depends on it. */
  async allUnderstood(): Promise<void> {
    if (this.document.tables.meaning['']?.on !== true) return;
    for (const row of await this.readMeanings(() => true)) this.found.set(row.id, row);
  }

  /** The structured data of one page, read back, and what it came with as a tree. */
  async meaning(id: string): Promise<PageMeaningDetail | undefined> {
    if (!this.its().isUnderstood(id) || this.unread.includes(id)) {
      const meaning = await this.meanings?.of(id, this.document).catch(() => undefined);
      this.unread = this.unread.filter((one) => one !== id);
      if (meaning) for (const row of this.its().putMeanings(new Map([[id, meaning]]))) this.found.set(row.id, row);
    }
    const read = await readStored(this.db, this.filesId, id);
    if (!read) return undefined;
    const brought = markupTree(read.source.text, read.facts, importedAddress(this.document, id), this.its().broughtBy(id));
    return { report: this.its().meaning.page(id), brought };
  }

  /** What the first engine makes of a page's structured data, as it will go out; nothing where none is written. */
  resultExtras(id: string): ResultExtras {
    const report = this.its().meaning.page(id);
    return report.on ? report.extras[ENGINES[0].id] : {};
  }

  meaningKinds(): ReturnType<Survey['meaning']['kinds']> {
    return this.its().meaning.kinds();
  }

  tryKind(kind: Kind, markup: string | null): ReturnType<Survey['meaning']['tryKind']> {
    return this.its().meaning.tryKind(kind, markup, 3);
  }

  broughtMarkup(): ReturnType<Survey['meaning']['brought']> {
    return this.its().meaning.brought();
  }

  /** What a release would write into pages, as texts to paste, page by page; pages without any are not among them. */
  async pasteItems(): Promise<Readonly<Record<string, readonly PasteItem[]>>> {
    await this.allUnderstood();
    const survey = this.its();
    const found: Record<string, readonly PasteItem[]> = {};
    for (const { source, row } of survey.sitePages()) {
      const items = pasteItems(survey.editsOf(row.id), source);
      if (items.length > 0) found[row.id] = items;
    }
    return found;
  }

  factOffers(): ReturnType<Survey['meaning']['factOffers']> {
    return this.its().meaning.factOffers();
  }

  async page(id: string): Promise<PageDetail | undefined> {
    const bytes = await loadBytes(this.db, this.filesId, id);
    if (!bytes) return undefined;
    const source = decodeSource(bytes);
    const reading = readSource(source);
    if (!reading.ok) return undefined;
    return {
      id,
      facts: reading.facts,
      source: source.text,
      passages: passagesIn(source.text),
      measure: await this.measured(id),
      backlinks: this.its().backlinks(id),
      size: bytes.length,
      common: this.its().commonIn(reading.facts),
      unwritable: reading.facts.unwritable ?? (patchPage(source, reading.facts, [{ kind: 'title', text: TRIAL }]).ok ? undefined : 'head-open'),
    };
  }

  /**
   * Finds out more, for about so many milliseconds: near copies first, then how pages read. Rows are handed over when there are many, or when all is
   * done: the page draws them anew each time.
   */
  async lookFurther(milliseconds: number): Promise<{ readonly news: SurveyNews | undefined; readonly left: number }> {
    const until = this.now() + milliseconds;
    const survey = this.its();
    const keep = (rows: readonly PageRow[]): void => rows.forEach((row) => this.found.set(row.id, row));
    const compared = survey.compareMore(() => this.now() < until);
    keep(compared.rows);
    const measured = new Map<string, TextMeasure>();
    while (compared.left === 0 && this.unmeasured.length > 0 && this.now() < until) {
      const id = this.unmeasured.shift() as string;
      const measure = await this.measured(id);
      if (measure) measured.set(id, measure);
    }
    keep(survey.putMeasures(measured));
    if (compared.left === 0) keep(await this.readMeanings(() => this.now() < until));
    const left = compared.left + this.unmeasured.length + this.unread.length;
    if (left > 0 && this.now() - this.handedOver < BETWEEN_NEWS) return { news: undefined, left };
    // A row may have become another one since it was put aside; many go over in several parts, so that none holds the page up.
    const ids = [...this.found.keys()].slice(0, ROWS_AT_ONCE);
    for (const id of ids) this.found.delete(id);
    if (this.found.size === 0) this.handedOver = this.now();
    return { news: { rows: ids.map((id) => survey.row(id)), numbers: survey.numbers() }, left: left + this.found.size };
  }

  private async measured(id: string): Promise<TextMeasure | undefined> {
    return this.measures?.of(id, this.document.tables.facts['']?.language);
  }

  alike(): ReturnType<typeof alikeGroups> {
    return alikeGroups(this.its());
  }

  pictures(): ReturnType<typeof picturePlaces> {
    return picturePlaces(this.its(), this.document);
  }

  /** The tags of a page as it will be released. */
  async tags(id: string): Promise<ReleasedTags | undefined> {
    const read = await readStored(this.db, this.filesId, id);
    return read && releasedTags(read.source, read.facts, this.its().editsOf(id));
  }

  /** What another main address would do, told by the site surveyed as it would be. */
  mainAddressEffect(origin: string): AddressEffect {
    return addressEffect(this.its(), this.surveyOf(applyChange(this.document, mainAddressChange(this.document, origin))));
  }

  /** The map for people, to be shown before it is written. */
  pageForPeople(): Promise<string> {
    const html = this.its().maps.pageForPeople();
    return shownPage(html, `/${SITEMAP_PAGE}`, siteHost(this.document), (path) => loadBytes(this.db, this.filesId, path));
  }

  /** What a mend for what lives in a template would write, on all pages that need it. */
  templateMend(code: FindingCode, field: TemplateField): Promise<MendGroup[]> {
    const pages = this.its()
      .rows()
      .filter((row) => row.findings.some((finding) => finding.code === code));
    const store = { db: this.db, siteId: this.filesId, files: this.files };
    return templateMend(store, field, pages, this.document.tables.facts['']?.language || 'en');
  }

  brokenLinks(): ReturnType<Survey['brokenLinks']> {
    return this.its().brokenLinks();
  }

  phrases(): ReturnType<typeof phraseReport> {
    return phraseReport(this.its(), this.document);
  }

  patternPreview(kind: Kind, field: PatternField, pattern: Pattern | undefined): ReturnType<typeof patternPreview> {
    return patternPreview(this.its(), this.document, kind, field, pattern);
  }

  /** What empty fields could say, found out a while at a time; undefined where it was stopped. */
  async suggestionsForEmpty(
    field: 'title' | 'description',
    { progress, stopped }: { readonly progress: (done: number, of: number) => void; readonly stopped: () => boolean },
  ): Promise<FilledIn[] | undefined> {
    const survey = this.its();
    const pages = pagesLacking(survey, field);
    const found: FilledIn[] = [];
    let done = 0;
    let until = this.now() + AT_A_TIME;
    for (const one of suggestionsForEmpty(survey, this.document, field, pages)) {
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

  async picture(path: string): Promise<Blob | undefined> {
    const type = PICTURES[/\.(\w+)$/.exec(path.toLowerCase())?.[1] ?? ''];
    if (type === undefined) return undefined;
    const bytes = await loadBytes(this.db, this.filesId, path);
    return bytes && new Blob([bytes as Uint8Array<ArrayBuffer>], { type });
  }

  wayIn(id: string, crawler?: string): WayIn {
    return this.its().wayIn(id, crawler);
  }

  robots(draft?: string): RobotsReport {
    return this.its().robots.report(draft);
  }

  robotsOpenedFor(paths: readonly string[], draft?: string): string | undefined {
    return this.its().robots.openedFor(paths, draft);
  }

  robotsEffect(draft: string): readonly RobotsEffect[] {
    return this.its().robots.effect(draft);
  }

  /** Any address against some crawlers. Undefined where it is no address of this site. */
  async tryAddress(address: string, crawlers: readonly string[]): Promise<readonly TriedAddress[] | undefined> {
    const whole = address.trim();
    const url = /^https?:\/\//i.test(whole) && URL.canParse(whole) ? new URL(whole) : undefined;
    const [origin, host] = [siteOrigin(this.document), siteHost(this.document)];
    if (/^https?:\/\//i.test(whole) && !isAddressVariant(url?.host ?? '', host)) return undefined;
    const led = url !== undefined && url.origin !== new URL(origin).origin;
    const path = comparedPath(whole.startsWith('/') || /^https?:/i.test(whole) ? whole : `/${whole}`);
    if (path === undefined) return undefined;
    const file = parseRobots(this.its().robots.text() ?? '');
    const tried = crawlers.map((crawler) => ({ crawler, verdict: robotsMatcher(file, crawler).match(path), ...this.its().wayInAt(path, crawler, led) }));
    const page = tried.find(({ what }) => what === 'page')?.id;
    const bytes = page === undefined ? undefined : await loadBytes(this.db, this.filesId, page);
    const text = bytes && decodeSource(bytes).text;
    return tried.map((one) => ({ ...one, places: text === undefined ? {} : gatePlaces(one.way, text) }));
  }

  clicks(): ReadonlyMap<string, number> {
    return this.its().clicks();
  }

  otherFiles(): ReturnType<Survey['otherFiles']> {
    return this.its().otherFiles();
  }

  mapReport(): MapReport {
    return this.its().maps.report();
  }

  /** Reads a map; its entries, of which there may be very many, are asked for by the ticket. */
  validateMap(from: MapFrom): MapReading {
    this.read = { ticket: (this.read?.ticket ?? 0) + 1, map: this.its().maps.read(from) };
    return { ...summaryOf(this.read.map), ticket: this.read.ticket };
  }

  /** The first addresses of the map that was read last, in an order. Undefined where another was read since. */
  mapLines(ticket: number, order: MapOrder, most: number): readonly MapEntryLine[] | undefined {
    return this.read?.ticket === ticket ? mapLines(this.read.map, order, most) : undefined;
  }

  releaseItems(): ReleaseItem[] {
    return this.its().releaseItems();
  }

  heaviest(most: number): readonly StoredFile[] {
    return [...this.files].sort((a, b) => b.size - a.size).slice(0, most);
  }

  unreadable(): ReturnType<Survey['refusals']> {
    return this.its().refusals();
  }

  /** The difference of a file between the last release and now. Undefined for bytes that are no text, or too far apart. */
  diff(path: string, own: boolean): Promise<readonly Hunk[] | undefined> {
    return this.releases.differenceIn(path, own, this.manifest, this.its().workingCopy());
  }

  /** All that the owner has said, as far as it is known here. */
  itsDocument(): SiteDocument {
    return this.document;
  }

  /** The version of the site's files that is open. */
  get version(): number {
    return versionOf(this.document);
  }

  /** Takes a finished release in. */
  released(manifest: Manifest, document: SiteDocument): SurveyNews {
    this.manifest = manifest;
    this.document = document;
    return { rows: this.its().released(manifest, document), numbers: this.its().numbers() };
  }

  /** What another tab released, taken in from the browser's database. */
  async manifestAgain(document: SiteDocument): Promise<SurveyNews> {
    const manifest = await loadManifest(this.db, this.siteId);
    return manifest ? this.released(manifest, document) : this.update(document, { kind: 'all', changes: [] });
  }

  /** All rows as they are told now. */
  whole(): { readonly rows: readonly PageRow[]; readonly numbers: SiteNumbers; readonly version: number } {
    return { rows: this.its().rows(), numbers: this.its().numbers(), version: this.version };
  }

  workingCopy(): ReturnType<Survey['workingCopy']> {
    return this.its().workingCopy();
  }

  manifestFor(number: number): Manifest {
    return this.its().manifestFor(number, this.now());
  }

  storedFiles(): readonly StoredFile[] {
    return this.files;
  }

  lastManifest(): Manifest | undefined {
    return this.manifest;
  }

  private its(): Survey {
    if (!this.survey) throw new Error('the site is not open');
    return this.survey;
  }
}
