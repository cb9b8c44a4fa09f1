import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { guardedFetch, OWN_NAME } from '../fetching/index.ts';
import { publishForm } from '../../core/sitemap/index.ts';
import { NOTICES_A_DAY } from './notices.ts';
import { standInSide } from './sides.ts';
import { releaseTexts } from '../testing/release.ts';
import { StandIns } from './stand-ins.ts';

const HOST = 'a.example';
const ORIGIN = `https://${HOST}`;
const KEY = '0123456789abcdef';
let folder: string;
let standIns: StandIns;
const open = async (): Promise<void> => {
  standIns = new StandIns({ folder, now: () => Date.UTC(2026, 10, 26, 9), randomText: () => 'secret' });
  await standIns.open();
};
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'watching-'));
  await open();
});
afterEach(async () => {
  await standIns.close();
  await rm(folder, { recursive: true, force: true });
});

const PAGES = {
  'index.html': '<title>Book repair in Saltmere | Quill</title><p>We repair books. <a href="/one.html">One</a> <a href="/two.html">Two</a>',
  'one.html': '<title>Old book boxes | Quill</title><link rel=stylesheet href=/style.css><img src=/hidden/a.png alt=""><img src=gone.png alt=""><p>Boxes.',
  'two.html': '<title>Paper and thread | Quill</title><p>Paper.',
  'style.css': 'p { color: red }',
  'robots.txt': 'User-agent: *\nDisallow: /hidden/\n',
  'hidden/a.png': 'x',
};
const release = (files: Readonly<Record<string, string>> = PAGES, number = 1): Promise<void> => releaseTexts(standIns, HOST, files, number);
const plover = () => standIns.engine('plover');
const skerry = () => standIns.engine('skerry');

describe('change notices, over HTTP, to the engines’ own hosts', () => {
  const tell = async (change: Record<string, unknown> = {}, engine = 'plover'): Promise<number | string> => {
    const body = { host: HOST, key: KEY, urlList: [`${ORIGIN}/one.html`], ...change };
    const sent = await standIns.sends['stand-in'](`https://${engine}.example/indexnow`, { json: JSON.stringify(body) });
    return sent.ok ? sent.status : sent.reason;
  };
  it('answer as the protocol says, and put what was told of at the head of the line', async () => {
    await release();
    expect(await tell()).toBe(403);
    await release({ ...PAGES, [`${KEY}.txt`]: 'something else' });
    expect(await tell()).toBe(403);
    await release({ ...PAGES, [`${KEY}.txt`]: KEY });
    expect(await tell()).toBe(200);
    expect(await tell({ key: 'short' })).toBe(400);
    expect(await tell({ urlList: [] })).toBe(400);
    expect(await tell({ urlList: 'x' })).toBe(400);
    expect(await tell({ urlList: ['https://b.example/'] })).toBe(422);
    expect(plover().siteView(HOST).queue).toMatchObject([{ address: `${ORIGIN}/one.html`, told: true }]);
    await standIns.advance(1);
    expect(plover().siteView(HOST).queue).toEqual([]);
  });
  it('are taken for later where the host is away, and refused where they come too often', async () => {
    await release({ ...PAGES, [`${KEY}.txt`]: KEY });
    await standIns.host.setOffline(HOST, { status: 503 });
    expect(await tell()).toBe(202);
    await standIns.host.setOffline(HOST, null);
    for (let told = 0; told < NOTICES_A_DAY; told++) expect(await tell()).toBe(200);
    expect(await tell()).toBe(429);
    await standIns.advance(1);
    expect(await tell()).toBe(200);
  });
  it('come by GET with one address too, and to no other host', async () => {
    await release({ ...PAGES, [`${KEY}.txt`]: KEY });
    const { fetch, close } = guardedFetch(
      standInSide(() => ({ dns: standIns.dns.port, host: standIns.host.port })),
      OWN_NAME,
    );
    const got = await fetch(`https://skerry.example/indexnow?url=${encodeURIComponent(`${ORIGIN}/two.html`)}&key=${KEY}`);
    const bad = await fetch(`https://skerry.example/indexnow?key=${KEY}`);
    await close();
    expect([got.ok && got.status, bad.ok && bad.status]).toEqual([200, 400]);
    expect(await standIns.sends['stand-in'](`${ORIGIN}/indexnow`, { json: '{}' })).toMatchObject({ ok: true, status: 404 });
  });
  it('are never sent to a private network', async () => {
    expect(await standIns.sends.real('http://127.0.0.1:9/indexnow', { json: '{}' })).toEqual({ ok: false, reason: 'private-address' });
    expect(await standIns.sends.real('http://[::1]/indexnow', { json: '{}' })).toEqual({ ok: false, reason: 'private-address' });
  });
});

describe('a hub of feeds, over HTTP (WebSub)', () => {
  const hub = 'https://skerry.example/hub';
  const feed = (self: string, named: string): string =>
    `<feed xmlns="http://www.w3.org/2005/Atom"><link rel="self" href="${self}"/><link rel="hub" href="${named}"/><entry><link href="${ORIGIN}/two.html"/></entry></feed>`;
  const tell = async (form: Readonly<Record<string, string>>, address = hub): Promise<number | string> => {
    const sent = await standIns.sends['stand-in'](address, { form });
    return sent.ok ? sent.status : sent.reason;
  };
  const topic = `${ORIGIN}/atom.xml`;
  it('is told of a feed that names it, and passes on what stands in it', async () => {
    await release({ ...PAGES, 'atom.xml': feed(topic, hub) });
    expect(await tell(publishForm(topic))).toBe(202);
    for (const engine of [plover(), skerry()]) expect(engine.siteView(HOST).queue).toMatchObject([{ address: `${ORIGIN}/two.html`, told: true }]);
    expect(await tell(publishForm(topic), `${ORIGIN}/hub`)).toBe(404);
  });
  it('takes no other feed, and nothing else', async () => {
    await release({ ...PAGES, 'atom.xml': feed(topic, 'https://other.example/'), 'b.xml': feed(topic, hub), 'c.xml': 'no feed' });
    for (const path of ['atom.xml', 'b.xml', 'c.xml', 'gone.xml']) expect(await tell(publishForm(`${ORIGIN}/${path}`))).toBe(403);
    expect(await tell({ 'hub.mode': 'subscribe', 'hub.topic': topic })).toBe(400);
    expect(await tell({})).toBe(400);
    expect(await standIns.sends['stand-in'](hub, { json: '{"hub.mode":"publish"}' })).toMatchObject({ status: 400 });
    for (const engine of [plover(), skerry()]) expect(engine.siteView(HOST).queue ?? []).toEqual([]);
  });
  it('takes what it cannot look at now', async () => {
    await release({ ...PAGES, 'atom.xml': feed(topic, hub) });
    await standIns.host.setOffline(HOST, { status: 503 });
    expect(await tell(publishForm(topic))).toBe(202);
  });
});

describe('fresh visits', () => {
  it('are taken within the allowance, kept in their order, and outlive a restart', async () => {
    await release();
    await standIns.advance(1);
    const wanted = Array.from({ length: 7 }, (_, at) => `${ORIGIN}/new-${at}.html`);
    await plover().visitSoon(HOST, wanted);
    await plover().visitSoon(HOST, wanted.slice(0, 2));
    expect(
      plover()
        .siteView(HOST)
        .queue.map(({ address }) => address),
    ).toEqual(wanted);
    await standIns.close();
    await open();
    await standIns.advance(1);
    expect(
      plover()
        .siteView(HOST)
        .queue.map(({ address }) => address),
    ).toEqual(wanted.slice(5));
    expect(plover().record(wanted[0] as string)).toMatchObject({ status: 404, outcome: 'not-listed' });
  });
  it('are for the site’s own addresses, and for who has proved it', async () => {
    await release();
    await expect(skerry().visitSoon(HOST, [`${ORIGIN}/`])).rejects.toThrow('Prove first');
    await standIns.advance(1);
    await expect(plover().visitSoon(HOST, ['https://b.example/'])).rejects.toThrow('another host');
  });
});

it('an address is shown as it was got, with the files that its page needs', async () => {
  await release();
  await standIns.advance(1);
  const told = await standIns.closely('plover', `${ORIGIN}/one.html`);
  expect(told.html).toBe(PAGES['one.html']);
  expect(told.record?.got?.headers['content-type']).toEqual(['text/html']);
  expect(Object.fromEntries(told.resources.map(({ address, what, status }) => [address.replace(ORIGIN, ''), status ?? what]))).toEqual({
    '/style.css': 'there',
    '/hidden/a.png': 'forbidden',
    '/gone.png': 404,
  });
  expect(await standIns.closely('plover', `${ORIGIN}/never.html`)).toEqual({ resources: [] });
});

it('each day is written down: how requests were answered, and what became another thing', async () => {
  await release();
  await standIns.advance(1);
  const [first] = plover().siteView(HOST).days;
  expect(first?.answers).toEqual({ 200: 3 });
  expect(first?.changes?.map(({ address, to }) => [address.replace(ORIGIN, ''), to])).toEqual([
    ['/', 'listed'],
    ['/one.html', 'listed'],
    ['/two.html', 'listed'],
  ]);
  await release({ ...PAGES, 'two.html': '<meta name=robots content=noindex><p>x' }, 2);
  await standIns.advance(2);
  const days = plover().siteView(HOST).days;
  expect(days.map(({ changes }) => changes?.length)).toEqual([0, 1, 3]);
  expect(days[1]?.changes).toEqual([{ address: `${ORIGIN}/two.html`, from: 'listed', to: 'not-listed', why: 'noindex' }]);
});

it('what searchers saw is told two days later, with the first click in the log', async () => {
  await release();
  await plover().wishedFor(HOST, ['book repair saltmere']);
  await standIns.advance(2);
  const until = () => plover().seen(HOST).until;
  expect([until(), plover().seen(HOST).rows]).toEqual(['2026-11-26', []]);
  await standIns.advance(12);
  const { rows } = plover().seen(HOST);
  expect(rows.every(({ day }) => day <= until())).toBe(true);
  expect(rows.some(({ query, address, seen }) => query === 'book repair saltmere' && address === `${ORIGIN}/` && seen > 0)).toBe(true);
  expect(
    plover()
      .siteView(HOST)
      .log.filter(({ code }) => code === 'first-click'),
  ).toHaveLength(1);
});

it('a map can be handed in with its parts, told wrong with the line, and taken back', async () => {
  const proof = skerry().proofTag(HOST);
  const entry = (name: string): string => `<sitemap><loc>${ORIGIN}/${name}</loc></sitemap>`;
  await release({
    ...PAGES,
    'index.html': proof.tag,
    'sitemap.xml': `<sitemapindex>${entry('a.xml')}${entry('b.xml')}</sitemapindex>`,
    'a.xml': `<urlset><url><loc>${ORIGIN}/one.html</loc></url></urlset>`,
    'b.xml': '<urlset>\n<url>\n<loc>https://a.example/?a&b</loc></url></urlset>',
  });
  await skerry().verify(HOST, ORIGIN);
  await skerry().handIn(HOST, `${ORIGIN}/sitemap.xml`);
  expect(skerry().siteView(HOST).maps).toMatchObject([
    {
      count: 1,
      parts: [
        { count: 1, problem: undefined },
        { count: 0, problem: expect.stringContaining('line 3') as string },
      ],
    },
  ]);
  await skerry().takeBack(HOST, `${ORIGIN}/sitemap.xml`);
  expect(skerry().siteView(HOST).maps).toEqual([]);
  expect(
    skerry()
      .siteView(HOST)
      .records.map(({ address }) => address),
  ).toContain(`${ORIGIN}/one.html`);
  expect(
    skerry()
      .siteView(HOST)
      .log.map(({ code }) => code),
  ).toEqual(['map-taken-back', 'map-handed-in', 'proved']);
});
