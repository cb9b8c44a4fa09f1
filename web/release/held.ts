import { canWait, fieldChanges, itemKey, type Held, type ReleaseItem } from '../../core/release/index.ts';

/** Whether an item goes, waits, or goes in part. */
export function goes(held: Held, item: ReleaseItem): 'all' | 'some' | 'none' {
  const kept = held[itemKey(item)];
  if (kept === undefined || kept.length === 0) return 'all';
  if (kept === 'whole') return 'none';
  return 'some';
}

/** Whether one field of a page goes. */
export function fieldGoes(held: Held, item: ReleaseItem, field: string): boolean {
  const kept = held[itemKey(item)] ?? [];
  return kept !== 'whole' && !kept.includes(field);
}

/** What is to wait, once a whole item goes or waits. */
export function withItem(held: Held, item: ReleaseItem, going: boolean): Held {
  const { [itemKey(item)]: _, ...rest } = held;
  return going ? rest : { ...rest, [itemKey(item)]: 'whole' };
}

/** What is to wait, once one field of a page goes or waits. A page of which nothing goes waits as a whole. */
export function withField(held: Held, item: ReleaseItem, field: string, going: boolean): Held {
  const fields = fieldChanges(item.edits, item.before).map(({ key }) => key);
  const kept = held[itemKey(item)] ?? [];
  const waiting = new Set(kept === 'whole' ? fields : kept);
  if (going) waiting.delete(field);
  else waiting.add(field);
  if (waiting.size === 0) return withItem(held, item, true);
  // Where the file itself is another one too, or new, that goes whatever its fields do.
  const whole = fields.every((key) => waiting.has(key)) && item.what === 'changed' && !item.source;
  return { ...withItem(held, item, true), [itemKey(item)]: whole ? 'whole' : [...waiting] };
}

/** Of what is to wait, that which still differs from what is out, and can wait still. */
export function stillHeld(held: Held, items: readonly ReleaseItem[]): Held {
  const there = new Map(items.map((item) => [itemKey(item), item]));
  return Object.fromEntries(
    Object.entries(held).flatMap(([key, what]): [string, Held[string]][] => {
      const item = there.get(key);
      if (!item || !canWait(item)) return [];
      if (what === 'whole') return [[key, what]];
      const fields = new Set(fieldChanges(item.edits, item.before).map((field) => field.key));
      const left = what.filter((field) => fields.has(field));
      if (left.length === 0) return [];
      // Of a page of which nothing is left to go all waits.
      return [[key, left.length === fields.size && item.what === 'changed' && !item.source ? 'whole' : left]];
    }),
  );
}

/** Whether something kept is what is to wait. */
export function isHeld(value: unknown): boolean {
  return (
    typeof value === 'object' &&
    value !== null &&
    !Array.isArray(value) &&
    Object.values(value).every((what) => what === 'whole' || (Array.isArray(what) && what.every((field) => typeof field === 'string')))
  );
}
