import { changedBySnippet, readSource, type Saying, type SnippetPlace } from '../../core/page/index.ts';
import { decodeSource, type PageId, type SourceText } from '../../core/source/index.ts';
import type { BytesOf } from './export-site.ts';

/** How a snippet fits the site's own pages at one place: how many were tried, and those that would say something else, with what that is. */
export interface SnippetFit {
  readonly tried: number;
  readonly unfit: readonly { readonly id: PageId; readonly changes: readonly Saying[] }[];
}
export type SnippetFits = Readonly<Record<SnippetPlace, SnippetFit>>;

/** Frames that are tried; a site made by tools has a handful. */
const MOST_FRAMES = 24;
/** Tags at the beginning and at the end of a page by which its frame is told. */
const [FIRST, LAST] = [40, 12];

/** Tries a snippet on one page of each frame that pages have, read by the tree with scripts and without. */
export function snippetFits(code: string, pages: ReadonlyMap<PageId, SourceText>): SnippetFits {
  const fit = (place: SnippetPlace): SnippetFit => {
    const unfit = [...pages].flatMap(([id, source]) => {
      const reading = readSource(source);
      const changes: readonly Saying[] = reading.ok ? changedBySnippet(source, reading.facts, { kind: 'snippet', id: '', place, code }) : ['structure'];
      return changes.length === 0 ? [] : [{ id, changes }];
    });
    return { tried: pages.size, unfit };
  };
  return { 'head-start': fit('head-start'), 'head-end': fit('head-end'), 'body-start': fit('body-start'), 'body-end': fit('body-end') };
}

/** One page of each frame, those of the commonest first. */
export async function pagesOfFrames(ids: readonly PageId[], bytesOf: BytesOf, hashes: ReadonlyMap<string, string>): Promise<ReadonlyMap<PageId, SourceText>> {
  const frames = new Map<string, { readonly id: PageId; readonly source: SourceText; count: number }>();
  for (const id of ids) {
    const bytes = await bytesOf(id, hashes.get(id) ?? '');
    if (!bytes) continue;
    const source = decodeSource(bytes);
    const key = frameKey(source.text);
    const known = frames.get(key);
    if (known) known.count++;
    else frames.set(key, { id, source, count: 1 });
  }
  const most = [...frames.values()].sort((a, b) => b.count - a.count).slice(0, MOST_FRAMES);
  return new Map(most.map(({ id, source }) => [id, source]));
}

/** What the frame of a page is told by: its first tags and its last ones. */
function frameKey(text: string): string {
  const tags = text.match(/<[!/]?[a-z][a-z0-9]*/gi) ?? [];
  return [...tags.slice(0, FIRST), '', ...tags.slice(-LAST)].join('').toLowerCase();
}
