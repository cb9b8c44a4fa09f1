import { PAGE_LIMITS, readPage, readSource, type PageFacts, type PageRefusal } from '../../core/page/index.ts';
import { sourceDiff, type Hunk, type Manifest, type ReleaseItem } from '../../core/release/index.ts';
import { comparedPath, parseRobots, robotsMatcher, type RobotsLine, type RobotsVerdict } from '../../core/robots/index.ts';
import { fieldsOf, isPageFile, type Change, type SiteDocument } from '../../core/site/index.ts';
import { decodeBytes, decodeSource } from '../../core/source/index.ts';
import { forSurvey, Survey, type PageRow, type SiteNumbers, type SurveyedFacts } from '../../core/survey/index.ts';
import type { WayIn } from '../../core/indexing/index.ts';
import { eachPage, listFiles, loadBytes, loadManifest, type Database, type StoredFile } from '../storage/index.ts';
import { written } from './put-out.ts';

/** What the page is told after each look. Rows are only those that changed. */
export interface SurveyNews {
  readonly rows: readonly PageRow[];
  readonly numbers: SiteNumbers;
}

/** Everything of one page that its own screens need. */
export interface PageDetail {
  readonly id: string;
  readonly facts: PageFacts;
  readonly source: string;
  readonly linkers: readonly string[];
  readonly size: number;
  readonly readOnly: boolean;
}

/** robots.txt line by line, with what each line touches. */
export interface RobotsReport {
  readonly text: string | undefined;
  readonly lines: readonly RobotsLine[];
  readonly touches: ReturnType<Survey['robotsTouches']>;
}

/** Facts by the hash of the bytes they were read from: what has not changed is not read again. */
export type FactCache = Map<string, SurveyedFacts | PageRefusal>;

/** The survey of one opened site, over what the browser keeps. Lives in the worker. */
export class Analyst {
  private survey: Survey | undefined;
  private files: StoredFile[] = [];
  private manifest: Manifest | undefined;

  constructor(
    private readonly db: Database,
    readonly siteId: string,
    private readonly now: () => number,
    private readonly cache: FactCache,
  ) {}

  /** Reads all pages. Undefined where it was cancelled. */
  async open(document: SiteDocument, progress: (done: number, of: number) => void, cancelled: () => boolean): Promise<SurveyNews | undefined> {
    [this.files, this.manifest] = await Promise.all([listFiles(this.db, this.siteId), loadManifest(this.db, this.siteId)]);
    const of = this.files.filter((file) => isPageFile(file.path)).length;
    const known = this.files.flatMap((file) => {
      const read = isPageFile(file.path) ? this.cache.get(file.hash) : undefined;
      return read === undefined ? [] : [{ id: file.path, read }];
    });
    const pages = known.length === of ? known : await this.readAll(progress, of, cancelled);
    if (!pages) return undefined;
    const text = async (path: string): Promise<string | undefined> => {
      const bytes = await loadBytes(this.db, this.siteId, path);
      return bytes && decodeBytes(bytes, 'utf-8');
    };
    this.survey = new Survey(document, this.files, pages, { robots: await text('robots.txt'), sitemap: await text('sitemap.xml') }, this.manifest, this.now);
    return { rows: this.survey.rows(), numbers: this.survey.numbers() };
  }

  private async readAll(
    progress: (done: number, of: number) => void,
    of: number,
    cancelled: () => boolean,
  ): Promise<{ id: string; read: SurveyedFacts | PageRefusal }[] | undefined> {
    const hashes = new Map(this.files.map((file) => [file.path, file.hash]));
    const pages: { id: string; read: SurveyedFacts | PageRefusal }[] = [];
    this.cache.clear();
    for await (const batch of eachPage(this.db, this.siteId)) {
      if (cancelled()) return undefined;
      for (const { path, bytes } of batch) {
        const until = this.now() + PAGE_LIMITS.milliseconds;
        const reading = readPage(bytes, { outOfTime: () => this.now() > until });
        const read = reading.ok ? forSurvey(reading.facts) : reading.reason;
        this.cache.set(hashes.get(path) ?? path, read);
        pages.push({ id: path, read });
      }
      progress(pages.length, of);
    }
    return pages;
  }

  /** Looks again after changes. A new main address changes which links are the site's own, so all is looked at anew then; the facts are still there. */
  async update(document: SiteDocument, change: Change): Promise<SurveyNews> {
    if (fieldsOf(change).some((field) => field.field === 'mainAddress'))
      return (await this.open(
        document,
        () => undefined,
        () => false,
      )) as SurveyNews;
    const survey = this.its();
    return { rows: survey.update(document, change), numbers: survey.numbers() };
  }

  async page(id: string): Promise<PageDetail | undefined> {
    const bytes = await loadBytes(this.db, this.siteId, id);
    if (!bytes) return undefined;
    const source = decodeSource(bytes);
    const reading = readSource(source);
    if (!reading.ok) return undefined;
    return {
      id,
      facts: reading.facts,
      source: source.text,
      linkers: this.its().linkers(id),
      size: bytes.length,
      readOnly: source.encoding.name.startsWith('utf-16'),
    };
  }

  wayIn(id: string): WayIn {
    return this.its().wayIn(id);
  }

  robots(): RobotsReport {
    const text = this.its().robotsText();
    return { text, lines: parseRobots(text ?? '').lines, touches: this.its().robotsTouches() };
  }

  /** Any address against some crawlers. Undefined where it is no address. */
  tryAddress(address: string, crawlers: readonly string[]): readonly { crawler: string; verdict: RobotsVerdict }[] | undefined {
    const path = comparedPath(address.startsWith('/') || /^https?:/i.test(address) ? address : `/${address}`);
    if (path === undefined) return undefined;
    const file = parseRobots(this.its().robotsText() ?? '');
    return crawlers.map((crawler) => ({ crawler, verdict: robotsMatcher(file, crawler).match(path) }));
  }

  sitemap(): ReturnType<Survey['sitemapReport']> {
    return this.its().sitemapReport();
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
  async diff(path: string): Promise<readonly Hunk[] | undefined> {
    const survey = this.its();
    const copy = survey.workingCopy();
    const bytes = await loadBytes(this.db, this.siteId, path);
    const ownNow = copy.own[path];
    const ownBefore = this.manifest?.own[path];
    if (ownNow !== undefined || ownBefore !== undefined) {
      const brought = bytes && decodeBytes(bytes, 'utf-8');
      return sourceDiff(ownBefore ?? (this.manifest?.files[path] ? (brought ?? '') : ''), ownNow ?? brought ?? '');
    }
    if (!bytes || !isPageFile(path)) return undefined;
    const { encoding } = decodeSource(bytes);
    const before = this.manifest?.files[path];
    const old = before ? decodeBytes(written(bytes, before.edits).bytes, encoding.name) : '';
    return sourceDiff(old, decodeBytes(written(bytes, copy.files[path]?.edits ?? []).bytes, encoding.name));
  }

  /** Takes a finished release in. */
  released(manifest: Manifest, document: SiteDocument): SurveyNews {
    this.manifest = manifest;
    return { rows: this.its().released(manifest, document), numbers: this.its().numbers() };
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
