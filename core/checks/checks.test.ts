import { describe, expect, it } from 'vitest';
import { wayIn } from '../indexing/index.ts';
import { languageOf, measureText } from '../language/index.ts';
import { readPage, type PageFacts } from '../page/index.ts';
import { emptyDocument, set, applyChange, all, pageKey, type Change } from '../site/index.ts';
import { MANIFEST_FORMAT } from '../release/index.ts';
import { forSurvey } from '../rows/index.ts';
import { Survey } from '../survey/index.ts';
import { factsOf } from '../testing/html.ts';
import { meaningsOf } from '../testing/meaning.ts';
import { findingWords } from '../wording/index.ts';
import { CHECKS, checkOf, costOf, IGNORABLE, isEnough, type FindingCode } from './index.ts';

const GOOD =
  '<!doctype html><html lang=en><head><title>Box making for rare books</title><meta name=description content="Boxes cut to the measure of one book, covered in cloth, by two bookbinders in Saltmere."></head><body><h1>Box making</h1><p>Each box is cut to one book. We cover it in cloth or leather, and line the tray with felt.</p><h2>How long it takes</h2><p>A box takes about two weeks. Bring the book in, and we measure it while you wait. You can leave it here or take it home again until the box is done.</p><img src=a.jpg alt="A box"><a href=/>home</a></body></html>';
const LONG = 'clamshell boxes and slipcases '.repeat(12);

const OTHER = GOOD.replace('Box making for rare books', 'Gold tooling on leather').replace(
  /content="[^"]*"/,
  'content="Letters and lines pressed with warm brass and real gold leaf."',
);

/** As a file is read that comes without a header. */
function asBrought(html: string): PageFacts {
  const reading = readPage(new TextEncoder().encode(html));
  if (!reading.ok) throw new Error(reading.reason);
  return reading.facts;
}

/** A site of a home page, the page in question and another good one; gives the codes found on the page. */
function codes(html: string, options: { robots?: string; changes?: readonly Change[]; other?: string; home?: string } = {}): FindingCode[] {
  const pages = {
    'index.html':
      options.home ??
      GOOD.replace('Box making for', 'Home of')
        .replace('Boxes cut to the measure of one book, covered in cloth', 'A workshop by the harbour where old books are sewn and mended')
        .replace('</body>', '<a href=/p.html>p</a></body>'),
    'p.html': html,
    'q.html': options.other ?? OTHER,
  };
  const files = Object.keys(pages).map((path) => ({ path, hash: path, size: 1, modified: undefined }));
  const document = applyChange(emptyDocument(), all([set('facts', '', 'mainAddress', 'https://a.example'), ...(options.changes ?? [])]));
  const manifest = {
    version: MANIFEST_FORMAT.version,
    number: 0,
    files: Object.fromEntries(files.map(({ path, hash }) => [path, { hash, edits: [] }])),
    own: {},
    listed: [],
    changedAt: {},
  };
  const survey = new Survey(
    document,
    files,
    Object.entries(pages).map(([id, text]) => ({ id, read: forSurvey(asBrought(text)) })),
    { robots: options.robots, maps: {} },
    manifest,
    () => 0,
  );
  survey.compareMore(() => true);
  survey.putMeanings(meaningsOf(pages));
  survey.putMeasures(new Map(Object.entries(pages).map(([id, text]) => [id, measureText(factsOf(text, { keepText: true }).blocks ?? [], languageOf('en'))])));
  return (
    survey
      .rows()
      .find((row) => row.id === 'p.html')
      ?.findings.map((finding) => finding.code) ?? []
  );
}

const told = (json: string): string => GOOD.replace('</head>', `<script type="application/ld+json">${json}</script></head>`);
const product = (rest: string): string => told(`{"@context":"https://schema.org","@type":"Product","name":"Box making","image":"/a.jpg","brand":"B"${rest}}`);
const OFFER = ',"offers":{"@type":"Offer","price":"95","priceCurrency":"GBP","availability":"https://schema.org/InStock"}';
const priced = (html: string): string => html.replace('<img', '<p>£95</p><img');
const WITHOUT = { changes: [set('pages', 'p.html', 'foreignMarkup', 'remove')] };
const WRITTEN = [
  set('meaning', '', 'on', true),
  set('facts', '', 'siteName', 'Bindery'),
  set('facts', '', 'ownerName', 'Bindery'),
  set('pages', 'p.html', 'kind', 'product'),
];

/** For each check: a page that triggers it, and the mend that removes it. */
const CASES: Readonly<Record<FindingCode, { bad: Parameters<typeof codes>; mended: Parameters<typeof codes> }>> = {
  'markup-broken': { bad: [told('{"@type":')], mended: [told('{"@type":'), WITHOUT] },
  'markup-contradicts': { bad: [product(OFFER)], mended: [priced(product(OFFER))] },
  'markup-wrong': { bad: [priced(product(OFFER.replace('"95"', '"95 pounds"')))], mended: [priced(product(OFFER))] },
  'markup-odd': { bad: [priced(product(`${OFFER},"colour":"red"`))], mended: [priced(product(OFFER))] },
  'result-missing': { bad: [product('')], mended: [priced(product(OFFER))] },
  'result-thin': { bad: [priced(product(OFFER.replace(/,"availability":"[^"]*"/, '')))], mended: [priced(product(OFFER))] },
  'markup-unseen': {
    bad: [priced(product(OFFER)), { changes: [set('pages', 'p.html', 'intent', 'out')] }],
    mended: [priced(product(OFFER)), { changes: [set('pages', 'p.html', 'intent', 'list')] }],
  },
  'markup-misfit': {
    bad: [GOOD, { changes: [...WRITTEN, set('markup', 'p.html\nproduct.offers.price', 'value', 'cheap')] }],
    mended: [GOOD, { changes: [...WRITTEN, set('markup', 'p.html\nproduct.offers.price', 'value', '12.50')] }],
  },
  'title-missing': {
    bad: [GOOD.replace(/<title>.*<\/title>/, '')],
    mended: [GOOD.replace(/<title>.*<\/title>/, ''), { changes: [set('pages', 'p.html', 'title', 'Boxes for books')] }],
  },
  'title-leftover': {
    bad: [GOOD.replace('Box making for rare books', 'Home')],
    mended: [GOOD.replace('Box making for rare books', 'Home'), { changes: [set('pages', 'p.html', 'title', 'Boxes for books')] }],
  },
  'title-cut': {
    bad: [GOOD.replace('Box making for rare books', LONG)],
    mended: [GOOD.replace('Box making for rare books', LONG), { changes: [set('pages', 'p.html', 'title', 'Short')] }],
  },
  'title-same': {
    bad: [GOOD, { other: GOOD.replace('Boxes', 'Cases') }],
    mended: [GOOD, { other: GOOD.replace('Boxes', 'Cases'), changes: [set('pages', 'p.html', 'title', 'Mine alone')] }],
  },
  'title-several': {
    bad: [GOOD.replace('</head>', '<title>Second</title></head>')],
    mended: [GOOD.replace('</head>', '<title>Second</title></head>'), { changes: [set('pages', 'p.html', 'oneTitle', true)] }],
  },
  'title-outside-head': {
    bad: ['<html lang=en><p>x<title>Boxes for rare books</title><h1>x</h1>'],
    mended: ['<html lang=en><p>x<title>Boxes for rare books</title><h1>x</h1>', { changes: [set('pages', 'p.html', 'oneTitle', true)] }],
  },
  'name-number': {
    bad: [GOOD.replace('Box making for rare books', 'Journal 2 | Bindery'), { other: OTHER.replace(/<title>[^<]*/, '<title>Journal | Bindery') }],
    mended: [GOOD, { changes: [set('pages', 'p.html', 'title', 'Journal | Bindery')] }],
  },
  'description-missing': {
    bad: [GOOD.replace(/<meta name=description[^>]*>/, '')],
    mended: [GOOD.replace(/<meta name=description[^>]*>/, ''), { changes: [set('pages', 'p.html', 'description', 'Boxes.')] }],
  },
  'description-same': {
    bad: [GOOD, { other: GOOD.replace('rare', 'old') }],
    mended: [GOOD, { other: GOOD.replace('rare', 'old'), changes: [set('pages', 'q.html', 'description', 'Other.')] }],
  },
  'description-cut': {
    bad: [GOOD.replace('Boxes cut', LONG)],
    mended: [GOOD.replace('Boxes cut', LONG), { changes: [set('pages', 'p.html', 'description', 'Short.')] }],
  },
  'heading-missing': { bad: [GOOD.replace(/<h1>.*?<\/h1>/, '<h2>x</h2>')], mended: [GOOD] },
  'image-alt-missing': { bad: [GOOD.replace(' alt="A box"', '')], mended: [GOOD.replace('alt="A box"', 'alt=""')] },
  'title-near': {
    bad: [GOOD, { other: OTHER.replace('Gold tooling on leather', 'Box making for rare book') }],
    mended: [
      GOOD,
      { other: OTHER.replace('Gold tooling on leather', 'Box making for rare book'), changes: [set('pages', 'p.html', 'title', 'A case for one book')] },
    ],
  },
  'description-near': {
    bad: [GOOD, { other: GOOD.replace('rare', 'old').replace('by two bookbinders', 'by three bookbinders') }],
    mended: [
      GOOD,
      {
        other: GOOD.replace('rare', 'old').replace('by two bookbinders', 'by three bookbinders'),
        changes: [set('pages', 'p.html', 'description', 'What a box is made of, and how long it takes.')],
      },
    ],
  },
  'phrase-fought': {
    bad: [GOOD, { changes: [set('pages', 'p.html', 'phrase', 'book boxes'), set('pages', 'q.html', 'phrase', 'box for a book')] }],
    mended: [GOOD, { changes: [set('pages', 'p.html', 'phrase', 'book boxes'), set('pages', 'q.html', 'phrase', 'gold tooling')] }],
  },
  'phrase-places': {
    bad: [GOOD, { changes: [set('pages', 'p.html', 'phrase', 'slipcases')] }],
    mended: [GOOD, { changes: [set('pages', 'p.html', 'phrase', 'box')] }],
  },
  'keywords-many': {
    bad: [GOOD.replace('</head>', `<meta name=keywords content="${'word, '.repeat(20)}"></head>`)],
    mended: [
      GOOD.replace('</head>', `<meta name=keywords content="${'word, '.repeat(20)}"></head>`),
      { changes: [set('pages', 'p.html', 'keywords', 'box, book')] },
    ],
  },
  'links-broken': {
    bad: [GOOD.replace('</body>', '<a href=/nowhere/>x</a></body>')],
    mended: [GOOD.replace('</body>', '<a href=/nowhere/>x</a></body>'), { changes: [set('repairs', '/nowhere/', 'to', '/q.html')] }],
  },
  'template-left': {
    bad: [GOOD.replace('<body>', '<body><?php include "menu.php" ?>')],
    mended: [GOOD.replace('<body>', '<body><code>&lt;?php</code><pre>{% if %}</pre>')],
  },
  'one-engine': {
    bad: [GOOD, { robots: 'User-agent: PloverBot\nDisallow: /p' }],
    mended: [GOOD, { robots: 'User-agent: PloverBot\nDisallow: /q' }],
  },
  'canonical-several': {
    bad: [GOOD.replace('</head>', '<link rel=canonical href=/p.html><link rel=canonical href=/q.html></head>')],
    mended: [
      GOOD.replace('</head>', '<link rel=canonical href=/p.html><link rel=canonical href=/q.html></head>'),
      { changes: [set('pages', 'p.html', 'canonical', 'self')] },
    ],
  },
  'not-writable': { bad: [GOOD.replace('</title>', '')], mended: [GOOD] },
  'noscript-noindex': {
    bad: [GOOD.replace('<head>', '<head><noscript><meta name="Robots" content="none"></noscript>')],
    mended: [
      GOOD.replace('<head>', '<head><noscript><meta name=robots content=index><p>x</p></noscript>').replace(
        '<body>',
        '<body><noscript><meta name=robots content=noindex></noscript>',
      ),
    ],
  },
  'charset-missing': {
    bad: [GOOD.replace('<head>', '<head><!-- ü -->')],
    mended: [GOOD.replace('<head>', '<head><!-- ü -->'), { changes: [set('facts', '', 'sayCharset', true)] }],
  },
  'address-taken': {
    bad: [GOOD, { other: OTHER, changes: [set('pages', 'p.html', 'ending', 'q')] }],
    mended: [GOOD, { other: OTHER, changes: [set('pages', 'p.html', 'ending', 'r')] }],
  },
  'second-spelling': {
    bad: [GOOD, { home: `${GOOD.replace('Box making for', 'Home of').replace('Boxes cut', 'Covers cut')}<a href=/p>p</a><a href=/p.html>p</a>` }],
    mended: [
      GOOD,
      {
        home: `${GOOD.replace('Box making for', 'Home of').replace('Boxes cut', 'Covers cut')}<a href=/p>p</a><a href=/p.html>p</a>`,
        changes: [set('repairs', '/p', 'to', '/p.html')],
      },
    ],
  },
  'links-none': {
    bad: [GOOD, { home: '<h1>Home</h1>' }],
    mended: [
      GOOD,
      {
        home: '<h1>Home</h1><p>Boxes are made here.</p>',
        changes: [
          set('passages', 'index.html\n13', 'was', 'Boxes are made here.'),
          set('passages', 'index.html\n13', 'links', '[{"words":"Boxes","nth":0,"href":"/p.html"}]'),
        ],
      },
    ],
  },
  'heading-several': {
    bad: [GOOD.replace('<h2>How', '<h1>Again</h1><h2>How')],
    mended: [GOOD.replace('<h2>How', '<h1>Again</h1><h2>How'), { changes: [set('pages', 'p.html', 'oneHeading', true)] }],
  },
  'heading-order': { bad: [GOOD.replace(/h2>/g, 'h4>')], mended: [GOOD] },
  'heading-wall': {
    bad: [GOOD.replace(/<h2>.*<\/h2>/, `<p>${'word '.repeat(500)}</p>`)],
    mended: [GOOD.replace('</h2>', `</h2><p>${'word '.repeat(500)}</p>`)],
  },
  'text-thin': { bad: [GOOD.replace(/<p>.*<\/p>/, '<p>Text.</p>')], mended: [GOOD] },
  'sentence-long': {
    bad: [GOOD.replace('</body>', `<p>${`Every ${'word '.repeat(30)}end. `.repeat(3)}</p></body>`)],
    mended: [GOOD.replace('</body>', `<p>${`Every ${'word '.repeat(12)}end. `.repeat(6)}</p></body>`)],
  },
  'paragraph-long': {
    bad: [GOOD.replace('</body>', `<p>${'Some words here. '.repeat(50)}</p></body>`)],
    mended: [GOOD.replace('</body>', `<p>${'Some words here. '.repeat(25)}</p><p>${'Some words here. '.repeat(25)}</p></body>`)],
  },
  'reading-hard': {
    bad: [
      GOOD.replace(
        /<p>.*<\/p>/,
        `<p>${'Institutional conservation methodologies necessitate interdisciplinary documentation of heterogeneous collections. '.repeat(12)}</p>`,
      ),
    ],
    mended: [GOOD],
  },
  'wording-care': {
    bad: [GOOD.replace('Each box', 'Our chairman says each box'), { changes: [set('care', '', 'wording', true)] }],
    mended: [GOOD.replace('Each box', 'Our chair says each box'), { changes: [set('care', '', 'wording', true)] }],
  },
  'lang-missing': {
    bad: [GOOD.replace(' lang=en', '')],
    mended: [GOOD.replace(' lang=en', ''), { changes: [set('pages', 'p.html', 'lang', 'en')] }],
  },
  'shut-out': {
    bad: [GOOD.replace('</head>', '<meta name=robots content=noindex></head>')],
    mended: [GOOD.replace('</head>', '<meta name=robots content=noindex></head>'), { changes: [set('pages', 'p.html', 'intent', 'list')] }],
  },
  leaking: {
    bad: [GOOD, { changes: [set('pages', 'p.html', 'kind', 'tag')] }],
    mended: [GOOD, { changes: [set('pages', 'p.html', 'kind', 'tag'), set('kinds', 'tag', 'intent', 'out')] }],
  },
  'half-hidden': {
    bad: [GOOD, { robots: 'User-agent: *\nDisallow: /p', changes: [set('pages', 'p.html', 'intent', 'out')] }],
    mended: [GOOD, { changes: [set('pages', 'p.html', 'intent', 'out')] }],
  },
};

it('numbers that are meant are no leftovers: with no copy beside, with sisters, in the heading too', () => {
  const titled = (title: string, heading = 'x'): string => GOOD.replace(/<title>[^<]*/, `<title>${title}`).replace(/<h1>[^<]*/, `<h1>${heading}`);
  expect(codes(titled('Room 2 | Inn'))).not.toContain('name-number');
  expect(codes(titled('Room 2 | Inn'), { other: titled('Room 3 | Inn') })).not.toContain('name-number');
  expect(codes(titled('Room 2 | Inn', 'Room 2'))).not.toContain('name-number');
  expect(codes(titled('Room 2 | Inn', 'Room'))).toContain('name-number');
  expect(codes(titled('Room 2 | Inn'), { other: titled('Room | Inn') })).toContain('name-number');
});

describe('every check', () => {
  it('has a case here', () => expect(Object.keys(CASES).sort()).toEqual(CHECKS.map((check) => check.code).sort()));
  it.each(Object.entries(CASES))('%s is found, and gone after its mend', (code, { bad, mended }) => {
    expect(codes(...bad)).toContain(code);
    expect(codes(...mended)).not.toContain(code);
  });
  it.each(IGNORABLE)('%s can be let be on one page, and is back when that is taken back', (code) => {
    const { bad } = CASES[code];
    const ignore = set('ignored', pageKey('p.html', code), 'reason', 'Meant so');
    expect(codes(bad[0], { ...bad[1], changes: [...(bad[1]?.changes ?? []), ignore] })).not.toContain(code);
  });
  it('finds nothing on a good page', () => expect(codes(GOOD)).toEqual([]));
  it('has words', () => {
    for (const { code } of CHECKS) {
      const finding = {
        code,
        fault: { code: 'price-form', type: 'Offer', property: 'price', word: '5 €', start: 0, end: 1 },
        gap: { engine: 'skerry', sort: 'product', type: 'Product', missing: ['offers.price'], better: ['image'] },
        others: 1,
        types: ['Product'],
        path: 'product.offers.price',
        part: 'Home',
        why: 'default',
        words: code === 'wording-care' ? [{ word: 'chairman', instead: 'chair' }] : 2,
        lastShown: 'a b',
        pages: ['q.html'],
        count: 2,
        of: 3,
        first: 'a.jpg',
        name: 'Journal 2',
        gates: ['listed'],
        line: 3,
        phrase: 'book repair',
        missing: ['title', 'heading'],
        paths: ['/nowhere/'],
        heading: 'x',
        level: 4,
        after: 2,
        begins: 'a b',
        formula: 'Flesch',
        score: 20,
        instruction: '<?php',
        ...(code === 'one-engine' ? { engine: 'Plover', how: 'leaking' } : {}),
        addresses: ['https://a.example/', 'https://a.example/b/'],
        ...(code === 'not-writable' ? { why: 'head-open' } : {}),
        content: 'noindex',
        very: false,
      } as never;
      const { headline, why, mend } = findingWords(finding);
      for (const text of [headline, why, mend]) expect(text).toMatch(/\S/);
      expect(`${headline} ${why} ${mend}`).not.toMatch(/undefined|!/);
      expect(why.split(/[.;] /).length).toBeLessThanOrEqual(3);
    }
  });
});

it('pages that stay out are only asked what concerns their staying out, and their visitors', () => {
  expect(codes('<p>nothing here', { changes: [set('pages', 'p.html', 'intent', 'out')] })).toEqual(['lang-missing']);
});

it('costs come in order, and enough is where only polish is left', () => {
  const found = codes('<head><meta name=robots content=noindex></head><p>x');
  const costs = found.map((code) => checkOf(code).cost);
  expect([...costs].sort((a, b) => ['blocks', 'weakens', 'polish'].indexOf(a) - ['blocks', 'weakens', 'polish'].indexOf(b))).toEqual(costs);
  expect(isEnough([{ code: 'lang-missing' }])).toBe(true);
  expect(isEnough([{ code: 'title-missing' }])).toBe(false);
  expect(costOf({ code: 'leaking' })).toBe('blocks');
  expect(() => checkOf('nonsense' as never)).toThrow(RangeError);
});

it('a shut page names every gate that shuts it', () => {
  const way = wayIn({
    path: '/',
    live: { kind: 'not-released' },
    audience: 'everyone',
    answer: { kind: 'file' },
    robots: { kind: 'missing' },
    page: undefined,
    linksIn: 0,
    inSitemap: false,
    isHome: false,
    now: 0,
  });
  expect(way.gates.filter((gate) => gate.behind === 'shut').map((gate) => gate.name)).toEqual(['live', 'reachable']);
});
