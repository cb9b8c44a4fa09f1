import { describe, expect, it } from 'vitest';
import type { GateReason } from '../indexing/index.ts';
import type { ProofOutcome } from '../ownership/index.ts';
import type { PageEdit } from '../page/index.ts';
import { KINDS } from '../site/index.ts';
import type { Step } from '../survey/index.ts';
import {
  counted,
  editWords,
  GATE_QUESTIONS,
  gateWords,
  KIND_WORDS,
  list,
  pastedWords,
  proofWords,
  REFUSAL_WORDS,
  shortDate,
  STATE_WORDS,
  stepWords,
} from './index.ts';
import { GATES, STATES } from '../indexing/index.ts';

/** Plain, finished, and without marks of exclamation: what every sentence of the program has to be. */
function good(...texts: string[]): void {
  for (const text of texts) {
    expect(text).toMatch(/\S/);
    expect(text).not.toMatch(/undefined|null|NaN|\[object|!/);
  }
}

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
  ...(['doors', 'owner', 'page', 'header', 'none'] as const).map((from): GateReason => ({ code: 'noindex', from })),
  { code: 'expired', since: 0 },
  { code: 'canonical-self' },
  { code: 'canonical-none' },
  { code: 'canonical-conflict', addresses: ['https://a.example/1', 'https://a.example/2'] },
  { code: 'canonical-elsewhere', address: 'https://a.example/1' },
  { code: 'reached', linksIn: 0, inSitemap: true, isHome: false },
  { code: 'reached', linksIn: 3, inSitemap: false, isHome: true },
  { code: 'unreached' },
];

describe('everything that is told has words', () => {
  it.each(REASONS)('gate reason $code', (reason) => {
    const { evidence, means } = gateWords(reason);
    good(evidence, means);
  });
  it('gates, states and kinds', () => {
    for (const gate of GATES) good(GATE_QUESTIONS[gate]);
    for (const state of STATES) good(STATE_WORDS[state].name, STATE_WORDS[state].means);
    for (const kind of KINDS) good(KIND_WORDS[kind].one, KIND_WORDS[kind].many);
    good(...Object.values(REFUSAL_WORDS));
  });
  it.each<Step>([
    { code: 'open-site', since: undefined },
    { code: 'open-site', since: '2026-11-21T09:30:00Z' },
    { code: 'open-page', page: 'a.html', gates: ['fetchable', 'listed'] },
    { code: 'open-page', page: 'a.html', gates: ['reachable'] },
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
    good(headline, why, action);
  });
  it('a step that can only wait offers no action', () => {
    expect(stepWords({ code: 'hand-in', waits: true }, (page) => page).action).toBe('');
  });
  it('a page that is shut by what one press cannot open is shown, not opened', () => {
    expect(stepWords({ code: 'open-page', page: 'a', gates: ['main-address'] }, (page) => page).action).toBe('See why');
    expect(stepWords({ code: 'open-page', page: 'a', gates: ['listed'] }, (page) => page).action).toBe('Open it');
    expect(stepWords({ code: 'open-page', page: 'a', gates: ['fetchable', 'listed'] }, (page) => page).action).toBe('Open both');
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
  ])('proof $kind', (outcome) => {
    const { headline, mend } = proofWords(outcome);
    good(headline, mend);
  });
  it.each(['empty', 'several-tags', 'no-code', 'no-content', 'other-engine'] as const)('pasted: %s', (reason) => good(pastedWords({ ok: false, reason })));
  it.each<PageEdit>([
    { kind: 'title', text: 'T' },
    { kind: 'title', text: '' },
    { kind: 'description', text: 'D' },
    { kind: 'noindex', on: true },
    { kind: 'noindex', on: false },
    { kind: 'meta', name: 'skerry-proof', content: 'x' },
    { kind: 'json-ld', graph: { '@context': 'https://schema.org', '@graph': [] } },
  ])('edit $kind', (edit) => {
    const { field, value } = editWords(edit);
    good(field, value);
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
  it('list', () => expect([list(['A']), list(['A', 'B']), list(['A', 'B', 'C'])]).toEqual(['“A”', '“A” and “B”', '“A” and 2 more']));
  it('date', () => expect([shortDate('2026-11-21T23:30:00Z'), shortDate('not a date')]).toEqual(['21 Nov', 'not a date']));
});
