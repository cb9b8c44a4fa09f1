import { createHash } from 'node:crypto';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { dnsTexts } from '../fetching/index.ts';
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

/** Releases some files under the host's name. */
async function release(files: Readonly<Record<string, string>>, number = 1): Promise<void> {
  const all = await Promise.all(
    Object.entries(files).map(async ([path, text]) => {
      const bytes = Buffer.from(text);
      const hash = createHash('sha256').update(bytes).digest('hex');
      await standIns.store.keepBytes(hash, bytes);
      return { path, hash, size: bytes.length };
    }),
  );
  await standIns.host.release(HOST, { number, origin: ORIGIN, files: all, headers: [], audience: 'public' });
}
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
    const again = new StandInZone(new Store(folder));
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
