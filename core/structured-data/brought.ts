import { gatherContent, outlineOf, type PageContent } from '../content/index.ts';
import {
  itemsWithin,
  pageTree,
  readMarkup,
  schemaName,
  syntaxesOf,
  typesIn,
  type MarkupItem,
  type MarkupReading,
  type PageTree,
  type Syntax,
} from '../markup/index.ts';
import { collapse, documentTitle, type PageFacts } from '../page/index.ts';
import type { Vocabulary } from '../vocabulary/index.ts';
import { checkMarkup } from './checking/check-items.ts';
import { contradictions } from './checking/contradictions.ts';
import { isGrave, MOST_FAULTS, type MarkupFault } from './checking/fault.ts';
import { nodesOf } from './as-nodes.ts';
import { openGaps, plainItems, type ResultGap } from '../results/index.ts';

/** The structured data that a page came with, as far as lists and checks need it. Plain data. */
export interface BroughtMarkup {
  readonly syntaxes: readonly Syntax[];
  /** Types and how often, in the order of the page. */
  readonly types: readonly (readonly [type: string, times: number])[];
  /** Things at the top, with the ids by which others can name them. */
  readonly things: readonly { readonly types: readonly string[]; readonly id: string | undefined; readonly start: number; readonly end: number }[];
  /** What it tells, as nodes of JSON-LD: to be taken over. Empty where that is more than is kept. */
  readonly nodes: readonly Readonly<Record<string, unknown>>[];
  readonly faults: readonly MarkupFault[];
  /** What its things lack for a result, at each engine. */
  readonly gaps: readonly ResultGap[];
}

/** What was found out about one page: what it says, and the markup it came with. */
export interface PageMeaning {
  readonly content: PageContent;
  readonly brought: BroughtMarkup | undefined;
}

export interface MeaningOptions {
  /** The page's whole address. */
  readonly address: string;
  readonly lang: string;
  readonly country?: string | undefined;
  readonly vocabulary: Vocabulary;
  /** Whether an address of the site's own leads to a file; addresses elsewhere are taken to be there. */
  readonly exists: (address: string) => boolean;
}

/** Reads what a page says and the markup it came with. `text` is its source. */
export function readMeaning(text: string, facts: PageFacts, options: MeaningOptions): PageMeaning {
  let tree: PageTree | undefined;
  const treeOf = (): PageTree => (tree ??= pageTree(text));
  const outline = outlineOf(treeOf());
  const { address, lang, country } = options;
  const content = gatherContent(outline, facts, { lang, host: new URL(address).host, country });
  const reading = readMarkup(text, facts, address, treeOf);
  const words = collapse(outline.blocks.map(({ text: block }) => block).join(' '));
  return { content, brought: broughtOf(reading, content, words, facts, options) };
}

function broughtOf(
  reading: MarkupReading,
  content: PageContent,
  words: string,
  facts: PageFacts,
  { vocabulary, address, exists }: MeaningOptions,
): BroughtMarkup | undefined {
  const { items, troubles } = reading;
  if (items.length === 0 && troubles.length === 0) return undefined;
  const titles = [facts.headings.find(({ level }) => level === 1)?.text ?? '', documentTitle(facts)?.text ?? ''].filter(Boolean);
  const against = contradictions(items, { content, text: words, titles, canonical: address, exists });
  const faults = [...against, ...checkMarkup(reading, vocabulary, address)].sort((a, b) => Number(isGrave(b)) - Number(isGrave(a))).slice(0, MOST_FAULTS);
  return {
    syntaxes: syntaxesOf(items),
    types: [...typesIn(items)].map(([type, times]) => [schemaName(type), times] as const),
    things: [...topThings(items)].slice(0, 60).map(({ types, id, start, end }) => ({ types: types.map(schemaName), id, start, end })),
    nodes: nodesOf(items),
    faults,
    gaps: openGaps(plainItems(items)),
  };
}

/** What stands at the top, and what has an id of its own. */
function topThings(items: readonly MarkupItem[]): Set<MarkupItem> {
  const found = new Set(items);
  for (const item of itemsWithin(items)) if (item.id !== undefined && item.types.length > 0) found.add(item);
  return found;
}
