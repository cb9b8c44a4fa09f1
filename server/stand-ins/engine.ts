import { createHmac } from 'node:crypto';
import { z } from 'zod';
import { search } from '../../core/engine/index.ts';
import type { EngineSite, ProofTag } from '../../core/exchange/index.ts';
import { readAnswer, type EnginePolicy } from '../../core/indexing/index.ts';
import { findProof, type ProofOutcome } from '../../core/ownership/index.ts';
import { RequestError } from '../errors.ts';
import type { Fetch, FetchOutcome } from '../fetching/index.ts';
import type { StandInClock } from './clock.ts';
import { crawlSite, type CrawledSite } from './crawl.ts';
import type { Store } from './store.ts';

/** The name of an engine's proof tag. */
export const proofName = ({ id }: EnginePolicy): string => `${id}-proof`;
/** How an engine's crawler calls itself. */
export const userAgent = ({ crawler }: EnginePolicy): string => `${crawler}/1.0 (stand-in engine)`;

const siteSchema = z.looseObject({
  host: z.string(),
  origin: z.string(),
  verifiedAt: z.string().optional(),
  lostAt: z.string().optional(),
  lastOutcome: z.unknown().optional(),
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
  records: z.array(z.looseObject({ address: z.string(), outcome: z.enum(['listed', 'bare', 'not-listed', 'waiting']) })),
  robots: z.looseObject({ fetchedAt: z.string(), status: z.number().optional() }).optional(),
  days: z.array(z.strictObject({ at: z.string(), visited: z.number(), listed: z.number() })),
});
const saved = z.strictObject({ version: z.literal(1), secret: z.string(), sites: z.record(z.string(), siteSchema) });
type Site = CrawledSite & { origin: string; verifiedAt?: string | undefined; lostAt?: string | undefined; lastOutcome?: ProofOutcome | undefined };

/** A site that an engine comes upon by itself. */
export interface FoundSite {
  readonly host: string;
  readonly origin: string;
}

/** A stand-in search engine: proofs, maps, daily crawls, an index to search. It knows the world only through `fetch`. */
export class StandInEngine {
  private sites: Record<string, Site> = {};
  private secret = '';

  constructor(
    private readonly store: Store,
    private readonly clock: StandInClock,
    private readonly fetch: Fetch,
    private readonly randomText: () => string,
    readonly policy: EnginePolicy,
    /** Sites that it comes upon by itself; an engine that finds none waits for owners to prove theirs. */
    private readonly finds: () => readonly FoundSite[] = () => [],
  ) {}

  async open(): Promise<void> {
    const found = await this.store.read(this.policy.id, saved);
    this.secret = found?.secret ?? this.randomText();
    this.sites = (found?.sites ?? {}) as unknown as Record<string, Site>;
    if (!found) await this.save();
  }

  /** The tag that proves a host. The same host always gets the same one. */
  proofTag(host: string): ProofTag {
    const content = createHmac('sha256', this.secret).update(host).digest('base64url');
    const name = proofName(this.policy);
    return { name, content, tag: `<meta name="${name}" content="${content}">` };
  }

  /** Fetches the home page and looks for the tag. */
  async verify(host: string, origin: string): Promise<ProofOutcome> {
    const outcome = proofIn(await this.fetch(`${origin}/`), host, this.proofTag(host));
    const site = this.siteFor(host, origin);
    const now = this.clock.iso();
    const holds = outcome.kind === 'verified';
    this.put({
      ...site,
      origin,
      lastOutcome: outcome,
      verifiedAt: holds ? (site.verifiedAt ?? now) : undefined,
      lostAt: holds ? undefined : site.verifiedAt === undefined ? site.lostAt : now,
    });
    await this.save();
    return outcome;
  }

  /** Takes a map in and looks at it at once, as engines do; the pages in it get their turn on the next day. */
  async handIn(host: string, address: string): Promise<EngineSite> {
    const site = this.has(host) ? this.sites[host] : undefined;
    if (site?.verifiedAt === undefined) throw new RequestError('not-verified', host);
    if (new URL(address).host !== new URL(site.origin).host) throw new RequestError('foreign-map', address);
    const maps = [
      ...site.maps.filter((map) => map.address !== address),
      { address, handedInAt: this.clock.iso(), readAt: undefined, count: 0, problem: undefined },
    ];
    this.put(await crawlSite({ ...site, maps }, { fetch: this.fetch, policy: this.policy, now: this.clock.now(), visits: 0 }));
    await this.save();
    return this.siteView(host);
  }

  /** One day's work: every proven site is crawled, and its proof looked at again. */
  async day(): Promise<void> {
    const found = new Set<string>();
    for (const { host, origin } of this.finds()) {
      found.add(host);
      this.put({ ...this.siteFor(host, origin), origin });
    }
    for (const site of Object.values(this.sites)) {
      if (site.verifiedAt === undefined && !found.has(site.host)) continue;
      this.put({ ...site, ...(await crawlSite(site, { fetch: this.fetch, policy: this.policy, now: this.clock.now() })) });
      if (site.verifiedAt !== undefined) await this.verify(site.host, site.origin);
    }
    await this.save();
  }

  /** What the owner of a site is told. A site that the engine never heard of is told as empty. */
  siteView(host: string): EngineSite {
    const site = this.has(host) ? (this.sites[host] as Site) : this.siteFor(host, `https://${host}`);
    return {
      host,
      verifiedAt: site.verifiedAt,
      lastOutcome: site.lastOutcome,
      lostAt: site.lostAt,
      maps: site.maps,
      records: site.records.map(({ text: _text, lead: _lead, headings: _headings, description: _description, compared: _compared, ...row }) => row),
      robots: site.robots,
      days: site.days,
    };
  }

  /** Forgets a site as if it had never been heard of. */
  async forget(host: string): Promise<void> {
    this.sites = Object.fromEntries(Object.entries(this.sites).filter(([name]) => name !== host));
    await this.save();
  }

  search(query: string): ReturnType<typeof search> {
    return search(
      Object.values(this.sites).flatMap((site) => site.records),
      query,
    );
  }

  private has(host: string): boolean {
    return Object.hasOwn(this.sites, host);
  }

  private siteFor(host: string, origin: string): Site {
    return this.has(host) ? (this.sites[host] as Site) : { host, origin, maps: [], records: [], robots: undefined, days: [] };
  }

  private put(site: Site | CrawledSite): void {
    this.sites = { ...this.sites, [site.host]: site as Site };
  }

  private save(): Promise<void> {
    return this.store.write(this.policy.id, { version: 1, secret: this.secret, sites: this.sites });
  }
}

function proofIn(outcome: FetchOutcome, host: string, { name, content }: ProofTag): ProofOutcome {
  if (!outcome.ok) return { kind: 'not-live', detail: outcome.reason === 'no-such-host' ? 'no-such-host' : 'no-answer' };
  const last = outcome.redirects.at(-1);
  if (last !== undefined && new URL(last).host !== host) return { kind: 'elsewhere', redirectedTo: last };
  if (outcome.status !== 200) return { kind: 'refused', status: outcome.status };
  const facts = readAnswer({ ...outcome, redirectedTo: last, hops: outcome.redirects.length });
  return facts ? findProof(facts, name, content) : { kind: 'not-found' };
}
