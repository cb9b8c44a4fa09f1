import { changedBySnippet, readSource, type Saying, type SnippetPlace } from '../../core/page/index.ts';
import { decodeSource, type PageId, type SourceText } from '../../core/source/index.ts';
import type { StoredFile } from '../storage/index.ts';
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
  const readings = [...pages].map(([id, source]) => ({ id, source, reading: readSource(source) }));
  const fit = (place: SnippetPlace): SnippetFit => {
    const unfit = readings.flatMap(({ id, source, reading }) => {
      const changes: readonly Saying[] = reading.ok ? changedBySnippet(source, reading.facts, { kind: 'snippet', id: '', place, code }) : ['structure'];
      return changes.length === 0 ? [] : [{ id, changes }];
    });
    return { tried: pages.size, unfit };
  };
  return { 'head-start': fit('head-start'), 'head-end': fit('head-end'), 'body-start': fit('body-start'), 'body-end': fit('body-end') };
}

/** What frame each page has, for as long as the files are these: a snippet is tried at every pause in typing. */
const frames = new WeakMap<readonly StoredFile[], Map<PageId, string>>();

/** One page of each frame, those of the commonest first. */
export async function pagesOfFrames(ids: readonly PageId[], files: readonly StoredFile[], bytesOf: BytesOf): Promise<ReadonlyMap<PageId, SourceText>> {
  const hashes = new Map(files.map(({ path, hash }) => [path, hash]));
  const read = async (id: PageId): Promise<SourceText | undefined> => {
    const bytes = await bytesOf(id, hashes.get(id) ?? '');
    return bytes && decodeSource(bytes);
  };
  const known = frames.get(files) ?? new Map<PageId, string>();
  frames.set(files, known);
  const found = new Map<string, { readonly id: PageId; count: number }>();
  for (const id of ids) {
    const source = known.has(id) ? undefined : await read(id);
    if (source) known.set(id, frameKey(source.text));
    const key = known.get(id);
    if (key === undefined) continue;
    const frame = found.get(key) ?? { id, count: 0 };
    found.set(key, { ...frame, count: frame.count + 1 });
  }
  const most = [...found.values()].sort((a, b) => b.count - a.count).slice(0, MOST_FRAMES);
  const pages = await Promise.all(most.map(async ({ id }) => [id, await read(id)] as const));
  return new Map(pages.flatMap(([id, source]) => (source ? [[id, source] as const] : [])));
}

/** What the frame of a page is told by: its first tags and its last ones. */
function frameKey(text: string): string {
  const tags = text.match(/<[!/]?[a-z][a-z0-9]*/gi) ?? [];
  return [...tags.slice(0, FIRST), '', ...tags.slice(-LAST)].join('').toLowerCase();
}
