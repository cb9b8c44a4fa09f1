import type { CrawlerToken, PageId } from '../source/index.ts';
import { wayInAt, otherFiles, type Evidences, type OtherFile, type AddressWay } from '../crawl/index.ts';
import { wayIn, type WayIn } from '../indexing/index.ts';
import type { TextMeasure } from '../language/index.ts';
import type { PageFacts, PageRefusal } from '../page/index.ts';
import {
  deadRedirects,
  inReleaseOrder,
  redirectPages,
  serverWishes,
  type DeadRedirect,
  type Manifest,
  type ReleasedFile,
  type ReleaseItem,
  type WorkingCopy,
} from '../release/index.ts';
import { feedEntries } from '../sitemap/index.ts';
import { inTreeOrder, PageNames, type PageRow, type SiteFile, type SiteNumbers, type SurveyedFacts } from '../rows/index.ts';
import type { BroughtMarkup, PageMeaning } from '../structured-data/index.ts';
import { addressOf, differenceOf, isClosed, kindsInFolders, resolvePath, type Change, type SiteDocument, type SitePage } from '../site/index.ts';
import type { SitemapEntry } from '../sitemap/index.ts';
import { Stages, type Happening, type Touched } from './engine.ts';
import { pageRecord, type Imported, type PageRecord, type SiteInputs } from './inputs.ts';
import { MapDesk } from './map-desk.ts';
import { MeaningDesk } from './meaning-desk.ts';
import { manifestOf, workingCopyOf } from './release-plan.ts';
import { RobotsDesk } from './robots-desk.ts';
import * as stage from './stages/index.ts';

/**
 * The whole site in view: facts and document in, a row for every page out. All is computed by stages (`stages/`), each of which looks again only at what a
 * change touched. Every screen and the release read from here.
 */
export class Survey {
  private inputs: SiteInputs;
  private readonly stages: Stages;
  private readonly refused = new Map<string, PageRefusal>();
  private readonly names: PageNames;
  /** Grows as it is found out how pages read. */
  private readonly measures = new Map<string, TextMeasure>();
  /** Grows as it is found out what pages say. */
  private readonly meanings = new Map<string, PageMeaning>();
  readonly robots: RobotsDesk;
  readonly maps: MapDesk;
  readonly meaning: MeaningDesk;

  constructor(
    document: SiteDocument,
    files: readonly SiteFile[],
    read: readonly { readonly id: PageId; readonly read: SurveyedFacts | PageRefusal }[],
    imported: Imported,
    manifest: Manifest | undefined,
    now: () => number,
  ) {
    const feeds = feedEntries(imported.feeds ?? []);
    this.names = new PageNames(read.flatMap(({ read }) => (typeof read === 'string' ? [] : [read.facts])));
    const pages = new Map<string, PageRecord>();
    for (const { id, read: facts } of read) {
      if (typeof facts === 'string') this.refused.set(id, facts);
      else pages.set(id, pageRecord(id, pages.size, facts, feeds, this.names.nameOf(id, facts.facts)));
    }
    const inFolders = [...pages.values()].map(({ id, source, hrefs, guess }) => ({ id, address: addressOf(id), source, hrefs, guess }));
    for (const [id, guess] of kindsInFolders(inFolders)) pages.set(id, { ...(pages.get(id) as PageRecord), guess });
    this.inputs = {
      document,
      manifest,
      measures: this.measures,
      meanings: this.meanings,
      pages,
      files: new Map(files.map((file) => [file.path, file])),
      imported,
      now,
    };
    this.stages = new Stages(stage.STAGES, this.inputs);
    const desk = { stages: this.stages, inputs: () => this.inputs };
    this.robots = new RobotsDesk(desk);
    this.maps = new MapDesk(desk);
    this.meaning = new MeaningDesk(desk);
  }

  /** Looks again after a change; `document` is the document with the change made. Gives the rows that are not what they were. */
  update(document: SiteDocument, change: Change): PageRow[] {
    return this.take({ ...this.inputs, document }, { change });
  }

  /** Looks for near copies across the site, a while at a time; gives the rows that are not what they were. */
  compareMore(goOn: () => boolean): { readonly rows: readonly PageRow[]; readonly left: number } {
    const { touched, left } = this.stages.result(stage.sharedWords).compareMore(goOn);
    return { rows: this.rowsOf(this.stages.tell(stage.sharedWords, touched, stage.rows)), left };
  }

  /** Takes in how pages read: told later than the rest, since it takes longer to find out. */
  putMeasures(measures: ReadonlyMap<string, TextMeasure>): PageRow[] {
    for (const [id, measure] of measures) this.measures.set(id, measure);
    return this.take(this.inputs, { measured: new Set(measures.keys()) });
  }

  /** Takes in what pages say and the structured data they came with. */
  putMeanings(meanings: ReadonlyMap<string, PageMeaning>): PageRow[] {
    for (const [id, meaning] of meanings) this.meanings.set(id, meaning);
    return this.take(this.inputs, { understood: new Set(meanings.keys()) });
  }

  /** Takes in what a release put out. */
  released(manifest: Manifest, document: SiteDocument): PageRow[] {
    return this.take({ ...this.inputs, manifest, document }, { change: differenceOf(this.inputs.document, document), manifest: true });
  }

  private take(inputs: SiteInputs, happening: Happening): PageRow[] {
    this.inputs = inputs;
    return this.rowsOf(this.stages.take(inputs, happening, stage.rows));
  }

  private rowsOf(touched: Touched): PageRow[] {
    return touched === 'all' ? this.rows() : [...touched].map((id) => this.row(id));
  }

  rows(): PageRow[] {
    return [...this.stages.result(stage.rows).all()].sort(inTreeOrder);
  }

  row(id: PageId): PageRow {
    return this.stages.result(stage.rows).of(id);
  }

  /** Files that are pages by their name and could not be read. */
  refusals(): { readonly id: PageId; readonly reason: PageRefusal }[] {
    return [...this.refused].map(([id, reason]) => ({ id, reason }));
  }

  /** The way in for one page, by any crawler, with the clicks that it is from home. */
  wayIn(id: PageId, crawler = stage.STATE_CRAWLER): WayIn {
    const evidences = this.evidences();
    const page = evidences.around.page(id);
    if (!page) throw new RangeError(`no page ${id}`);
    return wayIn({ ...evidences.of(page, crawler, this.stages.result(stage.access).to(crawler)), clicks: this.clicks().get(id) });
  }

  /** The way in for any address path of the site: a page, another file, or nothing at all. `led` where it is asked of the host's variant or the other scheme. */
  wayInAt(path: string, crawler: CrawlerToken, led = false): AddressWay {
    return wayInAt(this.evidences(), path, crawler, this.stages.result(stage.access).to(crawler), (file) => this.clicks().get(file), led);
  }

  /** Files that are no pages, with what their headers will say and whether each engine may fetch them. */
  otherFiles(): readonly OtherFile[] {
    return otherFiles(this.evidences(), this.inputs.files.values(), this.stages.result(stage.access));
  }

  private evidences(): Evidences {
    const result = this.stages.results({ ...stage.around, links: stage.links, engineMaps: stage.engineMaps, discovery: stage.discovery });
    return stage.evidencesFrom(this.inputs, result, result);
  }

  /** How many clicks each file is from the home page; those without are not reached by links. */
  clicks(): ReadonlyMap<string, number> {
    const { home, links } = this.stages.results({ home: stage.around.home, links: stage.links });
    return home === undefined ? new Map() : links.clicks(home);
  }

  /** The entries of the map, in the order of their addresses. */
  sitemapEntries(): SitemapEntry[] {
    return this.stages
      .result(stage.mapped)()
      .map((page) => page.entry);
  }

  /** What would go out now. */
  workingCopy(): WorkingCopy {
    return workingCopyOf(this.inputs, this.stages);
  }

  /** What differs from the last release, in path order; our own files last. */
  releaseItems(): ReleaseItem[] {
    const { changes, others } = this.stages.results({ changes: stage.changes, others: stage.otherChanges });
    const pages = [...changes.all()].flatMap((item) => item ?? []);
    return inReleaseOrder([...pages, ...others.files], others.ours);
  }

  /** Redirects of ours that end at nothing that answers, or go round in a circle. */
  deadRedirects(): readonly DeadRedirect[] {
    const { document, files } = this.inputs;
    const book = this.stages.result(stage.addressBook);
    const { own } = this.workingCopy();
    const redirects = [...serverWishes(document, (file) => files.has(file)).redirects, ...redirectPages(own)];
    return deadRedirects(redirects, (path) => {
      const place = book.at(path);
      if (place.kind === 'moved' || place.kind === 'redirect') return place.to;
      return place.kind === 'nothing' && resolvePath(path, (file) => file in own).kind === 'nothing' ? undefined : path;
    });
  }

  /** The manifest of a release made now. */
  manifestFor(number: number, at: number): Manifest {
    return manifestOf(this.inputs, this.stages, number, at);
  }

  /** The site in numbers, for the foot and the first screen. */
  numbers(): SiteNumbers {
    const { counts, others, links } = this.stages.results({ counts: stage.counts, others: stage.otherChanges, links: stage.links });
    return {
      pages: this.inputs.pages.size,
      wanted: counts.wanted,
      found: counts.found,
      foundAfterRelease: counts.foundAfterRelease,
      pending: counts.pending,
      waiting: counts.waiting + others.files.length + others.ours.length,
      states: Object.fromEntries(counts.states),
      brokenLinks: links.brokenCount(),
      closed: isClosed(this.inputs.document),
    };
  }

  /** Whether it is known what a page says. */
  isUnderstood(id: PageId): boolean {
    return this.inputs.meanings.has(id);
  }

  /** The structured data that a page came with; undefined where there is none, or nobody looked yet. */
  broughtBy(id: PageId): BroughtMarkup | undefined {
    return this.inputs.meanings.get(id)?.brought;
  }

  /** Sentences of a page that stand on many pages: nothing to describe it by. */
  commonIn(facts: PageFacts): string[] {
    return this.names.commonIn(facts);
  }

  /** The pages that link to a file. */
  backlinks(id: PageId): string[] {
    return this.stages.result(stage.links).backlinks(id);
  }

  /** All links inside the site that lead nowhere. */
  brokenLinks(): { readonly page: PageId; readonly path: string }[] {
    return this.stages.result(stage.links).broken();
  }

  /** Edits that the release writes into a file; none for files that are no pages. */
  editsOf(path: string): ReleasedFile['edits'] {
    return this.stages.result(stage.outgoing).get(path)?.edits ?? [];
  }

  /** Each page with the facts it will have: for reports across the site. */
  *sitePages(): Generator<{ readonly page: SitePage; readonly source: PageFacts; readonly row: PageRow }> {
    const { pages, rows } = this.stages.results({ pages: stage.effectivePages, rows: stage.rows });
    for (const { id, source } of this.inputs.pages.values()) yield { page: pages.of(id).site, source, row: rows.of(id) };
  }
}
