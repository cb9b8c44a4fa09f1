import { all, set, type Change } from './changes.ts';
import type { SiteDocument } from './document.ts';
import { pathRules } from './page.ts';

/** The `order` that puts a new rule behind all of a table. */
export function orderBehind(rules: Readonly<Record<string, { readonly order?: number | null | undefined }>>): number {
  return Math.max(0, ...Object.values(rules).map((rule) => rule.order ?? 0)) + 1;
}

/**
 * The change that moves a rule to another place. `shown` are the rules among which it moves, in their order, `from` and `to` places among them; rules
 * that are not shown keep theirs.
 */
export function movedRule(document: SiteDocument, shown: readonly string[], from: number, to: number): Change {
  const moved = [...shown];
  moved.splice(to, 0, ...moved.splice(from, 1));
  const order = pathRules(document).map(({ id }) => (shown.includes(id) ? (moved.shift() ?? id) : id));
  return all(order.flatMap((id, at) => (document.tables.rules[id]?.order === at + 1 ? [] : [set('rules', id, 'order', at + 1)])));
}
