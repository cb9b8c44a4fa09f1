import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { request } from 'undici';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { generateSite } from '../../bench/generate-site.ts';
import { filesBelow, realSiteFolder } from '../../bench/real-site.ts';
import type { CrawlLimits } from '../../core/exchange/index.ts';
import { addressOf } from '../../core/site/index.ts';
import { guardedFetch, type Fetch } from '../fetching/index.ts';
import { standInSide } from '../stand-ins/sides.ts';
import { StandIns } from '../stand-ins/index.ts';
import { releaseTexts } from '../testing/release.ts';
import { SLOW } from '../../core/testing/effort.ts';
import { rememberHost, SiteCrawl, sift } from './index.ts';

const HOST = 'docs.example';
const LIMITS: CrawlLimits = { pages: 5_000, bytes: 150_000_000, depth: 30, seconds: 3_600 };
let folder: string;
let standIns: StandIns;
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'whole-site-'));
  standIns = new StandIns({ folder, now: () => Date.UTC(2026, 10, 26), randomText: () => 'secret' });
  await standIns.open();
});
afterEach(async () => {
  await standIns.close();
  await rm(folder, { recursive: true, force: true });
});

/** A crawl of the hosted site over real connections, in which time passes only while it pauses; `log` is what went over the line. */
async function crawl() {
  const ports = () => ({ dns: standIns.dns.port, host: standIns.host.port });
  const real = guardedFetch(standInSide(ports), 'JollyBeacon');
  const log: { path: string; status: number; bytes: number }[] = [];
  let [time, now, most] = [0, 0, 0];
  const fetch: Fetch = async (address, held) => {
    most = Math.max(most, ++now);
    const outcome = await real.fetch(address, held);
    now--;
    log.push({ path: new URL(address).pathname, status: outcome.ok ? outcome.status : 0, bytes: outcome.ok ? outcome.bytes.length : 0 });
    return outcome;
  };
  const run = new SiteCrawl(`https://${HOST}/`, LIMITS, {
    fetch,
    now: () => time,
    wait: async (milliseconds) => {
      time += milliseconds / 2;
      await new Promise((done) => setImmediate(done));
    },
    sift: async (answer) => sift(answer),
    memory: (host) => rememberHost(standIns.store.room('crawled'), host),
  });
  await run.run();
  await real.close();
  return { view: run.view(), files: run.files, told: run.told(), log, most, time };
}
type Files = Awaited<ReturnType<typeof crawl>>['files'];
const differing = (one: Files, other: Files): string[] =>
  [...new Set([...one.keys(), ...other.keys()])].filter(
    (path) => text(one.get(path)?.bytes ?? new Uint8Array()) !== text(other.get(path)?.bytes ?? new Uint8Array()),
  );
const text = (bytes: Uint8Array): string => Buffer.from(bytes).toString('latin1');

describe('a site of a thousand pages from where it lives', SLOW, () => {
  it('comes in as its folder does, politely, and is only asked what changed the next time', async () => {
    const real = realSiteFolder();
    const files = new Map(real === undefined ? [...generateSite(1_000)] : [...(await filesBelow(real))].map(([path, bytes]) => [path, text(bytes)]));
    files.set('robots.txt', 'User-agent: JollyBeacon\nDisallow: /shut/\n');
    files.set('shut/index.html', '<title>Shut</title>');
    const release = (number: number): Promise<void> => releaseTexts(standIns, HOST, Object.fromEntries(files), number, { encoding: 'latin1' });
    await release(1);
    const first = await crawl();
    expect(first.view).toMatchObject({ state: 'done', unchanged: 0 });
    const pages = [...first.files.keys()].filter((path) => path.endsWith('.html'));
    expect(pages.length).toBeGreaterThanOrEqual(1_000);
    // The same bytes under the same names at the same addresses: whatever is said of them is the same.
    for (const [path, { bytes, address }] of first.files) {
      if (text(bytes) !== files.get(path)) throw new Error(`${path} is not the file of the folder`);
      if (address !== undefined) throw new Error(`${path} is at ${address}, not at ${addressOf(path)}`);
    }
    expect(first.log.filter(({ path }) => path.startsWith('/shut/'))).toEqual([]);
    expect(first.most).toBeLessThanOrEqual(2);
    expect(first.time).toBeGreaterThanOrEqual(((first.log.length - 10) * 250) / 2);

    const second = await crawl();
    expect(second.view).toMatchObject({ state: 'done', pages: first.view.pages, unchanged: first.files.size });
    expect(differing(first.files, second.files)).toEqual([]);
    const moved = second.log.filter(({ status }) => status === 200).reduce((sum, { bytes }) => sum + bytes, 0);
    // What came over the line is the first page, to find out where the site is, and the rules.
    expect(moved).toBeLessThan(200_000);

    const changed = pages.find((path) => path !== 'index.html') as string;
    files.set(changed, (files.get(changed) as string).replace('</body>', '<p>One sentence more.</p></body>'));
    await release(2);
    const third = await crawl();
    expect(third.view.unchanged).toBe(first.files.size - 1);
    expect(text((third.files.get(changed) as { bytes: Uint8Array }).bytes)).toBe(files.get(changed));
  });
  it('has what only style sheets name, and the headers that its files were answered with', async () => {
    const files = {
      'index.html':
        '<a href=/paper.pdf>Paper</a><link rel=stylesheet href=/s/a.css><style>h1{background:url(inline.png)}</style><p>Words that are enough for a page to be read by those who look.',
      's/a.css': '@import "b.css"; p{background:url(../back.png)}',
      's/b.css': '@font-face{src:url(f.woff2)}',
      'back.png': 'x',
      'inline.png': 'x',
      's/f.woff2': 'x',
      'paper.pdf': 'x',
    };
    await releaseTexts(standIns, HOST, files, 1, { headers: [{ path: '.pdf', match: 'ends', values: ['noindex'] }] });
    const found = await crawl();
    expect([...found.files.keys()].sort()).toEqual(['back.png', 'index.html', 'inline.png', 'paper.pdf', 's/a.css', 's/b.css', 's/f.woff2']);
    const { files: named, ...told } = found.told;
    expect([...named].sort()).toEqual([...found.files.keys()].sort());
    expect(told).toEqual({ origin: `https://${HOST}`, addresses: {}, tags: { 'paper.pdf': ['noindex'] }, languages: {}, canonicals: [] });
  });
});

describe('the host', () => {
  it('says what is still held by its mark, and sends what is not', async () => {
    await releaseTexts(standIns, HOST, { 'index.html': '<title>A</title>' });
    const get = async (headers: Record<string, string>) => {
      const answer = await request(`http://127.0.0.1:${standIns.host.port}/`, { headers: { host: HOST, ...headers } });
      await answer.body.dump();
      return answer;
    };
    const whole = await get({});
    const mark = String(whole.headers['etag']);
    const at = String(whole.headers['last-modified']);
    const status = async (headers: Record<string, string>): Promise<number> => (await get(headers)).statusCode;
    expect(await Promise.all([status({ 'if-none-match': mark }), status({ 'if-none-match': `"x", W/${mark}` }), status({ 'if-none-match': '*' })])).toEqual([
      304, 304, 304,
    ]);
    expect(await Promise.all([status({ 'if-none-match': '"x"' }), status({ 'if-modified-since': at })])).toEqual([200, 304]);
    // The mark goes before the time (RFC 9110, 13.2.2).
    expect(await status({ 'if-none-match': '"x"', 'if-modified-since': at })).toBe(200);
    expect(await status({ 'if-modified-since': 'yesterday' })).toBe(200);
  });
});
