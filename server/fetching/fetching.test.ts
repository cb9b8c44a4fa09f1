import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { guardedFetch, isPublicAddress, realWorld, standInWorld, type World } from './index.ts';

let server: Server;
let port = 0;
const seen: { host: string | undefined; proto: string | undefined; agent: string | undefined }[] = [];
beforeAll(async () => {
  server = createServer((request, response) => {
    seen.push({ host: request.headers.host, proto: request.headers['x-forwarded-proto'] as string | undefined, agent: request.headers['user-agent'] });
    if (request.url === '/loop') return void response.writeHead(302, { location: '/loop' }).end();
    if (request.url?.startsWith('/on-')) return void response.writeHead(302, { location: `/on-${Number(request.url.slice(4)) + 1}` }).end();
    if (request.url === '/to-private') return void response.writeHead(301, { location: 'http://private.example/' }).end();
    if (request.url === '/once') return void response.writeHead(301, { location: '/end' }).end();
    if (request.url === '/large') return void response.end('x'.repeat(5000));
    if (request.url === '/slow') return;
    return void response.writeHead(200, ['X-Robots-Tag', 'noindex', 'X-Robots-Tag', 'nofollow']).end('here');
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  port = (server.address() as AddressInfo).port;
});
afterAll(async () => {
  server.closeAllConnections();
  await new Promise<void>((resolve) => server.close(() => resolve()));
});

const names: Record<string, string[]> = { 'site.example': ['127.0.0.1'], 'private.example': ['10.1.2.3'], 'mixed.example': ['127.0.0.1', '192.168.0.1'] };
const world: World = standInWorld(
  async (host) => names[host] ?? Promise.reject(Object.assign(new Error(), { code: host === 'silent.example' ? 'ETIMEOUT' : 'ENOTFOUND' })),
  () => port,
);
const fetching = guardedFetch(world, 'TestBot', undefined, { bytes: 1000, milliseconds: 400, redirects: 5 });
afterAll(() => fetching.close());

describe('a guarded fetch', () => {
  it('goes to the checked address under the name that was asked for', async () => {
    expect(await fetching.fetch('https://site.example/x')).toMatchObject({
      ok: true,
      status: 200,
      redirects: [],
      headers: { 'x-robots-tag': ['noindex', 'nofollow'] },
    });
    expect(seen.at(-1)).toEqual({ host: 'site.example', proto: 'https', agent: 'TestBot' });
  });
  it('follows redirects and says so', async () =>
    expect(await fetching.fetch('http://site.example/once')).toMatchObject({
      ok: true,
      redirects: ['http://site.example/end'],
      hops: [
        { address: 'http://site.example/once', status: 301 },
        { address: 'http://site.example/end', status: 200 },
      ],
    }));
  it.each([
    ['http://site.example/loop', 'redirect-loop'],
    ['http://site.example/on-1', 'too-many-redirects'],
    ['http://site.example/to-private', 'private-address'],
    ['http://site.example/large', 'too-large'],
    ['http://site.example/slow', 'timeout'],
    ['http://none.example/', 'no-such-host'],
    ['http://silent.example/', 'no-answer'],
    ['http://mixed.example/', 'private-address'],
    ['http://localhost/', 'private-address'],
    ['http://shop.localhost./', 'private-address'],
    ['http://printer.local/', 'private-address'],
    ['http://wiki.internal/', 'private-address'],
    ['http://box.home.arpa/', 'private-address'],
    ['http://local.example/', 'no-such-host'],
    ['http://169.254.169.254/latest', 'private-address'],
    ['ftp://site.example/', 'bad-address'],
    ['http://user:pw@site.example/', 'bad-address'],
    ['nonsense', 'bad-address'],
  ])('%s fails: %s', async (address, reason) => expect(await fetching.fetch(address)).toMatchObject({ ok: false, reason }));
});

it('the real world is public addresses only', async () => {
  for (const ip of [
    '127.0.0.1',
    '10.0.0.1',
    '172.20.1.1',
    '192.168.1.1',
    '169.254.1.1',
    '100.64.0.1',
    '0.0.0.0',
    '224.0.0.1',
    '::1',
    'fe80::1',
    'fd00::1',
    '::ffff:10.0.0.1',
    '64:ff9b::a00:1',
    'not an address',
  ])
    expect(isPublicAddress(ip), ip).toBe(false);
  for (const ip of ['93.184.216.34', '2a01::1']) expect(isPublicAddress(ip), ip).toBe(true);
  const real = guardedFetch(
    realWorld(async () => ['127.0.0.1']),
    'TestBot',
  );
  expect(await real.fetch(`http://rebound.example:${port}/`)).toMatchObject({ ok: false, reason: 'private-address' });
  await real.close();
});
