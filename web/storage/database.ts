import type { FilePath } from '../../core/source/index.ts';
import { openDB, type DBSchema, type IDBPDatabase, type IDBPTransaction, type StoreNames } from 'idb';
import type { Manifest } from '../../core/release/index.ts';
import { isPageFile, type JournalEntry, type SetAside, type SiteDocument } from '../../core/site/index.ts';
import type { PageRow, SiteNumbers } from '../../core/rows/index.ts';

/** What tells a site from others in a list; as of when it was open last. */
export interface SiteSummary {
  /** Host, as people say it. */
  readonly host: string;
  readonly pages: number;
  /** Pages meant to be found, and how many of them can be as released. */
  readonly wanted: number;
  readonly found: number;
  readonly open: boolean;
  readonly release: { readonly number: number; readonly at: string } | null;
}

/** A later version of a site's files. */
export interface SiteVersion {
  readonly number: number;
  /** ISO time. */
  readonly at: string;
  readonly bytes: number;
  /** Files that could not be read. */
  readonly unread: readonly { readonly path: FilePath; readonly reason: string }[];
}

/** A site in the list of sites. */
export interface SiteRecord {
  readonly id: string;
  readonly name: string;
  /** ISO times. */
  readonly createdAt: string;
  readonly openedAt: string;
  /** Set when it was deleted; it can be had back until it is cleared away. */
  readonly deletedAt: string | null;
  readonly from: 'demo' | 'folder' | 'archive' | 'empty' | 'list' | 'project' | 'address';
  /** Files that could not be read when it was brought in. */
  readonly unread: readonly { readonly path: FilePath; readonly reason: string }[];
  readonly folder?: FileSystemDirectoryHandle;
  /** The address that it was brought in from last. */
  readonly address?: string;
  /** Versions of its files that were brought in later, oldest first; each is kept beside the others. */
  readonly versions?: readonly SiteVersion[];
  /** The files that it was first brought in with were dropped by the owner. */
  readonly firstDropped?: true;
  /** It is still being brought in: whoever finds it so, with nobody at work on it, may sweep it away. */
  readonly arriving?: true;
  /** Bytes of its files. */
  readonly bytes?: number;
  readonly summary?: SiteSummary;
}

export interface StoredFile {
  readonly path: FilePath;
  /** The octets of its name in the ZIP it came in, where they were in an old code page: so it goes out again. */
  readonly oldName?: Uint8Array;
  readonly hash: string;
  readonly size: number;
  readonly modified: number | undefined;
  readonly siteId: string;
}
export interface StoredBytes {
  readonly siteId: string;
  readonly path: FilePath;
  readonly bytes: Uint8Array;
}
export type StoredEntry = JournalEntry & { readonly siteId: string };
/** Something of a site that could not be read, kept for repair. */
export type StoredAside = SetAside & { readonly siteId: string; readonly at: string; readonly number: number };
/** What a release put out. */
export interface StoredRelease {
  readonly siteId: string;
  readonly number: number;
  readonly version: number;
  readonly manifest: Manifest;
}
/** Rows of a site as they were last told, so many a record; `made` names the program that made them. */
export interface StoredRows {
  readonly siteId: string;
  readonly part: number;
  readonly made: string;
  readonly version?: number;
  readonly numbers: SiteNumbers;
  readonly of: number;
  readonly rows: readonly PageRow[];
}

/**
 * The format of what the browser keeps. Version 1 had neither `aside` nor `rows`; in version 2 programs that make pages were no pages. Version 4 keeps an
 * older program that is still open in another tab from reading documents and journals by former names. Version 5 keeps every release.
 */
export const DATABASE_VERSION = 5;

export interface Schema extends DBSchema {
  sites: { key: string; value: SiteRecord };
  documents: { key: string; value: { siteId: string; seq: number; document: SiteDocument } };
  journal: { key: [string, number]; value: StoredEntry };
  files: { key: [string, string]; value: StoredFile };
  pages: { key: [string, string]; value: StoredBytes };
  assets: { key: [string, string]; value: StoredBytes };
  manifests: { key: string; value: { siteId: string; manifest: Manifest } };
  /** What each release put out, by site and number, with the version of the site's files that it was made from. */
  releases: { key: [string, number]; value: StoredRelease };
  aside: { key: [string, number]; value: StoredAside };
  rows: { key: [string, number]; value: StoredRows };
}
export type Database = IDBPDatabase<Schema>;

type Upgrading = IDBPTransaction<Schema, ArrayLike<StoreNames<Schema>>, 'versionchange'>;

/** What leads to each version from the one before. */
const UPGRADES: Readonly<Record<number, (db: Database, transaction: Upgrading) => Promise<void> | void>> = {
  1: (db) => {
    db.createObjectStore('sites', { keyPath: 'id' });
    db.createObjectStore('documents', { keyPath: 'siteId' });
    db.createObjectStore('journal', { keyPath: ['siteId', 'seq'] });
    db.createObjectStore('files', { keyPath: ['siteId', 'path'] });
    db.createObjectStore('pages', { keyPath: ['siteId', 'path'] });
    db.createObjectStore('assets', { keyPath: ['siteId', 'path'] });
    db.createObjectStore('manifests', { keyPath: 'siteId' });
  },
  2: (db) => {
    db.createObjectStore('aside', { keyPath: ['siteId', 'number'] });
    db.createObjectStore('rows', { keyPath: ['siteId', 'part'] });
  },
  3: async (_db, transaction) => {
    const assets = transaction.objectStore('assets');
    for (const key of await assets.getAllKeys()) {
      const moved = isPageFile(key[1]) ? await assets.get(key) : undefined;
      if (!moved) continue;
      await transaction.objectStore('pages').put(moved);
      await assets.delete(key);
    }
  },
  4: () => undefined,
  5: (db) => {
    db.createObjectStore('releases', { keyPath: ['siteId', 'number'] });
  },
};

/** Opens the browser's database. `lost` is told when the browser ends the connection, or another tab needs it to end. */
export function openDatabase(name = 'jolly-beacon', lost?: () => void): Promise<Database> {
  return openDB<Schema>(name, DATABASE_VERSION, {
    async upgrade(db, from, to, transaction) {
      for (let version = from + 1; version <= (to ?? DATABASE_VERSION); version++) await UPGRADES[version]?.(db, transaction);
    },
    blocking(_current, _blocked, event) {
      (event.target as IDBDatabase).close();
      lost?.();
    },
    terminated: () => lost?.(),
  });
}

/** Milliseconds between tries to take a lost connection up again. */
const AGAIN = 500;

/**
 * A database whose connection is taken up again when it is lost. While it is away, what is asked fails as with any closed database: whoever writes tries
 * again. Rejects only where it cannot be opened in the first place.
 */
export async function lastingDatabase(open: (lost: () => void) => Promise<Database>): Promise<Database> {
  let current: Database;
  let opening = false;
  const again = (): void => {
    if (opening) return;
    opening = true;
    const attempt = (): void =>
      void open(again).then(
        (db) => {
          current = db;
          opening = false;
        },
        // Another tab may be making the database anew; a newer program's database stays shut to this one, and writing says so.
        () => setTimeout(attempt, AGAIN),
      );
    attempt();
  };
  current = await open(again);
  return new Proxy({} as Database, {
    get: (_target, name) => {
      const value: unknown = Reflect.get(current, name, current);
      if (typeof value !== 'function') return value;
      return (...args: unknown[]): unknown => {
        try {
          const result: unknown = (value as (...args: unknown[]) => unknown).apply(current, args);
          if (result instanceof Promise) result.catch(noticeLoss);
          return result;
        } catch (error) {
          noticeLoss(error);
          throw error;
        }
      };
    },
  });
  function noticeLoss(error: unknown): void {
    if ((error as Error).name === 'InvalidStateError') again();
  }
}

/** All records of one site in a store keyed by [site, …]. */
export function siteRange(siteId: string): IDBKeyRange {
  return IDBKeyRange.bound([siteId], [siteId, []]);
}
