import { partOfPage, snippetStands } from '../../core/page/index.ts';
import { isFor, type Snippet } from '../../core/site/index.ts';
import type { PageRow } from '../../core/rows/index.ts';
import { decodeSource } from '../../core/source/index.ts';
import type { BytesOf } from './export-site.ts';

/** How a snippet stands in the pages as they were brought in: by their ids, those that have it already as they should, twice, in the wrong part, or not meant for them. */
export interface SnippetReport {
  readonly there: readonly string[];
  readonly twice: readonly string[];
  readonly elsewhere: readonly string[];
  readonly beside: readonly string[];
}

/** Looks for each snippet in each page's source. */
export async function snippetReports(
  snippets: readonly Snippet[],
  rows: readonly Pick<PageRow, 'id' | 'kind'>[],
  bytesOf: BytesOf,
  hashes: ReadonlyMap<string, string>,
): Promise<Readonly<Record<string, SnippetReport>>> {
  const found = new Map(snippets.map(({ id }) => [id, { there: [] as string[], twice: [] as string[], elsewhere: [] as string[], beside: [] as string[] }]));
  for (const row of snippets.length === 0 ? [] : rows) {
    const bytes = await bytesOf(row.id, hashes.get(row.id) ?? '');
    if (!bytes) continue;
    const { text } = decodeSource(bytes);
    for (const snippet of snippets) {
      const stands = snippetStands(text, snippet.code);
      const times = stands.head + stands.body;
      const report = found.get(snippet.id);
      if (!report || times === 0) continue;
      if (!isFor(snippet, row)) report.beside.push(row.id);
      else if (times > 1) report.twice.push(row.id);
      else (stands[partOfPage(snippet.place)] === 1 ? report.there : report.elsewhere).push(row.id);
    }
  }
  return Object.fromEntries(found);
}
