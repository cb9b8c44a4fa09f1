import { MARKUP_LIMITS, schemaName, type MarkupItem, type MarkupValue } from '../markup/index.ts';

type Node = Readonly<Record<string, unknown>>;

/** Most values that are kept of one page's markup. */
const MOST_VALUES = 1500;

/** Things as nodes of JSON-LD with the vocabulary's names, however they were written: nothing when there are more values than are kept. */
export function nodesOf(items: readonly MarkupItem[]): Node[] {
  let values = 0;
  const written = new Set<MarkupItem>();
  const node = (item: MarkupItem, depth: number): Node => {
    written.add(item);
    const made: Record<string, unknown> = {};
    if (item.types.length > 0) made['@type'] = item.types.length === 1 ? schemaName(item.types[0] as string) : item.types.map(schemaName);
    if (item.id !== undefined) made['@id'] = item.id;
    for (const [name, list] of item.properties) {
      const all = list.flatMap((value) => (++values > MOST_VALUES ? [] : (json(value, depth) ?? [])));
      if (all.length > 0) made[name] = all.length === 1 ? all[0] : all;
    }
    return made;
  };
  const json = (value: MarkupValue, depth: number): unknown => {
    switch (value.kind) {
      case 'text':
        return value.lang ? { '@value': value.text.trim(), '@language': value.lang } : value.text.replace(/\s+/g, ' ').trim();
      case 'number':
        return value.number;
      case 'boolean':
        return value.truth;
      case 'address':
        return /^https?:\/\/schema\.org\//.test(value.address) || !value.address.includes('#') ? value.address : { '@id': value.address };
      case 'item':
        if (written.has(value.item) || depth >= MARKUP_LIMITS.depth) return value.item.id === undefined ? undefined : { '@id': value.item.id };
        return node(value.item, depth + 1);
    }
  };
  const nodes = items.map((item) => node(item, 0));
  return values > MOST_VALUES ? [] : nodes;
}
