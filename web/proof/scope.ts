import type { PageRow } from '../../core/rows/index.ts';
import type { Kind, Snippet } from '../../core/site/index.ts';

/** On which pages something stands. */
export interface Scope {
  readonly by: Snippet['by'];
  /** Kinds, or pages by their files. */
  readonly on: readonly string[];
}

/** The same with one more, or one less. */
export const toggled = (scope: Scope, one: string): Scope => ({
  ...scope,
  on: scope.on.includes(one) ? scope.on.filter((other) => other !== one) : [...scope.on, one],
});

/** The kinds that the site's pages have, each with how many, in the order in which they come. */
export function kindsOf(rows: readonly PageRow[]): readonly (readonly [Kind, number])[] {
  const counts = new Map<Kind, number>();
  for (const { kind } of rows) counts.set(kind, (counts.get(kind) ?? 0) + 1);
  return [...counts];
}
