import type { CrawlerToken } from '../../core/source/index.ts';
import { SKERRY, type EngineId } from '../../core/engines/index.ts';
import { z } from 'zod';
import {
  addressAnswer,
  dnsAnswer,
  nameAnswer,
  clockAnswer,
  demoStory,
  engineSite,
  errorAnswer,
  fetchedMap,
  hostedAnswer,
  hostedSite,
  liveAnswer,
  livePagesAnswer,
  missingAnswer,
  noticeAnswer,
  proofOutcome,
  proofStepsAnswer,
  proofTag,
  searchAnswer,
  seenAnswer,
  crawlTold,
  crawlBegun,
  crawlView,
  zoneAnswer,
  type CrawlLimits,
  type CrawlTold,
  type CrawlView,
  type ZoneRecord,
  type AddressAnswer,
  type DnsAnswer,
  type NameAnswer,
  type ClockAnswer,
  type DemoStory,
  type EngineSite,
  type FetchedMap,
  type HostedSite,
  type LiveAnswer,
  type LivePagesAnswer,
  type MissingAnswer,
  type NoticeAnswer,
  type SeenAnswer,
  type ProofTag,
  type Offline,
  type ReleaseRequest,
  type SearchAnswer,
} from '../../core/exchange/index.ts';
import type { ProofOutcome, ProofPiece, ProofStep } from '../../core/ownership/index.ts';

/** A request that the server refused, or that did not reach it. */
export class OutsideError extends Error {
  constructor(
    readonly code: string,
    message: string,
  ) {
    super(message);
  }
}

/** Everything outside of the browser: the stand-in host, the engines, the clock, and live looks. */
export interface Outside {
  demo(): Promise<{ story: DemoStory; zip: Uint8Array }>;
  /** Sets the demo's site back to its beginning, at the host and at the engines. */
  beginDemoAnew(): Promise<void>;
  clock(): Promise<ClockAnswer>;
  advance(days: number): Promise<ClockAnswer>;
  hosted(host: string): Promise<HostedSite | undefined>;
  missing(hashes: readonly string[]): Promise<MissingAnswer>;
  sendBytes(bundle: Blob): Promise<void>;
  release(host: string, request: ReleaseRequest): Promise<HostedSite>;
  /** Takes a hosted site offline; `null` takes it back. */
  setOffline(host: string, offline: Offline | null): Promise<HostedSite>;
  /** Leads a whole hosted site to another address; `null` takes that back. */
  setMoved(host: string, to: string | null): Promise<HostedSite>;
  /** Whether a name can be had at the stand-in host. */
  nameState(host: string): Promise<NameAnswer>;
  /** What name servers say. */
  dns(name: string, type: 'A' | 'AAAA' | 'CNAME' | 'TXT'): Promise<DnsAnswer>;
  /** What an engine can be asked; Skerry where none is named. */
  proofTag(host: string, engine?: EngineId): Promise<ProofTag>;
  verify(host: string, origin: string, way?: 'tag' | 'file' | 'txt', engine?: EngineId): Promise<ProofOutcome>;
  /** Looks for a proof at the site's main address, step by step, by really asking. */
  proofSteps(origin: string, piece: ProofPiece): Promise<readonly ProofStep[]>;
  /** The records of a domain in the stand-in zone; with `records`, after setting them. */
  zone(domain: string, records?: readonly ZoneRecord[]): Promise<readonly ZoneRecord[]>;
  handIn(host: string, address: string, engine?: EngineId): Promise<EngineSite>;
  /** Takes a map that was handed in back. */
  takeMapBack(host: string, address: string, engine: EngineId): Promise<EngineSite>;
  /** Puts addresses in line for a fresh visit. */
  visitSoon(host: string, addresses: readonly string[], engine: EngineId): Promise<EngineSite>;
  /** Tells the engines what the site is wished to be found for: what searchers type. */
  wishedFor(host: string, phrases: readonly string[]): Promise<void>;
  /** What searchers saw of the site and pressed. */
  seen(host: string, engine: EngineId): Promise<SeenAnswer>;
  /** One address as an engine knows it. */
  closely(address: string, engine: EngineId): Promise<AddressAnswer>;
  /** Tells a hub that a feed has changed (WebSub). */
  tellHub(told: { readonly hub: string; readonly topic: string }): Promise<NoticeAnswer>;
  /** Sends a notice of changes to an endpoint of the IndexNow protocol. */
  tell(notice: { readonly endpoint: string; readonly host: string; readonly key: string; readonly addresses: readonly string[] }): Promise<NoticeAnswer>;
  engineSite(host: string, engine?: EngineId): Promise<EngineSite>;
  /** A search; of its results those from the `from`th on, some at a time. */
  search(query: string, engine?: EngineId, from?: number): Promise<SearchAnswer>;
  /** Brings a site in from its address: begun, looked at, stopped, gone on with, fetched. */
  readonly crawl: {
    begin(address: string, limits?: Partial<CrawlLimits>): Promise<{ readonly id: string }>;
    view(id: string): Promise<CrawlView>;
    stop(id: string): Promise<CrawlView>;
    goOn(id: string): Promise<CrawlView>;
    files(id: string): Promise<CrawlTold & { readonly zip: Uint8Array }>;
  };
  /** How an address answers now, and what one crawler makes of it. */
  live(address: string, crawler?: CrawlerToken): Promise<LiveAnswer>;
  /** What pages of the site say right now, in the order of their addresses; 50 at most. */
  livePages(addresses: readonly string[]): Promise<LivePagesAnswer>;
  /** Fetches a map by its address. */
  map(address: string): Promise<FetchedMap>;
}

/** The server on this machine as the outside; `heard` is told at each request whether it answered. */
export function outsideOver(fetching: typeof fetch, heard: (there: boolean) => void = () => undefined): Outside {
  async function ask<T>(method: 'GET' | 'POST', path: string, schema: z.ZodType<T>, body?: unknown): Promise<T> {
    const content =
      body instanceof Blob
        ? { body, headers: { 'content-type': 'application/zip' } }
        : body === undefined
          ? {}
          : { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } };
    const response = await fetching(path, { method, ...content }).catch(() => {
      heard(false);
      throw new OutsideError('no-server', 'The program’s server does not answer. Is it still running? Nothing you wrote is lost.');
    });
    heard(true);
    if (!response.ok) {
      const parsed = errorAnswer.safeParse(await response.json().catch(() => undefined));
      throw parsed.success
        ? new OutsideError(parsed.data.error.code, parsed.data.error.message)
        : new OutsideError('broken', `The server answered ${response.status}.`);
    }
    const answer = schema.safeParse(await response.json().catch(() => undefined));
    if (!answer.success) throw new OutsideError('broken', 'The server answered something that makes no sense here.');
    return answer.data;
  }
  async function bytesOf(path: string): Promise<ArrayBuffer> {
    try {
      const response = await fetching(path);
      if (response.ok) return await response.arrayBuffer();
    } catch {
      // Said below, like an answer that is none.
    }
    throw new OutsideError('no-server', 'The program’s server does not answer. Is it still running? Nothing you wrote is lost.');
  }
  const query = (name: string, value: string): string => `?${name}=${encodeURIComponent(value)}`;
  return {
    async demo() {
      const [story, zip] = await Promise.all([ask('GET', '/api/demo', demoStory), bytesOf('/api/demo.zip')]);
      return { story, zip: new Uint8Array(zip) };
    },
    beginDemoAnew: async () => void (await ask('POST', '/api/demo/begin-anew', demoStory, {})),
    clock: () => ask('GET', '/api/clock', clockAnswer),
    advance: (days) => ask('POST', '/api/clock/advance', clockAnswer, { days }),
    hosted: async (host) => (await ask('GET', `/api/host/sites/${host}`, hostedAnswer)).site ?? undefined,
    missing: (hashes) => ask('POST', '/api/host/missing', missingAnswer, { hashes }),
    sendBytes: async (bundle) => void (await ask('POST', '/api/host/bytes', z.object({ kept: z.number() }), bundle)),
    setOffline: (host, offline) => ask('POST', `/api/host/sites/${host}/offline`, hostedSite, { offline }),
    setMoved: (host, to) => ask('POST', `/api/host/sites/${host}/moved`, hostedSite, { to }),
    nameState: (host) => ask('GET', `/api/names/${host}`, nameAnswer),
    dns: (name, type) => ask('GET', `/api/dns${query('name', name)}&type=${type}`, dnsAnswer),
    release: (host, request) => ask('POST', `/api/host/sites/${host}/releases`, hostedSite, request),
    proofTag: (host, engine: EngineId = SKERRY.id) => ask('GET', `/api/engines/${engine}/tags/${host}`, proofTag),
    verify: (host, origin, way = 'tag', engine: EngineId = SKERRY.id) =>
      ask('POST', `/api/engines/${engine}/verifications`, proofOutcome, { host, origin, way }),
    crawl: {
      begin: (address, limits = {}) => ask('POST', '/api/crawls', crawlBegun, { address, limits }),
      view: (id) => ask('GET', `/api/crawls/${id}`, crawlView),
      stop: (id) => ask('POST', `/api/crawls/${id}/stop`, crawlView, {}),
      goOn: (id) => ask('POST', `/api/crawls/${id}/go-on`, crawlView, {}),
      files: async (id) => {
        const [told, zip] = await Promise.all([ask('GET', `/api/crawls/${id}/told`, crawlTold), bytesOf(`/api/crawls/${id}/zip`)]);
        return { zip: new Uint8Array(zip), ...told };
      },
    },
    proofSteps: async (origin, { kind, name, content }) =>
      (await ask('POST', '/api/proofs/steps', proofStepsAnswer, { origin, piece: { kind, name, content } })).steps,
    zone: async (domain, records) =>
      (records ? await ask('POST', `/api/zone/${domain}`, zoneAnswer, { records }) : await ask('GET', `/api/zone/${domain}`, zoneAnswer)).records,
    handIn: (host, address, engine: EngineId = SKERRY.id) => ask('POST', `/api/engines/${engine}/sitemaps`, engineSite, { host, address }),
    takeMapBack: (host, address, engine) => ask('POST', `/api/engines/${engine}/sitemaps/taken-back`, engineSite, { host, address }),
    visitSoon: (host, addresses, engine) => ask('POST', `/api/engines/${engine}/visits`, engineSite, { host, addresses }),
    wishedFor: async (host, phrases) => void (await ask('POST', '/api/engines/phrases', z.object({}), { host, phrases })),
    seen: (host, engine) => ask('GET', `/api/engines/${engine}/seen/${host}`, seenAnswer),
    closely: (address, engine) => ask('GET', `/api/engines/${engine}/address${query('address', address)}`, addressAnswer),
    tellHub: (told) => ask('POST', '/api/hubs', noticeAnswer, told),
    tell: (notice) => ask('POST', '/api/notices', noticeAnswer, notice),
    engineSite: (host, engine: EngineId = SKERRY.id) => ask('GET', `/api/engines/${engine}/sites/${host}`, engineSite),
    search: (text, engine: EngineId = SKERRY.id, from = 0) => ask('GET', `/api/engines/${engine}/search${query('q', text)}&from=${from}`, searchAnswer),
    live: (address, crawler = SKERRY.crawler) => ask('GET', `/api/live${query('address', address)}&crawler=${encodeURIComponent(crawler)}`, liveAnswer),
    livePages: (addresses) => ask('POST', '/api/live-pages', livePagesAnswer, { addresses }),
    map: (address) => ask('GET', `/api/map${query('address', address)}`, fetchedMap),
  };
}
