import { checkPage, weakens, type CheckInput, type Finding } from '../checks/index.ts';
import { stateOf, wayIn, type Evidence, type PageState, type RobotsAccess, type WayIn } from '../indexing/index.ts';
import { languageOf, type TextMeasure } from '../language/index.ts';
import { metaDirectives, type PageFacts, type PageRefusal } from '../page/index.ts';
import { coverageOf, phraseStems, textsOf } from '../phrases/index.ts';
import {
  compareWithRelease,
  editsFor,
  effectiveRobots,
  formerAddresses,
  outPath,
  ownFiles,
  sameEdits,
  type Manifest,
  type ReleasedFile,
  type ReleaseItem,
  type WorkingCopy,
} from '../release/index.ts';
import { parseRobots, robotsMatcher, type RobotsMatcher } from '../robots/index.ts';
import {
  addressOf,
  descriptionRooms,
  effectiveAddress,
  effectiveDescription,
  effectiveFacts,
  effectiveFile,
  effectiveIntent,
  effectiveKeywords,
  effectiveNoindex,
  effectiveTitle,
  fieldsOf,
  filesFor,
  guessKind,
  kindOf,
  pageName,
  passagesOf,
  siteHost,
  siteOrigin,
  titleRooms,
  withoutSiteName,
  type Change,
  type Kind,
  type SiteDocument,
  type SitePage,
} from '../site/index.ts';
import { datesAreTrue, readSitemap, w3cDate, type SitemapEntry } from '../sitemap/index.ts';
import { feedEntries } from './feeds.ts';
import { ignoredCodes } from './ignored.ts';
import { LinkIndex } from './links.ts';
import { Moving } from './moving.ts';
import { reachOf } from './reach.ts';
import type { PageRow, SiteFile, SiteNumbers, SurveyedFacts } from './rows.ts';
import { WordsIndex, type ComparedWords } from './words-index.ts';

/** The crawler by which states are told: the one engine there is so far. */
export const STATE_CRAWLER = 'SkerryBot';

interface Surveyed {
  readonly id: string;
  /** As the file was brought in. */
  readonly source: PageFacts;
  readonly hrefs: readonly string[];
  readonly guess: Kind;
  /** As it will be: the owner's changes of the page's own words made, and where it will answer. */
  site: SitePage;
  address: string;
  measure: TextMeasure | undefined;
  /** As it would go out now. */
  out: ReleasedFile;
  row: PageRow;
  way: WayIn;
  canonicals: readonly string[];
}

/**
 * The whole site in view: facts and document in, a row for every page out. A change of one page's words looks again at that page and at those that
 * share its words; a change of the site's rules looks at all. Every screen and the release read from here.
 */
export class Survey {
  private readonly pages = new Map<string, Surveyed>();
  private readonly refused = new Map<string, PageRefusal>();
  private readonly files: ReadonlyMap<string, SiteFile>;
  private readonly links: LinkIndex;
  private readonly words = new WordsIndex();
  private moving: Moving;
  private robots: RobotsMatcher | undefined;
  private mapFiles = new Set<string>();
  private readonly foreignMap: ReadonlySet<string>;
  private readonly trueDates: boolean;
  private readonly home: string | undefined;

  constructor(
    private document: SiteDocument,
    files: readonly SiteFile[],
    pages: readonly { readonly id: string; readonly read: SurveyedFacts | PageRefusal }[],
    private readonly brought: { readonly robots: string | undefined; readonly sitemap: string | undefined; readonly feeds?: readonly string[] },
    private manifest: Manifest | undefined,
    private readonly now: () => number,
  ) {
    this.files = new Map(files.map((file) => [file.path, file]));
    this.home = filesFor('/').find((path) => this.files.has(path));
    this.links = new LinkIndex(siteHost(document), (path) => this.files.has(path));
    const entries = feedEntries(brought.feeds ?? []);
    for (const { id, read } of pages) {
      if (typeof read === 'string') {
        this.refused.set(id, read);
        continue;
      }
      const address = addressOf(id);
      const { facts: source, hrefs } = read;
      const guess = guessKind(address, source, entries.has(address));
      const site = { id, kind: guess, isHome: id === this.home, facts: source };
      this.pages.set(id, {
        id,
        source,
        hrefs,
        guess,
        site,
        address,
        measure: undefined,
        out: undefined as never,
        row: undefined as never,
        way: undefined as never,
        canonicals: [],
      });
    }
    this.moving = new Moving(document, (path) => this.files.has(path));
    this.trueDates = datesAreTrue([...this.pages.keys()].map((id) => this.files.get(id)?.modified));
    this.foreignMap = this.readForeignMap();
    for (const page of this.pages.values()) {
      this.settle(page);
      this.putLinks(page);
    }
    this.refreshAll();
  }

  /** Looks again after a change; `document` is the document with the change made. Gives the rows that are not what they were. */
  update(document: SiteDocument, change: Change): PageRow[] {
    this.document = document;
    const touched = new Set<string>();
    let everything = false;
    for (const field of fieldsOf(change)) {
      const reach = reachOf(field);
      if (reach === 'all') everything = true;
      if (reach === 'links') {
        everything = true;
        for (const page of this.pages.values()) this.putLinks(page);
      }
      const page = reach === 'page' ? this.pages.get(field.key.split('\n')[0] as string) : undefined;
      if (!page) continue;
      this.settle(page);
      touched.add(page.id);
      for (const other of this.words.put(page.id, this.compared(page))) touched.add(other);
      if (field.table === 'passages') for (const other of this.putLinks(page)) touched.add(other);
    }
    if (everything) return this.refreshAll();
    return this.refresh([...touched].flatMap((id) => this.pages.get(id) ?? []));
  }

  /** Looks for near copies across the site, a while at a time; gives the rows that are not what they were. */
  compareMore(goOn: () => boolean): { readonly rows: readonly PageRow[]; readonly left: number } {
    const { touched, left } = this.words.compareMore(goOn);
    return { rows: this.refresh([...touched].flatMap((id) => this.pages.get(id) ?? [])), left };
  }

  /** Takes in how pages read: told later than the rest, since it takes longer to find out. */
  putMeasures(measures: ReadonlyMap<string, TextMeasure>): PageRow[] {
    const pages = [...measures].flatMap(([id, measure]) => {
      const page = this.pages.get(id);
      if (page) page.measure = measure;
      return page ? [page] : [];
    });
    return this.refresh(pages);
  }

  /** Takes in what a release put out. */
  released(manifest: Manifest, document: SiteDocument): PageRow[] {
    this.manifest = manifest;
    this.document = document;
    return this.refreshAll();
  }

  rows(): PageRow[] {
    return [...this.pages.values()].map((page) => page.row).sort(inTreeOrder);
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
    const page = this.page(id);
    return crawler === STATE_CRAWLER ? page.way : wayIn(this.evidence(page, crawler, this.robotsFor(crawler)));
  }

  /** robots.txt as it will be, undefined where there is none. */
  robotsText(): string | undefined {
    return effectiveRobots(this.document, this.brought.robots);
  }

  /** For each line of robots.txt the pages it decides about, for the crawler that it addresses or for the engine's. */
  robotsTouches(): { readonly line: number; readonly pages: readonly string[]; readonly files: number; readonly wronglyShut: readonly string[] }[] {
    const file = parseRobots(this.robotsText() ?? '');
    const tokens = new Set([STATE_CRAWLER, ...file.groups.flatMap((group) => group.tokens.filter((token) => token !== '*'))]);
    const pages = new Map<number, Set<string>>();
    const others = new Map<number, Set<string>>();
    for (const token of tokens) {
      const matcher = robotsMatcher(file, token);
      for (const path of this.files.keys()) {
        const { rule } = matcher.match(effectiveAddress(this.document, path));
        if (!rule) continue;
        const into = this.pages.has(path) ? pages : others;
        into.set(rule.line, (into.get(rule.line) ?? new Set()).add(path));
      }
    }
    return file.lines.flatMap((line) => {
      if (line.kind !== 'rule') return [];
      const touched = [...(pages.get(line.line) ?? [])];
      const wronglyShut = line.allow ? [] : touched.filter((id) => this.page(id).row.intent === 'list');
      return [{ line: line.line, pages: touched, files: others.get(line.line)?.size ?? 0, wronglyShut }];
    });
  }

  /** The pages that the map will hold, with the dates that are true. */
  sitemapEntries(): SitemapEntry[] {
    const origin = siteOrigin(this.document);
    const last = this.manifest;
    const entries: SitemapEntry[] = [];
    for (const id of [...this.mapFiles].sort()) {
      const page = this.page(id);
      const released = last?.changedAt[id];
      const modified = this.trueDates ? this.files.get(id)?.modified : undefined;
      const time = page.row.pending ? this.now() : (released ?? modified);
      entries.push({ loc: origin + page.address, lastmod: time === undefined ? undefined : w3cDate(time) });
    }
    return entries.sort((a, b) => (a.loc < b.loc ? -1 : 1));
  }

  /** The map as it is told: whether ours is on, what the site brought, and how that differs from what it should be. */
  sitemapReport(): {
    readonly entries: readonly SitemapEntry[];
    readonly on: boolean;
    readonly brought: { readonly count: number; readonly wrong: readonly string[]; readonly missing: readonly string[] } | undefined;
    readonly datesTrue: boolean;
  } {
    const entries = this.sitemapEntries();
    const on = this.document.tables.sitemap['']?.on === true;
    if (this.brought.sitemap === undefined) return { entries, on, brought: undefined, datesTrue: this.trueDates };
    const meant = new Set(entries.map((entry) => entry.loc));
    const missing = [...meant].filter((loc) => !this.foreignMap.has(loc));
    const wrong = [...this.foreignMap].filter((loc) => !meant.has(loc));
    return { entries, on, brought: { count: this.foreignMap.size, wrong, missing }, datesTrue: this.trueDates };
  }

  /** What would go out now. */
  workingCopy(): WorkingCopy {
    const files: Record<string, ReleasedFile> = {};
    for (const { path, hash } of this.files.values()) files[path] = this.pages.get(path)?.out ?? { hash, edits: [] };
    return { files, own: this.own() };
  }

  /** What differs from the last release. */
  releaseItems(): ReleaseItem[] {
    return compareWithRelease(this.workingCopy(), this.manifest);
  }

  /** The manifest of a release made now. */
  manifestFor(number: number, at: number): Manifest {
    const copy = this.workingCopy();
    const changedAt: Record<string, number> = { ...this.manifest?.changedAt };
    for (const item of compareWithRelease(copy, this.manifest)) {
      if (item.what === 'gone') delete changedAt[item.path];
      // Release 0 only says what is there already: nothing changed by it.
      else if (number > 0 && this.pages.has(item.path)) changedAt[item.path] = at;
    }
    const listed = [...this.pages.values()].filter((page) => this.realityIfReleased(page) === 'listed').map((page) => page.id);
    return { version: 2, number, ...copy, listed, changedAt };
  }

  /** The site in numbers, for the foot and the first screen. */
  numbers(): SiteNumbers {
    const states = new Map<PageState, number>();
    let wanted = 0;
    let found = 0;
    let pending = 0;
    let foundAfterRelease = 0;
    const listed = new Set(this.manifest?.listed);
    for (const page of this.pages.values()) {
      const { row } = page;
      states.set(row.state, (states.get(row.state) ?? 0) + 1);
      if (row.pending) pending++;
      if (row.intent !== 'list') continue;
      wanted++;
      if (listed.has(page.id)) found++;
      if (this.realityIfReleased(page) === 'listed') foundAfterRelease++;
    }
    return {
      pages: this.pages.size,
      wanted,
      found,
      foundAfterRelease,
      pending,
      waiting: this.releaseItems().length,
      states: Object.fromEntries(states),
      brokenLinks: this.links.broken().length,
    };
  }

  linkers(id: string): string[] {
    return this.links.linkers(id);
  }

  /** All links inside the site that lead nowhere. */
  brokenLinks(): { readonly page: string; readonly path: string }[] {
    return this.links.broken();
  }

  /** Edits that the release writes into a file; none for files that are no pages. */
  editsOf(path: string): ReleasedFile['edits'] {
    return this.pages.get(path)?.out.edits ?? [];
  }

  /** Each page with the facts it will have: for reports across the site. */
  *sitePages(): Generator<{ readonly page: SitePage; readonly source: PageFacts; readonly row: PageRow }> {
    for (const { site, source, row } of this.pages.values()) yield { page: site, source, row };
  }

  private outOf(page: Surveyed): ReleasedFile {
    const { id } = page;
    const to = effectiveFile(this.document, id);
    const edits = editsFor(this.document, page.site, page.source, this.moving.addressesFor(page, this.links.of(page.id).files));
    return { hash: this.files.get(id)?.hash ?? '', edits, ...(to === id ? {} : { to }) };
  }

  private own(): Record<string, string> {
    const own = ownFiles(this.document, { robots: this.brought.robots, sitemap: this.brought.sitemap, entries: this.sitemapEntries() });
    return this.manifest ? { ...formerAddresses(this.document, this.manifest, (path) => this.files.has(path)), ...own } : own;
  }

  private page(id: string): Surveyed {
    const page = this.pages.get(id);
    if (!page) throw new RangeError(`no page ${id}`);
    return page;
  }

  /** What the document says of a page's kind, address and own words. */
  private settle(page: Surveyed): void {
    const { kind } = kindOf(this.document, page.id, page.guess);
    page.site = { id: page.id, kind, isHome: page.id === this.home, facts: effectiveFacts(this.document, page.id, page.source) };
    page.address = effectiveAddress(this.document, page.id);
  }

  private putLinks(page: Surveyed): Set<string> {
    const set = passagesOf(this.document, page.id).flatMap(({ links }) => links.map((link) => link.href));
    return this.links.put(
      page.id,
      set.length === 0 ? page.hrefs : [...page.hrefs, ...set],
      page.source.base,
      (path) => this.document.tables.repairs[path]?.to ?? undefined,
    );
  }

  private languageOf(page: Surveyed): ReturnType<typeof languageOf> {
    return languageOf(page.source.lang, this.document.tables.facts['']?.language);
  }

  /** What is compared across the site. Pages that are meant to stay out do not compete with anybody. */
  private compared(page: Surveyed): ComparedWords {
    const { document } = this;
    if (effectiveIntent(document, page.id, page.site.kind).intent === 'out') return { title: '', ownTitle: '', description: '', phrase: '' };
    const phrase = document.tables.pages[page.id]?.phrase ?? '';
    const title = effectiveTitle(document, page.site).value;
    return {
      title,
      ownTitle: withoutSiteName(title, document.tables.facts['']?.siteName ?? ''),
      description: effectiveDescription(document, page.site).value,
      phrase: phrase === '' ? '' : phraseStems(phrase, this.languageOf(page)).sort().join(' '),
    };
  }

  private robotsFor(crawler: string): RobotsMatcher | undefined {
    const text = this.robotsText();
    return text === undefined ? undefined : robotsMatcher(parseRobots(text), crawler);
  }

  private refreshAll(): PageRow[] {
    this.robots = this.robotsFor(STATE_CRAWLER);
    this.moving = new Moving(this.document, (path) => this.files.has(path));
    const all = [...this.pages.values()];
    for (const page of all) this.settle(page);
    for (const page of all) this.words.put(page.id, this.compared(page));
    return this.refresh(all);
  }

  private refresh(pages: readonly Surveyed[]): PageRow[] {
    // What is in the map bears on whether a page can be reached, so the map comes first.
    for (const page of pages) {
      if (this.belongsInMap(page)) this.mapFiles.add(page.id);
      else this.mapFiles.delete(page.id);
    }
    const changed: PageRow[] = [];
    for (const page of pages) {
      const before = page.row as PageRow | undefined;
      page.row = this.rowOf(page);
      if (!before || JSON.stringify(before) !== JSON.stringify(page.row)) changed.push(page.row);
    }
    return changed;
  }

  private rowOf(page: Surveyed): PageRow {
    const { document } = this;
    const { id, site, address } = page;
    const kind = kindOf(document, id, page.guess);
    const title = effectiveTitle(document, site);
    const description = effectiveDescription(document, site);
    const intent = effectiveIntent(document, id, site.kind);
    page.way = wayIn(this.evidence(page, STATE_CRAWLER, this.robots));
    const input = this.checkInput(page, title, description, intent);
    const state = stateOf(intent.intent, page.way.reality, weakens(input));
    const findings: Finding[] = checkPage({ ...input, state, way: page.way });
    const before = this.manifest?.files[id];
    page.out = this.outOf(page);
    const now = page.out;
    const pending = before === undefined || before.hash !== now.hash || outPath(id, before) !== outPath(id, now) || !sameEdits(before.edits, now.edits);
    const links = this.links.of(id);
    const said = document.tables.pages[id];
    return {
      id,
      address,
      name: pageName(site),
      title: title.value,
      titleFrom: title.from,
      description: description.value,
      descriptionFrom: description.from,
      phrase: said?.phrase ?? '',
      kind: site.kind,
      kindFrom: kind.from,
      intent: intent.intent,
      state,
      findings,
      ignored: [...input.ignored],
      pending,
      linksIn: this.links.linksIn(id),
      linksOut: links.files.length,
      linksOutside: links.outside,
      broken: links.broken,
      words: page.source.wordCount,
      picturesWithoutAlt: site.facts.images.filter((image) => image.alt === undefined && !image.decorative).length,
    };
  }

  private checkInput(
    page: Surveyed,
    title: CheckInput['title'],
    description: CheckInput['description'],
    intent: CheckInput['intent'],
  ): Omit<CheckInput, 'state' | 'way'> {
    const { document } = this;
    const { id, site } = page;
    const phrase = document.tables.pages[id]?.phrase ?? '';
    const said = { title: title.value, description: description.value, address: page.address };
    return {
      id,
      facts: site.facts,
      title,
      description,
      keywords: effectiveKeywords(document, site).value,
      intent,
      noindex: effectiveNoindex(document, site).noindex,
      isHome: site.isHome,
      rooms: { title: titleRooms(document)[0] as never, description: descriptionRooms(document)[0] as never },
      phrase: phrase === '' ? undefined : { text: phrase, coverage: coverageOf(phrase, textsOf(site.facts, said), this.languageOf(page)) },
      measure: page.measure,
      care: document.tables.care['']?.wording === true,
      ignored: ignoredCodes(document, id),
      site: { host: siteHost(document), ...this.words.others(id), broken: this.links.of(id).broken, linksIn: this.links.linksIn(id) },
    };
  }

  private evidence(page: Surveyed, crawler: string, matcher: RobotsMatcher | undefined, assumeLive = false): Evidence {
    const { id, address, source: facts } = page;
    const noindex = effectiveNoindex(this.document, page.site);
    const own = metaDirectives(facts, crawler);
    const released = this.manifest?.files[id] !== undefined;
    const robots: RobotsAccess = matcher ? { kind: 'read', verdict: matcher.match(address) } : { kind: 'missing' };
    const at = this.manifest === undefined ? undefined : (this.document.tables.releases[String(this.manifest.number)]?.at ?? undefined);
    const map = this.document.tables.sitemap['']?.on === true ? this.mapFiles.has(id) : this.foreignMap.has(siteOrigin(this.document) + address);
    return {
      path: address,
      live: released || assumeLive ? { kind: 'released', at } : { kind: 'not-released' },
      audience: 'everyone',
      robots,
      page: {
        // What is not ours to say is told for this crawler: a page may turn one away and not another.
        directives: { ...own, noindex: noindex.from === 'page' ? own.noindex : noindex.noindex },
        directivesFrom:
          noindex.from === 'page' && !noindex.noindex && !facts.metas.some((meta) => meta.inHead && meta.name === 'robots') ? 'none' : noindex.from,
        canonicals: page.canonicals,
        address: siteOrigin(this.document) + address,
        softNotFound: false,
      },
      linksIn: this.links.linksIn(id),
      inSitemap: map,
      isHome: id === this.home,
      now: this.now(),
    };
  }

  private realityIfReleased(page: Surveyed): WayIn['reality'] {
    if (page.way.reality !== 'not-live') return page.way.reality;
    return wayIn(this.evidence(page, STATE_CRAWLER, this.robots, true)).reality;
  }

  /** In the map: what is wanted, may be listed and fetched, and is its own main address. Whether it can be reached is not asked: the map is how. */
  private belongsInMap(page: Surveyed): boolean {
    page.canonicals = this.moving.canonicalsOf(page);
    if (effectiveIntent(this.document, page.id, page.site.kind).intent !== 'list') return false;
    const { gates } = wayIn({ ...this.evidence(page, STATE_CRAWLER, this.robots, true), inSitemap: true });
    return gates.every((gate) => gate.outcome !== 'shut');
  }

  private readForeignMap(): ReadonlySet<string> {
    const reading = this.brought.sitemap === undefined ? undefined : readSitemap(this.brought.sitemap);
    return new Set(reading?.ok && reading.sitemap.kind === 'urlset' ? reading.sitemap.entries.map((entry) => entry.loc) : []);
  }
}

/** Home first, then by address, a folder's own page before what lies in it. */
function inTreeOrder(a: PageRow, b: PageRow): number {
  return a.address < b.address ? -1 : a.address > b.address ? 1 : 0;
}
