import { createHash } from 'node:crypto';
import { mkdtemp, readdir, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, expect, it } from 'vitest';
import { z } from 'zod';
import { StandInClock } from './clock.ts';
import { Store } from './store.ts';

let folder: string;
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'store-'));
});
afterEach(() => rm(folder, { recursive: true }));
const shape = z.strictObject({ version: z.literal(1), n: z.number() });

it('reads what was written last, and nothing where nothing was', async () => {
  const store = new Store(folder);
  expect(await store.read('x', shape)).toBeUndefined();
  await Promise.all([1, 2, 3].map((n) => store.write('x', { version: 1, n })));
  expect(await new Store(folder).read('x', shape)).toEqual({ version: 1, n: 3 });
  expect(await readdir(folder)).toEqual(['x.json']);
});

it.each(['{"version":1', '{"version":2,"n":1}'])('puts what it cannot read aside, and never writes over it: %s', async (text) => {
  await writeFile(join(folder, 'x.json'), text);
  const store = new Store(folder);
  expect(await store.read('x', shape)).toBeUndefined();
  await store.write('x', { version: 1, n: 1 });
  expect((await readdir(folder)).filter((name) => name.includes('unreadable'))).toHaveLength(1);
});

it('keeps bytes under their hash, and only under theirs', async () => {
  const store = new Store(folder);
  const bytes = Buffer.from('hello');
  const hash = createHash('sha256').update(bytes).digest('hex');
  expect([await store.hasBytes(hash), await store.keepBytes(hash, Buffer.from('other')), await store.hasBytes(hash)]).toEqual([false, false, false]);
  expect(await store.keepBytes(hash, bytes)).toBe(true);
  expect(await store.bytes(hash)).toEqual(bytes);
});

it('a clock moved on stays moved on', async () => {
  const now = (): number => Date.UTC(2026, 10, 25);
  const clock = new StandInClock(new Store(folder), now);
  await clock.open();
  await clock.advanceDay();
  const again = new StandInClock(new Store(folder), now);
  await again.open();
  expect([clock.iso(), again.iso()]).toEqual(['2026-11-26T00:00:00.000Z', '2026-11-26T00:00:00.000Z']);
});
