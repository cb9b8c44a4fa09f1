import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import {
  demandFor,
  evenings,
  expectedVisits,
  outcomeChanges,
  queriesFor,
  readQuery,
  SearchIndex,
  seenOn,
  toldUntil,
  turnsOfTheDay,
  wordsOf,
  type EngineDay,
  type IndexRecord,
  type Outcome,
} from './index.ts';
import { indexRecord as record } from '../testing/index-record.ts';

describe('the days of an engine', () => {
  const outcome = fc.constantFrom<Outcome>('listed', 'bare', 'not-listed', 'waiting');
  const state = fc.dictionary(fc.constantFrom('a', 'b', 'c', 'd', 'e'), outcome, { maxKeys: 5 });
  it('walked back change by change, are the evenings that were', () => {
    fc.assert(
      fc.property(fc.array(state, { minLength: 1, maxLength: 8 }), (states) => {
        // An engine forgets no address: each state holds all of those before it.
        const whole: Record<string, Outcome>[] = [];
        for (const one of states) whole.push({ ...whole.at(-1), ...one });
        const recordsOf = (one: Record<string, Outcome>): IndexRecord[] => Object.entries(one).map(([address, outcome]) => record(address, { outcome }));
        const days = whole.map((one, at): EngineDay => ({
          at: String(at),
          visited: 0,
          listed: 0,
          changes: outcomeChanges(recordsOf(whole[at - 1] ?? {}), recordsOf(one)),
        }));
        const told = evenings(recordsOf(whole.at(-1) ?? {}), [...days].reverse(), ['listed', 'bare', 'not-listed', 'waiting'], (_, outcome) => outcome);
        expect(told.map(({ counts }) => counts)).toEqual(
          whole.map((one) => {
            const counts = { listed: 0, bare: 0, 'not-listed': 0, waiting: 0 };
            for (const outcome of Object.values(one)) counts[outcome]++;
            return counts;
          }),
        );
      }),
    );
  });
});

describe('fresh visits', () => {
  const ask = (count: number, told = false) =>
    Array.from({ length: count }, (_, at) => ({ address: `${told ? 't' : 'a'}${at}`, at: '', ...(told ? { told } : {}) }));
  it('go by the allowance, and what was told of goes beside it', () => {
    expect(turnsOfTheDay(ask(12), 10)).toHaveLength(10);
    expect(turnsOfTheDay([...ask(12), ...ask(30, true)], 10)).toHaveLength(40);
    expect(turnsOfTheDay([], 10)).toEqual([]);
  });
  it('are expected in their order, all others in theirs behind them', () => {
    const records = ['a0', 'x', 'y', 'z'].map((address, at) => ({ address, visitedAt: `2026-01-0${4 - at}` }));
    const days = expectedVisits(records, ask(3), { perDay: 3, allowance: 2 });
    expect(Object.fromEntries(days)).toEqual({ a0: 1, a1: 1, a2: 2, z: 1, y: 2, x: 2 });
  });
  it('every address that is known or asked for has its day, and no day has too many', () => {
    fc.assert(
      fc.property(fc.nat(60), fc.nat(30), fc.integer({ min: 1, max: 9 }), fc.integer({ min: 1, max: 9 }), (known, asked, perDay, allowance) => {
        const records = Array.from({ length: known }, (_, at) => ({ address: `a${at}`, visitedAt: undefined }));
        const days = expectedVisits(records, ask(asked), { perDay, allowance });
        expect(days.size).toBe(Math.max(known, asked));
        const counts = new Map<number, number>();
        for (const day of days.values()) counts.set(day, (counts.get(day) ?? 0) + 1);
        for (const [day, count] of counts) expect([day, count <= perDay + allowance]).toEqual([day, true]);
      }),
    );
  });
});

describe('a search', () => {
  it('reads words, words side by side, and the site', () => {
    expect(readQuery('site:https://A.example/x/ old “family bibles” repair')).toEqual({
      words: ['old', 'family', 'bibles', 'repair'],
      phrases: [['family', 'bibles']],
      site: 'a.example/x',
    });
    expect(readQuery('""')).toEqual({ words: [], phrases: [], site: undefined });
  });
  const pages = [
    record('https://a.example/', { title: 'Book repair', text: 'we repair a family bible', linkedFrom: ['x', 'y'] }),
    record('https://a.example/bible', { title: 'Bibles', text: 'a bible of the family' }),
    record('https://a.example/more', { title: 'More repair of a bible', text: 'bible bible' }),
    record('https://b.example/', { title: 'Bible shop', text: 'bibles for the family' }),
  ];
  const index = new SearchIndex(pages);
  it('takes words in quotes as they stand', () => {
    expect(index.search('"family bible"').results.map(({ address }) => address)).toEqual(['https://a.example/']);
    expect(index.search('family bible').total).toBeGreaterThan(1);
  });
  it('folds what a site has beyond two, and unfolds it where the site is named', () => {
    const found = index.search('bible').results;
    expect(found.filter(({ address }) => address.startsWith('https://a.example')).map(({ more }) => more)).toEqual([undefined, 1]);
    expect(index.search('site:a.example bible').results).toHaveLength(3);
  });
  it('says why a page stands where it does', () => {
    const [best] = index.search('repair bible xylophone').results;
    expect(best).toMatchObject({
      address: 'https://a.example/',
      position: 1,
      why: {
        where: [
          { field: 'title', words: ['repair'] },
          { field: 'text', words: ['repair', 'bible'] },
        ],
        missing: ['xylophone'],
        links: 2,
      },
    });
  });
  it('links lift one of two pages that are alike', () => {
    const alike = [record('https://c.example/1', { title: 'Glue' }), record('https://d.example/2', { title: 'Glue', linkedFrom: ['a', 'b', 'c'] })];
    expect(new SearchIndex(alike).search('glue').results[0]?.address).toBe('https://d.example/2');
  });
  it('finds just the pages in which a word stands, whatever the texts', () => {
    const text = fc.array(fc.constantFrom('red', 'Blue', 'green,', 'Grün', '日本', 'x1'), { maxLength: 6 }).map((words) => words.join(' '));
    fc.assert(
      fc.property(fc.array(fc.tuple(text, text), { maxLength: 12 }), fc.constantFrom('red', 'blue', 'grün', '日本', 'x1', 'none'), (texts, word) => {
        const records = texts.map(([title, text], at) => record(`https://h${at}.example/`, { title, text }));
        const having = records.filter(({ title, text }) => wordsOf(`${title} ${text}`).includes(word)).map(({ address }) => address);
        expect(
          new SearchIndex(records)
            .search(word, { most: 100 })
            .results.map(({ address }) => address)
            .sort(),
        ).toEqual([...having].sort());
      }),
    );
  });
});

describe('invented searchers', () => {
  const records = [
    record('https://a.example/', { title: 'Book repair in Saltmere | Quillfeather Bindery', description: 'We repair books in Saltmere.' }),
    record('https://a.example/out', { title: 'Secret prices', outcome: 'not-listed' }),
    record('https://a.example/m', { title: 'Materials | Quillfeather Bindery' }),
    record('https://a.example/2', { title: 'Journal 2 | Quillfeather Bindery' }),
  ];
  it('type what the owner wishes, then what listed pages are called, then the site’s name', () => {
    expect(queriesFor(records, ['Rebind a Bible', 'book repair in saltmere'])).toEqual(['rebind a bible', 'book repair in saltmere', 'quillfeather bindery']);
  });
  it('are more for few words than for many, and the same each time', () => {
    const mean = (length: number): number => {
      const phrases = Array.from({ length: 200 }, (_, at) => Array.from({ length }, (_, word) => `w${at}x${word}`).join(' '));
      return phrases.reduce((sum, phrase) => sum + demandFor(phrase), 0) / phrases.length;
    };
    expect([1, 2, 3, 4, 5].map(mean)).toEqual([...[1, 2, 3, 4, 5].map(mean)].sort((a, b) => b - a));
    expect(demandFor('Old Books')).toBe(demandFor('old books'));
    expect(demandFor('')).toBe(0);
  });
  it('press no more than they see, and only what the site has', () => {
    const index = new SearchIndex([...records, record('https://b.example/', { title: 'Book repair' })]);
    const seen = Array.from({ length: 30 }, (_, day) =>
      seenOn(`2026-11-${String(day + 1).padStart(2, '0')}`, 'a.example', ['book repair', 'nothing at all'], index),
    ).flat();
    expect(seen.length).toBeGreaterThan(10);
    for (const row of seen) expect([row.address.startsWith('https://a.example'), row.clicks <= row.seen, row.seen > 0]).toEqual([true, true, true]);
    expect(seenOn('2026-11-03', 'a.example', ['book repair'], index)).toEqual(seenOn('2026-11-03', 'a.example', ['book repair'], index));
  });
  it('press a good title more often than a bare address, over many days', () => {
    const clicks = (outcome: Outcome): number => {
      const index = new SearchIndex([record('https://a.example/book-repair', { title: outcome === 'bare' ? '' : 'Book repair', outcome })]);
      return Array.from({ length: 60 }, (_, day) => seenOn(`d${day}`, 'a.example', ['book repair'], index))
        .flat()
        .reduce((sum, row) => sum + row.clicks, 0);
    };
    expect(clicks('listed')).toBeGreaterThan(3 * clicks('bare'));
  });
  it('are told of two days later', () => expect(toldUntil(Date.UTC(2026, 10, 26, 21))).toBe('2026-11-24'));
});
