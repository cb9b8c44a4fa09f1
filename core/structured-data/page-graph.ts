import { markupKey, type RecordOf } from '../site/index.ts';
import type { Field, MarkupInput, Processor, Value } from './field.ts';
import { bareName, inLanguage } from './fields.ts';
import { identityGaps } from './identity-facts.ts';
import { identityNodes, identityStubs, ownerId, siteNodeId } from './identity.ts';
import { compact, type Graph, type GraphNode, type Json, type JsonObject } from './node.ts';
import { KIND_PROCESSORS, processorOf, PROCESSORS } from './processors/index.ts';

/** What a page is taken for, and who says so: its own record, its kind's, its kind by itself, or nobody because it is off. */
export interface MarkupChoice {
  readonly processors: readonly Processor[];
  readonly from: 'page' | 'kind' | 'default';
  /** Off for this page or its kind: nothing is written. */
  readonly off: boolean;
}

/** What is kept for a page or kind that is to have no markup. */
export const NO_MARKUP = 'none';

/** What a page is. */
export function markupChoice(input: MarkupInput): MarkupChoice {
  const { pages, kinds } = input.document.tables;
  for (const [from, said] of [
    ['page', pages[input.page.id]?.markup],
    ['kind', kinds[input.page.kind]?.markup],
  ] as const) {
    if (said === undefined || said === null || said === '') continue;
    if (said === NO_MARKUP) return { processors: [], from, off: true };
    const processors = said.split(' ').flatMap((id) => processorOf(id) ?? []);
    if (processors.length > 0) return { processors, from, off: false };
  }
  const told = PROCESSORS.filter((processor) => processor.tells?.(input) === true);
  const own = KIND_PROCESSORS[input.page.kind];
  // A page that is more than a page is not said to be one besides.
  const processors = own.id === 'page' && told.length > 0 ? told : [own, ...told];
  return { processors, from: 'default', off: false };
}

/** What one processor makes of a page: each field with its value, or without. */
export interface ToldThing {
  readonly processor: Processor;
  readonly id: string;
  readonly fields: readonly ToldField[];
}
export interface ToldField {
  readonly field: Field;
  readonly value: Value | undefined;
  /** What the owner typed, where it is not of the form that is asked for: it is kept, and not written. */
  readonly misfit?: string | undefined;
  /** The owner wants it left out. */
  readonly leftOut?: true;
}

/** The markup of a page: its graph, and how it came about. */
export interface PageMarkup {
  readonly choice: MarkupChoice;
  /** Empty where nothing is to be written. */
  readonly nodes: readonly GraphNode[];
  readonly things: readonly ToldThing[];
  readonly trail: readonly { readonly name: string; readonly address: string }[];
  readonly trailFrom: 'page' | 'addresses';
}

/** Whether markup is written into all pages; the home page's identity is written in any case. */
export const isMarkupOn = ({ document }: Pick<MarkupInput, 'document'>): boolean => document.tables.meaning['']?.on === true;

/** All markup of a page, as it would be written were markup on. `brought` are types that the page tells of already and keeps: they are not told twice. */
export function pageMarkup(input: MarkupInput, brought: readonly BroughtThing[] = []): PageMarkup {
  const choice = markupChoice(input);
  const isHome = input.page.isHome;
  const isReady = identityGaps(input.document).length === 0;
  const trail = isHome || lastName(input) === '' ? [] : trailOf(input).filter(({ name }) => name !== '');
  const things = choice.processors.map((processor) => told(processor, input));
  const base = {
    choice,
    things,
    trail: trail.length > 0 ? [...trail, { name: lastName(input), address: input.address }] : [],
    trailFrom: trailSaid(input) ? ('page' as const) : ('addresses' as const),
  };
  if (choice.off || !isReady) return { ...base, nodes: isHome && isReady ? identityNodes(input.document) : [] };
  return { ...base, nodes: nodesOf(input, base, brought) };
}

/** A thing that the page brought along and keeps. */
export interface BroughtThing {
  readonly types: readonly string[];
  readonly id: string | undefined;
}

function nodesOf(input: MarkupInput, { things, trail }: Pick<PageMarkup, 'things' | 'trail'>, brought: readonly BroughtThing[]): GraphNode[] {
  const { document, address, page } = input;
  const others = new Map<string, GraphNode>();
  const mains: { readonly '@id': string }[] = [];
  const own: GraphNode[] = [];
  const pageTypes: string[] = [];
  const pageProperties: Record<string, Json> = {};
  for (const thing of things) {
    const properties = propertiesOf(thing, others);
    if (thing.processor.isPage) {
      if (thing.processor.type !== 'WebPage') pageTypes.push(thing.processor.type);
      Object.assign(pageProperties, properties);
      continue;
    }
    // What was written here and is brought in again is no other thing.
    const there = brought.find(({ types, id }) => types.includes(thing.processor.type) && id !== thing.id);
    if (there) {
      if (there.id !== undefined) mains.push({ '@id': there.id });
      continue;
    }
    mains.push({ '@id': thing.id });
    own.push(compact({ '@type': thing.processor.type, '@id': thing.id, ...properties, url: address, mainEntityOfPage: { '@id': `${address}#webpage` } }));
  }
  const hasTrail = trail.length > 1 && !brought.some(({ types, id }) => types.includes('BreadcrumbList') && id !== `${address}#breadcrumb`);
  const language = inLanguage.find(input);
  const webPage: GraphNode = compact({
    '@type': pageTypes.length === 0 ? 'WebPage' : pageTypes.length === 1 ? (pageTypes[0] as string) : pageTypes,
    '@id': `${address}#webpage`,
    url: address,
    name: input.title,
    description: input.description.value,
    isPartOf: { '@id': siteNodeId(document) },
    ...(page.isHome ? { about: { '@id': ownerId(document) } } : {}),
    ...(hasTrail ? { breadcrumb: { '@id': `${address}#breadcrumb` } } : {}),
    inLanguage: language?.json,
    ...(mains.length > 0 ? { mainEntity: mains.length === 1 ? mains[0] : mains } : {}),
    ...pageProperties,
  });
  const list: GraphNode[] = hasTrail
    ? [
        {
          '@type': 'BreadcrumbList',
          '@id': `${address}#breadcrumb`,
          itemListElement: trail.map(({ name, address: item }, at) => ({
            '@type': 'ListItem',
            position: at + 1,
            name,
            ...(at === trail.length - 1 ? {} : { item }),
          })),
        },
      ]
    : [];
  const identity = page.isHome ? identityNodes(document) : identityStubs(document);
  const known = new Set(identity.map((node) => node['@id']));
  return [...identity, webPage, ...list, ...own, ...[...others.values()].filter((node) => !known.has(node['@id']))];
}

/** The graph of a page as it is written; undefined where there is nothing to write. */
export function graphOf(markup: PageMarkup): Graph | undefined {
  return markup.nodes.length === 0 ? undefined : { '@context': 'https://schema.org', '@graph': markup.nodes };
}

function told(processor: Processor, input: MarkupInput): ToldThing {
  const values = input.document.tables.markup;
  const fields = processor.fields.map((field): ToldField => {
    const own: RecordOf<'markup'> | undefined = values[markupKey(input.page.id, processor.id, field.path)];
    if (own?.leftOut === true) return { field, value: undefined, leftOut: true };
    const typed = own?.value;
    // A blank is nobody's word.
    if (!typed || typed.trim() === '') return { field, value: field.find(input) };
    const json = field.read ? field.read(typed, input) : typed;
    return json === undefined ? { field, value: field.find(input), misfit: typed } : { field, value: { json, text: typed, from: 'owner' } };
  });
  return { processor, id: `${input.address}#${processor.id}`, fields };
}

/** The properties of a thing, things inside it made where they say something of their own. */
function propertiesOf({ processor, fields }: ToldThing, others: Map<string, GraphNode>): Record<string, Json> {
  const properties: Record<string, Json> = {};
  const parts: Record<string, Record<string, Json>> = {};
  for (const { field, value } of fields) {
    if (!value) continue;
    for (const node of value.nodes ?? []) others.set(node['@id'], node);
    const [first = '', second] = field.path.split('.');
    if (second === undefined) properties[first] = value.json;
    else (parts[first] ??= {})[second] = value.json;
  }
  for (const [part, values] of Object.entries(parts)) {
    // An offer that names no price, a rating without its value: nothing that anybody can use.
    const needs = NEEDED[part];
    if (needs === undefined || needs.some((one) => one in values))
      properties[part] = { '@type': processor.parts?.[part] ?? 'Thing', ...(part === 'offers' ? offer(values) : values) } satisfies JsonObject;
  }
  return properties;
}
const NEEDED: Readonly<Record<string, readonly string[]>> = {
  offers: ['price', 'lowPrice'],
  aggregateRating: ['ratingValue'],
  baseSalary: ['value'],
  hasCourseInstance: ['startDate'],
  mainEntity: ['name'],
};

/** An offer of one price; or of several, of which the lowest is told and perhaps the highest. */
function offer(values: Record<string, Json>): JsonObject {
  const { lowPrice, highPrice, ...one } = values;
  if ('price' in values || lowPrice === undefined) return one;
  return { '@type': 'AggregateOffer', lowPrice, ...(highPrice === undefined ? {} : { highPrice }), ...one };
}

const trailSaid = ({ content }: MarkupInput): boolean => (content?.trail?.value.length ?? 0) > 1;
const lastName = (input: MarkupInput): string => {
  const shown = input.content?.trail?.value;
  const last = shown?.[shown.length - 1];
  return last?.href === '' ? last.name : bareName(input.page.facts.headings.find(({ level }) => level === 1)?.text ?? input.title);
};

/** The way from home to a page: the trail that it shows, else the pages above it in its address. */
function trailOf(input: MarkupInput): { readonly name: string; readonly address: string }[] {
  const shown = input.content?.trail?.value ?? [];
  if (shown.length < 2) return input.above.map((one) => ({ ...one, name: bareName(one.name) }));
  const found = shown.flatMap(({ name, href }) =>
    href !== '' && URL.canParse(href, input.address) ? [{ name, address: new URL(href, input.address).href }] : [],
  );
  return found.filter(({ address }) => address !== input.address);
}
