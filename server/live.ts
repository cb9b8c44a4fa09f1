import type { FetchedMap, LiveAnswer, PageResource, VariantAnswer } from '../core/exchange/index.ts';
import { policyFor } from '../core/engines/index.ts';
import { answerText, evidenceFromAnswer, gatePlaces, mayFetch, readAnswer, wayIn, type Answer } from '../core/indexing/index.ts';
import { readPage, shownFiles } from '../core/page/index.ts';
import { twinHost } from '../core/site/index.ts';
import { SITEMAP_LIMITS } from '../core/sitemap/index.ts';
import { decodeBytes, isGzip, unpackedText, type CrawlerToken } from '../core/source/index.ts';
import type { Fetch, FetchOutcome } from './fetching/index.ts';
import { accessFor, readRobots } from './stand-ins/rules.ts';

/** Most of robots.txt that is sent along, in characters. */
const ROBOTS_SHOWN = 520_000;

/**
 * Looks at an address as it answers right now, and leads one crawler through the gates by what came back. What the crawler may not fetch is fetched all
 * the same: the owner wants to know what stands behind the shut gate.
 */
export async function lookLive({
  fetch,
  address,
  crawler,
  now,
}: {
  readonly fetch: Fetch;
  readonly address: string;
  readonly crawler: CrawlerToken;
  readonly now: number;
}): Promise<Omit<LiveAnswer, 'world'>> {
  const url = new URL(address);
  url.hash = '';
  const policy = policyFor(crawler);
  const [rules, robots, outcome, twins] = await Promise.all([
    readRobots(fetch, url.origin, crawler),
    fetch(`${url.origin}/robots.txt`),
    fetch(url.href),
    lookAtTwins(fetch, url),
  ]);
  const answer = answerOf(outcome);
  const facts = 'failed' in answer ? undefined : readAnswer(answer);
  const way = wayIn(
    evidenceFromAnswer({
      policy,
      crawler,
      address: url.href,
      robots: accessFor(rules, url.pathname + url.search),
      answer,
      facts,
      // One address alone does not tell who links to it; that is for the survey and the engines to know.
      linksIn: 1,
      inSitemap: false,
      isHome: url.pathname === '/',
      now,
    }),
  );
  return {
    crawler,
    at: new Date(now).toISOString(),
    robots: {
      status: robots.ok ? robots.status : undefined,
      redirects: robots.redirects,
      text: robots.ok && robots.status === 200 ? decodeBytes(robots.bytes, 'utf-8').slice(0, ROBOTS_SHOWN) : undefined,
    },
    answer: outcome.ok
      ? {
          ok: true,
          status: outcome.status,
          milliseconds: outcome.milliseconds,
          hops: outcome.hops,
          type: outcome.headers['content-type']?.[0] ?? '',
          bytes: outcome.bytes.length,
        }
      : { ok: false, reason: outcome.reason, hops: outcome.hops },
    places: facts === undefined || 'failed' in answer ? {} : gatePlaces(way, answerText(answer)),
    way: { ...way, gates: way.gates.filter((gate) => gate.name !== 'reachable') },
    twins,
  };
}

function answerOf(outcome: FetchOutcome): Answer | { readonly failed: string } {
  if (!outcome.ok) return { failed: outcome.reason };
  return { ...outcome, redirectedTo: outcome.redirects.at(-1), hops: outcome.redirects.length };
}

/** The same path with and without `s`, and with and without `www` where the name has such a twin: engines take these for different sites unless three of them lead to the fourth. */
async function lookAtTwins(fetch: Fetch, url: URL): Promise<VariantAnswer[]> {
  if (!url.hostname.includes('.')) return [];
  const twin = twinHost(url.hostname);
  const variants = ['https', 'http'].flatMap((scheme) =>
    [url.hostname, ...(twin === undefined ? [] : [twin])].map(
      (name) => `${scheme}://${name}${url.port === '' ? '' : `:${url.port}`}${url.pathname}${url.search}`,
    ),
  );
  return Promise.all(
    variants
      .filter((variant) => variant !== url.href)
      .map(async (address): Promise<VariantAnswer> => {
        const outcome = await fetch(address);
        return {
          address,
          status: outcome.ok ? outcome.status : undefined,
          leadsTo: outcome.redirects.at(-1),
          failed: outcome.ok ? undefined : outcome.reason,
        };
      }),
  );
}

/** Files of one page that are looked at. */
const MOST_RESOURCES = 60;

/** Asks for the files that a page needs to be shown as a crawler would: by robots.txt first, then from the host. Files of other hosts are only named. */
export async function lookAtResources({
  fetch,
  address,
  crawler,
  html,
}: {
  readonly fetch: Fetch;
  readonly address: string;
  readonly crawler: CrawlerToken;
  readonly html: string;
}): Promise<readonly PageResource[]> {
  const reading = readPage(new TextEncoder().encode(`\ufeff${html}`));
  if (!reading.ok) return [];
  const rules = await readRobots(fetch, new URL(address).origin, crawler);
  return Promise.all(
    shownFiles(reading.facts, address)
      .slice(0, MOST_RESOURCES)
      .map(async (one): Promise<PageResource> => {
        const url = new URL(one.address);
        if (url.host !== new URL(address).host) return { ...one, what: 'elsewhere' };
        if (!mayFetch(accessFor(rules, url.pathname + url.search))) return { ...one, what: 'forbidden' };
        const outcome = await fetch(one.address);
        if (!outcome.ok) return { ...one, what: 'no-answer' };
        return outcome.status === 200 ? { ...one, what: 'there', bytes: outcome.bytes.length } : { ...one, what: 'status', status: outcome.status };
      }),
  );
}

/** Fetches a map, packed or not, for its reader. */
export async function fetchMap(fetch: Fetch, address: string): Promise<FetchedMap> {
  const outcome = await fetch(address);
  if (!outcome.ok) return { ok: false, reason: outcome.reason, status: undefined };
  if (outcome.status !== 200) return { ok: false, reason: 'status', status: outcome.status };
  const gzip = isGzip(outcome.bytes);
  const text = unpackedText(outcome.bytes, SITEMAP_LIMITS.bytes);
  if (text === undefined) return { ok: false, reason: 'gzip', status: 200 };
  return { ok: true, address: outcome.redirects.at(-1) ?? address, text, gzip, hops: outcome.hops };
}
