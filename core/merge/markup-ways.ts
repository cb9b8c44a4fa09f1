import type { PageId } from '../source/index.ts';
import type { SiteDocument } from '../site/index.ts';
import type { ValueName } from '../structured-data/index.ts';
import { sortOf, type MergePlan, type ThreeWays } from './plan.ts';

/** Values of structured data that the owner says for a page, as far as they are words and not left out. */
export function ownValues({ tables: { markup } }: Pick<SiteDocument, 'tables'>): ReadonlyMap<PageId, readonly (ValueName & { readonly mine: string })[]> {
  const found = new Map<PageId, (ValueName & { readonly mine: string })[]>();
  for (const [key, { value, leftOut }] of Object.entries(markup)) {
    const at = key.lastIndexOf('\n');
    const [page, name] = [key.slice(0, at), key.slice(at + 1)];
    const dot = name.indexOf('.');
    if (!value || value.trim() === '' || leftOut === true || dot < 0) continue;
    found.set(page, [...(found.get(page) ?? []), { processor: name.slice(0, dot), path: name.slice(dot + 1), mine: value }]);
  }
  return found;
}

/** The pages of a plan that are another file or say something else now, and of which the owner says values: where each was and is. */
export function pagesWithValues(plan: MergePlan, own: ReadonlyMap<PageId, unknown>): readonly { readonly before: PageId; readonly page: PageId }[] {
  const pairs = [...plan.pages.changed.map((id) => ({ before: id, page: id })), ...plan.pages.moved.map(({ from, to }) => ({ before: from, page: to }))];
  return pairs.filter(({ before }) => own.has(before));
}

/**
 * A plan with the values of structured data that the owner says and the page says as well, three ways. `said` tells what a page says for values, in the
 * earlier version and in the new one, in the order of the owner's values.
 */
export function withValues(
  plan: MergePlan,
  own: ReturnType<typeof ownValues>,
  said: readonly { readonly before: PageId; readonly page: PageId; readonly base: readonly string[]; readonly theirs: readonly string[] }[],
): MergePlan {
  const found: Record<ReturnType<typeof sortOf>, ThreeWays[]> = { settled: [], conflict: [], kept: [] };
  for (const { before, page, base, theirs } of said)
    for (const [at, { processor, path, mine }] of (own.get(before) ?? []).entries()) {
      const [was, is] = [base[at] ?? '', theirs[at] ?? ''];
      const value = `${processor}.${path}`;
      found[sortOf(was, mine, is)].push({
        key: `${before}\nmarkup ${value}`,
        before,
        page,
        what: 'markup',
        value,
        from: -1,
        to: -1,
        base: was,
        mine,
        theirs: is,
      });
    }
  return { ...plan, kept: plan.kept + found.kept.length, settled: [...plan.settled, ...found.settled], conflicts: [...plan.conflicts, ...found.conflict] };
}
