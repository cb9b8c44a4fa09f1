import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { directiveWords, indexDirectives, mergeDirectives, readHeader, refreshTarget, strictest } from '../page/index.ts';
import { parseRobots, robotsMatcher } from '../robots/index.ts';
import { factsOf } from '../testing/html.ts';
import { PLOVER, policyFor, SKERRY } from '../engines/index.ts';
import {
  alike,
  canonicalsOf,
  evidenceFromAnswer,
  followsCanonical,
  headerCanonicals,
  readAnswer,
  refreshOf,
  saidByHeaders,
  saysNotFound,
  softNotFound,
  stateOf,
  wayIn,
  type Evidence,
  type PageEvidence,
  type RobotsAccess,
  type SaidDirectives,
} from './index.ts';

const ADDRESS = 'https://a.example/p';
const meta = (content: string, name = 'robots'): SaidDirectives => ({ from: 'page', name, content, place: 7 });
const canonical = (...addresses: string[]): PageEvidence['canonicals'] => addresses.map((address) => ({ address, from: 'tag' }));
const page = (change: Partial<PageEvidence> = {}): PageEvidence => ({
  said: [],
  canonicals: canonical(ADDRESS),
  address: ADDRESS,
  softNotFound: undefined,
  refresh: undefined,
  ...change,
});
const robots = (rules: string): RobotsAccess => ({
  kind: 'read',
  verdict: robotsMatcher(parseRobots(`User-agent: *\n${rules}`), 'SkerryBot').match('/p'),
});
const base: Evidence = {
  path: '/p',
  live: { kind: 'released', at: undefined },
  audience: 'everyone',
  answer: { kind: 'answered', status: 200, redirectedTo: undefined },
  robots: robots(''),
  page: page(),
  linksIn: 1,
  inSitemap: false,
  isHome: false,
  now: 1000,
};
const status = (code: number): Partial<Evidence> => ({ answer: { kind: 'answered', status: code, redirectedTo: undefined }, page: undefined });
const ELSEWHERE = 'https://a.example/other';

describe('the way in', () => {
  // What is so, what Skerry makes of it and why, and what Plover makes of it.
  it.each<[string, Partial<Evidence>, string, string | undefined, string]>([
    ['everything open', {}, 'listed', undefined, 'listed'],
    ['a file that will answer', { answer: { kind: 'file' } }, 'listed', undefined, 'listed'],
    ['not released', { live: { kind: 'not-released' } }, 'not-live', 'not-released', 'not-live'],
    ['401', { ...status(401), audience: 'restricted' }, 'out', 'restricted', 'out'],
    ['403', status(403), 'out', 'answered', 'out'],
    ['404', status(404), 'out', 'answered', 'out'],
    ['410', status(410), 'out', 'answered', 'out'],
    ['429', status(429), 'out', 'answered', 'out'],
    ['503', status(503), 'out', 'answered', 'out'],
    ['no answer', { answer: { kind: 'failed', reason: 'timeout' }, page: undefined }, 'out', 'no-answer', 'out'],
    ['a circle of redirects', { answer: { kind: 'failed', reason: 'redirect-loop' }, page: undefined }, 'out', 'no-answer', 'out'],
    ['a redirect', { answer: { kind: 'answered', status: 200, redirectedTo: 'https://a.example/q', hops: 2 } }, 'out', 'answered', 'out'],
    ['a draft', { audience: 'draft' }, 'out', 'draft', 'out'],
    ['a password', { audience: 'restricted' }, 'out', 'restricted', 'out'],
    ['robots.txt forbids', { robots: robots('Disallow: /p') }, 'bare', 'rule', 'bare'],
    ['robots.txt forbids and nothing leads there', { robots: robots('Disallow: /p'), linksIn: 0 }, 'out', 'rule', 'out'],
    ['robots.txt allows by a longer rule', { robots: robots('Disallow: /\nAllow: /p') }, 'listed', undefined, 'listed'],
    ['no robots.txt', { robots: { kind: 'missing', status: 404 } }, 'listed', undefined, 'listed'],
    ['robots.txt answers 500', { robots: { kind: 'unreachable', status: 500 } }, 'bare', 'robots-unreachable', 'bare'],
    ['noindex', { page: page({ said: [meta('noindex')] }) }, 'out', 'noindex', 'out'],
    ['noindex in a header', { page: page({ said: [{ from: 'header', name: 'robots', content: 'none' }] }) }, 'out', 'noindex', 'out'],
    ['index and noindex', { page: page({ said: [meta('index, follow'), meta('NOINDEX')] }) }, 'out', 'noindex', 'out'],
    ['only nofollow', { page: page({ said: [meta('nofollow')] }) }, 'listed', undefined, 'listed'],
    ['its time is over, and it says noindex', { page: page({ said: [meta('noindex'), meta('unavailable_after: 1970-01-01')] }) }, 'out', 'noindex', 'out'],
    ['its time is over', { page: page({ said: [meta('unavailable_after: 1970-01-01')] }) }, 'out', 'expired', 'listed'],
    ['its time is to come', { page: page({ said: [meta('unavailable_after: 2999-01-01')] }) }, 'listed', undefined, 'listed'],
    ['a soft 404', { page: page({ softNotFound: 'not-found' }) }, 'out', 'soft-not-found', 'listed'],
    ['an empty page', { page: page({ softNotFound: 'empty' }) }, 'out', 'empty-page', 'listed'],
    ['sent on at once', { page: page({ refresh: { seconds: 0, to: ELSEWHERE, place: 1 } }) }, 'out', 'refresh', 'listed'],
    ['sent on after a while', { page: page({ refresh: { seconds: 5, to: ELSEWHERE, place: 1 } }) }, 'listed', undefined, 'listed'],
    ['canonical elsewhere, not known', { page: page({ canonicals: canonical(ELSEWHERE) }) }, 'out', 'canonical-elsewhere', 'out'],
    [
      'canonical to one alike',
      { page: page({ canonicals: canonical(ELSEWHERE), target: { trouble: undefined, alike: true } }) },
      'out',
      'canonical-elsewhere',
      'out',
    ],
    [
      'canonical to one that differs',
      { page: page({ canonicals: canonical(ELSEWHERE), target: { trouble: undefined, alike: false } }) },
      'out',
      'canonical-elsewhere',
      'listed',
    ],
    [
      'canonical to what is gone',
      { page: page({ canonicals: canonical(ELSEWHERE), target: { trouble: 'gone', alike: false } }) },
      'listed',
      undefined,
      'listed',
    ],
    [
      'canonical to a noindex',
      { page: page({ canonicals: canonical(ELSEWHERE), target: { trouble: 'noindex', alike: true } }) },
      'out',
      'canonical-elsewhere',
      'out',
    ],
    ['two canonicals cancel out', { page: page({ canonicals: canonical('https://a.example/x', 'https://a.example/y') }) }, 'listed', undefined, 'listed'],
    ['tag and header disagree', { page: page({ canonicals: [...canonical(ADDRESS), { address: ELSEWHERE, from: 'header' }] }) }, 'listed', undefined, 'listed'],
    ['no canonical', { page: page({ canonicals: [] }) }, 'listed', undefined, 'listed'],
    ['nothing leads there', { linksIn: 0 }, 'out', 'unreached', 'out'],
    ['only the sitemap leads there', { linksIn: 0, inSitemap: true }, 'listed', undefined, 'listed'],
    ['the home page needs no link', { linksIn: 0, isHome: true }, 'listed', undefined, 'listed'],
  ])('%s', (_, change, reality, reason, plover) => {
    const way = wayIn({ ...base, ...change });
    expect(way.reality).toBe(reality);
    expect(way.gates.find((gate) => gate.outcome === 'shut')?.reason.code).toBe(reason);
    expect(wayIn({ ...base, ...change, policy: PLOVER }).reality).toBe(plover);
  });

  it('hides what lies behind a shut gate, and still knows it: a page shut twice needs both mended', () => {
    const way = wayIn({ ...base, robots: robots('Disallow: /p'), page: page({ said: [meta('noindex')], canonicals: canonical(ELSEWHERE) }) });
    expect(way.gates.map((gate) => gate.outcome)).toEqual(['open', 'open', 'hidden', 'shut', 'hidden', 'hidden', 'open']);
    expect(way.gates.filter((gate) => gate.behind === 'shut').map((gate) => gate.name)).toEqual(['fetchable', 'listed', 'main-address']);
    expect(way.reality).toBe('bare');
  });
  it('points at what decided, and says how many places say so', () => {
    const said: SaidDirectives[] = [
      meta('nofollow'),
      { from: 'page', name: 'skerrybot', content: 'noindex', place: 31 },
      { from: 'header', name: 'robots', content: 'noindex' },
    ];
    const gate = wayIn({ ...base, page: page({ said }) }).gates.find((one) => one.name === 'listed');
    expect(gate).toMatchObject({ place: 31, reason: { code: 'noindex', from: 'page', name: 'skerrybot', more: 1 } });
  });
  it('names a time that is over besides a noindex, for engines that know it', () => {
    const change = { page: page({ said: [meta('noindex'), meta('unavailable_after: 1970-01-01')] }) };
    const reason = (policy: typeof PLOVER | undefined): unknown => wayIn({ ...base, ...change, policy }).gates.find((gate) => gate.name === 'listed')?.reason;
    expect(reason(undefined)).toMatchObject({ code: 'noindex', expired: 0 });
    expect(reason(PLOVER)).not.toHaveProperty('expired');
  });
  it('says a sign-in once, not twice', () => {
    const way = wayIn({ ...base, ...status(401), audience: 'restricted' });
    expect(way.gates.filter((gate) => gate.behind === 'shut').map((gate) => gate.name)).toEqual(['public']);
  });
  it('opening one thing never shuts a page, and shutting one never opens it', () => {
    const change = fc.record({
      audience: fc.constantFrom('everyone' as const, 'restricted' as const),
      robots: fc.constantFrom(robots(''), robots('Disallow: /p'), { kind: 'missing' } as const),
      linksIn: fc.constantFrom(0, 1),
      inSitemap: fc.boolean(),
      noindex: fc.boolean(),
      policy: fc.constantFrom(SKERRY, PLOVER),
    });
    const RANK = { 'not-live': 0, out: 0, bare: 1, listed: 2 };
    fc.assert(
      fc.property(change, ({ noindex, ...other }) => {
        const reality = (shut: boolean): number => RANK[wayIn({ ...base, ...other, page: page({ said: shut ? [meta('noindex')] : [] }) }).reality];
        expect(reality(true)).toBeLessThanOrEqual(reality(false));
        if (noindex && other.robots.kind === 'missing') expect(reality(true)).toBe(0);
      }),
    );
  });
});

it.each([
  ['list', 'listed', false, 'findable'],
  ['list', 'listed', true, 'to-mend'],
  ['list', 'out', false, 'shut-out'],
  ['list', 'bare', false, 'shut-out'],
  ['list', 'not-live', true, 'not-live'],
  ['out', 'listed', true, 'leaking'],
  ['out', 'bare', false, 'half-hidden'],
  ['out', 'out', false, 'kept-out'],
  ['out', 'not-live', false, 'not-live'],
] as const)('intent %s, reality %s, weakened %s: %s', (intent, reality, weakened, state) => {
  expect(stateOf(intent, reality, weakened)).toBe(state);
  // Of what nobody looked at nothing is said, whatever it would be.
  expect(stateOf(intent, reality, weakened, true)).toBe('unseen');
});

describe('directives', () => {
  it.each([
    ['NOINDEX', { noindex: true }],
    ['none', { noindex: true, nofollow: true }],
    ['all', { noindex: false }],
    ['index,follow', { noindex: false }],
    ['noindexed', { noindex: false }],
    ['noarchive, notranslate , noimageindex', { noarchive: true, notranslate: true, noimageindex: true }],
    ['max-snippet:0', { nosnippet: true, maxSnippet: 0 }],
    ['max-snippet:-1', { nosnippet: false, maxSnippet: undefined }],
    ['max-snippet: 50, max-snippet:20', { maxSnippet: 20 }],
    ['max-snippet:many', { maxSnippet: undefined }],
    ['max-image-preview:Large, max-image-preview:standard', { maxImagePreview: 'standard' }],
    ['max-image-preview:huge', { maxImagePreview: undefined }],
    ['max-video-preview:10', { maxVideoPreview: 10 }],
    ['unavailable_after: Wed, 25 Nov 2026 10:00:00 GMT, noindex', { noindex: true, unavailableAfter: Date.UTC(2026, 10, 25, 10) }],
    ['unavailable_after: 2026-11-25', { unavailableAfter: Date.UTC(2026, 10, 25) }],
    ['unavailable_after: some day', { unavailableAfter: undefined }],
  ])('%s', (content, expected) => expect(indexDirectives(content)).toMatchObject(expected));
  const NOON = Date.UTC(2030, 11, 31, 12);
  const MIDNIGHT = Date.UTC(2030, 11, 31);
  it.each([
    ['ISO 8601, a day', '2030-12-31', MIDNIGHT],
    ['ISO 8601 with a zone', '2030-12-31T13:00:00+01:00', NOON],
    ['ISO 8601 in UTC, with fractions', '2030-12-31T12:00:00.000Z', NOON],
    ['RFC 3339 with a space', '2030-12-31 12:00:00Z', NOON],
    ['RFC 822', '31 Dec 30 12:00:00 GMT', NOON],
    ['RFC 822 with its weekday and an American zone', 'Tue, 31 Dec 30 07:00:00 EST', NOON],
    ['RFC 1123', 'Tue, 31 Dec 2030 12:00:00 GMT', NOON],
    ['RFC 5322 with an offset and no seconds', 'Tue, 31 Dec 2030 14:00 +0200', NOON],
    ['RFC 5322, the last century', '31 Dec 99 12:00:00 GMT', Date.UTC(1999, 11, 31, 12)],
    ['RFC 850', 'Tuesday, 31-Dec-30 12:00:00 GMT', NOON],
    ['asctime', 'Tue Dec 31 12:00:00 2030', NOON],
    ['as Americans write', 'Dec 31, 2030', MIDNIGHT],
    ['with the weekday', 'Tuesday, December 31, 2030', MIDNIGHT],
    ['with a time after a comma', 'Dec 31, 2030, 12:00', NOON],
    ['with all of it', 'Tuesday, Dec. 31st, 2030, 12:00 pm UTC', NOON],
    ['in the morning', 'Dec 31, 2030 12:00 am', MIDNIGHT],
    ['as Europeans write', '31 December 2030', MIDNIGHT],
    ['no such day', '31 Nov 2030', undefined],
    ['no such month', '2030-13-01', undefined],
    ['no such zone', '31 Dec 2030 12:00 XYZ', undefined],
    ['a day without a year', 'Dec 31', undefined],
    ['no date', 'some day', undefined],
  ])('know a date in %s', (_, date, unavailableAfter) => {
    expect(indexDirectives(`unavailable_after: ${date}`)).toMatchObject({ unavailableAfter });
    // In whatever company, and nothing of it is taken for another directive.
    expect(indexDirectives(`nosnippet, unavailable_after:${date} , noindex`)).toMatchObject({ unavailableAfter, noindex: true, nosnippet: true });
    expect(
      saidByHeaders([`OtherBot: nofollow, SkerryBot: unavailable_after: ${date}, noindex`], 'SkerryBot').map(({ content }) => indexDirectives(content)),
    ).toEqual([expect.objectContaining({ unavailableAfter, noindex: true, nofollow: false })]);
  });
  it.each([
    ['otherbot: noindex, nofollow', [['otherbot', 'noindex, nofollow']]],
    [
      'noindex, SkerryBot: nofollow',
      [
        [undefined, 'noindex'],
        ['skerrybot', 'nofollow'],
      ],
    ],
    [
      'SkerryBot: noindex, PloverBot: nosnippet, max-snippet: 20, OtherBot: none',
      [
        ['skerrybot', 'noindex'],
        ['ploverbot', 'nosnippet, max-snippet: 20'],
        ['otherbot', 'none'],
      ],
    ],
    ['max-image-preview: none', [[undefined, 'max-image-preview: none']]],
    ['', []],
  ])('in one folded header %j speak to whom they name', (header, said) => {
    expect(readHeader(header).map(({ crawler, content }) => [crawler, content])).toEqual(said);
  });
  it('in headers add up, and names bind only their crawler', () => {
    const headerDirectives = (headers: readonly string[], crawler: string) =>
      strictest(saidByHeaders(headers, crawler).map(({ content }) => indexDirectives(content)));
    expect(headerDirectives(['nofollow', 'SkerryBot: noindex'], 'skerrybot')).toMatchObject({ noindex: true, nofollow: true });
    expect(headerDirectives(['PloverBot: noindex', 'max-snippet: 0'], 'SkerryBot')).toMatchObject({ noindex: false, nosnippet: true });
    expect(headerDirectives(['unavailable_after: 25 Jun 2026 15:00:00 GMT'], 'SkerryBot').unavailableAfter).toBe(Date.UTC(2026, 5, 25, 15));
  });
  const content = fc.array(
    fc.constantFrom(
      'noindex',
      'nofollow',
      'none',
      'all',
      'max-snippet:20',
      'max-snippet:-1',
      'max-image-preview:none',
      'noarchive',
      'something-else',
      'unavailable_after: Wed, 25 Nov 2026 10:00:00 GMT',
    ),
    { maxLength: 5 },
  );
  it('of several the most restrictive holds, in whatever order', () => {
    fc.assert(
      fc.property(content, content, (a, b) => {
        const together = strictest([indexDirectives(a.join(', ')), indexDirectives(b.join(', '))]);
        expect(together).toEqual(strictest([indexDirectives(b.join(', ')), indexDirectives(a.join(', '))]));
        expect(together).toEqual(indexDirectives([...a, ...b].join(', ')));
      }),
    );
  });
  it('said anew say what was meant, keep all else, and say it once', () => {
    fc.assert(
      fc.property(content, (words) => {
        const text = words.join(', ');
        const merged = mergeDirectives(text, { index: '', snippet: 'max-snippet:50' });
        expect(indexDirectives(merged)).toMatchObject({
          noindex: false,
          maxSnippet: 50,
          nofollow: indexDirectives(text).nofollow,
          noarchive: indexDirectives(text).noarchive,
        });
        expect(mergeDirectives(merged, { index: '', snippet: 'max-snippet:50' })).toBe(merged);
        expect(directiveWords(merged).filter((word) => word === 'something-else')).toHaveLength(words.filter((word) => word === 'something-else').length);
        expect(mergeDirectives(text, {}).includes('none')).toBe(text.includes('max-image-preview:none'));
      }),
    );
  });
});

describe('canonicals', () => {
  it.each([
    ['<https://a.example/x>; rel="canonical"', ['https://a.example/x']],
    ['<x>; rel=canonical', ['x']],
    ['<a>; rel="next", <b>; title="a, b"; rel="nofollow canonical"', ['b']],
    ['<a>; rel="canonicals"', []],
    ['https://a.example/x; rel=canonical', []],
  ])('in the header %s', (header, expected) => expect(headerCanonicals([header])).toEqual(expected));
  it('are taken from tags in the head and from headers, against the base', () => {
    const facts = factsOf('<head><base href="/d/"><link rel=canonical href=x></head><body><link rel=canonical href=/body>');
    expect(canonicalsOf(facts, ['</h>; rel=canonical'], ADDRESS).map(({ address, from }) => [address, from])).toEqual([
      ['https://a.example/d/x', 'tag'],
      ['https://a.example/h', 'header'],
    ]);
  });
  it('are followed as each engine has it', () => {
    expect(followsCanonical(SKERRY, { trouble: 'redirects', alike: false })).toBe(true);
    expect(followsCanonical(PLOVER, { trouble: 'redirects', alike: false })).toBe(false);
    expect(policyFor('ploverbot-image').canonical).toBe('hint');
    expect(policyFor('SomeBot')).toMatchObject({ crawler: 'SomeBot', canonical: 'order' });
  });
  it('two texts are alike when they share most of their words', () => {
    expect(alike('We mend books, and make boxes.', 'we mend books and make boxes')).toBe(true);
    expect(alike('We mend books', 'Paper for sale')).toBe(false);
    expect(alike('', '')).toBe(true);
  });
});

it('a page that says “not found” is told from one that writes about it', () => {
  expect(saysNotFound('Page not found', [], 20)).toBe(true);
  expect(saysNotFound('Lost and not found: a history', [], 900)).toBe(false);
  expect(saysNotFound('Contact', ['Contact'], 20)).toBe(false);
  expect(softNotFound(factsOf('<title>T</title>'))).toBe('empty');
  expect(softNotFound(factsOf('<title>T</title><img src=x.png>'))).toBeUndefined();
});

it.each([
  ['0; url=/q', { seconds: 0, to: 'https://a.example/q' }],
  ["5;URL='q'", { seconds: 5, to: 'https://a.example/q' }],
  ['0;/q', { seconds: 0, to: 'https://a.example/q' }],
  ['30', undefined],
  ['0; url=/p', undefined],
  ['nonsense', undefined],
])('a refresh of %j', (content, expected) => {
  const found = refreshOf(factsOf(`<meta http-equiv=refresh content="${content}">`), ADDRESS);
  expect(found && { seconds: found.seconds, to: found.to }).toEqual(expected);
});

describe('evidence from answers', () => {
  const asked = (html: string, headers: Record<string, string[]> = {}, code = 200) => {
    const answer = { status: code, headers: { 'content-type': ['text/html'], ...headers }, bytes: new TextEncoder().encode(html), redirectedTo: undefined };
    return wayIn(
      evidenceFromAnswer({
        policy: SKERRY,
        crawler: 'SkerryBot',
        address: ADDRESS,
        robots: { kind: 'missing', status: 404 },
        answer,
        facts: readAnswer(answer),
        linksIn: 1,
        inSitemap: false,
        isHome: false,
        now: 0,
      }),
    );
  };
  it.each<[string, ReturnType<typeof asked>, string]>([
    ['a good page', asked('<p>x'), 'listed'],
    ['a tag that names the crawler', asked('<meta name=SkerryBot content=noindex><p>x'), 'out'],
    ['a tag for another', asked('<meta name=PloverBot content=noindex><p>x'), 'listed'],
    ['a header', asked('<p>x', { 'x-robots-tag': ['nofollow', 'noindex'] }), 'out'],
    ['a canonical in a header', asked('<p>x', { link: ['</other>; rel=canonical'] }), 'out'],
    ['tag and header that contradict', asked('<link rel=canonical href=/p><p>x', { link: ['</other>; rel=canonical'] }), 'listed'],
    ['401', asked('', {}, 401), 'out'],
    ['a document with a header', asked('%PDF', { 'content-type': ['application/pdf'], 'x-robots-tag': ['noindex'] }), 'out'],
  ])('%s', (_, way, reality) => expect(way.reality).toBe(reality));
});

describe('a refresh, by the steps of the standard (HTML, 4.2.5.3)', () => {
  it.each([
    ['0; url=/a', 0, '/a'],
    ['0;url=/a', 0, '/a'],
    ['0, url=/a', 0, '/a'],
    ['0 url=/a', 0, '/a'],
    [' \n5 ; URL = /a ', 5, '/a'],
    ['0; /a', 0, '/a'],
    ['0;/a', 0, '/a'],
    ["0; url='/a'", 0, '/a'],
    ['0; url="/a"; more', 0, '/a'],
    ["0; '/a' more", 0, '/a'],
    ["0; url='/a", 0, '/a'],
    ['0; url=/it’s', 0, '/it’s'],
    ["0; url=/it's", 0, "/it's"],
    ['5.9; url=/a', 5, '/a'],
    ['5.9.9; url=/a', 5, '/a'],
    ['.5; url=/a', 0, '/a'],
    ['0; u', 0, 'u'],
    ['0; ur=/a', 0, 'ur=/a'],
    ['0; url', 0, 'url'],
    ['0; url/a', 0, 'url/a'],
    ['0; "url=/a"', 0, 'url=/a'],
    ['0; url=', undefined, undefined],
    ['0; url=""', undefined, undefined],
    ['0', undefined, undefined],
    ['0;', undefined, undefined],
    ['5s; url=/a', undefined, undefined],
    ['; url=/a', undefined, undefined],
    ['url=/a', undefined, undefined],
    ['-1; url=/a', undefined, undefined],
    ['', undefined, undefined],
  ])('%j', (content, seconds, to) => {
    expect(refreshTarget({ httpEquiv: 'refresh', content })).toEqual(seconds === undefined ? undefined : { seconds, to });
  });
  it.each([
    ['/a/', undefined],
    ['#top', undefined],
    ['/%61/', undefined],
    ['mailto:a@b.example', undefined],
    ['/b/#top', 'https://s.example/b/'],
    ['https://other.example', 'https://other.example/'],
  ])('to %s, of the page /a/', (to, expected) => {
    const reading = factsOf(`<meta http-equiv=refresh content="0; url=${to}">`);
    expect(refreshOf(reading, 'https://s.example/a/')?.to).toBe(expected);
  });
  it('is resolved against the base of the page', () =>
    expect(refreshOf(factsOf('<base href=/c/><meta http-equiv=refresh content="0; url=d">'), 'https://s.example/a/')?.to).toBe('https://s.example/c/d'));
});

describe('a canonical is compared as what it means', () => {
  it.each([
    ['#top', 'self'],
    ['', 'self'],
    ['/a/#part', 'self'],
    ['/%61/', 'self'],
    ['HTTPS://S.EXAMPLE:443/x/../a/', 'self'],
    ['/%e4/', 'https://s.example/%E4/'],
    ['/a/?', 'https://s.example/a/?'],
    ['/A/', 'https://s.example/A/'],
    ['http://s.example/a/', 'http://s.example/a/'],
    ['tel:123', 'none'],
    ['javascript:void 0', 'none'],
    ['https://', 'none'],
  ])('%j on /a/', (href, expected) => {
    const page = 'https://s.example/a/';
    const found = canonicalsOf(factsOf(`<link rel=canonical href="${href}">`), [], page).map(({ address }) => (address === page ? 'self' : address));
    expect(found).toEqual(expected === 'none' ? [] : [expected]);
  });
});

describe('a page that says nothing', () => {
  it.each([
    ['<p>', 'empty'],
    ['<script src=x></script>', 'empty'],
    ['<form action=/search><input name=q></form>', undefined],
    ['<img src=a.png alt="">', undefined],
    ['<video src=a.mp4></video>', undefined],
    ['<iframe src=/map></iframe>', undefined],
    ['<svg><path d=M0></path></svg>', undefined],
    ['<h1>404</h1>', 'not-found'],
  ])('%s', (html, expected) => expect(softNotFound(factsOf(html))).toBe(expected));
});
