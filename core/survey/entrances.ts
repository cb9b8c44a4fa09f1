import { ENGINES, SKERRY, wayIn, type WayIn } from '../indexing/index.ts';
import { CRAWLERS } from '../page/index.ts';
import { effectiveRobots } from '../release/index.ts';
import { openPaths, parseRobots, robotsMatcher, type LintSite } from '../robots/index.ts';
import { addressOf, effectiveAddress, siteHost, siteOrigin } from '../site/index.ts';
import { Evidences, type Access } from './evidence.ts';
import type { SiteInView, Surveyed } from './in-view.ts';
import type { MapLeads } from './site-maps.ts';
import { neededFiles, reportOnRobots, robotsEffect, type RobotsEffect, type RobotsReport } from './robots-report.ts';

/** The crawler by which states are told. */
export const STATE_CRAWLER = SKERRY.crawler;

/** What answers at an address path, and the way in to it. */
export interface AddressWay {
  readonly what: 'page' | 'file' | 'moved' | 'nothing';
  /** The file that answers. */
  readonly id: string | undefined;
  /** Of a page, whether this is its own address; under another spelling engines take it for a second page. */
  readonly spelledOwn?: boolean;
  readonly way: WayIn;
}

/** A file that is no page. */
export interface OtherFile {
  readonly path: string;
  readonly address: string;
  /** Bytes. */
  readonly size: number;
  /** `X-Robots-Tag` values. */
  readonly headers: readonly string[];
  readonly linksIn: number;
  /** Engines that robots.txt keeps from it. */
  readonly shutTo: readonly string[];
  readonly reality: WayIn['reality'];
}

/** Who may come in where: robots.txt, what pages and headers say, and what each engine comes upon. */
export class Entrances {
  private accesses: ReadonlyMap<string, Access> = new Map();
  private evidences: Evidences | undefined;
  /** The files that each crawler of an engine comes upon; `stale` where that has to be found out anew. */
  private reached: ReadonlyMap<string, ReadonlySet<string>> = new Map();
  private stale = true;

  /** `inMap` tells whether a page stands in a map that a crawler reads. */
  constructor(
    private readonly site: SiteInView,
    private readonly inMap: (file: string, crawler: string) => boolean,
    private readonly mapLeads: (crawler: string) => MapLeads,
  ) {}

  /** Takes in what the document says of robots.txt. */
  readRules(): void {
    this.accesses = new Map(ENGINES.map(({ crawler }) => [crawler, this.makeAccess(crawler)]));
    this.forgetWhoComesUpon();
  }

  /** Links or the map have changed: what engines come upon is another question now. */
  forgetWhoComesUpon(): void {
    this.stale = true;
  }

  /** Looks around anew: document, release and links as they are now. */
  lookAround(): void {
    const { site } = this;
    const { document, manifest } = site;
    this.evidences = new Evidences({
      document,
      releasedAt: manifest === undefined ? undefined : (document.tables.releases[String(manifest.number)]?.at ?? undefined),
      released: (file) => manifest?.files[file] !== undefined,
      inMap: this.inMap,
      comesUpon: (file, crawler) => (this.reached.get(crawler) ?? this.reached.get(STATE_CRAWLER))?.has(file) ?? true,
      linksIn: (file) => (site.pages.has(file) ? site.links.directLinksIn(file) : site.links.linksIn(file)),
      spelledAs: (file) => site.links.spelledAs(file),
      follow: (address) => site.moving.follow(address),
      at: (path) => site.whereabouts.at(path),
      home: site.home,
      now: site.now(),
    });
  }

  /** Finds out which files each engine comes upon, where that may have changed; gives the pages for which it is another answer than before. */
  findOut(): readonly Surveyed[] {
    if (!this.stale) return [];
    this.stale = false;
    const { pages, links, home } = this.site;
    const before = this.reached;
    const evidences = this.its();
    this.reached = new Map(
      ENGINES.map(({ crawler }) => [
        crawler,
        evidences.discovered(
          {
            direct: [...pages.keys()].filter((id) => id === home || this.inMap(id, crawler)),
            linked: this.mapLeads(crawler).linked,
            aside: this.mapLeads(crawler).aside,
          },
          (file) => pages.get(file),
          (file) => links.of(file),
          crawler,
          this.access(crawler),
        ),
      ]),
    );
    const differs = (id: string): boolean => ENGINES.some(({ crawler }) => before.get(crawler)?.has(id) !== this.reached.get(crawler)?.has(id));
    return [...pages.values()].filter((page) => page.row !== undefined && differs(page.id));
  }

  /** The way in for a page, engine by engine. */
  ways(page: Surveyed): readonly WayIn[] {
    return ENGINES.map(({ crawler }) => wayIn(this.its().of(page, crawler, this.access(crawler))));
  }

  /** The way in by which states are told, as if everything were released; for the map also as if everybody could visit and the map led there. */
  wayInOnceReleased(page: Surveyed, forMap = false): WayIn {
    const evidence = this.its().of(page, STATE_CRAWLER, this.access(STATE_CRAWLER), true);
    return wayIn(forMap ? { ...evidence, audience: 'everyone', inSitemap: true } : evidence);
  }

  /** The way in for one page, by any crawler, with the clicks that it is from home. */
  wayIn(page: Surveyed, crawler: string): WayIn {
    return wayIn({ ...this.its().of(page, crawler, this.access(crawler)), clicks: this.clicks().get(page.id) });
  }

  /** The way in for any address path of the site: a page, another file, or nothing at all. `led` where it is asked of the twin host or by the other scheme. */
  wayInAt(path: string, crawler: string, led = false): AddressWay {
    const { document, whereabouts } = this.site;
    const access = this.access(crawler);
    const place = led ? ({ kind: 'redirect', to: path, page: undefined } as const) : whereabouts.at(path);
    if (place.kind === 'page') {
      const { page } = place;
      const direct = this.its().of(page, crawler, access);
      // The page's own gates, asked of this spelling of its address: a rule may forbid it with its question mark, and its canonical names another spelling.
      const evidence = place.direct ? direct : this.its().of({ ...page, address: path.replace(/#.*$/s, '') }, crawler, access);
      return {
        what: 'page',
        id: page.id,
        spelledOwn: place.direct,
        way: wayIn({ ...evidence, path, robots: access(path), clicks: this.clicks().get(page.id) }),
      };
    }
    const file = place.kind === 'file' ? place.file : undefined;
    const evidence = this.its().ofFile(file ?? path, path, crawler, access);
    if (file !== undefined) return { what: 'file', id: file, way: wayIn(evidence) };
    const to = place.kind === 'redirect' || place.kind === 'moved' ? place.to : undefined;
    const answer = {
      kind: 'answered',
      ...(to === undefined ? { status: 404, redirectedTo: undefined } : { status: 301, redirectedTo: siteOrigin(document) + to }),
    } as const;
    const way = wayIn({ ...evidence, live: { kind: 'released', at: undefined }, answer, page: undefined });
    return { what: to === undefined ? 'nothing' : 'moved', id: undefined, way };
  }

  /** Files that are no pages, with what their headers will say and whether each engine may fetch them. */
  otherFiles(): readonly OtherFile[] {
    const { files, pages, document, links } = this.site;
    const evidences = this.its();
    return [...files.values()].flatMap(({ path, size }) => {
      if (pages.has(path)) return [];
      const address = effectiveAddress(document, path);
      const ways = ENGINES.map(({ crawler }) => wayIn(evidences.ofFile(path, address, crawler, this.access(crawler))));
      const shutTo = ENGINES.flatMap((engine, at) =>
        ways[at]?.gates.some((gate) => gate.name === 'fetchable' && gate.outcome === 'shut') ? [engine.name] : [],
      );
      return [{ path, address, size, headers: evidences.headersOf(address), linksIn: links.linksIn(path), shutTo, reality: (ways[0] as WayIn).reality }];
    });
  }

  /** How many clicks each file is from the home page; those without are not reached by links. */
  clicks(): ReadonlyMap<string, number> {
    const { home, links } = this.site;
    return home === undefined ? new Map() : links.clicks(home);
  }

  /** A robots.txt held against the site. */
  robotsReport(text: string | undefined): RobotsReport {
    return reportOnRobots(text, this.lintSite());
  }

  /** What a draft of robots.txt would change, crawler by crawler, in pages and files. */
  robotsEffect(before: string, draft: string): readonly RobotsEffect[] {
    return robotsEffect(before, draft, this.lintSite());
  }

  /** A robots.txt with some paths open to every crawler that is known; all other pages and files stay as they are, for every crawler. */
  robotsOpenedFor(text: string | undefined, paths: readonly string[]): string | undefined {
    const site = this.lintSite();
    const asked = new Set(paths);
    const others = [...site.pages.map(({ path }) => path), ...site.files].filter((path) => !asked.has(path));
    const opened = text === undefined ? undefined : openPaths(text, paths, site.crawlers, others);
    return opened === text ? undefined : opened;
  }

  /** What robots.txt says to a crawler about any path. */
  access(crawler: string): Access {
    return this.accesses.get(crawler) ?? this.makeAccess(crawler);
  }

  private makeAccess(crawler: string): Access {
    const { document, brought } = this.site;
    // Whether a map is named in it changes nothing for any path.
    const text = effectiveRobots(document, brought.robots, false);
    const matcher = text === undefined ? undefined : robotsMatcher(parseRobots(text), crawler);
    return (path) => (matcher ? { kind: 'read', verdict: matcher.match(path) } : { kind: 'missing' });
  }

  private lintSite(): LintSite {
    const { document, pages, files, brought } = this.site;
    const others = [...files.keys()].filter((path) => !pages.has(path)).map((path) => addressOf(path));
    return {
      origin: siteOrigin(document),
      pages: [...pages.values()].map((page) => ({ id: page.id, path: page.address, intent: page.row.intent })),
      files: others,
      needed: neededFiles(pages.values(), siteHost(document), new Set(others)),
      crawlers: [...new Set([...CRAWLERS, ...Object.keys(document.tables.crawlers)])],
      hasMap: document.tables.sitemap['']?.on === true || Object.keys(brought.maps).length > 0,
    };
  }

  private its(): Evidences {
    if (!this.evidences) throw new Error('nobody has looked around yet');
    return this.evidences;
  }
}
