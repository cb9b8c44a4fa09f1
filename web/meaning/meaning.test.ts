import { CompletionContext } from '@codemirror/autocomplete';
import { EditorState } from '@codemirror/state';
import { describe, expect, it } from 'vitest';
import type { GraphNode } from '../../core/structured-data/index.ts';
import { readBack, type Piece } from '../../core/wording/index.ts';
import { meaningsOf } from '../../core/testing/meaning.ts';
import { testSite } from '../../core/testing/site.ts';
import { set, type Change } from '../../core/site/index.ts';
import { placesIn } from '../analysis/markup-tree.ts';
import { asScript } from './code.ts';
import { completer } from './page/completion.ts';
import { drawingOf, BOX } from './page/graph.ts';
import { loadKnowledge, problemsIn } from './page/knowledge.ts';

const knowledge = await loadKnowledge();

describe('the editor', () => {
  /** What is offered at the bar in a text. */
  const offered = (text: string): readonly string[] => {
    const at = text.indexOf('|');
    const state = EditorState.create({ doc: text.replace('|', '') });
    return (completer(knowledge)(new CompletionContext(state, at, true))?.options ?? []).map(({ label }) => label);
  };
  it.each([
    ['{"@type": "|"}', ['Product', 'Event', 'BookStore'], ['price']],
    ['{"@type": "Product", "|"}', ['name', 'offers', 'sku', '@id'], ['startDate']],
    ['{"@type": "Product", "offers": {"@type": "Offer", "|"}}', ['price', 'availability'], ['sku1']],
    ['{"@type": "Offer", "availability": "|"}', ['InStock', 'SoldOut'], ['Product']],
    ['{"@context": "|"}', ['https://schema.org'], []],
    ['{"name": "|"}', [], ['name']],
  ])('%s', (text, there, missing) => {
    const labels = offered(text);
    expect(there.filter((label) => !labels.includes(label))).toEqual([]);
    expect(missing.filter((label) => labels.includes(label))).toEqual([]);
  });
  it('says what is wrong, with its line, by the rules of all other markup', () => {
    expect(problemsIn('{\n"@context": "https://schema.org",\n"@type": "Produkt"}', knowledge).map(({ words, line }) => [words, line])).toEqual([
      ['There is no type “Produkt”. Perhaps “Product” is meant.', 1],
    ]);
    expect(problemsIn('', knowledge)).toEqual([]);
  });
});

describe('the picture of a graph', () => {
  const graph: readonly GraphNode[] = [
    { '@type': 'WebPage', '@id': 'https://a.example/#webpage', name: 'Page', mainEntity: { '@id': '#p' }, isPartOf: { '@id': '#s' } },
    {
      '@type': 'Product',
      '@id': '#p',
      name: 'Kit',
      offers: { '@type': 'Offer', price: '5', priceCurrency: 'GBP' },
      mainEntityOfPage: { '@id': 'https://a.example/#webpage' },
    },
    { '@type': 'WebSite', '@id': '#s', name: 'Site', publisher: { '@id': '#nobody' } },
  ];
  it('has a box for each thing, none over another, the page’s own set apart, and joins in words', () => {
    const { nodes, edges } = drawingOf(graph);
    expect(nodes.map(({ name, type, main }) => [name, type, main])).toEqual([
      ['Page', 'WebPage', false],
      ['Kit', 'Product', true],
      ['5 GBP', 'Offer', false],
      ['Site', 'WebSite', false],
    ]);
    expect(edges.map(({ words }) => words).sort()).toEqual(['is part of', 'on offer', 'tells of']);
    for (const one of nodes)
      for (const other of nodes) if (one !== other) expect(Math.abs(one.x - other.x) >= BOX.width || Math.abs(one.y - other.y) >= BOX.height).toBe(true);
  });
  it('goes round in circles without getting lost', () => {
    expect(
      drawingOf([
        { '@type': 'A', '@id': '#a', about: { '@id': '#b' } },
        { '@type': 'B', '@id': '#b', about: { '@id': '#a' } },
      ]).edges,
    ).toHaveLength(2);
    expect(drawingOf([]).nodes).toEqual([]);
  });
});

describe('what is read back', () => {
  const IDENTITY = [set('meaning', '', 'on', true), set('facts', '', 'siteName', 'Bindery'), set('facts', '', 'ownerName', 'Quill Ltd')];
  const told = (body: string, ...changes: Change[]): string[] => {
    const pages = { 'index.html': '<title>x</title><h1>x</h1>', 'p.html': `<html lang=en><title>T</title><body><main><h1>Kit</h1>${body}</main>` };
    const site = testSite(pages, { changes: [...IDENTITY, ...changes] });
    site.survey.putMeanings(meaningsOf(pages));
    const text = (piece: Piece): string => (piece.kind === 'words' ? piece.text : piece.kind === 'gap' ? ` [${piece.text}]` : `{${piece.text}}`);
    return readBack(site.survey.meaning.page('p.html'), 'Bindery').map((sentence) => sentence.map(text).join(''));
  };
  it.each<[string, string, string[]]>([
    [
      'product',
      '<p class=price>£18.50, in stock',
      [
        'A product, “{Kit}”, for {18.50} {GBP}, {in stock}, part of {Bindery}’s web site, found under {Bindery}. [Nobody says a picture] [Nobody says its brand]',
      ],
    ],
    [
      'event',
      '<p>From 9 January 2027, 10:00 to 10 January 2027, 16:00</p>',
      [
        'An event, “{Kit}”, from {9 January 2027, 10:00} until {10 January 2027, 16:00}, part of {Bindery}’s web site, found under {Bindery}. [Nobody says a picture] [Nobody says where it takes place] [Nobody says a price]',
      ],
    ],
    [
      'event',
      '<p>Saturday 9 January 2027, 10:00–16:00</p>',
      [
        'An event, “{Kit}”, from {9 January 2027, 10:00} until {16:00}, part of {Bindery}’s web site, found under {Bindery}. [Nobody says a picture] [Nobody says where it takes place] [Nobody says a price]',
      ],
    ],
    ['page', '', ['A page, part of {Bindery}’s web site, found under {Bindery}.']],
  ])('of a %s: %s', (id, body, sentences) =>
    expect(told(body, set('pages', 'p.html', 'markup', id)).map((one) => one.replace(/ \[Nobody says a description\]/, ''))).toEqual(sentences),
  );
});

it('places are told by line and column, wherever they are', () => {
  const text = 'a\nbc\n\nd';
  expect([0, 2, 3, 5, 6].map((start) => placesIn(text)({ start, end: start })).map(({ line, column }) => [line, column])).toEqual([
    [1, 1],
    [2, 1],
    [2, 2],
    [3, 1],
    [4, 1],
  ]);
});

it('code that is copied cannot end its element', () =>
  expect(asScript([{ '@type': 'Thing', '@id': '#x', name: '</script><b>' }])).not.toContain('</script><b>'));
