import type { PageFacts } from '../page/index.ts';
import { baseOf, type PageTree } from './dom.ts';
import { itemsWithin, type MarkupItem, type MarkupReading, type MarkupTrouble, type Syntax } from './item.ts';
import { readJsonLd } from './json-ld.ts';
import { readMicrodata } from './microdata.ts';
import { readRdfa } from './rdfa.ts';

/** All structured data of a page, however it is written. `tree` is made only where the page has Microdata or RDFa. */
export function readMarkup(text: string, facts: Pick<PageFacts, 'jsonLd'>, address: string, tree: () => PageTree): MarkupReading {
  const items: MarkupItem[] = [];
  const troubles: MarkupTrouble[] = [];
  const take = (reading: MarkupReading): void => {
    for (const item of reading.items) items.push(item);
    for (const trouble of reading.troubles) troubles.push(trouble);
  };
  const inElements = /\sitemscope|\stypeof\s*=|\svocab\s*=/i.test(text);
  const base = inElements || /<base\s/i.test(text) ? baseOf(tree(), address) : address;
  for (const { content } of facts.jsonLd) take(readJsonLd({ ...content, text: text.slice(content.start, content.end) }, base));
  if (/\sitemscope/i.test(text)) take(readMicrodata(tree(), base));
  if (/\stypeof\s*=|\svocab\s*=/i.test(text)) take(readRdfa(tree(), base));
  return { items, troubles };
}

/** Which types a page tells of, and how often, in the order in which they stand. */
export function typesIn(items: Iterable<MarkupItem>): Map<string, number> {
  const counts = new Map<string, number>();
  for (const item of itemsWithin(items)) for (const type of item.types) counts.set(type, (counts.get(type) ?? 0) + 1);
  return counts;
}

/** The ways of writing that a page uses. */
export const syntaxesOf = (items: readonly MarkupItem[]): readonly Syntax[] => [...new Set(items.map(({ syntax }) => syntax))];
