import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { testSite } from '../../core/testing/site.ts';
import { expectGoodWords } from '../../core/testing/sentences.ts';
import { remainingSteps, type RemainingStep, type SiteNumbers } from '../../core/rows/index.ts';
import type { JournalEntry } from '../../core/site/index.ts';
import { latelyEvents } from './lately-events.ts';
import { signAfter, skyGroups } from './sky-groups.ts';
import { stepPlace } from './step-action.ts';
import { answer, subline } from './wording.ts';

const NUMBERS: SiteNumbers = {
  pages: 30,
  wanted: 20,
  found: 18,
  foundAfterRelease: 18,
  pending: 0,
  waiting: 0,
  states: {},
  brokenLinks: 0,
  closed: false,
};
const said = (numbers: Partial<SiteNumbers>, open = true): string => answer({ ...NUMBERS, ...numbers }, open).join('');

describe('the answer', () => {
  it.each([
    [{}, true, 'People can find 18 of the 20 pages you want found.'],
    [{ found: 20 }, true, 'People can find all 20 pages you want found.'],
    [{ found: 1, wanted: 1 }, true, 'People can find the one page you want found.'],
    [{ found: 0 }, true, 'People can find none of the 20 pages you want found.'],
    [{ found: 0, wanted: 1 }, true, 'People cannot find the one page you want found.'],
    [{ wanted: 0, found: 0 }, true, 'You want no page of this site found.'],
    [{ pages: 0, wanted: 0, found: 0 }, true, 'There are no pages here yet.'],
    [{}, false, 'The site is closed to engines.'],
    [{ wanted: 5_000, found: 4_999 }, true, 'People can find 4,999 of the 5,000 pages you want found.'],
  ] as const)('%j, open: %s', (numbers, open, sentence) => expect(said(numbers, open)).toBe(sentence));

  it('is one sentence for any numbers, and its line below says nothing of what is not there', () => {
    const count = fc.integer({ min: 0, max: 2_000 });
    const states = fc.record({ 'shut-out': count, leaking: count, 'half-hidden': count, 'not-live': count });
    fc.assert(
      fc.property(count, count, count, states, fc.boolean(), fc.boolean(), (pages, wanted, found, of, closed, open) => {
        const numbers = { ...NUMBERS, pages: pages + wanted, wanted, found: Math.min(found, wanted), states: of, closed };
        expectGoodWords(answer(numbers, open).join(''));
        const line = subline(numbers, []);
        expectGoodWords(line);
        expect(/leaking/.test(line)).toBe(of.leaking > 0);
        expect(/half hidden/.test(line)).toBe(of['half-hidden'] > 0);
        const afterwards = subline({ ...numbers, foundAfterRelease: found }, []);
        expect(/Once what waits/.test(afterwards)).toBe(found !== numbers.found);
        expect(/it will be (?:only|none)/.test(afterwards)).toBe(found < numbers.found);
        expect(/by accident/.test(line)).toBe(!closed && of['shut-out'] > 0);
      }),
    );
  });
});

describe('what happened lately', () => {
  const entry = (at: number, label: string, more: Partial<JournalEntry> = {}): JournalEntry =>
    ({ seq: at, at: `2026-11-${String(at).padStart(2, '0')}T10:00:00Z`, label, role: 'do', coalesceKey: null, notUndoable: false, ...more }) as JournalEntry;
  it('tells a step once, what was undone as that, and nothing that no hand did', () => {
    const events = latelyEvents(
      [
        entry(9, 'Title', { coalesceKey: 'a' }),
        entry(8, 'Title', { coalesceKey: 'a' }),
        entry(7, 'Opened', { role: 'undo' }),
        entry(6, 'Swept', { notUndoable: true }),
      ],
      {},
      [],
    );
    expect(events.map(({ text }) => text)).toEqual(['Title', 'Undone: Opened']);
  });
  it('comes in one order, whoever did it, and is never long', () => {
    const day = fc.integer({ min: 1, max: 28 });
    fc.assert(
      fc.property(fc.array(day, { maxLength: 20 }), fc.array(day, { maxLength: 6 }), fc.array(day, { maxLength: 8 }), (changes, releases, days) => {
        const events = latelyEvents(
          changes.sort((a, b) => b - a).map((at) => entry(at, `Change ${at}`)),
          Object.fromEntries(releases.map((at, number) => [String(number + 1), { at: entry(at, '').at, pages: at }])),
          days.map((at) => ({ at: entry(at, '').at, visited: at, listed: at })),
        );
        expect(events.length).toBeLessThanOrEqual(7);
        expect(events.map(({ at }) => at)).toEqual(events.map(({ at }) => at).sort((a, b) => (a < b ? 1 : a > b ? -1 : 0)));
        for (const { text, note } of events) expectGoodWords(text, note ?? 'none');
      }),
    );
  });
});

describe('the sky', () => {
  const rows = (count: number) => {
    const pages = Object.fromEntries(
      Array.from({ length: count }, (_, at) => [at === 0 ? 'index.html' : `p/${at}.html`, `<title>${at}</title><a href="/p/${at + 1}.html">on</a>`]),
    );
    return testSite(pages, { live: count % 2 === 0 }).survey.rows();
  };
  it.each([0, 1, 30, 401])('of %i pages has a sign for each, or counts those that have none', (count) => {
    const all = rows(count);
    const groups = skyGroups(all);
    expect(groups.reduce((sum, group) => sum + group.count, 0)).toBe(count);
    for (const { signs, more, count: of, dense } of groups) {
      if (!dense) expect([signs.length, more]).toEqual([of, 0]);
      else expect(signs.length + more).toBe(all.filter((row) => signs.some(({ kind }) => kind === row.kind) && row.state !== 'findable').length);
    }
  });
  it('is left by no key', () => {
    fc.assert(
      fc.property(fc.constantFrom('ArrowRight', 'ArrowDown', 'ArrowLeft', 'ArrowUp', 'Home', 'End', 'a'), fc.nat(20), fc.nat(21), (key, at, count) => {
        const to = signAfter(key, Math.min(at, count - 1), count);
        if (key === 'a' || count === 0) expect(to).toBeUndefined();
        else expect(to).toSatisfy((sign: number) => sign >= 0 && sign < count);
      }),
    );
  });
});

describe('a step', () => {
  const links = {
    linkTo: (stop: string, page?: string) => `/${stop}${page === undefined ? '' : `?page=${page}`}`,
    linkToView: (stop: string, view: string) => `/${stop}/${view}`,
  } as Parameters<typeof stepPlace>[1];
  it('of any site leads to where it is done', () => {
    const { survey, document } = testSite(
      { 'a.html': '<title>Untitled</title><meta name=robots content=noindex>', 'b.html': '<title>B</title>', 'tag/x.html': '<title>X</title>' },
      { robots: 'User-agent: *\nDisallow: /b', live: false },
    );
    const steps: readonly RemainingStep[] = remainingSteps(document, [...survey.rows()], survey.numbers(), undefined);
    expect(steps.length).toBeGreaterThan(3);
    for (const { step } of steps) expect(stepPlace(step, links)).toMatch(/^\/(words|meaning|doors|map|weight|release|proof|watch)\b/);
  });
});
