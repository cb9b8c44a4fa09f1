import { z } from 'zod';
import { KINDS } from './kinds.ts';

const intent = z.enum(['list', 'out']).nullable();
/** Longest text of one field, in UTF-16 units: far beyond any title, description or list of profiles. */
export const LONGEST_TEXT = 10_000;
const text = z.string().max(LONGEST_TEXT);

/** Fields of each record table; absent and null mean the same: not set. */
export const TABLES = {
  /** Who and what the site is. One record, key ''. */
  facts: z.strictObject({
    siteName: text.nullable().optional(),
    alternateName: text.nullable().optional(),
    tagline: text.nullable().optional(),
    description: text.nullable().optional(),
    language: text.nullable().optional(),
    /** Scheme and host, such as `https://quillfeather.example`. */
    mainAddress: text.nullable().optional(),
    ownerKind: z.enum(['organization', 'person']).nullable().optional(),
    ownerName: text.nullable().optional(),
    email: text.nullable().optional(),
    telephone: text.nullable().optional(),
    logo: text.nullable().optional(),
    /** Addresses, one a line. */
    profiles: text.nullable().optional(),
    /** What stands between the parts of a title. */
    separator: text.nullable().optional(),
    /** Comma-separated; hardly any engine reads them. */
    keywords: text.nullable().optional(),
    /** An IANA time zone name, such as `Europe/London`. */
    timeZone: text.nullable().optional(),
    /** Path or address of the picture for links to pages that have none of their own. */
    sharePicture: text.nullable().optional(),
  }),
  /** The one switch for the whole site. One record, key ''. */
  doors: z.strictObject({ open: z.boolean().nullable().optional(), since: z.string().nullable().optional() }),
  /** robots.txt where the owner wrote over the site's own. One record, key ''. */
  robots: z.strictObject({ text: z.string().max(600_000).nullable().optional() }),
  sitemap: z.strictObject({ on: z.boolean().nullable().optional() }),
  /** By kind of page. Patterns are kept as text, see `writePattern`. */
  kinds: z.strictObject({
    intent: intent.optional(),
    title: text.nullable().optional(),
    description: text.nullable().optional(),
    shareTitle: text.nullable().optional(),
  }),
  /** Rules that give many pages their kind, by id; the first that fits, in the order of `order`, decides. */
  rules: z.strictObject({
    path: text.nullable().optional(),
    match: z.enum(['below', 'contains', 'ends']).nullable().optional(),
    kind: z.enum(KINDS).nullable().optional(),
    order: z.number().nullable().optional(),
  }),
  /** By page file. */
  pages: z.strictObject({
    title: text.nullable().optional(),
    description: text.nullable().optional(),
    intent: intent.optional(),
    kind: z.enum(KINDS).nullable().optional(),
    /** A new address ending; the file moves with it. */
    ending: z.string().max(200).nullable().optional(),
    /** The search this page is to answer. */
    phrase: text.nullable().optional(),
    keywords: text.nullable().optional(),
    shareTitle: text.nullable().optional(),
    shareText: text.nullable().optional(),
    sharePicture: text.nullable().optional(),
  }),
  /** Words that the page itself shows, changed in its source: by page file, a line feed, and the place (see `passageKey`). */
  passages: z.strictObject({
    /** What stood there when it was changed: where something else stands now, the change is not made. */
    was: text.nullable().optional(),
    now: text.nullable().optional(),
    /** Links set on words, see `writeLinks`. */
    links: text.nullable().optional(),
  }),
  /** Alternative texts of pictures, by the same keys; `was` null where there was none. */
  alts: z.strictObject({ was: text.nullable().optional(), now: text.nullable().optional() }),
  /** Links that led nowhere and are led elsewhere, by the address path they name. */
  repairs: z.strictObject({ to: text.nullable().optional() }),
  /** Findings that the owner lets be, by page file, a line feed, and the check's code. */
  ignored: z.strictObject({ reason: text.nullable().optional(), at: z.string().nullable().optional() }),
  /** Where texts are cut, by room, where the owner knows better. In px or characters, as the room counts. */
  limits: z.strictObject({ width: z.number().min(10).max(5000).nullable().optional() }),
  /** What the owner offers, where, and for whom: one a line. One record, key ''. */
  wishes: z.strictObject({ services: text.nullable().optional(), places: text.nullable().optional(), audiences: text.nullable().optional() }),
  /** What an answer to a phrase would be worth to the owner, by phrase, 0 to 3. */
  worth: z.strictObject({ worth: z.number().min(0).max(3).nullable().optional() }),
  /** What was carried over by hand into a builder that has only text boxes, by page file, a line feed, and field: the value as it was ticked. */
  pasted: z.strictObject({ value: text.nullable().optional(), at: z.string().nullable().optional() }),
  /** Choices about the checks. One record, key ''. */
  care: z.strictObject({ wording: z.boolean().nullable().optional() }),
  /** Proofs of ownership, by engine. */
  claims: z.strictObject({ name: text.nullable().optional(), content: text.nullable().optional(), at: z.string().nullable().optional() }),
  /** Releases, by number. Release 0 is the site as it was brought in. */
  releases: z.strictObject({
    at: z.string().nullable().optional(),
    pages: z.number().nullable().optional(),
    files: z.number().nullable().optional(),
    open: z.boolean().nullable().optional(),
    /** Where it went: `host`, or `brought-in` for release 0 and `kept` for files out by hand. */
    to: z.enum(['brought-in', 'host', 'files']).nullable().optional(),
  }),
} as const;

export type Table = keyof typeof TABLES;
export type RecordOf<T extends Table> = z.infer<(typeof TABLES)[T]>;

/** All that the owner has said about a site. Changes only through `applyChange`. */
export interface SiteDocument {
  readonly version: 2;
  readonly tables: { readonly [T in Table]: Readonly<Record<string, RecordOf<T>>> };
}

const NAMES = Object.keys(TABLES) as Table[];
const ofEach = <V>(make: (table: Table) => V): Record<Table, V> => Object.fromEntries(NAMES.map((name) => [name, make(name)])) as Record<Table, V>;

/** Format version 2 of a saved document. Version 1 had fewer tables and fields. */
export const siteDocumentSchema: z.ZodType<SiteDocument> = z.strictObject({
  version: z.literal(2),
  tables: z.strictObject(ofEach((table) => z.record(z.string(), TABLES[table]))),
}) as unknown as z.ZodType<SiteDocument>;

/** A site about which nothing has been said. */
export function emptyDocument(): SiteDocument {
  return { version: 2, tables: ofEach(() => ({})) };
}

/** Opens a saved document of any version; the reason in plain words where it cannot be. */
export function openDocument(saved: unknown): { ok: true; document: SiteDocument } | { ok: false; reason: 'newer-version' | 'damaged'; detail: string } {
  const version = (saved as { version?: unknown } | null)?.version;
  if (typeof version === 'number' && version > 2) return { ok: false, reason: 'newer-version', detail: `format version ${version}` };
  const parsed = siteDocumentSchema.safeParse(version === 1 ? fromVersion1(saved) : saved);
  if (!parsed.success) return { ok: false, reason: 'damaged', detail: z.prettifyError(parsed.error) };
  return { ok: true, document: parsed.data };
}

/** Version 2 only added tables and fields. */
function fromVersion1(saved: unknown): unknown {
  const { tables } = saved as { tables?: unknown };
  return typeof tables === 'object' && tables !== null ? { version: 2, tables: { ...emptyDocument().tables, ...tables } } : saved;
}
