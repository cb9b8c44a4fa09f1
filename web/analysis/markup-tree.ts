import { pageTree, readMarkup, schemaName, textOf, type MarkupItem, type MarkupValue, type PageTree, type Syntax } from '../../core/markup/index.ts';
import type { PageFacts } from '../../core/page/index.ts';
import { lowerBound } from '../../core/source/index.ts';
import type { BroughtMarkup, MarkupFault } from '../../core/structured-data/index.ts';

/** A place in a page's source: line and column from 1, and the offset. */
export interface SourcePlace {
  readonly line: number;
  readonly column: number;
  readonly start: number;
  readonly end: number;
}

/** Structured data that a page came with, as a tree to be shown. Plain data. */
export interface MarkupTree {
  readonly things: readonly ThingNode[];
  readonly faults: readonly (MarkupFault & { readonly at: SourcePlace })[];
  /** More things than are shown. */
  readonly more: number;
}
export interface ThingNode {
  readonly types: readonly string[];
  readonly id: string | undefined;
  readonly syntax: Syntax;
  readonly at: SourcePlace;
  readonly properties: readonly { readonly name: string; readonly values: readonly (ThingNode | ValueNode)[] }[];
}
export interface ValueNode {
  readonly text: string;
  readonly isAddress: boolean;
  readonly at: SourcePlace;
}

/** Nodes of one page that are shown; longest text of one. */
const MOST = 600;
const LONGEST = 240;

/** Reads the structured data of a page as a tree. Undefined where there is none. */
export function markupTree(text: string, facts: PageFacts, address: string, brought: BroughtMarkup | undefined): MarkupTree | undefined {
  if (!brought) return undefined;
  let tree: PageTree | undefined;
  const { items } = readMarkup(text, facts, address, () => (tree ??= pageTree(text)));
  const place = placesIn(text);
  let left = MOST;
  const shown = new Set<MarkupItem>();
  const thing = (item: MarkupItem, depth: number): ThingNode => {
    left--;
    const repeats = shown.has(item) || depth > 12;
    shown.add(item);
    return {
      types: item.types.map(schemaName),
      id: item.id,
      syntax: item.syntax,
      at: place(item),
      properties: repeats
        ? []
        : [...item.properties].flatMap(([name, values]) =>
            left <= 0 ? [] : [{ name, values: values.flatMap((value) => (left <= 0 ? [] : [node(value, depth)])) }],
          ),
    };
  };
  const node = (value: MarkupValue, depth: number): ThingNode | ValueNode => {
    if (value.kind === 'item') return thing(value.item, depth + 1);
    left--;
    return { text: textOf(value).replace(/\s+/g, ' ').trim().slice(0, LONGEST), isAddress: value.kind === 'address', at: place(value) };
  };
  const things = items.flatMap((item) => (left <= 0 ? [] : [thing(item, 0)]));
  return { things, more: items.length - things.length, faults: brought.faults.map((fault) => ({ ...fault, at: place(fault) })) };
}

/** Tells line and column of places, in any order. */
export function placesIn(text: string): (range: { readonly start: number; readonly end: number }) => SourcePlace {
  const starts = [0];
  for (let at = text.indexOf('\n'); at >= 0; at = text.indexOf('\n', at + 1)) starts.push(at + 1);
  return ({ start, end }) => {
    const line = lowerBound(starts, (one) => one <= start);
    return { line, column: start - (starts[line - 1] as number) + 1, start, end };
  };
}
