import type { FastifyInstance } from 'fastify';
import { PLOVER, SKERRY, type EnginePolicy } from '../../core/indexing/index.ts';
import { dnsResolve, FETCH_LIMITS, guardedFetch, standInWorld, type Fetch } from '../fetching/index.ts';
import { StandInClock } from './clock.ts';
import { StandInDns } from './dns.ts';
import { StandInHost } from './host.ts';
import { StandInEngine, userAgent } from './engine.ts';
import { Store } from './store.ts';

/** The outside world that ships with the program: a web host, DNS, two engines, and one clock, each speaking the real protocol on loopback. */
export class StandIns {
  readonly store: Store;
  readonly clock: StandInClock;
  readonly host: StandInHost;
  readonly dns: StandInDns;
  /** Skerry takes sites from owners who prove theirs. */
  readonly skerry: StandInEngine;
  /** Plover comes upon every hosted site by itself. */
  readonly plover: StandInEngine;
  /** Fetches as any visitor would, in the stand-ins' world. */
  readonly fetch: Fetch;
  private readonly sites: FastifyInstance;
  private readonly wantedPort: number;
  private readonly closing: (() => Promise<void>)[] = [];

  constructor(settings: { readonly folder: string; readonly now: () => number; readonly randomText: () => string; readonly hostPort?: number }) {
    this.store = new Store(settings.folder);
    this.clock = new StandInClock(this.store, settings.now);
    this.host = new StandInHost(this.store, this.clock);
    this.dns = new StandInDns({ addresses: (name) => (this.host.answers(name) ? ['127.0.0.1'] : undefined) });
    const resolve = (host: string): Promise<readonly string[]> => dnsResolve([`127.0.0.1:${this.dns.port}`])(host);
    const world = standInWorld(resolve, () => this.host.port);
    const visitor = guardedFetch(world, 'JollyBeacon');
    this.closing.push(visitor.close);
    this.fetch = visitor.fetch;
    const engine = (policy: EnginePolicy, finds?: () => readonly { host: string; origin: string }[]): StandInEngine => {
      const crawler = guardedFetch(world, userAgent(policy), undefined, { ...FETCH_LIMITS, redirects: policy.redirects });
      this.closing.push(crawler.close);
      return new StandInEngine(this.store, this.clock, crawler.fetch, settings.randomText, policy, finds);
    };
    this.skerry = engine(SKERRY);
    this.plover = engine(PLOVER, () => this.host.hosted());
    this.sites = this.host.server();
    this.wantedPort = settings.hostPort ?? 0;
  }

  get engines(): readonly StandInEngine[] {
    return [this.skerry, this.plover];
  }

  /** Finds the state of last time again and listens. */
  async open(): Promise<void> {
    await this.clock.open();
    await this.host.open();
    for (const engine of this.engines) await engine.open();
    await this.dns.listen();
    await this.sites.listen({ host: '127.0.0.1', port: this.wantedPort }).catch(() => this.sites.listen({ host: '127.0.0.1', port: 0 }));
    const address = this.sites.server.address();
    this.host.port = typeof address === 'object' && address !== null ? address.port : 0;
  }

  /** Moves the clock on and lets the engines work, day by day. */
  async advance(days: number): Promise<void> {
    for (let day = 0; day < days; day++) {
      await this.clock.advanceDay();
      for (const engine of this.engines) await engine.day();
    }
  }

  async close(): Promise<void> {
    await this.sites.close();
    await this.dns.close();
    for (const close of this.closing) await close();
  }
}
