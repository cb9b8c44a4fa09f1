import { describe, expect, it } from 'vitest';
import { languageOf } from '../language/index.ts';
import { factsOf } from '../testing/html.ts';
import { coverageOf, densityOf, listOf, occurrences, phraseMatrix, phrasesFrom, phraseStems, prepareTexts, samePhrase, textsOf } from './index.ts';

const en = languageOf('en');
const page = (html: string, address = '/x/') => {
  const facts = factsOf(html);
  return textsOf(facts, { title: facts.titles[0]?.text ?? '', description: facts.metas.find((meta) => meta.name === 'description')?.content ?? '', address });
};
const REPAIR = page(
  '<title>Book repairs in Saltmere</title><meta name=description content="We repair old books."><h1>Repairing books</h1><p>Torn books are repaired by hand.</p><h2>What a book repair costs</h2><img src=a alt="A repaired book">',
  '/services/book-repair/',
);

describe('coverage', () => {
  it('finds a phrase in its places, in every form', () => {
    expect(coverageOf('book repair', REPAIR, en)).toEqual({
      places: { title: 'all', description: 'all', address: 'all', heading: 'all', 'first-paragraph': 'all', 'sub-headings': 'all', alts: 'all' },
      verdict: 'answered',
    });
    expect(coverageOf('repair of a book', REPAIR, en).verdict).toBe('answered');
  });
  it('tells partly from not, and what is not there at all', () => {
    const found = coverageOf('book repair London', page('<title>Book repair</title><h1>Book repair</h1><p>London is far.</p>'), en);
    expect(found.places).toMatchObject({ title: 'partly', 'first-paragraph': 'partly', description: 'absent', alts: 'absent' });
    expect(coverageOf('gold tooling', REPAIR, en).verdict).toBe('none');
  });
  it('works in German, French, Spanish and Japanese', () => {
    expect(coverageOf('Buch Reparatur', page('<title>Reparaturen alter Bücher</title><h1>Bücher: Reparatur</h1>'), languageOf('de')).places.title).toBe('all');
    expect(coverageOf('reliure de livre', page('<title>L’atelier : reliures, livres</title>'), languageOf('fr')).places.title).toBe('all');
    expect(coverageOf('reparar libros', page('<title>Reparamos libros antiguos</title>'), languageOf('es')).places.title).toBe('all');
    expect(coverageOf('本の修理', page('<title>古い本を修理します</title><h1>修理</h1>'), languageOf('ja')).places.title).toBe('all');
  });
});

describe('how often', () => {
  const filler = Array.from({ length: 50 }, (_, index) => `filler${index}`).join(' ');
  it('counts windows of words, not single ones, and says where', () => {
    expect(occurrences('book repair', 'Repairing a book. Books. The repair of many old books.', en).map(({ start }) => start)).toEqual([0, 29]);
    const density = densityOf('book repair', `Book repair here. ${filler} book repair`, en);
    expect(density).toMatchObject({ count: 2, verdict: 'good' });
    expect(density.at[0]).toBe(0);
    expect(density.gap).toBeGreaterThan(0.8);
  });
  it('sees that all mentions stand in one place of a long text, wherever that is', () => {
    const words = (many: number): string => Array.from({ length: many }, (_, index) => `filler${index}`).join(' ');
    const begun = densityOf('book repair', `Book repair. We do book repair. ${words(600)}`, en);
    expect([begun.count, begun.verdict, begun.gapFrom < 0.01, begun.gap > 0.98]).toEqual([2, 'uneven', true, true]);
    const ended = densityOf('book repair', `${words(600)}. Book repair. We do book repair.`, en);
    expect([ended.verdict, ended.gapFrom]).toEqual(['uneven', 0]);
    expect(densityOf('book repair', `Book repair. ${words(300)}. Book repair. ${words(300)}`, en).verdict).toBe('good');
    expect(densityOf('book repair', `Book repair. We do book repair. ${words(120)}`, en).verdict).toBe('good');
  });
  it('knows too rarely, too often, and too short', () => {
    expect(densityOf('gold', filler, en).verdict).toBe('too-rare');
    expect(densityOf('gold', `${'gold leaf '.repeat(5)} ${filler}`, en).verdict).toBe('too-often');
    expect(densityOf('gold', 'gold', en).verdict).toBe('too-short');
  });
});

describe('phrases', () => {
  it('are made from services, places and audiences', () => {
    expect(phrasesFrom({ services: ['book repair', 'box making'], places: ['Saltmere'], audiences: ['for libraries'] })).toEqual([
      'book repair',
      'book repair Saltmere',
      'book repair for libraries',
      'book repair for libraries Saltmere',
      'box making',
      'box making Saltmere',
      'box making for libraries',
      'box making for libraries Saltmere',
    ]);
    expect(listOf(' a \n\nb;a')).toEqual(['a', 'b']);
  });
  it('meet whatever their order and form', () => {
    expect(samePhrase('repairing books', 'book repair', en)).toBe(true);
    expect(samePhrase('book', 'book repair', en)).toBe(false);
    expect(phraseStems('', en)).toEqual([]);
  });
  it('stand against pages: answered, weak, fought over, nobody’s; the most worth first', () => {
    const pages = [
      { id: 'repair', texts: prepareTexts(REPAIR, en), language: en, target: '' },
      { id: 'repair-2', texts: prepareTexts(page('<title>Book repair</title><h1>Book repair</h1>'), en), language: en, target: '' },
      { id: 'box', texts: prepareTexts(page('<title>Box making</title><h1>Box making</h1>'), en), language: en, target: '' },
      { id: 'gold', texts: prepareTexts(page('<title>Prices</title><p>Gold tooling from 40.</p>'), en), language: en, target: '' },
    ];
    const rows = (list = pages) =>
      Object.fromEntries(phraseMatrix(['book repair', 'box making', 'gold tooling', 'marbling'], list, () => 1).map((row) => [row.phrase, row.verdict]));
    expect(rows()).toEqual({ 'book repair': 'fought', 'box making': 'answered', 'gold tooling': 'weak', marbling: 'nobody' });
    expect(phraseMatrix(['old book repair'], pages, () => 1)[0]).toMatchObject({ verdict: 'weak', weak: ['repair', 'repair-2'] });
    expect(phraseMatrix(['old church book'], pages, () => 1)[0]).toMatchObject({ verdict: 'nobody', nearest: 'repair' });
    // The place alone is no reason: what is offered must be said there.
    expect(phraseMatrix(['pottery old', 'repair pottery'], pages, () => 1, ['pottery', 'repair']).map(({ nearest }) => nearest)).toEqual([undefined, 'repair']);
    // One page that was meant for it ends the fight.
    expect(rows(pages.map((one) => (one.id === 'repair' ? { ...one, target: 'book repairs' } : one)))['book repair']).toBe('answered');
    expect(phraseMatrix(['box making', 'marbling'], pages, (phrase) => (phrase === 'box making' ? 3 : 1)).map((row) => row.phrase)).toEqual([
      'box making',
      'marbling',
    ]);
  });
});
