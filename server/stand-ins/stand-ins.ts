import type { FastifyInstance } from 'fastify';
import { engineHost, ENGINES, type EngineId } from '../../core/engines/index.ts';
import type { AddressAnswer, DnsAnswer } from '../../core/exchange/index.ts';
import { answerText } from '../../core/indexing/index.ts';
import type { ProofPiece, ProofStep } from '../../core/ownership/index.ts';
import { HOST_ADDRESS, HOST_NAME, recordsDomain } from '../../core/site/index.ts';
import { dnsRecords, isPublicAddress, nameServers } from '../fetching/index.ts';
import { StandInClock } from './clock.ts';
import { SERVERS, StandInDns } from './dns.ts';
import { StandInHost } from './host.ts';
import { StandInEngine } from './engine.ts';
import { Crawls, rememberHost, sweepMemory, type Memory } from '../bringing/index.ts';
import { lockFolder } from './lock.ts';
import { takeNotices } from './notices.ts';
import { addressStep, recordSteps } from './proof-steps.ts';
import { Store } from './store.ts';
import { StandInZone } from './zone.ts';
import type { Send } from '../fetching/index.ts';
import { bothSides, type Ports, type Side } from './sides.ts';
import { workHere, type Work } from './work.ts';

/** Most of a page's source that is sent along, in characters. */
const HTML_SHOWN = 1_000_000;

/** The outside world that ships with the program: a web host, DNS, two engines, and one clock, each speaking the real protocol on loopback. */
export class StandIns {
  readonly store: Store;
  readonly clock: StandInClock;
  readonly host: StandInHost;
  readonly dns: StandInDns;
  readonly zone: StandInZone;
  /** Sites that are being brought in from their addresses, of either world. */
  readonly crawls: Crawls;
  readonly engines: readonly StandInEngine[];
  /** What takes long, here or in a thread of its own. */
  readonly work: Work;
  /** Sends a change notice to either side of the world. */
  readonly sends: Readonly<Record<Side, Send>>;
  /** What crawls remember of hosts. */
  private readonly crawled: Store;
  private swept: Promise<unknown> | undefined;
  private readonly sites: FastifyInstance;
  private readonly wantedPort: number;
  private readonly endWork: () => Promise<void>;
  private readonly closeSides: () => Promise<void>;
  private unlock: () => Promise<void> = async () => undefined;

  constructor(
    private readonly settings: {
      readonly folder: string;
      readonly now: () => number;
      readonly randomText: () => string;
      readonly hostPort?: number;
      /** How the work is done: where it is asked for, unless said otherwise. */
      readonly doWork?: (ports: () => Ports) => { readonly work: Work; readonly close: () => Promise<void> };
    },
  ) {
    this.store = new Store(settings.folder);
    this.crawled = this.store.room('crawled');
    this.clock = new StandInClock(this.store, settings.now);
    this.host = new StandInHost(this.store, this.clock);
    this.zone = new StandInZone(this.store, () => this.clock.now());
    this.dns = new StandInDns({
      addresses: (name) => (this.answers(name) || name === HOST_NAME || this.isNameServer(name) ? [HOST_ADDRESS] : undefined),
      isDomain: (name) => this.isDomain(name),
      records: (name) => this.zone.at(name),
      exists: (name) => this.zone.exists(name),
    });
    const ports = (): Ports => ({ dns: this.dns.port, host: this.host.port });
    const { work, close } = (settings.doWork ?? workHere)(ports);
    this.work = work;
    this.endWork = close;
    this.engines = ENGINES.map(
      (policy) => new StandInEngine(this.store, this.clock, work, settings.randomText, policy, policy.needsProof ? undefined : () => this.host.hosted()),
    );
    const sides = bothSides(ports);
    this.closeSides = sides.close;
    this.sends = sides.sends;
    this.crawls = new Crawls(
      (address) => ({
        fetch: sides.fetches[this.sideOf(address)],
        now: settings.now,
        sift: (answer) => this.work.sift(answer),
        memory: (host) => this.memoryOf(host),
        wait: (milliseconds) => new Promise((resolve) => setTimeout(resolve, milliseconds)),
      }),
      () =>
        settings
          .randomText()
          .replace(/[^\w-]/g, '')
          .slice(0, 40) || 'crawl',
    );
    this.sites = this.host.server();
    takeNotices(this.sites, this.engines, (engine, address) => this.work.look({ engine, address }));
    this.wantedPort = settings.hostPort ?? 0;
  }

  /** Finds the state of last time again and listens. Throws where another server is at work on it, or it cannot be read. */
  /** What is remembered of a host that is crawled; what nobody names any more goes before the first is asked. */
  private async memoryOf(host: string): Promise<Memory> {
    await (this.swept ??= sweepMemory(this.crawled).catch(() => 0));
    return rememberHost(this.crawled, host);
  }

  async open(): Promise<void> {
    this.unlock = await lockFolder(this.settings.folder);
    await this.store.sweep();
    await this.clock.open();
    await this.host.open();
    await this.zone.open();
    for (const engine of this.engines) await engine.open();
    await this.dns.listen();
    await this.sites.listen({ host: '127.0.0.1', port: this.wantedPort }).catch(() => this.sites.listen({ host: '127.0.0.1', port: 0 }));
    const address = this.sites.server.address();
    this.host.port = typeof address === 'object' && address !== null ? address.port : 0;
  }

  /** Asks the name servers of a name's side of the world, over real packets, and tells what resolvers may still hold. */
  async askDns(name: string, type: 'A' | 'AAAA' | 'CNAME' | 'TXT'): Promise<DnsAnswer> {
    const standIn = this.isStandIn(name);
    const answer = await dnsRecords(standIn ? [`127.0.0.1:${this.dns.port}`] : undefined)(name, type);
    const held = standIn ? this.zone.formerAt(name, type) : [];
    return {
      world: standIn ? 'stand-in' : 'real',
      ...answer,
      ...(held.length > 0 ? { former: held.map(({ values, until }) => ({ values, until: new Date(until).toISOString() })) } : {}),
    };
  }

  private isStandIn(name: string): boolean {
    return this.answers(name) || this.zone.at(name).length > 0 || name.endsWith('.example');
  }

  /** Whether a name is a domain with name servers here. */
  private isDomain(name: string): boolean {
    return recordsDomain(name) === name && (this.answers(name) || this.zone.exists(name));
  }

  private isNameServer(name: string): boolean {
    const [first = '', ...rest] = name.split('.');
    return SERVERS.includes(first) && this.isDomain(rest.join('.'));
  }

  /** Looks for a proof at a site's main address, step by step, at its host and its name servers. */
  async proofSteps(origin: string, piece: ProofPiece): Promise<readonly ProofStep[]> {
    const host = new URL(origin).hostname;
    const ask = (name: string, type: 'A' | 'AAAA' | 'CNAME' | 'TXT'): Promise<DnsAnswer> => this.askDns(name, type);
    if (piece.kind === 'txt' || piece.kind === 'cname') {
      const domain = recordsDomain(host);
      const servers = this.isStandIn(domain)
        ? await nameServers(domain, { via: [`127.0.0.1:${this.dns.port}`], port: this.dns.port, allows: (ip) => ip === HOST_ADDRESS })
        : await nameServers(domain, { allows: isPublicAddress });
      return recordSteps(host, piece, servers, ask);
    }
    const [addresses, answered] = await Promise.all([addressStep(host, ask), this.work.proofSteps({ side: this.sideOf(origin), origin, piece })]);
    return [...addresses, ...answered];
  }

  /** Which side of the world an address is on: a stand-in host's, or the real one. */
  sideOf(address: string): Side {
    return this.answers(new URL(address).hostname) ? 'stand-in' : 'real';
  }

  /** Whether a name is one of the stand-ins': a hosted site's, or an engine's own. */
  private answers(name: string): boolean {
    return this.host.answers(name) || ENGINES.some((engine) => engineHost(engine) === name);
  }

  /** The engine of an id. */
  engine(id: EngineId): StandInEngine {
    const engine = this.engines.find(({ policy }) => policy.id === id);
    if (!engine) throw new RangeError(`no engine ${id}`);
    return engine;
  }

  /** One address as an engine knows it. What it got is still here where the host still has it. */
  async closely(id: EngineId, address: string): Promise<AddressAnswer> {
    const engine = this.engine(id);
    const record = engine.record(address);
    if (record === undefined) return { resources: [] };
    const bytes = record.got && (await this.store.bytes(record.got.hash));
    const isPage = /html/i.test(record.got?.headers['content-type']?.[0] ?? '');
    const html = bytes && isPage ? answerText({ bytes, headers: record.got?.headers ?? {} }) : undefined;
    const resources = html === undefined ? [] : await this.work.resources({ address, crawler: engine.policy.crawler, html });
    return { record, ...(html === undefined ? {} : { html: html.slice(0, HTML_SHOWN) }), resources };
  }

  /** Moves the clock on and lets the engines work, day by day. */
  async advance(days: number): Promise<void> {
    for (let day = 0; day < days; day++) {
      await this.clock.advanceDay();
      for (const engine of this.engines) await engine.day();
    }
  }

  /** Frees the folder for another server: for when there is no time to close in order. */
  free(): Promise<void> {
    return this.unlock();
  }

  async close(): Promise<void> {
    this.crawls.close();
    await this.closeSides();
    await this.sites.close();
    await this.dns.close();
    await this.endWork();
    await this.unlock();
  }
}
