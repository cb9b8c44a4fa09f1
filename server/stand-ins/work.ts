import type { FetchedMap, LiveAnswer, ProofTag } from '../../core/exchange/index.ts';
import { ENGINES, type EnginePolicy } from '../../core/engines/index.ts';
import { decodeBytes } from '../../core/source/index.ts';
import { readAnswer } from '../../core/indexing/index.ts';
import { findFile, findProof, findRecord, type ProofOutcome } from '../../core/ownership/index.ts';
import { FETCH_LIMITS, dnsResolve, dnsTexts, guardedFetch, realWorld, standInWorld, type Fetch, type FetchOutcome } from '../fetching/index.ts';
import { fetchMap, lookLive } from '../live.ts';
import { crawlSite, type CrawledSite } from './crawl.ts';

/** Which side of the world is looked at. */
export type Side = 'stand-in' | 'real';

/**
 * What takes the processor for long, or may: reading other people's pages, rules and maps. It is asked for in values that can be sent to another thread,
 * so that a page made to be slow holds up nobody's request.
 */
export interface Work {
  crawl(request: { readonly engine: string; readonly site: CrawledSite; readonly now: number; readonly visits?: number }): Promise<CrawledSite>;
  proof(request: {
    readonly engine: string;
    readonly host: string;
    readonly origin: string;
    readonly tag: ProofTag;
    readonly way: ProofWay;
  }): Promise<ProofOutcome>;
  live(request: { readonly side: Side; readonly address: string; readonly crawler: string; readonly now: number }): Promise<Omit<LiveAnswer, 'world'>>;
  map(request: { readonly side: Side; readonly address: string }): Promise<FetchedMap>;
}

/** The ways in which a proof can be placed. */
export type ProofWay = 'tag' | 'file' | 'txt';

/** Where the stand-ins listen: all that the work has to know of them. */
export interface Ports {
  readonly dns: number;
  readonly host: number;
}

/** How an engine's crawler calls itself. */
export const userAgent = ({ crawler }: EnginePolicy): string => `${crawler}/1.0 (stand-in engine)`;

/** Does the work where it is asked for. `ports` may be known only once the stand-ins listen; `real` looks at the real world, where there is one. */
export function workHere(ports: () => Ports, real?: Fetch): { readonly work: Work; readonly close: () => Promise<void> } {
  const closing: (() => Promise<void>)[] = [];
  const world = standInWorld(
    (host) => dnsResolve([`127.0.0.1:${ports().dns}`])(host),
    () => ports().host,
  );
  const fetcher = (name: string, redirects: number = FETCH_LIMITS.redirects): Fetch => {
    const made = guardedFetch(world, name, undefined, { ...FETCH_LIMITS, redirects });
    closing.push(made.close);
    return made.fetch;
  };
  const engines = new Map<string, { readonly policy: EnginePolicy; readonly fetch: Fetch }>(
    ENGINES.map((policy) => [policy.id, { policy, fetch: fetcher(userAgent(policy), policy.redirects) }]),
  );
  const outside = real === undefined ? guardedFetch(realWorld(), 'JollyBeacon') : undefined;
  if (outside) closing.push(outside.close);
  const sides: Readonly<Record<Side, Fetch>> = { 'stand-in': fetcher('JollyBeacon'), real: real ?? (outside as { fetch: Fetch }).fetch };
  const engineOf = (id: string): { readonly policy: EnginePolicy; readonly fetch: Fetch } => {
    const engine = engines.get(id);
    if (!engine) throw new RangeError(`no engine ${id}`);
    return engine;
  };
  return {
    work: {
      crawl: ({ engine, site, now, visits }) => crawlSite(site, { ...engineOf(engine), now, ...(visits === undefined ? {} : { visits }) }),
      proof: async ({ engine, host, origin, tag, way }) => {
        const { fetch } = engineOf(engine);
        const look: Readonly<Record<ProofWay, () => Promise<ProofOutcome>>> = {
          tag: async () => proofIn(await fetch(`${origin}/`), host, tag),
          file: async () => proofFile(await fetch(`${origin}/${tag.file.name}`), host, tag),
          txt: () => proofRecord(host, tag, [`127.0.0.1:${ports().dns}`]),
        };
        const asked = await look[way]();
        if (asked.kind === 'verified') return asked;
        // A proof in another way holds as well; what is told is about the way that was asked for.
        for (const other of (['tag', 'file', 'txt'] as const).filter((one) => one !== way))
          if ((await look[other]()).kind === 'verified') return { kind: 'verified' };
        return asked;
      },
      live: ({ side, address, crawler, now }) => lookLive({ fetch: sides[side], address, crawler, now }),
      map: ({ side, address }) => fetchMap(sides[side], address),
    },
    close: async () => {
      for (const close of closing) await close();
    },
  };
}

/** The domain of a host: records stand with it, whatever the site's own name is. */
const domainOf = (host: string): string => host.replace(/^www\./, '');

async function proofRecord(host: string, { record }: ProofTag, servers: readonly string[]): Promise<ProofOutcome> {
  const found = await dnsTexts(servers)(domainOf(host));
  return Array.isArray(found) ? findRecord(found, record) : { kind: 'no-record', detail: found as 'no-such-name' | 'none' | 'no-answer' };
}

function proofFile(outcome: FetchOutcome, host: string, { file }: ProofTag): ProofOutcome {
  if (!outcome.ok) return { kind: 'not-live', detail: outcome.reason === 'no-such-host' ? 'no-such-host' : 'no-answer' };
  const last = outcome.redirects.at(-1);
  if (last !== undefined && new URL(last).host !== host) return { kind: 'elsewhere', redirectedTo: last };
  if (outcome.status !== 200) return { kind: 'no-file', name: file.name, status: outcome.status };
  return findFile(file.name, decodeBytes(outcome.bytes, 'utf-8'), file.content);
}

function proofIn(outcome: FetchOutcome, host: string, { name, content }: ProofTag): ProofOutcome {
  if (!outcome.ok) return { kind: 'not-live', detail: outcome.reason === 'no-such-host' ? 'no-such-host' : 'no-answer' };
  const last = outcome.redirects.at(-1);
  if (last !== undefined && new URL(last).host !== host) return { kind: 'elsewhere', redirectedTo: last };
  if (outcome.status !== 200) return { kind: 'refused', status: outcome.status };
  const facts = readAnswer({ ...outcome, redirectedTo: last, hops: outcome.redirects.length });
  return facts ? findProof(facts, name, content) : { kind: 'not-found' };
}
