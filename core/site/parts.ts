import { documentTitle, type PageFacts } from '../page/index.ts';
import { percentDecoded } from '../source/index.ts';
import type { Part, PartValues } from '../titles/index.ts';
import { addressOf } from './addresses.ts';
import type { SiteDocument } from './document.ts';
import { jsonLdNodes, type Node } from './json-ld-nodes.ts';
import { KIND_TABLE, type Kind } from './kinds.ts';
import { pageName, type SitePage } from './page.ts';
import { titleParts } from './title-parts.ts';

const FIRST_WORDS = 24;

/** What the parts of a pattern give on a page. Nothing is made up: a part of which the page and the site say nothing is empty. */
export function partValues(document: SiteDocument, page: SitePage): PartValues {
  const site = document.tables.facts[''] ?? {};
  const { facts } = page;
  return (part: Part): string => {
    switch (part) {
      case 'page-name':
        return page.isHome ? (site.siteName ?? '') : pageName(page);
      case 'own-title':
        return withoutSiteName(documentTitle(facts)?.text ?? '', site.siteName ?? '');
      case 'site-name':
        return site.siteName ?? '';
      case 'tagline':
        return site.tagline ?? '';
      case 'separator':
        return site.separator ?? '|';
      case 'kind':
        return KIND_TABLE[page.kind].name;
      case 'folder':
        return folderName(addressOf(page.id));
      case 'date':
        return publishedOn(facts)?.slice(0, 10) ?? '';
      case 'author':
        return authorOf(facts) ?? '';
      case 'price':
        return priceOf(facts) ?? '';
      case 'first-words':
        return (facts.paragraphs[0] ?? '').split(' ').slice(0, FIRST_WORDS).join(' ');
      case 'category':
        return categoryOf(facts) ?? '';
      case 'phrase':
        return document.tables.pages[page.id]?.phrase ?? '';
    }
  };
}

/** A title without the site's name at its end or front. */
export function withoutSiteName(title: string, siteName: string): string {
  const parts = titleParts(title);
  const kept = parts.filter((part) => part.trim().toLowerCase() !== siteName.trim().toLowerCase());
  if (siteName === '' || kept.length === parts.length || kept.length === 0) return title;
  const first = title.indexOf(kept[0] ?? '');
  const last = kept[kept.length - 1] as string;
  return title.slice(first, title.lastIndexOf(last) + last.length);
}

/** The folder that a page lies in, in words: `/journal/tag/leather/` lies in "Tag". */
function folderName(address: string): string {
  const parts = address.split('/').filter(Boolean);
  const name = parts.length > 1 ? (parts[parts.length - 2] as string) : '';
  return percentDecoded(name)
    .replace(/[-_]+/g, ' ')
    .replace(/^\p{Ll}/u, (letter) => letter.toUpperCase());
}

/** When a page says it was published, as it is written there: meta, then structured data, then what it shows. */
export function publishedOn(facts: PageFacts): string | undefined {
  const meta = facts.metas.find(({ property, name }) => property === 'article:published_time' || name === 'date' || name === 'dc.date')?.content?.trim();
  return meta || firstJsonLd(facts, (node) => text(node['datePublished']) ?? text(node['startDate'])) || timeNamed(facts, 'datePublished') || onlyTime(facts);
}

/** A date that the page shows under this name of structured data. */
function timeNamed(facts: PageFacts, name: string): string | undefined {
  return facts.times.find(({ itemprop, value }) => itemprop === name && value !== '')?.value;
}

/** The one day that a page shows; where it shows several, nobody can tell which is its own. What begins or ends then is no date of the page. */
function onlyTime(facts: PageFacts): string | undefined {
  const days = new Map(facts.times.flatMap(({ value, itemprop }) => (itemprop === undefined && DAY.test(value) ? [[value.slice(0, 10), value] as const] : [])));
  return days.size === 1 && facts.times.every(({ itemprop }) => itemprop === undefined) ? [...days.values()][0] : undefined;
}

/** A whole day, with or without its hour. */
const DAY = /^\d{4}-\d\d-\d\d(?:$|[T ])/;

/** When a page says that it last changed, as it is written there; when it was published where it says no more. The start of an event is no such date, nor is the day that its page shows. */
export function changedOn(facts: PageFacts, kind: Kind): string | undefined {
  const meta = (property: string): string | undefined => facts.metas.find((one) => one.property === property)?.content?.trim();
  const date = facts.metas.find(({ name }) => name === 'date' || name === 'dc.date')?.content?.trim();
  return (
    meta('article:modified_time') ||
    firstJsonLd(facts, (node) => text(node['dateModified'])) ||
    timeNamed(facts, 'dateModified') ||
    meta('article:published_time') ||
    date ||
    firstJsonLd(facts, (node) => text(node['datePublished'])) ||
    timeNamed(facts, 'datePublished') ||
    (kind === 'event' ? undefined : onlyTime(facts))
  );
}

/** Who wrote a page, by what it says. */
export function authorOf(facts: PageFacts): string | undefined {
  const meta = facts.metas.find(({ name }) => name === 'author')?.content?.trim();
  return meta || firstJsonLd(facts, (node) => names(node['author']));
}

/** The section of a site, or the sort of thing, that a page puts itself in. */
function categoryOf(facts: PageFacts): string | undefined {
  const meta = facts.metas.find(({ property }) => property === 'article:section' || property === 'product:category')?.content?.trim();
  return meta || firstJsonLd(facts, (node) => names(node['articleSection']) ?? names(node['category']));
}

/** One or several texts, or things with names, in a row. */
function names(value: unknown): string | undefined {
  const all = [value].flat().flatMap((one) => text(one) ?? text((one as Node | undefined | null)?.['name']) ?? []);
  return all.length === 0 ? undefined : all.join(', ');
}

function priceOf(facts: PageFacts): string | undefined {
  const named = (property: string): string | undefined => facts.metas.find((meta) => meta.property === property)?.content?.trim();
  const meta = named('product:price:amount');
  if (meta) return `${meta} ${named('product:price:currency') ?? ''}`.trim();
  const said = firstJsonLd(facts, (node) => {
    const offer = (Array.isArray(node['offers']) ? node['offers'][0] : node['offers']) as Node | undefined;
    const specified = [offer?.['priceSpecification']].flat()[0] as Node | undefined;
    const amount = text(offer?.['price']) ?? text(offer?.['lowPrice']) ?? text(specified?.['price']) ?? text(node['price']);
    return amount === undefined ? undefined : `${amount} ${text(offer?.['priceCurrency']) ?? text(specified?.['priceCurrency']) ?? ''}`.trim();
  });
  return said ?? facts.price;
}

const text = (value: unknown): string | undefined =>
  typeof value === 'string' && value.trim() !== '' ? value.trim() : typeof value === 'number' ? String(value) : undefined;

/** The first answer that a node of the page's JSON-LD gives, graphs and lists looked through. */
export function firstJsonLd(facts: PageFacts, ask: (node: Node) => string | undefined): string | undefined {
  for (const node of jsonLdNodes(facts)) {
    const answer = ask(node);
    if (answer !== undefined) return answer;
  }
  return undefined;
}
