import { z } from 'zod';
import type { EngineEvent, Seen, VisitAsked } from '../../core/engine/index.ts';
import type { ProofOutcome } from '../../core/ownership/index.ts';
import type { CrawledSite } from './crawl.ts';
import type { ProofWay } from './work.ts';

/** A record of the index; one that was damaged is left out, and its address is come upon anew. */
const recordSchema = z.looseObject({
  address: z.string().refine((address) => URL.canParse(address)),
  foundBy: z.enum(['home', 'sitemap', 'link']),
  foundAt: z.string(),
  visitedAt: z.string().optional(),
  status: z.number().optional(),
  outcome: z.enum(['listed', 'bare', 'not-listed', 'waiting']),
  reason: z.looseObject({ code: z.string() }),
  linkedFrom: z.array(z.string()),
  maps: z.array(z.string()).optional(),
  title: z.string(),
  description: z.string(),
  headings: z.array(z.string()),
  lead: z.string(),
  text: z.string(),
  maxSnippet: z.number().optional(),
  compared: z.string().optional(),
  canonical: z.string().optional(),
  extras: z.looseObject({}).optional(),
  got: z.looseObject({ hash: z.string(), bytes: z.number(), milliseconds: z.number() }).optional(),
});

/** Of a list, what has its shape; what was damaged is left out. */
const sound = <T>(schema: z.ZodType<T>) => z.array(z.unknown()).transform((all) => all.flatMap((one) => schema.safeParse(one).data ?? []));

const day = z.looseObject({ at: z.string(), visited: z.number(), listed: z.number() });
const siteSchema = z.looseObject({
  host: z.string(),
  origin: z.string(),
  verifiedAt: z.string().optional(),
  lostAt: z.string().optional(),
  lastOutcome: z.unknown().optional(),
  way: z.enum(['tag', 'file', 'txt']).optional(),
  maps: z.array(
    z.looseObject({
      address: z.string(),
      handedInAt: z.string(),
      readAt: z.string().optional(),
      count: z.number(),
      problem: z.string().optional(),
      named: z.boolean().optional(),
    }),
  ),
  records: sound(recordSchema),
  limits: z.array(z.looseObject({ code: z.enum(['links', 'addresses']), address: z.string(), count: z.number() })).optional(),
  robots: z.looseObject({ fetchedAt: z.string(), status: z.number().optional() }).optional(),
  days: sound(day),
  log: sound(z.looseObject({ at: z.string(), code: z.string() })).optional(),
  queue: sound(z.looseObject({ address: z.string(), at: z.string() })).optional(),
  seen: sound(
    z.looseObject({ day: z.string(), query: z.string(), address: z.string(), seen: z.number(), clicks: z.number(), position: z.number() }),
  ).optional(),
  phrases: z.array(z.string()).optional(),
  notices: z.array(z.string()).optional(),
});

/** What an engine writes down. */
export const savedEngine = z.strictObject({ version: z.literal(1), secret: z.string(), sites: z.record(z.string(), siteSchema) });

/** All that an engine knows of a site. */
export interface EngineSiteState extends CrawledSite {
  readonly verifiedAt?: string | undefined;
  readonly lostAt?: string | undefined;
  readonly lastOutcome?: ProofOutcome | undefined;
  readonly way?: ProofWay | undefined;
  /** What happened besides visits, latest first. */
  readonly log?: readonly EngineEvent[] | undefined;
  /** Addresses that wait for a fresh visit, in the order in which they were asked for. */
  readonly queue?: readonly VisitAsked[] | undefined;
  /** What searchers saw of it, day by day, oldest first. */
  readonly seen?: readonly Seen[] | undefined;
  /** What its owner wants it to be found for. */
  readonly phrases?: readonly string[] | undefined;
  /** When changes were told of today, ISO. */
  readonly notices?: readonly string[] | undefined;
}

const EVENTS_KEPT = 400;
/** A site with an event more. */
export function withEvents(site: EngineSiteState, ...events: readonly EngineEvent[]): EngineSiteState {
  return events.length === 0 ? site : { ...site, log: [...[...events].reverse(), ...(site.log ?? [])].slice(0, EVENTS_KEPT) };
}
