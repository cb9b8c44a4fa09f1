import { spawn, type ChildProcess } from 'node:child_process';
import { createHash } from 'node:crypto';
import { mkdtemp, readdir, rm } from 'node:fs/promises';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { zipSync } from 'fflate';
import { request } from 'undici';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { CrawlView } from '../core/exchange/index.ts';
import { SLOW } from '../core/testing/effort.ts';

const root = join(import.meta.dirname, '..');
const HOST = 'killed.example';
let folder: string;
let port: number;
let server: ChildProcess | undefined;

/** Two ports next to each other that nobody listens on. */
async function freePorts(): Promise<number> {
  const listen = (at: number) =>
    new Promise<{ port: number; close: () => Promise<void> } | undefined>((done) => {
      const one = createServer().once('error', () => done(undefined));
      one.listen(at, '127.0.0.1', () => {
        const address = one.address();
        done({ port: typeof address === 'object' && address ? address.port : 0, close: () => new Promise((closed) => one.close(() => closed())) });
      });
    });
  for (;;) {
    const first = await listen(0);
    const second = first && first.port < 65_535 ? await listen(first.port + 1) : undefined;
    await first?.close();
    await second?.close();
    if (first && second) return first.port;
  }
}
async function start(): Promise<void> {
  const started = spawn(process.execPath, ['--import', 'tsx', 'server/main.ts'], {
    cwd: root,
    env: { ...process.env, PORT: String(port), HOST_PORT: String(port + 1), STAND_INS: folder },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  server = started;
  await new Promise<void>((ready, failed) => {
    let said = '';
    const hear = (data: Buffer): void => {
      said += String(data);
      if (said.includes('is ready')) ready();
    };
    started.stdout?.on('data', hear);
    started.stderr?.on('data', hear);
    started.once('exit', () => failed(new Error(said)));
  });
}
/** Ends the server as a power cut does. */
async function kill(): Promise<void> {
  const ended = server;
  server = undefined;
  if (!ended || ended.exitCode !== null) return;
  const gone = new Promise((done) => ended.once('exit', done));
  ended.kill('SIGKILL');
  await gone;
}
const address = (path: string): string => `http://127.0.0.1:${port}${path}`;
async function ask<T>(method: 'GET' | 'POST', path: string, body?: unknown): Promise<{ status: number; answer: T }> {
  const sent =
    body === undefined ? {} : body instanceof Uint8Array ? { body, type: 'application/zip' } : { body: JSON.stringify(body), type: 'application/json' };
  const response = await request(address(path), {
    method,
    headers: { origin: `http://127.0.0.1:${port}`, ...('type' in sent ? { 'content-type': sent.type } : {}) },
    ...('body' in sent ? { body: sent.body } : {}),
  });
  return { status: response.statusCode, answer: (await response.body.json()) as T };
}
const pause = (milliseconds: number): Promise<void> => new Promise((done) => setTimeout(done, milliseconds));

beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'killed-'));
  port = await freePorts();
  await start();
});
afterEach(async () => {
  await kill();
  await rm(folder, { recursive: true, force: true });
});

describe('a server that is killed', SLOW, () => {
  it('in the middle of a release has the one before or the new one, whole, and takes it once more', async () => {
    const version = (number: number) =>
      Array.from({ length: 400 }, (_, at) => {
        const bytes = Buffer.from(`<title>Page ${at}</title><p>Of release ${number}. ${'Words. '.repeat(200)}`);
        return { path: at === 0 ? 'index.html' : `p${at}.html`, bytes, hash: createHash('sha256').update(bytes).digest('hex') };
      });
    const release = async (number: number): Promise<void> => {
      const files = version(number);
      await ask('POST', '/api/host/bytes', zipSync(Object.fromEntries(files.map(({ hash, bytes }) => [hash, new Uint8Array(bytes)])), { level: 1 }));
      const sent = files.map(({ path, hash, bytes }) => ({ path, hash, size: bytes.length }));
      const { status } = await ask('POST', `/api/host/sites/${HOST}/releases`, {
        number,
        origin: `https://${HOST}`,
        files: sent,
        headers: [],
        audience: 'public',
      });
      expect(status).toBe(200);
    };
    await release(1);
    let before = 1;
    const seen = new Set<string>();
    for (const [turn, after] of [0, 5, 20, 60, 120, 240].entries()) {
      const next = turn + 2;
      const under = release(next).then(
        () => 'told',
        () => 'cut off',
      );
      await pause(after);
      await kill();
      const told = await under;
      await start();
      const { answer } = await ask<{ site: { number: number; files: number } }>('GET', `/api/host/sites/${HOST}`);
      // What was told to be out is out; what was cut off is out whole, or not at all.
      const now = answer.site.number;
      expect(told === 'told' ? [next] : [before, next]).toContain(now);
      expect(answer.site.files).toBe(400);
      for (const at of [0, 1, 200, 399]) {
        const page = await request(`http://127.0.0.1:${port + 1}/${at === 0 ? '' : `p${at}.html`}`, { headers: { host: HOST } });
        expect(await page.body.text()).toContain(`Of release ${now}.`);
      }
      const left = (await readdir(folder, { recursive: true })).filter((name) => name.endsWith('.new'));
      expect(left).toEqual([]);
      seen.add(`${told} ${now === next ? 'new' : 'old'}`);
      await release(next);
      before = next;
    }
    // Not every cut came before it began.
    expect(seen.size).toBeGreaterThan(0);
  });

  it('in the middle of a crawl knows nothing of it, and begun again only asks what was not here', async () => {
    const begin = async (): Promise<string> => (await ask<{ id: string }>('POST', '/api/crawls', { address: 'https://quillfeather.example/' })).answer.id;
    const view = async (id: string) => ask<CrawlView>('GET', `/api/crawls/${id}`);
    const until = async (id: string, enough: (one: CrawlView) => boolean): Promise<CrawlView> => {
      for (;;) {
        const { answer } = await view(id);
        if (enough(answer)) return answer;
        await pause(200);
      }
    };
    const first = await begin();
    const came = await until(first, ({ files, state }) => files >= 30 || state !== 'running');
    expect(came).toMatchObject({ state: 'running', unchanged: 0 });
    await kill();
    await start();
    expect((await view(first)).status).toBe(404);
    const second = await begin();
    const again = await until(second, ({ files, state }) => files >= 30 || state !== 'running');
    expect(again.unchanged).toBeGreaterThanOrEqual(20);
    await ask('POST', `/api/crawls/${second}/stop`, {});
  });
});
