import { createHash } from 'node:crypto';
import { afterCanonicals, dueVisits, judge, outcomeChanges, visitsAllowed, type EngineDay, type IndexRecord } from '../../core/engine/index.ts';
import type { CrawlLimit, HandedInMap } from '../../core/exchange/index.ts';
import type { EnginePolicy } from '../../core/engines/index.ts';
import { mayFetch } from '../../core/indexing/index.ts';
import { lowerBound, pathAndQuery, plainAddress } from '../../core/source/index.ts';
import type { Fetch, FetchOutcome } from '../fetching/index.ts';
import { readMap } from './maps.ts';
import { accessFor, readRobots, type Rules } from './rules.ts';

/** What an engine keeps of a site between crawls. */
export interface CrawledSite {
  readonly host: string;
  readonly origin: string;
  readonly maps: readonly HandedInMap[];
  readonly records: readonly IndexRecord[];
  readonly robots: { readonly fetchedAt: string; readonly status: number | undefined } | undefined;
  readonly days: readonly EngineDay[];
  /** Where the last crawl stopped short, as engines do with what has no end. */
  readonly limits?: readonly CrawlLimit[] | undefined;
}

interface CrawlSettings {
  readonly fetch: Fetch;
  readonly policy: EnginePolicy;
  /** Milliseconds since 1970, by the engine's clock. */
  readonly now: number;
  /** How many pages to visit; 0 only reads robots.txt and the maps. */
  readonly visits?: number;
  /** Addresses that have their turn first, however lately they were visited. */
  readonly asked?: readonly string[];
}

const AT_ONCE = 4;
const DAYS_KEPT = 60;
/** Links of one page that are followed, and addresses of one site that are kept. */
export const CRAWL_LIMITS = { links: 2_000, addresses: 20_000 } as const;
const LIMITS_TOLD = 20;

/** Statuses by which a host says that it is only away for a while (RFC 9110, 15.6.4; RFC 6585, 4). */
const isAway = (status: number | undefined): boolean => status === 503 || status === 429;

/** What an address answered that counts; why, where nothing does today. */
const AWAY = { failed: 'unavailable' } as const;
function answerOf(outcome: FetchOutcome): Extract<FetchOutcome, { ok: true }> | { readonly failed: string } {
  if (!outcome.ok) return { failed: outcome.reason };
  return isAway(outcome.status) ? AWAY : outcome;
}

/** Visits a site once: robots.txt, then the maps, then the pages whose turn it is, following links to pages not known before. */
export async function crawlSite<S extends CrawledSite>(site: S, settings: CrawlSettings): Promise<S> {
  const { fetch, policy, now } = settings;
  const at = new Date(now).toISOString();
  const robots = await readRobots(fetch, site.origin, policy.crawler);
  const most = settings.visits ?? visitsAllowed(policy, robots.kind === 'read' ? robots.delay : undefined);
  const known = new Map(site.records.map((record) => [record.address, record]));
  const turns = new Turns(site.records, now, settings.asked);
  const day = new DayCount();
  const limits: CrawlLimit[] = [];
  // A whole site that says it is away is left in peace today, and what was listed stays listed.
  const away = robots.kind === 'unreachable' && isAway(robots.status);
  let left = 0;
  const learn = (spelled: string, foundBy: IndexRecord['foundBy'], from?: string): void => {
    const address = plainAddress(spelled) ?? spelled;
    const record = known.get(address);
    const linkedFrom =
      from === undefined || record?.linkedFrom.includes(from) ? (record?.linkedFrom ?? []) : [...(record?.linkedFrom ?? []), from].slice(0, 20);
    if (record) known.set(address, { ...record, linkedFrom, foundBy: record.foundBy === 'link' ? foundBy : record.foundBy });
    else if (known.size >= CRAWL_LIMITS.addresses) left++;
    else {
      known.set(address, { ...UNSEEN, address, foundBy, foundAt: at, linkedFrom });
      turns.add(address);
    }
  };

  const home = `${site.origin}/`;
  /** What each map names, by address; which maps name it. */
  const inMaps = new Map<string, string[]>();
  const maps: HandedInMap[] = [];
  for (const map of withNamed(site, robots, at)) {
    const reading = await readMap({ fetch, rules: robots, host: site.host, most: policy.maps }, map.address);
    for (const spelled of new Set(reading.addresses)) {
      const naming = inMaps.get(spelled);
      if (naming) naming.push(map.address);
      else inMaps.set(spelled, [map.address]);
    }
    maps.push({ ...map, readAt: at, count: reading.addresses.length, problem: reading.problem, ...(reading.parts ? { parts: reading.parts } : {}) });
  }
  learn(home, 'home');
  for (const address of inMaps.keys()) learn(address, 'sitemap');
  for (const address of settings.asked ?? []) if (!known.has(address)) learn(address, 'link');

  // What a redirect leads to is bound by robots.txt as well: engines ask again for each address.
  const readable = (to: string | undefined): boolean =>
    to === undefined || new URL(to).host !== site.host || mayFetch(accessFor(robots, pathAndQuery(new URL(to))));

  let visited = 0;
  while (visited < most) {
    const due = turns.next(Math.min(AT_ONCE, most - visited)).flatMap((address) => known.get(address) ?? []);
    if (due.length === 0) break;
    visited += due.length;
    await Promise.all(
      due.map(async (record) => {
        const access = accessFor(robots, pathAndQuery(new URL(record.address)));
        const forbidden = !mayFetch(access);
        const outcome = away || forbidden ? undefined : await fetch(record.address);
        const answer = away ? AWAY : outcome && answerOf(outcome);
        day.take(outcome, away);
        const latest = known.get(record.address) ?? record;
        if (answer && 'failed' in answer) {
          // No answer today: what was known stays, the next day tries again.
          known.set(record.address, {
            ...latest,
            visitedAt: at,
            reason: { code: 'no-answer', reason: answer.failed },
            outcome: latest.outcome === 'waiting' ? 'not-listed' : latest.outcome,
          });
          return;
        }
        const redirectedTo = answer?.redirects.at(-1);
        const judged = judge({
          policy,
          address: record.address,
          robots: access,
          answer: answer && { ...answer, bytes: readable(redirectedTo) ? answer.bytes : new Uint8Array(), redirectedTo, hops: answer.redirects.length },
          known: latest,
          inSitemap: inMaps.has(record.address),
          isHome: record.address === home,
          now,
        });
        known.set(record.address, answer === undefined ? judged.record : { ...judged.record, got: gotOf(answer) });
        if (judged.links.length > CRAWL_LIMITS.links && limits.length < LIMITS_TOLD)
          limits.push({ code: 'links', address: record.address, count: judged.links.length });
        for (const link of judged.links.slice(0, CRAWL_LIMITS.links)) if (link !== record.address) learn(link, 'link', record.address);
        // Who names another address as the main one leads there, and what links to the one counts for the other (RFC 6596, 3).
        const { canonical } = judged.record;
        if (canonical !== undefined && canonical !== record.address && new URL(canonical).host === site.host) learn(canonical, 'link', record.address);
        if (redirectedTo !== undefined && new URL(redirectedTo).host === site.host) learn(redirectedTo, 'link', record.address);
      }),
    );
  }

  const naming = new Map([...inMaps].map(([spelled, all]) => [plainAddress(spelled) ?? spelled, all]));
  const named = [...known.values()].map((record) => ({ ...record, maps: naming.get(record.address) ?? [] }));
  const records = afterCanonicals(named, policy).sort((a, b) => (a.address < b.address ? -1 : 1));
  const listed = records.filter((record) => record.outcome === 'listed').length;
  const told: EngineDay = { at, visited, listed, ...day.told(), changes: outcomeChanges(site.records, records) };
  const days = most === 0 ? addToLatest(site.days, site.records, records) : [told, ...site.days].slice(0, DAYS_KEPT);
  if (left > 0) limits.push({ code: 'addresses', address: home, count: known.size + left });
  return { ...site, maps, records, robots: { fetchedAt: at, status: robots.status }, days, limits: most === 0 ? site.limits : limits };
}

/** What became known between two days belongs to the last one, so that walking back day by day arrives at what was. */
function addToLatest(days: readonly EngineDay[], before: readonly IndexRecord[], after: readonly IndexRecord[]): readonly EngineDay[] {
  const changes = outcomeChanges(before, after);
  const [latest, ...earlier] = days;
  return latest === undefined || changes.length === 0 ? days : [{ ...latest, changes: [...(latest.changes ?? []), ...changes] }, ...earlier];
}

/** What an answer is remembered by. */
function gotOf({ bytes, milliseconds, headers, hops }: Extract<FetchOutcome, { ok: true }>): NonNullable<IndexRecord['got']> {
  return { hash: createHash('sha256').update(bytes).digest('hex'), bytes: bytes.length, milliseconds, headers, hops };
}

/** Counts a day's requests: how they were answered, how many bytes came, how long it took. */
class DayCount {
  private readonly answers: Record<string, number> = {};
  private bytes = 0;
  private milliseconds = 0;

  take(outcome: FetchOutcome | undefined, away: boolean): void {
    const name = outcome === undefined ? (away ? 'no-answer' : 'not-asked') : outcome.ok ? String(outcome.hops[0]?.status ?? outcome.status) : 'no-answer';
    this.answers[name] = (this.answers[name] ?? 0) + 1;
    if (outcome?.ok !== true) return;
    this.bytes += outcome.bytes.length;
    this.milliseconds += outcome.milliseconds;
  }

  told(): Pick<EngineDay, 'answers' | 'bytes' | 'milliseconds'> {
    return { answers: this.answers, bytes: this.bytes, milliseconds: this.milliseconds };
  }
}

/** Whose turn it is: those asked for, the unseen, by their addresses, then those that were seen longest ago. What is come upon on the way gets in line. */
class Turns {
  /** In reverse, so that the next is taken from the end. */
  private readonly unseen: string[];
  private readonly seen: string[];
  private readonly asked: string[];
  private readonly first: ReadonlySet<string>;

  constructor(records: readonly IndexRecord[], now: number, asked: readonly string[] = []) {
    this.first = new Set(asked);
    this.asked = [...this.first].reverse();
    const due = dueVisits(records, now, records.length).filter(({ address }) => !this.first.has(address));
    this.unseen = due.flatMap((record) => (record.visitedAt === undefined ? [record.address] : [])).reverse();
    this.seen = due.flatMap((record) => (record.visitedAt === undefined ? [] : [record.address])).reverse();
  }

  add(address: string): void {
    if (this.first.has(address)) return;
    const at = lowerBound(this.unseen, (one) => one > address);
    this.unseen.splice(at, 0, address);
  }

  next(count: number): string[] {
    const taken: string[] = [];
    while (taken.length < count) {
      const address = this.asked.pop() ?? this.unseen.pop() ?? this.seen.pop();
      if (address === undefined) break;
      taken.push(address);
    }
    return taken;
  }
}

const UNSEEN: Omit<IndexRecord, 'address' | 'foundBy' | 'foundAt' | 'linkedFrom'> = {
  visitedAt: undefined,
  status: undefined,
  outcome: 'waiting',
  reason: { code: 'waiting' },
  title: '',
  description: '',
  headings: [],
  lead: '',
  text: '',
};

/** The maps that were handed in, and those that robots.txt names. */
function withNamed(site: CrawledSite, rules: Rules, at: string): HandedInMap[] {
  const handed = new Set(site.maps.filter((map) => map.named !== true).map((map) => map.address));
  const named = rules.kind === 'read' ? rules.sitemaps.filter((address) => URL.canParse(address) && new URL(address).host === site.host) : [];
  return [
    ...site.maps.filter((map) => map.named !== true),
    ...[...new Set(named)].flatMap((address) =>
      handed.has(address)
        ? []
        : [
            {
              address,
              handedInAt: site.maps.find((map) => map.address === address)?.handedInAt ?? at,
              readAt: undefined,
              count: 0,
              problem: undefined,
              named: true,
            },
          ],
    ),
  ];
}
