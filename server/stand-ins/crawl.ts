import { DAILY_VISITS, dueVisits, judge, type IndexRecord } from '../../core/engine/index.ts';
import type { HandedInMap } from '../../core/exchange/index.ts';
import type { RobotsAccess } from '../../core/indexing/index.ts';
import { parseRobots, robotsMatcher, type RobotsMatcher } from '../../core/robots/index.ts';
import { readSitemap } from '../../core/sitemap/index.ts';
import { decodeBytes } from '../../core/source/index.ts';
import type { Fetch } from '../fetching/index.ts';

/** What an engine keeps of a site between crawls. */
export interface CrawledSite {
  readonly host: string;
  readonly origin: string;
  readonly maps: readonly HandedInMap[];
  readonly records: readonly IndexRecord[];
  readonly robots: { readonly fetchedAt: string; readonly status: number | undefined } | undefined;
  readonly days: readonly { readonly at: string; readonly visited: number; readonly listed: number }[];
}

interface CrawlSettings {
  readonly fetch: Fetch;
  readonly crawler: string;
  /** Milliseconds since 1970, by the engine's clock. */
  readonly now: number;
  /** How many pages to visit; 0 only reads robots.txt and the maps. */
  readonly visits?: number;
}

const AT_ONCE = 4;
const DAYS_KEPT = 60;

type Rules =
  | { readonly kind: 'read'; readonly matcher: RobotsMatcher }
  | { readonly kind: 'missing' }
  | { readonly kind: 'unreachable'; readonly status: number | undefined };

/** Visits a site once: robots.txt, then the maps, then the pages whose turn it is, following links to pages not known before. */
export async function crawlSite<S extends CrawledSite>(site: S, settings: CrawlSettings): Promise<S> {
  const { fetch, crawler, now } = settings;
  const most = settings.visits ?? DAILY_VISITS;
  const at = new Date(now).toISOString();
  const robots = await readRobots(fetch, site.origin, crawler);
  const known = new Map(site.records.map((record) => [record.address, record]));
  const learn = (address: string, foundBy: IndexRecord['foundBy'], from?: string): void => {
    const record = known.get(address);
    const linkedFrom =
      from === undefined || record?.linkedFrom.includes(from) ? (record?.linkedFrom ?? []) : [...(record?.linkedFrom ?? []), from].slice(0, 20);
    if (record) known.set(address, { ...record, linkedFrom, foundBy: record.foundBy === 'link' ? foundBy : record.foundBy });
    else
      known.set(address, {
        address,
        foundBy,
        foundAt: at,
        visitedAt: undefined,
        status: undefined,
        outcome: 'waiting',
        reason: { code: 'waiting' },
        linkedFrom,
        title: '',
        description: '',
        headings: [],
        lead: '',
        text: '',
      });
  };

  const home = `${site.origin}/`;
  const inMaps = new Set<string>();
  const maps: HandedInMap[] = [];
  for (const map of site.maps) {
    const reading = await readMap(fetch, map.address, robots.rules, site.host);
    for (const address of reading.addresses) inMaps.add(address);
    maps.push({ ...map, readAt: at, count: reading.addresses.length, problem: reading.problem });
  }
  learn(home, 'home');
  for (const address of inMaps) learn(address, 'sitemap');

  let visited = 0;
  const done = new Set<string>();
  while (visited < most) {
    const due = dueVisits([...known.values()], now, most - visited)
      .filter((record) => !done.has(record.address))
      .slice(0, AT_ONCE);
    if (due.length === 0) break;
    for (const record of due) done.add(record.address);
    visited += due.length;
    await Promise.all(
      due.map(async (record) => {
        const url = new URL(record.address);
        const access = accessFor(robots.rules, url.pathname + url.search);
        const forbidden = access.kind === 'unreachable' || (access.kind === 'read' && !access.verdict.allowed);
        const outcome = forbidden ? undefined : await fetch(record.address);
        if (outcome && !outcome.ok) {
          // No answer today: what was known stays, the next day tries again.
          const latest = known.get(record.address) ?? record;
          known.set(record.address, {
            ...latest,
            visitedAt: at,
            reason: { code: 'answered', status: 0, redirectedTo: undefined },
            outcome: latest.outcome === 'waiting' ? 'not-listed' : latest.outcome,
          });
          return;
        }
        const redirectedTo = outcome?.redirects.at(-1);
        const latest = known.get(record.address) ?? record;
        const judged = judge({
          crawler,
          address: record.address,
          robots: access,
          answer: outcome && { ...outcome, redirectedTo },
          known: latest,
          inSitemap: inMaps.has(record.address),
          isHome: record.address === home,
          now,
        });
        known.set(record.address, judged.record);
        for (const link of judged.links) if (link !== record.address) learn(link, 'link', record.address);
        if (redirectedTo !== undefined && new URL(redirectedTo).host === site.host) learn(redirectedTo, 'link', record.address);
      }),
    );
  }

  const records = [...known.values()].sort((a, b) => (a.address < b.address ? -1 : 1));
  const listed = records.filter((record) => record.outcome === 'listed').length;
  const days = most === 0 ? site.days : [{ at, visited, listed }, ...site.days].slice(0, DAYS_KEPT);
  return { ...site, maps, records, robots: { fetchedAt: at, status: robots.status }, days };
}

/** robots.txt by RFC 9309, 2.3.1: 4xx means no rules, 5xx and no answer mean that all is shut. */
async function readRobots(fetch: Fetch, origin: string, crawler: string): Promise<{ rules: Rules; status: number | undefined }> {
  const outcome = await fetch(`${origin}/robots.txt`);
  if (!outcome.ok) return { rules: { kind: 'unreachable', status: undefined }, status: undefined };
  if (outcome.status >= 200 && outcome.status < 300)
    return { rules: { kind: 'read', matcher: robotsMatcher(parseRobots(decodeBytes(outcome.bytes, 'utf-8')), crawler) }, status: outcome.status };
  if (outcome.status >= 400 && outcome.status < 500) return { rules: { kind: 'missing' }, status: outcome.status };
  return { rules: { kind: 'unreachable', status: outcome.status }, status: outcome.status };
}

function accessFor(rules: Rules, path: string): RobotsAccess {
  return rules.kind === 'read' ? { kind: 'read', verdict: rules.matcher.match(path) } : rules;
}

/** The addresses of a map on this host; an index is followed one level down. */
async function readMap(fetch: Fetch, address: string, rules: Rules, host: string, depth = 0): Promise<{ addresses: string[]; problem: string | undefined }> {
  const access = accessFor(rules, new URL(address).pathname);
  if (access.kind === 'unreachable' || (access.kind === 'read' && !access.verdict.allowed))
    return { addresses: [], problem: 'robots.txt forbids fetching the map' };
  const outcome = await fetch(address);
  if (!outcome.ok) return { addresses: [], problem: outcome.reason === 'no-such-host' ? 'there is no such host' : 'the host did not answer' };
  if (outcome.status !== 200) return { addresses: [], problem: `the map answers ${outcome.status}` };
  const reading = readSitemap(decodeBytes(outcome.bytes, 'utf-8'));
  if (!reading.ok) return { addresses: [], problem: 'what is there is not a sitemap' };
  const own = reading.sitemap.entries.map((entry) => entry.loc).filter((loc) => URL.canParse(loc) && new URL(loc).host === host);
  if (reading.sitemap.kind === 'urlset')
    return { addresses: own, problem: own.length < reading.sitemap.entries.length ? 'some addresses are on another host and were left out' : undefined };
  if (depth > 0) return { addresses: [], problem: 'an index of indexes is not allowed' };
  const parts = await Promise.all(own.slice(0, 50).map((map) => readMap(fetch, map, rules, host, depth + 1)));
  return { addresses: parts.flatMap((part) => part.addresses), problem: parts.find((part) => part.problem !== undefined)?.problem };
}
