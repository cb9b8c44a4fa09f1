import type { FastifyInstance } from 'fastify';
import { ENGINES, type EngineId } from '../../core/engines/index.ts';
import { StandInClock } from './clock.ts';
import { StandInDns } from './dns.ts';
import { StandInHost } from './host.ts';
import { StandInEngine } from './engine.ts';
import { Crawls, TOKEN } from '../bringing/index.ts';
import { dnsResolve, guardedFetch, realWorld, standInWorld, type Fetch } from '../fetching/index.ts';
import { lockFolder } from './lock.ts';
import { Store } from './store.ts';
import { StandInZone } from './zone.ts';
import { workHere, type Ports, type Work } from './work.ts';

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
  private readonly sites: FastifyInstance;
  private readonly wantedPort: number;
  private readonly endWork: () => Promise<void>;
  private readonly closeFetches: () => Promise<void>;
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
    this.clock = new StandInClock(this.store, settings.now);
    this.host = new StandInHost(this.store, this.clock);
    this.zone = new StandInZone(this.store);
    this.dns = new StandInDns({
      addresses: (name) => (this.host.answers(name) ? ['127.0.0.1'] : undefined),
      records: (name) => this.zone.at(name),
    });
    const { work, close } = (settings.doWork ?? workHere)(() => ({ dns: this.dns.port, host: this.host.port }));
    this.work = work;
    this.endWork = close;
    this.engines = ENGINES.map(
      (policy) => new StandInEngine(this.store, this.clock, work, settings.randomText, policy, policy.needsProof ? undefined : () => this.host.hosted()),
    );
    const fetches = new Map<boolean, ReturnType<typeof guardedFetch>>();
    const fetchFor = (standIn: boolean): Fetch => {
      const world = standIn
        ? standInWorld(
            (host) => dnsResolve([`127.0.0.1:${this.dns.port}`])(host),
            () => this.host.port,
          )
        : realWorld();
      const made = fetches.get(standIn) ?? guardedFetch(world, TOKEN);
      fetches.set(standIn, made);
      return made.fetch;
    };
    this.closeFetches = async () => {
      for (const { close } of fetches.values()) await close();
    };
    this.crawls = new Crawls(
      (address) => ({
        fetch: fetchFor(this.host.answers(new URL(address).hostname)),
        now: settings.now,
        wait: (milliseconds) => new Promise((resolve) => setTimeout(resolve, milliseconds)),
      }),
      () =>
        settings
          .randomText()
          .replace(/[^\w-]/g, '')
          .slice(0, 40) || 'crawl',
    );
    this.sites = this.host.server();
    this.wantedPort = settings.hostPort ?? 0;
  }

  /** Finds the state of last time again and listens. Throws where another server is at work on it, or it cannot be read. */
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

  /** The engine of an id. */
  engine(id: EngineId): StandInEngine {
    const engine = this.engines.find(({ policy }) => policy.id === id);
    if (!engine) throw new RangeError(`no engine ${id}`);
    return engine;
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
    await this.closeFetches();
    await this.sites.close();
    await this.dns.close();
    await this.endWork();
    await this.unlock();
  }
}
