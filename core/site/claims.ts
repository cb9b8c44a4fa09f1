import { all, set, type Change } from './changes.ts';
import type { SiteDocument } from './document.ts';

/** A proof of ownership that the owner placed, for any engine. */
export interface Claim {
  /** Its key in the table. */
  readonly id: string;
  /** What the owner calls the engine; empty where the program knows it by the key. */
  readonly engine: string;
  /** A tag in the head of the home page, a file at the root, or a record of the domain. */
  readonly kind: 'tag' | 'file' | 'txt' | 'cname';
  /** The tag's, the file's or the record's name. */
  readonly name: string;
  readonly content: string;
  /** ISO time. */
  readonly at: string | undefined;
}

/** The key of a proof: one each for what an engine's name, kind and own name tell apart. `known` are the program's own engines, by name; their tags go by their id alone. */
export function claimId(engine: string, kind: Claim['kind'], name: string, known: Readonly<Record<string, string>> = {}): string {
  const id = known[engine.trim().toLowerCase()];
  if (id !== undefined && kind === 'tag') return id;
  return [engine.trim().toLowerCase().replace(/\s+/g, '-').slice(0, 80), kind, name].join(' ');
}

const FIELDS = ['engine', 'kind', 'name', 'content', 'at'] as const;
/** The change that takes a proof away. */
export const withoutClaim = (id: string): Change => all(FIELDS.map((field) => set('claims', id, field, null)));

/** All proofs that are placed, in the order of their keys. */
export function claimsOf({ tables: { claims } }: Pick<SiteDocument, 'tables'>): Claim[] {
  return Object.entries(claims)
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .flatMap(([id, { engine, kind, name, content, at }]) =>
      name && content ? [{ id, engine: engine ?? '', kind: kind ?? 'tag', name, content, at: at ?? undefined }] : [],
    );
}

/** The files at the root that prove ownership, with what stands in them. */
export function proofFiles(document: Pick<SiteDocument, 'tables'>): Readonly<Record<string, string>> {
  return Object.fromEntries(claimsOf(document).flatMap(({ kind, name, content }) => (kind === 'file' ? [[name, content]] : [])));
}
