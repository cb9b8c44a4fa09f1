import type { PageId } from '../source/index.ts';
import type { MapIssue } from '../sitemap/index.ts';
import type { MapFault } from './compare.ts';
import type { MapPart, ReadMap } from './read-map.ts';

type GoodMap = Extract<ReadMap, { readonly ok: true }>;

/** A map that was read, without its entries: of these there may be fifty thousand. */
export type MapSummary =
  | {
      readonly ok: true;
      readonly kind: GoodMap['map']['kind'];
      readonly form: GoodMap['map']['form'];
      readonly bytes: number;
      /** How many addresses, or maps, it names. */
      readonly entries: number;
      /** How many of its addresses are wrong for this site; of an index, in its maps together. */
      readonly wrong: number;
      readonly issues: readonly (MapIssue & { readonly line: number; readonly column: number })[];
      /** Pages that should be in it and are not: the first of them by file, and how many there are. */
      readonly missing: { readonly first: readonly string[]; readonly count: number };
      readonly parts: readonly MapPart[];
      readonly beside: boolean;
    }
  | Extract<ReadMap, { readonly ok: false }>;

const MOST_MISSING = 60;

/** What there is to tell of a map besides its entries. */
export function summaryOf(read: ReadMap): MapSummary {
  if (!read.ok) return read;
  const { map, lines, comparison, parts, beside } = read;
  const { kind, form, bytes } = map;
  const wrong = kind === 'index' ? parts.reduce((sum, part) => sum + part.wrong, 0) : comparison.entries.filter((entry) => entry.fault !== undefined).length;
  const issues = map.issues.map((issue, at) => ({ ...issue, line: lines[at]?.line ?? 1, column: lines[at]?.column ?? 1 }));
  const missing = { first: comparison.missing.slice(0, MOST_MISSING), count: comparison.missing.length };
  return { ok: true, kind, form, bytes, entries: map.entries.length, wrong, issues, missing, parts, beside };
}

/** One address of a map, as a table shows it. */
export interface MapEntryLine {
  readonly loc: string;
  /** Offset in the text. */
  readonly place: number;
  readonly lastmod: string | undefined;
  readonly images: number;
  /** Languages of its alternates. */
  readonly languages: readonly string[];
  /** The page that answers there. */
  readonly page: PageId | undefined;
  readonly fault: MapFault | undefined;
}

/** In which order a table shows a map, and which addresses. */
export interface MapOrder {
  readonly by: 'loc' | 'lastmod' | 'images' | 'fault';
  readonly down: boolean;
  readonly wrongOnly: boolean;
}

/** 0: wrong, 1: only out of date, 2: as it should be. */
export const faultWeight = (fault: MapFault | undefined): 0 | 1 | 2 => (fault === undefined ? 2 : fault.code === 'stale' || fault.code === 'too-new' ? 1 : 0);

/** The first so many addresses of a map in an order; none of an index or of what is no map. */
export function mapLines(read: ReadMap, order: MapOrder, most: number): readonly MapEntryLine[] {
  if (!read.ok || read.map.kind === 'index') return [];
  const all = read.map.entries.map(({ loc, place, lastmod, images, alternates }, at): MapEntryLine => ({
    loc,
    place,
    lastmod,
    images: images.length,
    languages: alternates.map(({ lang }) => lang),
    page: read.comparison.entries[at]?.page,
    fault: read.comparison.entries[at]?.fault,
  }));
  const shown = order.wrongOnly ? all.filter((line) => line.fault !== undefined) : all;
  return shown.sort((a, b) => compare(a, b, order.by) * (order.down ? -1 : 1)).slice(0, most);
}

function compare(a: MapEntryLine, b: MapEntryLine, by: MapOrder['by']): number {
  if (by === 'images') return a.images - b.images;
  if (by === 'fault') return faultWeight(a.fault) - faultWeight(b.fault) || a.place - b.place;
  const [one, other] = [a[by] ?? '', b[by] ?? ''];
  return one < other ? -1 : one > other ? 1 : 0;
}
