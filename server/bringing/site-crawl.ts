import { fileForAddress } from '../../core/ledger/index.ts';
import { mayFetch, readAnswer } from '../../core/indexing/index.ts';
import { baseAddress, shownFiles } from '../../core/page/index.ts';
import { addressOf } from '../../core/site/index.ts';
import { isAddressVariant, pathAndQuery, plainAddress } from '../../core/source/index.ts';
import type { CrawlLimits, CrawlView } from '../../core/exchange/index.ts';
import { OWN_NAME, type Fetch, type FetchOutcome } from '../fetching/index.ts';
import { readMap } from '../stand-ins/maps.ts';
import { accessFor, readRobots, type Rules } from '../stand-ins/rules.ts';

/** Requests at a time, and milliseconds between two of one line; a crawl delay of the site's goes before, within bounds. */
const AT_ONCE = 2;
const PAUSE = 250;
const LONGEST_PAUSE = 10_000;
/** Tries of an address whose host fails. */
const TRIES = 2;
/** Addresses that wait at most, and queries of one path: traps of endless addresses end there. */
const MOST_WAITING = 20_000;
const MOST_QUERIES = 40;
const MOST_MAPS = 20;
const TOLD = 50;
/** Text below which a page with scripts is one that scripts make. */
const HARDLY_ANY_WORDS = 12;

/** A file as it came in: under the name it gets, its bytes, and path and query of its address where no file answers at such a one. */
export interface CrawledFile {
  readonly bytes: Uint8Array;
  readonly address: string | undefined;
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
}

/** Brings a site in from its address, politely: robots.txt first, then what maps name and links lead to, the same site only, two at a time with a pause. It can be stopped and goes on where it was. */
export class SiteCrawl {
  readonly files = new Map<string, CrawledFile>();
  private readonly seen = new Set<string>();
  private readonly queries = new Map<string, number>();
  private waiting: Waiting[] = [];
  private rules: Rules | undefined;
  private host: string;
  private state: CrawlView['state'] = 'running';
  private reason: CrawlView['reason'];
  private readonly troubles: { address: string; what: string }[] = [];
  private counts = { pages: 0, bytes: 0, forbidden: 0, scripted: 0, left: 0, troubles: 0 };
  private spent = 0;
  private latest: string[] = [];

  constructor(
    readonly start: string,
    private readonly limits: CrawlLimits,
    private readonly effects: CrawlEffects,
  ) {
    this.host = new URL(start).host;
  }

  /** Goes on until everything is here, a limit is reached, or it is stopped. */
  async run(): Promise<void> {
    const { now } = this.effects;
    const from = now();
    this.state = 'running';
    this.reason = undefined;
    try {
      if (!this.rules && !(await this.begin())) return;
      await Promise.all(Array.from({ length: AT_ONCE }, () => this.line(from)));
      if (this.isRunning()) this.state = 'done';
    } finally {
      this.spent += now() - from;
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
      latest: this.latest,
      examples: this.troubles,
    };
  }

  /** Files whose address is not the one that hosts give a file of that name. */
  addresses(): Readonly<Record<string, string>> {
    return Object.fromEntries([...this.files].flatMap(([path, { address }]) => (address === undefined ? [] : [[path, address]])));
  }

  /** Finds out where the site is, what it forbids, and what its maps name. */
  private async begin(): Promise<boolean> {
    const { fetch } = this.effects;
    const first = await fetch(this.start);
    if (!first.ok) return this.fail('no-answer');
    const led = new URL(first.redirects.at(-1) ?? this.start);
    if (!isAddressVariant(led.host, this.host)) return this.fail('elsewhere');
    this.host = led.host;
    this.rules = await readRobots(fetch, led.origin, OWN_NAME);
    if (this.rules.kind === 'unreachable') {
      this.rules = undefined;
      return this.fail('robots');
    }
    this.learn(led.href, 0);
    this.learn(`${led.origin}/`, 0);
    const named = this.rules.kind === 'read' ? this.rules.sitemaps : [];
    for (const map of [...new Set([...named, `${led.origin}/sitemap.xml`])].slice(0, MOST_MAPS)) {
      if (!URL.canParse(map) || new URL(map).host !== this.host) continue;
      const { addresses } = await readMap({ fetch, rules: this.rules, host: this.host, most: MOST_MAPS }, map);
      for (const address of addresses) this.learn(address, 1);
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
      if (this.spent + now() - from > this.limits.seconds * 1000) return this.end('seconds');
      const next = this.waiting.shift();
      if (!next) {
        // The other line may be about to find more.
        if (++idle > 2) return;
        await wait(PAUSE);
        continue;
      }
      idle = 0;
      await this.take(next);
      await wait(this.pause());
    }
  }

  private pause(): number {
    const delay = this.rules?.kind === 'read' ? (this.rules.delay ?? 0) * 1000 : 0;
    return Math.min(LONGEST_PAUSE, Math.max(PAUSE, delay));
  }

  private end(reason: 'pages' | 'bytes' | 'seconds'): void {
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
    const outcome = await this.effects.fetch(one.address);
    if (!outcome.ok || outcome.status >= 500 || outcome.status === 429) {
      if (one.tries < TRIES) this.waiting.push({ ...one, tries: one.tries + 1 });
      else this.trouble(one.address, outcome.ok ? String(outcome.status) : outcome.reason);
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
    this.keep(at, outcome, one.depth);
  }

  private keep(at: URL, outcome: Extract<FetchOutcome, { ok: true }>, depth: number): void {
    const facts = readAnswer({ ...outcome, redirectedTo: undefined, hops: outcome.hops.length });
    const path = facts ? fileForAddress(at.href) : assetPath(at);
    if (path === undefined || this.files.has(path)) return;
    if (facts && this.counts.pages >= this.limits.pages) {
      this.counts.left++;
      return this.end('pages');
    }
    if (this.counts.bytes + outcome.bytes.length > this.limits.bytes) {
      this.counts.left++;
      return this.end('bytes');
    }
    const address = facts && addressOf(path) !== pathAndQuery(at) ? pathAndQuery(at) : undefined;
    this.files.set(path, { bytes: outcome.bytes, address });
    this.counts.bytes += outcome.bytes.length;
    this.latest = [pathAndQuery(at), ...this.latest].slice(0, 5);
    if (!facts) return;
    this.counts.pages++;
    if (facts.wordCount < HARDLY_ANY_WORDS && facts.scripts.length > 0) this.counts.scripted++;
    const base = baseAddress(facts, at.href);
    for (const { address, kind } of shownFiles(facts, at.href)) if (kind !== 'frame') this.learn(address, depth);
    for (const { rel, href } of facts.linkTags)
      if (href !== undefined && rel.some((word) => /^(?:icon|apple-touch-icon|manifest|alternate)$/.test(word))) this.learn(href, depth, base);
    if (depth < this.limits.depth) for (const { href } of facts.anchors) this.learn(href, depth + 1, base);
  }

  /** Puts an address of this site in line, once. */
  private learn(href: string, depth: number, base?: string): void {
    if (!URL.canParse(href, base)) return;
    const url = new URL(href, base);
    url.hash = '';
    if (!/^https?:$/.test(url.protocol) || url.host !== this.host || isTrap(url)) return;
    const address = plainAddress(url.href) ?? url.href;
    if (this.seen.has(address)) return;
    if (url.search !== '') {
      const count = (this.queries.get(url.pathname) ?? 0) + 1;
      this.queries.set(url.pathname, count);
      if (count > MOST_QUERIES) return;
    }
    if (this.waiting.length >= MOST_WAITING) {
      this.counts.left++;
      return;
    }
    this.seen.add(address);
    this.waiting.push({ address, depth, tries: 1 });
  }

  private trouble(address: string, what: string): void {
    this.counts.troubles++;
    if (this.troubles.length < TOLD) this.troubles.push({ address, what });
  }
}

/** An address that only a program makes that links to itself for ever: very long, or the same part again and again. */
function isTrap({ pathname, href }: URL): boolean {
  if (href.length > 1500) return true;
  const parts = pathname.split('/').filter(Boolean);
  const counts = new Map<string, number>();
  for (const part of parts) counts.set(part, (counts.get(part) ?? 0) + 1);
  return parts.length > 25 || Math.max(0, ...counts.values()) > 3;
}

/** The file that what is no page is kept as; undefined where its name would lead out of the site. */
function assetPath(url: URL): string | undefined {
  try {
    const path = decodeURIComponent(url.pathname).replace(/^\/+/, '');
    return path === '' || path.endsWith('/') || /[\\\u0000-\u001f]|(^|\/)\.\.?(\/|$)/.test(path) || path.length > 1000 ? undefined : path;
  } catch {
    return undefined;
  }
}
