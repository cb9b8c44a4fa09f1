import { mayFetch, policyFor } from '../indexing/index.ts';
import { effectiveRobots } from '../release/index.ts';
import { parseRobots } from '../robots/index.ts';
import { siteOrigin, wantedInMap } from '../site/index.ts';
import { pathAndQuery } from '../source/index.ts';
import { SITEMAP_FILE, type SitemapEntry } from '../sitemap/index.ts';
import { STATE_CRAWLER, type Entrances } from './entrances.ts';
import type { SiteInView, Surveyed } from './in-view.ts';
import { compareMap, type CompareHow, type MapComparison } from './map-compare.ts';
import { entryOf, saidDate, trustDates, type DatedEntry, type DateTrust } from './map-entries.ts';
import { humanPage, MAP_NAMES, mapsOf, planMaps, type MapPlan, type PlannedPage } from './map-plan.ts';
import { readMapFrom, type MapFrom } from './map-source.ts';
import { checkExtras, reportOnMaps, type CheckedExtra, type MapReport } from './map-report.ts';
import { NamedMaps, pathOn, type MapReader } from './named-maps.ts';
import type { ReadMap } from './read-map.ts';

/** Maps of ours under the index. */
const OUR_MAP = new RegExp(`^sitemap-(?:all|more|${Object.values(MAP_NAMES).join('|')})(?:-\\d+)?\\.xml$`);

/** Where maps lead a crawler: to pages by their own addresses, over redirects and the stubs of moved pages, and under second spellings, by path. */
export interface MapLeads {
  readonly direct: ReadonlySet<string>;
  readonly linked: ReadonlySet<string>;
  readonly aside: ReadonlyMap<string, string>;
}

/** The maps of the site: which pages stand in them, with which dates, and the files that are made of that. */
export class SiteMaps {
  private readonly inOurs = new Set<string>();
  private readonly named: NamedMaps;
  private readonly trust: DateTrust;
  private plan: MapPlan | undefined;
  /** What each crawler learns from the maps that the site came with, by crawler and by whether ours are written. */
  private readonly theirs = new Map<string, MapLeads>();

  constructor(private readonly site: SiteInView) {
    const { brought, pages, files, now } = site;
    this.named = new NamedMaps(brought.maps);
    this.trust = trustDates([...pages.values()].map(({ id, source, guess }) => ({ file: files.get(id)?.modified, said: saidDate(source, guess, now()) })));
  }

  /** Everything may be otherwise now. */
  forget(): void {
    this.plan = undefined;
    this.theirs.clear();
  }

  /** Whether a page stands in a map that a crawler reads: ours where they are written, and those the site came with, where robots.txt names them. */
  isInMap(file: string, crawler: string, entrances: Entrances): boolean {
    const written = this.areOursRead(this.site.document.tables.sitemap['']?.on === true);
    const may = (path: string): boolean => mayFetch(entrances.access(crawler)(path));
    return (written && this.inOurs.has(file) && this.isOursOpen(file, may)) || this.leads(crawler, entrances).direct.has(file);
  }

  /** Where the maps that the site came with lead a crawler. */
  leads(crawler: string, entrances: Entrances): MapLeads {
    const written = this.areOursRead(this.site.document.tables.sitemap['']?.on === true);
    const key = `${crawler} ${written}`;
    const may = (path: string): boolean => mayFetch(entrances.access(crawler)(path));
    const known = this.theirs.get(key) ?? this.leadsOf(this.theirAddresses(written, { may, most: policyFor(crawler).maps }), may);
    this.theirs.set(key, known);
    return known;
  }

  private leadsOf(addresses: ReadonlySet<string>, may: (path: string) => boolean): MapLeads {
    const origin = siteOrigin(this.site.document);
    const { protocol, host } = new URL(origin);
    const leads = { direct: new Set<string>(), linked: new Set<string>(), aside: new Map<string, string>() };
    for (const address of addresses) {
      const url = URL.canParse(address) ? new URL(address) : undefined;
      if (url?.host !== host) continue;
      const path = pathAndQuery(url);
      const place = this.site.whereabouts.at(path);
      if (place.kind === 'nothing' || place.kind === 'file' || !place.page) continue;
      const { id } = place.page;
      if (place.kind === 'page' && !place.direct) leads.aside.set(path, id);
      else if (place.kind === 'page' && url.protocol === protocol) leads.direct.add(id);
      else if (may(path)) leads.linked.add(id);
    }
    return leads;
  }

  private areOursRead(on: boolean): boolean {
    return on && (this.inOurs.size > 0 || Object.keys(this.site.document.tables.extras).length > 0);
  }

  /** Whether robots.txt lets a crawler fetch the map of ours that holds a page, and the index that leads there. */
  private isOursOpen(file: string, may: (path: string) => boolean): boolean {
    if (!may(`/${SITEMAP_FILE}`)) return false;
    const { document, pages } = this.site;
    const kind = pages.get(file)?.site.kind;
    if (document.tables.sitemap['']?.by === 'one' || kind === undefined || mapsOf(kind).every(may)) return true;
    // Where all fit into one map there is no map of this name.
    return Object.keys(document.tables.extras).length === 0 && [...this.inOurs].every((id) => pages.get(id)?.site.kind === kind);
  }

  private theirAddresses(written: boolean, reader: MapReader): ReadonlySet<string> {
    const { document, brought } = this.site;
    const origin = siteOrigin(document);
    const robots = effectiveRobots(document, brought.robots, written);
    const ours = (path: string): boolean => written && (path === SITEMAP_FILE || OUR_MAP.test(path));
    return this.named.addresses(NamedMaps.named(robots, origin), origin, reader, ours);
  }

  /** Whether a page belongs in ours. */
  has(file: string): boolean {
    return this.inOurs.has(file);
  }

  /**
   * Decides whether a page belongs in the map: what is wanted there, may be listed and fetched, and is its own main address. Whether it can be reached is
   * not asked: the map is how. Tells whether that is another answer than before.
   */
  decide(page: Surveyed, entrances: Entrances): boolean {
    const belongs = wantedInMap(this.site.document, page.site).wanted && entrances.wayInOnceReleased(page, true).gates.every((gate) => gate.outcome !== 'shut');
    if (belongs === this.inOurs.has(page.id)) return false;
    if (belongs) this.inOurs.add(page.id);
    else this.inOurs.delete(page.id);
    return true;
  }

  /** Dates a page's place in the map; where it is another than before, the maps are to be written anew. While none is written, that waits until somebody asks. */
  date(page: Surveyed): void {
    const settings = this.site.document.tables.sitemap[''];
    if (settings?.on !== true) {
      this.plan = undefined;
      page.dated = undefined;
      return;
    }
    const dated = this.inOurs.has(page.id) ? this.dated(page) : undefined;
    // Feeds and the map for people show titles as well.
    const shown = settings.rss === true || settings.atom === true || settings.page === true;
    if (shown || JSON.stringify(dated) !== JSON.stringify(page.dated)) this.plan = undefined;
    page.dated = dated;
  }

  private dated(page: Surveyed): DatedEntry {
    const { document, manifest, files, now } = this.site;
    const sources = {
      document,
      manifest,
      modified: (file: string) => files.get(file)?.modified,
      hasFile: (path: string) => files.has(path),
      now: now(),
    };
    return entryOf(page, sources, this.trust);
  }

  /** The entries, in the order of their addresses. */
  entries(): SitemapEntry[] {
    return this.mapped().map((page) => page.entry);
  }

  /** Whether a map is written: one is wanted, and there is something to put into it. A closed site has none; an empty one would be against the protocol. */
  isWritten(entrances: Entrances): boolean {
    return this.site.document.tables.sitemap['']?.on === true && (this.inOurs.size > 0 || this.files(entrances).maps.length > 0);
  }

  /** All files about the site as a whole, whether or not they are written. */
  files(entrances: Entrances): MapPlan {
    const { document, brought, now } = this.site;
    const extras = this.extras(entrances).flatMap(({ address, fault }) => (fault === undefined || fault === 'not-there' ? [address] : []));
    this.plan ??= planMaps(document, this.mapped(), extras, brought.template, now());
    return this.plan;
  }

  /** The map for people as it would be written, whether it is or not. */
  pageForPeople(): string {
    return humanPage(this.site.document, this.mapped(), this.site.brought.template);
  }

  /** The maps as they are told: the files, each page's place and date, what is left out and why. */
  report(entrances: Entrances): MapReport {
    const { document, pages, files, brought } = this.site;
    const origin = siteOrigin(document);
    const named = parseRobots(effectiveRobots(document, brought.robots, false) ?? '').sitemaps;
    return reportOnMaps({
      document,
      plan: this.files(entrances),
      mapped: this.mapped(),
      pages: [...pages.values()],
      trust: this.trust,
      extras: this.extras(entrances),
      brought: Object.keys(brought.maps).sort(),
      alsoNamed: named.filter((address) => {
        const path = pathOn(origin, address);
        return path !== undefined && path !== SITEMAP_FILE && path in brought.maps;
      }),
      hasFile: (path) => files.has(path),
    });
  }

  /** Reads any map closely and holds it against the site. */
  read(from: MapFrom, entrances: Entrances): ReadMap {
    const { document, brought, now } = this.site;
    const written = this.isWritten(entrances);
    return readMapFrom(from, {
      origin: siteOrigin(document),
      robots: effectiveRobots(document, brought.robots, written),
      ours: this.files(entrances).files,
      written,
      brought: brought.maps,
      now: now(),
      compare: (entries, how) => this.compare(entries, how),
    });
  }

  private compare(entries: readonly { readonly loc: string; readonly lastmod: string | undefined }[], how: CompareHow): MapComparison {
    const { document, whereabouts } = this.site;
    return compareMap(entries, {
      document,
      at: (path) => whereabouts.at(path),
      ours: new Map(this.mapped().map(({ entry, site }) => [entry.loc, { page: site.id, lastmod: entry.lastmod }])),
      how,
    });
  }

  private mapped(): PlannedPage[] {
    const found = [...this.inOurs].flatMap((id) => {
      const page = this.site.pages.get(id);
      if (!page) return [];
      page.dated ??= this.dated(page);
      return [{ site: page.site, source: page.source, address: page.address, out: page.out, ...page.dated }];
    });
    return found.sort((a, b) => (a.entry.loc < b.entry.loc ? -1 : 1));
  }

  private extras(entrances: Entrances): readonly CheckedExtra[] {
    const { document, whereabouts, pages } = this.site;
    const access = entrances.access(STATE_CRAWLER);
    return checkExtras(document, {
      inMap: new Set([...this.inOurs].flatMap((id) => pages.get(id)?.address ?? [])),
      at: (path) => whereabouts.at(path),
      shut: (path) => !mayFetch(access(path)),
    });
  }
}
