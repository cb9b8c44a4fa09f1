import { itemsWithin, schemaName, textOf, type MarkupItem } from '../markup/index.ts';

/** A thing as plain data: what rules for results are held against, whether it was read or is to be written. */
export interface PlainNode {
  readonly types: readonly string[];
  readonly id: string | undefined;
  /** Texts, and things: those inside it, or those that its ids name. */
  values(property: string): readonly (string | PlainNode)[];
  readonly place: { readonly start: number; readonly end: number } | undefined;
}

/** All things of a page that was read, ids followed. */
export function plainItems(items: readonly MarkupItem[]): PlainNode[] {
  const all = [...itemsWithin(items)];
  const byId = new Map<string, PlainNode>();
  const made = new Map<MarkupItem, PlainNode>();
  for (const item of all) {
    const node: PlainNode = {
      types: item.types.map(schemaName),
      id: item.id,
      place: { start: item.start, end: item.end },
      values: (property) =>
        (item.properties.get(property) ?? []).flatMap((value): (string | PlainNode)[] => {
          if (value.kind === 'item') return [made.get(value.item) ?? []].flat();
          if (value.kind === 'address') return [byId.get(value.address) ?? value.address];
          return [textOf(value)];
        }),
    };
    made.set(item, node);
    // Of things that say what they are and things that only name another, the first is meant.
    if (item.id !== undefined && (item.types.length > 0 || !byId.has(item.id)) && !((byId.get(item.id)?.types.length ?? 0) > 0)) byId.set(item.id, node);
  }
  return all.map((item) => made.get(item) as PlainNode);
}

type Written = Readonly<Record<string, unknown>>;
const isWritten = (value: unknown): value is Written => typeof value === 'object' && value !== null && !Array.isArray(value);

/** All things of a graph as we write it, ids followed. */
export function plainGraph(nodes: readonly Written[]): PlainNode[] {
  const byId = new Map<string, PlainNode>();
  const made = new Map<Written, PlainNode>();
  const all: PlainNode[] = [];
  const make = (written: Written): PlainNode => {
    const known = made.get(written);
    if (known) return known;
    const id = typeof written['@id'] === 'string' ? written['@id'] : undefined;
    const node: PlainNode = {
      types: [written['@type']].flat().filter((type): type is string => typeof type === 'string'),
      id,
      place: undefined,
      values: (property) =>
        [written[property]].flat().flatMap((value): (string | PlainNode)[] => {
          if (!isWritten(value)) return value === undefined || value === null ? [] : [String(value)];
          const named = typeof value['@id'] === 'string' && Object.keys(value).length === 1 ? value['@id'] : undefined;
          return [named === undefined ? make(value) : (byId.get(named) ?? named)];
        }),
    };
    made.set(written, node);
    if (id !== undefined) byId.set(id, node);
    all.push(node);
    for (const value of Object.values(written).flat()) if (isWritten(value) && '@type' in value) make(value);
    return node;
  };
  nodes.forEach(make);
  return all;
}

/** All values at a path such as `offers.price`, things inside things followed. */
export function valuesAt(node: PlainNode, path: string): readonly (string | PlainNode)[] {
  let now: readonly (string | PlainNode)[] = [node];
  for (const part of path.split('.')) now = now.flatMap((one) => (typeof one === 'string' ? [] : one.values(part)));
  return now;
}

/** The first text at a path; the name of a thing where one stands there. */
export function textAt(node: PlainNode, path: string): string | undefined {
  for (const value of valuesAt(node, path)) {
    const text = typeof value === 'string' ? value.trim() : (value.values('name').find((name) => typeof name === 'string') ?? '').toString().trim();
    if (text !== '') return text;
  }
  return undefined;
}
