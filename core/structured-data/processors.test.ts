import fc from 'fast-check';
import jsonld from 'jsonld';
import { describe, expect, it } from 'vitest';
import { readJsonLd } from '../markup/index.ts';
import { patchPage, scriptJson, type PageEdit } from '../page/index.ts';
import { factsOf, sourceOf } from '../testing/html.ts';
import { addressOf, all, set, type Change } from '../site/index.ts';
import { meaningsOf } from '../testing/meaning.ts';
import { testSite } from '../testing/site.ts';
import { itemSignatures, quadSignatures, type QuadLike } from '../testing/triples.ts';
import { loadVocabulary } from '../vocabulary/index.ts';
import { runs } from '../testing/effort.ts';
import { checkMarkup, type GraphNode } from './index.ts';
import { plainGraph, plainItems, resultExtras } from '../results/index.ts';

const vocabulary = await loadVocabulary();
const IDENTITY = [
  set('meaning', '', 'on', true),
  set('facts', '', 'siteName', 'Bindery'),
  set('facts', '', 'ownerName', 'Quill Ltd'),
  set('facts', '', 'language', 'en'),
];
const HOME = '<html lang=en><title>Bindery</title><h1>Bindery</h1><p>We bind books.';

/** The edits of structured data that one page of a small site goes out with. */
function writtenEdits(html: string, changes: readonly Change[] = [], id = 'p/x.html'): readonly PageEdit[] {
  const pages = { 'index.html': HOME, 'p/index.html': '<html lang=en><title>Part</title><h1>The part</h1><p>All of it.', [id]: html };
  const site = testSite(pages, { changes: [...IDENTITY, ...changes] });
  site.survey.putMeanings(meaningsOf(pages));
  return site.survey.editsOf(id).filter(({ kind }) => kind === 'json-ld' || kind === 'no-markup');
}

/** What is written into one page of a small site. */
function written(html: string, changes: readonly Change[] = [], id = 'p/x.html'): readonly GraphNode[] {
  const edit = writtenEdits(html, changes, id).find(({ kind }) => kind === 'json-ld');
  return edit?.kind === 'json-ld' ? (edit.graph['@graph'] as unknown as readonly GraphNode[]) : [];
}
const as = (markup: string): Change => set('pages', 'p/x.html', 'markup', markup);
const page = (body: string, head = ''): string =>
  `<html lang=en><head><title>T</title><meta name=description content="What it is.">${head}</head><body><main>${body}</main></body></html>`;
const thing = (nodes: readonly GraphNode[], type: string): Readonly<Record<string, unknown>> | undefined =>
  nodes.find((node) => [node['@type']].flat().includes(type));

const PICTURE = '<img src="/a.jpg" alt="" width=640 height=480>';
const BYLINE = '<p class=byline>By Maren Quill, <time datetime="2026-02-03">3 February 2026</time></p><p>Last updated 14 March 2026</p>';
/** For each processor: a page that fills it whole, one that fills it half, and what is written of each; one that must not get it. */
const CASES: readonly {
  readonly id: string;
  readonly type: string;
  readonly whole: string;
  readonly says: Readonly<Record<string, unknown>>;
  readonly half: string;
  readonly lacks: readonly string[];
}[] = [
  ...(['article', 'blog-post', 'news'] as const).map((id) => ({
    id,
    type: { article: 'Article', 'blog-post': 'BlogPosting', news: 'NewsArticle' }[id],
    whole: page(`<h1>Why we sew</h1>${BYLINE}<p>Words.</p>${PICTURE}`),
    says: {
      headline: 'Why we sew',
      datePublished: '2026-02-03',
      dateModified: '2026-03-14',
      author: { '@id': 'https://a.example/#person-maren-quill' },
      publisher: { '@id': 'https://a.example/#organization' },
      description: 'What it is.',
      image: { '@type': 'ImageObject', url: 'https://a.example/a.jpg', width: 640, height: 480 },
    },
    half: page('<h1>Why we sew</h1><p>Words.</p>'),
    lacks: ['datePublished', 'author', 'image'],
  })),
  {
    id: 'product',
    type: 'Product',
    whole: page(`<h1>Kit</h1>${PICTURE}<p class=price>£18.50, in stock</p><p>4.5 out of 5 stars from 12 reviews</p>`),
    says: {
      name: 'Kit',
      offers: { '@type': 'Offer', price: '18.50', priceCurrency: 'GBP', availability: 'https://schema.org/InStock', url: 'https://a.example/p/x.html' },
      aggregateRating: { '@type': 'AggregateRating', ratingValue: '4.5', bestRating: '5', ratingCount: '12' },
    },
    half: page('<h1>Kit</h1><p>Good for books.</p>'),
    lacks: ['offers', 'aggregateRating', 'image'],
  },
  {
    id: 'event',
    type: 'Event',
    whole: page(
      '<h1>Sewing day</h1><dl><dt>When<dd><time datetime="2027-01-09T10:00">9 January</time> to <time datetime="2027-01-09T16:00">four</time><dt>Where<dd>The Bindery, 4 Ropewalk Lane<dt>Host<dd>Quill Ltd<dt>Price<dd>£85</dl>',
    ),
    says: {
      startDate: '2027-01-09T10:00',
      endDate: '2027-01-09T16:00',
      location: { '@type': 'Place', name: 'The Bindery', address: '4 Ropewalk Lane' },
      organizer: { '@id': 'https://a.example/#organization' },
    },
    half: page('<h1>Sewing day</h1><p>Some day in spring.</p>'),
    lacks: ['startDate', 'location', 'offers', 'organizer'],
  },
  {
    id: 'service',
    type: 'Service',
    whole: page(`<h1>Repair</h1>${PICTURE}<p>From £40</p>`),
    says: {
      name: 'Repair',
      provider: { '@id': 'https://a.example/#organization' },
      offers: { '@type': 'AggregateOffer', lowPrice: '40', priceCurrency: 'GBP', url: 'https://a.example/p/x.html' },
    },
    half: page('<h1>Repair</h1><p>We mend.</p>'),
    lacks: ['offers', 'image'],
  },
  {
    id: 'course',
    type: 'Course',
    whole: page('<h1>Binding</h1><p>From 3 March 2027, 18:00</p><p>Price: 120 EUR</p>'),
    says: { provider: { '@id': 'https://a.example/#organization' }, hasCourseInstance: { '@type': 'CourseInstance', startDate: '2027-03-03T18:00' } },
    half: page('<h1>Binding</h1><p>Evenings.</p>'),
    lacks: ['hasCourseInstance', 'offers'],
  },
  {
    id: 'recipe',
    type: 'Recipe',
    whole: page(
      `<h1>Paste</h1>${PICTURE}<p>Takes 40 minutes</p><h2>Ingredients</h2><ul><li>1 part flour<li>5 parts water</ul><h2>Method</h2><ol><li>Stir.<li>Heat.<li>Sieve.</ol>`,
    ),
    says: { totalTime: 'PT40M', recipeIngredient: ['1 part flour', '5 parts water'] },
    half: page('<h1>Paste</h1><p>Flour and water.</p>'),
    lacks: ['recipeIngredient', 'recipeInstructions', 'totalTime'],
  },
  {
    id: 'how-to',
    type: 'HowTo',
    whole: page('<h1>Fold</h1><h2>Steps</h2><ol><li>Fold it. Twice.<li>Crease it.</ol>'),
    says: {
      step: [
        { '@type': 'HowToStep', position: 1, name: 'Fold it.', text: 'Fold it. Twice.' },
        { '@type': 'HowToStep', position: 2, name: 'Crease it.', text: 'Crease it.' },
      ],
    },
    half: page('<h1>Fold</h1><p>Just fold it.</p>'),
    lacks: ['step', 'supply'],
  },
  {
    id: 'faq',
    type: 'FAQPage',
    whole: page('<h1>Asked</h1><details><summary>Do you post?</summary><p>We do.</p></details><details><summary>How long?</summary><p>A week.</p></details>'),
    says: {
      mainEntity: [
        { '@type': 'Question', name: 'Do you post?', acceptedAnswer: { '@type': 'Answer', text: 'We do.' } },
        { '@type': 'Question', name: 'How long?', acceptedAnswer: { '@type': 'Answer', text: 'A week.' } },
      ],
    },
    half: page('<h1>Asked</h1><details><summary>Do you post?</summary><p>We do.</p></details>'),
    lacks: ['mainEntity'],
  },
  {
    id: 'video',
    type: 'VideoObject',
    whole: page('<h1>Film</h1><p><time datetime=2026-05-01>1 May 2026</time></p><video src="/f.mp4" poster="/a.jpg"></video><p>Length: 3 min</p>'),
    says: { contentUrl: 'https://a.example/f.mp4', thumbnailUrl: 'https://a.example/a.jpg', uploadDate: '2026-05-01', duration: 'PT3M' },
    half: page('<h1>Film</h1><p>Soon.</p>'),
    lacks: ['contentUrl', 'thumbnailUrl', 'uploadDate'],
  },
  {
    id: 'job',
    type: 'JobPosting',
    whole: page('<h1>Binder wanted</h1><p>Posted on 1 June 2026</p><p>You sew books.</p><p>Where: Saltmere, Harbour</p>'),
    says: {
      title: 'Binder wanted',
      datePosted: '2026-06-01',
      hiringOrganization: { '@id': 'https://a.example/#organization' },
      jobLocation: { '@type': 'Place', name: 'Saltmere', address: 'Harbour' },
    },
    half: page('<h1>Binder wanted</h1><p>You sew books.</p>'),
    lacks: ['datePosted', 'jobLocation'],
  },
  {
    id: 'profile',
    type: 'ProfilePage',
    whole: page(`<h1>By Maren Quill</h1>${PICTURE}`),
    says: {
      mainEntity: { '@type': 'Person', name: 'Maren Quill', image: { '@type': 'ImageObject', url: 'https://a.example/a.jpg', width: 640, height: 480 } },
    },
    half: page('<p>Nobody.</p>'),
    lacks: [],
  },
  {
    id: 'about',
    type: 'AboutPage',
    whole: page('<h1>About</h1>'),
    says: { mainEntity: { '@id': 'https://a.example/#organization' } },
    half: page(''),
    lacks: [],
  },
  {
    id: 'contact',
    type: 'ContactPage',
    whole: page('<h1>Contact</h1>'),
    says: { mainEntity: { '@id': 'https://a.example/#organization' } },
    half: page(''),
    lacks: [],
  },
  { id: 'collection', type: 'CollectionPage', whole: page('<h1>All</h1>'), says: {}, half: page(''), lacks: [] },
];

const independent = async (text: string): Promise<string[]> => {
  const document = { '@context': { '@vocab': 'https://schema.org/' } };
  return quadSignatures(
    (await jsonld.toRDF(JSON.parse(text), {
      base: 'https://a.example/',
      documentLoader: async (documentUrl: string) => ({ document, documentUrl }),
    })) as QuadLike[],
  );
};

/** All that has to hold of whatever is written. */
async function holdsUp(nodes: readonly GraphNode[]): Promise<void> {
  const text = scriptJson({ '@context': 'https://schema.org', '@graph': nodes }, false);
  const reading = readJsonLd({ start: 0, end: text.length, text }, 'https://a.example/');
  expect(reading.troubles).toEqual([]);
  expect(checkMarkup(reading, vocabulary, 'https://a.example/p/x.html')).toEqual([]);
  // Read again it is the same graph, for us and for others; no thing stands twice.
  expect(itemSignatures(reading.items)).toEqual(await independent(text));
  const ids = nodes.map((node) => node['@id']);
  expect(new Set(ids).size).toBe(ids.length);
  for (const engine of ['skerry', 'plover']) expect(resultExtras(engine, plainItems(reading.items))).toEqual(resultExtras(engine, plainGraph(nodes)));
}

describe.each(CASES)('$id', ({ id, type, whole, says, half, lacks }) => {
  it('is filled whole by a page that says all of it, and holds up', async () => {
    const nodes = written(whole, [as(id)]);
    expect(thing(nodes, type)).toMatchObject(says);
    await holdsUp(nodes);
  });
  it('leaves out what a page does not say, and makes nothing up', async () => {
    const nodes = written(half, [as(id)]);
    const made = thing(nodes, type) ?? {};
    expect(lacks.filter((property) => property in made)).toEqual([]);
    await holdsUp(nodes);
  });
  it('is not made of a page that is something else', () => expect(thing(written(whole, [as(id === 'product' ? 'event' : 'product')]), type)).toBeUndefined());
});

describe('a page’s graph', () => {
  it('is joined by ids that are the same on all pages', () => {
    const nodes = written(CASES[0]?.whole ?? '', [as('article')]);
    expect(nodes.map((node) => [node['@type'], node['@id']])).toEqual([
      ['Organization', 'https://a.example/#organization'],
      ['WebSite', 'https://a.example/#website'],
      ['WebPage', 'https://a.example/p/x.html#webpage'],
      ['BreadcrumbList', 'https://a.example/p/x.html#breadcrumb'],
      ['Article', 'https://a.example/p/x.html#article'],
      ['Person', 'https://a.example/#person-maren-quill'],
    ]);
    expect(thing(nodes, 'BreadcrumbList')?.['itemListElement']).toEqual([
      { '@type': 'ListItem', position: 1, name: 'Bindery', item: 'https://a.example/' },
      { '@type': 'ListItem', position: 2, name: 'The part', item: 'https://a.example/p/' },
      { '@type': 'ListItem', position: 3, name: 'Why we sew' },
    ]);
  });
  it('takes the trail that the page shows before its address', () => {
    const nodes = written(page('<nav class=breadcrumb><a href="/">Start</a> › <a href="/p/">Parts</a> › Needles</nav><h1>Needles</h1>'));
    expect((thing(nodes, 'BreadcrumbList')?.['itemListElement'] as { name: string }[]).map(({ name }) => name)).toEqual(['Start', 'Parts', 'Needles']);
  });
  it('does not tell twice what the page came with and keeps, and names it by its id', () => {
    const own = '<script type="application/ld+json">{"@context":"https://schema.org","@type":"Product","@id":"#mine","name":"Kit"}</script>';
    const nodes = written(page('<h1>Kit</h1>', own), [as('product')]);
    expect(thing(nodes, 'Product')).toBeUndefined();
    expect(thing(nodes, 'WebPage')?.['mainEntity']).toEqual({ '@id': 'https://a.example/p/x.html#mine' });
  });
  it('takes over what the page came with: the page’s own values go first, and nothing else is lost', () => {
    const own =
      '<script type="application/ld+json">{"@context":"https://schema.org","@type":"Product","name":"Old","color":"red","offers":{"@type":"Offer","price":"1"}}</script>';
    const nodes = written(page('<h1>Kit</h1><p class=price>£18.50</p>', own), [as('product'), set('pages', 'p/x.html', 'foreignMarkup', 'take')]);
    expect(thing(nodes, 'Product')).toMatchObject({ name: 'Kit', color: 'red', offers: { price: '18.50' }, '@id': 'https://a.example/p/x.html#product' });
  });
  it('leaves what is more than can be taken over where it is: nothing of it is lost', () => {
    const names = Array.from({ length: 1600 }, (_, at) => `"n${at}"`).join(',');
    const own = `<script type="application/ld+json">{"@context":"https://schema.org","@type":"Product","name":"Kit","award":[${names}]}</script>`;
    const take = set('pages', 'p/x.html', 'foreignMarkup', 'take');
    expect(writtenEdits(page('<h1>Kit</h1>', own), [as('product'), take]).map(({ kind }) => kind)).toEqual(['json-ld']);
  });
  it('lets the owner’s own block go first, and never writes a draft', () => {
    const block = set('pages', 'p/x.html', 'markupBlock', '{"@context":"https://schema.org","@type":"Product","name":"Mine","award":"Best"}');
    expect(thing(written(page('<h1>Kit</h1>'), [as('product'), block]), 'Product')).toMatchObject({ name: 'Mine', award: 'Best' });
    const draft = set('pages', 'p/x.html', 'markupDraft', '{"name":');
    expect(written(page('<h1>Kit</h1>'), [as('product'), draft])).toEqual(written(page('<h1>Kit</h1>'), [as('product')]));
  });
  it('lets a kind’s block speak for each of its pages, and the page’s own go before it', () => {
    const block = (word: string): string => `{"@context":"https://schema.org","@type":"Product","award":"${word}","color":"red"}`;
    const ofKind = set('kinds', 'product', 'markupBlock', block('Kind'));
    const isProduct = set('pages', 'p/x.html', 'kind', 'product');
    expect(thing(written(page('<h1>Kit</h1>'), [isProduct, ofKind]), 'Product')).toMatchObject({ name: 'Kit', award: 'Kind', color: 'red' });
    const both = [isProduct, ofKind, set('pages', 'p/x.html', 'markupBlock', '{"@type":"Product","award":"Page"}')];
    expect(thing(written(page('<h1>Kit</h1>'), both), 'Product')).toMatchObject({ name: 'Kit', award: 'Page', color: 'red' });
    expect(thing(written(page('<h1>Kit</h1>'), [as('product'), ofKind]), 'Product')?.['award']).toBeUndefined();
  });
  it('dates a page by the feed where it names no day of its own, and never against one that it shows', () => {
    const feed = '<rss><item><link>https://a.example/p/x</link><pubDate>Tue, 03 Feb 2026 09:30:00 GMT</pubDate></item></rss>';
    const dated = (body: string): unknown => {
      const pages = { 'index.html': HOME, 'p/x.html': page(body) };
      const { survey } = testSite(pages, { changes: [...IDENTITY, as('article')], feeds: [feed.replace('/p/x', addressOf('p/x.html'))] });
      survey.putMeanings(meaningsOf(pages));
      const edit = survey.editsOf('p/x.html').find(({ kind }) => kind === 'json-ld');
      return edit?.kind === 'json-ld' ? thing(edit.graph['@graph'] as unknown as readonly GraphNode[], 'Article')?.['datePublished'] : undefined;
    };
    expect(dated('<h1>Why</h1>')).toBe('2026-02-03T09:30:00Z');
    expect(dated('<h1>Why</h1><p class=date>5 January 2020</p>')).toBe('2020-01-05');
    expect(dated('<h1>Why</h1><p>In this tale of 5 January 2020 nothing happens for a long time, and then it does.</p>')).not.toBe('2026-02-03T09:30:00Z');
    expect(dated('<h1>Why</h1><p>On 3 February 2026 it began to rain.</p>')).toMatch(/^2026-02-03/);
  });
  it('takes the owner’s word for a value, gives it back, and leaves out what is to be left out', () => {
    const key = 'p/x.html\nproduct.offers.price';
    const html = page('<h1>Kit</h1><p class=price>£18.50</p>');
    const price = (...changes: Change[]): unknown =>
      (thing(written(html, [as('product'), ...changes]), 'Product')?.['offers'] as { price?: string } | undefined)?.price;
    expect(price(set('markup', key, 'value', '20'))).toBe('20');
    expect(price(set('markup', key, 'value', 'twenty'))).toBe('18.50');
    expect(price(all([set('markup', key, 'value', '20'), set('markup', key, 'value', null)]))).toBe('18.50');
    expect(price(set('markup', key, 'leftOut', true))).toBeUndefined();
  });
  it('that is brought in again as it went out has nothing to write', () => {
    for (const { id, whole } of CASES) {
      const edits = [{ kind: 'json-ld' as const, graph: { '@context': 'https://schema.org', '@graph': written(whole, [as(id)]) } }];
      const patched = patchPage(sourceOf(whole), factsOf(whole), edits);
      if (!patched.ok) throw new Error(patched.reason);
      const again = new TextDecoder().decode(patched.bytes);
      expect(writtenEdits(again, [as(id)]), id).toEqual([]);
    }
  });
  it('is off for a page, for a kind, and altogether', () => {
    expect(written(page('<h1>x</h1>'), [as('none')])).toEqual([]);
    expect(written(page('<h1>x</h1>'), [set('kinds', 'page', 'markup', 'none')])).toEqual([]);
    expect(written(page('<h1>x</h1>'), [set('meaning', '', 'on', null)])).toEqual([]);
  });
  it.each<[where: string, address: string | undefined]>([
    ['', undefined],
    ['<p>We meet in our workshop.</p>', '4 Ropewalk Lane'],
    ['<p>Where: Quill Ltd</p>', '4 Ropewalk Lane'],
    ['<p>Where: The back room, 4 Ropewalk Lane</p>', '4 Ropewalk Lane'],
    ['<p>Where: Town Hall, Quay Street</p>', 'Quay Street'],
    ['<p>Where: Quill Ltd, 9 Other Street</p>', '9 Other Street'],
    ['<p>Where: Town Hall, Quay Street</p><p>Afterwards in our workshop.</p>', 'Quay Street'],
  ])('an event is at its owner’s address only where the page says so: %s', (where, address) => {
    const owner = [set('facts', '', 'street', '4 Ropewalk Lane'), set('facts', '', 'locality', 'Saltmere')];
    const event = written(page(`<h1>Sewing day</h1><p>Saturday 9 January 2027, 10:00–16:00</p>${where}`), [as('event'), ...owner]).find(
      (node) => node['@type'] === 'Event',
    );
    const said = (event?.['location'] as { address?: string | { streetAddress?: string } } | undefined)?.address;
    expect(typeof said === 'object' ? said.streetAddress : said).toBe(address);
    expect(event?.['organizer']).toBeUndefined();
  });
  it('holds up whatever a page says and its owner types', async () => {
    // Blanks are what a hand leaves behind most often, and chance least.
    const text = fc.oneof({ weight: 4, arbitrary: fc.string({ unit: 'grapheme', maxLength: 20 }) }, fc.constantFrom('', ' ', '\t\n', '\u00a0', '\u2003 '));
    const escaped = (said: string): string => said.replace(/&/g, '&amp;').replace(/</g, '&lt;');
    await fc.assert(
      fc.asyncProperty(
        text,
        text,
        fc.constantFrom(...CASES.map(({ id }) => id)),
        fc.constantFrom(...CASES.map(({ id }) => id)),
        text,
        async (heading, words, one, other, typed) => {
          const html = page(`<h1>${escaped(heading)}</h1>${BYLINE}<p>${escaped(words)}</p><p class=price>£18.50</p>${PICTURE}`);
          const paths = ['name', 'headline', 'description', 'offers.price', 'startDate', 'author', 'image', 'totalTime'];
          const nodes = written(html, [
            as(one === other ? one : `${one} ${other}`),
            ...paths.map((path) => set('markup', `p/x.html\n${one}.${path}`, 'value', typed)),
          ]);
          const faults = checkMarkup(readAll(nodes), vocabulary, 'https://a.example/p/x.html');
          expect(faults).toEqual([]);
        },
      ),
      { numRuns: runs(60) },
    );
  });
});

function readAll(nodes: readonly GraphNode[]): ReturnType<typeof readJsonLd> {
  const text = scriptJson({ '@context': 'https://schema.org', '@graph': nodes }, false);
  return readJsonLd({ start: 0, end: text.length, text }, 'https://a.example/');
}
