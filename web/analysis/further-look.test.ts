import 'fake-indexeddb/auto';
import { describe, expect, it } from 'vitest';
import { all, applyChange, set, type SiteDocument } from '../../core/site/index.ts';
import type { PageRow } from '../../core/rows/index.ts';
import type { Database } from '../storage/index.ts';
import type { Analyst } from './analyst.ts';
import { importedSite, openWhole } from './fixtures.ts';

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
const LONG =
  'Notwithstanding considerable organisational heterogeneity, interdisciplinary bookbinding methodologies necessitate systematic documentation. '.repeat(12);
/** More pages than are fetched at once; two are near copies, and the last in another script, so that the order of paths is not that of an alphabet. */
const SITE = Object.fromEntries([
  ['index.html', bytes(`<html lang=en><head><title>Bindery</title></head><body><h1>Bindery</h1><p>${LONG}</p></body></html>`)],
  ...Array.from({ length: 60 }, (_, at): [string, Uint8Array] => [
    `${at % 2 ? 'a' : 'Z'}/page-${at}.html`,
    bytes(
      `<html lang=en><head><title>${at < 2 ? `Bookbinding by hand in Leeds${at ? '' : ' today'}` : `Sheet ${'abcdefgh'[at % 8]}${at * 7919}`}</title></head><body><h1>Page ${at}</h1><p>${at % 3 ? 'It is short.' : LONG}</p></body></html>`,
    ),
  ]),
  ['ü/straße.html', bytes('<html lang=de><head><title>Straße</title></head><body><h1>Straße</h1><p>Kurz.</p></body></html>')],
]);

/** An analyst whose clock goes on by so many milliseconds whenever it is looked at. */
async function opened(step: number, change = all([])): Promise<{ readonly analyst: Analyst; readonly document: SiteDocument; readonly db: Database }> {
  let now = 0;
  const { analyst, document: first, db } = await importedSite(SITE, () => (now += step));
  const document = applyChange(first, change);
  await openWhole(analyst, document);
  return { analyst, document, db };
}

/** Looks until there is nothing left; gives what was told, the last word of each page. */
async function told(analyst: Analyst, milliseconds: number): Promise<{ readonly rows: ReadonlyMap<string, PageRow>; readonly looks: number }> {
  const rows = new Map<string, PageRow>();
  for (let looks = 1; ; looks++) {
    const { news, left } = await analyst.lookFurther(milliseconds);
    for (const row of news?.rows ?? []) rows.set(row.id, row);
    if (left === 0) return { rows, looks };
    if (looks > 5000) throw new Error('it does not come to an end');
  }
}

describe('looking further', () => {
  it('finds the same a little at a time as in one go, and tells of every row that became another', async () => {
    const one = (await opened(0)).analyst;
    const before = new Map(one.survey.rows().map((row) => [row.id, JSON.stringify(row)]));
    const quick = await told(one, 1_000_000);
    expect(quick.looks).toBe(1);
    const { analyst } = await opened(7);
    const slow = await told(analyst, 20);
    expect(slow.looks).toBeGreaterThan(10);
    expect(analyst.survey.rows()).toEqual(one.survey.rows());
    const changed = one.survey.rows().filter((row) => JSON.stringify(row) !== before.get(row.id));
    expect(changed.length).toBeGreaterThan(15);
    for (const { rows } of [quick, slow]) for (const row of changed) expect(rows.get(row.id), row.id).toEqual(row);
    expect(one.survey.row('Z/page-0.html').findings.map(({ code }) => code)).toContain('title-near');
  });
  it('reads each page once for all that is to be known of it, a few requests for many pages', async () => {
    const { analyst, db } = await opened(1);
    let requests = 0;
    const [get, getAll] = [db.get.bind(db), db.getAll.bind(db)];
    Object.assign(db, {
      get: (...of: Parameters<typeof get>) => (of[0] === 'pages' ? requests++ : 0, get(...of)),
      getAll: (...of: Parameters<typeof getAll>) => (of[0] === 'pages' ? requests++ : 0, getAll(...of)),
    });
    await told(analyst, 5);
    expect(analyst.survey.rows().every(({ id }) => analyst.survey.isUnderstood(id))).toBe(true);
    expect(requests).toBeLessThan(8);
  });
  it('looks anew where what pages say depends on what was changed meanwhile, and not where it does not', async () => {
    const on = all([set('meaning', '', 'on', true), set('facts', '', 'siteName', 'Bindery'), set('facts', '', 'ownerName', 'Quill')]);
    const { analyst, document } = await opened(3, on);
    await analyst.lookFurther(20);
    const title = set('pages', 'index.html', 'title', 'Bindery in Leeds');
    expect(analyst.update(applyChange(document, title), title).again).toBeUndefined();
    const country = set('facts', '', 'country', 'gb');
    expect(analyst.update(applyChange(applyChange(document, title), country), country).again).toBe(true);
    await Promise.all([told(analyst, 10), analyst.allUnderstood()]);
    const anew = (await opened(0, all([on, title, country]))).analyst;
    await told(anew, 1_000_000);
    expect(analyst.survey.workingCopy()).toEqual(anew.survey.workingCopy());
    expect(analyst.survey.rows()).toEqual(anew.survey.rows());
  });
  it('is answered where a page is gone from the database', async () => {
    const { analyst, db } = await opened(2);
    await db.delete('pages', ['s', 'Z/page-10.html']);
    await told(analyst, 10);
    expect(await analyst.page('Z/page-10.html')).toBeUndefined();
    expect(await analyst.meaning('Z/page-10.html')).toBeUndefined();
    expect((await analyst.page('ü/straße.html'))?.measure).toBeDefined();
  });
});
