import { isIP } from 'node:net';
import { Agent, request, type Dispatcher } from 'undici';
import { CODINGS, undoCodings } from './coding.ts';
import { dnsFailure, isLocalName } from './names.ts';
import { FETCH_LIMITS, type Fetch, type FetchFailure, type FetchOutcome, type Held, type Hop, type Resolve, type Send, type SentBody } from './fetcher.ts';

/** One side of the world: how names are resolved, which addresses may be spoken to, and where a connection really goes. */
export interface World {
  readonly resolve: Resolve;
  allows(ip: string): boolean;
  /** Scheme, host and port to connect to, for an address that resolved to `ip`. */
  target(address: URL, ip: string): { readonly origin: string; readonly pin: string | undefined };
}

class Failure extends Error {
  constructor(readonly reason: FetchFailure) {
    super(reason);
  }
}

/** Lets so many be at work at once; the others wait their turn, in order. */
class Turns {
  private working = 0;
  private readonly waiting: (() => void)[] = [];

  constructor(private readonly most: number) {}

  async take<T>(work: () => Promise<T>): Promise<T> {
    if (this.working >= this.most) await new Promise<void>((turn) => this.waiting.push(turn));
    else this.working++;
    try {
      return await work();
    } finally {
      const next = this.waiting.shift();
      // The place is handed on, not given back and fought for.
      if (next) next();
      else this.working--;
    }
  }
}

/**
 * Makes a fetch that is bounded in size, time and redirects and that resolves and checks every hop itself: the connection goes to the very
 * address that was checked, so a name that changes its mind in between gains nothing. Only so many are under way at once.
 */
export function guardedFetch(
  world: World,
  userAgent: string,
  clock: () => number = () => performance.now(),
  limits: { bytes: number; milliseconds: number; redirects: number; atOnce?: number } = FETCH_LIMITS,
): { fetch: Fetch; send: Send; close: () => Promise<void> } {
  const turns = new Turns(limits.atOnce ?? FETCH_LIMITS.atOnce);
  let pinned: { host: string; ip: string }[] = [];
  const agent = new Agent({
    connections: 8,
    connect: {
      lookup: (host, options, done) => {
        const ip = pinned.find((pin) => pin.host === host)?.ip ?? host;
        const family = isIP(ip);
        if (family === 0) done(new Error('not pinned'), '', 4);
        else if (options.all === true) (done as unknown as (error: null, all: { address: string; family: number }[]) => void)(null, [{ address: ip, family }]);
        else done(null, ip, family);
      },
    },
  });

  async function hop(address: URL, signal: AbortSignal, { sent, held }: { sent?: SentBody; held?: Held | undefined } = {}): Promise<Dispatcher.ResponseData> {
    const ip = await resolveAllowed(world, address.hostname);
    const { origin, pin } = world.target(address, ip);
    if (pin !== undefined) pinned = [{ host: pin, ip }, ...pinned.filter((other) => other.host !== pin)].slice(0, 64);
    return request(`${origin}${address.pathname}${address.search}`, {
      dispatcher: agent,
      signal,
      ...(sent === undefined ? {} : { method: 'POST', body: 'json' in sent ? sent.json : new URLSearchParams(sent.form).toString() }),
      headers: {
        ...(sent === undefined ? {} : { 'content-type': 'json' in sent ? 'application/json; charset=utf-8' : 'application/x-www-form-urlencoded' }),
        host: address.host,
        'user-agent': userAgent,
        accept: 'text/html,application/xhtml+xml,*/*;q=0.5',
        'accept-encoding': CODINGS,
        'x-forwarded-proto': address.protocol.slice(0, -1),
        ...(held?.etag === undefined ? {} : { 'if-none-match': held.etag }),
        ...(held?.modified === undefined ? {} : { 'if-modified-since': held.modified }),
      },
    });
  }

  const sendOnce: Send = async (address, sent) => {
    const stop = AbortSignal.timeout(limits.milliseconds);
    try {
      const response = await hop(httpAddress(address), stop, { sent });
      await response.body.dump();
      return { ok: true, status: response.statusCode };
    } catch (error) {
      return { ok: false, reason: failureOf(error, stop) };
    }
  };

  const once = async (address: string, held: Held | undefined, follow: (to: URL) => boolean): Promise<FetchOutcome> => {
    const started = clock();
    const redirects: string[] = [];
    const hops: Hop[] = [];
    const stop = AbortSignal.timeout(limits.milliseconds);
    try {
      let current = httpAddress(address);
      for (;;) {
        // What is held is held of this address, not of where it leads.
        const response = await hop(current, stop, { held: redirects.length === 0 ? held : undefined });
        const location = response.headers['location'];
        hops.push({ address: current.href, status: response.statusCode });
        if ([301, 302, 303, 307, 308].includes(response.statusCode) && typeof location === 'string') {
          await response.body.dump();
          if (redirects.length >= limits.redirects) throw new Failure('too-many-redirects');
          current = httpAddress(location, current.href);
          if (hops.some((hop) => hop.address === current.href)) throw new Failure('redirect-loop');
          if (!follow(current)) throw new Failure('not-followed');
          redirects.push(current.href);
          continue;
        }
        const headers = headerLists(response.headers);
        const plain = await undoCodings(await readBounded(response.body, limits.bytes), headers['content-encoding']?.join(','), limits.bytes);
        if (!plain.ok) throw new Failure(plain.reason);
        return {
          ok: true,
          status: response.statusCode,
          headers,
          bytes: plain.bytes,
          redirects,
          hops,
          milliseconds: Math.round(clock() - started),
        };
      }
    } catch (error) {
      return { ok: false, reason: failureOf(error, stop), redirects, hops } satisfies FetchOutcome;
    }
  };
  const fetch: Fetch = (address, held, follow = () => true) => turns.take(() => once(address, held, follow));
  const send: Send = (address, sent) => turns.take(() => sendOnce(address, sent));
  return { fetch, send, close: () => agent.close() };
}

const failureOf = (error: unknown, stop: AbortSignal): FetchFailure =>
  error instanceof Failure ? error.reason : stop.aborted ? 'timeout' : (error as { code?: string }).code === 'ECONNREFUSED' ? 'refused' : 'no-answer';

function httpAddress(address: string, base?: string): URL {
  if (!URL.canParse(address, base)) throw new Failure('bad-address');
  const url = new URL(address, base);
  if (url.protocol !== 'http:' && url.protocol !== 'https:') throw new Failure('bad-address');
  if (url.username !== '' || url.password !== '') throw new Failure('bad-address');
  return url;
}

async function resolveAllowed(world: World, hostname: string): Promise<string> {
  const bare = hostname.replace(/^\[|\]$/g, '');
  if (isLocalName(bare)) throw new Failure('private-address');
  const all = isIP(bare) !== 0 ? [bare] : await resolved(world, hostname);
  const [first] = all;
  if (first === undefined) throw new Failure('no-such-host');
  if (!all.every((ip) => world.allows(ip))) throw new Failure('private-address');
  return first;
}

/** None where the name servers say that there is none; that nobody answers is told apart, for then nobody knows. */
async function resolved(world: World, hostname: string): Promise<readonly string[]> {
  try {
    return await world.resolve(hostname);
  } catch (error) {
    if (dnsFailure(error) === 'no-answer') throw new Failure('no-answer');
    return [];
  }
}

async function readBounded(body: AsyncIterable<Uint8Array>, most: number): Promise<Uint8Array> {
  const parts: Uint8Array[] = [];
  let size = 0;
  for await (const part of body) {
    size += part.length;
    if (size > most) throw new Failure('too-large');
    parts.push(part);
  }
  return Buffer.concat(parts, size);
}

function headerLists(headers: Record<string, string | string[] | undefined>): Record<string, readonly string[]> {
  return Object.fromEntries(
    Object.entries(headers).flatMap(([name, value]) => (value === undefined ? [] : [[name.toLowerCase(), Array.isArray(value) ? value : [value]]])),
  );
}
