import type { PageFacts } from '../page/index.ts';
import { amountOf, isCurrency, pricesSaid, type PriceSaid } from '../values/index.ts';
import { CONTENT_LIMITS, type Price, type PriceRange, type Rating, type Said } from './content.ts';
import type { Block } from './outline.ts';

const PRICE = /\b(price|cost|amount|preis|prix|precio|prezzo|prijs|preço|cena|offer|kosten|tarif)\b|価格|料金|値段/i;
/** Parts of a page in which other things are offered, by what shops and builders call them. */
const OTHERS =
  /\b(related|upsells?|cross-?sells?|recommend\w*|also-?(?:like|bought|viewed)|you-?may|similar|recently-?viewed|comments?|reviews?|testimonials?|sidebar|widget|cart|basket|minicart)\b/;
/** Headings behind which they are offered. */
const OTHERS_BELOW =
  /^(?:related|similar|you (?:may|might) (?:also )?like|customers? (?:also|who)|people also|recently viewed|more (?:from|like|in)|others? (?:also )?(?:bought|viewed)|recommended|frequently bought|ähnliche|das könnte|dazu passt|kunden (?:kauften|sahen)|weitere|zuletzt angesehen|produits (?:similaires|associés)|vous aimerez|articles similaires|les clients|productos (?:relacionados|similares)|también te|quizás|prodotti (?:correlati|simili)|potrebbe(?:ro)? (?:interessarti|piacerti)|gerelateerde|vergelijkbare|anderen|misschien|produtos (?:relacionados|semelhantes)|você também|podobne|powiązane|zobacz (?:też|także)|klienci|関連|おすすめ|こちらも)/i;

/** The blocks of a page's own part that are about what it offers, and not about other things that it offers beside. */
export function aboutItsOwn(blocks: readonly Block[]): readonly Block[] {
  let others: number | undefined;
  return blocks.filter((block) => {
    const level = /^h([1-6])$/.exec(block.tag)?.[1];
    if (level !== undefined) {
      if (OTHERS_BELOW.test(block.text)) others = Math.min(others ?? 7, Number(level));
      else if (others !== undefined && Number(level) <= others) others = undefined;
    }
    return others === undefined && block.part === 'main' && !OTHERS.test(block.hints);
  });
}

/**
 * What a page asks for what it offers: the one price that stands as one. Where several could be meant none is told: a wrong price is worse than none. What was
 * asked before, the ends of a range, what several pieces cost, and postage, deposits and savings are not it. `own` are the blocks that are about the thing.
 */
export function priceIn(
  blocks: readonly Block[],
  own: ReadonlySet<Block>,
  facts: PageFacts,
  lang: string,
): { readonly price: Said<Price> | undefined; readonly priceRange: Said<PriceRange> | undefined; readonly amounts: readonly string[] } {
  const seen: { found: PriceSaid; block: Block }[] = [];
  for (const block of blocks) {
    if (seen.length >= CONTENT_LIMITS.amounts) break;
    for (const found of pricesSaid(block.text.slice(0, 4000), lang, block.struck)) seen.push({ found, block });
  }
  const amounts = [...new Set(seen.map(({ found }) => found.amount))].slice(0, CONTENT_LIMITS.amounts);
  const ours = seen.filter(({ block }) => own.has(block));
  const asked = ours.filter(({ found }) => found.role === 'asked');
  const ends = ours.filter(({ found }) => found.role === 'least' || found.role === 'most');
  const named = asked.filter(({ found, block }) => PRICE.test(`${block.text.slice(Math.max(0, found.start - 24), found.start)} ${block.hints}`));
  const alone = asked.filter(({ found, block }) => block.text.length <= found.end - found.start + 24);
  const one = [named, alone, asked].find((some) => some.length > 0);
  // A thing whose lower end alone is told has no price that could be said as one.
  const isOne = one !== undefined && new Set(one.map(({ found }) => Number(found.amount))).size === 1;
  const sure = isOne && !(ends.length > 0 && one === asked) ? one[0] : undefined;
  const price: Said<Price> | undefined = sure && {
    value: { amount: sure.found.amount, currency: sure.found.currency },
    text: sure.block.text.slice(sure.found.start, sure.found.end),
    start: sure.block.start,
    end: sure.block.end,
    how: 'words',
  };
  const told = price ?? metaPrice(facts, lang);
  return { price: told, priceRange: told === undefined && asked.length === 0 ? rangeOf(ends) : undefined, amounts };
}

/** The one range that is told: from its lower end, to the upper one where that stands behind it. Undefined where there are several. */
function rangeOf(ends: readonly { readonly found: PriceSaid; readonly block: Block }[]): Said<PriceRange> | undefined {
  const [first, second] = ends;
  if (first?.found.role !== 'least' || ends.length > 2) return undefined;
  if (second && (second.found.role !== 'most' || second.block !== first.block || Number(second.found.amount) <= Number(first.found.amount))) return undefined;
  const { block, found } = first;
  const end = second?.found.end ?? found.end;
  return {
    value: { low: found.amount, ...(second ? { high: second.found.amount } : {}), currency: found.currency ?? second?.found.currency },
    text: block.text.slice(found.start, end),
    start: block.start,
    end: block.end,
    how: 'words',
  };
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
