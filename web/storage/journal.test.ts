import 'fake-indexeddb/auto';
import { beforeEach, expect, it } from 'vitest';
import { applyChange, doEntry, emptyDocument, set, undoEntry } from '../../core/site/index.ts';
import { appendEntries, clearSite, loadDocument, notYetWritten, openDatabase, shortenJournal, writeSnapshot, type Database, type SiteRecord } from './index.ts';

let db: Database;
let names = 0;
beforeEach(async () => {
  db = await openDatabase(`journal-${++names}`);
  for (const id of ['s', 'sa', 'other']) await db.put('sites', siteRecord(id));
  await writeSnapshot(db, 's', applyChange(emptyDocument(), set('facts', '', 'siteName', 'Start')));
});
const siteRecord = (id: string): SiteRecord => ({ id, name: id, createdAt: '', openedAt: '', deletedAt: null, from: 'archive', unread: [] });
const entry = (title: string, at = '2026-11-25T10:00:00Z') => {
  const { seq: _, ...rest } = doEntry(emptyDocument(), set('pages', 'p.html', 'title', title), { seq: 0, at, label: title });
  return rest;
};

it('numbers entries one after the other, whichever tab writes them', async () => {
  const firsts = await Promise.all([
    appendEntries(db, 's', [entry('a'), entry('b')]),
    appendEntries(db, 's', [entry('c')]),
    appendEntries(db, 'other', [entry('d')]),
  ]);
  expect(firsts).toEqual([1, 3, 1]);
  expect(await loadDocument(db, 's')).toMatchObject({ seq: 3, document: { tables: { pages: { 'p.html': { title: 'c' } } } } });
});

it('finds the document, undo and redo again', async () => {
  await appendEntries(db, 's', [entry('a')]);
  const state = await loadDocument(db, 's');
  const { seq: _, ...undo } = undoEntry(state.undo, { seq: 0, at: '' }) as ReturnType<typeof undoEntry> & object;
  await appendEntries(db, 's', [undo]);
  const after = await loadDocument(db, 's');
  expect(after.document.tables.pages).toEqual({});
  expect([after.undo.undo.length, after.undo.redo.length]).toEqual([0, 1]);
});

it('shortened keeps the document and the latest steps', async () => {
  for (let batch = 0; batch < 10; batch++)
    await appendEntries(
      db,
      's',
      Array.from({ length: 100 }, (_, index) => entry(`title ${batch * 100 + index}`)),
    );
  const before = await loadDocument(db, 's');
  await shortenJournal(db, 's');
  const after = await loadDocument(db, 's');
  expect([after.document, after.seq]).toEqual([before.document, before.seq]);
  expect(await db.count('journal')).toBe(300);
  expect(await appendEntries(db, 's', [entry('next')])).toBe(1001);
});

it('knows which keys under way were written before the tab went away', async () => {
  await appendEntries(db, 's', [entry('a', 't1'), entry('ab', 't2')]);
  expect(await notYetWritten(db, 's', [entry('ab', 't2'), entry('abc', 't3')])).toEqual([entry('abc', 't3')]);
});

it('clears one site and no other', async () => {
  await appendEntries(db, 's', [entry('a')]);
  await appendEntries(db, 'sa', [entry('b')]);
  await clearSite(db, 's');
  expect([(await loadDocument(db, 's')).seq, (await loadDocument(db, 'sa')).seq]).toEqual([0, 1]);
});
