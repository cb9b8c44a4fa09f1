import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { dnsTexts } from '../fetching/index.ts';
import { StandInHost } from './host.ts';
import { releaseTexts } from '../testing/release.ts';
import { StandIns } from './stand-ins.ts';
import { Store } from './store.ts';
import { StandInZone } from './zone.ts';

const HOST = 'a.example';
const ORIGIN = `https://${HOST}`;
let folder: string;
let standIns: StandIns;
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'zone-'));
  standIns = new StandIns({ folder, now: () => Date.UTC(2026, 10, 26), randomText: () => 'secret' });
  await standIns.open();
});
afterEach(async () => {
  await standIns.close();
  await rm(folder, { recursive: true, force: true });
});

const release = (files: Readonly<Record<string, string>>, number = 1): Promise<void> => releaseTexts(standIns, HOST, files, number);
const texts = (name: string) => dnsTexts([`127.0.0.1:${standIns.dns.port}`])(name);

describe('records over real packets', () => {
  it('are answered with what the zone says, in as many strings as they need', async () => {
    const long = 'x'.repeat(600);
    await standIns.zone.set(HOST, [
      { name: '@', type: 'TXT', value: 'one', ttl: 60 },
      { name: '@', type: 'TXT', value: long, ttl: 60 },
      { name: '_p', type: 'TXT', value: 'grün', ttl: 60 },
      { name: 'c', type: 'CNAME', value: 'verify.b.example', ttl: 60 },
    ]);
    const found = await texts(HOST);
    expect(Array.isArray(found) && found.map((strings) => strings.join('')).sort()).toEqual(['one', long]);
    expect(Array.isArray(found) && Math.max(...found.flat().map((one) => one.length))).toBe(255);
    expect(await texts(`_p.${HOST}`)).toEqual([['grün']]);
  });
  it('tell a name that is not there from one without records of the sort', async () => {
    expect(await texts(HOST)).toBe('no-such-name');
    await release({ 'index.html': '<title>A</title>' });
    expect(await texts(HOST)).toBe('none');
    await standIns.zone.set(HOST, [{ name: 'x', type: 'TXT', value: 'one', ttl: 60 }]);
    expect([await texts(`x.${HOST}`), await texts(`y.${HOST}`)]).toEqual([[['one']], 'no-such-name']);
  });
  it('of a server that does not answer are told so', async () => {
    expect(await dnsTexts(['127.0.0.1:1'])(HOST)).toBe('no-answer');
  });
  it('are there again after a restart', async () => {
    await standIns.zone.set(HOST, [{ name: '@', type: 'TXT', value: 'one', ttl: 60 }]);
    const again = new StandInZone(new Store(folder), () => 0);
    await again.open();
    expect(again.at(HOST)).toEqual([{ name: '@', type: 'TXT', value: 'one', ttl: 60 }]);
    expect([again.of('constructor'), again.at('b.example')]).toEqual([[], []]);
  });
});

describe('a proof', () => {
  const given = () => standIns.engine('skerry').proofTag(HOST);
  const look = (way: 'tag' | 'file' | 'txt') => standIns.engine('skerry').verify(HOST, ORIGIN, way);
  it('holds by a tag, a file, or a record, whichever was asked for', async () => {
    const { tag, file, record } = given();
    await release({ 'index.html': '<title>A</title>' });
    expect([await look('tag'), await look('file'), await look('txt')]).toMatchObject([
      { kind: 'not-found' },
      { kind: 'no-file', status: 404 },
      { kind: 'no-record', detail: 'none' },
    ]);
    await release({ 'index.html': `<title>A</title>${tag}` }, 2);
    expect([(await look('tag')).kind, (await look('file')).kind, (await look('txt')).kind]).toEqual(['verified', 'verified', 'verified']);
    await release({ 'index.html': '<title>A</title>', [file.name]: `${file.content}!` }, 3);
    expect(await look('file')).toMatchObject({ kind: 'file-differs', found: `${file.content}!` });
    await release({ 'index.html': '<title>A</title>', [file.name]: file.content }, 4);
    expect(await look('file')).toEqual({ kind: 'verified' });
    await release({ 'index.html': '<title>A</title>' }, 5);
    await standIns.zone.set(HOST, [{ name: '@', type: 'TXT', value: 'v=spf1 -all', ttl: 60 }]);
    expect(await look('txt')).toMatchObject({ kind: 'other-records', found: ['v=spf1 -all'] });
    await standIns.zone.set(HOST, [
      { name: '@', type: 'TXT', value: 'v=spf1 -all', ttl: 60 },
      { name: '@', type: 'TXT', value: record, ttl: 60 },
    ]);
    expect(await look('txt')).toEqual({ kind: 'verified' });
  });
  it('is looked at again each day in the way it was found, and its loss is told', async () => {
    await release({ 'index.html': '<title>A</title>' });
    await standIns.zone.set(HOST, [{ name: '@', type: 'TXT', value: given().record, ttl: 60 }]);
    await look('txt');
    await standIns.advance(1);
    expect(standIns.engine('skerry').siteView(HOST).verifiedAt).toBeDefined();
    await standIns.zone.set(HOST, []);
    await standIns.advance(1);
    const { verifiedAt, lostAt, lastOutcome } = standIns.engine('skerry').siteView(HOST);
    expect([verifiedAt, lostAt !== undefined, lastOutcome?.kind]).toEqual([undefined, true, 'no-record']);
  });
});

describe('an address of one’s own', () => {
  const records = [
    { name: '@', type: 'A' as const, value: '127.0.0.1', ttl: 600 },
    { name: 'www', type: 'CNAME' as const, value: 'sites.saltmere-host.example', ttl: 3600 },
    { name: 'six', type: 'AAAA' as const, value: '2001:db8::1', ttl: 60 },
  ];
  it('is asked about by real questions, aliases followed, each sort told apart', async () => {
    await standIns.zone.set('quill.example', records);
    expect(await standIns.askDns('quill.example', 'A')).toMatchObject({ world: 'stand-in', found: ['127.0.0.1'] });
    expect(await standIns.askDns('www.quill.example', 'CNAME')).toMatchObject({ found: ['sites.saltmere-host.example'] });
    expect(await standIns.askDns('www.quill.example', 'A')).toMatchObject({ found: ['127.0.0.1'] });
    expect(await standIns.askDns('six.quill.example', 'AAAA')).toMatchObject({ found: ['2001:db8::1'] });
    expect(await standIns.askDns('six.quill.example', 'A')).toMatchObject({ failed: 'none' });
    expect(await standIns.askDns('nobody.example', 'A')).toMatchObject({ failed: 'no-such-name' });
  });
  it('that changes is held by resolvers for as long as it was to live, whatever it was in between', async () => {
    const former = async (name: string, type: 'A' | 'CNAME'): Promise<unknown> => (await standIns.askDns(name, type)).former;
    await standIns.zone.set('quill.example', records);
    // Who asked before there was one keeps that for a quarter of an hour.
    expect(await former('www.quill.example', 'CNAME')).toEqual([{ values: [], until: '2026-11-26T00:15:00.000Z' }]);
    await standIns.zone.set('quill.example', [{ ...records[0], value: '127.0.0.9' } as never]);
    expect(await former('www.quill.example', 'CNAME')).toEqual([{ values: ['sites.saltmere-host.example'], until: '2026-11-26T01:00:00.000Z' }]);
    expect(await former('quill.example', 'A')).toEqual([
      { values: [], until: '2026-11-26T00:15:00.000Z' },
      { values: ['127.0.0.1'], until: '2026-11-26T00:10:00.000Z' },
    ]);
    // Back at what it was: now the value in between is what some still hold.
    await standIns.zone.set('quill.example', records);
    expect(await former('quill.example', 'A')).toContainEqual({ values: ['127.0.0.9'], until: '2026-11-26T00:10:00.000Z' });
    expect(await former('quill.example', 'A')).not.toContainEqual(expect.objectContaining({ values: ['127.0.0.1'] }));
    await standIns.advance(1);
    expect(await former('quill.example', 'A')).toBeUndefined();
  });
  it('is none where it is lent: Skerry says so', async () => {
    await expect(standIns.engine('skerry').verify('quill.saltmere-host.example', 'https://quill.saltmere-host.example')).rejects.toThrow('domain of their own');
  });
  it('leads on, path by path, once the site has moved; engines follow and drop the old one', async () => {
    await release({ 'index.html': '<title>A</title><a href=/b.html>b</a>', 'b.html': '<title>B</title><p>b' });
    await standIns.advance(1);
    const old = standIns.engine('plover');
    expect(old.siteView(HOST).records.map(({ outcome }) => outcome)).toEqual(['listed', 'listed']);
    await standIns.host.setMoved(HOST, 'https://quill.example');
    await standIns.advance(1);
    expect(old.siteView(HOST).records.map(({ outcome }) => outcome)).not.toContain('listed');
    await standIns.host.setMoved(HOST, null);
    await standIns.advance(1);
    expect(old.siteView(HOST).records.map(({ outcome }) => outcome)).toEqual(['listed', 'listed']);
    expect((await standIns.host.setMoved(HOST, ORIGIN)).movedTo).toBeUndefined();
  });
});

it('what is gone for good answers 410 in every spelling, with the site’s own page, until something stands there again', async () => {
  const answer = async (path: string): Promise<number> =>
    (await standIns.host.server().inject({ url: path, headers: { host: HOST, 'x-forwarded-proto': 'https' } })).statusCode;
  await releaseTexts(standIns, HOST, { 'index.html': '<title>A</title>', '404.html': '<title>No</title>' }, 1, { gone: ['old/index.html', 'ü b.html'] });
  for (const path of ['/old/', '/old/index.html', '/old/?x=1', '/%C3%BC%20b.html']) expect([path, await answer(path)]).toEqual([path, 410]);
  expect([await answer('/'), await answer('/older/'), await answer('/old/a.html')]).toEqual([200, 404, 404]);
  const again = new StandInHost(new Store(folder), standIns.clock);
  await again.open();
  expect((await again.server().inject({ url: '/old/', headers: { host: HOST } })).body).toContain('<title>No</title>');
  await releaseTexts(standIns, HOST, { 'index.html': '<title>A</title>', 'old/index.html': '<title>B</title>' }, 2, { gone: ['old/index.html'] });
  expect(await answer('/old/')).toBe(200);
  await release({ 'index.html': '<title>A</title>' }, 3);
  expect(await answer('/old/')).toBe(404);
});

describe('a site taken offline', () => {
  const outcomes = (): string[] =>
    standIns
      .engine('skerry')
      .siteView(HOST)
      .records.map((record) => record.outcome);
  const listed = async (): Promise<void> => {
    const { tag } = standIns.engine('skerry').proofTag(HOST);
    await release({
      'index.html': `<title>A</title>${tag}<a href=/b.html>b</a>`,
      'b.html': '<title>B</title><h1>B</h1><p>Words of its own.</p>',
      'robots.txt': 'User-agent: *\nDisallow:\n',
    });
    await standIns.engine('skerry').verify(HOST, ORIGIN);
    await standIns.advance(2);
    expect(outcomes()).toEqual(['listed', 'listed']);
  };
  it('that is away for a while stays listed; one that is gone does not; back, it is listed again', async () => {
    await listed();
    await standIns.host.setOffline(HOST, { status: 503, until: '2026-12-01T12:00:00.000Z' });
    await standIns.advance(9);
    expect(outcomes()).toEqual(['listed', 'listed']);
    await standIns.host.setOffline(HOST, null);
    await standIns.advance(9);
    expect(outcomes()).toEqual(['listed', 'listed']);
    await standIns.host.setOffline(HOST, { status: 410 });
    await standIns.advance(9);
    expect(outcomes().every((outcome) => outcome !== 'listed')).toBe(true);
    await standIns.host.setOffline(HOST, null);
    await standIns.engine('skerry').verify(HOST, ORIGIN);
    await standIns.advance(20);
    expect(outcomes()).toEqual(['listed', 'listed']);
  });
  it('answers every address alike, says until when, and stays offline over releases and restarts', async () => {
    await listed();
    await standIns.host.setOffline(HOST, { status: 503, until: '2026-12-01T12:00:00.000Z' });
    await release({ 'index.html': '<title>B</title>' }, 2);
    const again = new StandInHost(new Store(folder), standIns.clock);
    await again.open();
    expect(again.site(HOST)).toMatchObject({ number: 2, offline: { status: 503 } });
    for (const path of ['/', '/robots.txt', '/nothing']) {
      const answer = await standIns.host.server().inject({ url: path, headers: { host: HOST, 'x-forwarded-proto': 'https' } });
      expect([answer.statusCode, answer.headers['retry-after']]).toEqual([503, 'Tue, 01 Dec 2026 12:00:00 GMT']);
      expect(answer.body).toContain('2026-12-01');
    }
    // The site's own page for being away goes before the owner's words, and these before ours.
    const away = async (): Promise<string> =>
      (await standIns.host.server().inject({ url: '/any/', headers: { host: HOST, 'x-forwarded-proto': 'https' } })).body;
    await standIns.host.setOffline(HOST, { status: 503, until: '2026-12-01T12:00:00.000Z', message: 'Moving house <soon>.' });
    expect(await away()).toContain('Moving house &lt;soon>.');
    await release({ 'index.html': '<title>B</title>', '503.html': '<title>Back soon</title>' }, 3);
    expect(await away()).toBe('<title>Back soon</title>');
    await standIns.host.setOffline(HOST, { status: 503, until: '2026-12-01T12:00:00.000Z' });
    await expect(standIns.host.setOffline('b.example', { status: 404 })).rejects.toMatchObject({ code: 'not-found' });
    // A day that is over is none to come back on; what was said before stays.
    await expect(standIns.host.setOffline(HOST, { status: 503, until: '2020-01-01T12:00:00.000Z' })).rejects.toMatchObject({ code: 'past-day' });
    expect(standIns.host.site(HOST)?.offline).toMatchObject({ until: '2026-12-01T12:00:00.000Z' });
  });
});
