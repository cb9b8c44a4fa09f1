import { describe, expect, it } from 'vitest';
import { noticeWords, storyOf, type StoryTeller } from './index.ts';

const teller: StoryTeller = {
  engine: { name: 'Skerry', crawler: 'SkerryBot' },
  nameOf: (address) => address.toUpperCase(),
  intentOf: (address) => (address.startsWith('w') ? 'list' : address.startsWith('o') ? 'out' : undefined),
  releases: [{ number: '5', at: '2026-11-24', pages: 3, note: 'new shop' }],
};
const day = (
  at: string,
  changes: readonly (readonly [string, ('listed' | 'bare' | 'not-listed' | 'waiting')?, ('listed' | 'bare' | 'not-listed' | 'waiting')?])[] = [],
) => ({
  at,
  visited: 4,
  listed: 0,
  answers: { 200: 3, 404: 1 },
  changes: changes.map(([address, to = 'listed', from]) => ({ address, to, ...(from ? { from } : {}), why: 'x' })),
});
const titles = (...args: Parameters<typeof storyOf>): string[] => storyOf(...args).map(({ at, title }) => `${at.slice(8)} ${title}`);

describe('the story', () => {
  it('begins with the release and the first visit, and tells what was not answered', () => {
    const told = storyOf([day('2026-11-27', [['w1'], ['w2']])], [{ at: '2026-11-26', code: 'proved' }], teller);
    expect(told.map(({ title }) => title)).toEqual(['Release 5 went out', 'Proved to Skerry', 'SkerryBot came for the first time']);
    expect(told.map(({ text }) => text)).toEqual([
      '3 pages changed: new shop',
      'It knows now that the site is yours.',
      'It asked for 4 addresses and listed 2. Of these, 1 answered 404.',
    ]);
  });
  it.each([
    ['one page listed', [['w1']], '“W1” is listed'],
    ['several', [['w1'], ['w2']], '2 pages are listed'],
    ['listed against the owner’s will', [['o1']], '“O1” is listed, though it should be out'],
    ['out again', [['o1', 'not-listed', 'listed']], '“O1” is out again'],
    ['dropped against the owner’s will', [['w1', 'not-listed', 'listed']], '“W1” was dropped, though you want it found'],
    ['half hidden', [['o1', 'bare', 'waiting']], '“O1” is known by its bare address'],
    ['wanted and unread', [['w1', 'bare', 'waiting']], '“W1” is listed without a word'],
    ['come upon', [['w1', 'waiting']], '1 new address found'],
  ] as const)('tells of %s', (_, changes, title) => {
    const plain = { ...teller, releases: [] };
    expect(titles([day('2026-11-28', changes as never), day('2026-11-27')], [], plain)).toEqual(['27 SkerryBot came for the first time', `28 ${title}`]);
  });
  it('folds days on which nothing became another thing, between those on which something did', () => {
    const days = [day('2026-12-01'), day('2026-11-30'), day('2026-11-29', [['w1']]), day('2026-11-28'), day('2026-11-27', [['w2']])];
    expect(titles(days, [], { ...teller, releases: [] })).toEqual([
      '27 SkerryBot came for the first time',
      '28 A quiet day',
      '29 “W1” is listed',
      '01 2 quiet days',
    ]);
  });
  it('tells of every sort of event', () => {
    const at = '2026-11-27';
    const told = storyOf(
      [],
      [
        { at, code: 'proof-lost' },
        { at, code: 'map-handed-in', address: 'm', count: 3, problem: 'the map answers 404' },
        { at, code: 'map-taken-back', address: 'm', count: 3 },
        { at, code: 'robots', status: 503, was: 200 },
        { at, code: 'told', count: 2 },
        { at, code: 'asked', count: 1 },
        { at, code: 'first-seen', query: 'old books', address: 'w1', position: 4 },
        { at, code: 'first-click', query: 'old books', address: 'w1', position: 4 },
      ],
      { ...teller, releases: [] },
    );
    expect(told).toHaveLength(8);
    expect(told.filter(({ tone }) => tone === 'bad').map(({ title }) => title)).toEqual([
      'robots.txt answers 503 now',
      'A map was handed in, and is not right',
      'Skerry lost your proof',
    ]);
    expect(told.find(({ title }) => title === 'First click')?.text).toBe('Somebody looked for “old books”, saw “W1” in place 4, and came.');
  });
});

it('tells each answer to a notice in its own words', () => {
  const told = [200, 202, 400, 403, 422, 429, 500].map((status) => noticeWords({ status }));
  expect(told.map(({ good }) => good)).toEqual([true, true, false, false, false, false, false]);
  expect(new Set(told.map(({ title }) => title)).size).toBe(7);
  expect(noticeWords({ failed: 'no-such-host' }).text).toBe('There is no host of this name.');
});
