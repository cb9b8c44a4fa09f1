import type { FilePath } from '../../core/source/index.ts';
import type { PageRow } from '../../core/rows/index.ts';

/** Rows that became others since all were put in order: with more than these they are put in order anew. */
const MOST_OVER = 800;

/**
 * The rows of the open site by the files of their pages. It never changes: each piece of news makes another, which keeps the many rows that are what they were in one table, and what
 * became another over it.
 */
export class PageRows {
  private constructor(
    private readonly base: ReadonlyMap<string, PageRow>,
    private readonly over: ReadonlyMap<string, PageRow>,
  ) {}

  static of(rows: Iterable<PageRow>): PageRows {
    return new PageRows(new Map([...rows].map((row) => [row.id, row])), new Map());
  }

  get size(): number {
    return this.base.size;
  }

  has(id: FilePath): boolean {
    return this.base.has(id);
  }

  get(id: FilePath): PageRow | undefined {
    return this.over.get(id) ?? this.base.get(id);
  }

  /** The same with these in place of those of the same pages, or besides. */
  with(rows: readonly PageRow[]): PageRows {
    const over = new Map([...this.over, ...rows.map((row) => [row.id, row] as const)]);
    if (over.size <= MOST_OVER && rows.every(({ id }) => this.base.has(id))) return new PageRows(this.base, over);
    return new PageRows(new Map([...this.base, ...over]), new Map());
  }
}

export const NO_ROWS = PageRows.of([]);
