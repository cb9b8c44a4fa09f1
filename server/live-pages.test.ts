import { expect, it } from 'vitest';
import type { FetchOutcome } from './fetching/index.ts';
import { livePages } from './live-pages.ts';

const ORIGIN = 'https://a.example';
const html = (body: string, headers: Record<string, string[]> = {}): FetchOutcome => ({
  ok: true,
  status: 200,
  headers: { 'content-type': ['text/html'], ...headers },
  bytes: new TextEncoder().encode(`<meta charset=utf-8>${body}`),
  redirects: [],
  hops: [],
  milliseconds: 1,
});

it('asks for pages two at a time, waits before each, keeps to robots.txt, and tells what each is', async () => {
  const answers: Record<string, FetchOutcome> = {
    '/robots.txt': { ...html(''), bytes: new TextEncoder().encode('User-agent: JollyBeacon\nDisallow: /private/\n') } as FetchOutcome,
    '/': html('<title>Home</title>', { 'x-robots-tag': ['noindex'] }),
    '/gone': { ...html('x'), status: 404 } as FetchOutcome,
    '/old': { ...html('x'), redirects: [`${ORIGIN}/new`] } as FetchOutcome,
    '/slash': { ...html('<title>S</title>'), redirects: [`${ORIGIN}/slash#top`] } as FetchOutcome,
    '/file': html('x', { 'content-type': ['application/pdf'] }),
    '/away': { ok: false, reason: 'timeout', redirects: [], hops: [] },
  };
  const asked: string[] = [];
  let [working, most, waits] = [0, 0, 0];
  const told = await livePages({
    addresses: ['/', '/private/x', '/gone', '/old', '/slash', '/file', '/away'].map((path) => ORIGIN + path),
    wait: async () => void waits++,
    fetch: async (address) => {
      const path = address.replace(ORIGIN, '');
      asked.push(path);
      most = Math.max(most, ++working);
      await new Promise((done) => setTimeout(done, 5));
      working--;
      return answers[path] ?? { ok: false, reason: 'no-answer', redirects: [], hops: [] };
    },
  });
  expect(told.map(({ kind }) => kind)).toEqual(['page', 'forbidden', 'status', 'moved', 'page', 'no-page', 'no-answer']);
  expect(told[0]).toMatchObject({ fields: { title: 'Home', header: 'noindex' } });
  expect(asked).not.toContain('/private/x');
  expect([most, waits]).toEqual([2, 6]);
});

it.each<[string, FetchOutcome, string]>([
  ['there is no such host', { ok: false, reason: 'no-such-host', redirects: [], hops: [] }, 'no-such-host'],
  ['the host refuses', { ok: false, reason: 'refused', redirects: [], hops: [] }, 'refused'],
  ['it takes too long', { ok: false, reason: 'timeout', redirects: [], hops: [] }, 'timeout'],
  ['its rules fail', { ...html('x'), status: 503 } as FetchOutcome, 'no-robots'],
])('where %s, that is told, and not that a rule forbids it', async (_, answer, reason) => {
  const told = await livePages({ addresses: [`${ORIGIN}/`], wait: async () => undefined, fetch: async () => answer });
  expect(told).toEqual([{ kind: 'no-answer', reason }]);
});
