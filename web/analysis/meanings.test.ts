import 'fake-indexeddb/auto';
import { describe, expect, it } from 'vitest';
import { all, applyChange, set, type Change } from '../../core/site/index.ts';
import { written } from '../../core/release/index.ts';
import { loadBytes, type Database } from '../storage/index.ts';
import type { Analyst } from './analyst.ts';
import { importedSite, openWhole } from './fixtures.ts';

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
const SITE = {
  'index.html': bytes('<html lang=en><head><title>Bindery</title></head><body><h1>Bindery</h1><a href=/shop/kit.html>kit</a></body></html>'),
  'shop/kit.html': bytes('<html lang=en><head><title>Kit</title></head><body><main><h1>Kit</h1><p class=price>£18.50, in stock</p></main></body></html>'),
  'journal/post.html': bytes(
    '<html lang=en><head><title>Post</title></head><body><main><h1>Post</h1><time datetime=2026-02-03>3 Feb</time></main></body></html>',
  ),
};
const ON: Change = all([set('meaning', '', 'on', true), set('facts', '', 'siteName', 'Bindery'), set('facts', '', 'ownerName', 'Quill')]);

async function opened(): Promise<{ readonly db: Database; readonly analyst: Analyst; change(change: Change): void }> {
  const { db, analyst, document: first } = await importedSite(SITE);
  let document = applyChange(first, ON);
  await openWhole(analyst, document);
  return {
    db,
    analyst,
    change: (change) => {
      document = applyChange(document, change);
      analyst.update(document, change);
    },
  };
}
const graphs = (analyst: Analyst): number =>
  Object.values(analyst.survey.workingCopy().files).filter(({ edits }) => edits.some(({ kind }) => kind === 'json-ld')).length;

describe('what pages say', () => {
  it('is waited for before anything goes out, while the rest is being found out too', async () => {
    const { db, analyst } = await opened();
    // Until it is known a page stays as it was: the home page tells who is behind the site.
    expect(graphs(analyst)).toBe(1);
    await Promise.all([analyst.lookFurther(0), analyst.lookFurther(0), analyst.allUnderstood(), analyst.allUnderstood()]);
    expect(graphs(analyst)).toBe(3);
    const edits = analyst.survey.workingCopy().files['shop/kit.html']?.edits ?? [];
    const out = new TextDecoder().decode(written((await loadBytes(db, 's', 'shop/kit.html')) ?? new Uint8Array(), edits).bytes);
    expect(out).toContain('"price": "18.50"');
    const items = await analyst.pasteItems();
    expect(
      Object.keys(items)
        .filter((id) => items[id]?.some(({ field }) => field === 'markup'))
        .sort(),
    ).toEqual(['index.html', 'journal/post.html', 'shop/kit.html']);
  });
  it('is found out anew for another main address, and nothing of the old one stays', async () => {
    const { analyst, change } = await opened();
    await analyst.allUnderstood();
    change(set('facts', '', 'mainAddress', 'https://other.example'));
    await analyst.allUnderstood();
    expect(JSON.stringify(analyst.survey.workingCopy().files)).not.toContain('x.example/');
    expect(JSON.stringify(await analyst.pasteItems())).toContain('https://other.example/shop/kit.html#webpage');
  });
  it('of one page is told at once when somebody looks at it', async () => {
    const { analyst } = await opened();
    const meaning = await analyst.meaning('shop/kit.html');
    expect(meaning?.report.unread).toBe(false);
    expect(meaning?.report.extras.skerry).toMatchObject({ price: '18.50 GBP', availability: 'InStock' });
    expect(await analyst.meaning('gone.html')).toBeUndefined();
  });
  it('that was turned off goes, and comes back with the same edits', async () => {
    const { analyst, change } = await opened();
    await analyst.allUnderstood();
    const before = analyst.survey.workingCopy();
    change(set('meaning', '', 'on', false));
    expect(graphs(analyst)).toBe(1);
    change(set('meaning', '', 'on', true));
    expect(analyst.survey.workingCopy()).toEqual(before);
  });
});
