import 'fake-indexeddb/auto';
import { createHash } from 'node:crypto';
import { zipSync } from 'fflate';
import { beforeEach, describe, expect, it } from 'vitest';
import { mergeChange, type MergePlan } from '../../core/merge/index.ts';
import { all, applyChange, doEntry, NOTHING_TO_UNDO, set, type Change } from '../../core/site/index.ts';
import { inflateEntry, listArchive } from '../../core/source/index.ts';
import {
  appendEntries,
  clearSite,
  dropRelease,
  filesId,
  keepVersion,
  listFiles,
  loadDocument,
  openDatabase,
  saveManifest,
  sweep,
  writeSnapshot,
  type Database,
} from '../storage/index.ts';
import { Analyst } from './analyst.ts';
import { bytesIn, outFiles, packProject, packZip } from './export-site.ts';
import { importSite } from './import-site.ts';
import { forgetVersion, keptOf } from './kept.ts';
import { planVersion } from './new-version.ts';
import { Sending } from './sending.ts';

let db: Database;
let names = 0;
const FIRST = {
  'index.html': '<html lang=en><title>Bindery</title><h1>Bindery</h1><a href=why.html>why</a>',
  'why.html': '<html lang=en><title>Why</title><h1>Why we sew</h1><p>We sew each book by hand on linen tapes so that it opens flat.</p>',
  'old.html': '<html lang=en><title>Old</title><h1>Old</h1><p>Nothing that anybody asks for any more these days.</p>',
};
const SECOND = {
  'index.html': '<html lang=en><title>The bindery</title><h1>Bindery</h1><a href=notes/why.html>why</a>',
  'notes/why.html': '<html lang=en><title>Why</title><div>New</div><h1>Why we sew</h1><p>We sew each book by hand on linen tapes so that it opens flat.</p>',
};
const sha256 = async (bytes: Uint8Array): Promise<string> => createHash('sha256').update(bytes).digest('hex');
const zip = (files: Readonly<Record<string, string>>): Uint8Array =>
  zipSync(Object.fromEntries(Object.entries(files).map(([path, text]) => [path, new TextEncoder().encode(text)])));
const bring = (id: string, bytes: Uint8Array, name = 'x.zip') =>
  importSite(
    { kind: 'archive', name, bytes },
    { db, id, now: () => new Date('2026-11-26T10:00:00Z'), hash: sha256, progress: () => undefined, cancelled: () => false, beside: id.includes('~') },
  );

async function opened(id = 's'): Promise<Analyst> {
  const one = new Analyst(db, id, () => 0, new Map());
  await one.open(
    (await loadDocument(db, id)).document,
    () => undefined,
    () => false,
  );
  return one;
}
async function write(change: Change, label = 'x'): Promise<void> {
  const { document } = await loadDocument(db, 's');
  const { seq: _, ...entry } = doEntry(document, change, { seq: 0, at: 'now', label, undo: NOTHING_TO_UNDO });
  await appendEntries(db, 's', [entry]);
}
const plan = async (version: number, cancelled = () => false): Promise<MergePlan | 'same' | undefined> =>
  planVersion({ db, siteId: 's', document: (await loadDocument(db, 's')).document, version, progress: () => undefined, cancelled });
const texts = async (files: AsyncIterable<{ path: string; bytes: Uint8Array }>): Promise<Record<string, string>> => {
  const found: Record<string, string> = {};
  for await (const { path, bytes } of files) found[path] = new TextDecoder().decode(bytes);
  return found;
};
/** Brings the second version in and takes it. */
async function takeSecond(): Promise<void> {
  await bring(filesId('s', 1), zip(SECOND));
  const made = (await plan(1)) as MergePlan;
  await keepVersion(db, 's', { number: 1, at: 'now', bytes: 1, unread: [] });
  await write(mergeChange((await loadDocument(db, 's')).document, made, { theirs: new Set(), redirects: { 'old.html': '/' } }), 'new version');
}

beforeEach(async () => {
  db = await openDatabase(`versions-${++names}`);
  await bring('s', zip(FIRST));
  await write(all([set('pages', 'why.html', 'title', 'Why sewn books last'), set('pages', 'index.html', 'title', 'Mine')]));
});

describe('versions of a site’s files', () => {
  it('that are the same are no change; cancelled there is no plan', async () => {
    await bring(filesId('s', 1), zip(FIRST));
    expect(await plan(1)).toBe('same');
    await bring(filesId('s', 2), zip({ ...SECOND, ...Object.fromEntries(Array.from({ length: 30 }, (_, at) => [`p${at}.html`, `<title>${at}</title>`])) }));
    expect(await plan(2, () => true)).toBeUndefined();
  });
  it('are read as the document names them, and undone with it', async () => {
    await takeSecond();
    const now = await opened();
    expect(now.whole().rows.map(({ id, title }) => [id, title])).toEqual([
      ['index.html', 'Mine'],
      ['notes/why.html', 'Why sewn books last'],
    ]);
    expect(now.survey.workingCopy().own['old.html']).toContain('url=/');
    const { undo } = await loadDocument(db, 's');
    await write(undo.undo.at(-1)?.inverse as Change, 'undone');
    expect((await opened()).whole().rows.map(({ id }) => id)).toEqual(['index.html', 'old.html', 'why.html']);
  });
  it('that nobody took are swept, those that were taken stay, and go with the site', async () => {
    await takeSecond();
    await bring(filesId('s', 2), zip(FIRST));
    expect(await sweep(db, async (id) => id === filesId('s', 2))).toBe(0);
    expect(await sweep(db, async () => false)).toBe(1);
    expect([(await listFiles(db, filesId('s', 2))).length, (await listFiles(db, filesId('s', 1))).length, (await listFiles(db, 's')).length]).toEqual([
      0, 2, 3,
    ]);
    await clearSite(db, 's');
    expect([await db.count('files'), await db.count('pages'), await db.count('sites'), await db.count('releases')]).toEqual([0, 0, 0, 0]);
  });
  it('that were swept before somebody took them are not taken', async () => {
    await bring(filesId('s', 1), zip(SECOND));
    await sweep(db, async () => false);
    expect(await keepVersion(db, 's', { number: 1, at: 'now', bytes: 1, unread: [] })).toBeUndefined();
    expect((await db.get('sites', 's'))?.versions).toBeUndefined();
  });
  it('go along in a project as the one that is here, with all that was said of it', async () => {
    await takeSecond();
    const one = await opened();
    const { document } = await loadDocument(db, 's');
    const blob = await packProject(db, one.filesId, { name: 'Mine', savedAt: '', document, manifest: null }, one.files, new Date(0));
    expect((await bring('t', new Uint8Array(await blob.arrayBuffer()), 'x.beacon')).ok).toBe(true);
    expect((await opened('t')).whole().rows).toEqual(one.whole().rows);
    // The next version there gets a number that is free.
    expect((await db.get('sites', 't'))?.versions?.map(({ number }) => number)).toEqual([1]);
  });
});

describe('releases', () => {
  const held = async (one: Analyst, number: number, wish: Parameters<Sending['outgoing']>[2]): Promise<{ out: Record<string, string>; sending: Sending }> => {
    const sending = new Sending(db, sha256);
    const { files } = await sending.outgoing(one, number, wish, () => undefined);
    const blobs = await sending.bundles(files);
    const byHash = new Map<string, string>();
    for (const blob of blobs) {
      const bytes = new Uint8Array(await blob.arrayBuffer());
      const listing = listArchive(bytes);
      if (!listing.ok) throw new Error(listing.reason);
      for (const entry of listing.entries) {
        const file = inflateEntry(bytes, entry);
        if (file.ok) byHash.set(entry.path, new TextDecoder().decode(file.bytes));
      }
    }
    return { out: Object.fromEntries(files.map(({ path, hash }) => [path, byHash.get(hash) ?? ''])), sending };
  };
  it('made from an earlier version go out again byte for byte, and are compared with what is here now', async () => {
    const one = await opened();
    const first = await held(one, 1, {});
    await saveManifest(db, 's', first.sending.finish(), 0);
    await takeSecond();
    const now = await opened();
    const again = await held(now, 3, { from: 1 });
    expect(again.out).toEqual(first.out);
    expect(first.out['why.html']).toContain('<title>Why sewn books last</title>');
    const compared = await now.releases.compare(1, 'now');
    expect(compared?.map(({ path, what }) => `${path} ${what}`)).toEqual(
      expect.arrayContaining(['index.html changed', 'notes/why.html new', 'old.html changed']),
    );
    const hunks = await now.releases.diff('index.html', false, 1, 'now');
    expect(hunks?.flatMap(({ lines }) => lines).some((line) => line.startsWith('+'))).toBe(true);
    await expect(held(now, 4, { from: 9 })).rejects.toThrow('Release 9 is not kept');
  });
  it('of which a page waits hold that page as it is out, though its file is of an earlier version', async () => {
    const one = await opened();
    const first = await held(one, 1, {});
    await saveManifest(db, 's', first.sending.finish(), 0);
    await takeSecond();
    const { out } = await held(await opened(), 2, { held: { 'file index.html': 'whole' } });
    expect(out['index.html']).toBe(first.out['index.html']);
    expect(out['notes/why.html']).toContain('Why sewn books last');
  });
  it('are packed as they went out', async () => {
    const one = await opened();
    const first = await held(one, 1, {});
    const manifest = first.sending.finish();
    await takeSecond();
    expect(await texts(outFiles(bytesIn(db, 's', 1), manifest, (await opened()).files))).toEqual(first.out);
    const { count } = await packZip(outFiles(bytesIn(db, 's', 1), manifest, []), new Date(0));
    expect(count).toBe(Object.keys(first.out).length);
  });
  it('whose bytes are gone are refused, and never put out without them', async () => {
    const one = await opened();
    const sending = new Sending(db, sha256);
    await sending.outgoing(one, 1, {}, () => undefined);
    await saveManifest(db, 's', sending.finish(), 0);
    const { document } = await loadDocument(db, 's');
    await takeSecond();
    await db.delete('files', ['s', 'why.html']);
    await writeSnapshot(db, 'u', applyChange(document, set('facts', '', 'siteName', 'x')));
    await expect(held(await opened(), 2, { from: 1 })).rejects.toThrow('why.html');
  });
});

describe('what is kept', () => {
  const versions = async () => (await keptOf(db, 's', (await loadDocument(db, 's')).document)).versions;
  const forget = async (number: number): Promise<boolean> => forgetVersion(db, 's', (await loadDocument(db, 's')).document, number);
  const released = async (number: number, version: number): Promise<void> => {
    const sending = new Sending(db, sha256);
    await sending.outgoing(await opened(), number, {}, () => undefined);
    await saveManifest(db, 's', sending.finish(), version);
  };
  /** As after so many steps that the journal was shortened. */
  const withoutUndo = async (): Promise<void> => {
    const { document } = await loadDocument(db, 's');
    await db.clear('journal');
    await writeSnapshot(db, 's', document);
  };
  it('is dropped only where nothing holds it: not the open one, not what undo leads to, not what a release is made of', async () => {
    await released(1, 0);
    await takeSecond();
    await released(2, 1);
    const sizes = (await keptOf(db, 's', (await loadDocument(db, 's')).document)).releases;
    expect(sizes.map(({ number, bytes }) => [number, bytes > 100])).toEqual([
      [1, true],
      [2, true],
    ]);
    expect((await versions()).map(({ number, isCurrent, inUndo, releases }) => ({ number, isCurrent, inUndo, releases }))).toEqual([
      { number: 0, isCurrent: false, inUndo: true, releases: [1] },
      { number: 1, isCurrent: true, inUndo: true, releases: [2] },
    ]);
    expect([await forget(0), await forget(1)]).toEqual([false, false]);
    await dropRelease(db, 's', 1);
    expect(await forget(0)).toBe(false);
    await withoutUndo();
    expect(await forget(0)).toBe(true);
    expect((await versions()).map(({ number }) => number)).toEqual([1]);
    expect([(await listFiles(db, 's')).length, (await listFiles(db, 's~1')).length]).toEqual([0, 2]);
    expect(await sweep(db, async () => false)).toBe(0);
    const now = await opened();
    expect(now.files.map(({ path }) => path)).toEqual(['index.html', 'notes/why.html']);
  });
  it('of a release that is live stays, though its place among the earlier ones was dropped', async () => {
    await released(1, 0);
    await takeSecond();
    await dropRelease(db, 's', 1);
    await withoutUndo();
    expect((await versions())[0]).toMatchObject({ number: 0, inUndo: false, releases: [1] });
    expect(await forget(0)).toBe(false);
  });
});
