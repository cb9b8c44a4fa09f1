import { parseRobots } from '../robots/index.ts';
import { addressOf } from '../site/index.ts';
import { readSitemap, SITEMAP_FILE, SITEMAP_LIMITS } from '../sitemap/index.ts';
import { unpackedText } from '../source/index.ts';
import type { CompareHow, MapComparison } from './compare.ts';
import { DeclaredSitemaps, pathOn } from './declared-sitemaps.ts';
import { validateMapText, type MapSources, type ReadMap } from './read-map.ts';

/** Where a map is read from: ours by its path as it will be, a file that the site came with, bytes, or text that came from an address, with that of the maps it names. */
export type MapFrom =
  | { readonly path: string }
  | { readonly imported: string }
  | { readonly bytes: Uint8Array }
  | { readonly text: string; readonly address: string; readonly parts?: Readonly<Record<string, string | null>> };

/** What is known of the maps of a site. */
export interface KnownMaps {
  readonly origin: string;
  /** robots.txt as it will be. */
  readonly robots: string | undefined;
  /** Our maps, by path, and whether they are written. */
  readonly ours: Readonly<Record<string, string>>;
  readonly written: boolean;
  /** The maps that the site came with, by path. */
  readonly imported: Readonly<Record<string, string>>;
  /** Milliseconds since 1970. */
  readonly now: number;
  readonly compare: (entries: Parameters<MapSources['compare']>[0], how: CompareHow) => MapComparison;
}

/** A map looked at closely and held against the site; an index together with its maps, as far as they are at hand. */
export function readMapFrom(from: MapFrom, known: KnownMaps): ReadMap {
  const { origin, imported, now } = known;
  const planned = 'path' in from;
  const path = 'path' in from ? from.path : 'imported' in from ? from.imported : undefined;
  const address = path !== undefined ? origin + addressOf(path) : 'text' in from ? from.address : undefined;
  // A map out there stands among ours, where these are written; one that the site came with, among its like.
  const texts = planned || ('text' in from && known.written) ? { ...imported, ...known.ours } : imported;
  const beside = address === undefined ? undefined : besideMap(address, texts, planned && !known.written, known);
  const text = 'bytes' in from ? unpackedText(from.bytes, SITEMAP_LIMITS.bytes) : 'text' in from ? from.text : texts[path as string];
  return validateMapText(text, {
    address,
    named: beside !== undefined,
    beside: beside !== undefined && beside.size > 0,
    now,
    compare: (entries) => known.compare(entries, { beside: beside ?? new Set(), planned }),
    // Maps that ours or the site's own name are files; what an address names was asked for; and a file alone says nothing of where its maps are.
    partAt: (loc) => {
      if ('text' in from) return from.parts?.[loc];
      const part = path === undefined ? undefined : pathOn(origin, loc);
      return part === undefined ? undefined : (texts[part] ?? null);
    },
  });
}

/** What the maps beside one hold, where robots.txt, or an index that it names, names that one as well; undefined where neither does. */
function besideMap(
  address: string,
  texts: Readonly<Record<string, string>>,
  alone: boolean,
  { origin, robots }: Pick<KnownMaps, 'origin' | 'robots'>,
): ReadonlySet<string> | undefined {
  // Maps of ours that are not written yet stand as if they were, and alone.
  const named = alone ? [`${origin}/${SITEMAP_FILE}`] : parseRobots(robots ?? '').sitemaps;
  const naming = named.filter((one) => one === address || namesMap(texts[pathOn(origin, one) ?? ''], address));
  if (naming.length === 0) return undefined;
  const itself = pathOn(origin, address);
  const paths = named.flatMap((one) => pathOn(origin, one) ?? []);
  return new DeclaredSitemaps(texts).addresses(paths, origin, { may: () => true, most: Infinity }, (one) => one === itself);
}

function namesMap(index: string | undefined, address: string): boolean {
  const reading = index === undefined ? undefined : readSitemap(index);
  return reading?.ok === true && reading.sitemap.kind === 'index' && reading.sitemap.entries.some((entry) => entry.loc === address);
}
