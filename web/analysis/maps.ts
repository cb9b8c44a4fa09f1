import { isMapText, SITEMAP_LIMITS } from '../../core/sitemap/index.ts';
import { unpackedText } from '../../core/source/index.ts';
import { loadBytes, type Database, type StoredFile } from '../storage/index.ts';

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
