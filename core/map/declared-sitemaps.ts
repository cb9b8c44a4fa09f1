import { parseRobots } from '../robots/index.ts';
import { readSitemap, type SitemapReading } from '../sitemap/index.ts';
import { percentDecoded, type AddressPath } from '../source/index.ts';

/** How one crawler reads maps. */
export interface MapReader {
  /** Whether it may fetch an address path. */
  readonly may: (path: AddressPath) => boolean;
  /** Maps of an index that it reads. */
  readonly most: number;
}

/** The maps that the site came with, as engines read them: those that robots.txt names, an index one level down. */
export class DeclaredSitemaps {
  private readonly readings = new Map<string, SitemapReading | undefined>();

  /** `texts` holds the maps by path, unpacked. */
  constructor(private readonly texts: Readonly<Record<string, string>>) {}

  /** The paths, without their first slash, that a robots.txt names as maps on this site, in its order. */
  static named(robots: string | undefined, origin: string): string[] {
    return parseRobots(robots ?? '').sitemaps.flatMap((address) => pathOn(origin, address) ?? []);
  }

  /**
   * The addresses that a crawler learns from the maps of these paths. `ours` tells which paths the program writes itself: what stands there now is not
   * what the site came with.
   */
  addresses(paths: readonly string[], origin: string, reader: MapReader, ours: (path: AddressPath) => boolean): Set<string> {
    const found = new Set<string>();
    for (const path of paths) this.collect(path, origin, reader, ours, found, 0);
    return found;
  }

  private collect(path: AddressPath, origin: string, reader: MapReader, ours: (path: AddressPath) => boolean, found: Set<string>, depth: number): void {
    if (ours(path) || !reader.may(`/${path}`)) return;
    const reading = this.reading(path);
    if (!reading) return;
    if (reading.kind === 'urlset') for (const { loc } of reading.entries) found.add(loc);
    // An index of indexes is not allowed, and not read.
    else if (depth === 0)
      for (const { loc } of reading.entries.slice(0, reader.most)) {
        const part = pathOn(origin, loc);
        if (part !== undefined) this.collect(part, origin, reader, ours, found, 1);
      }
  }

  private reading(path: AddressPath): SitemapReading | undefined {
    if (!this.readings.has(path)) {
      const text = this.texts[path];
      const reading = text === undefined ? undefined : readSitemap(text);
      this.readings.set(path, reading?.ok ? reading.sitemap : undefined);
    }
    return this.readings.get(path);
  }
}

/** The path of an address on this site, without its first slash; undefined elsewhere. */
export function pathOn(origin: string, address: string): string | undefined {
  if (!URL.canParse(address)) return undefined;
  const url = new URL(address);
  return url.host === new URL(origin).host ? percentDecoded(url.pathname.slice(1)) : undefined;
}
