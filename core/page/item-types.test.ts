import { describe, expect, it } from 'vitest';
import { SLOW } from '../testing/effort.ts';
import { expectInProportion } from '../testing/proportion.ts';
import { itemTypesIn, markedPriceIn } from './item-types.ts';

describe('a price in any markup', () => {
  it.each([
    ['Microdata, text and meta', '<span itemprop="price">12.50</span><meta itemprop=priceCurrency content=EUR>', '12.50 EUR'],
    ['Microdata, content', '<span itemprop="price" content="12.50">€12,50</span><b itemprop="priceCurrency" content="EUR">€</b>', '12.50 EUR'],
    ['RDFa with a prefix', '<span property="schema:price">1&nbsp;200</span>', '1\u00a0200'],
    ['RDFa, content in front', "<meta content='7.00' property='price'>", '7.00'],
    ['a microformat', '<p class="big p-price x">9 kr</p>', '9 kr'],
    ['from … to', '<span itemprop="lowPrice">5</span>–<span itemprop="highPrice">9</span>', '5'],
    ['the first of several', '<i itemprop=price>4</i><i itemprop=price>8</i>', '4'],
    ['a class that only looks like it', '<p class=price>9</p><p class="my-p-price">8</p>', undefined],
    ['no number', '<span itemprop=price>on request</span>', undefined],
    ['nothing', '<p>It costs 9 €.</p>', undefined],
  ])('%s', (_, html, price) => expect(markedPriceIn(html)).toBe(price));
});

describe('what never ends', () => {
  it.each(['<a ', '<a "', '<a class="x ', '<a itemprop="price', '<a \'"', 'itemtype <p ', '<p class=a b c d ', '<p itemprop="price" "'])(
    '%s, over and over',
    SLOW,
    (junk) =>
      expectInProportion({
        small: 10_000,
        times: 10,
        make: (count) => `itemprop="price" itemtype ${junk.repeat(count)}`,
        work: (text) => {
          itemTypesIn(text);
          markedPriceIn(text);
        },
      }),
  );
});
