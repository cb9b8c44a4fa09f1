import 'fake-indexeddb/auto';
import { openDB } from 'idb';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { applyChange, doEntry, emptyDocument, set, type JournalEntry } from '../../core/site/index.ts';
import {
  appendEntries,
  clearSite,
  entriesAfter,
  keepRows,
  lastingDatabase,
  listAside,
  listFiles,
  loadDocument,
  loadManifest,
  loadRows,
  openDatabase,
  putAside,
  saveFiles,
  SiteGone,
  sweep,
  updateSite,
  writeSnapshot,
  type Database,
  type SiteRecord,
} from './index.ts';

const record = (id: string, more: Partial<SiteRecord> = {}): SiteRecord => ({
  ...{ id, name: id, createdAt: '', openedAt: '', deletedAt: null, from: 'archive', unread: [] },
  ...more,
});
const file = (siteId: string, path: string) => ({ siteId, path, hash: 'h', size: 1, modified: undefined, bytes: new Uint8Array([1]) });
const entry = (title: string): Omit<JournalEntry, 'seq'> => {
  const { seq: _, ...rest } = doEntry(emptyDocument(), set('pages', 'p.html', 'title', title), { seq: 0, at: title, label: title });
  return rest;
};
let db: Database;
let names = 0;
beforeEach(async () => {
  db = await openDatabase(`kept-${++names}`);
  await db.put('sites', record('s'));
  await writeSnapshot(db, 's', emptyDocument());
});

it('what the first version of the program kept still opens, and has room for what came since', async () => {
  const name = `old-${++names}`;
  const old = await openDB(name, 1, {
    upgrade(made) {
      made.createObjectStore('sites', { keyPath: 'id' });
      made.createObjectStore('documents', { keyPath: 'siteId' });
      for (const store of ['journal']) made.createObjectStore(store, { keyPath: ['siteId', 'seq'] });
      for (const store of ['files', 'pages', 'assets']) made.createObjectStore(store, { keyPath: ['siteId', 'path'] });
      made.createObjectStore('manifests', { keyPath: 'siteId' });
    },
  });
  await old.put('sites', record('s'));
  await old.put('documents', { siteId: 's', seq: 0, document: applyChange(emptyDocument(), set('facts', '', 'siteName', 'Old')) });
  await old.put('journal', { ...entry('A'), siteId: 's', seq: 1 });
  await old.put('files', { siteId: 's', path: 'a.php', hash: 'h', size: 1, modified: undefined });
  for (const path of ['a.php', 'b.gif']) await old.put('assets', { siteId: 's', path, bytes: new Uint8Array([1]) });
  old.close();
  const now = await openDatabase(name);
  expect((await loadDocument(now, 's')).document.tables).toMatchObject({ facts: { '': { siteName: 'Old' } }, pages: { 'p.html': { title: 'A' } } });
  expect(await listAside(now, 's')).toEqual([]);
  // Programs that make pages have since been taken for pages.
  expect([await now.getAllKeys('pages'), await now.getAllKeys('assets')]).toEqual([[['s', 'a.php']], [['s', 'b.gif']]]);
});

describe('one bad entry', () => {
  it('never shuts a site: it is set aside, and all others count', async () => {
    await appendEntries(db, 's', [entry('A'), entry('B')]);
    const bad = { ...entry('x'), change: { kind: 'set', table: 'worth', key: 'k'.repeat(5000), field: 'worth', value: 1 }, siteId: 's', seq: 3 };
    await db.put('journal', bad as never);
    await appendEntries(db, 's', [entry('C')]);
    const loaded = await loadDocument(db, 's');
    expect([loaded.document.tables.pages['p.html']?.title, loaded.seq, loaded.aside.map((one) => [one.table, one.key])]).toEqual(['C', 4, [['journal', '3']]]);
    expect(await entriesAfter(db, 's', 1)).toBeUndefined();
    await putAside(db, 's', loaded.aside, 'now');
    const again = await loadDocument(db, 's');
    expect([again.document, again.seq, again.aside]).toEqual([loaded.document, 4, []]);
    expect(await listAside(db, 's')).toMatchObject([{ table: 'journal', key: '3', value: { seq: 3 } }]);
    expect((await entriesAfter(db, 's', 3))?.map(({ seq }) => seq)).toEqual([4]);
  });
  it('in the snapshot neither: undo goes on', async () => {
    const document = applyChange(emptyDocument(), set('facts', '', 'siteName', 'Bindery'));
    await db.put('documents', { siteId: 's', seq: 0, document: { ...document, tables: { ...document.tables, pages: { 'a.html': { title: 3 } } } } as never });
    await appendEntries(db, 's', [entry('A')]);
    const loaded = await loadDocument(db, 's');
    await putAside(db, 's', loaded.aside, 'now');
    const again = await loadDocument(db, 's');
    expect(again.document.tables).toMatchObject({ facts: { '': { siteName: 'Bindery' } }, pages: { 'p.html': { title: 'A' } } });
    expect([again.undo.undo.length, again.aside]).toEqual([1, []]);
  });
  it('of a manifest is as if nothing had been released', async () => {
    await db.put('manifests', { siteId: 's', manifest: { version: 3, files: 'gone' } as never });
    expect(await loadManifest(db, 's')).toBeUndefined();
  });
  it('a newer format is left as it is, and said', async () => {
    await db.put('documents', { siteId: 's', seq: 0, document: { version: 9 } as never });
    await expect(loadDocument(db, 's')).rejects.toThrow('newer version');
    expect((await db.get('documents', 's'))?.document).toEqual({ version: 9 });
  });
});

describe('a site that is gone', () => {
  it('is not written to, deleted or cleared, and comes back whole', async () => {
    await updateSite(db, 's', { deletedAt: 'now' });
    await expect(appendEntries(db, 's', [entry('A')])).rejects.toMatchObject({ name: 'SiteGone', how: 'deleted' });
    await updateSite(db, 's', { deletedAt: null });
    expect(await appendEntries(db, 's', [entry('A')])).toBe(1);
    await clearSite(db, 's');
    await expect(appendEntries(db, 's', [entry('A')])).rejects.toThrow(SiteGone);
    expect(await updateSite(db, 's', { name: 'x' })).toBeUndefined();
  });
});

describe('what killed imports left', () => {
  it('is swept, files without a site and sites nobody brings in; all else stays', async () => {
    await db.put('sites', record('arriving', { arriving: true }));
    await db.put('sites', record('killed', { arriving: true }));
    await db.put('sites', record('binned', { deletedAt: 'then' }));
    for (const id of ['s', 'arriving', 'killed', 'orphan', 'binned', 'z']) await saveFiles(db, [file(id, 'a.html'), file(id, 'b.css'), file(id, 'c/d.html')]);
    await db.put('documents', { siteId: 'lone', seq: 0, document: emptyDocument() });
    expect(await sweep(db, async (id) => id === 'arriving')).toBe(4);
    expect((await db.getAllKeys('sites')).sort()).toEqual(['arriving', 'binned', 's']);
    expect(new Set((await db.getAllKeys('files')).map(([id]) => id))).toEqual(new Set(['arriving', 'binned', 's']));
    expect(await db.get('documents', 'lone')).toBeUndefined();
    expect(await listFiles(db, 's')).toHaveLength(3);
  });
});

describe('rows of last time', () => {
  const rows = Array.from({ length: 1_234 }, (_, at) => ({ id: `${at}.html`, name: `Page ${at}` })) as never[];
  const numbers = { pages: 1_234 } as never;
  it('come back in their order, for the program that kept them', async () => {
    await keepRows(db, 's', { rows, numbers, version: 2 }, 'this');
    expect(await loadRows(db, 's', 'this')).toEqual({ rows, numbers, version: 2 });
    expect(await loadRows(db, 's', 'another')).toBeUndefined();
    await keepRows(db, 's', { rows: rows.slice(0, 3), numbers, version: 0 }, 'this');
    expect((await loadRows(db, 's', 'this'))?.rows).toHaveLength(3);
  });
  it('of which some are lost are none', async () => {
    await keepRows(db, 's', { rows, numbers, version: 2 }, 'this');
    await db.delete('rows', ['s', 2]);
    expect(await loadRows(db, 's', 'this')).toBeUndefined();
  });
  it('of a site without pages are rows too', async () => {
    await keepRows(db, 's', { rows: [], numbers, version: 0 }, 'this');
    expect(await loadRows(db, 's', 'this')).toEqual({ rows: [], numbers, version: 0 });
  });
});

describe('a connection that is lost', () => {
  it('is taken up again, and meanwhile says that it is closed', async () => {
    let opened = 0;
    let lose: () => void = () => undefined;
    const notUndoable = await lastingDatabase((lost) => {
      lose = lost;
      return openDatabase(`lasting-${names}`, lost).then((made) => {
        opened++;
        return made;
      });
    });
    await notUndoable.put('sites', record('s'));
    notUndoable.close();
    expect(() => notUndoable.transaction('sites')).toThrow(expect.objectContaining({ name: 'InvalidStateError' }));
    await vi.waitFor(() => expect(opened).toBe(2));
    expect(await notUndoable.get('sites', 's')).toMatchObject({ id: 's' });
    lose();
    await vi.waitFor(() => expect(opened).toBe(3));
  });
  it('is tried again while it cannot be had', async () => {
    let tries = 0;
    const real = await openDatabase(`again-${names}`);
    const notUndoable = await lastingDatabase((lost) => {
      if (++tries === 1) setTimeout(lost);
      return tries === 2 ? Promise.reject(new Error('blocked')) : Promise.resolve(real);
    });
    await vi.waitFor(() => expect(tries).toBe(3), { timeout: 3_000 });
    expect(await notUndoable.getAll('sites')).toEqual([]);
  });
});
