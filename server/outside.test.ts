import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { FastifyInstance } from 'fastify';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { outsideOver, OutsideError, type Outside } from '../web/outside/index.ts';
import { buildApp } from './app.ts';
import { ERRORS } from './errors.ts';
import { StandIns, workHere } from './stand-ins/index.ts';
import { releaseTexts } from './testing/release.ts';

const HOST = 'a.example';
const headers = { host: '127.0.0.1:4310', origin: 'http://127.0.0.1:4310' };
let folder: string;
let standIns: StandIns;
let app: FastifyInstance;
let outside: Outside;

/** The browser's fetch, answered by the server itself. */
const fetching: typeof fetch = async (path, init) => {
  const payload = init?.body instanceof Blob ? Buffer.from(await init.body.arrayBuffer()) : (init?.body as string | undefined);
  const answer = await app.inject({
    method: (init?.method ?? 'GET') as 'GET' | 'POST',
    url: String(path),
    headers: { ...headers, ...(init?.headers as Record<string, string> | undefined) },
    ...(payload === undefined ? {} : { payload }),
  });
  return new Response(new Uint8Array(answer.rawPayload), { status: answer.statusCode });
};

beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'outside-'));
  standIns = new StandIns({
    folder,
    now: () => Date.UTC(2026, 10, 25, 10),
    randomText: () => 'a secret of the test',
    doWork: (ports) => workHere(ports, async () => ({ ok: false, reason: 'private-address', redirects: [], hops: [] })),
  });
  await standIns.open();
  app = await buildApp({ standIns, demoFolder: join(import.meta.dirname, '..', 'demo'), appFolder: join(folder, 'no-app') });
  await releaseTexts(standIns, HOST, { 'index.html': '<title>Bindery</title><h1>Bindery</h1>', 'sitemap.xml': '<urlset/>' }, 1);
  outside = outsideOver(fetching);
});
afterAll(async () => {
  await app.close();
  await standIns.close();
  await rm(folder, { recursive: true });
});

describe('what the browser asks of the server is what the server answers', () => {
  const asks: readonly (readonly [string, (outside: Outside) => Promise<unknown>])[] = [
    ['the demo', async (one) => (await one.demo()).zip.length > 1_000],
    ['the clock', (one) => one.clock()],
    ['a day on', (one) => one.advance(1)],
    ['a hosted site', async (one) => (await one.hosted(HOST))?.number === 1],
    ['a name', (one) => one.nameState('b.example')],
    ['what the host lacks', (one) => one.missing(['0'.repeat(64)])],
    ['offline and back', async (one) => [await one.setOffline(HOST, { status: 503 }), await one.setOffline(HOST, null)]],
    ['moved and back', async (one) => [await one.setMoved(HOST, 'https://b.example'), await one.setMoved(HOST, null)]],
    ['a hub', async (one) => (await one.tellHub({ hub: 'https://skerry.example/hub', topic: `https://${HOST}/rss.xml` })).status === 403],
    ['name servers', (one) => one.dns(HOST, 'A')],
    ['the zone', async (one) => [await one.zone(HOST, [{ name: '@', type: 'TXT', value: 'x', ttl: 3600 }]), await one.zone(HOST)]],
    ['a proof’s tag, of each engine', async (one) => [await one.proofTag(HOST), await one.proofTag(HOST, 'plover')]],
    ['whether a proof holds', (one) => one.verify(HOST, `https://${HOST}`)],
    ['a proof, step by step', async (one) => (await one.proofSteps(`https://${HOST}`, { kind: 'tag', name: 'skerry-proof', content: 'x' })).length > 1],
    ['an engine’s index', (one) => one.engineSite(HOST)],
    ['a search', (one) => one.search('bindery', 'plover')],
    ['what was seen', (one) => one.seen(HOST, 'skerry')],
    ['one address closely', (one) => one.closely(`https://${HOST}/`, 'plover')],
    ['what is wished for', (one) => one.wishedFor(HOST, ['bindery'])],
    ['a fresh visit', (one) => one.visitSoon(HOST, [`https://${HOST}/`], 'plover')],
    ['an address now', (one) => one.live(`https://${HOST}/`)],
    ['pages now', (one) => one.livePages([`https://${HOST}/`])],
    ['a map', (one) => one.map(`https://${HOST}/sitemap.xml`)],
  ];
  it.each(asks)('%s', async (_, ask) => {
    const answered = await ask(outside);
    expect(answered).not.toBe(false);
  });

  it.each<readonly [string, (outside: Outside) => Promise<unknown>, string]>([
    ['a crawl that nobody knows', (one) => one.crawl.view('nobody'), 'not-found'],
    ['a map without a proof', (one) => one.handIn(HOST, `https://${HOST}/sitemap.xml`), 'not-verified'],
    ['an address that is none', (one) => one.live('no address'), 'bad-input'],
  ])('%s is refused with a code of the table and a sentence', async (_, ask, code) => {
    const error = await ask(outside).then(
      () => undefined,
      (reason: unknown) => reason,
    );
    expect(error).toBeInstanceOf(OutsideError);
    expect(Object.keys(ERRORS)).toContain((error as OutsideError).code);
    expect((error as OutsideError).code).toBe(code);
    expect((error as OutsideError).message).toMatch(/\.$/);
  });
});

describe('a server that is not what it should be', () => {
  const heard: boolean[] = [];
  const over = (answer: () => Promise<Response>): Outside => outsideOver(answer as typeof fetch, (there) => heard.push(there));
  it.each<readonly [string, () => Promise<Response>, string, boolean]>([
    ['away', () => Promise.reject(new TypeError('failed to fetch')), 'no-server', false],
    ['another program on its port', async () => new Response('<html>', { status: 200 }), 'broken', true],
    ['another one that refuses', async () => new Response('no', { status: 502 }), 'broken', true],
    ['one of another version', async () => Response.json({ days: 'many' }), 'broken', true],
  ])('%s: said so, and nothing is made of it', async (_, answer, code, there) => {
    heard.length = 0;
    await expect(over(answer).clock()).rejects.toMatchObject({ code });
    expect(heard).toEqual([there]);
  });
});
