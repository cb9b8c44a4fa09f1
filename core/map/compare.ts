import type { GateReason, WayIn } from '../indexing/index.ts';
import { siteOrigin, type Intent, type SiteDocument } from '../site/index.ts';
import { isAddressVariant, pathAndQuery, plainAddress, type AddressPath, type FilePath, type PageId } from '../source/index.ts';
import { readW3cDate } from '../sitemap/index.ts';
import type { Place } from '../links/index.ts';

/** How a map is held against the site. */
export interface CompareHow {
  /** Addresses in the maps beside it: what stands there is not missing. */
  readonly beside: ReadonlySet<string>;
  /** It goes out together with the site as it is now, so that pages in it need not be live yet. */
  readonly planned: boolean;
}

/** What is wrong with one address of a map, held against the site. */
export type MapFault =
  | { readonly code: 'other-host' | 'not-there' | 'not-live' | 'kept-out' }
  | { readonly code: 'moved'; readonly to: string }
  /** The page answers, but its address is spelled otherwise: engines take it for another page. */
  | { readonly code: 'second-spelling'; readonly should: string }
  | { readonly code: 'shut'; readonly reason: GateReason }
  | { readonly code: 'stale' | 'too-new'; readonly should: string };

/** One address of a map. */
export interface ComparedEntry {
  readonly loc: string;
  /** The page that answers there. */
  readonly page: PageId | undefined;
  readonly fault: MapFault | undefined;
}

/** A map against the site. */
export interface MapComparison {
  readonly entries: readonly ComparedEntry[];
  /** Pages that should be in it and are not, by file. */
  readonly missing: readonly string[];
}

/** What is known of the site when a map is held against it. */
export interface CompareSources {
  readonly document: SiteDocument;
  /** What will answer at a path and its query. */
  readonly at: (path: AddressPath) => Place;
  /** What a page is for, and the way in to it by which states are told. */
  readonly page: (file: FilePath) => { readonly intent: Intent; readonly way: WayIn };
  /** By address, what our own map says: the date, or undefined where it says none. */
  readonly ours: ReadonlyMap<string, { readonly page: PageId; readonly lastmod: string | undefined }>;
  readonly how: CompareHow;
}

const DAY = 86_400_000;

/** Holds the addresses of a map against the site: what is in it and should not be, what is missing, and dates that are not true. */
export function compareMap(entries: readonly { readonly loc: string; readonly lastmod: string | undefined }[], sources: CompareSources): MapComparison {
  const origin = siteOrigin(sources.document);
  const plain = (loc: string): string => plainAddress(loc) ?? loc;
  const seen = new Set([...sources.how.beside].map(plain));
  const compared = entries.map((entry): ComparedEntry => {
    seen.add(plain(entry.loc));
    return compare(entry, origin, sources);
  });
  return { entries: compared, missing: [...sources.ours].flatMap(([loc, { page }]) => (seen.has(plain(loc)) ? [] : [page])) };
}

function compare({ loc, lastmod }: { readonly loc: string; readonly lastmod: string | undefined }, origin: string, sources: CompareSources): ComparedEntry {
  const [url, site] = [URL.canParse(loc) ? new URL(loc) : undefined, new URL(origin)];
  if (!url || !/^https?:$/.test(url.protocol) || !isAddressVariant(url.host, site.host)) return { loc, page: undefined, fault: { code: 'other-host' } };
  const path = pathAndQuery(url);
  const place = sources.at(path);
  if (place.kind === 'nothing') return { loc, page: undefined, fault: { code: 'not-there' } };
  // From the other scheme and the host's twin it is led to the site's own address.
  if (url.origin !== site.origin) return { loc, page: place.kind === 'file' ? undefined : place.page?.id, fault: { code: 'moved', to: site.origin + path } };
  if (place.kind === 'file') return { loc, page: undefined, fault: undefined };
  if (place.kind !== 'page') return { loc, page: place.page?.id, fault: { code: 'moved', to: place.to } };
  const { id, address } = place.page;
  if (!place.direct) return { loc, page: id, fault: { code: 'second-spelling', should: address } };
  const { intent, way } = sources.page(id);
  const { planned } = sources.how;
  if (way.reality === 'not-live' && !planned) return { loc, page: id, fault: { code: 'not-live' } };
  // That nothing leads to a page is no fault of the map, which does.
  const shut = way.gates.find((gate) => gate.name !== 'reachable' && (planned ? gate.name !== 'live' && gate.behind === 'shut' : gate.outcome === 'shut'));
  if (shut) return { loc, page: id, fault: { code: 'shut', reason: shut.reason } };
  if (intent === 'out') return { loc, page: id, fault: { code: 'kept-out' } };
  return { loc, page: id, fault: dateFault(lastmod, sources.ours.get(loc)?.lastmod) };
}

/** A date is stale when the page changed since; one that lies later than the last change makes engines come for nothing. */
function dateFault(told: string | undefined, should: string | undefined): MapFault | undefined {
  const [time, true_] = [told === undefined ? undefined : readW3cDate(told), should === undefined ? undefined : readW3cDate(should)];
  if (time === undefined || true_ === undefined || should === undefined) return undefined;
  if (time < true_ - DAY) return { code: 'stale', should };
  return time > true_ + DAY ? { code: 'too-new', should } : undefined;
}
