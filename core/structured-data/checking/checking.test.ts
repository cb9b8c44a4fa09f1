import { describe, expect, it } from 'vitest';
import { readJsonLd } from '../../markup/index.ts';
import { meaningsOf } from '../../testing/meaning.ts';
import { loadVocabulary } from '../../vocabulary/index.ts';
import { checkMarkup } from '../index.ts';
import { resultExtras, resultGaps, plainGraph } from '../../results/index.ts';
import { SLOW } from '../../testing/effort.ts';
import { expectInProportion } from '../../testing/proportion.ts';

const vocabulary = await loadVocabulary();
const ADDRESS = 'https://a.example/p.html';
const faults = (json: string): string[] => {
  const text = json.includes('@context') ? json : json.replace('{', '{"@context":"https://schema.org",');
  return checkMarkup(readJsonLd({ start: 0, end: text.length, text }, ADDRESS), vocabulary, ADDRESS).map(({ code, word, meant }) =>
    [code, word, meant].filter(Boolean).join(' '),
  );
};

describe('the vocabulary', () => {
  it('is all of it, with its version and licence', () => {
    expect(vocabulary.types().length).toBeGreaterThan(900);
    expect(vocabulary.source).toMatch(/2\.1\.0 \(Apache-2\.0\)/);
  });
  it.each([
    ['BookStore', 'Thing', true],
    ['LocalBusiness', 'Place', true],
    ['BlogPosting', 'CreativeWork', true],
    ['Product', 'CreativeWork', false],
    ['Nonsense', 'Thing', false],
  ])('%s is a %s: %s', (type, ancestor, is) => expect(vocabulary.isA(type, ancestor)).toBe(is));
  it.each([
    ['Artical', 'Article'],
    ['localbusiness', 'LocalBusiness'],
    ['Zzzzzzzzzz', undefined],
  ])('%s is nearest to %s', (word, type) => expect(vocabulary.nearestType(word)).toBe(type));
  it('knows names of objects that are no words of it', () => {
    for (const word of ['constructor', '__proto__', 'toString'])
      expect([vocabulary.isType(word), vocabulary.property(word), vocabulary.lineage(word).size]).toEqual([false, undefined, 0]);
  });
});

describe('structured data, held against it', () => {
  it.each([
    ['{"@type":"Product","name":"x"}', []],
    ['{"@type":"Produkt"}', ['type-unknown Produkt Product']],
    ['{"@type":"Product","nmae":"x"}', ['property-unknown nmae name']],
    ['{"@type":"Product","startDate":"2026-02-03"}', ['property-elsewhere startDate']],
    ['{"@type":"Event","attendees":"x"}', ['property-superseded attendees attendee']],
    ['{"@type":"Event","startDate":"3 February"}', ['date-form 3 February']],
    ['{"@type":"Event","startDate":"2026-02-30"}', ['date-form 2026-02-30']],
    ['{"@type":"Recipe","totalTime":"40 min"}', ['duration-form 40 min']],
    ['{"@type":"Offer","price":"12,50"}', ['price-form 12,50']],
    ['{"@type":"Offer","price":12.5,"priceCurrency":"EUR"}', []],
    ['{"@type":"Offer","priceCurrency":"€"}', ['currency-form €']],
    ['{"@type":"Offer","availability":"https://schema.org/InStock"}', []],
    ['{"@type":"Offer","availability":"in stock"}', ['member-unknown in stock InStock']],
    ['{"@type":"PostalAddress","addressCountry":"UK"}', ['country-form UK GB']],
    ['{"@type":"PostalAddress","addressCountry":"GB"}', []],
    ['{"@type":"Organization","telephone":"960147"}', ['telephone-form 960147']],
    ['{"@type":"WebPage","inLanguage":"e"}', ['language-form e']],
    ['{"@type":"Article","author":{"@id":"#nobody"}}', ['id-nowhere https://a.example/p.html#nobody']],
    ['{"@graph":[{"@type":"Article","author":{"@id":"#me"}},{"@type":"Person","@id":"#me"}]}', []],
    ['{"@type":"Article","author":{"@type":"Product"}}', ['value-thing Product Organization']],
    ['{"@type":"Product","offers":"cheap"}', ['value-text cheap Demand']],
    ['{"@type":"Product","name":""}', ['value-empty']],
    ['{"@context":"https://schema.org","@type":"Product",}', ['json-repaired }']],
    ['{"@context":"https://schema.org","@type":', ['json-broken']],
    ['{"@context":"https://other.example","@type":"x"}', ['context-unknown https://other.example']],
    [`{"@context":"https://schema.org","@type":"Thing","name":${'{"@type":"Thing","name":'.repeat(70)}"x"${'}'.repeat(71)}`, ['too-deep 64']],
  ])('%s', (json, expected) => expect(faults(json)).toEqual(expected));
  it('reads blocks with comments and marks around, and says that engines do not', () => {
    expect(faults('<!-- {"@context":"https://schema.org","@type":"Thing"} -->')).toEqual([]);
    expect(faults('//<![CDATA[\n{"@context":"https://schema.org","@type":"Thing"}\n//]]>')).toEqual([]);
    expect(faults('{"@context":"https://schema.org", /* who */ "@type":"Thing"}')).toEqual(['json-repaired /* who */ "@type":"Thing']);
  });
  it.each([
    ['wide', (count: number) => `{"@type":"Thing","name":[${Array.from({ length: count }, (_, at) => `"n${at}"`).join(',')}]}`],
    ['never closed', (count: number) => '{'.repeat(count * 12)],
  ])('takes time that follows the size of a block: %s', SLOW, (_, make) =>
    expectInProportion({ small: 5000, times: 8, make, work: (json) => void faults(json) }),
  );
  it('does no harm with hostile blocks', () => {
    expect(faults('{"@type":"Thing","__proto__":{"x":1},"constructor":"y"}')).toEqual([
      'property-unknown __proto__',
      'property-unknown constructor instructor',
      'property-unknown x',
    ]);
    expect(({} as { x?: number }).x).toBeUndefined();
  });
});

const page = (json: string, body: string): string =>
  `<html><head><title>Kit</title><script type="application/ld+json">${json}</script></head><body><main><h1>Kit</h1>${body}</main></body></html>`;
const brought = (json: string, body: string): string[] =>
  (meaningsOf({ 'p.html': page(`{"@context":"https://schema.org",${json}}`, body), 'a.jpg': '' }).get('p.html')?.brought?.faults ?? []).map(
    ({ code, word, meant }) => [code, word, meant].filter(Boolean).join(' '),
  );

describe('values that the page contradicts', () => {
  it.each([
    ['"@type":"Product","name":"Kit","offers":{"@type":"Offer","price":"22.00"}', '<p class=price>£24.00', ['not-shown 22.00 24.00']],
    ['"@type":"Product","name":"Kit","offers":{"@type":"Offer","price":"24"}', '<p class=price>£24.00', []],
    ['"@type":"Product","name":"Kit","offers":{"@type":"Offer","price":"1234.5"}', '<p>for 1 234,50 of them', []],
    ['"@type":"Product","name":"Another kit"', '', ['not-shown Another kit Kit']],
    ['"@type":"Product","name":"kit"', '', []],
    ['"@type":"Article","headline":"Kit","datePublished":"2026-02-03"', '<time datetime=2026-02-04>4 Feb', ['not-shown 2026-02-03 2026-02-04']],
    ['"@type":"Article","headline":"Kit","datePublished":"2026-02-03"', '', []],
    ['"@type":"Product","name":"Kit","image":"/gone.png"', '', ['picture-missing /gone.png']],
    ['"@type":"Product","name":"Kit","image":"https://b.example/x.png"', '', []],
    ['"@type":"Product","name":"Kit","url":"https://a.example/other.html"', '', ['not-canonical https://a.example/other.html https://a.example/p.html']],
    [
      '"@type":"BreadcrumbList","itemListElement":[{"@type":"ListItem","position":1,"name":"Shop"}]',
      '<nav class=breadcrumb><a href=/>Home</a> › <a href=/k/>Kits</a> › Kit</nav>',
      ['trail-differs shop home › kits › kit'],
    ],
  ])('%s on %s', (json, body, expected) => expect(brought(json, body)).toEqual(expected));
});

describe('what engines make of it', () => {
  const graph = [
    {
      '@type': 'Product',
      '@id': '#p',
      name: 'Kit',
      image: 'https://a.example/a.jpg',
      offers: { '@type': 'Offer', price: '18.50', priceCurrency: 'GBP', availability: 'https://schema.org/InStock' },
    },
    {
      '@type': 'BreadcrumbList',
      '@id': '#b',
      itemListElement: [
        { '@type': 'ListItem', position: 1, name: 'Home' },
        { '@type': 'ListItem', position: 2, name: 'Kit' },
      ],
    },
    { '@type': 'Article', '@id': '#a', headline: 'x', author: { '@id': '#m' }, datePublished: '2026-02-03' },
    { '@type': 'Person', '@id': '#m', name: 'Maren' },
  ];
  it('differs from engine to engine', () => {
    expect(resultExtras('skerry', plainGraph(graph))).toEqual({
      trail: ['Home'],
      date: '2026-02-03',
      by: 'Maren',
      price: '18.50 GBP',
      availability: 'InStock',
    });
    expect(resultExtras('plover', plainGraph(graph))).toEqual({ trail: ['Home'], date: '2026-02-03', price: '18.50 GBP' });
  });
  it('tells what is missing, and what would be better', () => {
    expect(resultGaps('plover', plainGraph([{ '@type': 'Product', '@id': '#p', name: 'Kit' }]))).toEqual([
      {
        engine: 'plover',
        sort: 'product',
        type: 'Product',
        missing: ['image', 'offers.price', 'offers.priceCurrency'],
        better: ['offers.availability', 'brand'],
      },
    ]);
  });
});
