import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { tickFor } from '../../../core/ledger/index.ts';
import type { PageRow } from '../../../core/rows/index.ts';
import { LONGEST_TEXT, pageKey, type SiteDocument } from '../../../core/site/index.ts';
import { linesOf, standing, type Items, type Line } from './paste-lines.ts';

type Pasted = SiteDocument['tables']['pasted'];
const row = (over: Partial<PageRow> = {}): PageRow =>
  ({ id: 'a/index.html', address: '/a/', title: 'Boxes', description: '', intent: 'list', name: 'Boxes', ...over }) as PageRow;
const item = (key: string, value: string): Items[string][number] => ({ key, field: 'alt', about: 'box.jpg', value });
const ticked = (line: Line, value = line.value): Pasted => ({ [pageKey('a/index.html', line.key)]: { value: tickFor(value), at: '2026-11-27' } });

describe('a page on the paste sheet', () => {
  it('has title, description and the end of its address, then what else changes', () => {
    expect(linesOf(row(), { 'a/index.html': [item('alt:9', 'A box')] }).map(({ key, value }) => [key, value])).toEqual([
      ['title', 'Boxes'],
      ['description', ''],
      ['ending', 'a'],
      ['alt:9', 'A box'],
    ]);
    expect(linesOf(row({ id: 'index.html', address: '/' }), {}).map(({ key }) => key)).toEqual(['title', 'description']);
  });
  it('has only what changes where nobody is to find it', () => {
    expect(linesOf(row({ intent: 'out' }), { 'a/index.html': [item('robots', 'noindex')] }).map(({ key }) => key)).toEqual(['robots']);
    expect(linesOf(row({ intent: 'out' }), {})).toEqual([]);
  });
  it('is done while its texts are what was ticked, and asks again once they are others', () => {
    fc.assert(
      fc.property(fc.string({ minLength: 1, maxLength: 40 }), fc.string({ maxLength: 40 }), fc.integer({ min: 0, max: 3 }), (before, after, times) => {
        // Blocks of structured data may be longer than what is kept of a tick.
        const long = 'x'.repeat(times * LONGEST_TEXT);
        const [old, now] = [item('alt:9', long + before), item('alt:9', long + after)];
        const pasted = ticked(old);
        expect(standing(row(), old, pasted)).toBe('done');
        expect(standing(row(), now, pasted)).toBe(before === after ? 'done' : 'again');
        expect(tickFor(now.value).length).toBeLessThanOrEqual(LONGEST_TEXT);
        expect(standing(row(), now, {})).toBe(now.value === '' ? 'none' : 'open');
      }),
    );
  });
  it('keeps the ticks of texts apart', () => {
    const [one, other] = [item('alt:9', 'A box'), item('alt:99', 'A box')];
    expect([standing(row(), one, ticked(one)), standing(row(), other, ticked(one)), standing(row({ id: 'b.html' }), one, ticked(one))]).toEqual([
      'done',
      'open',
      'open',
    ]);
  });
});
