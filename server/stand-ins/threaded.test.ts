import { createServer, type Server } from 'node:http';
import { setTimeout as pause } from 'node:timers/promises';
import { request } from 'undici';
import { afterEach, beforeEach, expect, it } from 'vitest';
import { SLOW } from '../../core/testing/effort.ts';
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

/** How many answers this thread gave to others while something went on: none where it does the work itself. */
async function answersMeanwhile(work: () => Promise<unknown>): Promise<number> {
  let [answers, over] = [0, false];
  const others = (async () => {
    for (; !over; answers++) {
      await (await request(`http://127.0.0.1:${port}/else`)).body.dump();
      await pause(10);
    }
  })();
  await work();
  over = true;
  await others;
  return answers;
}

it('reads a site that is made to be slow without holding anybody up, and says where it stopped', SLOW, async () => {
  const { work, close } = workInThread(ports);
  let crawled: CrawledSite | undefined;
  const answers = await answersMeanwhile(async () => {
    crawled = await work.crawl({ engine: 'skerry', site, now: Date.UTC(2026, 0, 1) });
  });
  await close();
  // It takes seconds; where this thread did it, it would answer a few times between two fetches.
  expect(answers).toBeGreaterThan(25);
  expect(crawled?.limits).toContainEqual({ code: 'links', address: 'https://slow.example/', count: 200_000 });
  expect(crawled?.records.length).toBeLessThanOrEqual(CRAWL_LIMITS.links + 1);
  expect(JSON.stringify(crawled).length).toBeLessThan(3_000_000);
});

it('gives up what takes too long, with a reason, and does the next job all the same', SLOW, async () => {
  const { work, close } = workInThread(ports, 1_500);
  const never = work.map({ side: 'stand-in', address: 'https://slow.example/never' });
  await expect(never).rejects.toMatchObject({ code: 'too-slow' });
  const { close: closeSecond, work: second } = workInThread(ports);
  expect(await second.map({ side: 'stand-in', address: 'https://slow.example/gone' })).toMatchObject({ ok: false, status: 404 });
  await closeSecond();
  await close();
});
