import 'fake-indexeddb/auto';
import { createHash } from 'node:crypto';
import { zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { loadDocument, openDatabase } from '../storage/index.ts';
import { Analyst } from './analyst.ts';
import { importSite } from './import-site.ts';

const PAGES = 12;
const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
const page = (at: number): string =>
  `<html lang=en><head><title>Paper ${at}</title></head><body><h1>Paper ${at}</h1><p>Paper ${at} is made by hand from old linen, in sheets of half a metre.</p></body></html>`;
const SITE = Object.fromEntries(Array.from({ length: PAGES }, (_, at) => [`paper-${at}.html`, bytes(page(at))]));

/** An analyst whose clock goes on by so many milliseconds whenever it is looked at. */
async function opened(step: number): Promise<Analyst> {
  const db = await openDatabase(`filling-${step}`);
  await importSite(
    { kind: 'archive', name: 'x.zip', bytes: zipSync(SITE) },
    {
      db,
      id: 's',
      now: () => new Date('2026-11-25T10:00:00Z'),
      hash: async (content) => createHash('sha256').update(content).digest('hex'),
      progress: () => undefined,
      cancelled: () => false,
    },
  );
  let now = 0;
  const analyst = new Analyst(db, 's', () => (now += step), new Map());
  await analyst.open(
    (await loadDocument(db, 's')).document,
    () => undefined,
    () => false,
  );
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
