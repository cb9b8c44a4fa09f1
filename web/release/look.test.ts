import { describe, expect, it } from 'vitest';
import type { LivePage } from '../../core/release/index.ts';
import type { PageRow } from '../../core/rows/index.ts';
import { applyChange, emptyDocument, nextLook } from '../../core/site/index.ts';
import { lookAtLive, standingOf, ticksBy, type Look, type LookedPage } from './look.ts';

const PAGE: LivePage = { kind: 'page', fields: {} as never };
const row = (id: string, change: Partial<PageRow> = {}): PageRow =>
  ({ id, address: `/${id}/`, title: `T ${id}`, description: '', intent: 'list', ...change }) as PageRow;
const looked = (id: string, fields: readonly string[] = [], live: LivePage = PAGE): LookedPage => ({
  id,
  live,
  drift: fields.map((field) => ({ field: field as never, meant: 'a', found: 'b' })),
});
const look = (...pages: LookedPage[]): Look => ({ at: '2026-11-26T10:00:00Z', pages, whole: true });
const rows = new Map(['a', 'b', 'c', 'out'].map((id) => [id, row(id, id === 'out' ? { intent: 'out' } : {})]));

describe('a look at the live site', () => {
  it.each<[string, LookedPage, string]>([
    ['as meant', looked('a'), 'as-meant'],
    ['drifted', looked('a', ['title']), 'drifted'],
    ['gone', looked('a', [], { kind: 'status', status: 404 }), 'not-there'],
    ['moved', looked('a', [], { kind: 'moved', to: 'x' }), 'not-there'],
    ['kept away', looked('a', [], { kind: 'forbidden' }), 'unseen'],
  ])('%s', (_, page, standing) => expect(standingOf(page)).toBe(standing));

  it('asks in batches, and stopped, tells what it found until then', async () => {
    const asked: number[] = [];
    const all = Array.from({ length: 45 }, (_, at) => row(`p${at}`));
    const run = (stopAfter: number) =>
      lookAtLive({
        rows: all,
        origin: 'https://a.example',
        at: 'now',
        ask: async (addresses) => (asked.push(addresses.length), addresses.map(() => PAGE)),
        compare: async (pages) => pages.map(() => []),
        progress: () => undefined,
        stopped: () => asked.length >= stopAfter,
      });
    const whole = await run(100);
    expect([whole.whole, whole.pages.length, asked]).toEqual([true, 45, [20, 20, 5]]);
    asked.length = 0;
    const cut = await run(1);
    expect([cut.whole, cut.pages.length]).toEqual([false, 20]);
  });

  it('sets the ticks by what is there, once', () => {
    const first = ticksBy(look(looked('a'), looked('b', ['title']), looked('c', [], { kind: 'forbidden' }), looked('out')), rows, {}, { a: '{}' });
    expect([first?.set, first?.taken]).toEqual([4, 0]);
    const { pasted } = applyChange(emptyDocument(), first?.change as never).tables;
    expect(Object.keys(pasted).sort()).toEqual(['a\nending', 'a\nmarkup', 'a\ntitle', 'b\nending']);
    expect(ticksBy(look(looked('a'), looked('b', ['title'])), rows, pasted, { a: '{}' })).toBeUndefined();
    const second = ticksBy(look(looked('a', ['title', 'markup'])), rows, pasted, { a: '{}' });
    expect([second?.set, second?.taken]).toEqual([0, 2]);
  });

  it('is due again a month later', () => {
    expect(nextLook({})).toBeUndefined();
    expect(nextLook({ '': { at: '2026-11-01T00:00:00.000Z' } })).toBe('2026-12-01T00:00:00.000Z');
  });
});
