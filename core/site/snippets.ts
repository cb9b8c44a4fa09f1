import type { SnippetEdit, SnippetPlace } from '../page/index.ts';
import type { SiteDocument } from './document.ts';
import type { SitePage } from './page.ts';

/** Somebody's code that the owner placed on pages. */
export interface Snippet {
  readonly id: string;
  readonly name: string;
  readonly code: string;
  readonly place: SnippetPlace;
  /** The kinds of pages that have it, the pages by their files, or all. */
  readonly on: 'all' | ReadonlySet<string>;
  readonly by: 'all' | 'kinds' | 'pages';
  readonly off: boolean;
}

const known = new WeakMap<object, readonly Snippet[]>();
/** All snippets, in the order in which they stand in pages. A table is read once, however many pages ask. */
export function snippetsOf({ tables: { snippets } }: Pick<SiteDocument, 'tables'>): readonly Snippet[] {
  const found = known.get(snippets) ?? readSnippets(snippets);
  known.set(snippets, found);
  return found;
}

function readSnippets(snippets: SiteDocument['tables']['snippets']): Snippet[] {
  return Object.entries(snippets)
    .sort(([a, one], [b, other]) => (one.order ?? 0) - (other.order ?? 0) || (a < b ? -1 : 1))
    .flatMap(([id, { name, code, place, by, on, off }]) => {
      if (!code) return [];
      const sort = by ?? 'all';
      const chosen = sort === 'all' ? ('all' as const) : new Set((on ?? '').split('\n').filter(Boolean));
      return [{ id, name: name ?? '', code, place: place ?? 'head-end', by: sort, on: chosen, off: off === true }];
    });
}

/** Whether a page is one of those that are to have a snippet, whether it is on or not. */
export function isFor(snippet: Pick<Snippet, 'by' | 'on'>, page: Pick<SitePage, 'id' | 'kind'>): boolean {
  if (snippet.on === 'all') return true;
  return snippet.on.has(snippet.by === 'kinds' ? page.kind : page.id);
}

/** What snippets write into a page. */
export function snippetEdits(document: SiteDocument, page: SitePage): SnippetEdit[] {
  return snippetsOf(document).flatMap((snippet) =>
    snippet.off || !isFor(snippet, page) ? [] : [{ kind: 'snippet', id: snippet.id, place: snippet.place, code: snippet.code }],
  );
}
