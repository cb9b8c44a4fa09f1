import 'fake-indexeddb/auto';
import { describe, expect, it } from 'vitest';
import type { Analyst } from './analyst.ts';
import { importedSite, openWhole } from './fixtures.ts';

const PAGES = 12;
const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
const page = (at: number): string =>
  `<html lang=en><head><title>Paper ${at}</title></head><body><h1>Paper ${at}</h1><p>Paper ${at} is made by hand from old linen, in sheets of half a metre.</p></body></html>`;
const SITE = Object.fromEntries(Array.from({ length: PAGES }, (_, at) => [`paper-${at}.html`, bytes(page(at))]));

/** An analyst whose clock goes on by so many milliseconds whenever it is looked at. */
async function opened(step: number): Promise<Analyst> {
  let now = 0;
  const { analyst, document } = await importedSite(SITE, () => (now += step));
  await openWhole(analyst, document);
  return analyst;
}

describe('filling what is empty', () => {
  it('takes breaths, tells how far it is, and finds the same as in one go', async () => {
    const told: number[] = [];
    const slow = await (
      await opened(20)
    ).suggestionsForEmpty('description', {
      progress: (done, of) => told.push(done / of),
      stopped: () => false,
    });
    expect(slow).toHaveLength(PAGES);
    expect(told.length).toBeGreaterThan(2);
    expect(told).toEqual([...told].sort((a, b) => a - b));
    expect(told.every((share) => share > 0 && share <= 1)).toBe(true);
    const quick = await (
      await opened(0)
    ).suggestionsForEmpty('description', {
      progress: () => {
        throw new Error('there was no need for a breath');
      },
      stopped: () => true,
    });
    expect(quick).toEqual(slow);
  });
  it('stops at its next breath, with nothing filled in', async () => {
    const analyst = await opened(21);
    let asked = 0;
    expect(await analyst.suggestionsForEmpty('description', { progress: () => undefined, stopped: () => ++asked > 1 })).toBeUndefined();
    expect(asked).toBe(2);
  });
});
