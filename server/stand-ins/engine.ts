import { createHmac } from 'node:crypto';
import { z } from 'zod';
import { search } from '../../core/engine/index.ts';
import type { EngineSite, ProofTag } from '../../core/exchange/index.ts';
import type { EnginePolicy } from '../../core/engines/index.ts';
import type { ProofOutcome } from '../../core/ownership/index.ts';
import { RequestError } from '../errors.ts';
import type { StandInClock } from './clock.ts';
import type { CrawledSite } from './crawl.ts';
import type { Store } from './store.ts';
import type { ProofWay, Work } from './work.ts';

/** The name of an engine's proof tag. */
export const proofName = ({ id }: EnginePolicy): string => `${id}-proof`;

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
  title: z.string(),
  description: z.string(),
  headings: z.array(z.string()),
  lead: z.string(),
  text: z.string(),
  maxSnippet: z.number().optional(),
  compared: z.string().optional(),
  canonical: z.string().optional(),
  extras: z.looseObject({}).optional(),
});

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
  records: z.array(z.unknown()).transform((records) => records.flatMap((record) => recordSchema.safeParse(record).data ?? [])),
  limits: z.array(z.looseObject({ code: z.enum(['links', 'addresses']), address: z.string(), count: z.number() })).optional(),
  robots: z.looseObject({ fetchedAt: z.string(), status: z.number().optional() }).optional(),
  days: z.array(z.strictObject({ at: z.string(), visited: z.number(), listed: z.number() })),
});
const saved = z.strictObject({ version: z.literal(1), secret: z.string(), sites: z.record(z.string(), siteSchema) });
type Site = CrawledSite & {
  origin: string;
  verifiedAt?: string | undefined;
  lostAt?: string | undefined;
  lastOutcome?: ProofOutcome | undefined;
  way?: ProofWay | undefined;
};

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
    private readonly work: Pick<Work, 'crawl' | 'proof'>,
    private readonly randomText: () => string,
    readonly policy: EnginePolicy,
    /** Sites that it comes upon by itself; an engine that finds none waits for owners to prove theirs. */
    private readonly finds: () => readonly FoundSite[] = () => [],
  ) {}

  async open(): Promise<void> {
    const found = await this.store.read(this.policy.id, saved);
    this.secret = found?.secret ?? this.randomText();
    this.sites = (found?.sites ?? {}) as unknown as Record<string, Site>;
    if (!found) await this.save(this.sites);
  }

  /** The tag that proves a host. The same host always gets the same one. */
  proofTag(host: string): ProofTag {
    const content = createHmac('sha256', this.secret).update(host).digest('base64url');
    const name = proofName(this.policy);
    const file = {
      name: `${this.policy.id}-${content
        .replace(/[^A-Za-z0-9]/g, '')
        .slice(0, 12)
        .toLowerCase()}.html`,
      content: `${name}: ${content}`,
    };
    return { name, content, tag: `<meta name="${name}" content="${content}">`, file, record: `${name}=${content}` };
  }

  /** Looks for a proof: in the way that is asked for, then in the others. */
  async verify(host: string, origin: string, way: ProofWay = 'tag'): Promise<ProofOutcome> {
    const site = await this.looked({ ...this.siteFor(host, origin), way }, host, origin);
    await this.put(site);
    return site.lastOutcome as ProofOutcome;
  }

  /** The site after it was looked at for a proof. */
  private async looked(site: Site, host: string, origin: string): Promise<Site> {
    const outcome = await this.work.proof({ engine: this.policy.id, host, origin, tag: this.proofTag(host), way: site.way ?? 'tag' });
    const now = this.clock.iso();
    const holds = outcome.kind === 'verified';
    return {
      ...site,
      origin,
      lastOutcome: outcome,
      verifiedAt: holds ? (site.verifiedAt ?? now) : undefined,
      lostAt: holds ? undefined : site.verifiedAt === undefined ? site.lostAt : now,
    };
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
    await this.put(await this.crawled({ ...site, maps }, 0));
    return this.siteView(host);
  }

  private async crawled(site: Site, visits?: number): Promise<Site> {
    const crawl = await this.work.crawl({ engine: this.policy.id, site, now: this.clock.now(), ...(visits === undefined ? {} : { visits }) });
    return { ...site, ...crawl };
  }

  /** One day's work: every site that was ever proven is crawled, and its proof looked at again. A site that cannot be crawled today keeps what was known of it. */
  async day(): Promise<void> {
    const found = new Map(this.finds().map((site) => [site.host, site.origin]));
    const before = this.sites;
    const sites = { ...before };
    for (const [host, origin] of found) sites[host] = { ...this.siteFor(host, origin), origin };
    for (const [host, site] of Object.entries(sites)) {
      // Who lost the proof is no less on the list: the site is visited on, and the proof looked for.
      const proven = site.verifiedAt !== undefined || site.lostAt !== undefined;
      if (!proven && !found.has(host)) continue;
      const crawled = await this.crawled(site).catch(() => site);
      sites[host] = !proven ? crawled : await this.looked(crawled, host, site.origin).catch(() => crawled);
    }
    // What was proven or handed in while the day went on is newer than what the day began with.
    const newer = Object.entries(this.sites).filter(([host, site]) => before[host] !== site);
    await this.save({ ...sites, ...Object.fromEntries(newer) });
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
      limits: site.limits,
    };
  }

  /** Forgets a site as if it had never been heard of. */
  async forget(host: string): Promise<void> {
    await this.save(Object.fromEntries(Object.entries(this.sites).filter(([name]) => name !== host)));
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

  private put(site: Site): Promise<void> {
    return this.save({ ...this.sites, [site.host]: site });
  }

  /** Written first, known after: what could not be kept never was. */
  private async save(sites: Record<string, Site>): Promise<void> {
    await this.store.write(this.policy.id, { version: 1, secret: this.secret, sites });
    this.sites = sites;
  }
}
