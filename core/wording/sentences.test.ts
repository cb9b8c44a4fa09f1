import { describe, expect, it } from 'vitest';
import { CHECKS, type Finding } from '../checks/index.ts';
import { STEP_STOPS, type Step } from '../rows/index.ts';
import type { MarkupFault } from '../structured-data/index.ts';
import { expectGoodWords } from '../testing/sentences.ts';
import { findingWords, fixButton, stepWords } from './index.ts';

const NAMES: Readonly<Record<string, string>> = { a: 'Boxes', b: 'Slipcases', c: 'Prices', d: 'Contact', e: 'Journal' };
const nameOf = (id: string): string => NAMES[id] ?? id;

const fault = (code: MarkupFault['code'], about: Partial<MarkupFault>): MarkupFault => ({ code, type: '', property: '', word: '', start: 0, end: 1, ...about });

/** Every sort of finding, each with what makes its words differ. */
const FINDINGS: readonly Finding[] = [
  { code: 'shut-out', gates: [{ name: 'listed', openable: true }] },
  {
    code: 'shut-out',
    gates: [
      { name: 'listed', openable: true },
      { name: 'fetchable', openable: true },
    ],
  },
  { code: 'leaking' },
  { code: 'half-hidden', line: 6 },
  { code: 'half-hidden', line: undefined },
  { code: 'one-engine', engine: 'Plover', how: 'shut-out', gates: [{ name: 'listed', openable: true }] },
  { code: 'one-engine', engine: 'Plover', how: 'leaking', gates: [] },
  { code: 'one-engine', engine: 'Plover', how: 'half-hidden', gates: [] },
  { code: 'canonical-several', addresses: ['https://a.example/1', 'https://a.example/2'] },
  { code: 'title-missing' },
  { code: 'title-leftover', part: 'Untitled', why: 'default' },
  { code: 'title-leftover', part: 'Just another site', why: 'tagline' },
  { code: 'title-leftover', part: 'a.example', why: 'domain' },
  { code: 'name-number', name: 'Journal 2', pages: [] },
  { code: 'title-same', pages: ['a', 'b'] },
  { code: 'title-near', pages: ['a'] },
  { code: 'title-cut', words: 1, lastShown: 'rare books' },
  { code: 'title-cut', words: 3, lastShown: 'rare books' },
  { code: 'title-several', count: 2 },
  { code: 'title-outside-head' },
  { code: 'description-missing' },
  { code: 'description-same', pages: ['a', 'b', 'c', 'd', 'e'] },
  { code: 'description-near', pages: ['a'] },
  { code: 'description-cut', words: 2, lastShown: 'in cloth' },
  { code: 'phrase-fought', phrase: 'book boxes', pages: ['a'] },
  { code: 'phrase-places', phrase: 'book boxes', missing: ['title', 'heading'] },
  { code: 'keywords-many', count: 40 },
  { code: 'heading-missing' },
  { code: 'heading-several', count: 3 },
  { code: 'heading-order', heading: 'Prices', level: 4, after: 2 },
  { code: 'heading-wall', words: 620 },
  { code: 'image-alt-missing', count: 1, of: 4, first: 'box.jpg' },
  { code: 'image-alt-missing', count: 3, of: 4, first: 'box.jpg' },
  { code: 'lang-missing' },
  { code: 'charset-missing' },
  { code: 'links-broken', paths: ['/gone'] },
  { code: 'links-broken', paths: ['/a', '/b', '/c', '/d'] },
  { code: 'links-none' },
  { code: 'address-taken', pages: ['a'] },
  { code: 'second-spelling', paths: ['/p'] },
  { code: 'noscript-noindex', content: 'noindex' },
  { code: 'not-writable', why: 'utf-16' },
  { code: 'not-writable', why: 'head-open' },
  { code: 'template-left', instruction: '{{ title }}' },
  { code: 'text-thin', words: 30 },
  { code: 'sentence-long', count: 2, words: 44, begins: 'When the book' },
  { code: 'paragraph-long', count: 1 },
  { code: 'reading-hard', formula: 'Flesch', score: 28, very: true },
  { code: 'reading-hard', formula: 'Flesch', score: 45, very: false },
  { code: 'markup-broken', fault: fault('json-broken', { word: '}' }), others: 0 },
  { code: 'markup-contradicts', fault: fault('not-shown', { type: 'Offer', property: 'price', word: '22.00', meant: '24.00' }), others: 0 },
  { code: 'markup-wrong', fault: fault('price-form', { type: 'Offer', property: 'price', word: '12,50 €' }), others: 2 },
  { code: 'markup-odd', fault: fault('property-unknown', { type: 'Product', property: 'colour', word: 'colour', meant: 'color' }), others: 0 },
  { code: 'result-missing', gap: { engine: 'skerry', sort: 'event', type: 'Event', missing: ['startDate', 'location'], better: [] } },
  { code: 'result-thin', gap: { engine: 'plover', sort: 'article', type: 'BlogPosting', missing: [], better: ['author'] } },
  { code: 'markup-unseen', types: ['Product'] },
  { code: 'markup-misfit', path: 'product.offers.price', others: 0 },
  { code: 'wording-care', words: [{ word: 'chairman', instead: 'chair' }] },
];

/** Every sort of step that can be left. */
const STEPS: readonly Step[] = [
  { code: 'no-home', pages: ['a', 'b'] },
  { code: 'open-site', since: undefined },
  { code: 'open-site', since: '2026-11-21T09:30:00Z', releases: 3 },
  { code: 'open-visitors', audience: 'draft' },
  { code: 'open-visitors', audience: 'restricted' },
  { code: 'open-page', page: 'a', gates: [{ name: 'listed', openable: true }] },
  {
    code: 'open-page',
    page: 'a',
    gates: [
      { name: 'fetchable', openable: true },
      { name: 'listed', openable: false },
    ],
  },
  { code: 'open-pages', pages: ['a', 'b', 'c', 'd'] },
  { code: 'close-kind', kind: 'tag', pages: ['a'] },
  { code: 'close-kind', kind: 'tag', pages: ['a', 'b'] },
  { code: 'close-page', page: 'a' },
  { code: 'half-hidden', pages: ['a'] },
  { code: 'half-hidden', pages: ['a', 'b'] },
  { code: 'write-words', pages: ['a'], missing: 1, same: 0 },
  { code: 'write-words', pages: ['a', 'b', 'c'], missing: 1, same: 2 },
  { code: 'say-who', gaps: ['owner-name'] },
  { code: 'write-markup' },
  { code: 'make-map' },
  { code: 'release', files: 1, first: true },
  { code: 'release', files: 12, first: false },
  { code: 'place-proof' },
  { code: 'verify', waits: true },
  { code: 'verify', waits: false },
  { code: 'hand-in', waits: true },
  { code: 'hand-in', waits: false },
  { code: 'wait' },
];

/** Characters that the narrowest place of each has room for: the rail's width in one line, or two. */
const ROOM = { headline: 90, button: 30, why: 260, fix: 160 };

/** The sentences of a text. */
const sentences = (text: string): string[] => text.split(/(?<=[.?…])\s+(?=[A-Z“0-9])/);

/** What must be told of a finding: the words it quotes and its numbers, as people read them. */
function expectTold(about: object, text: string): void {
  for (const value of Object.values(about)) {
    if (typeof value === 'number' && value > 1) expect(text.replace(/(?<=\d),(?=\d)/g, '')).toContain(String(value));
    if (typeof value === 'string' && /^[A-Z]|\s/.test(value) && !/T\d\d:/.test(value)) expect(text).toContain(value.slice(0, 20));
  }
}

describe('a finding is told', () => {
  it.each(FINDINGS)('%j', (finding) => {
    const { headline, why, mend } = findingWords(finding, nameOf);
    const button = fixButton(finding);
    expectGoodWords(headline, why, mend, button || 'none');
    for (const sentence of [...sentences(why), ...sentences(mend)]) expect(sentence).toMatch(/[.?…]$/);
    expect(headline).not.toMatch(/[.;]$/);
    expect(button).not.toMatch(/[.;]$/);
    expect(
      [headline.length <= ROOM.headline, button.length <= ROOM.button, why.length <= ROOM.why, mend.length <= ROOM.fix],
      `${headline} | ${why} | ${mend}`,
    ).toEqual([true, true, true, true]);
    expectTold(finding, `${headline} ${why} ${mend} ${button}`);
  });
  it('whatever it is: none is left out here', () => expect(new Set(FINDINGS.map(({ code }) => code))).toEqual(new Set(CHECKS.map(({ code }) => code))));
  it('no two sorts in the same words', () => {
    const first = new Map(FINDINGS.map((finding) => [finding.code, findingWords(finding, nameOf).headline]));
    expect(new Set(first.values()).size).toBe(first.size);
  });
});

describe('a step is told', () => {
  it.each(STEPS)('%j', (step) => {
    const { headline, why, action } = stepWords(step, nameOf);
    expectGoodWords(headline, why, action || 'none');
    for (const sentence of sentences(why)) expect(sentence).toMatch(/[.?…]$/);
    expect(headline).not.toMatch(/[.;]$/);
    expect([headline.length <= ROOM.headline, action.length <= ROOM.button, why.length <= ROOM.why], `${headline} | ${why} | ${action}`).toEqual([
      true,
      true,
      true,
    ]);
    if ('page' in step) expect(headline).toContain(nameOf(step.page));
    if ('pages' in step) {
      const [first = '', ...others] = step.pages;
      expect([nameOf(first), String(others.length + 1)].some((said) => `${headline} ${why}`.includes(said))).toBe(true);
    }
  });
  it('whatever it is: none is left out here', () => expect(new Set(STEPS.map(({ code }) => code))).toEqual(new Set(Object.keys(STEP_STOPS))));
});
