import { brotliCompressSync, deflateRawSync, deflateSync, gzipSync } from 'node:zlib';
import { createServer, type Server } from 'node:http';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { undoCodings } from './coding.ts';
import { guardedFetch } from './index.ts';

const TEXT = Buffer.from('<title>Bindery</title>'.repeat(40));

describe('what a host packed for the way', () => {
  it.each([
    ['gzip', gzipSync(TEXT)],
    ['X-GZIP', gzipSync(TEXT)],
    ['br', brotliCompressSync(TEXT)],
    ['deflate', deflateSync(TEXT)],
    ['deflate', deflateRawSync(TEXT)],
    ['gzip, br', brotliCompressSync(gzipSync(TEXT))],
    ['identity', TEXT],
    ['', TEXT],
    [undefined, TEXT],
  ])('%s is undone', async (coding, bytes) => {
    const plain = await undoCodings(bytes, coding, 100_000);
    expect(plain.ok && Buffer.from(plain.bytes).equals(TEXT)).toBe(true);
  });
  it.each([
    ['an unknown coding', 'zstd-of-my-own', TEXT, 'broken-coding'],
    ['bytes that are not what is said', 'gzip', TEXT, 'broken-coding'],
    ['bytes that are cut off', 'gzip', gzipSync(TEXT).subarray(0, 20), 'broken-coding'],
    ['more codings than anybody means', 'gzip,gzip,gzip,gzip', TEXT, 'broken-coding'],
    ['a bomb', 'gzip', gzipSync(Buffer.alloc(5_000_000)), 'too-large'],
    ['a bomb without a frame', 'deflate', deflateRawSync(Buffer.alloc(5_000_000)), 'too-large'],
  ])('%s is told', async (_, coding, bytes, reason) => expect(await undoCodings(bytes, coding, 100_000)).toEqual({ ok: false, reason }));
  it('an answer without a body is one, whatever is said of it', async () =>
    expect(await undoCodings(new Uint8Array(), 'gzip', 100)).toEqual({ ok: true, bytes: new Uint8Array() }));
});

describe('a host that packs without being asked', () => {
  let server: Server;
  beforeAll(async () => {
    server = createServer((request, response) =>
      request.url === '/shut'
        ? response.end('shut')
        : request.url === '/go'
          ? response.writeHead(302, { location: '/shut' }).end()
          : response.setHeader('content-encoding', 'br').end(brotliCompressSync(TEXT)),
    );
    await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
  });
  afterAll(() => new Promise((done) => server.close(done)));
  it('gives its words, and a redirect is gone after only where it may be', async () => {
    const { port } = server.address() as { port: number };
    const { fetch, close } = guardedFetch(
      { resolve: async () => ['127.0.0.1'], allows: () => true, target: () => ({ origin: `http://127.0.0.1:${port}`, pin: undefined }) },
      'JollyBeacon',
    );
    const page = await fetch('http://a.example/');
    expect(page.ok && Buffer.from(page.bytes).toString()).toBe(TEXT.toString());
    expect(await fetch('http://a.example/go', undefined, ({ pathname }) => pathname !== '/shut')).toMatchObject({ ok: false, reason: 'not-followed' });
    expect(await fetch('http://a.example/go')).toMatchObject({ ok: true, redirects: ['http://a.example/shut'] });
    await close();
  });
});
