import { errorAnswer, type ClockAnswer, type EngineSite, type HostedAnswer, type HostedSite, type LiveAnswer, type MissingAnswer, type ProofTag, type ReleaseRequest, type SearchAnswer } from '../../core/exchange/index.ts';
import type { IndexRecord } from '../../core/engine/index.ts';
import type { ProofOutcome } from '../../core/ownership/index.ts';

/** A request that the server refused, or that did not reach it. */
export class OutsideError extends Error {
  constructor(
    readonly code: string,
    message: string,
  ) {
    super(message);
  }
}

/** Everything outside of the browser: the stand-in host, Skerry, the clock, and live looks. */
export interface Outside {
  demo(): Promise<{ story: DemoStory; zip: Uint8Array }>;
  /** Sets the demo's site back to its beginning, at the host and at Skerry. */
  beginDemoAnew(): Promise<void>;
  clock(): Promise<ClockAnswer>;
  advance(days: number): Promise<ClockAnswer>;
  hosted(host: string): Promise<HostedSite | undefined>;
  missing(hashes: readonly string[]): Promise<MissingAnswer>;
  sendBytes(bundle: Blob): Promise<void>;
  release(host: string, request: ReleaseRequest): Promise<HostedSite>;
  proofTag(host: string): Promise<ProofTag>;
  verify(host: string, origin: string): Promise<ProofOutcome>;
  handIn(host: string, address: string): Promise<EngineSite>;
  engineSite(host: string): Promise<EngineSite>;
  search(query: string): Promise<SearchAnswer>;
  record(address: string): Promise<IndexRecord>;
  live(address: string): Promise<LiveAnswer>;
}

/** What the demo says of itself. */
export interface DemoStory {
  readonly host: string;
  readonly origin: string;
  readonly releasedAt: string;
  readonly releaseNumber: number;
  readonly notReleased: readonly string[];
}

/** The server on this machine as the outside. */
export function outsideOver(fetching: typeof fetch): Outside {
  async function ask<T>(method: 'GET' | 'POST', path: string, body?: unknown): Promise<T> {
    const content = body instanceof Blob ? { body, headers: { 'content-type': 'application/zip' } } : body === undefined ? {} : { body: JSON.stringify(body), headers: { 'content-type': 'application/json' } };
    const response = await fetching(path, { method, ...content }).catch(() => {
      throw new OutsideError('no-server', 'The program’s server does not answer. Is it still running? Nothing you wrote is lost.');
    });
    if (!response.ok) {
      const parsed = errorAnswer.safeParse(await response.json().catch(() => undefined));
      throw parsed.success ? new OutsideError(parsed.data.error.code, parsed.data.error.message) : new OutsideError('broken', `The server answered ${response.status}.`);
    }
    return response.json() as Promise<T>;
  }
  const query = (name: string, value: string): string => `?${name}=${encodeURIComponent(value)}`;
  return {
    async demo() {
      const [story, zip] = await Promise.all([ask<DemoStory>('GET', '/api/demo'), fetching('/api/demo.zip').then((response) => response.arrayBuffer())]);
      return { story, zip: new Uint8Array(zip) };
    },
    beginDemoAnew: async () => void (await ask('POST', '/api/demo/begin-anew', {})),
    clock: () => ask('GET', '/api/clock'),
    advance: (days) => ask('POST', '/api/clock/advance', { days }),
    hosted: async (host) => (await ask<HostedAnswer>('GET', `/api/host/sites/${host}`)).site ?? undefined,
    missing: (hashes) => ask('POST', '/api/host/missing', { hashes }),
    sendBytes: async (bundle) => void (await ask('POST', '/api/host/bytes', bundle)),
    release: (host, request) => ask('POST', `/api/host/sites/${host}/releases`, request),
    proofTag: (host) => ask('GET', `/api/skerry/tags/${host}`),
    verify: (host, origin) => ask('POST', '/api/skerry/verifications', { host, origin }),
    handIn: (host, address) => ask('POST', '/api/skerry/sitemaps', { host, address }),
    engineSite: (host) => ask('GET', `/api/skerry/sites/${host}`),
    search: (text) => ask('GET', `/api/skerry/search${query('q', text)}`),
    record: (address) => ask('GET', `/api/skerry/records${query('address', address)}`),
    live: (address) => ask('GET', `/api/live${query('address', address)}`),
  };
}
