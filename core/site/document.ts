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
  }),
  /** The one switch for the whole site. One record, key ''. */
  doors: z.strictObject({ open: z.boolean().nullable().optional(), since: z.string().nullable().optional() }),
  /** robots.txt where the owner wrote over the site's own. One record, key ''. */
  robots: z.strictObject({ text: z.string().max(600_000).nullable().optional() }),
  sitemap: z.strictObject({ on: z.boolean().nullable().optional() }),
  /** By kind of page. */
  kinds: z.strictObject({ intent: intent.optional() }),
  /** By page file. */
  pages: z.strictObject({
    title: text.nullable().optional(),
    description: text.nullable().optional(),
    intent: intent.optional(),
    kind: z.enum(KINDS).nullable().optional(),
  }),
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
  readonly version: 1;
  readonly tables: { readonly [T in Table]: Readonly<Record<string, RecordOf<T>>> };
}

/** Format version 1 of a saved document. */
export const siteDocumentSchema = z.strictObject({
  version: z.literal(1),
  tables: z.strictObject({
    facts: z.record(z.string(), TABLES.facts),
    doors: z.record(z.string(), TABLES.doors),
    robots: z.record(z.string(), TABLES.robots),
    sitemap: z.record(z.string(), TABLES.sitemap),
    kinds: z.record(z.string(), TABLES.kinds),
    pages: z.record(z.string(), TABLES.pages),
    claims: z.record(z.string(), TABLES.claims),
    releases: z.record(z.string(), TABLES.releases),
  }),
});

/** A site about which nothing has been said. */
export function emptyDocument(): SiteDocument {
  return { version: 1, tables: { facts: {}, doors: {}, robots: {}, sitemap: {}, kinds: {}, pages: {}, claims: {}, releases: {} } };
}

/** Opens a saved document of any version; the reason in plain words where it cannot be. */
export function openDocument(saved: unknown): { ok: true; document: SiteDocument } | { ok: false; reason: 'newer-version' | 'damaged'; detail: string } {
  const version = (saved as { version?: unknown } | null)?.version;
  if (typeof version === 'number' && version > 1) return { ok: false, reason: 'newer-version', detail: `format version ${version}` };
  const parsed = siteDocumentSchema.safeParse(saved);
  if (!parsed.success) return { ok: false, reason: 'damaged', detail: z.prettifyError(parsed.error) };
  return { ok: true, document: parsed.data as SiteDocument };
}
