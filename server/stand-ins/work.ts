import type { FetchedMap, LiveAnswer, PageResource, ProofTag } from '../../core/exchange/index.ts';
import { ENGINES, type EnginePolicy } from '../../core/engines/index.ts';
import { decodeBytes, type CrawlerToken } from '../../core/source/index.ts';
import { readAnswer } from '../../core/indexing/index.ts';
import { findFile, findProof, findRecord, type ProofOutcome, type ProofPiece, type ProofStep } from '../../core/ownership/index.ts';
import { recordsDomain } from '../../core/site/index.ts';
import { FETCH_LIMITS, dnsTexts, guardedFetch, type Fetch, type FetchOutcome } from '../fetching/index.ts';
import type { LivePage } from '../../core/release/index.ts';
import { sift, type Answered, type Sifted } from '../bringing/sift.ts';
import { livePages, PAUSE } from '../live-pages.ts';
import { fetchMap, lookAtResources, lookLive } from '../live.ts';
import { crawlSite, type CrawledSite } from './crawl.ts';
import { answeredSteps } from './proof-steps.ts';
import { bothSides, standInSide, type Ports, type Side } from './sides.ts';

/**
 * What takes the processor for long, or may: reading other people's pages, rules and maps. It is asked for in values that can be sent to another thread,
 * so that a page made to be slow holds up nobody's request.
 */
export interface Work {
  crawl(request: {
    readonly engine: string;
    readonly site: CrawledSite;
    readonly now: number;
    readonly visits?: number;
    readonly asked?: readonly string[];
  }): Promise<CrawledSite>;
  proof(request: {
    readonly engine: string;
    readonly host: string;
    readonly origin: string;
    readonly tag: ProofTag;
    readonly way: ProofWay;
  }): Promise<ProofOutcome>;
  /** What a site's host answers of a tag or a file, step by step. */
  proofSteps(request: { readonly side: Side; readonly origin: string; readonly piece: ProofPiece }): Promise<readonly ProofStep[]>;
  live(request: { readonly side: Side; readonly address: string; readonly crawler: CrawlerToken; readonly now: number }): Promise<Omit<LiveAnswer, 'world'>>;
  /** What pages of a site say right now. */
  pages(request: { readonly side: Side; readonly addresses: readonly string[] }): Promise<readonly LivePage[]>;
  /** The files that a page needs to be shown, and which of them a crawler cannot have. */
  resources(request: { readonly address: string; readonly crawler: CrawlerToken; readonly html: string }): Promise<readonly PageResource[]>;
  /** An engine's own look at one address. */
  look(request: { readonly engine: string; readonly address: string }): Promise<FetchOutcome>;
  map(request: { readonly side: Side; readonly address: string }): Promise<FetchedMap>;
  /** What an answer of a site that is brought in leads to. */
  sift(answer: Answered): Promise<Sifted>;
}

/** The ways in which a proof can be placed. */
export type ProofWay = 'tag' | 'file' | 'txt';

/** How an engine's crawler calls itself. */
export const userAgent = ({ crawler }: EnginePolicy): string => `${crawler}/1.0 (stand-in engine)`;

/** Does the work where it is asked for. `ports` may be known only once the stand-ins listen; `real` looks at the real world, where there is one. */
export function workHere(ports: () => Ports, real?: Fetch): { readonly work: Work; readonly close: () => Promise<void> } {
  const sides = bothSides(ports, real);
  const closing: (() => Promise<void>)[] = [sides.close];
  const world = standInSide(ports);
  const fetcher = (name: string, redirects: number): Fetch => {
    const made = guardedFetch(world, name, undefined, { ...FETCH_LIMITS, redirects });
    closing.push(made.close);
    return made.fetch;
  };
  const engines = new Map<string, { readonly policy: EnginePolicy; readonly fetch: Fetch }>(
    ENGINES.map((policy) => [policy.id, { policy, fetch: fetcher(userAgent(policy), policy.redirects) }]),
  );
  const engineOf = (id: string): { readonly policy: EnginePolicy; readonly fetch: Fetch } => {
    const engine = engines.get(id);
    if (!engine) throw new RangeError(`no engine ${id}`);
    return engine;
  };
  return {
    work: {
      crawl: ({ engine, site, now, visits, asked }) =>
        crawlSite(site, { ...engineOf(engine), now, ...(visits === undefined ? {} : { visits }), ...(asked === undefined ? {} : { asked }) }),
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
      proofSteps: ({ side, origin, piece }) => answeredSteps(sides.fetches[side], origin, piece),
      live: ({ side, address, crawler, now }) => lookLive({ fetch: sides.fetches[side], address, crawler, now }),
      pages: ({ side, addresses }) =>
        livePages({
          fetch: sides.fetches[side],
          addresses,
          wait: () => (side === 'real' ? new Promise((done) => setTimeout(done, PAUSE)) : Promise.resolve()),
        }),
      resources: ({ address, crawler, html }) => lookAtResources({ fetch: sides.fetches['stand-in'], address, crawler, html }),
      look: ({ engine, address }) => engineOf(engine).fetch(address),
      map: ({ side, address }) => fetchMap(sides.fetches[side], address),
      sift: async (answer) => sift(answer),
    },
    close: async () => {
      for (const close of closing) await close();
    },
  };
}

/** Names whose records prove a host: its own without `www`, and each above it up to the domain that was registered. */
function provingNames(host: string): string[] {
  const domain = recordsDomain(host);
  const names = [host.replace(/^www\./, '')];
  while (names.at(-1) !== domain && names.at(-1)?.endsWith(`.${domain}`)) names.push((names.at(-1) as string).replace(/^[^.]*\./, ''));
  return names;
}

async function proofRecord(host: string, { record }: ProofTag, servers: readonly string[]): Promise<ProofOutcome> {
  const texts = dnsTexts(servers);
  const outcomes: ProofOutcome[] = [];
  for (const name of provingNames(host)) {
    const found = await texts(name);
    const outcome: ProofOutcome = typeof found === 'string' ? { kind: 'no-record', detail: found } : findRecord(found, record);
    if (outcome.kind === 'verified') return outcome;
    outcomes.push(outcome);
  }
  // What is told is about the nearest name that says anything.
  return outcomes.find(({ kind }) => kind === 'other-records') ?? (outcomes.at(-1) as ProofOutcome);
}

function proofFile(outcome: FetchOutcome, host: string, { file }: ProofTag): ProofOutcome {
  const reached = answerAt(outcome, host);
  if ('kind' in reached) return reached;
  if (reached.status !== 200) return { kind: 'no-file', name: file.name, status: reached.status };
  return findFile(file.name, decodeBytes(reached.bytes, 'utf-8'), file.content);
}

function proofIn(outcome: FetchOutcome, host: string, { name, content }: ProofTag): ProofOutcome {
  const reached = answerAt(outcome, host);
  if ('kind' in reached) return reached;
  if (reached.status !== 200) return { kind: 'refused', status: reached.status };
  const facts = readAnswer({ ...reached, redirectedTo: reached.redirects.at(-1), hops: reached.redirects.length });
  return facts ? findProof(facts, name, content) : { kind: 'not-found' };
}

/** What a host itself answered; a proof outcome where it did not, or led to another one. */
function answerAt(outcome: FetchOutcome, host: string): Extract<FetchOutcome, { ok: true }> | ProofOutcome {
  if (!outcome.ok) return { kind: 'not-live', detail: outcome.reason === 'no-such-host' ? 'no-such-host' : 'no-answer' };
  const last = outcome.redirects.at(-1);
  return last !== undefined && new URL(last).host !== host ? { kind: 'elsewhere', redirectedTo: last } : outcome;
}
