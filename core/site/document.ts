import type { PageId } from '../source/index.ts';
import { z } from 'zod';
import { keyed, keysOf } from '../keyed/index.ts';
import { broughtUpToDate, isSaved, renamed, type Saved, type SavedFormat } from '../saved/index.ts';
import { TABLES, type RecordOf, type Table } from './tables.ts';

/** All that the owner has said about a site. Changes only through `applyChange`. */
export interface SiteDocument {
  readonly version: typeof DOCUMENT_FORMAT.version;
  readonly tables: { readonly [T in Table]: Readonly<Record<string, RecordOf<T>>> };
}

/** Tables that had another name before version 4. */
export const FORMER_TABLES: Readonly<Record<string, Table>> = { doors: 'siteSwitch', says: 'directives' };

const TABLE_NAMES = keysOf(TABLES);
const ofEach = <V>(make: (table: Table) => V): Record<Table, V> => keyed(TABLE_NAMES, make);

/** Where the owner's own word for a value of a page's structured data is kept: the page's file, a line feed, what the page is, and the property. */
export const markupKey = (page: PageId, processor: string, path: string): string => `${page}\n${processor}.${path}`;

/** The format of a saved document. Versions 1, 2 and 4 to 6 had fewer tables and fields; in 3 two tables had other names. */
export const DOCUMENT_FORMAT = {
  name: 'site document',
  version: 7,
  migrations: {
    1: (saved) => saved,
    2: (saved) => saved,
    3: (saved) => {
      const tables = renamed(saved['tables'], FORMER_TABLES);
      return isSaved(tables) ? { ...saved, tables } : saved;
    },
    4: withAllTables,
    5: withAllTables,
    6: withAllTables,
  },
} as const satisfies SavedFormat;

/** A saved document with those tables, empty, that it has not yet. */
function withAllTables(saved: Saved): Saved {
  const tables = saved['tables'];
  return isSaved(tables) ? { ...saved, tables: { ...emptyDocument().tables, ...tables } } : saved;
}

/** A saved document as it is written now. */
export const siteDocumentSchema: z.ZodType<SiteDocument> = z.strictObject({
  version: z.literal(DOCUMENT_FORMAT.version),
  tables: z.strictObject(ofEach((table) => z.record(z.string(), TABLES[table]))),
}) as unknown as z.ZodType<SiteDocument>;

/** A site about which nothing has been said. */
export function emptyDocument(): SiteDocument {
  return { version: DOCUMENT_FORMAT.version, tables: ofEach(() => ({})) };
}

/** Something saved that cannot be read: where it stood, what it was, and why. */
export interface SetAside {
  readonly table: string;
  readonly key: string;
  readonly value: unknown;
  readonly problem: string;
}

export type OpenedDocument =
  | { readonly ok: true; readonly document: SiteDocument; readonly aside?: readonly SetAside[] }
  | { readonly ok: false; readonly reason: 'newer-version' | 'damaged'; readonly detail: string };

/** Opens a saved document of any version. Fields that cannot be read are set aside and the rest opens; the reason in plain words where nothing can be read. */
export function openDocument(saved: unknown): OpenedDocument {
  const led = broughtUpToDate(DOCUMENT_FORMAT, saved);
  if (!led.ok) return led;
  const parsed = siteDocumentSchema.safeParse(led.value);
  if (parsed.success) return { ok: true, document: parsed.data };
  return salvaged(led.value) ?? { ok: false, reason: 'damaged', detail: z.prettifyError(parsed.error) };
}

/** What can be read of a document, field by field; undefined where it is no document at all. */
function salvaged(saved: unknown): OpenedDocument | undefined {
  const tables = isSaved(saved) && saved['version'] === DOCUMENT_FORMAT.version ? saved['tables'] : undefined;
  if (!isSaved(tables)) return undefined;
  const aside: SetAside[] = [];
  const kept = ofEach((): Record<string, Record<string, unknown>> => ({}));
  for (const [table, records] of Object.entries(tables)) {
    if (!isSaved(records)) return undefined;
    for (const [key, record] of Object.entries(records)) {
      const shape = (Object.hasOwn(TABLES, table) ? TABLES[table as Table].shape : {}) as Record<string, z.ZodType>;
      for (const [field, value] of isSaved(record) ? Object.entries(record) : [['', record] as const]) {
        const fits = Object.hasOwn(shape, field) && key !== '__proto__' ? shape[field]?.safeParse(value) : undefined;
        if (fits?.success) (kept[table as Table][key] ??= {})[field] = value;
        else aside.push({ table, key, value: field === '' ? value : { [field]: value }, problem: fits ? z.prettifyError(fits.error) : 'not known here' });
      }
    }
  }
  return { ok: true, document: { version: DOCUMENT_FORMAT.version, tables: kept } as SiteDocument, aside };
}
