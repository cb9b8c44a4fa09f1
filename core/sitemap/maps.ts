import { SITEMAP_LIMITS, writeIndex, writeSitemap, type SitemapEntry } from './write.ts';

/** Addresses that belong into maps of their own. */
export interface MapGroup {
  /** Part of the map's file name: lower-case letters, digits, hyphens. */
  readonly name: string;
  readonly entries: readonly SitemapEntry[];
}

/** One file of the map. */
export interface MapFile {
  readonly path: string;
  readonly kind: 'index' | 'urlset';
  readonly xml: string;
  /** Addresses, or maps in an index. */
  readonly count: number;
  /** The latest date in it. */
  readonly latest: string | undefined;
  /** The group it was written for; undefined for the index and for a single map. */
  readonly group: string | undefined;
}

/** Where the map, or the index of maps, stands. */
export const SITEMAP_FILE = 'sitemap.xml';

/**
 * Writes the maps of a site: one for each group, split where there are more links than are wanted or allowed, under an index. One group that fits into
 * one map needs no index. Addresses that no map can hold are handed back.
 */
export function writeMaps(
  groups: readonly MapGroup[],
  settings: { readonly origin: string; readonly links: number; readonly styles: readonly string[] },
): { readonly files: readonly MapFile[]; readonly refused: readonly SitemapEntry[] } {
  const refused: SitemapEntry[] = [];
  const total = groups.reduce((sum, group) => sum + group.entries.length, 0);
  // An index holds no more maps than a map holds links: so few links a map that this would be passed are too few.
  const links = Math.max(settings.links, Math.ceil(total / (SITEMAP_LIMITS.entries - groups.length)), 1);
  const parts: MapFile[] = [];
  for (const { name, entries } of groups) {
    const fitting = entries.filter((entry) => entry.loc.length <= SITEMAP_LIMITS.address || void refused.push(entry));
    let number = 0;
    for (let waiting: readonly SitemapEntry[] = fitting; waiting.length > 0;) {
      const { xml, left } = writeSitemap(waiting, { links, styles: settings.styles });
      const gone = new Set(left);
      const written = waiting.filter((entry) => !gone.has(entry));
      // What does not even fit alone cannot be written at all.
      if (written.length === 0) {
        refused.push(...waiting);
        break;
      }
      number++;
      parts.push({
        path: `sitemap-${name}${number === 1 ? '' : `-${number}`}.xml`,
        kind: 'urlset',
        xml,
        count: written.length,
        latest: latestOf(written),
        group: name,
      });
      waiting = left;
    }
  }
  const [first] = parts;
  // A map of nothing is against the protocol: there is none then.
  if (first === undefined) return { files: [], refused };
  if (parts.length === 1) return { files: [single(first.xml, first.count, first.latest)], refused };
  const xml = writeIndex(
    parts.map(({ path, latest }) => ({ loc: `${settings.origin}/${path}`, lastmod: latest })),
    { styles: settings.styles },
  );
  return {
    files: [
      { path: SITEMAP_FILE, kind: 'index', xml, count: parts.length, latest: latestOf(parts.map(({ latest }) => ({ lastmod: latest }))), group: undefined },
      ...parts,
    ],
    refused,
  };
}

const single = (xml: string, count: number, latest: string | undefined): MapFile => ({
  path: SITEMAP_FILE,
  kind: 'urlset',
  xml,
  count,
  latest,
  group: undefined,
});

function latestOf(entries: readonly { readonly lastmod: string | undefined }[]): string | undefined {
  let latest: string | undefined;
  for (const { lastmod } of entries) if (lastmod !== undefined && (latest === undefined || lastmod > latest)) latest = lastmod;
  return latest;
}
