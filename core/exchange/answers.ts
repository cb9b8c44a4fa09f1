import { z } from 'zod';
import type { EngineEvent, IndexRecord, RankReason, SearchResult } from '../engine/index.ts';
import type { ResultExtras } from '../results/index.ts';
import type { GatePlaces, WayIn } from '../indexing/index.ts';
import type { ProofOutcome, ProofStep } from '../ownership/index.ts';
import type { LivePage } from '../release/index.ts';

/*
 * What the server answers: the schemas by which the page checks it before it believes it, and the types that follow from them. Of what the core makes itself
 * (a way in, a reason, an outcome) only the outline is checked.
 */

/** What a schema lets through, to be read only. */
type Answer<S extends z.ZodType> = Frozen<z.infer<S>>;
type Frozen<T> = T extends WayIn | ProofOutcome | EngineEvent | LivePage | IndexRecord['reason'] | GatePlaces
  ? T
  : T extends object
    ? { readonly [K in keyof T]: Frozen<T[K]> }
    : T;

/** A value of the core's own, known by its outline. */
const outlined = <T>(outline: z.ZodType): z.ZodType<T> => z.custom<T>((value) => outline.safeParse(value).success);

const time = z.string();
const reason = outlined<IndexRecord['reason']>(z.looseObject({ code: z.string() }));

/** What the host knows of a site. */
export const hostedSite = z.object({
  host: z.string(),
  number: z.number(),
  at: time,
  files: z.number(),
  audience: z.enum(['draft', 'restricted', 'public']),
  /** Where the site was taken offline: what it answers instead. */
  offline: z.object({ status: z.number(), until: z.string().optional(), since: z.string() }).optional(),
  /** Where all of it leads. */
  movedTo: z.string().optional(),
  origin: z.string(),
  visit: z.string(),
});
export type HostedSite = Answer<typeof hostedSite>;
export const hostedAnswer = z.object({ site: hostedSite.nullable() });
export type HostedAnswer = Answer<typeof hostedAnswer>;

/** The stand-ins' clock, ISO time. */
export const clockAnswer = z.object({ now: time });
export type ClockAnswer = Answer<typeof clockAnswer>;

/** Hashes that the host lacks. */
export const missingAnswer = z.object({ missing: z.array(z.string()) });
export type MissingAnswer = Answer<typeof missingAnswer>;

/** What an engine asks the owner to place. */
export const proofTag = z.object({
  name: z.string(),
  content: z.string(),
  tag: z.string(),
  /** The same as a file at the root, and as what a TXT record of the domain is to say. */
  file: z.object({ name: z.string(), content: z.string() }),
  record: z.string(),
});
export type ProofTag = Answer<typeof proofTag>;
export const proofOutcome = outlined<ProofOutcome>(
  z.looseObject({
    kind: z.enum(['verified', 'not-live', 'refused', 'not-found', 'in-body', 'altered', 'elsewhere', 'no-file', 'file-differs', 'no-record', 'other-records']),
  }),
);

/** A map that was handed in, as the engine last read it; `named`: it was not handed in but is named in robots.txt. */
const handedInMap = z.object({
  address: z.string(),
  handedInAt: time,
  readAt: time.optional(),
  count: z.number(),
  problem: z.string().optional(),
  named: z.boolean().optional(),
  /** The maps of an index, each with what was found in it. */
  parts: z.array(z.object({ address: z.string(), count: z.number(), problem: z.string().optional() })).optional(),
});
export type HandedInMap = Answer<typeof handedInMap>;

/** An index record without its texts. */
const engineRow = z.object({
  address: z.string(),
  foundBy: z.enum(['home', 'sitemap', 'link']),
  foundAt: time,
  visitedAt: time.optional(),
  status: z.number().optional(),
  outcome: z.enum(['listed', 'bare', 'not-listed', 'waiting']),
  reason,
  linkedFrom: z.array(z.string()),
  maps: z.array(z.string()).optional(),
  title: z.string(),
  canonical: z.string().optional(),
  maxSnippet: z.number().optional(),
  /** Of its last answer. */
  bytes: z.number().optional(),
  milliseconds: z.number().optional(),
});
export type EngineRow = Answer<typeof engineRow>;

/** Something of a site that has more than an engine takes: links on a page, addresses on the site; `count` is how many there were. */
const crawlLimit = z.object({ code: z.enum(['links', 'addresses']), address: z.string(), count: z.number() });
export type CrawlLimit = Answer<typeof crawlLimit>;

const outcome = z.enum(['listed', 'bare', 'not-listed', 'waiting']);
/** A day of an engine on a site: what it asked for, and what became another thing. */
const engineDay = z.object({
  at: time,
  visited: z.number(),
  listed: z.number(),
  answers: z.record(z.string(), z.number()).optional(),
  bytes: z.number().optional(),
  milliseconds: z.number().optional(),
  changes: z.array(z.object({ address: z.string(), from: outcome.optional(), to: outcome, why: z.string() })).optional(),
});
const engineEvent = outlined<EngineEvent>(z.looseObject({ at: time, code: z.string() }));

/** Everything an engine tells the owner of a site: what it did on each day, latest first, and where its last visit stopped short. */
export const engineSite = z.object({
  host: z.string(),
  verifiedAt: time.optional(),
  lastOutcome: proofOutcome.optional(),
  lostAt: time.optional(),
  maps: z.array(handedInMap),
  records: z.array(engineRow),
  robots: z.object({ fetchedAt: time, status: z.number().optional() }).optional(),
  days: z.array(engineDay),
  limits: z.array(crawlLimit).optional(),
  /** What happened besides visits, latest first; addresses that wait for a fresh visit, in order. */
  log: z.array(engineEvent),
  queue: z.array(z.object({ address: z.string(), at: time, told: z.boolean().optional() })),
});
export type EngineSite = Answer<typeof engineSite>;

/** What searchers saw of a site, day by day, as far as it is counted. */
export const seenAnswer = z.object({
  until: time,
  rows: z.array(z.object({ day: z.string(), query: z.string(), address: z.string(), seen: z.number(), clicks: z.number(), position: z.number() })),
});
export type SeenAnswer = Answer<typeof seenAnswer>;

/** A file that a page needs to be shown, and whether a crawler gets it. */
const pageResource = z.object({
  address: z.string(),
  kind: z.enum(['style', 'script', 'picture', 'frame']),
  what: z.enum(['there', 'forbidden', 'status', 'no-answer', 'elsewhere']),
  status: z.number().optional(),
  bytes: z.number().optional(),
});
export type PageResource = Answer<typeof pageResource>;

/** One address as an engine knows it: what it got, what it took from that, and what it could not fetch. */
export const addressAnswer = z.object({
  record: z
    .object({
      ...engineRow.shape,
      description: z.string(),
      headings: z.array(z.string()),
      lead: z.string(),
      text: z.string(),
      got: z
        .object({
          hash: z.string(),
          bytes: z.number(),
          milliseconds: z.number(),
          headers: z.record(z.string(), z.array(z.string()).readonly()),
          hops: z.array(z.object({ address: z.string(), status: z.number() })),
        })
        .optional(),
    })
    .optional(),
  /** The source as it was got; missing where it is kept no more, or was no text. */
  html: z.string().optional(),
  resources: z.array(pageResource),
});
export type AddressAnswer = Answer<typeof addressAnswer>;

/** What pages say right now, in the order in which they were asked for. */
export const livePagesAnswer = z.object({
  pages: z.array(outlined<LivePage>(z.looseObject({ kind: z.enum(['page', 'moved', 'status', 'forbidden', 'no-page', 'no-answer']) }))),
});
export type LivePagesAnswer = Answer<typeof livePagesAnswer>;

/** What name servers say, and until when the answer of before may still be held by those that asked them. */
export const dnsAnswer = z.object({
  world: z.enum(['stand-in', 'real']),
  found: z.array(z.string()).optional(),
  failed: z.enum(['no-such-name', 'none', 'no-answer']).optional(),
  ttl: z.number().optional(),
  former: z.array(z.object({ values: z.array(z.string()), until: time })).optional(),
});
export type DnsAnswer = Answer<typeof dnsAnswer>;
/** What was found of a proof, step by step, by really looking. */
export const proofStepsAnswer = z.object({
  steps: z.array(outlined<ProofStep>(z.looseObject({ step: z.string(), state: z.enum(['good', 'bad', 'note', 'unknown']) }))),
});
export type ProofStepsAnswer = Answer<typeof proofStepsAnswer>;
/** Whether a name can be had at the stand-in host. */
export const nameAnswer = z.object({ state: z.enum(['free', 'taken']) });
export type NameAnswer = Answer<typeof nameAnswer>;

/** How an endpoint took a notice of changes. */
export const noticeAnswer = z.object({ status: z.number().optional(), failed: z.string().optional() });
export type NoticeAnswer = Answer<typeof noticeAnswer>;

/** What structured data adds to a result. */
const extras = z.object({
  trail: z.array(z.string()).optional(),
  date: z.string().optional(),
  by: z.string().optional(),
  price: z.string().optional(),
  availability: z.string().optional(),
  rating: z.string().optional(),
  when: z.string().optional(),
  where: z.string().optional(),
  duration: z.string().optional(),
  questions: z.array(z.string()).optional(),
}) as z.ZodType<ResultExtras>;

const searchResult: z.ZodType<SearchResult> = z.object({
  address: z.string(),
  title: z.string(),
  snippet: z.string(),
  marks: z.array(z.tuple([z.number(), z.number()])),
  bare: z.boolean(),
  extras: extras.optional(),
  position: z.number().optional(),
  why: outlined<RankReason>(
    z.looseObject({ where: z.array(z.looseObject({ field: z.string() })), missing: z.array(z.string()), links: z.number() }),
  ).optional(),
  more: z.number().optional(),
});
export const searchAnswer = z.object({ total: z.number().int().nonnegative(), results: z.array(searchResult) });
export type SearchAnswer = Answer<typeof searchAnswer>;

/** Every error of the server has this shape. */
export const errorAnswer = z.object({ error: z.object({ code: z.string(), message: z.string(), detail: z.string().optional() }) });
export type ErrorAnswer = Answer<typeof errorAnswer>;

/** One variant of an address, with or without `s` and `www`: where it leads, or undefined where it answers by itself, or not at all. */
const addressVariant = z.object({ address: z.string(), status: z.number().optional(), leadsTo: z.string().optional(), failed: z.string().optional() });
export type VariantAnswer = Answer<typeof addressVariant>;

const hops = z.array(z.object({ address: z.string(), status: z.number() }));
const way = outlined<WayIn>(
  z.looseObject({
    reality: z.enum(['listed', 'bare', 'out', 'not-live']),
    gates: z.array(z.looseObject({ name: z.string(), reason: z.looseObject({ code: z.string() }) })),
  }),
);
const places: z.ZodType<GatePlaces> = z.record(z.string(), z.object({ line: z.number(), column: z.number() }));

/** How an address answers right now, and what one crawler makes of that; `places` tells where in what it answered stands what decided. */
export const liveAnswer = z.object({
  world: z.enum(['stand-in', 'real']),
  crawler: z.string(),
  at: time,
  robots: z.object({ status: z.number().optional(), redirects: z.array(z.string()), text: z.string().optional() }),
  answer: z.union([
    z.object({ ok: z.literal(true), status: z.number(), milliseconds: z.number(), hops, type: z.string(), bytes: z.number() }),
    z.object({ ok: z.literal(false), reason: z.string(), hops }),
  ]),
  way,
  places,
  twins: z.array(addressVariant),
});
export type LiveAnswer = Answer<typeof liveAnswer>;

/** A map fetched for its reader: its text, or why there is none. */
export const fetchedMap = z.union([
  z.object({ ok: z.literal(true), address: z.string(), text: z.string(), gzip: z.boolean(), hops }),
  z.object({ ok: z.literal(false), reason: z.string(), status: z.number().optional() }),
]);
export type FetchedMap = Answer<typeof fetchedMap>;

/** Why an address of a crawl is not here although the site seems to have it. */
export const MISSED = ['depth', 'number', 'queries', 'size', 'failed'] as const;
export type Missed = (typeof MISSED)[number];
/** How far bringing a site in from its address has come. */
export const crawlView = z.object({
  state: z.enum(['running', 'done', 'stopped', 'failed']),
  /** Why it failed, or which limit ended it. */
  reason: z.enum(['no-answer', 'no-such-host', 'not-allowed', 'elsewhere', 'robots', 'pages', 'bytes', 'seconds', 'depth', 'number']).optional(),
  host: z.string(),
  pages: z.number(),
  files: z.number(),
  bytes: z.number(),
  waiting: z.number(),
  /** Addresses that robots.txt keeps the program from; pages that only scripts make; what could not be had. */
  forbidden: z.number(),
  scripted: z.number(),
  troubles: z.number(),
  /** Answers that the host said are as they were the last time. */
  unchanged: z.number().default(0),
  /** Pages whose encoding only a header told: it was written into them. */
  respelled: z.number().default(0),
  /** Addresses that are not here, by why: too many links away, too many waiting, too many queries of one path, too large, or the host failed. */
  missing: z.record(z.enum(MISSED), z.number()),
  latest: z.array(z.string()),
  examples: z.array(z.object({ address: z.string(), what: z.string() })),
});
export type CrawlView = Answer<typeof crawlView>;
export const crawlBegun = z.object({ id: z.string() });
/** Whether a crawl has only a part of its site: what is not here would look as if it were gone. */
export const isPartial = ({ state, missing }: Pick<CrawlView, 'state' | 'missing'>): boolean => state === 'stopped' || MISSED.some((why) => missing[why] > 0);
/** What the files of a crawl do not tell themselves: where the site is, path and query of addresses, and what headers said, by path. */
export const crawlTold = z.object({
  origin: z.string(),
  /** All files. */
  files: z.array(z.string()).default([]),
  addresses: z.record(z.string(), z.string()),
  /** `X-Robots-Tag`, as it was sent. */
  tags: z.record(z.string(), z.array(z.string())),
  /** `Content-Language` of pages that name no language themselves. */
  languages: z.record(z.string(), z.string()).default({}),
  /** Pages that name no main address themselves, and whose header names their own. */
  canonicals: z.array(z.string()).default([]),
});
export type CrawlTold = z.infer<typeof crawlTold>;

/** The story around the demo. */
export const demoStory = z.object({ host: z.string(), origin: z.string(), releasedAt: time, releaseNumber: z.number(), notReleased: z.array(z.string()) });
export type DemoStory = z.infer<typeof demoStory>;
