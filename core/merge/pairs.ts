import type { FilePath } from '../source/index.ts';
import { addressOf, effectiveFile, endingOf, type SiteDocument } from '../site/index.ts';
import { alike, type PageExcerpt } from './excerpt.ts';

/** A page of the earlier version and what it is in the new one. */
export interface Pair {
  readonly before: PageExcerpt;
  readonly after: PageExcerpt;
  /** By what they were found to be the same page. */
  readonly by: 'address' | 'new-address' | 'redirect' | 'words' | 'likeness' | 'name';
}

/** Share of runs of words from which two pages are the same page; with the same heading or name less will do. */
const ALIKE = 0.45;
const ALIKE_NAMED = 0.15;
/** A run of words that so many pages have tells nothing. */
const COMMON = 40;

/**
 * Finds what became of the pages whose address is gone: at the address the owner gave them; where a page leads that stands at the old address now (`led`, by
 * the old page); with the very same words; with many of the same words; with the
 * same heading and the same last part of the address. No page is taken twice, and where two could be meant by their words alone neither is.
 */
export function pairPages(
  document: SiteDocument,
  gone: readonly PageExcerpt[],
  fresh: readonly PageExcerpt[],
  led: ReadonlyMap<string, string> = new Map(),
): Pair[] {
  const pairs: Pair[] = [];
  const left = new Map(gone.map((page) => [page.id, page]));
  const free: Map<FilePath, PageExcerpt> = new Map(fresh.map((page) => [page.id, page]));
  const join = (before: PageExcerpt, after: PageExcerpt | undefined, by: Pair['by']): void => {
    if (!after || !left.has(before.id) || !free.has(after.id)) return;
    left.delete(before.id);
    free.delete(after.id);
    pairs.push({ before, after, by });
  };
  for (const page of gone) join(page, free.get(effectiveFile(document, page.id)), 'new-address');
  for (const page of gone) join(page, free.get(led.get(page.id) ?? ''), 'redirect');
  const byWords = uniqueBy([...free.values()], ({ words }) => words);
  const gonByWords = uniqueBy([...left.values()], ({ words }) => words);
  for (const [words, page] of gonByWords) join(page, byWords.get(words), 'words');
  for (const { before, after } of likest([...left.values()], [...free.values()])) join(before, after, 'likeness');
  const byName = uniqueBy([...free.values()], nameOf);
  for (const [name, page] of uniqueBy([...left.values()], nameOf)) join(page, byName.get(name), 'name');
  return pairs;
}

/** What is the only one with its key; the empty key is none. */
function uniqueBy(pages: readonly PageExcerpt[], keyOf: (page: PageExcerpt) => string): Map<string, PageExcerpt> {
  const found = new Map<string, PageExcerpt | undefined>();
  for (const page of pages) {
    const key = keyOf(page);
    if (key !== '') found.set(key, found.has(key) ? undefined : page);
  }
  return new Map([...found].flatMap(([key, page]) => (page ? [[key, page] as const] : [])));
}

const nameOf = ({ heading, id }: PageExcerpt): string => {
  const ending = endingOf(addressOf(id)).toLowerCase();
  return heading === '' || ending === '' ? '' : `${heading.toLowerCase()}\n${ending}`;
};

/** Pairs that have enough words in common, likest first. In time proportional to the pages and their runs of words. */
function likest(gone: readonly PageExcerpt[], fresh: readonly PageExcerpt[]): { before: PageExcerpt; after: PageExcerpt }[] {
  const having = new Map<number, PageExcerpt[]>();
  for (const page of fresh) for (const run of page.sketch) (having.get(run) ?? having.set(run, []).get(run))?.push(page);
  const found: { before: PageExcerpt; after: PageExcerpt; score: number }[] = [];
  for (const before of gone) {
    const candidates = new Set(before.sketch.flatMap((run) => ((having.get(run)?.length ?? COMMON) < COMMON ? (having.get(run) ?? []) : [])));
    for (const after of candidates) {
      const score = alike(before.sketch, after.sketch);
      const named = (before.heading !== '' && before.heading === after.heading) || endingOf(addressOf(before.id)) === endingOf(addressOf(after.id));
      if (score >= (named ? ALIKE_NAMED : ALIKE)) found.push({ before, after, score: score + (named ? 1 : 0) });
    }
  }
  return found.sort((a, b) => b.score - a.score || (a.before.id < b.before.id ? -1 : 1));
}
