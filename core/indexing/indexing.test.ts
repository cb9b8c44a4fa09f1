import { describe, expect, it } from 'vitest';
import { parseRobots, robotsMatcher } from '../robots/index.ts';
import { headerDirectives, indexDirectives, strictest } from '../page/index.ts';
import { saysNotFound, stateOf, wayIn, type Evidence } from './index.ts';

const NONE = indexDirectives('');
const ADDRESS = 'https://a.example/p';
const page = (change: Partial<NonNullable<Evidence['page']>> = {}): NonNullable<Evidence['page']> => ({
  directives: NONE,
  directivesFrom: 'none',
  canonicals: [ADDRESS],
  address: ADDRESS,
  softNotFound: false,
  ...change,
});
const robots = (rules: string): Evidence['robots'] => ({
  kind: 'read',
  verdict: robotsMatcher(parseRobots(`User-agent: *\n${rules}`), 'SkerryBot').match('/p'),
});
const base: Evidence = {
  path: '/p',
  live: { kind: 'answered', status: 200, redirectedTo: undefined },
  audience: 'everyone',
  robots: robots(''),
  page: page(),
  linksIn: 1,
  inSitemap: false,
  isHome: false,
  now: 1000,
};

describe('the way in', () => {
  it.each<[string, Partial<Evidence>, string, string | undefined]>([
    ['everything open', {}, 'listed', undefined],
    ['not released', { live: { kind: 'not-released' } }, 'not-live', 'not-released'],
    ['404', { live: { kind: 'answered', status: 404, redirectedTo: undefined } }, 'out', 'answered'],
    ['a redirect', { live: { kind: 'answered', status: 200, redirectedTo: 'https://a.example/q' } }, 'out', 'answered'],
    ['a password', { audience: 'restricted' }, 'out', 'restricted'],
    ['robots.txt forbids', { robots: robots('Disallow: /p') }, 'bare', 'rule'],
    ['robots.txt forbids and nothing leads there', { robots: robots('Disallow: /p'), linksIn: 0 }, 'out', 'rule'],
    ['no robots.txt', { robots: { kind: 'missing' } }, 'listed', undefined],
    ['robots.txt answers 500', { robots: { kind: 'unreachable', status: 500 } }, 'bare', 'robots-unreachable'],
    ['noindex', { page: page({ directives: indexDirectives('noindex'), directivesFrom: 'page' }) }, 'out', 'noindex'],
    ['its time is over', { page: page({ directives: indexDirectives('unavailable_after: 1970-01-01') }) }, 'out', 'expired'],
    ['its time is to come', { page: page({ directives: indexDirectives('unavailable_after: 2999-01-01') }) }, 'listed', undefined],
    ['a soft 404', { page: page({ softNotFound: true }) }, 'out', 'soft-not-found'],
    ['canonical elsewhere', { page: page({ canonicals: ['https://a.example/other'] }) }, 'out', 'canonical-elsewhere'],
    ['two canonicals cancel out', { page: page({ canonicals: ['https://a.example/x', 'https://a.example/y'] }) }, 'listed', undefined],
    ['no canonical', { page: page({ canonicals: [] }) }, 'listed', undefined],
    ['nothing leads there', { linksIn: 0 }, 'out', 'unreached'],
    ['only the sitemap leads there', { linksIn: 0, inSitemap: true }, 'listed', undefined],
    ['the home page needs no link', { linksIn: 0, isHome: true }, 'listed', undefined],
  ])('%s', (_, change, reality, reason) => {
    const way = wayIn({ ...base, ...change });
    expect(way.reality).toBe(reality);
    expect(way.gates.find((gate) => gate.outcome === 'shut')?.reason.code).toBe(reason);
  });

  it('hides what lies behind a shut gate, and still knows it: a page shut twice needs both mended', () => {
    const way = wayIn({ ...base, robots: robots('Disallow: /p'), page: page({ directives: indexDirectives('noindex'), directivesFrom: 'page' }) });
    expect(way.gates.map((gate) => gate.outcome)).toEqual(['open', 'open', 'shut', 'hidden', 'hidden', 'open']);
    expect(way.gates.filter((gate) => gate.behind === 'shut').map((gate) => gate.name)).toEqual(['fetchable', 'listed']);
    expect(way.reality).toBe('bare');
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
] as const)('intent %s, reality %s, weakened %s: %s', (intent, reality, weakened, state) => expect(stateOf(intent, reality, weakened)).toBe(state));

describe('directives', () => {
  it.each([
    ['NOINDEX', { noindex: true }],
    ['none', { noindex: true, nofollow: true }],
    ['all', { noindex: false }],
    ['index,follow', { noindex: false }],
    ['noindexed', { noindex: false }],
    ['max-snippet:0', { nosnippet: true }],
    ['max-snippet:-1', { nosnippet: false }],
    ['unavailable_after: Wed, 25 Nov 2026 10:00:00 GMT, noindex', { noindex: true, unavailableAfter: Date.UTC(2026, 10, 25, 10) }],
  ])('%s', (content, expected) => expect(indexDirectives(content)).toMatchObject(expected));
  it('in headers add up, and names bind only their crawler', () => {
    expect(headerDirectives(['nofollow', 'SkerryBot: noindex'], 'skerrybot')).toMatchObject({ noindex: true, nofollow: true });
    expect(headerDirectives(['PloverBot: noindex', 'max-snippet: 0'], 'SkerryBot')).toMatchObject({ noindex: false, nosnippet: true });
  });
  it('of several the most restrictive holds', () => expect(strictest([indexDirectives('index'), indexDirectives('noindex')]).noindex).toBe(true));
});

it('a page that says “not found” is told from one that writes about it', () => {
  expect(saysNotFound('Page not found', [], 20)).toBe(true);
  expect(saysNotFound('Lost and not found: a history', [], 900)).toBe(false);
  expect(saysNotFound('Contact', ['Contact'], 20)).toBe(false);
});
