import type { Manifest } from '../../core/release/index.ts';
import {
  emptyDocument,
  journalEntrySchema,
  NOTHING_TO_UNDO,
  openDocument,
  replay,
  type JournalEntry,
  type SiteDocument,
  type UndoState,
} from '../../core/site/index.ts';
import { siteRange, type Database } from './database.ts';

/** Entries kept for undo when the journal is shortened, and when it is. */
const KEPT = 300;
const SHORTEN_AT = 900;

/** Where a site's document stands. */
export interface DocumentState {
  readonly document: SiteDocument;
  readonly undo: UndoState;
  readonly seq: number;
}

/** Reads a site's document: the snapshot with the journal played over it. Throws where the snapshot cannot be read; nothing is overwritten then. */
export async function loadDocument(db: Database, siteId: string): Promise<DocumentState> {
  const transaction = db.transaction(['documents', 'journal']);
  const [saved, entries] = await Promise.all([transaction.objectStore('documents').get(siteId), transaction.objectStore('journal').getAll(siteRange(siteId))]);
  const opened = saved ? openDocument(saved.document) : { ok: true as const, document: emptyDocument() };
  if (!opened.ok) throw new Error(`The saved site cannot be read (${opened.reason}: ${opened.detail}).`);
  const after = entries
    .filter((entry) => entry.seq > (saved?.seq ?? 0))
    .map(({ siteId: _, ...entry }) => {
      const parsed = journalEntrySchema.safeParse(entry);
      if (!parsed.success) throw new Error(`The saved changes cannot be read (entry ${entry.seq}).`);
      return parsed.data;
    });
  const state = replay(opened.document, NOTHING_TO_UNDO, after);
  return { ...state, seq: after.at(-1)?.seq ?? saved?.seq ?? 0 };
}

/** Adds entries to the journal in one transaction and gives the number the first one got: the next one, whichever tab was first. */
export async function appendEntries(db: Database, siteId: string, entries: readonly Omit<JournalEntry, 'seq'>[]): Promise<number> {
  const transaction = db.transaction(['documents', 'journal'], 'readwrite', { durability: 'relaxed' });
  const journal = transaction.objectStore('journal');
  const [lastKey, saved] = await Promise.all([
    journal.openKeyCursor(siteRange(siteId), 'prev').then((cursor) => cursor?.key),
    transaction.objectStore('documents').get(siteId),
  ]);
  const first = Math.max(lastKey?.[1] ?? 0, saved?.seq ?? 0) + 1;
  entries.forEach((entry, index) => void journal.add({ ...entry, siteId, seq: first + index }));
  await transaction.done;
  return first;
}

/** Of entries that may or may not have been written before the tab went away, those that were not. */
export async function notYetWritten(db: Database, siteId: string, entries: readonly Omit<JournalEntry, 'seq'>[]): Promise<Omit<JournalEntry, 'seq'>[]> {
  const print = ({ at, role, change }: Omit<JournalEntry, 'seq'>): string => JSON.stringify([at, role, change]);
  const written = new Set((await latestEntries(db, siteId, 200)).map(print));
  return entries.filter((entry) => !written.has(print(entry)));
}

/** Writes a document as the start of a new journal. */
export async function writeSnapshot(db: Database, siteId: string, document: SiteDocument): Promise<void> {
  await db.put('documents', { siteId, seq: 0, document });
}

/** Folds the oldest entries into the snapshot once there are many; undo keeps the latest. */
export async function shortenJournal(db: Database, siteId: string): Promise<void> {
  const transaction = db.transaction(['documents', 'journal'], 'readwrite');
  const entries = await transaction.objectStore('journal').getAll(siteRange(siteId));
  if (entries.length >= SHORTEN_AT) {
    const saved = await transaction.objectStore('documents').get(siteId);
    const old = entries.slice(0, entries.length - KEPT).filter((entry) => entry.seq > (saved?.seq ?? 0));
    const last = old.at(-1);
    if (last) {
      const opened = saved ? openDocument(saved.document) : { ok: true as const, document: emptyDocument() };
      // What cannot be read is left as it is: opening the site says so.
      if (!opened.ok) return;
      const { document } = replay(opened.document, NOTHING_TO_UNDO, old);
      await transaction.objectStore('documents').put({ siteId, seq: last.seq, document });
      await transaction.objectStore('journal').delete(IDBKeyRange.bound([siteId, 0], [siteId, last.seq]));
    }
  }
  await transaction.done;
}

/** The latest entries, newest first. */
export async function latestEntries(db: Database, siteId: string, most: number): Promise<JournalEntry[]> {
  const entries = await db.getAll('journal', siteRange(siteId));
  return entries.slice(-most).reverse();
}

export async function loadManifest(db: Database, siteId: string): Promise<Manifest | undefined> {
  return (await db.get('manifests', siteId))?.manifest;
}

export async function saveManifest(db: Database, siteId: string, manifest: Manifest): Promise<void> {
  await db.put('manifests', { siteId, manifest });
}
