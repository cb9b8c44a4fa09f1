import { fileForAddress } from '../../core/ledger/index.ts';
import { mayFetch } from '../../core/indexing/index.ts';
import { addressOf } from '../../core/site/index.ts';
import { isAddressVariant, pathAndQuery, plainAddress } from '../../core/source/index.ts';
import { MISSED, MOST_CRAWLED, type Missed, type CrawlLimits, type CrawlTold, type CrawlView } from '../../core/exchange/index.ts';
import { OWN_NAME, type Fetch, type FetchFailure, type FetchOutcome } from '../fetching/index.ts';
import { readMap } from '../stand-ins/maps.ts';
import { accessFor, readRobots, type Rules } from '../stand-ins/rules.ts';
import { assetPath, isTrap, retryAfter } from './crawled-address.ts';
import { NO_MEMORY, type Memory } from './memory.ts';
import type { Answered, Sifted } from './sift.ts';

/** Requests at a time, and milliseconds between two of one line; a crawl delay of the site's goes before, within bounds. */
const AT_ONCE = 2;
const PAUSE = 250;
const LONGEST_PAUSE = 10_000;
/** Seconds that a host is left alone at most when it asks for time; it may be asked to go on later. */
const LONGEST_REST = 300;
/** Tries of an address whose host fails. */
const TRIES = 2;
/** Addresses that wait at most, and queries of one path: traps of endless addresses end there. */
const MOST_WAITING = 20_000;
const MOST_QUERIES = 40;
const MOST_MAPS = 20;
/** Answers that wait to be read at most. */
const MOST_READING = 16;
const TOLD = 50;

/** What is told of an address that could not even be begun with. */
const BEGINNINGS: Partial<Record<FetchFailure, NonNullable<CrawlView['reason']>>> = {
  'private-address': 'not-allowed',
  'no-such-host': 'no-such-host',
  'not-followed': 'elsewhere',
};

/** A file as it came in: under the name it gets, its bytes, path and query of its address where no file answers at such a one, and what its headers said. */
export interface CrawledFile {
  readonly bytes: Uint8Array;
  readonly address: string | undefined;
  /** `X-Robots-Tag`, as it was sent. */
  readonly tags: readonly string[];
  readonly language: string | undefined;
  /** A header names its own address as the main one. */
  readonly canonical: boolean;
  /** `Last-Modified`, in milliseconds since 1970. */
  readonly modified: number | undefined;
}

interface Waiting {
  readonly address: string;
  readonly depth: number;
  readonly tries: number;
}

/** What the crawl needs of the world. */
export interface CrawlEffects {
  readonly fetch: Fetch;
  /** Milliseconds since 1970. */
  readonly now: () => number;
  readonly wait: (milliseconds: number) => Promise<void>;
  /** Reads an answer for what it leads to. */
  readonly sift: (answer: Answered) => Promise<Sifted>;
  /** What is remembered of a host from earlier times. */
  readonly memory?: (host: string) => Promise<Memory>;
}

/** What one go leaves out and the next can have. */
const GONE_ON_WITH = ['depth', 'number'] as const satisfies readonly Missed[];

/** Brings a site in from its address, politely: robots.txt first, then what maps name and links lead to, the same site only, two at a time with a pause. It can be stopped and goes on where it was. */
export class SiteCrawl {
  readonly files = new Map<string, CrawledFile>();
  private readonly seen = new Set<string>();
  private readonly queries = new Map<string, number>();
  private waiting: Waiting[] = [];
  private rules: Rules | undefined;
  private host: string;
  private origin: string;
  private state: CrawlView['state'] = 'running';
  private reason: CrawlView['reason'];
  private readonly troubles: { address: string; what: string }[] = [];
  private counts = { pages: 0, bytes: 0, forbidden: 0, scripted: 0, troubles: 0, unchanged: 0, respelled: 0 };
  /** Addresses that are not here, each once. */
  private readonly missed: Readonly<Record<Missed, Set<string>>> = {
    depth: new Set(),
    number: new Set(),
    queries: new Set(),
    size: new Set(),
    failed: new Set(),
  };
  private memory = NO_MEMORY;
  private readonly reading = new Set<Promise<void>>();
  /** What was here when this go began: each go has its own time, pages and bytes, within what one site may have at all. */
  private before = { pages: 0, bytes: 0 };
  /** Until when the host asked to be left alone; by the clock of the effects. */
  private rests = 0;
  private latest: string[] = [];

  constructor(
    readonly start: string,
    private readonly limits: CrawlLimits,
    private readonly effects: CrawlEffects,
  ) {
    ({ host: this.host, origin: this.origin } = new URL(start));
  }

  /** Goes on until everything is here, a limit is reached, or it is stopped. */
  async run(): Promise<void> {
    const { now } = this.effects;
    const from = now();
    this.state = 'running';
    this.reason = undefined;
    this.before = { pages: this.counts.pages, bytes: this.counts.bytes };
    try {
      if (!this.rules && !(await this.begin())) return;
      if (this.waiting.length === 0) this.takeUp();
      await Promise.all(Array.from({ length: AT_ONCE }, () => this.line(from)));
      const left = this.missing();
      const more = GONE_ON_WITH.find((why) => left[why] > 0);
      if (more) this.end(more);
      if (this.isRunning()) this.state = 'done';
    } finally {
      await Promise.allSettled(this.reading);
      // What cannot be written down is asked for again next time.
      await this.memory.save().catch(() => undefined);
    }
  }

  /** Puts what a go left out for its limits in line for the next: as many links further, and what had no room. */
  private takeUp(): void {
    for (const why of GONE_ON_WITH) {
      const left = [...this.missed[why]];
      this.missed[why].clear();
      for (const address of left) this.learn(address, Math.min(1, this.limits.depth));
    }
  }

  stop(): void {
    if (this.state === 'running') this.state = 'stopped';
  }

  view(): CrawlView {
    return {
      state: this.state,
      ...(this.reason === undefined ? {} : { reason: this.reason }),
      host: this.host,
      ...this.counts,
      files: this.files.size,
      waiting: this.waiting.length,
      missing: this.missing(),
      latest: this.latest,
      examples: this.troubles,
    };
  }

  /** How many are missing, by why. What is too far from one page may be near another. */
  private missing(): CrawlView['missing'] {
    for (const address of this.missed.depth) if (this.seen.has(address)) this.missed.depth.delete(address);
    return Object.fromEntries(MISSED.map((why) => [why, this.missed[why].size])) as CrawlView['missing'];
  }

  private miss(why: Missed, address: string): void {
    if (this.missed[why].size < MOST_WAITING) this.missed[why].add(address);
  }

  /** What the files themselves do not tell: addresses that are not those that hosts give a file of that name, and `X-Robots-Tag` headers. */
  told(): CrawlTold {
    const all = [...this.files];
    return {
      origin: this.origin,
      files: [...this.files.keys()],
      addresses: Object.fromEntries(all.flatMap(([path, { address }]) => (address === undefined ? [] : [[path, address]]))),
      tags: Object.fromEntries(all.flatMap(([path, { tags }]) => (tags.length === 0 ? [] : [[path, [...tags]]]))),
      languages: Object.fromEntries(all.flatMap(([path, { language }]) => (language === undefined ? [] : [[path, language]]))),
      canonicals: all.flatMap(([path, { canonical }]) => (canonical ? [path] : [])),
    };
  }

  /** Finds out where the site is, what it forbids, and what its maps name. */
  private async begin(): Promise<boolean> {
    const { fetch } = this.effects;
    const first = await fetch(this.start, undefined, (to) => isAddressVariant(to.host, this.host));
    if (!first.ok) return this.fail(BEGINNINGS[first.reason] ?? 'no-answer');
    const led = new URL(first.redirects.at(-1) ?? this.start);
    if (!isAddressVariant(led.host, this.host)) return this.fail('elsewhere');
    this.host = led.host;
    this.origin = led.origin;
    this.rules = await readRobots(fetch, led.origin, OWN_NAME);
    if (this.rules.kind === 'unreachable') {
      this.rules = undefined;
      return this.fail('robots');
    }
    this.memory = (await this.effects.memory?.(this.host).catch(() => undefined)) ?? NO_MEMORY;
    this.learn(plainAddress(led.href) ?? led.href, 0);
    this.learn(`${led.origin}/`, 0);
    const named = this.rules.kind === 'read' ? this.rules.sitemaps : [];
    for (const map of [...new Set([...named, `${led.origin}/sitemap.xml`])].slice(0, MOST_MAPS)) {
      if (!URL.canParse(map) || new URL(map).host !== this.host) continue;
      const { addresses } = await readMap({ fetch, rules: this.rules, host: this.host, most: MOST_MAPS }, map);
      for (const address of addresses) this.learn(plainAddress(address) ?? address, 1);
    }
    for (const file of ['/robots.txt', '/sitemap.xml', '/favicon.ico']) this.learn(led.origin + file, 1);
    return true;
  }

  private fail(reason: NonNullable<CrawlView['reason']>): false {
    this.state = 'failed';
    this.reason = reason;
    return false;
  }

  /** Asked anew each time: it may be stopped in between. */
  private isRunning(): boolean {
    return this.state === 'running';
  }

  /** One of the lines in which requests go out, one after the other. */
  private async line(from: number): Promise<void> {
    const { now, wait } = this.effects;
    let idle = 0;
    while (this.isRunning()) {
      if (now() - from > this.limits.seconds * 1000) return this.end('seconds');
      const next = this.waiting.shift();
      if (!next) {
        if (this.reading.size > 0) {
          await Promise.race(this.reading);
          continue;
        }
        // The other line may be about to find more.
        if (++idle > 2) return;
        await wait(PAUSE);
        continue;
      }
      idle = 0;
      // A host that asks for time gets it, from all lines: it is the host that is busy, not the page.
      const rest = this.rests - now();
      if (rest > 0) {
        this.waiting.unshift(next);
        await wait(Math.min(rest, LONGEST_PAUSE));
        continue;
      }
      await this.take(next);
      await wait(this.pause());
    }
  }

  private pause(): number {
    const delay = this.rules?.kind === 'read' ? (this.rules.delay ?? 0) * 1000 : 0;
    return Math.min(LONGEST_PAUSE, Math.max(PAUSE, delay));
  }

  /** Ends a go at what is too much for it; that comes first when it is gone on with. */
  private leave(at: URL, depth: number, reason: 'pages' | 'bytes'): void {
    this.waiting.unshift({ address: at.href, depth, tries: 0 });
    this.end(reason);
  }

  private end(reason: NonNullable<CrawlView['reason']>): void {
    if (!this.isRunning()) return;
    this.state = 'stopped';
    this.reason = reason;
  }

  private async take(one: Waiting): Promise<void> {
    const url = new URL(one.address);
    if (!mayFetch(accessFor(this.rules as Rules, pathAndQuery(url)))) {
      this.counts.forbidden++;
      return;
    }
    const outcome = await this.ask(one.address);
    if (!outcome.ok && outcome.reason === 'not-followed') {
      if (!outcome.elsewhere) this.counts.forbidden++;
      return;
    }
    if (!outcome.ok && outcome.reason === 'too-large') this.miss('size', one.address);
    if (outcome.ok && (outcome.status === 429 || outcome.status === 503)) {
      const seconds = retryAfter(outcome.headers['retry-after']?.[0], this.effects.now());
      this.rests = Math.max(this.rests, this.effects.now() + Math.min(seconds, LONGEST_REST) * 1000);
    }
    if (!outcome.ok || outcome.status >= 500 || outcome.status === 429) {
      if (one.tries < TRIES) this.waiting.push({ ...one, tries: one.tries + 1 });
      else {
        if (outcome.ok || outcome.reason !== 'too-large') this.miss('failed', one.address);
        this.trouble(one.address, outcome.ok ? String(outcome.status) : outcome.reason);
      }
      return;
    }
    const at = new URL(outcome.redirects.at(-1) ?? one.address);
    if (at.host !== this.host) return;
    if (outcome.redirects.length > 0) {
      const known = plainAddress(at.href) ?? at.href;
      if (this.seen.has(known) && known !== one.address) return;
      this.seen.add(known);
    }
    if (outcome.status !== 200) {
      // What is guessed is not missed.
      if (one.depth > 0 && !/\/(?:robots\.txt|sitemap\.xml|favicon\.ico)$/.test(url.pathname)) this.trouble(one.address, String(outcome.status));
      return;
    }
    // While it is read the next one is asked for, as long as not too many wait to be read.
    while (this.reading.size >= MOST_READING) await Promise.race(this.reading);
    const reading: Promise<void> = this.keep(at, outcome, one.depth).finally(() => this.reading.delete(reading));
    this.reading.add(reading);
  }

  /** Asks for an address; where it was had before, whether that still holds. */
  private async ask(address: string): Promise<FetchOutcome & { readonly held?: boolean; readonly elsewhere?: boolean }> {
    const { fetch } = this.effects;
    let elsewhere = false;
    // Redirects are gone after on this host alone, where its rules let this program go: another host was never asked whether it may.
    const mayFollow = (to: URL): boolean => {
      elsewhere = to.host !== this.host;
      return !elsewhere && mayFetch(accessFor(this.rules as Rules, pathAndQuery(to)));
    };
    const known = this.memory.of(address);
    const outcome = await fetch(address, known, mayFollow);
    if (!outcome.ok || outcome.status !== 304) {
      if (outcome.ok && outcome.status === 200 && outcome.redirects.length === 0) await this.memory.keep(address, outcome).catch(() => undefined);
      return { ...outcome, elsewhere };
    }
    const held = await known?.answer();
    if (!held) return fetch(address, undefined, mayFollow);
    return { ...outcome, held: true, status: 200, bytes: held.bytes, headers: { ...held.headers, ...outcome.headers } };
  }

  private async keep(
    at: URL,
    { status, headers, bytes, held }: Extract<FetchOutcome, { ok: true }> & { readonly held?: boolean },
    depth: number,
  ): Promise<void> {
    const sifted = await this.effects.sift({ address: at.href, status, headers, bytes }).catch(() => undefined);
    // A page that takes for ever to read is left out, and told.
    if (!sifted) return this.trouble(at.href, 'unreadable');
    const path = sifted.isPage ? fileForAddress(at.href) : assetPath(at);
    // The other line may have brought the same file meanwhile.
    if (path === undefined || this.files.has(path)) return;
    if (sifted.isPage && this.counts.pages >= Math.min(MOST_CRAWLED.pages, this.before.pages + this.limits.pages)) {
      return this.leave(at, depth, 'pages');
    }
    if (this.counts.bytes + bytes.length > Math.min(MOST_CRAWLED.bytes, this.before.bytes + this.limits.bytes)) {
      return this.leave(at, depth, 'bytes');
    }
    const modified = Date.parse(headers['last-modified']?.[0] ?? '');
    const { respelled, language, canonical = false } = sifted.unsaid;
    if (respelled) this.counts.respelled++;
    this.files.set(path, {
      bytes: respelled ?? bytes,
      language,
      canonical,
      address: sifted.isPage && addressOf(path) !== pathAndQuery(at) ? pathAndQuery(at) : undefined,
      tags: headers['x-robots-tag'] ?? [],
      modified: Number.isNaN(modified) ? undefined : modified,
    });
    this.counts.bytes += bytes.length;
    if (held) this.counts.unchanged++;
    this.latest = [pathAndQuery(at), ...this.latest].slice(0, 5);
    for (const address of sifted.shown) this.learn(address, depth);
    if (!sifted.isPage) return;
    this.counts.pages++;
    if (sifted.scripted) this.counts.scripted++;
    for (const address of sifted.links) {
      if (depth < this.limits.depth) this.learn(address, depth + 1);
      else if (!this.seen.has(address) && this.urlHere(address)) this.miss('depth', address);
    }
  }

  /** An address of this site that is worth asking for; undefined for any other. */
  private urlHere(address: string): URL | undefined {
    const url = URL.canParse(address) ? new URL(address) : undefined;
    return url?.host === this.host && !isTrap(url) ? url : undefined;
  }

  /** Puts an address of this site in line, once. It is in plain spelling. */
  private learn(address: string, depth: number): void {
    // Most links of a page lead to where others did: nothing is made of those.
    const url = this.seen.has(address) ? undefined : this.urlHere(address);
    if (!url) return;
    if (url.search !== '') {
      const count = (this.queries.get(url.pathname) ?? 0) + 1;
      this.queries.set(url.pathname, count);
      if (count > MOST_QUERIES) return this.miss('queries', address);
    }
    if (this.waiting.length >= MOST_WAITING) return this.miss('number', address);
    this.seen.add(address);
    this.waiting.push({ address, depth, tries: 1 });
  }

  private trouble(address: string, what: string): void {
    this.counts.troubles++;
    if (this.troubles.length < TOLD) this.troubles.push({ address, what });
  }
}
