import { checkPage, weakens, type Finding } from '../checks/index.ts';
import { stateOf, wayIn, type Evidence, type PageState, type RobotsAccess, type WayIn } from '../indexing/index.ts';
import { canonicalHrefs, metaDirectives, type PageFacts, type PageRefusal } from '../page/index.ts';
import { compareWithRelease, editsFor, effectiveRobots, ownFiles, sameEdits, type Manifest, type ReleaseItem, type WorkingCopy } from '../release/index.ts';
import { parseRobots, robotsMatcher, type RobotsMatcher } from '../robots/index.ts';
import {
  addressOf,
  effectiveDescription,
  effectiveIntent,
  effectiveNoindex,
  effectiveTitle,
  fieldsOf,
  filesFor,
  guessKind,
  siteHost,
  siteOrigin,
  type Change,
  type Kind,
  type SetField,
  type SiteDocument,
} from '../site/index.ts';
import { datesAreTrue, readSitemap, w3cDate, type SitemapEntry } from '../sitemap/index.ts';
import { SamenessIndex } from '../titles/index.ts';
import { LinkIndex } from './links.ts';
import type { PageRow, SiteFile, SiteNumbers, SurveyedFacts } from './rows.ts';

/** The crawler by which states are told: the one engine there is so far. */
export const STATE_CRAWLER = 'SkerryBot';

interface Surveyed {
  readonly id: string;
  readonly address: string;
  readonly facts: PageFacts;
  readonly guess: Kind;
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
  private readonly titles = new SamenessIndex();
  private readonly descriptions = new SamenessIndex();
  private robots: RobotsMatcher | undefined;
  private mapFiles = new Set<string>();
  private readonly foreignMap: ReadonlySet<string>;
  private readonly trueDates: boolean;
  private readonly home: string | undefined;

  constructor(
    private document: SiteDocument,
    files: readonly SiteFile[],
    pages: readonly { readonly id: string; readonly read: SurveyedFacts | PageRefusal }[],
    private readonly brought: { readonly robots: string | undefined; readonly sitemap: string | undefined },
    private manifest: Manifest | undefined,
    private readonly now: () => number,
  ) {
    this.files = new Map(files.map((file) => [file.path, file]));
    this.home = filesFor('/').find((path) => this.files.has(path));
    this.links = new LinkIndex(siteHost(document), (path) => this.files.has(path));
    for (const { id, read } of pages) {
      if (typeof read === 'string') {
        this.refused.set(id, read);
        continue;
      }
      const address = addressOf(id);
      const { facts, hrefs } = read;
      this.links.add(id, hrefs, facts.base);
      this.pages.set(id, { id, address, facts, guess: guessKind(address, facts), row: undefined as never, way: undefined as never, canonicals: [] });
    }
    this.trueDates = datesAreTrue([...this.pages.keys()].map((id) => this.files.get(id)?.modified));
    this.foreignMap = this.readForeignMap();
    for (const page of this.pages.values()) this.putWords(page);
    this.refreshAll();
  }

  /** Looks again after a change; `document` is the document with the change made. Gives the rows that are not what they were. */
  update(document: SiteDocument, change: Change): PageRow[] {
    this.document = document;
    const fields = fieldsOf(change);
    const touched = new Set<string>();
    let everything = false;
    for (const field of fields) {
      const page = field.table === 'pages' ? this.pages.get(field.key) : undefined;
      if (page && isWords(field)) for (const other of this.putWords(page)) touched.add(other);
      else if (field.table !== 'releases') everything = true;
    }
    if (everything) return this.refreshAll();
    return this.refresh([...touched].flatMap((id) => this.pages.get(id) ?? []));
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
        const { rule } = matcher.match(addressOf(path));
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
    const files: Record<string, Manifest['files'][string]> = {};
    for (const { path, hash } of this.files.values()) files[path] = { hash, edits: this.editsOf(path) };
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
    return { version: 1, number, ...copy, listed, changedAt };
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
      brokenLinks: this.links.broken.length,
    };
  }

  linkers(id: string): string[] {
    return this.links.linkers(id);
  }

  /** Edits that the release writes into a file; none for files that are no pages. */
  editsOf(path: string): Manifest['files'][string]['edits'] {
    const page = this.pages.get(path);
    return page ? editsFor(this.document, { id: page.id, kind: page.row.kind, isHome: page.id === this.home, facts: page.facts }) : [];
  }

  private own(): Record<string, string> {
    return ownFiles(this.document, { robots: this.brought.robots, sitemap: this.brought.sitemap, entries: this.sitemapEntries() });
  }

  private page(id: string): Surveyed {
    const page = this.pages.get(id);
    if (!page) throw new RangeError(`no page ${id}`);
    return page;
  }

  private putWords(page: Surveyed): Set<string> {
    const kind = this.kindOf(page);
    // Pages that are meant to stay out do not compete with anybody.
    const out = effectiveIntent(this.document, page.id, kind).intent === 'out';
    const title = out ? '' : effectiveTitle(this.document, page.id, page.facts).value;
    const description = out ? '' : effectiveDescription(this.document, page.id, page.facts).value;
    return new Set([...this.titles.put(page.id, title), ...this.descriptions.put(page.id, description)]);
  }

  private kindOf(page: Surveyed): Kind {
    return this.document.tables.pages[page.id]?.kind ?? page.guess;
  }

  private robotsFor(crawler: string): RobotsMatcher | undefined {
    const text = this.robotsText();
    return text === undefined ? undefined : robotsMatcher(parseRobots(text), crawler);
  }

  private refreshAll(): PageRow[] {
    this.robots = this.robotsFor(STATE_CRAWLER);
    const all = [...this.pages.values()];
    for (const page of all) this.putWords(page);
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
    const { id, facts, address } = page;
    const kind = this.kindOf(page);
    const title = effectiveTitle(document, id, facts);
    const description = effectiveDescription(document, id, facts);
    const intent = effectiveIntent(document, id, kind);
    const { noindex } = effectiveNoindex(document, id, kind, facts);
    page.way = wayIn(this.evidence(page, STATE_CRAWLER, this.robots));
    const site = { host: siteHost(document), sameTitle: this.titles.others(id), sameDescription: this.descriptions.others(id) };
    const input = { id, facts, title, description, intent, noindex, site };
    const state = stateOf(intent.intent, page.way.reality, weakens(input));
    const findings: Finding[] = checkPage({ ...input, state, way: page.way });
    const before = this.manifest?.files[id];
    const edits = editsFor(document, { id, kind, isHome: id === this.home, facts });
    const pending = before === undefined || before.hash !== this.files.get(id)?.hash || !sameEdits(before.edits, edits);
    return {
      id,
      address,
      name: nameOf(page, this.home),
      title: title.value,
      description: description.value,
      kind,
      intent: intent.intent,
      state,
      findings,
      pending,
      linksIn: this.links.linksIn(id),
    };
  }

  private canonicalsOf({ facts, address }: Surveyed): string[] {
    const base = siteOrigin(this.document) + address;
    return canonicalHrefs(facts).flatMap((href) => (URL.canParse(href, base) ? [new URL(href, base).href] : []));
  }

  private evidence(page: Surveyed, crawler: string, matcher: RobotsMatcher | undefined, assumeLive = false): Evidence {
    const { id, address, facts } = page;
    const noindex = effectiveNoindex(this.document, id, this.kindOf(page), facts);
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
    const kind = this.kindOf(page);
    if (effectiveIntent(this.document, page.id, kind).intent !== 'list') return false;
    page.canonicals = this.canonicalsOf(page);
    const { gates } = wayIn({ ...this.evidence(page, STATE_CRAWLER, this.robots, true), inSitemap: true });
    return gates.every((gate) => gate.outcome !== 'shut');
  }

  private readForeignMap(): ReadonlySet<string> {
    const reading = this.brought.sitemap === undefined ? undefined : readSitemap(this.brought.sitemap);
    return new Set(reading?.ok && reading.sitemap.kind === 'urlset' ? reading.sitemap.entries.map((entry) => entry.loc) : []);
  }
}

const isWords = ({ field }: SetField): boolean => field === 'title' || field === 'description';

function nameOf({ id, facts, address }: Surveyed, home: string | undefined): string {
  if (id === home) return 'Home';
  const heading = facts.headings.find((one) => one.level === 1 && one.text !== '')?.text ?? facts.titles[0]?.text;
  return heading || address.split('/').filter(Boolean).pop() || id;
}

/** Home first, then by address, a folder's own page before what lies in it. */
function inTreeOrder(a: PageRow, b: PageRow): number {
  return a.address < b.address ? -1 : a.address > b.address ? 1 : 0;
}
