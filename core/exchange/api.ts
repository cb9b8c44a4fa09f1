import { ENGINE_IDS, SKERRY } from '../engines/index.ts';
import { z } from 'zod';
import type { IndexRecord, SearchResult } from '../engine/index.ts';
import type { GatePlaces, WayIn } from '../indexing/index.ts';
import type { ProofOutcome } from '../ownership/index.ts';

/** A host name, lower case, with at least one dot. */
export const hostName = z
  .string()
  .max(253)
  .regex(/^(?=.*\.)[a-z0-9]([a-z0-9.-]*[a-z0-9])?$/);
/** A header's value: printable, in one line. */
const headerValue = z
  .string()
  .max(500)
  .regex(/^[\x20-\x7e]*$/);
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

/** Files that get `X-Robots-Tag` headers: by their address path. */
export const hostedHeader = z.strictObject({ path: z.string().max(2000), match: z.enum(['below', 'contains', 'ends']), values: z.array(headerValue).max(20) });

/** What a release consists of: paths and the hashes of their bytes; what headers files get; who may visit. */
export const releaseRequest = z.strictObject({
  number: z.number().int().min(1).max(1_000_000),
  origin: z.string().regex(/^https?:\/\/[a-z0-9.-]+$/),
  files: z.array(z.strictObject({ path: sitePath, hash: sha256, size: z.number().int().nonnegative().max(64_000_000) })).max(60_000),
  headers: z.array(hostedHeader).max(200).default([]),
  audience: z.enum(['draft', 'restricted', 'public']).default('public'),
  password: z.string().min(1).max(200).optional(),
});
export type ReleaseRequest = z.infer<typeof releaseRequest>;
/** Who may visit a hosted site. */
export type Audience = ReleaseRequest['audience'];

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
  readonly audience: Audience;
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
/** Which of the stand-in engines is asked. */
export const engineId = z.enum(ENGINE_IDS);
export const engineParam = z.strictObject({ engine: engineId });
export const engineHostParam = z.strictObject({ engine: engineId, host: hostName });
export const liveQuery = z.strictObject({
  address: z.url().max(2048),
  crawler: z
    .string()
    .regex(/^[A-Za-z_-]{1,64}$/)
    .default(SKERRY.crawler),
});
export const addressQuery = z.strictObject({ address: z.url().max(2048) });

/** The stand-ins' clock. */
export interface ClockAnswer {
  /** ISO time. */
  readonly now: string;
}

/** What an engine asks the owner to place. */
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
  /** Whether it was not handed in but is named in robots.txt. */
  readonly named?: boolean | undefined;
}

/** Everything an engine tells the owner of a site. */
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
  /** Where its last visit stopped short. */
  readonly limits?: readonly CrawlLimit[] | undefined;
}

/** Something of a site that has more than an engine takes: links on a page, addresses on the site; `count` is how many there were. */
export interface CrawlLimit {
  readonly code: 'links' | 'addresses';
  readonly address: string;
  readonly count: number;
}

/** An index record without its texts. */
export type EngineRow = Omit<IndexRecord, 'text' | 'lead' | 'headings' | 'description' | 'compared'>;

export interface SearchAnswer {
  readonly results: readonly SearchResult[];
}

/** Every error of the server has this shape. */
export interface ErrorAnswer {
  readonly error: { readonly code: string; readonly message: string; readonly detail?: string | undefined };
}
export const errorAnswer = z.object({ error: z.object({ code: z.string(), message: z.string(), detail: z.string().optional() }) });

/** One variant of an address, with or without `s` and `www`, and where it ends. */
export interface TwinAnswer {
  readonly address: string;
  readonly status: number | undefined;
  /** Where it leads; undefined where it answers by itself, or not at all. */
  readonly leadsTo: string | undefined;
  readonly failed: string | undefined;
}

/** How an address answers right now, and what one crawler makes of that. */
export interface LiveAnswer {
  readonly world: 'stand-in' | 'real';
  readonly crawler: string;
  readonly at: string;
  readonly robots: { readonly status: number | undefined; readonly redirects: readonly string[]; readonly text: string | undefined };
  readonly answer:
    | {
        readonly ok: true;
        readonly status: number;
        readonly milliseconds: number;
        readonly hops: readonly { readonly address: string; readonly status: number }[];
        readonly type: string;
        readonly bytes: number;
      }
    | { readonly ok: false; readonly reason: string; readonly hops: readonly { readonly address: string; readonly status: number }[] };
  readonly way: WayIn;
  /** Where in what it answered stands what decided. */
  readonly places: GatePlaces;
  readonly twins: readonly TwinAnswer[];
}

/** A map fetched for its reader: its text, or why there is none. */
export type FetchedMap =
  | {
      readonly ok: true;
      readonly address: string;
      readonly text: string;
      readonly gzip: boolean;
      readonly hops: readonly { readonly address: string; readonly status: number }[];
    }
  | { readonly ok: false; readonly reason: string; readonly status: number | undefined };
