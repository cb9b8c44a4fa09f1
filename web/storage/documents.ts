import { manifestSchema, type Manifest } from '../../core/release/index.ts';
import {
  emptyDocument,
  journalEntrySchema,
  NOTHING_TO_UNDO,
  openDocument,
  replay,
  type JournalEntry,
  type SetAside,
  type SiteDocument,
  type UndoState,
} from '../../core/site/index.ts';
import { siteRange, type Database, type SiteRecord, type StoredAside, type StoredEntry, type StoredRelease } from './database.ts';

/** Entries kept for undo when the journal is shortened, and when it is. */
const KEPT = 300;
const SHORTEN_AT = 900;

/** Where a site's document stands. */
export interface DocumentState {
  readonly document: SiteDocument;
  readonly undo: UndoState;
  readonly seq: number;
  /** What could not be read; it is no part of the document. */
  readonly aside: readonly SetAside[];
}

/** A site is not here to be written: deleted meanwhile, or gone from the browser altogether. */
export class SiteGone extends Error {
  override readonly name = 'SiteGone';
  constructor(readonly how: 'deleted' | 'missing') {
    super(how);
  }
}

/** Why a site cannot be written, by its record: it lies in the bin, or is not in this browser; undefined where it can. */
export function goneHow(site: SiteRecord | undefined): SiteGone['how'] | undefined {
  if (!site) return 'missing';
  return site.deletedAt === null ? undefined : 'deleted';
}

const read = (stored: StoredEntry): JournalEntry | SetAside => {
  const { siteId: _, ...entry } = stored;
  const parsed = journalEntrySchema.safeParse(entry);
  return parsed.success ? parsed.data : { table: 'journal', key: String(entry.seq), value: entry, problem: parsed.error.issues[0]?.message ?? '' };
};
const isAside = (one: JournalEntry | SetAside): one is SetAside => 'problem' in one;
const isEntry = (one: JournalEntry | SetAside): one is JournalEntry => !isAside(one);

/**
 * Reads a site's document: the snapshot with the journal played over it. Entries and fields that cannot be read are told and left out. Throws where the
 * snapshot is of a newer format; nothing is overwritten then.
 */
export async function loadDocument(db: Database, siteId: string): Promise<DocumentState> {
  const transaction = db.transaction(['documents', 'journal']);
  const [saved, entries] = await Promise.all([transaction.objectStore('documents').get(siteId), transaction.objectStore('journal').getAll(siteRange(siteId))]);
  const { document, aside } = openSnapshot(saved?.document);
  const after = entries.filter((entry) => entry.seq > (saved?.seq ?? 0)).map(read);
  const state = replay(document, NOTHING_TO_UNDO, after.filter(isEntry));
  return { ...state, seq: entries.at(-1)?.seq ?? saved?.seq ?? 0, aside: [...aside, ...after.filter(isAside)] };
}

function openSnapshot(saved: unknown): { readonly document: SiteDocument; readonly aside: readonly SetAside[] } {
  if (saved === undefined) return { document: emptyDocument(), aside: [] };
  const opened = openDocument(saved);
  if (opened.ok) return { document: opened.document, aside: opened.aside ?? [] };
  if (opened.reason === 'newer-version') throw new Error(`It was saved by a newer version of the program (${opened.detail}).`);
  return { document: emptyDocument(), aside: [{ table: 'documents', key: '', value: saved, problem: opened.detail }] };
}

/** The entries after one, in order; undefined where some of them are in the snapshot already, or cannot be read: then the whole is to be read. */
export async function entriesAfter(db: Database, siteId: string, seq: number): Promise<readonly JournalEntry[] | undefined> {
  const transaction = db.transaction(['documents', 'journal']);
  const [saved, entries] = await Promise.all([
    transaction.objectStore('documents').get(siteId),
    transaction.objectStore('journal').getAll(IDBKeyRange.bound([siteId, seq + 1], [siteId, []])),
  ]);
  const all = entries.map(read);
  return (saved?.seq ?? 0) > seq || all.some(isAside) ? undefined : (all as JournalEntry[]);
}

/** Moves what cannot be read out of the way, so that the site is whole again without it. It stays in the browser, and goes along in project files. */
export async function putAside(db: Database, siteId: string, aside: readonly SetAside[], at: string): Promise<void> {
  const transaction = db.transaction(['documents', 'journal', 'aside'], 'readwrite');
  const number = ((await transaction.objectStore('aside').openKeyCursor(siteRange(siteId), 'prev'))?.key[1] ?? 0) + 1;
  aside.forEach((one, index) => void transaction.objectStore('aside').put({ ...one, siteId, at, number: number + index }));
  for (const { table, key } of aside) if (table === 'journal') void transaction.objectStore('journal').delete([siteId, Number(key)]);
  const saved = aside.some(({ table }) => table !== 'journal') ? await transaction.objectStore('documents').get(siteId) : undefined;
  if (saved) void transaction.objectStore('documents').put({ ...saved, document: openSnapshot(saved.document).document });
  await transaction.done;
}

/** What was set aside of a site, oldest first. */
export function listAside(db: Database, siteId: string): Promise<StoredAside[]> {
  return db.getAll('aside', siteRange(siteId));
}

/** Drops what was set aside. */
export function dropAside(db: Database, siteId: string): Promise<void> {
  return db.delete('aside', siteRange(siteId));
}

/**
 * Adds entries to the journal in one transaction and gives the number the first one got: the next one, whichever tab was first. Throws SiteGone where the
 * site is not there any more.
 */
export async function appendEntries(db: Database, siteId: string, entries: readonly Omit<JournalEntry, 'seq'>[]): Promise<number> {
  const transaction = db.transaction(['sites', 'documents', 'journal'], 'readwrite', { durability: 'relaxed' });
  const journal = transaction.objectStore('journal');
  const [lastKey, saved, site] = await Promise.all([
    journal.openKeyCursor(siteRange(siteId), 'prev').then((cursor) => cursor?.key),
    transaction.objectStore('documents').get(siteId),
    transaction.objectStore('sites').get(siteId),
  ]);
  const gone = goneHow(site);
  if (gone) throw new SiteGone(gone);
  const first = Math.max(lastKey?.[1] ?? 0, saved?.seq ?? 0) + 1;
  await Promise.all(entries.map((entry, index) => journal.add({ ...entry, siteId, seq: first + index })));
  // Nothing more is to come: the transaction need not wait for another turn to find that out.
  transaction.commit();
  await transaction.done;
  return first;
}

/** Of entries that may or may not have been written before the tab went away, those that were not. */
export async function notYetWritten(db: Database, siteId: string, entries: readonly Omit<JournalEntry, 'seq'>[]): Promise<Omit<JournalEntry, 'seq'>[]> {
  const print = ({ at, role, change }: Omit<JournalEntry, 'seq'>): string => JSON.stringify([at, role, change]);
  const written = new Set((await latestEntries(db, siteId, Math.max(200, entries.length * 2))).map(print));
  return entries.filter((entry) => !written.has(print(entry)));
}

/** Writes a document as the start of a new journal, or of one that goes on with entries. */
export async function writeSnapshot(db: Database, siteId: string, document: SiteDocument, entries: readonly JournalEntry[] = []): Promise<void> {
  const transaction = db.transaction(['documents', 'journal'], 'readwrite');
  void transaction.objectStore('documents').put({ siteId, seq: 0, document });
  entries.forEach((entry, index) => void transaction.objectStore('journal').put({ ...entry, siteId, seq: index + 1 }));
  await transaction.done;
}

/** Folds the oldest entries into the snapshot once there are many; undo keeps the latest. What cannot be read is left for whoever opens the site. */
export async function shortenJournal(db: Database, siteId: string): Promise<void> {
  const many = await db.count('journal', siteRange(siteId));
  if (many < SHORTEN_AT) return;
  const transaction = db.transaction(['documents', 'journal'], 'readwrite');
  const entries = await transaction.objectStore('journal').getAll(siteRange(siteId));
  const saved = await transaction.objectStore('documents').get(siteId);
  const old = entries.slice(0, entries.length - KEPT).filter((entry) => entry.seq > (saved?.seq ?? 0));
  const last = old.at(-1);
  const opened = saved ? openDocument(saved.document) : { ok: true as const, document: emptyDocument() };
  const all = old.map(read);
  if (last && opened.ok && !opened.aside?.length && !all.some(isAside)) {
    const { document } = replay(opened.document, NOTHING_TO_UNDO, all as JournalEntry[]);
    await transaction.objectStore('documents').put({ siteId, seq: last.seq, document });
    await transaction.objectStore('journal').delete(IDBKeyRange.bound([siteId, 0], [siteId, last.seq]));
  }
  await transaction.done;
}

/** The snapshot and the entries after it, as a project file takes them along; what cannot be read is told apart. */
export async function loadHistory(db: Database, siteId: string): Promise<{ readonly start: SiteDocument; readonly entries: readonly JournalEntry[] }> {
  const transaction = db.transaction(['documents', 'journal']);
  const [saved, entries] = await Promise.all([transaction.objectStore('documents').get(siteId), transaction.objectStore('journal').getAll(siteRange(siteId))]);
  const after = entries.filter((entry) => entry.seq > (saved?.seq ?? 0)).map(read);
  return { start: openSnapshot(saved?.document).document, entries: after.filter(isEntry) };
}

/** The latest entries, newest first. */
export async function latestEntries(db: Database, siteId: string, most: number): Promise<JournalEntry[]> {
  const last = (await db.transaction('journal').store.openKeyCursor(siteRange(siteId), 'prev'))?.key[1] ?? 0;
  const entries = await db.getAll('journal', IDBKeyRange.bound([siteId, Math.max(0, last - most + 1)], [siteId, []]));
  return entries.slice(-most).reverse();
}

/** What the last release put out; undefined where there was none, or it cannot be read: then it is as if there had been none. */
export async function loadManifest(db: Database, siteId: string): Promise<Manifest | undefined> {
  const saved: unknown = (await db.get('manifests', siteId))?.manifest;
  return saved === undefined ? undefined : manifestSchema.safeParse(saved).data;
}

/** Remembers what is live. A release, of which `version` tells the version of the site's files, is kept for good beside those before it. */
export async function saveManifest(db: Database, siteId: string, manifest: Manifest, version?: number): Promise<void> {
  const transaction = db.transaction(['manifests', 'releases'], 'readwrite');
  void transaction.objectStore('manifests').put({ siteId, manifest });
  if (version !== undefined) void transaction.objectStore('releases').put({ siteId, number: manifest.number, version, manifest });
  await transaction.done;
}

/** A release as it was kept; undefined where it is not here, or cannot be read. */
export async function loadRelease(db: Database, siteId: string, number: number): Promise<StoredRelease | undefined> {
  const saved = await db.get('releases', [siteId, number]);
  const manifest = saved && manifestSchema.safeParse(saved.manifest).data;
  return saved && manifest && { ...saved, manifest };
}

/** Drops what is kept of a release. What is live is known as before. */
export function dropRelease(db: Database, siteId: string, number: number): Promise<void> {
  return db.delete('releases', [siteId, number]);
}

/** The numbers of all releases that are kept. */
export async function keptReleases(db: Database, siteId: string): Promise<readonly number[]> {
  return (await db.getAllKeys('releases', siteRange(siteId))).map(([, number]) => number);
}
