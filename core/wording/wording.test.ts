import { describe, expect, it } from 'vitest';
import { CHECKS } from '../checks/index.ts';
import type { GateReason } from '../indexing/index.ts';
import type { ProofOutcome } from '../ownership/index.ts';
import type { PageEdit } from '../page/index.ts';
import { TROUBLE_COSTS, type RobotsTrouble } from '../robots/index.ts';
import { KINDS, KIND_TABLE } from '../site/index.ts';
import type { Step } from '../rows/index.ts';
import {
  aboutCheck,
  bytesText,
  counted,
  editWords,
  GATE_QUESTIONS,
  gateWords,
  list,
  pieceGoes,
  pieceWords,
  patternWords,
  plural,
  proofWords,
  REFUSAL_WORDS,
  fullDate,
  shortDate,
  STATE_WORDS,
  stepWords,
  TERM_NAMES,
  TERMS,
  troubleWords,
} from './index.ts';
import { GATES, STATES } from '../indexing/index.ts';
import { expectGoodWords } from '../testing/sentences.ts';

const REASONS: readonly GateReason[] = [
  { code: 'not-released' },
  { code: 'released', at: undefined },
  { code: 'released', at: '2026-11-21T09:30:00Z' },
  { code: 'answered', status: 200, redirectedTo: undefined },
  { code: 'answered', status: 404, redirectedTo: undefined },
  { code: 'answered', status: 403, redirectedTo: undefined },
  { code: 'answered', status: 503, redirectedTo: undefined },
  { code: 'answered', status: 418, redirectedTo: undefined },
  { code: 'answered', status: 200, redirectedTo: 'https://a.example/' },
  { code: 'answered', status: 301, redirectedTo: 'https://a.example/', hops: 3 },
  { code: 'answered', status: 410, redirectedTo: undefined },
  { code: 'answered', status: 429, redirectedTo: undefined },
  { code: 'no-answer', reason: 'redirect-loop' },
  { code: 'no-answer', reason: 'something new' },
  { code: 'refresh', to: 'https://a.example/', seconds: 0 },
  { code: 'refresh', to: 'https://a.example/', seconds: 5 },
  { code: 'file' },
  { code: 'not-asked' },
  { code: 'empty-page' },
  { code: 'draft' },
  { code: 'everyone' },
  { code: 'restricted' },
  { code: 'no-robots' },
  { code: 'robots-silent' },
  { code: 'robots-unreachable', status: undefined },
  { code: 'robots-unreachable', status: 500 },
  { code: 'rule', allow: false, line: 6, pattern: '/x' },
  { code: 'rule', allow: true, line: 6, pattern: '/x' },
  { code: 'no-directive' },
  { code: 'index-allowed' },
  { code: 'nothing-read' },
  { code: 'soft-not-found' },
  ...(['switch', 'owner', 'page', 'header', 'none'] as const).map((from): GateReason => ({ code: 'noindex', from })),
  { code: 'noindex', from: 'page', name: 'ploverbot', content: 'none', more: 1 },
  { code: 'noindex', from: 'page', expired: 0 },
  { code: 'expired', since: 0 },
  { code: 'canonical-self' },
  { code: 'canonical-none' },
  { code: 'canonical-conflict', addresses: ['https://a.example/1', 'https://a.example/2'] },
  { code: 'canonical-elsewhere', address: 'https://a.example/1' },
  ...(['gone', 'redirects', 'blocked', 'noindex', 'elsewhere'] as const).map((trouble): GateReason => ({
    code: 'canonical-elsewhere',
    address: 'https://a.example/1',
    from: 'header',
    trouble,
  })),
  { code: 'canonical-ignored', address: 'https://a.example/1', why: 'gone' },
  { code: 'canonical-ignored', address: 'https://a.example/1', why: 'unlike' },
  { code: 'reached', linksIn: 0, inSitemap: true, isHome: false },
  { code: 'reached', linksIn: 3, inSitemap: false, isHome: true },
  { code: 'links-unread', linksIn: 2 },
  { code: 'unreached' },
];

describe('everything that is told has words', () => {
  it.each(REASONS)('gate reason $code', (reason) => {
    const { evidence, means, expert, section } = gateWords(reason);
    expectGoodWords(evidence, means, expert, section);
  });
  it('gates, states and kinds', () => {
    for (const gate of GATES) expectGoodWords(GATE_QUESTIONS[gate]);
    for (const state of STATES) expectGoodWords(...Object.values(STATE_WORDS[state]));
    for (const kind of KINDS) expectGoodWords(KIND_TABLE[kind].one, KIND_TABLE[kind].many);
    expectGoodWords(...Object.values(REFUSAL_WORDS));
  });
  it.each<Step>([
    { code: 'open-site', since: undefined },
    { code: 'open-site', since: '2026-11-21T09:30:00Z' },
    { code: 'open-site', since: '2026-11-21T09:30:00Z', releases: 3 },
    { code: 'open-visitors', audience: 'draft' },
    { code: 'open-visitors', audience: 'restricted' },
    {
      code: 'open-page',
      page: 'a.html',
      gates: [
        { name: 'fetchable', openable: true },
        { name: 'listed', openable: true },
      ],
    },
    { code: 'open-page', page: 'a.html', gates: [{ name: 'reachable', openable: true }] },
    { code: 'open-pages', pages: ['a.html', 'b.html', 'c.html', 'd.html'] },
    { code: 'close-kind', kind: 'tag', pages: ['a.html'] },
    { code: 'close-kind', kind: 'tag', pages: ['a.html', 'b.html'] },
    { code: 'close-page', page: 'a.html' },
    { code: 'half-hidden', pages: ['a.html'] },
    { code: 'half-hidden', pages: ['a.html', 'b.html'] },
    { code: 'write-words', pages: ['a.html'], missing: 1, same: 0 },
    { code: 'write-words', pages: Array.from({ length: 500 }, (_, index) => `${index}.html`), missing: 400, same: 30 },
    { code: 'say-who', gaps: ['owner-name'] },
    { code: 'make-map' },
    { code: 'release', files: 3, first: false },
    { code: 'release', files: 3, first: true },
    { code: 'place-proof' },
    { code: 'verify', waits: true },
    { code: 'verify', waits: false },
    { code: 'hand-in', waits: false },
    { code: 'wait' },
  ])('step $code', (step) => {
    const { headline, why, action } = stepWords(step, (page) => page);
    expectGoodWords(headline, why, action);
  });
  it('a step that can only wait offers no action', () => {
    expect(stepWords({ code: 'hand-in', waits: true }, (page) => page).action).toBe('');
  });
  it('a page that is shut by what one press cannot open is shown, not opened', () => {
    expect(stepWords({ code: 'open-page', page: 'a', gates: [{ name: 'answers', openable: false }] }, (page) => page).action).toBe('See why');
    expect(
      stepWords(
        {
          code: 'open-page',
          page: 'a',
          gates: [
            { name: 'fetchable', openable: true },
            { name: 'listed', openable: true },
            { name: 'main-address', openable: true },
          ],
        },
        (page) => page,
      ).action,
    ).toBe('Open all 3');
    expect(stepWords({ code: 'open-page', page: 'a', gates: [{ name: 'listed', openable: true }] }, (page) => page).action).toBe('Open it');
    expect(
      stepWords(
        {
          code: 'open-page',
          page: 'a',
          gates: [
            { name: 'fetchable', openable: true },
            { name: 'listed', openable: true },
          ],
        },
        (page) => page,
      ).action,
    ).toBe('Open both');
  });
  it.each<ProofOutcome>([
    { kind: 'verified' },
    { kind: 'not-live', detail: 'no-such-host' },
    { kind: 'not-live', detail: 'no-answer' },
    { kind: 'refused', status: 403 },
    { kind: 'not-found' },
    { kind: 'in-body' },
    { kind: 'altered', found: 'x' },
    { kind: 'elsewhere', redirectedTo: 'https://www.a.example/' },
    { kind: 'no-file', name: 'a.html', status: 404 },
    { kind: 'file-differs', name: 'a.html', found: 'x' },
    { kind: 'no-record', detail: 'none' },
    { kind: 'no-record', detail: 'no-answer' },
    { kind: 'other-records', found: ['x'] },
  ])('proof $kind', (outcome) => {
    const { headline, mend } = proofWords(outcome);
    expectGoodWords(headline, mend);
  });
  it.each(['empty', 'script', 'several', 'no-code', 'no-content', 'code-alone', 'file-alone', 'other-domain'] as const)('pasted: %s', (reason) =>
    expectGoodWords(pieceWords({ ok: false, reason, found: 'it' }), pieceWords({ ok: false, reason })),
  );
  it.each(['tag', 'file', 'txt', 'cname'] as const)('where a %s goes', (kind) => {
    const { what, where } = pieceGoes({ kind, name: '@', content: 'x' }, 'a.example');
    expectGoodWords(what, where);
  });
  it.each<PageEdit>([
    { kind: 'title', text: 'T' },
    { kind: 'title', text: '' },
    { kind: 'description', text: 'D' },
    { kind: 'noindex', on: true },
    { kind: 'noindex', on: false },
    { kind: 'directives', name: 'robots', wanted: { snippet: 'max-snippet:50' } },
    { kind: 'directives', name: 'ploverbot', wanted: { follow: '' } },
    { kind: 'canonical', href: 'https://a.example/' },
    { kind: 'no-refresh' },
    { kind: 'charset' },
    { kind: 'addresses', origin: 'https://a.example', was: 'https://www.a.example', page: { from: '/', to: '/' }, moved: [] },
    { kind: 'meta', name: 'skerry-proof', content: 'x' },
    { kind: 'json-ld', graph: { '@context': 'https://schema.org', '@graph': [{ '@id': 'x', '@type': 'WebSite' }] } },
  ])('edit $kind', (edit) => {
    const { field, value } = editWords(edit);
    expectGoodWords(field, value);
  });
});

describe('small words', () => {
  it('count', () =>
    expect([counted(1, 'page'), counted(0, 'page'), counted(1234, 'page'), counted(2, 'address', 'addresses')]).toEqual([
      '1 page',
      '0 pages',
      '1,234 pages',
      '2 addresses',
    ]));
  it('bytes, in one form everywhere', () =>
    expect([1, 0, 999, 1_000, 1_499, 820_400, 999_499, 999_500, 4_234_567, 12_000_000, 999_499_999, 1_300_000_000].map(bytesText)).toEqual([
      ...['1 byte', '0 bytes', '999 bytes', '1 kB', '1 kB', '820 kB', '999 kB', '1 MB', '4.2 MB', '12 MB', '999.5 MB', '1.3 GB'],
    ]));
  it('the form that goes with a number', () => expect([0, 1, 2, 21].map((count) => plural(count, 'waits', 'wait'))).toEqual(['wait', 'waits', 'wait', 'wait']));
  it('every term has a name, and says what it means', () => {
    for (const [id, { name, text }] of Object.entries(TERMS)) {
      expect(name).toBe(TERM_NAMES[id as keyof typeof TERM_NAMES]);
      expectGoodWords(name, text);
    }
  });
  it('list', () => expect([list(['A']), list(['A', 'B']), list(['A', 'B', 'C'])]).toEqual(['“A”', '“A” and “B”', '“A” and 2 more']));
  it('date', () => expect([shortDate('2026-11-21T23:30:00Z'), shortDate('not a date')]).toEqual(['21 Nov', 'not a date']));
  it('date with its year', () => expect([fullDate('2026-11-21T23:30:00Z'), fullDate('not a date')]).toEqual(['21 Nov 2026', 'not a date']));
});

describe('robots.txt in plain words', () => {
  it.each([
    ['', 'no address'],
    ['/', 'every address'],
    ['/*', 'every address'],
    ['/basket', 'addresses that begin with /basket'],
    ['/a.html$', 'the address /a.html alone'],
    ['/*.pdf$', 'addresses that end in .pdf'],
    ['/*?sort=', 'addresses that contain ?sort='],
    ['/shop/*/print', 'addresses that begin with /shop/ and later have /print'],
    ['/shop/*.pdf$', 'addresses that begin with /shop/ and end in .pdf'],
    ['*a*b$', 'addresses that contain a and end in b'],
  ])('%s: %s', (pattern, words) => expect(patternWords(pattern)).toBe(words));
  it.each<RobotsTrouble>([
    { code: 'too-large', bytes: 600_000 },
    { code: 'shuts-all', line: 2, token: '*' },
    { code: 'wanted-shut', line: 2, pages: ['a', 'b', 'c', 'd'] },
    { code: 'assets-shut', line: 2, files: ['/a.css'] },
    { code: 'hides-not', line: 2, pages: ['a'] },
    { code: 'not-listened', token: 'PloverBot', line: 3, rules: 2 },
    { code: 'merged', token: '*', lines: [1, 5] },
    { code: 'no-group', line: 1 },
    { code: 'wrong-case', allow: false, line: 1, would: ['/a'] },
    { code: 'no-slash', allow: true, line: 1, pattern: 'a' },
    { code: 'touches-nothing', line: 1 },
    { code: 'same-rule', line: 4, as: 2 },
    { code: 'bad-token', line: 1, written: 'Bot/1', token: 'Bot' },
    { code: 'bad-token', line: 1, written: '1', token: '' },
    { code: 'noindex-field', line: 1 },
    { code: 'crawl-delay', line: 1 },
    { code: 'unknown-field', line: 1, field: 'host' },
    { code: 'unreadable', line: 1 },
    { code: 'sitemap-missing' },
    { code: 'sitemap-relative', line: 1, address: '/s.xml' },
    { code: 'sitemap-elsewhere', line: 1, address: 'https://b.example/s.xml' },
  ])('trouble $code', (trouble) => {
    const { headline, why } = troubleWords(trouble, (page) => page);
    expectGoodWords(headline, why);
    expect(TROUBLE_COSTS[trouble.code]).toMatch(/blocks|weakens|polish/);
  });
});

describe('checks', () => {
  it('have all that belongs to one: words, a button where one press can do something, and an offer for all pages where it lives in a template', () => {
    for (const check of CHECKS) {
      const { name, reason, button, everywhere } = aboutCheck(check.code);
      expect([check.code, name.length > 3, /^[A-Z].*\.$/.test(reason)]).toEqual([check.code, true, true]);
      expect([check.code, button !== undefined]).toEqual([check.code, check.fix !== undefined]);
      expect([check.code, everywhere !== undefined]).toEqual([check.code, check.onAllPages !== undefined]);
    }
  });
  it('are called by different names', () => expect(new Set(CHECKS.map(({ code }) => aboutCheck(code).name)).size).toBe(CHECKS.length));
});
