import { describe, expect, it } from 'vitest';
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
    (junk) => {
      const long = (times: number): string => `itemprop="price" itemtype ${junk.repeat(times)}`;
      const spent = (text: string): number => {
        const from = performance.now();
        itemTypesIn(text);
        markedPriceIn(text);
        return performance.now() - from;
      };
      spent(long(1000));
      // Ten times the length takes ten times as long, not a hundred times: half a second is far from both on any machine.
      expect(spent(long(100_000))).toBeLessThan(500);
    },
  );
});
