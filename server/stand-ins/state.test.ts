import { mkdir, mkdtemp, readdir, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { portFrom, whyNotStarted } from '../starting.ts';
import { StandInClock } from './clock.ts';
import { StandInEngine } from './engine.ts';
import { StandInHost } from './host.ts';
import { Locked, lockFolder } from './lock.ts';
import { Store } from './store.ts';
import { StandIns } from './stand-ins.ts';
import { SKERRY } from '../../core/engines/index.ts';

let folder: string;
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'state-'));
});
afterEach(() => rm(folder, { recursive: true, force: true }));

/** A store on a full disk. */
class FullStore extends Store {
  full = false;
  override write(name: string, value: unknown): Promise<void> {
    return this.full ? Promise.reject(Object.assign(new Error('no room'), { code: 'ENOSPC' })) : super.write(name, value);
  }
}
const site = { number: 1, origin: 'https://a.example', files: [], headers: [], audience: 'public' as const };

describe('what could not be written', () => {
  it('was never released, and the clock never moved', async () => {
    const store = new FullStore(folder);
    const clock = new StandInClock(store, () => 0);
    const host = new StandInHost(store, clock);
    await host.release('a.example', site);
    store.full = true;
    await expect(host.release('a.example', { ...site, number: 2 })).rejects.toThrow('no room');
    await expect(clock.advanceDay()).rejects.toThrow('no room');
    expect([host.site('a.example')?.number, clock.now()]).toEqual([1, 0]);
    store.full = false;
    await host.release('a.example', { ...site, number: 3 });
    expect(host.site('a.example')?.number).toBe(3);
  });
  it('leaves two releases at once both live', async () => {
    const store = new Store(folder);
    const host = new StandInHost(store, new StandInClock(store, () => 0));
    await Promise.all(['a.example', 'b.example', 'c.example'].map((name) => host.release(name, site)));
    const again = new StandInHost(store, new StandInClock(store, () => 0));
    await again.open();
    expect(again.hosted().map((one) => one.host)).toEqual(['a.example', 'b.example', 'c.example']);
  });
});

describe('the state folder', () => {
  it('that cannot be read is no empty one: nothing is written over it', async () => {
    // A folder where a file should be: there, and not to be read.
    await mkdir(join(folder, 'clock.json'));
    await expect(new StandInClock(new Store(folder), () => 0).open()).rejects.toMatchObject({ code: 'EISDIR' });
  });
  it('belongs to one server; a lock that a dead one left counts for nothing', async () => {
    const free = await lockFolder(folder, 100, () => true);
    await expect(lockFolder(folder, 200, () => true)).rejects.toThrow(Locked);
    const taken = await lockFolder(folder, 200, () => false);
    await taken();
    await free();
    await (
      await lockFolder(folder, 300, () => true)
    )();
  });
  it('opened twice on one machine refuses the second', async () => {
    const first = new StandIns({ folder, now: () => 0, randomText: () => 'x' });
    await first.open();
    await writeFile(join(folder, 'lock'), '1');
    await expect(new StandIns({ folder, now: () => 0, randomText: () => 'x' }).open()).rejects.toThrow(Locked);
    await first.close();
  });
  it('is swept of what writes that were cut off left', async () => {
    const store = new Store(folder);
    await store.write('x', 1);
    await mkdir(join(folder, 'bytes', 'ab'), { recursive: true });
    await writeFile(join(folder, 'bytes', 'ab', 'abc.123.new'), 'half');
    await writeFile(join(folder, 'x.json.123.new'), 'half');
    expect(await store.sweep()).toBe(2);
    expect(await readdir(folder)).toEqual(['bytes', 'x.json']);
  });
});

describe('an index', () => {
  it('leaves out records of a wrong shape, and goes on', async () => {
    const store = new Store(folder);
    const good = {
      ...{ address: 'https://a.example/', foundBy: 'home', foundAt: '2026-01-01', outcome: 'listed', reason: { code: 'listed' }, linkedFrom: [] },
      ...{ title: 'Bindery', description: '', headings: [], lead: '', text: 'bookbinding' },
    };
    const wrong = [null, 7, 'x', {}, { ...good, address: 'nonsense' }, { ...good, title: 3 }, { ...good, linkedFrom: null }, { ...good, text: undefined }];
    const sites = { 'a.example': { host: 'a.example', origin: 'https://a.example', maps: [], days: [], records: [...wrong, good] } };
    await store.write('skerry', { version: 1, secret: 's', sites });
    const work = { crawl: () => Promise.reject(new Error('none')), proof: () => Promise.reject(new Error('none')) };
    const engine = new StandInEngine(
      store,
      new StandInClock(store, () => 0),
      work,
      () => 's',
      SKERRY,
      () => [{ host: 'a.example', origin: 'https://a.example' }],
    );
    await engine.open();
    expect(engine.search('site:a.example bookbinding').results.map((result) => result.address)).toEqual(['https://a.example/']);
    await engine.day();
    expect(engine.siteView('a.example').records).toHaveLength(1);
  });
});

describe('starting', () => {
  it.each([
    [undefined, 4310],
    ['', 4310],
    ['4400', 4400],
    ['abc', undefined],
    ['0', undefined],
    ['70000', undefined],
    ['44.5', undefined],
    ['-1', undefined],
  ])('PORT=%s is %s', (text, port) => expect(portFrom(text, 4310)).toBe(port));
  it.each([
    [{ code: 'EADDRINUSE' }, /Port 4310 is taken/],
    [{ code: 'EACCES', message: 'listen EACCES' }, /may not be used/],
    [{ code: 'EACCES', message: 'mkdir' }, /cannot be written/],
    [{ code: 'EROFS' }, /cannot be written/],
    [{ code: 'ENOSPC' }, /no room/],
    [{ code: 'ENOTDIR' }, /not a folder/],
    [new Error('odd'), /Not started: odd/],
  ])('says in one sentence why not: %o', (error, sentence) => {
    const said = whyNotStarted(error, { port: 4310, folder: '/x', locked: undefined });
    expect(said).toMatch(sentence);
    expect(said).not.toContain('\n');
  });
  it('names the process that is at work already', () => {
    expect(whyNotStarted(new Locked(12), { port: 1, folder: '/x', locked: 12 })).toContain('process 12');
  });
});
