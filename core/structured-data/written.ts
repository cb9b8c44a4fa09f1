import type { BroughtMarkup } from './brought.ts';
import { openGaps, plainGraph, type ResultGap } from '../results/index.ts';
import type { MarkupInput } from './field.ts';
import { identityGraph, ownerId } from './identity.ts';
import type { WrittenGraph } from '../page/index.ts';
import type { GraphNode } from './node.ts';
import { graphOf, isMarkupOn, pageMarkup } from './page-graph.ts';

/** What becomes of the structured data that a page came with. */
export type ForeignMarkup = 'leave' | 'take' | 'remove';

/** The structured data of a page as it will go out. */
export interface WrittenMarkup {
  /** What is written; undefined where nothing is. */
  readonly graph: WrittenGraph | undefined;
  /** What the page came with goes. */
  readonly without: boolean;
  /** What the page is said to be, by types of the vocabulary; empty where nothing is written. */
  readonly is: readonly string[];
  /** What its things lack for a result, at each engine. */
  readonly gaps: readonly ResultGap[];
  /** Paths whose value the owner typed in a form that cannot be taken. */
  readonly misfits: readonly string[];
}

const NOTHING: WrittenMarkup = { graph: undefined, without: false, is: [], gaps: [], misfits: [] };

/** The owner's choice for what a page came with: its own, else its kind's, else to leave it. What is more than is kept of it cannot be taken over, and stays. */
export function foreignMarkup({ document, page }: Pick<MarkupInput, 'document' | 'page'>, brought: BroughtMarkup | undefined): ForeignMarkup {
  if (brought === undefined) return 'leave';
  const choice = document.tables.pages[page.id]?.foreignMarkup ?? document.tables.kinds[page.kind]?.foreignMarkup ?? 'leave';
  return choice === 'take' && brought.things.length > 0 && brought.nodes.length === 0 ? 'leave' : choice;
}

/**
 * The structured data of a page as it will go out. `waiting`: what the page says is not known yet, and it stays as the last release had it.
 */
export function markupOf(input: MarkupInput, brought: BroughtMarkup | undefined, waiting?: { readonly released: WrittenGraph | undefined }): WrittenMarkup {
  const foreign = foreignMarkup(input, brought);
  const without = foreign !== 'leave';
  if (!isMarkupOn(input)) {
    const graph = input.page.isHome ? identityGraph(input.document) : undefined;
    return graph || without ? { ...NOTHING, graph, without: foreign === 'remove' } : NOTHING;
  }
  if (waiting) return { ...NOTHING, graph: waiting.released ?? (input.page.isHome ? identityGraph(input.document) : undefined) };
  const kept = foreign === 'leave' ? (brought?.things ?? []) : [];
  const made = pageMarkup(input, kept);
  const own = ownNodes(input);
  const nodes = own.length > 0 ? joined(made.nodes, own, true) : made.nodes;
  const taken = foreign === 'take' && brought ? joined(nodes, takenNodes(brought, input.address)) : nodes;
  if (taken.length === 0) return { ...NOTHING, without };
  const graph = graphOf({ ...made, nodes: taken });
  return {
    graph,
    without,
    is: made.choice.off ? [] : [...new Set([...made.things.map(({ processor }) => processor.type), ...(made.trail.length > 1 ? ['BreadcrumbList'] : [])])],
    gaps: pageGaps(input, taken),
    misfits: made.things.flatMap(({ processor, fields }) =>
      fields.flatMap(({ field, misfit }) => (misfit === undefined ? [] : [`${processor.id}.${field.path}`])),
    ),
  };
}

/** What the things of a page lack for a result. Who is behind the site is told in full on the home page alone, and lacks nothing elsewhere. */
export function pageGaps({ page, document }: MarkupInput, nodes: readonly GraphNode[]): ResultGap[] {
  return openGaps(plainGraph(page.isHome ? nodes : nodes.filter((node) => node['@id'] !== ownerId(document))));
}

/** What the page came with, taken over: as it was read, with ids where it had none. */
function takenNodes({ nodes }: BroughtMarkup, address: string): GraphNode[] {
  return nodes.map((node, at) => ({ ...node, '@id': typeof node['@id'] === 'string' ? node['@id'] : `${address}#taken-${at + 1}` }) as GraphNode);
}

/** The owner's own words for the page: its block, and that of its kind, whose values the page's go before. */
function ownNodes({ document, page, address }: MarkupInput): GraphNode[] {
  const ofPage = blockNodes(document.tables.pages[page.id]?.markupBlock, `${address}#own-`);
  const ofKind = blockNodes(document.tables.kinds[page.kind]?.markupBlock, `${address}#kind-`);
  return ofKind.length === 0 ? ofPage : joined(ofKind, ofPage, true);
}

/** The things of a block, where it is JSON; those without an id get one that begins with `ids`. */
function blockNodes(text: string | null | undefined, ids: string): GraphNode[] {
  if (!text) return [];
  try {
    const value = JSON.parse(text) as unknown;
    const whole = Array.isArray(value) ? value : [value];
    const nodes = whole.flatMap((one): unknown[] => (isRecord(one) && Array.isArray(one['@graph']) ? one['@graph'] : [one]));
    return nodes.flatMap((one, at) => {
      if (!isRecord(one) || !('@type' in one)) return [];
      const { '@context': _, ...rest } = one;
      return [{ ...rest, '@id': typeof one['@id'] === 'string' ? one['@id'] : `${ids}${at + 1}` } as unknown as GraphNode];
    });
  } catch {
    return [];
  }
}

const isRecord = (value: unknown): value is Readonly<Record<string, unknown>> => typeof value === 'object' && value !== null && !Array.isArray(value);

/**
 * Nodes of two graphs as one: what names the same thing, by its id or as the only one of its type, is one node, where what was said first stands and the
 * other adds what it says besides; `othersFirst` where the other's word goes before.
 */
export function joined(nodes: readonly GraphNode[], others: readonly GraphNode[], othersFirst = false): GraphNode[] {
  const all = new Map(nodes.map((node) => [node['@id'], node]));
  const typesOf = (node: GraphNode): readonly string[] => [node['@type']].flat();
  for (const other of others) {
    const same = all.get(other['@id']) ?? only(nodes.filter((node) => typesOf(node).some((type) => SINGLE.has(type) && typesOf(other).includes(type))));
    if (!same) all.set(other['@id'], other);
    else {
      const ours = all.get(same['@id']) ?? same;
      all.set(same['@id'], { ...(othersFirst ? { ...ours, ...other } : { ...other, ...ours }), '@type': same['@type'], '@id': same['@id'] });
    }
  }
  return [...all.values()];
}

/** Types of which a page has one thing. */
const SINGLE: ReadonlySet<string> = new Set([
  'WebSite',
  'WebPage',
  'BreadcrumbList',
  'Article',
  'BlogPosting',
  'NewsArticle',
  'Product',
  'Event',
  'Recipe',
  'Course',
  'Service',
  'HowTo',
  'JobPosting',
  'Organization',
]);
const only = <T>(list: readonly T[]): T | undefined => (list.length === 1 ? list[0] : undefined);
