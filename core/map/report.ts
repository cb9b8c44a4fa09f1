import type { GateReason, WayIn } from '../indexing/index.ts';
import { siteOrigin, wantedInMap, type Intent, type Kind, type SiteDocument, type SitePage, type WantedInMap } from '../site/index.ts';
import { SITEMAP_LIMITS, type MapFile } from '../sitemap/index.ts';
import { isAddressVariant, pathAndQuery, type AddressPath, type FilePath, type PageId } from '../source/index.ts';
import type { DateFrom, DateTrust } from './entries.ts';
import type { MapPlan, PlannedPage } from './plan.ts';
import type { Place } from '../links/index.ts';

/** Why an address that was added by hand cannot stand in the map. */
export type ExtraFault = 'not-absolute' | 'other-host' | 'long' | 'twice' | 'kept-out' | 'shut' | 'not-there' | 'redirects' | 'second-spelling';

/** An address added by hand, and what is wrong with it. */
export interface CheckedExtra {
  readonly address: string;
  readonly fault: ExtraFault | undefined;
}

/** A page's line in the map. */
export interface MapLine {
  readonly id: PageId;
  readonly kind: Kind;
  readonly loc: string;
  readonly lastmod: string | undefined;
  readonly dateFrom: DateFrom;
  readonly images: number;
  readonly alternates: number;
}

/** Why a page is not in the map: the owner's choice, or the gate that shuts it. */
export interface LeftOut {
  readonly id: PageId;
  readonly because: { readonly choice: WantedInMap['from'] } | { readonly reason: GateReason };
}

/** The maps as they are told. */
export interface MapReport {
  readonly on: boolean;
  readonly origin: string;
  readonly files: readonly (Omit<MapFile, 'xml'> & { readonly bytes: number })[];
  readonly lines: readonly MapLine[];
  readonly leftOut: readonly LeftOut[];
  readonly refused: readonly string[];
  readonly extras: readonly CheckedExtra[];
  readonly trust: DateTrust;
  readonly feed: MapPlan['feed'];
  /** Files of ours beside the maps, by path. */
  readonly companions: readonly string[];
  /** Maps that the site came with, by path. */
  readonly imported: readonly string[];
  /** Of these, the ones that robots.txt names beside ours, by address: engines read both. */
  readonly alsoNamed: readonly string[];
  /** Files of ours that take the place of files that the site came with. */
  readonly replaces: readonly string[];
}

interface Told {
  readonly document: SiteDocument;
  readonly plan: MapPlan;
  readonly mapped: readonly PlannedPage[];
  readonly pages: readonly { readonly id: PageId; readonly site: SitePage; readonly way: WayIn }[];
  readonly trust: DateTrust;
  readonly extras: readonly CheckedExtra[];
  readonly imported: readonly string[];
  readonly alsoNamed: readonly string[];
  readonly hasFile: (path: FilePath) => boolean;
}

/** Tells about the maps. */
export function reportOnMaps({ document, plan, mapped, pages, trust, extras, imported, alsoNamed, hasFile }: Told): MapReport {
  const inMap = new Set(mapped.map((page) => page.site.id));
  const maps = new Set(plan.maps.map((map) => map.path));
  return {
    on: document.tables.sitemap['']?.on === true,
    origin: siteOrigin(document),
    // Addresses are escaped, so nearly every unit is an octet; for the size that is shown this is exact enough.
    files: plan.maps.map(({ xml, ...file }) => ({ ...file, bytes: xml.length })),
    lines: mapped.map(({ site, entry, dateFrom }) => ({
      id: site.id,
      kind: site.kind,
      loc: entry.loc,
      lastmod: entry.lastmod,
      dateFrom,
      images: entry.images?.length ?? 0,
      alternates: entry.alternates?.length ?? 0,
    })),
    leftOut: pages.flatMap(({ id, site, way }): LeftOut[] => {
      if (inMap.has(id)) return [];
      const { wanted, from } = wantedInMap(document, site);
      const shut = way.gates.find((gate) => gate.behind === 'shut' && gate.name !== 'live' && gate.name !== 'reachable');
      return [{ id, because: wanted && shut ? { reason: shut.reason } : { choice: from } }];
    }),
    refused: plan.refused.map((entry) => entry.loc),
    extras,
    trust,
    feed: plan.feed,
    companions: Object.keys(plan.files).filter((path) => !maps.has(path)),
    imported,
    alsoNamed,
    replaces: Object.keys(plan.files).filter(hasFile),
  };
}

/** What an added address is held against. */
export interface ExtraSources {
  /** Address paths of the pages in the map. */
  readonly inMap: ReadonlySet<string>;
  /** What will answer at a path and its query. */
  readonly at: (path: AddressPath) => Place;
  /** What the owner wants of a page. */
  readonly intent: (file: FilePath) => Intent;
  /** Whether robots.txt shuts a path. */
  readonly shut: (path: AddressPath) => boolean;
}

/** Checks the addresses that were added by hand, in their order. */
export function checkExtras(document: SiteDocument, sources: ExtraSources): CheckedExtra[] {
  const origin = siteOrigin(document);
  return Object.keys(document.tables.extras)
    .sort()
    .map((address) => ({ address, fault: extraFault(address, origin, sources) }));
}

function extraFault(address: string, origin: string, { inMap, at, shut, intent }: ExtraSources): ExtraFault | undefined {
  if (!/^https?:\/\//i.test(address) || !URL.canParse(address)) return 'not-absolute';
  const url = new URL(address);
  const site = new URL(origin);
  const path = pathAndQuery(url);
  if (url.origin !== site.origin) return isAddressVariant(url.host, site.host) ? 'redirects' : 'other-host';
  if (url.href.length > SITEMAP_LIMITS.address) return 'long';
  if (shut(path)) return 'shut';
  const place = at(path);
  // With a query an address is another one than the page's own; what answers there, only the host knows.
  if (path.includes('?')) return undefined;
  if (place.kind === 'nothing') return 'not-there';
  if (place.kind === 'file') return undefined;
  if (place.kind !== 'page') return 'redirects';
  if (!place.direct) return 'second-spelling';
  return inMap.has(place.page.address) ? 'twice' : intent(place.page.id) === 'out' ? 'kept-out' : 'shut';
}
