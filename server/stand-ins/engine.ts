import { createHmac } from 'node:crypto';
import { queriesFor, SearchIndex, seenOn, toldUntil, turnsOfTheDay, type EngineEvent, type Found, type Seen } from '../../core/engine/index.ts';
import type { EngineSite, ProofTag, SeenAnswer } from '../../core/exchange/index.ts';
import { ENGINES, type EngineId, type EnginePolicy } from '../../core/engines/index.ts';
import { isFreeName } from '../../core/site/index.ts';
import { isAddressVariant } from '../../core/source/index.ts';
import type { ProofOutcome } from '../../core/ownership/index.ts';
import { RequestError } from '../errors.ts';
import type { StandInClock } from './clock.ts';
import { savedEngine, withEvents, type EngineSiteState as Site } from './engine-site.ts';
import { SALTMERE } from './saltmere.ts';
import type { Store } from './store.ts';
import type { ProofWay, Work } from './work.ts';

/** The name of an engine's proof tag. */
export const proofName = ({ id }: EnginePolicy): string => `${id}-proof`;

/** A site that an engine comes upon by itself. */
export interface FoundSite {
  readonly host: string;
  readonly origin: string;
}

const DAYS_SEEN = 90;
const QUEUE = 5_000;

/** A stand-in search engine: proofs, maps, daily crawls, an index to search, searchers. It knows the world only through `fetch`. */
export class StandInEngine {
  private sites: Record<string, Site> = {};
  private secret = '';
  private index: SearchIndex | undefined;

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
    const found = await this.store.read(this.policy.id, savedEngine);
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
    // A name that a host lends to anybody is nobody's own.
    if (this.policy.needsProof && isFreeName(host)) throw new RequestError('own-domain', host);
    const site = await this.looked({ ...this.siteFor(host, origin), way }, host, origin);
    await this.put(site);
    return site.lastOutcome as ProofOutcome;
  }

  /** The site after it was looked at for a proof. */
  private async looked(site: Site, host: string, origin: string): Promise<Site> {
    const outcome = await this.work.proof({ engine: this.policy.id, host, origin, tag: this.proofTag(host), way: site.way ?? 'tag' });
    const at = this.clock.iso();
    const holds = outcome.kind === 'verified';
    const held = site.verifiedAt !== undefined;
    return withEvents(
      {
        ...site,
        origin,
        lastOutcome: outcome,
        verifiedAt: holds ? (site.verifiedAt ?? at) : undefined,
        lostAt: holds ? undefined : held ? at : site.lostAt,
      },
      ...(holds === held ? [] : [{ at, code: holds ? ('proved' as const) : ('proof-lost' as const) }]),
    );
  }

  /** Takes a map in and looks at it at once, as engines do; the pages in it get their turn on the next day. */
  async handIn(host: string, address: string): Promise<EngineSite> {
    const site = this.proven(host);
    if (new URL(address).host !== new URL(site.origin).host) throw new RequestError('foreign-map', address);
    const at = this.clock.iso();
    const maps = [...site.maps.filter((map) => map.address !== address), { address, handedInAt: at, readAt: undefined, count: 0, problem: undefined }];
    const crawled = await this.crawled({ ...site, maps }, 0);
    const read = crawled.maps.find((map) => map.address === address);
    await this.put(withEvents(crawled, { at, code: 'map-handed-in', address, count: read?.count ?? 0, problem: read?.problem }));
    return this.siteView(host);
  }

  /** Takes a map that was handed in back; what became known by it stays known. */
  async takeBack(host: string, address: string): Promise<EngineSite> {
    const site = this.proven(host);
    const map = site.maps.find((one) => one.address === address && one.named !== true);
    if (map)
      await this.put(
        withEvents({ ...site, maps: site.maps.filter((one) => one !== map) }, { at: this.clock.iso(), code: 'map-taken-back', address, count: map.count }),
      );
    return this.siteView(host);
  }

  private proven(host: string): Site {
    const site = this.has(host) ? this.sites[host] : undefined;
    if (site?.verifiedAt === undefined) throw new RequestError('not-verified', host);
    return site;
  }

  /** Puts addresses of a site in line for a fresh visit; those that wait already keep their place. `told`: by a change notice, which counts for no allowance. */
  async visitSoon(host: string, addresses: readonly string[], told = false): Promise<EngineSite> {
    const site = told ? this.siteFor(host, this.originOf(host)) : this.known(host);
    const foreign = addresses.find((address) => !isAddressVariant(new URL(address).host, host));
    if (foreign !== undefined) throw new RequestError('foreign-address', foreign);
    const at = this.clock.iso();
    const fresh = new Set(addresses.map((address) => new URL(address).href));
    const queue = (site.queue ?? []).filter(({ address }) => !fresh.has(address) || !told);
    const waiting = new Set(queue.map(({ address }) => address));
    const added = [...fresh].filter((address) => !waiting.has(address)).map((address) => ({ address, at, ...(told ? { told } : {}) }));
    if (queue.length + added.length > QUEUE && !told) throw new RequestError('queue-full', String(QUEUE));
    const all = [...queue, ...added].slice(-2 * QUEUE);
    await this.put(
      withEvents(
        { ...site, queue: all, ...(told ? { notices: [...this.noticesToday(site), at] } : {}) },
        ...(added.length === 0 ? [] : [{ at, code: told ? ('told' as const) : ('asked' as const), count: added.length }]),
      ),
    );
    return this.siteView(host);
  }

  /** How many change notices came for a site within a day. */
  noticesFor(host: string): number {
    return this.noticesToday(this.siteFor(host, '')).length;
  }

  private noticesToday(site: Site): string[] {
    return (site.notices ?? []).filter((at) => this.clock.now() - Date.parse(at) < 86_400_000);
  }

  /** The phrases that a site's owner wants it to be found for: what searchers type, beside what its pages are called. */
  async wishedFor(host: string, phrases: readonly string[]): Promise<void> {
    const site = this.siteFor(host, this.originOf(host));
    if (JSON.stringify(site.phrases ?? []) !== JSON.stringify(phrases)) await this.put({ ...site, phrases });
  }

  private originOf(host: string): string {
    return this.finds().find((site) => site.host === host)?.origin ?? `https://${host}`;
  }

  private known(host: string): Site {
    const site = this.has(host) ? this.sites[host] : undefined;
    if (site === undefined || (this.policy.needsProof && site.verifiedAt === undefined)) throw new RequestError('not-verified', host);
    return site;
  }

  private async crawled(site: Site, visits?: number): Promise<Site> {
    const asked = visits === 0 ? [] : turnsOfTheDay(site.queue ?? [], this.policy.freshVisits);
    const { log, seen, phrases, queue = [], ...sent } = site;
    const crawl = await this.work.crawl({
      engine: this.policy.id,
      site: sent,
      now: this.clock.now(),
      ...(visits === undefined ? {} : { visits }),
      ...(asked.length === 0 ? {} : { asked: asked.map(({ address }) => address) }),
    });
    const had = new Set(asked.map(({ address }) => address));
    const was = site.robots?.status;
    const turned = site.robots !== undefined && crawl.robots !== undefined && was !== crawl.robots.status;
    return withEvents(
      { ...sent, log, seen, phrases, ...crawl, queue: queue.filter(({ address }) => !had.has(address)) },
      ...(turned ? [{ at: this.clock.iso(), code: 'robots' as const, status: crawl.robots?.status, was }] : []),
    );
  }

  /** One day's work: every site that was ever proven is crawled, and its proof looked at again. A site that cannot be crawled today keeps what was known of it. */
  async day(): Promise<void> {
    const found = new Map(this.finds().map((site) => [site.host, site.origin]));
    const before = this.sites;
    const sites = { ...before };
    for (const [host, origin] of found) sites[host] = { ...this.siteFor(host, origin), origin };
    const visited: string[] = [];
    for (const [host, site] of Object.entries(sites)) {
      // Who lost the proof is no less on the list: the site is visited on, and the proof looked for.
      const proven = site.verifiedAt !== undefined || site.lostAt !== undefined;
      if (!proven && !found.has(host)) continue;
      visited.push(host);
      const crawled = await this.crawled(site).catch(() => site);
      sites[host] = proven ? await this.looked(crawled, host, site.origin).catch(() => crawled) : crawled;
    }
    // What was proven or handed in while the day went on is newer than what the day began with.
    for (const [host, site] of Object.entries(this.sites)) if (before[host] !== site) sites[host] = site;
    const index = indexOf(sites, engineIdOf(this.policy));
    for (const host of visited) sites[host] = this.searchedFor(sites[host] as Site, host, index);
    await this.save(sites, index);
  }

  /** A site after a day of searchers. */
  private searchedFor(site: Site, host: string, index: SearchIndex): Site {
    if (!site.records.some(({ outcome }) => outcome === 'listed' || outcome === 'bare')) return site;
    const at = this.clock.iso();
    const today = seenOn(at.slice(0, 10), host, queriesFor(site.records, site.phrases ?? []), index);
    const oldest = new Date(this.clock.now() - DAYS_SEEN * 86_400_000).toISOString().slice(0, 10);
    const seen = [...(site.seen ?? []).filter(({ day }) => day > oldest && day !== at.slice(0, 10)), ...today];
    return withEvents({ ...site, seen }, ...firsts(site, today, at));
  }

  /** What the owner of a site is told. A site that the engine never heard of is told as empty. */
  siteView(host: string): EngineSite {
    const site = this.siteFor(host, `https://${host}`);
    return {
      host,
      verifiedAt: site.verifiedAt,
      lastOutcome: site.lastOutcome,
      lostAt: site.lostAt,
      maps: site.maps,
      records: site.records.map(({ text: _text, lead: _lead, headings: _headings, description: _description, compared: _compared, got, ...row }) => ({
        ...row,
        ...(got ? { bytes: got.bytes, milliseconds: got.milliseconds } : {}),
      })),
      robots: site.robots,
      days: site.days,
      limits: site.limits,
      log: site.log ?? [],
      queue: site.queue ?? [],
    };
  }

  /** All that is known of one address; undefined where nothing is. */
  record(address: string): Site['records'][number] | undefined {
    const { host } = new URL(address);
    return this.has(host) ? this.sites[host]?.records.find((record) => record.address === address) : undefined;
  }

  /** What searchers saw of a site, as far as it is counted. */
  seen(host: string): SeenAnswer {
    const until = toldUntil(this.clock.now());
    return { until, rows: (this.siteFor(host, '').seen ?? []).filter(({ day }) => day <= until) };
  }

  /** Forgets a site as if it had never been heard of. */
  async forget(host: string): Promise<void> {
    await this.save(Object.fromEntries(Object.entries(this.sites).filter(([name]) => name !== host)));
  }

  /** Answers a query with some of its results, from the `from`th on. */
  search(query: string, from = 0): Found {
    this.index ??= indexOf(this.sites, engineIdOf(this.policy));
    return this.index.search(query, { from });
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
  private async save(sites: Record<string, Site>, index?: SearchIndex): Promise<void> {
    await this.store.write(this.policy.id, { version: 1, secret: this.secret, sites });
    if (index !== undefined || Object.keys(sites).some((host) => sites[host]?.records !== this.sites[host]?.records)) this.index = index;
    this.sites = sites;
  }
}

/** Which of the engines a policy is of. */
const engineIdOf = ({ id }: EnginePolicy): EngineId => ENGINES.find((engine) => engine.id === id)?.id ?? ENGINES[0].id;

/** All that an engine lists: the sites it crawls, and the town around them. */
function indexOf(sites: Readonly<Record<string, Site>>, engine: EngineId): SearchIndex {
  return new SearchIndex([...Object.values(sites).flatMap(({ records }) => records), ...SALTMERE], engine);
}

/** That a site was seen, or pressed, for the first time. */
function firsts({ seen = [] }: Site, today: readonly Seen[], at: string): EngineEvent[] {
  const event = (code: 'first-seen' | 'first-click', row: Seen | undefined): EngineEvent[] =>
    row === undefined ? [] : [{ at, code, query: row.query, address: row.address, position: row.position }];
  const clicked = today.filter(({ clicks }) => clicks > 0).sort((a, b) => b.clicks - a.clicks)[0];
  return [
    ...(seen.length > 0 ? [] : event('first-seen', [...today].sort((a, b) => b.seen - a.seen)[0])),
    ...(seen.some(({ clicks }) => clicks > 0) ? [] : event('first-click', clicked)),
  ];
}
