import fc from 'fast-check';
import jsonld from 'jsonld';
import { MicrodataRdfParser } from 'microdata-rdf-streaming-parser';
import { RdfaParser } from 'rdfa-streaming-parser';
import { describe, expect, it } from 'vitest';
import { itemSignatures, quadSignatures, type QuadLike } from '../testing/triples.ts';
import { runs } from '../testing/effort.ts';
import { pageTree, readJsonLd, readMicrodata, readRdfa } from './index.ts';

const BASE = 'https://a.example/page/';
const collected = (
  parser: { on(event: string, listener: (value: never) => void): unknown; write(text: string): unknown; end(): unknown },
  text: string,
): Promise<string[]> =>
  new Promise((resolve, reject) => {
    const quads: QuadLike[] = [];
    parser.on('data', (quad: never) => quads.push(quad));
    parser.on('error', reject);
    parser.on('end', () => resolve(quadSignatures(quads)));
    parser.write(text);
    parser.end();
  });

const SCHEMA = { '@context': { '@vocab': 'https://schema.org/', type: '@type', id: '@id', schema: 'https://schema.org/' } };
const independentJsonLd = async (text: string): Promise<string[]> => {
  const documentLoader = async (address: string): Promise<{ document: unknown; documentUrl: string }> => ({ document: SCHEMA, documentUrl: address });
  return quadSignatures((await jsonld.toRDF(JSON.parse(text), { base: BASE, documentLoader })) as QuadLike[]);
};
const ourJsonLd = (text: string): string[] => itemSignatures(readJsonLd({ start: 0, end: text.length, text }, BASE).items);
/** Things of which a reader says nothing but that they are there are left out on both sides. */
const telling = (signatures: readonly string[]): string[] => signatures.filter((one) => !one.endsWith('{;}'));

describe('JSON-LD, against an independent reader', () => {
  const name = fc.constantFrom('name', 'author', 'offers', 'image', 'schema:url', 'https://schema.org/about', 'other:word');
  const context = fc.constantFrom<unknown>(
    'https://schema.org',
    'https://schema.org/',
    { '@vocab': 'https://schema.org/' },
    { '@vocab': 'https://schema.org/', '@language': 'en' },
    {
      schema: 'https://schema.org/',
      name: 'schema:name',
      author: { '@id': 'schema:author', '@type': '@id' },
      image: { '@id': 'schema:image', '@language': 'de' },
      offers: 'schema:offers',
    },
    ['https://schema.org', { other: 'https://o.example/#', name: { '@id': 'https://o.example/name' }, kind: '@type' }],
    [{ '@vocab': 'https://o.example/' }, null, { '@vocab': 'https://schema.org/' }],
    { '@vocab': 'https://schema.org/', '@base': 'https://b.example/deep/', name: null },
    { '@vocab': 'https://schema.org/', name: { '@container': '@set' }, isPartOf: { '@reverse': 'hasPart' } },
  );
  const scalar = fc.oneof(
    fc.stringMatching(/^[a-z]{1,6}$/),
    fc.constant(null),
    fc.integer({ min: -1000, max: 1000 }),
    fc.boolean(),
    fc.record({ '@value': fc.string({ maxLength: 5 }), '@language': fc.constantFrom('en', 'de-AT') }),
    fc.record({ '@value': fc.constantFrom('2026-02-03', 'x'), '@type': fc.constantFrom('schema:Date', 'https://o.example/type') }),
    fc.record({ '@id': fc.constantFrom('#a', 'b', 'https://c.example/d', '../up') }),
  );
  const types = fc.constantFrom<unknown>('Article', ['Product', 'Thing'], 'https://schema.org/Person', 'schema:Event');
  const { node } = fc.letrec<{ node: Record<string, unknown>; value: unknown }>((tie) => ({
    node: fc
      .record(
        {
          '@type': types,
          '@id': fc.constantFrom('#1', '#2', '#3', 'https://x.example/y'),
          '@reverse': fc.dictionary(fc.constantFrom('hasPart', 'subjectOf'), fc.record({ '@type': types, name: fc.constant('r') }), { minKeys: 1, maxKeys: 1 }),
          own: fc.dictionary(name, tie('value'), { minKeys: 1, maxKeys: 3 }),
        },
        { requiredKeys: ['own'] },
      )
      .map(({ own, ...rest }) => ({ ...rest, ...own })),
    value: fc.oneof({ depthSize: 'small', withCrossShrink: true }, scalar, fc.array(scalar, { maxLength: 3 }), tie('node')),
  }));
  it('reads generated blocks alike', async () => {
    await fc.assert(
      fc.asyncProperty(context, fc.array(node, { minLength: 1, maxLength: 3 }), fc.constantFrom('graph', 'list', 'one'), async (said, nodes, form) => {
        const block =
          form === 'graph'
            ? { '@context': said, '@graph': nodes }
            : form === 'list'
              ? nodes.map((one) => ({ '@context': said, ...one }))
              : { '@context': said, ...nodes[0] };
        const text = JSON.stringify(block, null, 1);
        expect(telling(ourJsonLd(text))).toEqual(telling(await independentJsonLd(text)));
      }),
      { numRuns: runs(300) },
    );
  });
  it.each([
    ['{"@context":"http://schema.org","@type":"Recipe","nutrition":{"@type":"NutritionInformation","calories":"9 cal"}}'],
    ['{"@context":{"@vocab":"https://schema.org/","n":{"@id":"name","@container":"@language"}},"@type":"A","n":{"en":"x","de":["y","z"]}}'],
    ['{"@context":{"@vocab":"https://schema.org/","t":"@type","i":"@id"},"t":"Person","i":"#me","knows":{"i":"#you","t":"Person","name":"You"}}'],
    ['{"@context":"https://schema.org","@type":"ItemList","itemListElement":{"@list":[{"@type":"ListItem","position":1},{"@type":"ListItem","position":2}]}}'],
    ['{"@context":"https://schema.org","@type":"Chapter","name":"C","@reverse":{"hasPart":{"@type":"Book","name":"B"}}}'],
    ['{"@context":"https://schema.org","@id":"#x","@graph":[{"@type":"Person","name":"In a named graph"}]}'],
  ])('%s', async (text) => {
    // RDF chains the members of a list; here they are values like others.
    const theirs = telling(await independentJsonLd(text)).filter((one) => !one.startsWith('_{;http://www.w3.org/1999/02/22-rdf-syntax-ns#'));
    const unchained = (one: string): string => one.replace(/itemListElement=.*/, '');
    expect(telling(ourJsonLd(text)).map(unchained)).toEqual(theirs.map(unchained));
  });
});

const independentMicrodata = (html: string): Promise<string[]> => collected(new MicrodataRdfParser({ baseIRI: BASE }) as never, html);
const ourMicrodata = (html: string): string[] => itemSignatures(readMicrodata(pageTree(html), BASE).items);

describe('Microdata, against an independent reader', () => {
  const value = fc.constantFrom(
    '<span itemprop="name">Why <b>we</b> sew</span>',
    '<a itemprop="url" href="/x">x</a>',
    '<img itemprop="image" src="p.jpg" alt="">',
    '<meta itemprop="sku" content="7">',
    '<link itemprop="availability" href="https://schema.org/InStock">',
    '<data itemprop="price" value="12.50">twelve</data>',
    '<meter itemprop="ratingValue" value="4" max="5">4</meter>',
    '<object itemprop="video" data="v.mp4"></object>',
    '<p itemprop="name alternateName">Two names</p>',
    '<p>no property</p>',
  );
  const { item } = fc.letrec<{ item: string; inner: string }>((tie) => ({
    item: fc
      .tuple(
        fc.constantFrom('Product', 'Article', 'Event'),
        fc.constantFrom('', ' itemid="#i"', ' itemid="https://x.example/i"'),
        fc.array(tie('inner'), { maxLength: 4 }),
      )
      .map(([type, id, inner]) => `<div itemscope itemtype="https://schema.org/${type}"${id}>${inner.join('')}</div>`),
    inner: fc.oneof(
      { depthSize: 'small' },
      value,
      value,
      tie('item').map((html) => html.replace('<div ', '<div itemprop="isRelatedTo" ')),
      tie('item'),
      fc.array(value, { maxLength: 2 }).map((values) => `<section>${values.join('')}</section>`),
    ),
  }));
  it('reads generated pages alike', async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(item, { minLength: 1, maxLength: 3 }), async (items) => {
        const html = `<!doctype html><html><body>${items.join('\n')}</body></html>`;
        // That reader takes a number in `data` for one; the standard gives its text.
        const asText = (all: readonly string[]): string[] =>
          telling(all).map((one) => one.replaceAll('number 12.5]', 'text 12.50]').replaceAll('number 4]', 'text 4]'));
        expect(asText(ourMicrodata(html))).toEqual(asText(await independentMicrodata(html)));
      }),
      { numRuns: runs(200) },
    );
  });
  it.each([
    [
      '<div itemscope itemtype="https://schema.org/Product" itemref="a b"><p itemprop="name">N</p></div><p id="a" itemprop="sku">7</p><div id="b"><span itemprop="color">red</span></div>',
    ],
    ['<div itemscope itemtype="https://schema.org/Event"><time itemprop="startDate" datetime="2026-02-03">3 Feb</time></div>'],
  ])('%s', async (html) => {
    const plain = (all: readonly string[]): string[] => telling(all).map((one) => one.replace(/\^\^[^|;\]]*/g, ''));
    expect(plain(ourMicrodata(html))).toEqual(plain(await independentMicrodata(html)));
  });
});

const independentRdfa = (html: string): Promise<string[]> =>
  collected(new RdfaParser({ baseIRI: BASE, profile: 'html', contentType: 'text/html' } as never) as never, html);
const ourRdfa = (html: string): string[] => itemSignatures(readRdfa(pageTree(html), BASE).items);

describe('RDFa, against an independent reader', () => {
  const value = fc.constantFrom(
    '<span property="name">Why <b>we</b> sew</span>',
    '<a property="url" href="/x">x</a>',
    '<img property="image" src="p.jpg" alt="">',
    '<meta property="sku" content="7">',
    '<link property="availability" href="https://schema.org/InStock">',
    '<span property="price" content="12.50">twelve</span>',
    '<p property="schema:name schema:alternateName">Two names</p>',
    '<span property="name" lang="de">Wort</span>',
    '<p>no property</p>',
    '<a property="sameAs" resource="#other">other</a>',
  );
  const { item } = fc.letrec<{ item: string; inner: string }>((tie) => ({
    item: fc
      .tuple(
        fc.constantFrom('Product', 'Article', 'schema:Event'),
        fc.constantFrom('', ' resource="#i"', ' resource="https://x.example/i"'),
        fc.array(tie('inner'), { maxLength: 4 }),
      )
      .map(([type, id, inner]) => `<div typeof="${type}"${id}>${inner.join('')}</div>`),
    inner: fc.oneof(
      { depthSize: 'small' },
      value,
      value,
      tie('item').map((html) => html.replace('<div ', '<div property="isRelatedTo" ')),
      fc.array(value, { maxLength: 2 }).map((values) => `<section>${values.join('')}</section>`),
    ),
  }));
  it('reads generated pages alike', async () => {
    await fc.assert(
      fc.asyncProperty(fc.array(item, { minLength: 1, maxLength: 3 }), async (items) => {
        const html = `<!doctype html><html><body vocab="https://schema.org/">${items.join('\n')}</body></html>`;
        const known = (all: readonly string[]): string[] =>
          telling(all)
            .map((one) => one.replace(/;?http:\/\/www.w3.org\/ns\/rdfa#usesVocabulary=\[[^\]]*\]/, ''))
            .filter((one) => !/\{;?\}$/.test(one) && !/^\S*\{;/.test(one));
        expect(known(ourRdfa(html))).toEqual(known(await independentRdfa(html)));
      }),
      { numRuns: runs(200) },
    );
  });
  it.each([
    [
      '<div vocab="https://schema.org/" typeof="Person" about="#me"><span property="name">Me</span><div rel="knows"><p typeof="Person"><b property="name">You</b></p></div></div>',
    ],
    ['<div prefix="s: https://schema.org/" typeof="s:Person"><a rel="s:url" href="/me">me</a><span property="s:name">Me</span></div>'],
    ['<div vocab="https://schema.org/" typeof="Event"><time property="startDate" datetime="2026-02-03">3 Feb</time></div>'],
    [
      '<p vocab="https://schema.org/" resource="#x" typeof="Thing"><span property="name">X</span></p><p vocab="https://schema.org/" resource="#x"><span property="description">More</span></p>',
    ],
  ])('%s', async (html) => {
    const plain = (all: readonly string[]): string[] =>
      telling(all)
        .map((one) => one.replace(/;?http:\/\/www.w3.org\/ns\/rdfa#usesVocabulary=\[[^\]]*\]/, ''))
        .filter((one) => !/\{;?\}$/.test(one) && !/^\S*\{;/.test(one))
        .map((one) => one.replace(/\^\^[^|;\]]*/g, ''));
    const page = `<!doctype html><html><body>${html}</body></html>`;
    expect(plain(ourRdfa(page))).toEqual(plain(await independentRdfa(page)));
  });
});
