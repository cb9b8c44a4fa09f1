import type { RobotsAccess } from '../crawl/index.ts';
import { policyFor } from '../engines/index.ts';
import { mayFetch } from '../indexing/index.ts';
import type { AddressBook } from '../links/index.ts';
import { effectiveRobots } from '../release/index.ts';
import { KIND_TABLE, siteOrigin, type Kind, type SiteDocument } from '../site/index.ts';
import { SITEMAP_FILE } from '../sitemap/index.ts';
import { pathAndQuery, type AddressPath, type CrawlerToken, type FilePath } from '../source/index.ts';
import { DeclaredSitemaps, type MapReader } from './declared-sitemaps.ts';
import { mapsOf } from './plan.ts';

/** Maps of ours under the index. */
const OUR_MAP = new RegExp(
  `^sitemap-(?:all|more|${Object.values(KIND_TABLE)
    .map(({ map }) => map)
    .join('|')})(?:-\\d+)?\\.xml$`,
);

/** Where maps lead a crawler: to pages by their own addresses, over redirects and the stubs of moved pages, and under second spellings, by path. */
export interface MapLeads {
  readonly direct: ReadonlySet<string>;
  readonly linked: ReadonlySet<string>;
  readonly aside: ReadonlyMap<string, string>;
}

/** What is known of the site when its maps are read as engines read them. */
export interface EngineMapSources {
  readonly document: SiteDocument;
  /** robots.txt that the site was brought in with. */
  readonly robots: string | undefined;
  readonly declared: DeclaredSitemaps;
  /** Pages that belong in ours. */
  readonly members: ReadonlySet<string>;
  readonly kind: (file: FilePath) => Kind | undefined;
  readonly access: RobotsAccess;
  readonly addressBook: AddressBook;
}

/** The maps of a site as engines come by them: ours where they are written, and those that robots.txt declares. */
export class EngineMaps {
  private readonly known = new Map<string, MapLeads>();
  private readonly ours: boolean;

  constructor(private readonly site: EngineMapSources) {
    const { extras, sitemap } = site.document.tables;
    this.ours = sitemap['']?.on === true && (site.members.size > 0 || Object.keys(extras).length > 0);
  }

  /** Whether a page stands in a map that a crawler reads. */
  isInMap(file: FilePath, crawler: CrawlerToken): boolean {
    const may = this.mayOf(crawler);
    return (this.ours && this.site.members.has(file) && this.isOursOpen(file, may)) || this.leads(crawler).direct.has(file);
  }

  /** Where the maps that the site came with lead a crawler. */
  leads(crawler: CrawlerToken): MapLeads {
    const may = this.mayOf(crawler);
    const leads = this.known.get(crawler) ?? this.leadsOf(this.theirAddresses({ may, most: policyFor(crawler).maps }), may);
    this.known.set(crawler, leads);
    return leads;
  }

  private mayOf(crawler: CrawlerToken): (path: AddressPath) => boolean {
    const access = this.site.access.to(crawler);
    return (path) => mayFetch(access(path));
  }

  private leadsOf(addresses: ReadonlySet<string>, may: (path: AddressPath) => boolean): MapLeads {
    const { protocol, host } = new URL(siteOrigin(this.site.document));
    const leads = { direct: new Set<string>(), linked: new Set<string>(), aside: new Map<string, string>() };
    for (const address of addresses) {
      const url = URL.canParse(address) ? new URL(address) : undefined;
      if (url?.host !== host) continue;
      const path = pathAndQuery(url);
      const place = this.site.addressBook.at(path);
      if (place.kind === 'nothing' || place.kind === 'file' || !place.page) continue;
      const { id } = place.page;
      if (place.kind === 'page' && !place.direct) leads.aside.set(path, id);
      else if (place.kind === 'page' && url.protocol === protocol) leads.direct.add(id);
      else if (may(path)) leads.linked.add(id);
    }
    return leads;
  }

  /** Whether robots.txt lets a crawler fetch the map of ours that holds a page, and the index that leads there. */
  private isOursOpen(file: FilePath, may: (path: AddressPath) => boolean): boolean {
    if (!may(`/${SITEMAP_FILE}`)) return false;
    const { document, members, kind: kindOf } = this.site;
    const kind = kindOf(file);
    if (document.tables.sitemap['']?.by === 'one' || kind === undefined || mapsOf(kind).every(may)) return true;
    // Where all fit into one map there is no map of this name.
    return Object.keys(document.tables.extras).length === 0 && [...members].every((id) => kindOf(id) === kind);
  }

  private theirAddresses(reader: MapReader): ReadonlySet<string> {
    const { document, robots, declared } = this.site;
    const origin = siteOrigin(document);
    const ours = (path: AddressPath): boolean => this.ours && (path === SITEMAP_FILE || OUR_MAP.test(path));
    return declared.addresses(DeclaredSitemaps.named(effectiveRobots(document, robots, this.ours), origin), origin, reader, ours);
  }
}
