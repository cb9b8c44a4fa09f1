import type { PageContent } from '../../content/index.ts';
import { itemsWithin, schemaName, textOf, type MarkupItem, type MarkupValue } from '../../markup/index.ts';
import { isIsoDate, isIsoMoment, isPlainNumber, sameAmount } from '../../values/index.ts';
import { showsNumber } from '../../results/index.ts';
import { LONGEST_WORD, type FaultCode, type MarkupFault } from './fault.ts';

/** What a visitor sees of a page, and what is known of the site around it. */
export interface ShownPage {
  readonly content: PageContent;
  /** All its visible words, white space made single. */
  readonly text: string;
  readonly titles: readonly string[];
  /** Its main address, and whether an address of the site's own leads to a file. */
  readonly canonical: string;
  readonly exists: (address: string) => boolean;
}

const PRICES: ReadonlySet<string> = new Set(['price', 'lowPrice', 'highPrice']);
const DATES: ReadonlySet<string> = new Set(['datePublished', 'startDate', 'endDate', 'datePosted']);
const NAMES: ReadonlySet<string> = new Set(['headline', 'name']);
const PICTURES: ReadonlySet<string> = new Set(['image', 'logo', 'thumbnailUrl', 'photo', 'primaryImageOfPage']);
/** Things whose name the page that tells of them shows. */
const SHOWN: ReadonlySet<string> = new Set([
  'Article',
  'BlogPosting',
  'NewsArticle',
  'Product',
  'Event',
  'Recipe',
  'HowTo',
  'Course',
  'Service',
  'JobPosting',
  'Question',
]);
/** Things of which other pages may say more than this one. */
const ABOUT_SITE: ReadonlySet<string> = new Set(['Organization', 'WebSite', 'LocalBusiness', 'Person']);

/** Values that the page contradicts: prices, dates and names that no visitor sees, pictures that are not there, a trail that is another one, an address that is not the main one. */
export function contradictions(items: readonly MarkupItem[], shown: ShownPage): MarkupFault[] {
  const faults: MarkupFault[] = [];
  const words = plain(`${shown.text} ${shown.titles.join(' ')}`);
  for (const item of itemsWithin(items)) {
    const type = schemaName(item.types[0] ?? '');
    const told = (code: FaultCode, property: string, value: MarkupValue, meant?: string): void => {
      faults.push({
        code,
        type,
        property,
        word: textOf(value).slice(0, LONGEST_WORD),
        ...(meant === undefined ? {} : { meant }),
        start: value.start,
        end: value.end,
      });
    };
    for (const [property, values] of item.properties) {
      for (const value of values) {
        const text = textOf(value).trim();
        if (text === '') continue;
        if (PRICES.has(property) && isPlainNumber(text) && Number(text) !== 0) {
          if (!shown.content.amounts.some((amount) => sameAmount(amount, text)) && !showsNumber(shown.text, text))
            told('not-shown', property, value, shown.content.price?.value.amount);
        } else if (DATES.has(property) && !ABOUT_SITE.has(type) && (isIsoDate(text) || isIsoMoment(text)) && text.length >= 10) {
          const day = text.slice(0, 10);
          if (shown.content.days.length > 0 && !shown.content.days.includes(day)) told('not-shown', property, value, shown.content.days[0]);
        } else if (NAMES.has(property) && SHOWN.has(type)) {
          if (!words.includes(plain(text))) told('not-shown', property, value, shown.titles[0]);
        } else if (PICTURES.has(property) && value.kind !== 'item' && !shown.exists(text)) told('picture-missing', property, value);
        else if (property === 'contentUrl' && type === 'ImageObject' && !shown.exists(text)) told('picture-missing', property, value);
        else if (property === 'url' && (type === 'WebPage' || SHOWN.has(type)) && isOther(text, shown.canonical))
          told('not-canonical', property, value, shown.canonical);
      }
    }
    if (type === 'BreadcrumbList') {
      const fault = trailFault(item, shown);
      if (fault) faults.push(fault);
    }
  }
  return faults;
}

const plain = (text: string): string => text.toLowerCase().replace(/[\s\u2018\u2019\u201c\u201d"'’]+/g, '');

function isOther(address: string, canonical: string): boolean {
  if (!URL.canParse(address, canonical)) return false;
  const [one, other] = [new URL(address, canonical), new URL(canonical)];
  one.hash = '';
  other.hash = '';
  return one.href !== other.href;
}

/** A marked-up trail whose names are not those that the page shows. */
function trailFault(item: MarkupItem, { content }: ShownPage): MarkupFault | undefined {
  const shown = content.trail?.value.map(({ name }) => name.toLowerCase()) ?? [];
  if (shown.length === 0) return undefined;
  const names = (item.properties.get('itemListElement') ?? []).flatMap((value) => {
    if (value.kind !== 'item') return [];
    const [own] = value.item.properties.get('name') ?? [];
    const [led] = value.item.properties.get('item') ?? [];
    const inner = led?.kind === 'item' ? led.item.properties.get('name')?.[0] : undefined;
    const name = own ?? inner;
    return name ? [textOf(name).trim().toLowerCase()] : [];
  });
  const fits = names.every((name) => shown.includes(name));
  return fits || names.length === 0
    ? undefined
    : {
        code: 'trail-differs',
        type: 'BreadcrumbList',
        property: 'itemListElement',
        word: names.join(' › ').slice(0, LONGEST_WORD),
        meant: shown.join(' › ').slice(0, LONGEST_WORD),
        start: item.start,
        end: item.end,
      };
}
