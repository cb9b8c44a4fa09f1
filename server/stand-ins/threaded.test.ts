import { createServer, type Server } from 'node:http';
import { afterEach, beforeEach, expect, it } from 'vitest';
import { CRAWL_LIMITS, type CrawledSite } from './crawl.ts';
import { StandInDns } from './dns.ts';
import { workInThread } from './threaded.ts';

/** A host made to be slow: rules with many stars, a page with very many links. */
const STARS = `User-agent: *\n${Array.from({ length: 6_000 }, (_, line) => `Disallow: /*a*b*c*d*e*f*g*h*${line}*z`).join('\n')}\n`;
const LINKS = `<title>Links</title>${Array.from({ length: 200_000 }, (_, link) => `<a href="/p${link}">${link}</a>`).join('')}`;
let server: Server;
let dns: StandInDns;
let port = 0;

beforeEach(async () => {
  dns = new StandInDns({ addresses: () => ['127.0.0.1'] });
  await dns.listen();
  server = createServer((request, response) => {
    if (request.url === '/robots.txt') response.end(STARS);
    else if (request.url === '/') response.setHeader('content-type', 'text/html').end(LINKS);
    else if (request.url === '/never') return;
    else response.writeHead(404).end();
  });
  await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
  port = (server.address() as { port: number }).port;
});
afterEach(async () => {
  await dns.close();
  server.closeAllConnections();
  await new Promise((closed) => server.close(closed));
});
const site: CrawledSite = { host: 'slow.example', origin: 'https://slow.example', maps: [], records: [], robots: undefined, days: [] };
const ports = () => ({ dns: dns.port, host: port });

/** Milliseconds for which this thread was held up at the longest while something went on. */
async function longestPause(work: () => Promise<unknown>): Promise<number> {
  let longest = 0;
  let last = performance.now();
  const timer = setInterval(() => {
    const now = performance.now();
    longest = Math.max(longest, now - last);
    last = now;
  }, 5);
  await work();
  clearInterval(timer);
  return longest;
}

it('reads a site that is made to be slow without holding anybody up, and says where it stopped', { timeout: 120_000 }, async () => {
  const { work, close } = workInThread(ports);
  let crawled: CrawledSite | undefined;
  const held = await longestPause(async () => {
    crawled = await work.crawl({ engine: 'skerry', site, now: Date.UTC(2026, 0, 1) });
  });
  await close();
  expect(held).toBeLessThan(400);
  expect(crawled?.limits).toContainEqual({ code: 'links', address: 'https://slow.example/', count: 200_000 });
  expect(crawled?.records.length).toBeLessThanOrEqual(CRAWL_LIMITS.links + 1);
  expect(JSON.stringify(crawled).length).toBeLessThan(3_000_000);
});

it('gives up what takes too long, with a reason, and does the next job all the same', { timeout: 60_000 }, async () => {
  const { work, close } = workInThread(ports, 1_500);
  const never = work.map({ side: 'stand-in', address: 'https://slow.example/never' });
  await expect(never).rejects.toMatchObject({ code: 'too-slow' });
  const { close: closeSecond, work: second } = workInThread(ports);
  expect(await second.map({ side: 'stand-in', address: 'https://slow.example/gone' })).toMatchObject({ ok: false, status: 404 });
  await closeSecond();
  await close();
});
