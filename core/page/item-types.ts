import { decodeHTML } from 'entities/decode';
import { collapse } from './white-space.ts';

/** Types of things are kept of a page at most. */
const MOST = 24;

/** Root classes of the open microformats, and the schema.org types that say the same. */
const MICROFORMATS: Readonly<Record<string, string>> = {
  'h-entry': 'BlogPosting',
  'h-event': 'Event',
  'h-product': 'Product',
  'h-recipe': 'Recipe',
  'h-review': 'Review',
  hentry: 'BlogPosting',
  vevent: 'Event',
  hproduct: 'Product',
};

/** Elements whose things stand beside what the page is about. */
const BESIDE = /^(?:aside|nav|footer|header)$/i;

/** How an attribute stands in a start tag. */
const attributePattern = (name: string): RegExp => new RegExp(`\\s${name}\\s*=\\s*(?:"([^"]*)"|'([^']*)'|([^\\s"'>]+))`, 'i');
const ATTRIBUTES = Object.fromEntries(['itemprop', 'itemtype', 'property', 'rel', 'typeof', 'class'].map((name) => [name, attributePattern(name)]));

/**
 * Types of the things that a page marks up in its own text, in order: Microdata, RDFa and microformats, as schema.org's names. Only things that belong to no
 * other, and that do not stand beside the page's own content.
 */
export function itemTypesIn(text: string): string[] {
  if (!/itemtype|typeof|["'\s](?:h-(?:entry|event|product|recipe|review)|hentry|vevent|hproduct)["'\s]/i.test(text)) return [];
  const found: string[] = [];
  let beside = 0;
  for (const [, end, name = '', attributes = ''] of text.matchAll(/<(\/?)([a-z][\w-]*)((?:"[^"]*"|'[^']*'|[^'"<>])*)>/gi)) {
    if (BESIDE.test(name)) beside = Math.max(0, beside + (end ? -1 : 1));
    if (end || beside > 0 || attributes === '') continue;
    const value = (attribute: string): string | undefined => {
      const match = ATTRIBUTES[attribute]?.exec(attributes);
      return match ? (match[1] ?? match[2] ?? match[3]) : undefined;
    };
    const types = [
      ...(/\sitemscope\b/i.test(attributes) && value('itemprop') === undefined ? (value('itemtype') ?? '').split(/\s+/) : []),
      ...(value('property') === undefined && value('rel') === undefined ? (value('typeof') ?? '').split(/\s+/) : []),
      ...(value('class') ?? '').split(/\s+/).flatMap((one) => (Object.hasOwn(MICROFORMATS, one) ? [MICROFORMATS[one] as string] : [])),
    ].map((type) => type.replace(/^.*[/#:]/, ''));
    found.push(...new Set(types.filter((type) => type !== '')));
    if (found.length >= MOST) break;
  }
  return found.slice(0, MOST);
}

/** A start tag that says a price or its currency, with the text up to the next tag, which is the value where the tag holds none. */
const PRICE =
  /<[a-z][\w-]*((?:"[^"]*"|'[^']*'|[^'"<>])*?\s(?:(?:itemprop|property)\s*=\s*(["']?)(?:schema:)?(priceCurrency|lowPrice|price)\2|class\s*=\s*(["']?)(?:[\w-]+\s+)*?(?:p-price)(?:\s+[\w-]+)*\4)(?=[\s>/])(?:"[^"]*"|'[^']*'|[^'"<>])*)>([^<]*)/gi;

/**
 * The first price that a page marks up in its own text (Microdata, RDFa, microformats), with its currency where that is marked up too; undefined where none
 * is, or what is says no number.
 */
export function markedPriceIn(text: string): string | undefined {
  if (!/(?:itemprop|property)\s*=\s*["']?(?:schema:)?(?:price|lowPrice)\b|\bp-price\b/i.test(text)) return undefined;
  const said: { price?: string; priceCurrency?: string } = {};
  for (const [, attributes = '', , name = 'price', , behind = ''] of text.matchAll(PRICE)) {
    const content = /\scontent\s*=\s*(?:"([^"]*)"|'([^']*)'|([^\s"'>]+))/i.exec(attributes);
    const value = collapse(content ? (content[1] ?? content[2] ?? content[3] ?? '') : decodeHTML(behind));
    const which = name.toLowerCase() === 'pricecurrency' ? 'priceCurrency' : 'price';
    if (said[which] === undefined && (which === 'priceCurrency' ? value !== '' : /\d/.test(value))) said[which] = value;
    if (said.price !== undefined && said.priceCurrency !== undefined) break;
  }
  return said.price === undefined ? undefined : `${said.price} ${said.priceCurrency ?? ''}`.trim();
}
