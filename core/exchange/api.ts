import { ENGINE_IDS, SKERRY } from '../engines/index.ts';
import { z } from 'zod';
import { PATH_MATCHES } from '../site/index.ts';

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
export const hostedHeader = z.strictObject({ path: z.string().max(2000), match: z.enum(PATH_MATCHES), values: z.array(headerValue).max(20) });

/** What a release consists of: paths and the hashes of their bytes; what headers files get; who may visit. */
export const releaseRequest = z.strictObject({
  number: z.number().int().min(1).max(1_000_000),
  origin: z.string().regex(/^https?:\/\/[a-z0-9.-]+$/),
  files: z.array(z.strictObject({ path: sitePath, hash: sha256, size: z.number().int().nonnegative().max(64_000_000) })).max(60_000),
  headers: z.array(hostedHeader).max(200).default([]),
  audience: z.enum(['draft', 'restricted', 'public']).default('public'),
  password: z.string().min(1).max(200).optional(),
  /** Files whose addresses answer that they are gone for good (410). */
  gone: z.array(sitePath).max(5_000).optional(),
});
export type ReleaseRequest = z.infer<typeof releaseRequest>;
/** Who may visit a hosted site. */
export type Audience = ReleaseRequest['audience'];

/** How a hosted site is taken offline, or back (`null`): by what status, until when, ISO, where that is known, and what visitors read, where the site has no page for that. */
export const offlineRequest = z.strictObject({
  offline: z.strictObject({ status: z.literal([503, 404, 410]), until: z.iso.datetime().optional(), message: z.string().max(500).optional() }).nullable(),
});
/** A site's own page for being away, by the status that it is sent with; the first that there is. */
export const AWAY_PAGES: Readonly<Record<503 | 404 | 410, readonly string[]>> = {
  503: ['503.html', 'maintenance.html'],
  404: ['404.html'],
  410: ['410.html', '404.html'],
};
export type Offline = NonNullable<z.infer<typeof offlineRequest>['offline']>;

/** What one site may have when it comes from its address, in however many goes: pages, and bytes. */
export const MOST_CRAWLED = { pages: 5_000, bytes: 150_000_000 } as const;
/** Bounds of bringing a site in from its address: pages, bytes, links from the first page, and seconds. */
export const crawlLimits = z.strictObject({
  pages: z.number().int().min(1).max(MOST_CRAWLED.pages).default(500),
  bytes: z.number().int().min(10_000).max(MOST_CRAWLED.bytes).default(60_000_000),
  depth: z.number().int().min(0).max(30).default(10),
  seconds: z.number().int().min(1).max(3_600).default(600),
});
export type CrawlLimits = z.infer<typeof crawlLimits>;
export const crawlRequest = z.strictObject({ address: z.url({ protocol: /^https?$/ }).max(2048), limits: crawlLimits.prefault({}) });
export const crawlParam = z.strictObject({ id: z.string().regex(/^[\w-]{1,64}$/) });

export const missingRequest = z.strictObject({ hashes: z.array(sha256).max(60_000) });
/** The host's answer to a release. */
export interface ReleaseAnswer {
  readonly at: string;
  /** Where a browser on this machine can visit the site. */
  readonly visit: string;
}

export const hostParam = z.strictObject({ host: hostName });
export const sitemapRequest = z.strictObject({ host: hostName, address: z.url().max(2048) });
/** By which of its three ways a proof is looked for first, and told of where none holds. */
export const verifyRequest = z.strictObject({
  host: hostName,
  origin: z.string().regex(/^https?:\/\/[a-z0-9.-]+$/),
  way: z.enum(['tag', 'file', 'txt']).default('tag'),
});
const RECORD_NAME = /^(?:@|(?:\*|[a-z0-9_](?:[a-z0-9_-]{0,61}[a-z0-9_])?)(?:\.[a-z0-9_](?:[a-z0-9_-]{0,61}[a-z0-9_])?)*)$/;
/** A record as it was kept, whatever it says; see `zoneRecord`. */
export const keptRecord = z.strictObject({
  name: z.string().regex(RECORD_NAME),
  type: z.enum(['TXT', 'CNAME', 'A', 'AAAA']),
  value: z.string().min(1).max(8000),
  ttl: z.number().int().min(30).max(604_800).default(3600),
});
export type ZoneRecord = z.infer<typeof keptRecord>;
const HOST = z.string().regex(/^(?=.{1,254}$)(?:[a-z0-9_](?:[a-z0-9_-]{0,61}[a-z0-9_])?\.)+[a-z][a-z0-9-]{1,62}\.?$/i);
/** What the value of each sort of record has to be. */
const RECORD_VALUES: Readonly<Record<ZoneRecord['type'], z.ZodType<string>>> = { A: z.ipv4(), AAAA: z.ipv6(), CNAME: HOST, TXT: z.string() };
/** A proof that is looked for, step by step, at a site's main address. */
export const proofStepsRequest = z.strictObject({
  origin: z.string().regex(/^https?:\/\/[a-z0-9.-]{1,253}(?::\d{1,5})?$/),
  piece: z.strictObject({ kind: z.enum(['tag', 'file', 'txt', 'cname']), name: z.string().min(1).max(253), content: z.string().min(1).max(100_000) }),
});
/** A record of a domain in the stand-in zone; `name` relative to the domain, `@` for itself, `*` first for all that are not there; seconds to live. Its value is one of its sort. */
export const zoneRecord = keptRecord.refine(({ type, value }) => RECORD_VALUES[type].safeParse(value).success, {
  message: 'the value is none of its sort',
  path: ['value'],
});
export const zoneRequest = z.strictObject({ records: z.array(zoneRecord).max(100) });
export const zoneAnswer = z.object({ records: z.array(keptRecord) });
/** A question to the name servers: a name and the sort of record. */
export const dnsQuery = z.strictObject({
  name: z.string().regex(/^(?=.{1,253}$)[a-z0-9_]([a-z0-9_.-]*[a-z0-9])?$/),
  type: z.enum(['A', 'AAAA', 'CNAME', 'TXT']),
});
/** Where a whole hosted site leads, or nowhere. */
export const movedRequest = z.strictObject({
  to: z
    .string()
    .regex(/^https?:\/\/[a-z0-9.-]+$/)
    .nullable(),
});
/** Addresses of a site that an engine is asked to visit soon. */
export const visitsRequest = z.strictObject({ host: hostName, addresses: z.array(z.url().max(2048)).min(1).max(1_000) });
/** What the owner of a site wants it to be found for. */
export const phrasesRequest = z.strictObject({ host: hostName, phrases: z.array(z.string().max(200)).max(300) });
/** Pages of one site of which it is asked what they say right now. */
export const livePagesRequest = z.strictObject({
  addresses: z
    .array(z.url({ protocol: /^https?$/ }).max(2048))
    .min(1)
    .max(50),
});
/** A notice of changes to be sent to an endpoint of the IndexNow protocol. */
export const noticeRequest = z.strictObject({
  endpoint: z.url({ protocol: /^https?$/ }).max(2048),
  host: hostName,
  key: z.string().max(128),
  addresses: z.array(z.url().max(2048)).min(1).max(10_000),
});
/** A feed of which its hub is told that it has changed (WebSub). */
export const hubRequest = z.strictObject({ hub: z.url({ protocol: /^https?$/ }).max(2048), topic: z.url({ protocol: /^https?$/ }).max(2048) });
export const advanceRequest = z.strictObject({ days: z.number().int().min(1).max(60) });
export const searchQuery = z.strictObject({ q: z.string().max(500), from: z.coerce.number().int().min(0).max(1_000_000).default(0) });
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
