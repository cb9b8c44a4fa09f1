import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { ENGINES } from '../core/engines/index.ts';
import { canWait, compareWithRelease, driftOf, fieldChanges, heldBack, itemKey, meantFields, type Held, type Manifest } from '../core/release/index.ts';
import type { PageEdit } from '../core/page/index.ts';
import { all, applyChange, emptyDocument, set, type Change, type SiteDocument } from '../core/site/index.ts';
import { pathAndQuery } from '../core/source/index.ts';
import { runs } from '../core/testing/effort.ts';
import type { Fetch } from './fetching/index.ts';
import { livePages } from './live-pages.ts';
import { crawled, hosted, ORIGIN, survey, UNKNOWN, NOW, type Site } from './testing/engines-agree.ts';

const START = applyChange(emptyDocument(), all([set('facts', '', 'mainAddress', ORIGIN), set('sitemap', '', 'on', true)]));
const IDS = ['index.html', 'a/index.html', 'b/index.html', 'c/index.html', 'd/index.html'];
const SITE: Site = new Map(
  IDS.map((id, at) => [
    id,
    new TextEncoder().encode(
      `<!doctype html><html lang=en><head><title>Page ${at}</title></head><body><h1>Book ${at}</h1><p>Words of page ${at} that no other page says in just this way.</p>${IDS.map((other) => `<a href="/${other.replace('index.html', '')}">to</a>`).join(' ')}</body></html>`,
    ),
  ]),
);
const addressOf = (id: string): string => `/${id.replace('index.html', '')}`;

/** A site whose first release is out. */
function out(document: SiteDocument) {
  const one = survey(SITE, document);
  const manifest = one.manifestFor(1, NOW);
  one.released(manifest, document);
  return { one, manifest };
}
async function drifts(fetch: Fetch, editsOf: (id: string) => readonly PageEdit[]): Promise<Record<string, readonly string[]>> {
  const live = await livePages({ fetch, addresses: IDS.map((id) => ORIGIN + addressOf(id)), wait: async () => undefined });
  return Object.fromEntries(
    IDS.flatMap((id, at) => {
      const found = live[at];
      if (found?.kind !== 'page') return [[id, ['not there']]];
      const meant = meantFields(SITE.get(id) as Uint8Array, editsOf(id), ORIGIN + addressOf(id), []);
      const fields = meant ? driftOf(meant, found.fields).map(({ field }) => field) : ['unreadable'];
      return fields.length === 0 ? [] : [[id, fields]];
    }),
  );
}
const page = fc.constantFrom(...IDS);
const change: fc.Arbitrary<Change> = fc.oneof(
  fc.tuple(page, fc.constantFrom('Mended books', 'Sewn boards', 'Paper & thread')).map(([id, title]) => set('pages', id, 'title', title)),
  fc.tuple(page, fc.constantFrom('What we mend, and how.', 'By hand.')).map(([id, words]) => set('pages', id, 'description', words)),
  page.map((id) => set('pages', id, 'intent', 'out')),
  page.map((id) => set('pages', id, 'canonical', 'self')),
  fc.constant(set('snippets', 's', 'code', '<script async src="https://stats.example/s.js"></script>')),
  fc.constant(set('siteSwitch', '', 'open', false)),
);

describe('a release of which some waits', () => {
  it('puts out what goes, leaves what waits as it is out, and knows for certain what waits', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.array(change, { maxLength: 3 }),
        fc.array(change, { minLength: 1, maxLength: 6 }),
        fc.infiniteStream(fc.nat(5)),
        async (before, after, dice) => {
          const first = applyChange(START, all(before));
          const { one, manifest: last } = out(first);
          const now = applyChange(first, all(after));
          one.update(now, all(after));
          const items = compareWithRelease(one.workingCopy(), last).filter((item) => !item.own && canWait(item));
          const held: Record<string, Held[string]> = {};
          for (const item of items) {
            const roll = dice.next().value;
            const keys = fieldChanges(item.edits, item.before).map(({ key }) => key);
            if (roll < 2) held[itemKey(item)] = 'whole';
            else if (roll < 4 && keys.length > 0) held[itemKey(item)] = [keys[0] as string];
          }
          const second: Manifest = heldBack(one.manifestFor(2, NOW), last, held);
          const fetch = hosted(SITE, second, now);
          const wanted = one.workingCopy().files;
          const isHeld = (id: string): Held[string] | undefined => held[`file ${id}`];
          // What goes is out as it is meant; what waits is out as it was.
          const found = await drifts(fetch, (id) => (isHeld(id) === 'whole' ? last.files[id]?.edits : wanted[id]?.edits) ?? []);
          for (const id of Object.keys(found)) expect(Array.isArray(isHeld(id))).toBe(true);
          // Of a page of which one thing waits nothing else is otherwise than meant.
          const waiting = compareWithRelease(one.workingCopy(), second).filter((item) => !item.own);
          expect(waiting.map(itemKey).sort()).toEqual(Object.keys(held).sort());
          for (const item of waiting) {
            const still = fieldChanges(item.edits, item.before).map(({ key }) => key);
            const told = held[itemKey(item)] as Held[string];
            if (told !== 'whole') expect(still).toEqual(told);
          }
          // The next release has it all.
          one.released(second, now);
          const third = heldBack(one.manifestFor(3, NOW), second, {});
          expect(await drifts(hosted(SITE, third, now), (id) => wanted[id]?.edits ?? [])).toEqual({});
          expect(compareWithRelease(one.workingCopy(), third).filter((item) => !item.own)).toEqual([]);
        },
      ),
      { numRuns: runs(60) },
    );
  });
});

describe('a site that moved', () => {
  const NEW = 'https://bindery.example';
  it.each<[string, readonly Change[]]>([
    ['as it is', []],
    ['with a page kept out and one elsewhere', [set('pages', 'b/index.html', 'intent', 'out'), set('pages', 'c/index.html', 'ending', 'sewing')]],
    ['with its main addresses named', IDS.map((id) => set('pages', id, 'canonical', 'self'))],
  ])('%s is listed at its new address as promised, and nowhere else', async (_, changes) => {
    const before = applyChange(START, all([...changes]));
    const old = hosted(SITE, out(before).one.workingCopy(), before);
    const after = applyChange(before, set('facts', '', 'mainAddress', NEW));
    const { one } = out(after);
    const there = hosted(SITE, one.workingCopy(), after, NEW);
    /** The old address leads on, path by path. */
    const fetch: Fetch = async (address) => {
      if (new URL(address).host === new URL(NEW).host) return there(address);
      const led = await there(NEW + pathAndQuery(new URL(address)));
      return led.ok ? { ...led, redirects: [NEW + pathAndQuery(new URL(address)), ...led.redirects] } : led;
    };
    for (const engine of ENGINES) {
      const seen = await crawled(fetch, engine, { ...UNKNOWN, host: 'bindery.example', origin: NEW });
      const outcome = new Map(
        seen.records.filter(({ address }) => address.startsWith(`${NEW}/`)).map((record) => [pathAndQuery(new URL(record.address)), record.outcome]),
      );
      for (const row of one.rows()) expect([row.address, outcome.get(row.address) === 'listed']).toEqual([row.address, row.realities[engine.id] === 'listed']);
      // What was listed at the old address is not any more.
      const known = await crawled(old, engine);
      expect(known.records.some((record) => record.outcome === 'listed')).toBe(true);
      const later = await crawled(fetch, engine, known, 40);
      expect(later.records.filter((record) => record.outcome === 'listed').map(({ address }) => address)).toEqual([]);
    }
  });
});

describe('a site that is offline', () => {
  it('by 410 is listed nowhere, and back as promised', async () => {
    const { one } = out(START);
    const online = hosted(SITE, one.workingCopy(), START);
    const gone: Fetch = async (address) => {
      const answer = await online(address);
      return answer.ok ? { ...answer, status: 410, redirects: [], bytes: new Uint8Array() } : answer;
    };
    for (const engine of ENGINES) {
      const listed = (site: Awaited<ReturnType<typeof crawled>>): string[] =>
        site.records.flatMap(({ address, outcome }) => (outcome === 'listed' ? [address] : [])).sort();
      const before = await crawled(online, engine);
      expect(listed(before)).toHaveLength(IDS.length);
      const away = await crawled(gone, engine, before, 40);
      expect(listed(away)).toEqual([]);
      expect(listed(await crawled(online, engine, away, 40))).toEqual(listed(before));
    }
  });
});
