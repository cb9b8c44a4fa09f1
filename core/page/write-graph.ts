import type { Splice } from '../source/index.ts';
import { readDataBlock, type DataBlock, type DataNode } from './data-nodes.ts';
import { jsonLdScript, scriptJson } from './escape.ts';
import type { JsonLdFact } from './facts.ts';

/** A graph of nodes that are ours, told from others by their ids, which are whole addresses. */
export interface WrittenGraph {
  readonly '@context': string;
  readonly '@graph': readonly WrittenNode[];
}
interface WrittenNode {
  readonly '@id': string;
  readonly [property: string]: unknown;
}

/** A block of the page that has nodes of ours. */
interface Home {
  readonly fact: JsonLdFact;
  readonly block: DataBlock;
  readonly ours: readonly { readonly node: WrittenNode; readonly there: DataNode }[];
}

/** Whether a page says all that a graph says: a block that is all ours says it to the letter, a node among others says at least as much. */
export function saysGraph(blocks: readonly JsonLdFact[], graph: WrittenGraph): boolean {
  const { own, mixed, left } = placesFor(blocks, graph);
  if (left.length > 0 && !(own && same(JSON.parse(own.fact.text), { ...graph, '@graph': left }))) return false;
  return mixed.every(({ node, there }) => same(there.value, merged(there, node)));
}

/**
 * What to write so that a page says a graph. In a block with other nodes only ours are replaced, and they keep what else was said of them; all others go into
 * a block of our own, the one that is there or a new one, given by `insert`. Places are those of the text as it stands, line ends and all.
 */
export function graphSplices(text: string, blocks: readonly JsonLdFact[], graph: WrittenGraph, ascii: boolean, insert: (text: string) => Splice): Splice[] {
  const raw = blocks.map(({ content }) => ({ content, text: text.slice(content.start, content.end) }));
  const { own, mixed, left } = placesFor(raw, graph);
  const splices = mixed.flatMap(({ fact, node, there }): Splice[] => {
    const next = merged(there, node);
    const { start } = fact.content;
    return same(there.value, next) ? [] : [{ start: start + there.start, end: start + there.end, insert: scriptJson(next, ascii) }];
  });
  const rest = { ...graph, '@graph': left };
  if (left.length === 0 || (own && same(JSON.parse(own.fact.text), rest))) return splices;
  return [...splices, own ? { ...own.fact.content, insert: `\n${scriptJson(rest, ascii)}\n` } : insert(jsonLdScript(rest, ascii))];
}

/** Where the nodes of a graph have their places: in a block that is all ours, among others, or nowhere yet; `left` are those that ours has to say. */
function placesFor(blocks: readonly JsonLdFact[], graph: WrittenGraph) {
  const homes = homesOf(blocks, graph);
  const own = homes.find(({ block, ours }) => isAllOurs(block, ours));
  const mixed = graph['@graph'].flatMap((node) => {
    for (const { fact, ours } of homes) {
      const found = fact === own?.fact ? undefined : ours.find((one) => one.node === node);
      if (found) return [{ fact, ...found }];
    }
    return [];
  });
  const placed = new Set(mixed.map(({ node }) => node));
  return { own, mixed, left: graph['@graph'].filter((node) => !placed.has(node)) };
}

/** What is said of a thing, with what is ours in place of the old; a type of the page's own is kept, for it may be a closer one. */
function merged({ value }: DataNode, node: WrittenNode): Readonly<Record<string, unknown>> {
  return { ...value, ...node, ...('@type' in value ? { '@type': value['@type'] } : {}), '@id': value['@id'] };
}

function homesOf(blocks: readonly JsonLdFact[], graph: WrittenGraph): Home[] {
  return blocks.flatMap((fact) => {
    const block = readDataBlock(fact.text);
    if (!block?.schema) return [];
    const ours = graph['@graph'].flatMap((node) => block.nodes.filter(({ value }) => isCalled(value['@id'], node['@id'])).map((there) => ({ node, there })));
    return ours.length === 0 ? [] : [{ fact, block, ours }];
  });
}

/** Whether an id, which may be relative, is this one. The nodes are those of the home page, where ids begin with its address. */
function isCalled(id: unknown, whole: string): boolean {
  return typeof id === 'string' && (id === whole || (URL.canParse(id, whole) && new URL(id, whole).href === whole));
}

/** Whether a block has nodes of ours alone, of which nothing is said but what we say. */
function isAllOurs(block: DataBlock, ours: Home['ours']): boolean {
  return (
    block.onlyGraph &&
    block.nodes.length === new Set(ours.map(({ there }) => there)).size &&
    ours.every(({ node, there }) => same(there.value['@type'], node['@type']) && Object.keys(there.value).every((key) => OURS.has(key)))
  );
}

/** All that we ever say of the site and who is behind it. */
const OURS = new Set([
  '@type',
  '@id',
  'name',
  'url',
  'email',
  'telephone',
  'logo',
  'image',
  'sameAs',
  'alternateName',
  'description',
  'inLanguage',
  'publisher',
]);

/** Whether two values say the same, whatever the order of their properties. */
function same(a: unknown, b: unknown): boolean {
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return a === b;
  if (Array.isArray(a) || Array.isArray(b)) return Array.isArray(a) && Array.isArray(b) && a.length === b.length && a.every((one, at) => same(one, b[at]));
  const [one, other] = [a as Readonly<Record<string, unknown>>, b as Readonly<Record<string, unknown>>];
  const keys = Object.keys(one);
  return keys.length === Object.keys(other).length && keys.every((key) => Object.hasOwn(other, key) && same(one[key], other[key]));
}
