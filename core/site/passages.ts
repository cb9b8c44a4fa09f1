import type { PageId } from '../source/index.ts';
import { z } from 'zod';
import { spareHeadings, type PageFacts } from '../page/index.ts';
import type { SiteDocument } from './document.ts';

/** The key of a place in a page's source: a file never holds a line feed, and the source does not move under the owner's changes. */
export function passageKey(page: PageId, start: number): string {
  return `${page}\n${start}`;
}

/** The key of a finding that is let be, or of a ticked field. */
export function pageKey(page: PageId, what: string): string {
  return `${page}\n${what}`;
}

/** A link set on words of a passage: the words, which occurrence of them (from 0), and where it leads. */
export interface SetLink {
  readonly words: string;
  readonly nth: number;
  readonly href: string;
}

const linksSchema = z.array(z.strictObject({ words: z.string().min(1).max(500), nth: z.number().int().min(0), href: z.string().min(1).max(2048) })).max(50);

export const writeLinks = (links: readonly SetLink[]): string | null => (links.length === 0 ? null : JSON.stringify(links));

/** Links as they are kept; none where they cannot be read. */
export function readLinks(kept: string | null | undefined): readonly SetLink[] {
  if (!kept) return [];
  try {
    const parsed = linksSchema.safeParse(JSON.parse(kept));
    return parsed.success ? parsed.data : [];
  } catch {
    return [];
  }
}

/** The owner's changes of what a page shows, by where they stand in its source. */
export function passagesOf(
  document: SiteDocument,
  page: PageId,
): { readonly start: number; readonly was: string; readonly now: string | null; readonly links: readonly SetLink[] }[] {
  return entriesOf(document.tables.passages, page).flatMap(([start, { was, now, links }]) =>
    was === null || was === undefined ? [] : [{ start, was, now: now ?? null, links: readLinks(links) }],
  );
}

export function altsOf(document: SiteDocument, page: PageId): { readonly start: number; readonly was: string | null; readonly now: string }[] {
  return entriesOf(document.tables.alts, page).flatMap(([start, { was, now }]) =>
    now === null || now === undefined ? [] : [{ start, was: was ?? null, now }],
  );
}

const grouped = new WeakMap<object, ReadonlyMap<string, [number, unknown][]>>();

/** A table's records by page; each state of a table is sorted once, however many pages ask. */
function entriesOf<R>(table: Readonly<Record<string, R>>, page: PageId): [number, R][] {
  let groups = grouped.get(table);
  if (!groups) {
    const made = new Map<string, [number, unknown][]>();
    for (const [key, record] of Object.entries(table)) {
      const at = key.lastIndexOf('\n');
      const entries = made.get(key.slice(0, at)) ?? [];
      entries.push([Number(key.slice(at + 1)), record]);
      made.set(key.slice(0, at), entries);
    }
    grouped.set(table, (groups = made));
  }
  return (groups.get(page) ?? []) as [number, R][];
}

/** Whether a page is to say in which encoding it is written: it says nothing of it, and the owner wants it said. */
export function needsCharset(document: SiteDocument, facts: PageFacts): boolean {
  return facts.encoding.from === 'guess' && document.tables.facts['']?.sayCharset === true;
}

/** A page's facts as they will be once the owner's changes of its own words are written into it. */
export function effectiveFacts(document: SiteDocument, page: PageId, facts: PageFacts): PageFacts {
  const words = new Map(passagesOf(document, page).flatMap(({ start, now }) => (now === null ? [] : [[start, now] as const])));
  const pictures = new Map(altsOf(document, page).map(({ start, now }) => [start, now]));
  const says = needsCharset(document, facts);
  const own = document.tables.pages[page];
  const spare = own?.oneHeading === true ? new Set(spareHeadings(facts)) : undefined;
  if (words.size === 0 && pictures.size === 0 && !says && !own?.lang && own?.oneTitle !== true && !spare) return facts;
  return {
    ...facts,
    encoding: says ? { ...facts.encoding, from: 'meta' } : facts.encoding,
    lang: own?.lang ?? facts.lang,
    titles: own?.oneTitle === true ? facts.titles.slice(0, 1).map((title) => ({ ...title, inHead: true })) : facts.titles,
    headings: facts.headings.map((heading) => ({
      ...heading,
      text: words.get(heading.tag.start) ?? heading.text,
      level: spare?.has(heading) ? 2 : heading.level,
    })),
    paragraphs: facts.paragraphs.map((paragraph, index) => words.get(facts.paragraphStarts[index] ?? -1) ?? paragraph),
    images: pictures.size > 0 ? facts.images.map((image) => ({ ...image, alt: pictures.get(image.tag.start) ?? image.alt })) : facts.images,
  };
}
