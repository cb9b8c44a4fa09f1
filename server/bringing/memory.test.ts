import { createHash } from 'node:crypto';
import { mkdtemp, readdir, readFile, rm, utimes, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { Store } from '../stand-ins/store.ts';
import { rememberHost, sweepMemory } from './memory.ts';

let folder: string;
let store: Store;
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'memory-'));
  store = new Store(folder);
});
afterEach(() => rm(folder, { recursive: true, force: true }));

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
const hashOf = (text: string): string => createHash('sha256').update(text).digest('hex');
const answer = (text: string) => ({ bytes: bytes(text), headers: { etag: [`"${text}"`] } });
const remembered = async (host: string, ...texts: readonly string[]): Promise<void> => {
  const memory = await rememberHost(store, host);
  for (const text of texts) await memory.keep(`https://${host}/${text}`, answer(text));
  await memory.save();
};
const kept = async (host: string, text: string): Promise<string | undefined> => {
  const found = await (await rememberHost(store, host)).of(`https://${host}/${text}`)?.answer();
  return found && new TextDecoder().decode(found.bytes);
};

describe('what is remembered of a host', () => {
  it('is there the next time, to the byte', async () => {
    await remembered('a.example', 'one', 'two');
    expect([await kept('a.example', 'one'), await kept('a.example', 'two'), await kept('b.example', 'one')]).toEqual(['one', 'two', undefined]);
  });
  it('is no answer where its bytes are others than they were', async () => {
    await remembered('a.example', 'one');
    const hash = hashOf('one');
    await writeFile(join(folder, 'bytes', hash.slice(0, 2), hash), 'changed');
    expect(await kept('a.example', 'one')).toBeUndefined();
  });
  it.each(['../../secret', 'secret', `${'a'.repeat(63)}/`, `..${'a'.repeat(62)}`])('never names another file: %s', async (hash) => {
    await remembered('a.example', 'one');
    await writeFile(join(folder, 'secret'), 'secret');
    const [name] = (await readdir(folder)).filter((file) => file.endsWith('.json'));
    const path = join(folder, name as string);
    await writeFile(path, (await readFile(path, 'utf8')).replace(hashOf('one'), hash));
    expect(await kept('a.example', 'one')).toBeUndefined();
  });
  it('is so many answers at most, the latest of them', async () => {
    const memory = await rememberHost(
      { ...store, read: store.read.bind(store), write: async () => undefined, keepBytes: async () => true } as never,
      'a.example',
    );
    for (let at = 0; at < 20_005; at++) await memory.keep(`https://a.example/${at}`, answer('x'));
    expect([0, 4, 5, 20_004].map((at) => memory.of(`https://a.example/${at}`) !== undefined)).toEqual([false, false, true, true]);
  });
  it('is swept of what nothing names, and of the hosts of longest ago', async () => {
    for (let at = 0; at < 22; at++) await remembered(`h${at}.example`, `page ${at}`);
    await remembered('h21.example', 'shared', 'page 0');
    await store.keepBytes(hashOf('lost'), bytes('lost'));
    for (const [at, name] of (await readdir(folder)).filter((file) => file.endsWith('.json')).entries()) await utimes(join(folder, name), at, at);
    await sweepMemory(store);
    const names = (await readdir(folder)).filter((file) => file.endsWith('.json'));
    expect([names.length, (await store.keptBytes()).includes(hashOf('lost'))]).toEqual([20, false]);
    let there = 0;
    for (let at = 0; at < 22; at++) if ((await kept(`h${at}.example`, `page ${at}`)) !== undefined) there++;
    expect(there).toBe(20);
  });
});
