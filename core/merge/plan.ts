import type { PageId } from '../source/index.ts';
import { collapse } from '../page/index.ts';
import { addressOf, altsOf, linkedPath, passagesOf, resolvePath, siteHost, type Kind, type SiteDocument } from '../site/index.ts';
import { SAID_FIELDS, type PageExcerpt, type SaidField } from './excerpt.ts';
import { pairPages, type Pair } from './pairs.ts';
import { passagePlaces, picturePlaces, type NewPlace } from './places.ts';

/** The owner's word for something that the sources say too: what it was, what the owner made of it, and what the new source says. */
export interface ThreeWays {
  /** Names it among all of the plan. */
  readonly key: string;
  /** The page as it is called in the earlier version and in the new one. */
  readonly before: string;
  readonly page: PageId;
  readonly what: SaidField | 'passage' | 'alt' | 'robots' | 'markup';
  /** For a value of structured data: what the page is, and the property. */
  readonly value?: string | undefined;
  /** Where it stood and stands in the page, for passages and pictures. */
  readonly from: number;
  readonly to: number;
  readonly base: string;
  readonly mine: string;
  readonly theirs: string;
}

/** What bringing a new version in would do. Nothing has been done by it. */
export interface MergePlan {
  /** The number that the new version gets. */
  readonly version: number;
  readonly pages: {
    readonly same: number;
    readonly changed: readonly string[];
    readonly added: readonly string[];
    /** Pages that are another file now, by what they were found. */
    readonly moved: readonly { readonly from: string; readonly to: string; readonly by: Pair['by'] }[];
    /** Pages that are nowhere in the new version, with how many words of the owner each had. */
    readonly gone: readonly { readonly id: PageId; readonly words: number }[];
  };
  readonly files: { readonly added: number; readonly changed: number; readonly gone: number };
  /** Words of the owner that stay as they are. */
  readonly kept: number;
  /** Words of the owner that the new source says by itself: they fall away. */
  readonly settled: readonly ThreeWays[];
  /** Where both changed the same thing: one is to be chosen. */
  readonly conflicts: readonly ThreeWays[];
  /** Changes of words or pictures that the new version does not show any more. */
  readonly homeless: readonly ThreeWays[];
  /** Changes of words or pictures that stand at another place of the page's source now. */
  readonly shifted: readonly ThreeWays[];
  /** Pages that are another kind by their new source or address. */
  readonly kinds: readonly { readonly page: PageId; readonly from: Kind; readonly to: Kind }[];
  /** Pages whose bytes are others and whose words are the same: the hash of the bytes that first said them. */
  readonly alike: readonly { readonly page: PageId; readonly hash: string }[];
}

/** The two versions of a site, as far as they differ. */
export interface Versions {
  readonly document: SiteDocument;
  readonly version: number;
  /** Hashes of all files by path. */
  readonly before: ReadonlyMap<string, string>;
  readonly after: ReadonlyMap<string, string>;
  readonly isPage: (path: string) => boolean;
  /** Of each page that is not the same in both. */
  readonly excerptsBefore: ReadonlyMap<string, PageExcerpt>;
  readonly excerptsAfter: ReadonlyMap<string, PageExcerpt>;
  /** robots.txt of both. */
  readonly robots: { readonly before: string; readonly after: string };
}

/** Pages that differ between two versions, whose excerpts a plan needs. */
export function differingPages({ before, after, isPage }: Pick<Versions, 'before' | 'after' | 'isPage'>): {
  readonly before: readonly string[];
  readonly after: readonly string[];
} {
  const differing = (one: ReadonlyMap<string, string>, other: ReadonlyMap<string, string>): string[] =>
    [...one].flatMap(([path, hash]) => (isPage(path) && other.get(path) !== hash ? [path] : []));
  return { before: differing(before, after), after: differing(after, before) };
}

/** Whether two versions are the same, byte for byte. */
export function isSameVersion(before: ReadonlyMap<string, string>, after: ReadonlyMap<string, string>): boolean {
  return before.size === after.size && [...before].every(([path, hash]) => after.get(path) === hash);
}

/** What bringing a new version in would do: the owner's words stay on top, unless the new source says them, or says something else of its own. */
export function planMerge(versions: Versions): MergePlan {
  const { document, version, before, after, isPage, excerptsBefore, excerptsAfter } = versions;
  const led = leadingOn(versions);
  // A page that only leads on is not the page that stood there before.
  const there = (id: PageId): boolean => after.has(id) && !led.has(id);
  const gonePages = [...excerptsBefore.values()].filter(({ id }) => !there(id));
  const freshPages = [...excerptsAfter.values()].filter(({ id }) => !before.has(id));
  const moved = pairPages(document, gonePages, freshPages, led);
  const stayed = [...excerptsBefore.values()].flatMap((page): Pair[] => {
    const now = led.has(page.id) ? undefined : excerptsAfter.get(page.id);
    return now ? [{ before: page, after: now, by: 'address' }] : [];
  });
  const pairs = [...stayed, ...moved];
  const found = pairs.flatMap((pair) => threeWays(document, pair));
  const all = [...found, ...robotsWays(versions)];
  const goneFrom = new Set(moved.map((pair) => pair.before.id));
  const freshTo = new Set(moved.map((pair) => pair.after.id));
  const gone = gonePages.flatMap(({ id }) => (goneFrom.has(id) || (led.has(id) && wordsOf(document, id) === 0) ? [] : [{ id, words: wordsOf(document, id) }]));
  const goneWords = gone.reduce((sum, { words }) => sum + words, 0);
  const of = (sort: Sorted['sort']): ThreeWays[] => all.filter((one) => one.sort === sort).map(({ sort: _, ...one }) => one);
  const [settled, conflicts, homeless] = [of('settled'), of('conflict'), of('homeless')];
  const assets = (one: ReadonlyMap<string, string>, differs: (path: string, hash: string) => boolean): number =>
    [...one].filter(([path, hash]) => !isPage(path) && differs(path, hash)).length;
  const pages = [...before.keys()].filter(isPage);
  return {
    version,
    pages: {
      same: pages.filter((id) => after.get(id) === before.get(id)).length,
      changed: stayed.map((pair) => pair.after.id),
      added: freshPages.flatMap(({ id }) => (freshTo.has(id) ? [] : [id])),
      moved: moved.map((pair) => ({ from: pair.before.id, to: pair.after.id, by: pair.by })),
      gone,
    },
    files: {
      added: assets(after, (path) => !before.has(path)),
      changed: assets(after, (path, hash) => before.has(path) && before.get(path) !== hash),
      gone: assets(before, (path) => !after.has(path)),
    },
    kept: totalWords(document) - settled.length - conflicts.length - homeless.length - goneWords,
    settled,
    conflicts,
    homeless,
    shifted: of('shifted'),
    kinds: pairs.flatMap(({ before: old, after: now }) =>
      old.kind === now.kind || document.tables.pages[old.id]?.kind ? [] : [{ page: now.id, from: old.kind, to: now.kind }],
    ),
    alike: pairs.flatMap(({ before: old, after: now }) =>
      old.words === '' || old.words !== now.words || old.hash === now.hash ? [] : [{ page: now.id, hash: document.tables.source[old.id]?.like ?? old.hash }],
    ),
  };
}

/**
 * Pages of the earlier version at whose address there is now one that only leads on, and the page of the new version that it leads to, whichever of its
 * spellings the way there is written in, and over however many others that lead on.
 */
function leadingOn({ document, after, isPage, excerptsBefore, excerptsAfter }: Versions): ReadonlyMap<PageId, PageId> {
  const came = document.tables.facts['']?.cameAs;
  const cameAs = came ? new URL(came).host : undefined;
  const next = (id: PageId): PageId | undefined => {
    const leadsTo = excerptsAfter.get(id)?.leadsTo;
    const path = leadsTo === undefined ? undefined : linkedPath(leadsTo, addressOf(id), siteHost(document), cameAs);
    const place = path === undefined ? undefined : resolvePath(path, (file) => after.has(file) && isPage(file));
    return place === undefined || place.kind === 'nothing' ? undefined : (place.file as PageId);
  };
  return new Map(
    [...excerptsAfter.keys()].flatMap((id) => {
      if (!excerptsBefore.has(id) || excerptsBefore.get(id)?.leadsTo !== undefined) return [];
      const way = new Set([id]);
      for (let to = next(id); to !== undefined && !way.has(to); to = next(to)) {
        if (excerptsAfter.get(to)?.leadsTo === undefined) return [[id, to] as const];
        way.add(to);
      }
      return [];
    }),
  );
}

type Sorted = ThreeWays & { readonly sort: 'settled' | 'conflict' | 'homeless' | 'shifted' | 'kept' };

/** Everything the owner changed on a page that its source says too, three ways. */
function threeWays(document: SiteDocument, { before, after }: Pair): Sorted[] {
  const own = document.tables.pages[before.id];
  const fields = SAID_FIELDS.flatMap((what): Sorted[] => {
    const mine = own?.[what];
    if (typeof mine !== 'string') return [];
    const [base, theirs] = [before.says[what] ?? '', after.says[what] ?? ''];
    return [{ ...ways(before.id, after.id, what, -1, -1), base, mine, theirs, sort: sortOf(base, mine, theirs) }];
  });
  const passages = passagesOf(document, before.id);
  const places = passages.length > 0 ? passagePlaces(before.passages, after.passages) : new Map<number, NewPlace>();
  const words = passages.map(({ start, was, now }) => placed(before.id, after.id, 'passage', start, was, now ?? was, places.get(start), after));
  const alts = altsOf(document, before.id);
  const spots = alts.length > 0 ? picturePlaces(before.pictures, after.pictures) : new Map<number, NewPlace>();
  const pictures = alts.map(({ start, was, now }) => placed(before.id, after.id, 'alt', start, was ?? '', now, spots.get(start), after));
  return [...fields, ...words, ...pictures];
}

/** What becomes of the owner's word where the source says the thing too. */
export function sortOf(base: string, mine: string, theirs: string): 'settled' | 'conflict' | 'kept' {
  if (collapse(theirs) === collapse(mine)) return 'settled';
  return collapse(theirs) === collapse(base) ? 'kept' : 'conflict';
}

function placed(
  before: string,
  page: PageId,
  what: 'passage' | 'alt',
  from: number,
  base: string,
  mine: string,
  place: NewPlace | undefined,
  after: PageExcerpt,
): Sorted {
  const one = { ...ways(before, page, what, from, from), base, mine, theirs: base };
  // The new page may say what the owner wanted without saying what stood there before.
  const said = place?.found !== 'same' && what === 'passage' && mine !== base && after.passages.some(({ text }) => text === mine);
  if (said) return { ...one, theirs: mine, sort: 'settled' };
  if (place === undefined || place.found === 'gone') return { ...one, to: -1, theirs: '', sort: 'homeless' };
  if (place.found === 'same') return { ...one, to: place.start, sort: place.start === from && page === before ? 'kept' : 'shifted' };
  const { start, theirs } = place;
  return { ...one, to: start, theirs, sort: theirs === mine ? 'settled' : 'conflict' };
}

const ways = (
  before: string,
  page: PageId,
  what: ThreeWays['what'],
  from: number,
  to: number,
): Pick<ThreeWays, 'key' | 'before' | 'page' | 'what' | 'from' | 'to'> => ({
  key: `${before}\n${what}${from < 0 ? '' : ` ${from}`}`,
  before,
  page,
  what,
  from,
  to,
});

function robotsWays({ document, robots: { before, after } }: Versions): Sorted[] {
  const mine = document.tables.robots['']?.text;
  if (typeof mine !== 'string' || before === after) return [];
  return [{ ...ways('robots.txt', 'robots.txt', 'robots', -1, -1), base: before, mine, theirs: after, sort: after === mine ? 'settled' : 'conflict' }];
}

/** Words of the owner about one page that sources say too. */
function wordsOf(document: SiteDocument, id: PageId): number {
  const own = document.tables.pages[id];
  return SAID_FIELDS.filter((field) => typeof own?.[field] === 'string').length + passagesOf(document, id).length + altsOf(document, id).length;
}

function totalWords({ tables: { pages, passages, alts, robots } }: SiteDocument): number {
  const fields = Object.values(pages).reduce((sum, own) => sum + SAID_FIELDS.filter((field) => typeof own[field] === 'string').length, 0);
  const words = Object.values(passages).filter(({ was }) => typeof was === 'string').length;
  const pictures = Object.values(alts).filter(({ now }) => typeof now === 'string').length;
  return fields + words + pictures + Number(typeof robots['']?.text === 'string');
}
