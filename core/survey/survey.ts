import type { SaidCanonical, WayIn } from '../indexing/index.ts';
import type { TextMeasure } from '../language/index.ts';
import type { PageFacts, PageRefusal } from '../page/index.ts';
import { effectiveRobots, type Manifest, type ReleasedFile, type ReleaseItem, type WorkingCopy } from '../release/index.ts';
import {
  effectiveAddress,
  effectiveFacts,
  effectiveFile,
  fieldsOf,
  formerHost,
  homeFile,
  kindOf,
  passagesOf,
  siteHost,
  siteOrigin,
  type Change,
  type SiteDocument,
  type SitePage,
} from '../site/index.ts';
import type { SitemapEntry } from '../sitemap/index.ts';
import { Entrances, STATE_CRAWLER, type AddressWay, type OtherFile } from './entrances.ts';
import { feedEntries } from './feeds.ts';
import { inTreeOrder, newPage, type Brought, type SiteInView, type Surveyed } from './in-view.ts';
import { LinkIndex } from './links.ts';
import type { MapReport } from './map-report.ts';
import type { MapFrom } from './map-source.ts';
import { Moving } from './moving.ts';
import { reachOf } from './reach.ts';
import type { ReadMap } from './read-map.ts';
import type { RobotsEffect, RobotsReport } from './robots-report.ts';
import type { PageRow, SiteFile, SiteNumbers, SurveyedFacts } from './rows.ts';
import { SiteMaps } from './site-maps.ts';
import { Whereabouts } from './whereabouts.ts';
import { WordsIndex } from './words-index.ts';
import { GoingOut } from './going-out.ts';
import { RowMaker } from './row-maker.ts';
import { TellingApart } from './telling-apart.ts';

/**
 * The whole site in view: facts and document in, a row for every page out. A change of one page's words looks again at that page and at those that
 * share its words; a change of the site's rules looks at all. Every screen and the release read from here.
 */
export class Survey {
  private readonly site: SiteInView;
  private readonly entrances: Entrances;
  private readonly maps: SiteMaps;
  private readonly refused = new Map<string, PageRefusal>();
  private readonly words = new WordsIndex();
  private readonly goingOut: GoingOut;
  private readonly made: RowMaker;
  private readonly apart: TellingApart;

  constructor(
    document: SiteDocument,
    files: readonly SiteFile[],
    pages: readonly { readonly id: string; readonly read: SurveyedFacts | PageRefusal }[],
    brought: Brought,
    manifest: Manifest | undefined,
    now: () => number,
  ) {
    const byPath = new Map(files.map((file) => [file.path, file]));
    const has = (path: string): boolean => byPath.has(path);
    const home = homeFile(has);
    const links = new LinkIndex(siteHost(document), has, formerHost(document));
    const moving = new Moving(document, has);
    const whereabouts = new Whereabouts<Surveyed>(document, [], ({ id }) => id, has);
    this.site = { document, manifest, whereabouts, pages: new Map(), files: byPath, links, moving, home, brought, now };
    const entries = feedEntries(brought.feeds ?? []);
    this.apart = new TellingApart(pages.flatMap(({ read }) => (typeof read === 'string' ? [] : [read.facts])));
    for (const { id, read } of pages) {
      if (typeof read === 'string') this.refused.set(id, read);
      else this.site.pages.set(id, newPage(id, read, id === home, entries, this.apart.nameOf(id, read.facts)));
    }
    this.maps = new SiteMaps(this.site);
    this.entrances = new Entrances(
      this.site,
      (file, crawler) => this.maps.isInMap(file, crawler, this.entrances),
      (crawler) => this.maps.leads(crawler, this.entrances),
    );
    this.goingOut = new GoingOut(this.site, this.maps, this.entrances);
    this.made = new RowMaker(this.site, this.entrances, this.maps, this.words, this.goingOut);
    for (const page of this.site.pages.values()) {
      this.settle(page);
      this.putLinks(page);
    }
    this.refreshAll();
  }

  /** Looks again after a change; `document` is the document with the change made. Gives the rows that are not what they were. */
  update(document: SiteDocument, change: Change): PageRow[] {
    this.site.document = document;
    const touched = new Set<string>();
    let everything = false;
    for (const field of fieldsOf(change)) {
      const reach = reachOf(field);
      if (reach === 'all') everything = true;
      if (reach === 'links') {
        everything = true;
        for (const page of this.site.pages.values()) this.putLinks(page);
      }
      const page = reach === 'page' ? this.site.pages.get(field.key.split('\n')[0] as string) : undefined;
      if (!page) continue;
      this.settle(page);
      touched.add(page.id);
      for (const other of this.words.put(page.id, this.made.compared(page))) touched.add(other);
      if (field.table === 'passages') for (const other of this.putLinks(page)) touched.add(other);
    }
    if (everything) return this.refreshAll();
    return this.refresh([...touched].flatMap((id) => this.site.pages.get(id) ?? []));
  }

  /** Looks for near copies across the site, a while at a time; gives the rows that are not what they were. */
  compareMore(goOn: () => boolean): { readonly rows: readonly PageRow[]; readonly left: number } {
    const { touched, left } = this.words.compareMore(goOn);
    return { rows: this.refresh([...touched].flatMap((id) => this.site.pages.get(id) ?? [])), left };
  }

  /** Takes in how pages read: told later than the rest, since it takes longer to find out. */
  putMeasures(measures: ReadonlyMap<string, TextMeasure>): PageRow[] {
    const pages = [...measures].flatMap(([id, measure]) => {
      const page = this.site.pages.get(id);
      if (page) page.measure = measure;
      return page ? [page] : [];
    });
    return this.refresh(pages);
  }

  /** Takes in what a release put out. */
  released(manifest: Manifest, document: SiteDocument): PageRow[] {
    this.site.manifest = manifest;
    this.site.document = document;
    return this.refreshAll();
  }

  rows(): PageRow[] {
    return [...this.site.pages.values()].map((page) => page.row).sort(inTreeOrder);
  }

  row(id: string): PageRow {
    return this.page(id).row;
  }

  /** Files that are pages by their name and could not be read. */
  refusals(): { readonly id: string; readonly reason: PageRefusal }[] {
    return [...this.refused].map(([id, reason]) => ({ id, reason }));
  }

  /** The way in for one page, by any crawler. */
  wayIn(id: string, crawler = STATE_CRAWLER): WayIn {
    return this.entrances.wayIn(this.page(id), crawler);
  }

  /** The way in for any address path of the site: a page, another file, or nothing at all. */
  wayInAt(path: string, crawler: string, led = false): AddressWay {
    return this.entrances.wayInAt(path, crawler, led);
  }

  /** Files that are no pages, with what their headers will say and whether each engine may fetch them. */
  otherFiles(): readonly OtherFile[] {
    return this.entrances.otherFiles();
  }

  /** How many clicks each file is from the home page; those without are not reached by links. */
  clicks(): ReadonlyMap<string, number> {
    return this.entrances.clicks();
  }

  /** robots.txt as it will be, undefined where there is none. */
  robotsText(): string | undefined {
    const { document, brought } = this.site;
    return effectiveRobots(document, brought.robots, this.maps.isWritten(this.entrances));
  }

  /** robots.txt, as it will be or as a draft of it would be, held against the site. */
  robotsReport(draft?: string): RobotsReport {
    return this.entrances.robotsReport(draft ?? this.robotsText());
  }

  /** What a draft of robots.txt would change, crawler by crawler, in pages and files. */
  robotsEffect(draft: string): readonly RobotsEffect[] {
    return this.entrances.robotsEffect(this.robotsText() ?? '', draft);
  }

  /** robots.txt with some paths open to every crawler that is known, and nothing else; undefined where nothing has to change. */
  robotsOpenedFor(paths: readonly string[], draft?: string): string | undefined {
    return this.entrances.robotsOpenedFor(draft ?? this.robotsText(), paths);
  }

  /** The entries of the map, in the order of their addresses. */
  sitemapEntries(): SitemapEntry[] {
    return this.maps.entries();
  }

  /** The map for people as it would be written. */
  pageForPeople(): string {
    return this.maps.pageForPeople();
  }

  /** The maps as they are told: the files, each page's place and date, what is left out and why. */
  mapReport(): MapReport {
    return this.maps.report(this.entrances);
  }

  /** Reads any map closely and holds it against the site. */
  readMap(from: MapFrom): ReadMap {
    return this.maps.read(from, this.entrances);
  }

  /** What would go out now. */
  workingCopy(): WorkingCopy {
    return this.goingOut.workingCopy();
  }

  /** What differs from the last release. */
  releaseItems(): ReleaseItem[] {
    return this.goingOut.items();
  }

  /** The manifest of a release made now. */
  manifestFor(number: number, at: number): Manifest {
    return this.goingOut.manifestFor(number, at);
  }

  /** The site in numbers, for the foot and the first screen. */
  numbers(): SiteNumbers {
    return this.goingOut.numbers();
  }

  /** Sentences of a page that stand on many pages: nothing to describe it by. */
  commonIn(facts: PageFacts): string[] {
    return this.apart.commonIn(facts);
  }

  linkers(id: string): string[] {
    return this.site.links.linkers(id);
  }

  /** All links inside the site that lead nowhere. */
  brokenLinks(): { readonly page: string; readonly path: string }[] {
    return this.site.links.broken();
  }

  /** Edits that the release writes into a file; none for files that are no pages. */
  editsOf(path: string): ReleasedFile['edits'] {
    return this.site.pages.get(path)?.out.edits ?? [];
  }

  /** Each page with the facts it will have: for reports across the site. */
  *sitePages(): Generator<{ readonly page: SitePage; readonly source: PageFacts; readonly row: PageRow }> {
    for (const { site, source, row } of this.site.pages.values()) yield { page: site, source, row };
  }

  private page(id: string): Surveyed {
    const page = this.site.pages.get(id);
    if (!page) throw new RangeError(`no page ${id}`);
    return page;
  }

  /** What the document says of a page's kind, address and own words. */
  private settle(page: Surveyed): void {
    const { kind } = kindOf(this.site.document, page.id, page.guess);
    page.site = {
      id: page.id,
      kind,
      isHome: page.id === this.site.home,
      facts: effectiveFacts(this.site.document, page.id, page.source),
      ownName: page.ownName,
    };
    page.address = effectiveAddress(this.site.document, page.id);
  }

  private putLinks(page: Surveyed): Set<string> {
    this.entrances.forgetWhoComesUpon();
    const set = passagesOf(this.site.document, page.id).flatMap(({ links }) => links.map((link) => link.href));
    return this.site.links.put(
      page.id,
      set.length === 0 ? page.hrefs : [...page.hrefs, ...set],
      page.source.base,
      (path) => this.site.document.tables.repairs[path]?.to ?? undefined,
      page.unfollowed,
    );
  }

  private refreshAll(): PageRow[] {
    const { site } = this;
    this.maps.forget();
    this.entrances.readRules();
    this.site.moving = new Moving(site.document, (path) => site.files.has(path));
    site.home = homeFile((path) => site.files.has(path)) ?? site.document.tables.facts['']?.homePage ?? undefined;
    const all = [...site.pages.values()];
    for (const page of all) this.settle(page);
    site.whereabouts = new Whereabouts(
      site.document,
      all,
      ({ id }) => effectiveFile(site.document, id),
      (path) => site.files.has(path),
    );
    for (const page of all) this.words.put(page.id, this.made.compared(page));
    return this.refresh(all);
  }

  private refresh(pages: readonly Surveyed[]): PageRow[] {
    this.entrances.lookAround();
    // Where a canonical leads bears on other pages, and what is in the map on whether a page can be reached: these come first.
    for (const page of pages) page.canonicals = this.canonicalsOf(page);
    for (const page of pages) if (this.maps.decide(page, this.entrances)) this.entrances.forgetWhoComesUpon();
    const moved = this.entrances.findOut();
    const changed: PageRow[] = [];
    for (const page of moved.length > 0 ? new Set([...pages, ...moved]) : pages) {
      const before = page.row as PageRow | undefined;
      page.row = this.made.rowOf(page);
      this.maps.date(page);
      if (!before || JSON.stringify(before) !== JSON.stringify(page.row)) changed.push(page.row);
    }
    return changed;
  }

  private canonicalsOf(page: Surveyed): readonly SaidCanonical[] {
    const { document } = this.site;
    if (document.tables.pages[page.id]?.canonical !== 'self') return this.site.moving.canonicalsOf(page);
    return [{ address: siteOrigin(document) + page.address, from: 'tag' }];
  }
}
