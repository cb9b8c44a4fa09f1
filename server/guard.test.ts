import { mkdir, mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { FastifyInstance } from 'fastify';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { buildApp } from './app.ts';
import { StandIns } from './stand-ins/index.ts';

/** Every route that the server answers on. Adding one means a line here, and with it every attack below is tried on it. */
const ROUTES: readonly (readonly ['GET' | 'POST', string])[] = [
  ['POST', '/api/host/missing'],
  ['POST', '/api/host/bytes'],
  ['GET', '/api/host/sites/:host'],
  ['POST', '/api/host/sites/:host/releases'],
  ['GET', '/api/clock'],
  ['POST', '/api/clock/advance'],
  ['GET', '/api/engines/:engine/tags/:host'],
  ['GET', '/api/engines/:engine/sites/:host'],
  ['POST', '/api/engines/:engine/verifications'],
  ['POST', '/api/engines/:engine/sitemaps'],
  ['POST', '/api/engines/:engine/sitemaps/taken-back'],
  ['POST', '/api/engines/:engine/visits'],
  ['POST', '/api/engines/phrases'],
  ['GET', '/api/engines/:engine/seen/:host'],
  ['GET', '/api/engines/:engine/address'],
  ['GET', '/api/engines/:engine/search'],
  ['POST', '/api/notices'],
  ['POST', '/api/hubs'],
  ['POST', '/api/proofs/steps'],
  ['POST', '/api/live-pages'],
  ['POST', '/api/crawls'],
  ['GET', '/api/crawls/:id'],
  ['POST', '/api/crawls/:id/stop'],
  ['POST', '/api/crawls/:id/go-on'],
  ['GET', '/api/crawls/:id/told'],
  ['GET', '/api/crawls/:id/zip'],
  ['POST', '/api/host/sites/:host/offline'],
  ['POST', '/api/host/sites/:host/moved'],
  ['GET', '/api/names/:host'],
  ['GET', '/api/dns'],
  ['GET', '/api/zone/:host'],
  ['POST', '/api/zone/:host'],
  ['GET', '/api/live'],
  ['GET', '/api/map'],
  ['POST', '/api/demo/begin-anew'],
  ['GET', '/api/demo.zip'],
  ['GET', '/api/demo'],
];

let folder: string;
let standIns: StandIns;
let app: FastifyInstance;
const known: string[] = [];

beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'guard-'));
  await mkdir(join(folder, 'app', 'assets'), { recursive: true });
  await writeFile(join(folder, 'app', 'index.html'), '<title>App</title>');
  await writeFile(join(folder, 'app', 'assets', 'x.js'), '1');
  standIns = new StandIns({ folder: join(folder, 'state'), now: () => 0, randomText: () => 'x' });
  await standIns.open();
  app = await buildApp({
    standIns,
    demoFolder: join(import.meta.dirname, '..', 'demo'),
    appFolder: join(folder, 'app'),
    onRoute: ({ method, url }) => {
      for (const one of [method].flat()) if (one === 'GET' || one === 'POST') known.push(`${one} ${url}`);
    },
  });
  await app.ready();
});
afterAll(async () => {
  await app.close();
  await standIns.close();
  await rm(folder, { recursive: true });
});

const ask = (method: string, url: string, headers: Readonly<Record<string, string>>) =>
  app.inject({ method: method as 'GET', url, headers: { host: '127.0.0.1:4310', ...headers } });
/** One letter of the path in another spelling: the same address to a server. */
const spelt = (url: string): string => url.replace('/api/', '/%61pi/');
const filled = (url: string): string => url.replace(':host', 'a.example').replace(':engine', 'skerry');

it('the table has every route there is', () => {
  const own = known.filter((route) => route.includes(' /api/') && !route.endsWith('/api/*'));
  expect(own.sort()).toEqual(ROUTES.map(([method, url]) => `${method} ${url}`).sort());
});

describe.each(ROUTES)('%s %s', (method, url) => {
  const address = filled(url);
  it.each([
    ['a foreign name', { host: 'evil.example' }],
    ['a foreign origin', { origin: 'https://evil.example' }],
    ['another port of this machine', { origin: 'http://127.0.0.1:9999' }],
    ['a picture on another page', { 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'no-cors', 'sec-fetch-dest': 'image' }],
    ['a page of the same site', { 'sec-fetch-site': 'same-site', 'sec-fetch-mode': 'no-cors' }],
    ['a link on another page', { 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'navigate', 'sec-fetch-dest': 'document' }],
    ['a frame in another page', { 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'navigate', 'sec-fetch-dest': 'iframe' }],
  ])('is not answered to %s, however it is spelt', async (_who, headers: Record<string, string>) => {
    const origin: Record<string, string> = 'origin' in headers || method === 'GET' ? {} : { origin: 'http://127.0.0.1:4310' };
    for (const one of [address, spelt(address), `http://127.0.0.1:4310${address}`]) {
      const answer = await ask(method, one, { ...origin, ...headers });
      expect([one, answer.statusCode]).toEqual([one, 403]);
    }
  });
  it.runIf(method === 'POST')('changes nothing for a request without an origin', async () => {
    expect((await ask('POST', address, {})).statusCode).toBe(403);
  });
});

describe('the app itself', () => {
  it('is reached by a link from anywhere, and its files only by itself', async () => {
    const link = { 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'navigate', 'sec-fetch-dest': 'document' };
    expect((await ask('GET', '/s/x/words', link)).body).toContain('App');
    expect((await ask('GET', '/', link)).statusCode).toBe(200);
    expect((await ask('GET', '/assets/x.js', { 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'no-cors', 'sec-fetch-dest': 'script' })).statusCode).toBe(
      403,
    );
    expect((await ask('GET', '/assets/x.js', { 'sec-fetch-site': 'same-origin' })).statusCode).toBe(200);
  });
  it('says 404 for a part that a newer build no longer has, not the page in its place', async () => {
    const answer = await ask('GET', '/assets/gone-123.js', { 'sec-fetch-site': 'same-origin' });
    expect([answer.statusCode, answer.headers['content-type']]).toEqual([404, expect.stringContaining('json')]);
  });
});
