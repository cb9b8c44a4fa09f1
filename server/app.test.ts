import { createHash } from 'node:crypto';
import { mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { Resolver } from 'node:dns/promises';
import { zipSync } from 'fflate';
import type { FastifyInstance } from 'fastify';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { engineSite, fetchedMap, liveAnswer, type EngineSite, type ProofTag, type SearchAnswer } from '../core/exchange/index.ts';
import { buildApp } from './app.ts';
import { ERRORS } from './errors.ts';
import { dnsResolve, guardedFetch, standInWorld, type Fetch } from './fetching/index.ts';
import { StandIns, workHere } from './stand-ins/index.ts';

const HOST = 'a.example';
const ORIGIN = `https://${HOST}`;
let folder: string;
let standIns: StandIns;
let app: FastifyInstance;
/** Asks as any visitor of the stand-in host would. */
let visit: Fetch;
let endVisits: () => Promise<void>;

async function open(): Promise<void> {
  standIns = new StandIns({
    folder,
    now: () => Date.UTC(2026, 10, 25, 10),
    randomText: () => 'a secret of the test',
    doWork: (ports) => workHere(ports, async () => ({ ok: false, reason: 'private-address', redirects: [], hops: [] })),
  });
  await standIns.open();
  const world = standInWorld(
    (host) => dnsResolve([`127.0.0.1:${standIns.dns.port}`])(host),
    () => standIns.host.port,
  );
  ({ fetch: visit, close: endVisits } = guardedFetch(world, 'JollyBeacon'));
  app = await buildApp({
    standIns,
    demoFolder: join(import.meta.dirname, '..', 'demo'),
    appFolder: join(folder, 'no-app'),
  });
}
const close = async (): Promise<void> => {
  await app.close();
  await endVisits();
  await standIns.close();
};
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'stand-ins-'));
  await open();
});
afterEach(async () => {
  await close();
  await rm(folder, { recursive: true });
});

const headers = { host: '127.0.0.1:4310', origin: 'http://127.0.0.1:4310' };
async function post<T>(url: string, body: object): Promise<{ status: number; body: T }> {
  const response = await app.inject({ method: 'POST', url, headers, payload: body });
  return { status: response.statusCode, body: response.json() as T };
}
async function get<T>(url: string): Promise<T> {
  return (await app.inject({ url, headers })).json();
}
const sha = (text: string | Uint8Array): string => createHash('sha256').update(text).digest('hex');

async function release(files: Readonly<Record<string, string | Uint8Array>>, number = 1, more: object = {}): Promise<number> {
  const bundle = zipSync(Object.fromEntries(Object.values(files).map((text) => [sha(text), Buffer.from(text)])));
  const sent = await app.inject({
    method: 'POST',
    url: '/api/host/bytes',
    headers: { ...headers, 'content-type': 'application/zip' },
    payload: Buffer.from(bundle),
  });
  expect(sent.statusCode).toBe(200);
  return (
    await post(`/api/host/sites/${HOST}/releases`, {
      number,
      origin: ORIGIN,
      files: Object.entries(files).map(([path, text]) => ({ path, hash: sha(text), size: text.length })),
      ...more,
    })
  ).status;
}

describe('the guard', () => {
  it.each([
    ['a foreign Host', { host: 'evil.example' }, 403, 'foreign-host'],
    ['no Host of ours', { host: 'evil.127.0.0.1' }, 403, 'foreign-host'],
    ['a foreign Origin', { host: '127.0.0.1:4310', origin: 'https://evil.example' }, 403, 'foreign-origin'],
    ['a picture on another page', { host: '127.0.0.1:4310', 'sec-fetch-site': 'cross-site' }, 403, 'foreign-origin'],
    ['another port as Origin', { host: '127.0.0.1:4310', origin: 'http://127.0.0.1:4311' }, 403, 'foreign-origin'],
  ])('turns away %s', async (_, foreign, status, code) => {
    const response = await app.inject({ url: '/api/clock', headers: foreign });
    expect([response.statusCode, (response.json() as { error: { code: string } }).error.code]).toEqual([status, code]);
  });
  it('wants an Origin of whatever changes something', async () => {
    expect((await app.inject({ method: 'POST', url: '/api/clock/advance', headers: { host: 'localhost:4310' }, payload: { days: 1 } })).statusCode).toBe(403);
  });
  it('sends a policy that lets nothing foreign in', async () => {
    const { 'content-security-policy': policy } = (await app.inject({ url: '/api/clock', headers })).headers;
    expect(policy).toContain("default-src 'none'");
    expect(policy).toContain("script-src 'self';");
  });
});

describe('errors', () => {
  it.each([
    ['POST', '/api/clock/advance', { days: 0 }, 'bad-input'],
    ['POST', '/api/clock/advance', { days: 1, more: true }, 'bad-input'],
    ['GET', '/api/host/sites/..%2f..', undefined, 'bad-input'],
    ['POST', '/api/engines/skerry/sitemaps', { host: HOST, address: `${ORIGIN}/sitemap.xml` }, 'not-verified'],
    ['POST', `/api/host/sites/${HOST}/releases`, { number: 1, origin: ORIGIN, files: [{ path: '../x', hash: sha('x'), size: 1 }] }, 'bad-input'],
    ['POST', `/api/host/sites/${HOST}/releases`, { number: 1, origin: ORIGIN, files: [{ path: 'x', hash: sha('never sent'), size: 1 }] }, 'missing-bytes'],
    ['GET', '/api/nonsense', undefined, 'not-found'],
  ] as const)('%s %s with %j: %s', async (method, url, payload, code) => {
    const response = await app.inject({ method, url, headers, ...(payload ? { payload } : {}) });
    expect(response.json()).toMatchObject({ error: { code, message: ERRORS[code].message } });
    expect(response.statusCode).toBe(ERRORS[code].status);
  });
  it('of bytes that are not what they claim to be', async () => {
    const bundle = Buffer.from(zipSync({ [sha('one')]: Buffer.from('another') }));
    const response = await app.inject({ method: 'POST', url: '/api/host/bytes', headers: { ...headers, 'content-type': 'application/zip' }, payload: bundle });
    expect(response.json()).toMatchObject({ error: { code: 'wrong-bytes' } });
  });
});

const TAGGED = (tag: string): Record<string, string> => ({
  'index.html': `<html lang=en><head>${tag}<title>Bindery</title><meta name=description content="We mend books."></head><h1>Bindery</h1><a href=/a/>a</a> <a href=/shut/>shut</a> <a href=/away>moved</a>`,
  'a/index.html': '<title>Boxes</title><p>Clamshell boxes to measure.',
  'shut/index.html': '<title>Shut</title><p>Secret.',
  'out/index.html': '<meta name=robots content=noindex><title>Out</title><p>x',
  'away/index.html': '<title>Away</title><link rel=canonical href=/a/><p>x',
  'robots.txt': 'User-agent: *\nDisallow: /shut/\n',
  'sitemap.xml': `<urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9"><url><loc>${ORIGIN}/</loc></url><url><loc>${ORIGIN}/a/</loc></url><url><loc>${ORIGIN}/out/</loc></url><url><loc>${ORIGIN}/missing/</loc></url><url><loc>https://b.example/</loc></url></urlset>`,
});

describe('the whole way over the wire', () => {
  it('from release to a listed page, obeying what the site says', async () => {
    const tag = await get<ProofTag>(`/api/engines/skerry/tags/${HOST}`);
    expect((await post('/api/engines/skerry/verifications', { host: HOST, origin: ORIGIN })).body).toEqual({ kind: 'not-live', detail: 'no-such-host' });
    expect(await release(TAGGED(''))).toBe(200);
    expect((await post('/api/engines/skerry/verifications', { host: HOST, origin: ORIGIN })).body).toEqual({ kind: 'not-found' });
    await release(TAGGED(tag.tag.replace(tag.content, `${tag.content}x`)), 2);
    expect((await post('/api/engines/skerry/verifications', { host: HOST, origin: ORIGIN })).body).toMatchObject({ kind: 'altered' });
    await release(TAGGED(tag.tag), 3);
    expect((await post('/api/engines/skerry/verifications', { host: HOST, origin: ORIGIN })).body).toEqual({ kind: 'verified' });

    const handed = await post<EngineSite>('/api/engines/skerry/sitemaps', { host: HOST, address: `${ORIGIN}/sitemap.xml` });
    expect(handed.body.maps).toMatchObject([{ count: 4, problem: expect.stringContaining('another host') as unknown }]);
    expect(handed.body.records.every((record) => record.outcome === 'waiting')).toBe(true);
    await post('/api/clock/advance', { days: 1 });
    const site = engineSite.parse(await get(`/api/engines/skerry/sites/${HOST}`));
    const outcomes = Object.fromEntries(site.records.map((record) => [new URL(record.address).pathname, [record.outcome, record.reason.code]]));
    expect(outcomes).toEqual({
      '/': ['listed', 'reached'],
      '/a/': ['listed', 'reached'],
      '/shut/': ['bare', 'rule'],
      '/out/': ['not-listed', 'noindex'],
      '/missing/': ['not-listed', 'answered'],
      '/away': ['not-listed', 'answered'],
      '/away/': ['not-listed', 'canonical-elsewhere'],
    });
    const { results } = await get<SearchAnswer>('/api/engines/skerry/search?q=clamshell');
    expect(results.map((result) => result.address)).toEqual([`${ORIGIN}/a/`]);
    const all = await get<SearchAnswer>(`/api/engines/skerry/search?q=site:${HOST}`);
    expect(all.results.find((result) => result.bare)).toMatchObject({ title: `${HOST}/shut/`, snippet: '' });

    // The next day the tag is gone, and so is the proof.
    await release(TAGGED(''), 4);
    await post('/api/clock/advance', { days: 1 });
    const after = await get<EngineSite>(`/api/engines/skerry/sites/${HOST}`);
    expect([after.verifiedAt, after.lostAt === undefined]).toEqual([undefined, false]);
  });

  it('goes on after the server was started again', async () => {
    await release(TAGGED((await get<ProofTag>(`/api/engines/skerry/tags/${HOST}`)).tag));
    await post('/api/engines/skerry/verifications', { host: HOST, origin: ORIGIN });
    await post('/api/engines/skerry/sitemaps', { host: HOST, address: `${ORIGIN}/sitemap.xml` });
    await post('/api/clock/advance', { days: 2 });
    const [before, clock] = [await get<EngineSite>(`/api/engines/skerry/sites/${HOST}`), await get('/api/clock')];
    await close();
    await open();
    expect(await get<EngineSite>(`/api/engines/skerry/sites/${HOST}`)).toEqual(before);
    expect(await get('/api/clock')).toEqual(clock);
    expect(clock).toEqual({ now: '2026-11-27T10:00:00.000Z' });
    expect(liveAnswer.parse(await get(`/api/live?address=${encodeURIComponent(`${ORIGIN}/a/`)}`))).toMatchObject({
      world: 'stand-in',
      answer: { ok: true, status: 200 },
      robots: { status: 200 },
      way: { reality: 'listed' },
    });
  });

  it('tells where in what is live stands what decided', async () => {
    const html = '<!doctype html>\n<html lang="en"><head><title>B</title>\n  <meta name="robots" content="noindex">';
    await release({ 'b/index.html': html });
    const { way, places } = liveAnswer.parse(await get(`/api/live?address=${encodeURIComponent(`${ORIGIN}/b/`)}`));
    expect(way.reality).toBe('out');
    expect(places).toEqual({ listed: { line: 3, column: 3 } });
  });

  it('treats a robots.txt that cannot be had as a closed door', async () => {
    await release(TAGGED((await get<ProofTag>(`/api/engines/skerry/tags/${HOST}`)).tag));
    await post('/api/engines/skerry/verifications', { host: HOST, origin: ORIGIN });
    const live = liveAnswer.parse(await get(`/api/live?address=${encodeURIComponent('http://10.0.0.1/')}`));
    expect(live).toMatchObject({ world: 'real', answer: { ok: false, reason: 'private-address' }, robots: { redirects: [] } });
    expect(live.way.gates.flatMap((gate) => (gate.behind === 'shut' ? [gate.reason.code] : []))).toEqual(['no-answer', 'robots-unreachable']);
  });
});

describe('the host', () => {
  const ask = async (path: string, host = `${HOST}.localhost`) => {
    const outcome = await visit(`https://${host.replace('.localhost', '')}${path}`);
    if (!outcome.ok) throw new Error(outcome.reason);
    return outcome;
  };
  it('serves files as they are, folders by their index, and nothing that could run', async () => {
    await release({ 'index.html': '<script>alert(1)</script>', 'a/index.html': 'A', 'b.html': 'B', 's.css': 'x', '404.html': 'own 404' });
    const home = await ask('/');
    expect([home.status, Buffer.from(home.bytes).toString(), home.headers['content-type']]).toEqual([200, '<script>alert(1)</script>', ['text/html']]);
    expect(home.headers['content-security-policy']?.[0]).toContain("script-src 'none'");
    expect((await ask('/a?x=1')).redirects).toEqual([`https://${HOST}/a/?x=1`]);
    expect((await ask('/b')).status).toBe(200);
    expect((await ask('/s.css')).headers['content-type']).toEqual(['text/css']);
    const missing = await ask('/none');
    expect([missing.status, Buffer.from(missing.bytes).toString()]).toEqual([404, 'own 404']);
    expect((await ask('/constructor')).status).toBe(404);
  });
  it('is visited by a browser under the name with .localhost behind it', async () => {
    await release({ 'index.html': 'hello' });
    const served = await standIns.host.server().inject({ url: '/', headers: { host: `${HOST}.localhost:4311` } });
    expect([served.statusCode, served.body]).toEqual([200, 'hello']);
    expect((await standIns.host.server().inject({ url: '/', headers: { host: 'other.example' } })).statusCode).toBe(404);
  });
  it('says what it hosts, and that there is nothing', async () => {
    expect(await get(`/api/host/sites/${HOST}`)).toEqual({ site: null });
    await release({ 'index.html': 'hello' }, 7);
    expect(await get(`/api/host/sites/${HOST}`)).toMatchObject({
      site: { host: HOST, number: 7, files: 1, visit: `http://${HOST}.localhost:${standIns.host.port}/` },
    });
  });
  it('leads the twins of its name to the one address, and every scheme to the one that the site has', async () => {
    await release({ 'index.html': 'hello', 'a.html': 'A' });
    const www = await visit(`https://www.${HOST}/a?x=1`);
    expect(www.ok && www.hops.map((hop) => [hop.address, hop.status])).toEqual([
      [`https://www.${HOST}/a?x=1`, 301],
      [`${ORIGIN}/a?x=1`, 200],
    ]);
    const plain = await visit(`http://${HOST}/`);
    expect(plain.ok && plain.redirects).toEqual([`${ORIGIN}/`]);
    const { twins } = liveAnswer.parse(await get(`/api/live?address=${encodeURIComponent(`${ORIGIN}/a`)}`));
    expect(twins.map((variant) => [variant.address, variant.leadsTo])).toEqual([
      [`https://www.${HOST}/a`, `${ORIGIN}/a`],
      [`http://${HOST}/a`, `${ORIGIN}/a`],
      [`http://www.${HOST}/a`, `${ORIGIN}/a`],
    ]);
    const below = liveAnswer.parse(await get(`/api/live?address=${encodeURIComponent(`https://docs.${HOST}/a`)}`));
    expect(below.twins.map(({ address }) => address)).toEqual([`http://docs.${HOST}/a`]);
  });
  it('sends headers along with files as the release says', async () => {
    await release({ 'a.pdf': '%PDF', 'A.PDF': '%PDF', 'b.html': 'B' }, 2, {
      headers: [{ path: '.pdf', match: 'ends', values: ['noindex', 'PloverBot: noarchive'] }],
    });
    expect((await ask('/a.pdf')).headers['x-robots-tag']?.join()).toBe('noindex,PloverBot: noarchive');
    expect((await ask('/b')).headers['x-robots-tag']).toBeUndefined();
  });
  it('keeps a draft from everybody, and a site with a password from those without it', async () => {
    await release({ 'index.html': 'hello', 'robots.txt': 'User-agent: *' }, 2, { audience: 'draft' });
    expect([(await ask('/')).status, (await ask('/robots.txt')).status]).toEqual([404, 404]);
    await release({ 'index.html': 'hello' }, 3, { audience: 'restricted', password: 'linen: thread' });
    const stranger = await ask('/');
    expect([stranger.status, stranger.headers['www-authenticate']?.[0]]).toEqual([401, 'Basic realm="This site", charset="UTF-8"']);
    const entering = async (password: string) =>
      (
        await standIns.host
          .server()
          .inject({ url: '/', headers: { host: HOST, authorization: `Basic ${Buffer.from(`anybody:${password}`).toString('base64')}` } })
      ).statusCode;
    expect([await entering('linen: thread'), await entering('linen'), await entering('')]).toEqual([200, 401, 401]);
    // The password itself is nowhere in what the host keeps.
    expect(await readFile(join(folder, 'host.json'), 'utf8')).not.toContain('thread');
    await release({ 'index.html': 'hello' }, 4, { audience: 'restricted' });
    expect(await entering('')).toBe(401);
    await release({ 'index.html': 'hello' }, 5);
    expect((await ask('/')).status).toBe(200);
  });
  it('gives maps to their reader, packed or not, and says why it cannot', async () => {
    const map = `<urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9"><url><loc>${ORIGIN}/</loc></url></urlset>`;
    await release({ 'sitemap.xml': map, 'sitemap.xml.gz': gzipSync(map), 'broken.gz': Buffer.from([0x1f, 0x8b, 8, 0, 1]) });
    const fetched = async (path: string) => fetchedMap.parse(await get(`/api/map?address=${encodeURIComponent(ORIGIN + path)}`));
    expect(await fetched('/sitemap.xml')).toMatchObject({ ok: true, text: map, gzip: false });
    expect(await fetched('/sitemap.xml.gz')).toMatchObject({ ok: true, text: map, gzip: true });
    expect(await fetched('/broken.gz')).toEqual({ ok: false, reason: 'gzip', status: 200 });
    expect(await fetched('/none.xml')).toEqual({ ok: false, reason: 'status', status: 404 });
  });
  it('asks only for bytes that it lacks', async () => {
    await release({ 'index.html': 'hello' });
    expect((await post('/api/host/missing', { hashes: [sha('hello'), sha('more')] })).body).toEqual({ missing: [sha('more')] });
  });
});

describe('Plover', () => {
  it('comes upon a released site by itself, and reads the map that robots.txt names', async () => {
    await release({
      'index.html': '<title>Home</title><p>x',
      'lone/index.html': '<title>Lone</title><p>y',
      'robots.txt': `User-agent: *\nDisallow:\n\nSitemap: ${ORIGIN}/sitemap.xml`,
      'sitemap.xml': `<urlset><url><loc>${ORIGIN}/lone/</loc></url></urlset>`,
    });
    expect((await get<EngineSite>(`/api/engines/plover/sites/${HOST}`)).records).toEqual([]);
    await post('/api/clock/advance', { days: 1 });
    const site = engineSite.parse(await get(`/api/engines/plover/sites/${HOST}`));
    expect(site.records.map((record) => [record.address, record.outcome])).toEqual([
      [`${ORIGIN}/`, 'listed'],
      [`${ORIGIN}/lone/`, 'listed'],
    ]);
    // Skerry waits for a proof.
    expect((await get<EngineSite>(`/api/engines/skerry/sites/${HOST}`)).records).toEqual([]);
  });
});

describe('the DNS', () => {
  it('answers real packets: hosted names, and no others', async () => {
    await release({ 'index.html': 'x' });
    const resolver = new Resolver();
    resolver.setServers([`127.0.0.1:${standIns.dns.port}`]);
    expect(await resolver.resolve4(HOST)).toEqual(['127.0.0.1']);
    await expect(resolver.resolve4('none.example')).rejects.toMatchObject({ code: 'ENOTFOUND' });
    expect(standIns.dns.answer(Buffer.from('noise'))).toBeUndefined();
  });
});

it('hands the demo out as a ZIP with its story', async () => {
  const zip = await app.inject({ url: '/api/demo.zip', headers });
  expect(zip.rawPayload.subarray(0, 2).toString()).toBe('PK');
  expect(await get('/api/demo')).toMatchObject({ host: 'quillfeather.example', releaseNumber: 4 });
});
