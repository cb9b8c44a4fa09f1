import { z } from 'zod';
import type { IndexRecord, SearchResult } from '../engine/index.ts';
import type { ProofOutcome } from '../ownership/index.ts';

/** A host name, lower case, with at least one dot. */
export const hostName = z
  .string()
  .max(253)
  .regex(/^(?=.*\.)[a-z0-9]([a-z0-9.-]*[a-z0-9])?$/);
const sha256 = z.string().regex(/^[0-9a-f]{64}$/);
/** A path inside a site: no climbing, no backslash, no control characters. */
export const sitePath = z
  .string()
  .min(1)
  .max(1024)
  .refine(
    (path) => !path.startsWith('/') && !/[\\\u0000-\u001f]/.test(path) && !path.split('/').some((part) => part === '..' || part === '.' || part === ''),
    'not a path inside a site',
  );

/** What a release consists of: paths and the hashes of their bytes. */
export const releaseRequest = z.strictObject({
  number: z.number().int().min(1).max(1_000_000),
  origin: z.string().regex(/^https?:\/\/[a-z0-9.-]+$/),
  files: z.array(z.strictObject({ path: sitePath, hash: sha256, size: z.number().int().nonnegative().max(64_000_000) })).max(60_000),
});
export type ReleaseRequest = z.infer<typeof releaseRequest>;

export const missingRequest = z.strictObject({ hashes: z.array(sha256).max(60_000) });
export interface MissingAnswer {
  readonly missing: readonly string[];
}

/** The host's answer to a release. */
export interface ReleaseAnswer {
  readonly at: string;
  /** Where a browser on this machine can visit the site. */
  readonly visit: string;
}

/** What the host knows of a site. */
export interface HostedSite {
  readonly host: string;
  readonly number: number;
  readonly at: string;
  readonly files: number;
  readonly visit: string;
}

export interface HostedAnswer {
  readonly site: HostedSite | null;
}

export const hostParam = z.strictObject({ host: hostName });
export const sitemapRequest = z.strictObject({ host: hostName, address: z.url().max(2048) });
export const verifyRequest = z.strictObject({ host: hostName, origin: z.string().regex(/^https?:\/\/[a-z0-9.-]+$/) });
export const advanceRequest = z.strictObject({ days: z.number().int().min(1).max(60) });
export const searchQuery = z.strictObject({ q: z.string().max(500) });
export const addressQuery = z.strictObject({ address: z.url().max(2048) });

/** The stand-ins' clock. */
export interface ClockAnswer {
  /** ISO time. */
  readonly now: string;
}

/** What Skerry asks the owner to place. */
export interface ProofTag {
  readonly name: string;
  readonly content: string;
  readonly tag: string;
}

/** A map that was handed in, as the engine last read it. */
export interface HandedInMap {
  readonly address: string;
  readonly handedInAt: string;
  readonly readAt: string | undefined;
  readonly count: number;
  readonly problem: string | undefined;
}

/** Everything Skerry tells the owner of a site. */
export interface EngineSite {
  readonly host: string;
  readonly verifiedAt: string | undefined;
  readonly lastOutcome: ProofOutcome | undefined;
  readonly lostAt: string | undefined;
  readonly maps: readonly HandedInMap[];
  readonly records: readonly EngineRow[];
  readonly robots: { readonly fetchedAt: string; readonly status: number | undefined } | undefined;
  /** What the engine did on each day, latest first. */
  readonly days: readonly { readonly at: string; readonly visited: number; readonly listed: number }[];
}

/** An index record without its texts. */
export type EngineRow = Omit<IndexRecord, 'text' | 'lead' | 'headings' | 'description'>;

export interface SearchAnswer {
  readonly results: readonly SearchResult[];
}

/** Every error of the server has this shape. */
export interface ErrorAnswer {
  readonly error: { readonly code: string; readonly message: string; readonly detail?: string | undefined };
}
export const errorAnswer = z.object({ error: z.object({ code: z.string(), message: z.string(), detail: z.string().optional() }) });

/** How an address answers right now. */
export type LiveAnswer =
  | {
      readonly ok: true;
      readonly status: number;
      readonly milliseconds: number;
      readonly redirects: readonly string[];
      readonly robotsTag: readonly string[];
      readonly bytes: number;
      readonly world: 'stand-in' | 'real';
    }
  | { readonly ok: false; readonly reason: string; readonly world: 'stand-in' | 'real' };
