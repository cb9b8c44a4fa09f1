import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import type { Manifest } from '../../core/release/index.ts';
import type { JournalEntry, SiteDocument } from '../../core/site/index.ts';
import type { SiteFile } from '../../core/survey/index.ts';

/** A site in the list of sites. */
export interface SiteRecord {
  readonly id: string;
  readonly name: string;
  /** ISO times. */
  readonly createdAt: string;
  readonly openedAt: string;
  /** Set when it was deleted; it can be had back until it is cleared away. */
  readonly deletedAt: string | null;
  readonly from: 'demo' | 'folder' | 'archive' | 'empty' | 'list' | 'project';
  /** Files that could not be read when it was brought in. */
  readonly unread: readonly { readonly path: string; readonly reason: string }[];
  readonly folder?: FileSystemDirectoryHandle;
}

export interface StoredFile extends SiteFile {
  readonly siteId: string;
}
export interface StoredBytes {
  readonly siteId: string;
  readonly path: string;
  readonly bytes: Uint8Array;
}
export type StoredEntry = JournalEntry & { readonly siteId: string };

/** Format version 1 of what the browser keeps. */
export interface Schema extends DBSchema {
  sites: { key: string; value: SiteRecord };
  documents: { key: string; value: { siteId: string; seq: number; document: SiteDocument } };
  journal: { key: [string, number]; value: StoredEntry };
  files: { key: [string, string]; value: StoredFile };
  pages: { key: [string, string]; value: StoredBytes };
  assets: { key: [string, string]; value: StoredBytes };
  manifests: { key: string; value: { siteId: string; manifest: Manifest } };
}
export type Database = IDBPDatabase<Schema>;

/** Opens the browser's database. */
export function openDatabase(name = 'jolly-beacon'): Promise<Database> {
  return openDB<Schema>(name, 1, {
    upgrade(db) {
      db.createObjectStore('sites', { keyPath: 'id' });
      db.createObjectStore('documents', { keyPath: 'siteId' });
      db.createObjectStore('journal', { keyPath: ['siteId', 'seq'] });
      db.createObjectStore('files', { keyPath: ['siteId', 'path'] });
      db.createObjectStore('pages', { keyPath: ['siteId', 'path'] });
      db.createObjectStore('assets', { keyPath: ['siteId', 'path'] });
      db.createObjectStore('manifests', { keyPath: 'siteId' });
    },
    blocking(_current, _blocked, event) {
      (event.target as IDBDatabase).close();
    },
  });
}

/** All records of one site in a store keyed by [site, …]. */
export function siteRange(siteId: string): IDBKeyRange {
  return IDBKeyRange.bound([siteId], [siteId, []]);
}
