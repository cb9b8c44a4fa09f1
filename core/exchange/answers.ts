import { z } from 'zod';
import type { SearchResult } from '../engine/index.ts';
import type { ProofOutcome } from '../ownership/index.ts';
import type { ClockAnswer, EngineSite, FetchedMap, HostedAnswer, HostedSite, LiveAnswer, MissingAnswer, ProofTag, SearchAnswer } from './api.ts';

/** What the server answers, as the page checks it before it believes it. Codes with fields are checked by their code alone. */
const coded = z.looseObject({ code: z.string() });
const time = z.string();

export const hostedSite: z.ZodType<HostedSite> = z.object({
  host: z.string(),
  number: z.number(),
  at: time,
  files: z.number(),
  audience: z.enum(['draft', 'restricted', 'public']),
  visit: z.string(),
});
export const hostedAnswer: z.ZodType<HostedAnswer> = z.object({ site: hostedSite.nullable() });
export const clockAnswer: z.ZodType<ClockAnswer> = z.object({ now: time });
export const missingAnswer: z.ZodType<MissingAnswer> = z.object({ missing: z.array(z.string()) });
export const proofTag: z.ZodType<ProofTag> = z.object({ name: z.string(), content: z.string(), tag: z.string() });
export const proofOutcome = z.looseObject({
  kind: z.enum(['verified', 'not-live', 'refused', 'not-found', 'in-body', 'altered', 'elsewhere']),
}) as unknown as z.ZodType<ProofOutcome>;

const handedInMap = z.object({
  address: z.string(),
  handedInAt: time,
  readAt: time.optional(),
  count: z.number(),
  problem: z.string().optional(),
  named: z.boolean().optional(),
});
const engineRow = z.object({
  address: z.string(),
  foundBy: z.enum(['home', 'sitemap', 'link']),
  foundAt: time,
  visitedAt: time.optional(),
  status: z.number().optional(),
  outcome: z.enum(['listed', 'bare', 'not-listed', 'waiting']),
  reason: coded,
  linkedFrom: z.array(z.string()),
  title: z.string(),
});
export const engineSite = z.object({
  host: z.string(),
  verifiedAt: time.optional(),
  lastOutcome: proofOutcome.optional(),
  lostAt: time.optional(),
  maps: z.array(handedInMap),
  records: z.array(engineRow),
  robots: z.object({ fetchedAt: time, status: z.number().optional() }).optional(),
  days: z.array(z.object({ at: time, visited: z.number(), listed: z.number() })),
  limits: z.array(z.object({ code: z.enum(['links', 'addresses']), address: z.string(), count: z.number() })).optional(),
}) as unknown as z.ZodType<EngineSite>;

const searchResult: z.ZodType<SearchResult> = z.object({
  address: z.string(),
  title: z.string(),
  snippet: z.string(),
  marks: z.array(z.tuple([z.number(), z.number()])),
  bare: z.boolean(),
});
export const searchAnswer: z.ZodType<SearchAnswer> = z.object({ results: z.array(searchResult) });
const world = z.enum(['stand-in', 'real']);
const hops = z.array(z.object({ address: z.string(), status: z.number() }));
export const liveAnswer = z.object({
  world,
  crawler: z.string(),
  at: time,
  robots: z.object({ status: z.number().optional(), redirects: z.array(z.string()), text: z.string().optional() }),
  answer: z.union([
    z.object({ ok: z.literal(true), status: z.number(), milliseconds: z.number(), hops, type: z.string(), bytes: z.number() }),
    z.object({ ok: z.literal(false), reason: z.string(), hops }),
  ]),
  way: z.looseObject({ reality: z.enum(['listed', 'bare', 'out', 'not-live']), gates: z.array(z.looseObject({ name: z.string(), reason: coded })) }),
  places: z.record(z.string(), z.object({ line: z.number(), column: z.number() })),
  twins: z.array(z.object({ address: z.string(), status: z.number().optional(), leadsTo: z.string().optional(), failed: z.string().optional() })),
}) as unknown as z.ZodType<LiveAnswer>;
export const fetchedMap = z.union([
  z.object({ ok: z.literal(true), address: z.string(), text: z.string(), gzip: z.boolean(), hops }),
  z.object({ ok: z.literal(false), reason: z.string(), status: z.number().optional() }),
]) as unknown as z.ZodType<FetchedMap>;

/** The story around the demo. */
export const demoStory = z.object({ host: z.string(), origin: z.string(), releasedAt: time, releaseNumber: z.number(), notReleased: z.array(z.string()) });
export type DemoStory = z.infer<typeof demoStory>;
