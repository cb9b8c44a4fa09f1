import { validateMap, type ExamineOptions, type ExaminedEntry, type ExaminedMap, type SitemapRefusal } from '../sitemap/index.ts';
import { positionOf } from '../source/index.ts';
import type { ComparedEntry, MapComparison } from './compare.ts';

/** One map that an index names, as it was found. */
export interface MapPart {
  readonly loc: string;
  /** As the index tells it. */
  readonly lastmod: string | undefined;
  /** `not-read`: nobody asked for it, since it stands elsewhere or there were too many. `index`: an index of indexes, which is not allowed. */
  readonly what: 'map' | 'index' | 'gone' | 'not-read' | SitemapRefusal;
  readonly addresses: number;
  /** Things in it that the protocol does not allow. */
  readonly issues: number;
  /** Addresses in it that are wrong for this site. */
  readonly wrong: number;
  /** Addresses that stand in a map before it. */
  readonly again: number;
}

/** A map, read and held against the site; or why it could not be. */
export type ReadMap =
  | {
      readonly ok: true;
      readonly address: string | undefined;
      readonly map: ExaminedMap;
      /** Line and column of each issue. */
      readonly lines: readonly { readonly line: number; readonly column: number }[];
      /** Of a map: entry by entry. Of an index: what its maps together lack; entries are told map by map. */
      readonly comparison: MapComparison;
      /** The maps of an index. */
      readonly parts: readonly MapPart[];
      /** Whether it is one of several that engines read together: what is missing is in none of them. */
      readonly beside: boolean;
    }
  | { readonly ok: false; readonly reason: SitemapRefusal | 'unreadable' };

/** What a map is read with. */
export interface MapSources extends ExamineOptions {
  readonly compare: (entries: readonly ExaminedEntry[]) => MapComparison;
  /** Whether other maps stand beside it. */
  readonly beside?: boolean;
  /** The text of a map that an index names: null where nothing answers there, undefined where nobody asked. */
  readonly partAt: (loc: string) => string | null | undefined;
}

/** Reads a map closely and holds it against the site; an index together with the maps that it names. */
export function validateMapText(text: string | undefined, sources: MapSources): ReadMap {
  if (text === undefined) return { ok: false, reason: 'unreadable' };
  const examined = validateMap(text, sources);
  if (!examined.ok) return examined;
  const { map } = examined;
  const lines = map.issues.map((issue) => positionOf(text, issue.place));
  const found = { ok: true, address: sources.address, map, lines, beside: sources.beside === true } as const;
  if (map.kind === 'urlset') return { ...found, comparison: sources.compare(map.entries), parts: [] };
  const read = map.entries.map(({ loc, lastmod }) => ({ loc, lastmod, part: openPart(loc, sources) }));
  const all = read.flatMap(({ part }) => (typeof part === 'string' ? [] : part.entries));
  const { entries, missing } = sources.compare(all);
  return { ...found, comparison: { entries: [], missing }, parts: told(read, entries) };
}

/** Why a map of an index gives no addresses; else what is in it. */
function openPart(loc: string, sources: MapSources): Exclude<MapPart['what'], 'map'> | ExaminedMap {
  const text = sources.partAt(loc);
  if (text === undefined) return 'not-read';
  if (text === null) return 'gone';
  // Whoever names the index vouches for its maps.
  const examined = validateMap(text, { address: loc, named: sources.named, now: sources.now });
  if (!examined.ok) return examined.reason;
  return examined.map.kind === 'index' ? 'index' : examined.map;
}

/** The parts as they are told; `compared` are the entries of all, one behind the other. */
function told(
  read: readonly { readonly loc: string; readonly lastmod: string | undefined; readonly part: Exclude<MapPart['what'], 'map'> | ExaminedMap }[],
  compared: readonly ComparedEntry[],
): MapPart[] {
  const seen = new Set<string>();
  let at = 0;
  return read.map(({ loc, lastmod, part }) => {
    if (typeof part === 'string') return { loc, lastmod, what: part, addresses: 0, issues: 0, wrong: 0, again: 0 };
    const own = compared.slice(at, (at += part.entries.length));
    const before = seen.size;
    const distinct = new Set(own.map((entry) => entry.loc));
    for (const entry of distinct) seen.add(entry);
    return {
      loc,
      lastmod,
      what: 'map',
      addresses: own.length,
      issues: part.issues.length,
      wrong: own.filter((entry) => entry.fault !== undefined).length,
      again: distinct.size - (seen.size - before),
    };
  });
}
