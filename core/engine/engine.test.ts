import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { indexRecord } from '../testing/index-record.ts';
import { fit } from '../titles/index.ts';
import { parseRobots, robotsMatcher } from '../robots/index.ts';
import { PLOVER, SKERRY } from '../engines/index.ts';
import type { Answer } from '../indexing/index.ts';
import { afterCanonicals, dueVisits, judge, SearchIndex, SHOWN_BY, snippetFor, visitsAllowed, type IndexRecord } from './index.ts';

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
    policy: SKERRY,
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
    ['noindex in the head', visit('<meta name=robots content=noindex><p>x'), 'not-listed', 'noindex'],
    ['noindex in the body does not count', visit('<p>x<meta name=robots content=noindex>'), 'listed', 'reached'],
    ['noindex for its own name', visit('<meta name=skerrybot content=noindex><p>x'), 'not-listed', 'noindex'],
    ['noindex for another', visit('<meta name=ploverbot content=noindex><p>x'), 'listed', 'reached'],
    ['noindex in the header', visit('<p>x', {}, { headers: { 'content-type': ['text/html'], 'x-robots-tag': ['noindex'] } }), 'not-listed', 'noindex'],
    ['404', visit('gone', {}, { status: 404 }), 'not-listed', 'answered'],
    ['a redirect', visit('x', {}, { redirectedTo: `${HOME}q` }), 'not-listed', 'answered'],
    ['canonical elsewhere', visit('<link rel=canonical href=/other><p>x'), 'not-listed', 'canonical-elsewhere'],
    ['a soft 404', visit('<title>404 not found</title><p>Sorry.'), 'not-listed', 'soft-not-found'],
    ['a picture', visit('GIF', {}, { headers: { 'content-type': ['image/gif'] } }), 'not-listed', 'nothing-read'],
    ['a PDF', visit('%PDF', {}, { headers: { 'content-type': ['application/pdf'] } }), 'listed', 'reached'],
    [
      'a PDF whose header says noindex',
      visit('%PDF', {}, { headers: { 'content-type': ['application/pdf'], 'x-robots-tag': ['noindex'] } }),
      'not-listed',
      'noindex',
    ],
    ['a refresh at once', visit('<meta http-equiv=refresh content="0; url=/q"><p>x'), 'not-listed', 'refresh'],
    ['a refresh at once, for Plover', visit('<meta http-equiv=refresh content="0; url=/q"><p>x', { policy: PLOVER }), 'listed', 'reached'],
    ['a soft 404, for Plover', visit('<title>404 not found</title><p>Sorry.', { policy: PLOVER }), 'listed', 'reached'],
    ['its time over', visit('<meta name=robots content="unavailable_after: 2026-01-01"><p>x'), 'not-listed', 'expired'],
    ['its time over, for Plover', visit('<meta name=robots content="unavailable_after: 2026-01-01"><p>x', { policy: PLOVER }), 'listed', 'reached'],
    [
      'robots.txt forbids',
      visit('', { answer: undefined, robots: { kind: 'read', verdict: robotsMatcher(parseRobots('User-agent: *\nDisallow: /p'), 'SkerryBot').match('/p') } }),
      'bare',
      'rule',
    ],
  ])('%s', (_, { record }, outcome, reason) => {
    expect(record.outcome).toBe(outcome);
    expect(record.reason.code).toBe(reason);
    if (outcome !== 'listed' && reason !== 'canonical-elsewhere') expect([record.title, record.text]).toEqual(['', '']);
  });
  it('gives the links to follow, on this host, but for nofollow and files', () => {
    const { links } = visit(
      '<base href=/d/><a href=x>1</a><a href="/y#z">2</a><a href=https://b.example/>3</a><a rel=nofollow href=/n>4</a><a href=/f.pdf>5</a><a href=mailto:a@b.example>6</a><a href=/s.css>7</a>',
    );
    expect(links).toEqual([`${HOME}d/x`, `${HOME}y`, `${HOME}f.pdf`]);
    expect(visit('<meta name=robots content=nofollow><a href=x>1</a>').links).toEqual([]);
  });
  it('takes the charset from the header', () => {
    const { record } = visit(
      '',
      {},
      { bytes: Uint8Array.from('<title>caf\xe9</title><p>x', (c) => c.charCodeAt(0)), headers: { 'content-type': ['text/html; charset=iso-8859-1'] } },
    );
    expect(record.title).toBe('café');
  });
});

const record = (path: string, change: Partial<IndexRecord> = {}): IndexRecord => indexRecord(`https://a.example${path}`, { title: path, ...change });
const search = (records: readonly IndexRecord[], query: string) => new SearchIndex(records).search(query).results;

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
    const { description: limit } = SHOWN_BY.skerry;
    expect(snippetFor(long, ['press'], limit)).toContain('standing press');
    expect(snippetFor(long, ['xylophone'], limit)).toBe('The first words.');
  });
  it('shows of a page what the room holds and the page allows, whoever asks', () => {
    const words = fc.array(fc.constantFrom('linen', 'Grüße', '製本', 'a', 'press,', 'wheat'), { maxLength: 80 }).map((list) => list.join(' '));
    fc.assert(
      fc.property(
        words,
        words,
        words,
        fc.option(fc.integer({ min: -1, max: 200 }), { nil: undefined }),
        fc.constantFrom('linen', 'press', 'none'),
        (description, lead, text, maxSnippet, word) => {
          for (const { description: limit } of Object.values(SHOWN_BY)) {
            const shown = snippetFor({ description, lead, text, maxSnippet }, [word], limit);
            if (maxSnippet !== undefined && maxSnippet >= 0) expect(shown.length).toBeLessThanOrEqual(maxSnippet);
            expect(fit(shown, limit).cut).toBe(false);
            // Nothing is shown that the page does not say.
            const said = [description, lead, text].map((one) => one.replace(/\s+/g, ' '));
            const bare = shown.replace(/^… /, '').replace(/ …$/, '');
            expect(said.some((one) => one.includes(bare))).toBe(true);
          }
        },
      ),
    );
  });
  it('counts all there is of a query, and tells it in parts that join', () => {
    const many = Array.from({ length: 45 }, (_, at) => record(`/p${at}`, { title: `Linen ${at}` }));
    const of = new SearchIndex(many);
    for (const query of ['site:a.example', 'site:a.example linen']) {
      const whole = of.search(query, { most: 100 });
      const parts = [0, 20, 40].map((from) => of.search(query, { from }));
      expect(parts.map(({ total }) => total)).toEqual([45, 45, 45]);
      expect(parts.flatMap(({ results }) => results)).toEqual(whole.results);
    }
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
  expect(dueVisits(records, now, 500).map((one) => one.address.slice(-1))).toEqual(['c', 'd', 'b']);
  expect(dueVisits(records, now, 1)).toHaveLength(1);
});

it('an engine that waits gets through fewer pages in a day, one that does not is not slowed down', () => {
  expect([undefined, 0, 1, 60, 5000].map((delay) => visitsAllowed(PLOVER, delay))).toEqual([200, 200, 200, 20, 1]);
  expect(visitsAllowed(SKERRY, 60)).toBe(500);
});

describe('canonicals, once the other page is known', () => {
  const copy = record('/copy', {
    outcome: 'not-listed',
    reason: { code: 'canonical-elsewhere', address: 'https://a.example/main' },
    canonical: 'https://a.example/main',
    compared: 'books we mend by hand',
  });
  const after = (other: Partial<IndexRecord>, policy = SKERRY) =>
    afterCanonicals([copy, record('/main', { compared: 'books we mend by hand', ...other })], policy)[0];
  it.each<[string, Partial<IndexRecord>, string, string]>([
    ['alike', {}, 'not-listed', 'not-listed'],
    ['another page', { compared: 'paper and thread for sale' }, 'not-listed', 'listed'],
    ['gone', { status: 404, outcome: 'not-listed', reason: { code: 'answered', status: 404, redirectedTo: undefined } }, 'listed', 'listed'],
    ['not visited yet', { visitedAt: undefined }, 'not-listed', 'not-listed'],
  ])('%s: Skerry obeys, Plover weighs', (_, other, skerry, plover) => {
    expect([after(other)?.outcome, after(other, PLOVER)?.outcome]).toEqual([skerry, plover]);
  });
  it('change their mind with what is found', () => {
    const [first] = afterCanonicals([copy, record('/main', { status: 410 })], SKERRY);
    expect(afterCanonicals([first as IndexRecord, record('/main', { compared: copy.compared })], SKERRY)[0]).toMatchObject({
      outcome: 'not-listed',
      reason: { code: 'canonical-elsewhere' },
    });
  });
});

it('a snippet is no longer than its page allows, for an engine that knows such limits', () => {
  const limited = (policy: typeof SKERRY) =>
    visit('<meta name=robots content=max-snippet:12><title>T</title><meta name=description content="Boxes cut to the measure of your book."><p>x', { policy })
      .record;
  expect(search([limited(SKERRY)], 'boxes')[0]?.snippet).toBe('Boxes cut to');
  expect(search([limited(PLOVER)], 'boxes')[0]?.snippet).toContain('your book.');
  expect(search([visit('<meta name=robots content=nosnippet><title>Boxes</title><p>Boxes cut.').record], 'boxes')[0]?.snippet).toBe('');
});
