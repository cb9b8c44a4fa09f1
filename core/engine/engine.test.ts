import { describe, expect, it } from 'vitest';
import { parseRobots, robotsMatcher } from '../robots/index.ts';
import { dueVisits, judge, search, snippetFor, type Answer, type IndexRecord } from './index.ts';

const HOME = 'https://a.example/';
const answer = (html: string, change: Partial<Answer> = {}): Answer => ({
  status: 200,
  headers: { 'content-type': ['text/html'] },
  bytes: new TextEncoder().encode(`<meta charset=utf-8>${html}`),
  redirectedTo: undefined,
  ...change,
});
const visit = (html: string, change: Partial<Parameters<typeof judge>[0]> = {}, answered: Partial<Answer> = {}) =>
  judge({
    crawler: 'SkerryBot',
    address: `${HOME}p`,
    robots: { kind: 'missing' },
    answer: answer(html, answered),
    known: { foundBy: 'link', foundAt: '2026-01-01T00:00:00Z', linkedFrom: [HOME] },
    inSitemap: false,
    isHome: false,
    now: Date.UTC(2026, 10, 25),
    ...change,
  });

describe('judging an answer', () => {
  it.each<[string, ReturnType<typeof visit>, string, string]>([
    ['a good page', visit('<title>T</title><p>x'), 'listed', 'reached'],
    ['noindex in the head', visit('<meta name=robots content=noindex>'), 'not-listed', 'noindex'],
    ['noindex in the body does not count', visit('<p>x<meta name=robots content=noindex>'), 'listed', 'reached'],
    ['noindex for its own name', visit('<meta name=skerrybot content=noindex>'), 'not-listed', 'noindex'],
    ['noindex for another', visit('<meta name=ploverbot content=noindex>'), 'listed', 'reached'],
    ['noindex in the header', visit('<p>x', {}, { headers: { 'content-type': ['text/html'], 'x-robots-tag': ['noindex'] } }), 'not-listed', 'noindex'],
    ['404', visit('gone', {}, { status: 404 }), 'not-listed', 'answered'],
    ['a redirect', visit('x', {}, { redirectedTo: `${HOME}q` }), 'not-listed', 'answered'],
    ['canonical elsewhere', visit('<link rel=canonical href=/other>'), 'not-listed', 'canonical-elsewhere'],
    ['a soft 404', visit('<title>404 not found</title><p>Sorry.'), 'not-listed', 'soft-not-found'],
    ['a picture', visit('GIF', {}, { headers: { 'content-type': ['image/gif'] } }), 'not-listed', 'reached'],
    [
      'robots.txt forbids',
      visit('', { answer: undefined, robots: { kind: 'read', verdict: robotsMatcher(parseRobots('User-agent: *\nDisallow: /p'), 'SkerryBot').match('/p') } }),
      'bare',
      'rule',
    ],
  ])('%s', (_, { record }, outcome, reason) => {
    expect(record.outcome).toBe(outcome);
    expect(record.reason.code).toBe(reason);
    if (outcome !== 'listed') expect([record.title, record.text]).toEqual(['', '']);
  });
  it('gives the links to follow, on this host, but for nofollow and files', () => {
    const { links } = visit(
      '<base href=/d/><a href=x>1</a><a href="/y#z">2</a><a href=https://b.example/>3</a><a rel=nofollow href=/n>4</a><a href=/f.pdf>5</a><a href=mailto:a@b.example>6</a>',
    );
    expect(links).toEqual([`${HOME}d/x`, `${HOME}y`]);
    expect(visit('<meta name=robots content=nofollow><a href=x>1</a>').links).toEqual([]);
  });
  it('takes the charset from the header', () => {
    const { record } = visit(
      '',
      {},
      { bytes: Uint8Array.from('<title>caf\xe9</title>', (c) => c.charCodeAt(0)), headers: { 'content-type': ['text/html; charset=iso-8859-1'] } },
    );
    expect(record.title).toBe('café');
  });
});

const record = (path: string, change: Partial<IndexRecord> = {}): IndexRecord => ({
  address: `https://a.example${path}`,
  foundBy: 'link',
  foundAt: '2026-01-01T00:00:00Z',
  visitedAt: '2026-01-02T00:00:00Z',
  status: 200,
  outcome: 'listed',
  reason: { code: 'no-directive' },
  linkedFrom: [],
  title: path,
  description: '',
  headings: [],
  lead: '',
  text: '',
  ...change,
});

describe('searching', () => {
  const index = [
    record('/', { title: 'Bindery', text: 'we mend books and make boxes in saltmere' }),
    record('/boxes/', { title: 'Box making', description: 'Boxes cut to your book.', text: 'each box is made to measure' }),
    record('/secret/', { outcome: 'bare', title: '' }),
    record('/out/', { outcome: 'not-listed', title: 'Boxes boxes boxes' }),
    { ...record('/'), address: 'https://b.example/', title: 'Boxes elsewhere' },
  ];
  const found = (query: string): string[] => search(index, query).map((result) => result.address.replace('https://', ''));
  it('lists what is known of a site, bare addresses too, and nothing that is out', () =>
    expect(found('site:a.example')).toEqual(['a.example/', 'a.example/boxes/', 'a.example/secret/']));
  it('puts a title before a text, and keeps to the site that was named', () => {
    expect(found('site:a.example boxes')[0]).toBe('a.example/boxes/');
    expect(found('boxes')).toContain('b.example/');
  });
  it('finds a bare address only by its address', () => {
    expect(found('secret')).toEqual(['a.example/secret/']);
    expect(search(index, 'secret')[0]).toMatchObject({ bare: true, title: 'a.example/secret/', snippet: '' });
  });
  it('finds nothing for nothing', () => expect([found(''), found('xylophone')]).toEqual([[], []]));
  it('marks the words where they stand', () => {
    const [best] = search(index, 'site:a.example cut');
    expect(best?.marks.map(([start, end]) => best.snippet.slice(start, end))).toEqual(['cut']);
  });
  it('quotes the place that answers, else the first words of the page', () => {
    const long = { description: '', lead: 'The first words.', text: `${'filler text goes on '.repeat(40)}the standing press is here ${'and on '.repeat(40)}` };
    expect(snippetFor(long, ['press'])).toContain('standing press');
    expect(snippetFor(long, ['xylophone'])).toBe('The first words.');
  });
});

it('visits the unseen first, then the longest ago, and nothing twice in a day', () => {
  const now = Date.UTC(2026, 0, 10);
  const records = [
    record('/a', { visitedAt: new Date(now - 3_600_000).toISOString() }),
    record('/b', { visitedAt: '2026-01-05T00:00:00Z' }),
    record('/c', { visitedAt: undefined }),
    record('/d', { visitedAt: '2026-01-01T00:00:00Z' }),
  ];
  expect(dueVisits(records, now).map((one) => one.address.slice(-1))).toEqual(['c', 'd', 'b']);
  expect(dueVisits(records, now, 1)).toHaveLength(1);
});
