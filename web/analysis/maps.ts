import { parseRobots } from '../../core/robots/index.ts';
import { addressOf, siteOrigin, type SiteDocument } from '../../core/site/index.ts';
import { isMapText, readSitemap, SITEMAP_LIMITS } from '../../core/sitemap/index.ts';
import { unpackedText } from '../../core/source/index.ts';
import { pathOn, readMapClosely, type ReadMap, type Survey } from '../../core/survey/index.ts';
import { loadBytes, type Database, type StoredFile } from '../storage/index.ts';

/** Where a map is read from: ours by its path as it will be, a file that the site came with, bytes, or text that came from an address, with that of the maps it names. */
export type MapFrom =
  | { readonly path: string }
  | { readonly brought: string }
  | { readonly bytes: Uint8Array }
  | { readonly text: string; readonly address: string; readonly parts?: Readonly<Record<string, string | null>> };

/** Files that could be maps; how many are looked into, and how much text of maps is kept. */
const MOST_MAPS = 400;
const MOST_MAP_TEXT = 60_000_000;
const mayBeMap = (file: StoredFile): boolean => /\.xml(\.gz)?$/i.test(file.path) || /(^|\/)[^/]*(site-?map|urls?)[^/]*\.txt(\.gz)?$/i.test(file.path);

/** The maps that the site came with, by path: what is one says so at its beginning, whatever it is called. */
export async function broughtMaps(db: Database, siteId: string, files: readonly StoredFile[]): Promise<Readonly<Record<string, string>>> {
  const maps: Record<string, string> = {};
  let size = 0;
  for (const file of files.filter(mayBeMap).slice(0, MOST_MAPS)) {
    const bytes = await loadBytes(db, siteId, file.path);
    const text = bytes && unpackedText(bytes, SITEMAP_LIMITS.bytes);
    if (text === undefined || !isMapText(text) || size + text.length > MOST_MAP_TEXT) continue;
    maps[file.path] = text;
    size += text.length;
  }
  return maps;
}

/** The site that a map is held against. */
interface OpenSite {
  readonly survey: Survey;
  readonly document: SiteDocument;
  /** The maps that it came with. */
  readonly maps: Readonly<Record<string, string>>;
  /** Milliseconds since 1970. */
  readonly now: number;
}

/** Whether a text is an index that names a map at this address. */
function namesMap(index: string | undefined, address: string): boolean {
  const reading = index === undefined ? undefined : readSitemap(index);
  return reading?.ok === true && reading.sitemap.kind === 'index' && reading.sitemap.entries.some((entry) => entry.loc === address);
}

/** A map looked at closely and held against the site; an index together with its maps, as far as they are at hand. */
export function readMapFrom(from: MapFrom, { survey, document, maps, now }: OpenSite): ReadMap {
  const origin = siteOrigin(document);
  const path = 'path' in from ? from.path : 'brought' in from ? from.brought : undefined;
  const address = path !== undefined ? origin + addressOf(path) : 'text' in from ? from.address : undefined;
  // Maps that ours or the site's own name are files; what an address names, the page asked for; and a file alone says nothing of where its maps are.
  const own = 'path' in from ? (one: string) => survey.mapText(one) ?? maps[one] : (one: string) => maps[one];
  return readMapClosely('bytes' in from ? unpackedText(from.bytes, SITEMAP_LIMITS.bytes) : 'text' in from ? from.text : own(path as string), {
    address,
    named:
      address !== undefined &&
      parseRobots(survey.robotsText() ?? '').sitemaps.some((one) => one === address || namesMap(own(pathOn(origin, one) ?? ''), address)),
    now,
    compare: (entries) => survey.compareMap(entries),
    partAt: (loc) => {
      if ('text' in from) return from.parts?.[loc];
      const part = path === undefined ? undefined : pathOn(origin, loc);
      return part === undefined ? undefined : (own(part) ?? null);
    },
  });
}
