import type { PageFacts } from '../page/index.ts';
import { isCurrency, pricesIn, amountOf, type FoundPrice } from '../values/index.ts';
import { CONTENT_LIMITS, type Price, type Rating, type Said } from './content.ts';
import type { Block } from './outline.ts';

const PRICE = /\b(price|cost|amount|preis|prix|precio|offer|kosten|tarif)\b|価格|料金|値段/i;
const OLD = /\b(was|before|old|regular|instead|statt|uvp|rrp|strike|avant|antes|del)\b|通常/i;

/** What a page asks for what it offers: the price that stands as one, else the only price there is. */
export function priceIn(
  blocks: readonly Block[],
  facts: PageFacts,
  lang: string,
): { readonly price: Said<Price> | undefined; readonly amounts: readonly string[] } {
  const seen: { found: FoundPrice; block: Block }[] = [];
  for (const block of blocks) {
    if (seen.length >= CONTENT_LIMITS.amounts) break;
    for (const found of pricesIn(block.text.slice(0, 4000), lang)) seen.push({ found, block });
  }
  const amounts = [...new Set(seen.map(({ found }) => found.amount))].slice(0, CONTENT_LIMITS.amounts);
  const own = seen.filter(({ block }) => block.part === 'main');
  const now = own.filter(({ found, block }) => !OLD.test(`${block.text.slice(Math.max(0, found.start - 16), found.start)} ${block.hints}`));
  const named = now.find(({ found, block }) => PRICE.test(`${block.text.slice(Math.max(0, found.start - 24), found.start)} ${block.hints}`));
  const different = new Set(now.map(({ found }) => found.amount));
  const one = named ?? now.find(({ found, block }) => block.text.length <= found.end - found.start + 24) ?? (different.size === 1 ? now[0] : undefined);
  const price: Said<Price> | undefined = one && {
    value: { amount: one.found.amount, currency: one.found.currency },
    text: one.block.text.slice(one.found.start, one.found.end),
    start: one.block.start,
    end: one.block.end,
    how: 'words',
  };
  return { price: price ?? metaPrice(facts, lang), amounts };
}

function metaPrice(facts: PageFacts, lang: string): Said<Price> | undefined {
  const meta = (name: string) => facts.metas.find(({ property }) => property === `product:price:${name}` || property === `og:price:${name}`);
  const said = meta('amount');
  const amount = said?.content === undefined ? undefined : amountOf(said.content.trim(), lang);
  const currency = meta('currency')?.content?.trim().toUpperCase();
  return said && amount !== undefined
    ? {
        value: { amount, currency: currency !== undefined && isCurrency(currency) ? currency : undefined },
        text: said.content ?? '',
        start: said.tag.start,
        end: said.tag.end,
        how: 'meta',
      }
    : undefined;
}

const AVAILABLE: readonly [RegExp, string][] = [
  [
    /\b(sold out|out of stock|ausverkauft|nicht (?:mehr )?(?:lieferbar|vorrätig|verfügbar)|épuisé|rupture de stock|agotado|sin existencias|fully booked|ausgebucht|complet)\b|売り切れ|在庫なし|満席/i,
    'SoldOut',
  ],
  [/\b(discontinued|no longer (?:made|sold)|nicht mehr hergestellt|discontinué|descatalogado)\b|販売終了/i, 'Discontinued'],
  [/\b(pre-?order|vorbestell\w*|précommande|preventa|reserva anticipada)\b|予約受付/i, 'PreOrder'],
  [/\b(made to order|auf bestellung|sur commande|bajo pedido)\b|受注生産/i, 'MadeToOrder'],
  [/\b(only (?:a few|\d+) left|few left|nur noch (?:wenige|\d+)|plus que \d+|últimas unidades)\b|残りわずか/i, 'LimitedAvailability'],
  [
    /\b(in stock|available now|auf lager|sofort lieferbar|vorrätig|lieferbar|en stock|disponible|en existencia|places left|freie plätze)\b|在庫あり/i,
    'InStock',
  ],
];

/** Whether what a page offers can be had, where it says so in a few words. */
export function availabilityIn(blocks: readonly Block[]): Said<string> | undefined {
  for (const block of blocks) {
    if (block.part !== 'main' || block.text.length > 240) continue;
    for (const [words, value] of AVAILABLE) {
      const found = words.exec(block.text);
      if (found) return { value, text: found[0], start: block.start, end: block.end, how: 'words' };
    }
  }
  return undefined;
}

const RATING =
  /(?<![\d.,])(\d(?:[.,]\d{1,2})?)\s*(?:\/|out of|von|sur|de)\s*(5|10)(?:\s*(?:stars?|sterne\w*|étoiles|estrellas))?[^\d]{0,40}?(\d{1,6})\s*(?:reviews?|ratings?|votes?|bewertungen|rezensionen|stimmen|avis|notes?|reseñas|opiniones|valoraciones|件)/i;

/** A rating that the visitor sees: value, the best there could be, and by how many. */
export function ratingIn(blocks: readonly Block[]): Said<Rating> | undefined {
  for (const block of blocks) {
    if (block.part !== 'main' || block.text.length > 400) continue;
    const found = RATING.exec(block.text);
    if (!found) continue;
    const [text, value = '', best = '', count = ''] = found;
    if (Number(value.replace(',', '.')) > Number(best)) continue;
    return { value: { value: value.replace(',', '.'), best, count }, text, start: block.start, end: block.end, how: 'words' };
  }
  return undefined;
}
