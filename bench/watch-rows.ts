import { createHash } from 'node:crypto';
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import MiniSearch from 'minisearch';
import { Pool } from 'undici';
import { SearchIndex, type IndexRecord } from '../core/engine/index.ts';
import { documentTitle, readPage } from '../core/page/index.ts';
import { guardedFetch, OWN_NAME } from '../server/fetching/index.ts';
import { SiteCrawl } from '../server/bringing/index.ts';
import { StandIns, workInThread } from '../server/stand-ins/index.ts';
import { parse } from 'parse5';
import { median, percentile, slower, within, type Row } from './measure.ts';

const HOST = 'bench.example';
const ORIGIN = `https://${HOST}`;
/** Milliseconds that a day of the clock may take for 5,000 pages, of which an engine visits at most 500. */
const DAY = 5_000;
const QUERIES = ['page 12', 'leather binding', 'workshop saltmere prices', 'how to store', 'repair of old books', 'paper', 'the standing press', '"of the"'];

/** Searching 5,000 pages against a library for that; a day of the clock with as many; pages fetched through the guard against the bare client. */
export async function watchRows(site: ReadonlyMap<string, Uint8Array>): Promise<Row[]> {
  const pages = [...site].filter(([path]) => path.endsWith('.html'));
  const records = pages.map(([path, bytes]) => recordOf(`${ORIGIN}/${path}`, bytes));
  const rows: Row[] = [...searchRows(records)];
  const folder = await mkdtemp(join(tmpdir(), 'bench-'));
  const standIns = new StandIns({ folder, now: () => Date.UTC(2026, 10, 26), randomText: () => 'secret' });
  await standIns.open();
  try {
    const files = await Promise.all(
      [...site].map(async ([path, bytes]) => {
        const hash = createHash('sha256').update(bytes).digest('hex');
        await standIns.store.keepBytes(hash, bytes);
        return { path, hash, size: bytes.length };
      }),
    );
    await standIns.host.release(HOST, { number: 1, origin: ORIGIN, files, headers: [], audience: 'public' });
    await standIns.advance(1);
    const days: number[] = [];
    for (let day = 0; day < 5; day++) {
      const begun = performance.now();
      await standIns.advance(1);
      days.push(performance.now() - begun);
    }
    rows.push(within(`a day of the clock, ${pages.length} pages, both engines`, percentile(days, 0.5), DAY, 'ms'));
    rows.push(
      await fetchRow(
        standIns,
        pages.slice(0, 1000).map(([path]) => `/${path}`),
      ),
    );
    rows.push(await crawlRow(standIns, 1000));
  } finally {
    await standIns.close();
    await rm(folder, { recursive: true, force: true });
  }
  return rows;
}

function recordOf(address: string, bytes: Uint8Array): IndexRecord {
  const reading = readPage(bytes, { keepText: true });
  if (!reading.ok) throw new Error(reading.reason);
  const { facts } = reading;
  return {
    address,
    foundBy: 'link',
    foundAt: '',
    visitedAt: '',
    status: 200,
    outcome: 'listed',
    reason: { code: 'no-directive' },
    linkedFrom: [],
    title: documentTitle(facts)?.text ?? '',
    description: '',
    headings: facts.headings.map(({ text }) => text),
    lead: '',
    text: facts.text ?? '',
  };
}

function searchRows(records: readonly IndexRecord[]): Row[] {
  const begun = performance.now();
  const index = new SearchIndex(records);
  const made = performance.now() - begun;
  const peerBegun = performance.now();
  const peer = new MiniSearch<{ id: number; title: string; headings: string; text: string }>({
    fields: ['title', 'headings', 'text'],
    searchOptions: { boost: { title: 6, headings: 3 } },
  });
  peer.addAll(records.map(({ title, headings, text }, id) => ({ id, title, headings: headings.join(' '), text })));
  const peerMade = performance.now() - peerBegun;
  const time = (run: (query: string) => unknown): number => {
    const from = performance.now();
    for (let turn = 0; turn < 10; turn++) for (const query of QUERIES) run(query);
    return (performance.now() - from) / (10 * QUERIES.length);
  };
  return [
    slower(`an index of ${records.length} pages`, { ours: made, peer: peerMade }, 'minisearch', 2),
    slower(
      'answering a query, with snippets and reasons',
      { ours: time((query) => index.search(query)), peer: time((query) => peer.search(query)) },
      'minisearch, without',
      3,
    ),
  ];
}

/** Pages through the guard, each name resolved and checked, against the bare client to the same port. */
async function fetchRow(standIns: StandIns, paths: readonly string[]): Promise<Row> {
  const { fetch, close } = guardHere(standIns);
  const bare = new Pool(`http://127.0.0.1:${standIns.host.port}`, { connections: 8 });
  const each = async (get: (path: string) => Promise<unknown>): Promise<number> => {
    const begun = performance.now();
    let at = 0;
    await Promise.all(
      Array.from({ length: 8 }, async () => {
        for (let turn = at++; turn < paths.length; turn = at++) await get(paths[turn] as string);
      }),
    );
    return performance.now() - begun;
  };
  const plain = async (path: string): Promise<void> => {
    const { body } = await bare.request({ path, method: 'GET', headers: { host: HOST, 'x-forwarded-proto': 'https' } });
    await body.arrayBuffer();
  };
  await each(plain);
  const peer = await each(plain);
  const ours = await each((path) => fetch(ORIGIN + path));
  await close();
  await bare.close();
  return slower(`${paths.length} pages fetched through the guard`, { ours, peer }, 'the bare client', 2);
}

/** The guard, asked for the stand-in host alone. */
const guardHere = (standIns: StandIns): ReturnType<typeof guardedFetch> =>
  guardedFetch(
    { resolve: async () => ['127.0.0.1'], allows: () => true, target: () => ({ origin: `http://127.0.0.1:${standIns.host.port}`, pin: undefined }) },
    OWN_NAME,
  );

/** A site brought in from its address with its pauses left out, read in a thread, against the bare client asking for the same files, two at a time, with a tree parser. */
async function crawlRow(standIns: StandIns, pages: number): Promise<Row> {
  const { work, close } = workInThread(() => ({ dns: standIns.dns.port, host: standIns.host.port }));
  const guarded = guardHere(standIns);
  const asked: string[] = [];
  const crawl = async (most: number): Promise<number> => {
    asked.length = 0;
    const begun = performance.now();
    await new SiteCrawl(
      `${ORIGIN}/`,
      { pages: most, bytes: 150_000_000, depth: 30, seconds: 600 },
      {
        fetch: (address) => {
          asked.push(new URL(address).pathname);
          return guarded.fetch(address);
        },
        now: () => performance.now(),
        wait: () => Promise.resolve(),
        sift: (answer) => work.sift(answer),
      },
    ).run();
    return performance.now() - begun;
  };
  // The thread reads its program first, and has it compiled.
  await crawl(300);
  const ours = median([await crawl(pages), await crawl(pages), await crawl(pages)]);
  const bare = new Pool(`http://127.0.0.1:${standIns.host.port}`, { connections: 2 });
  let at = 0;
  const line = async (): Promise<void> => {
    for (let turn = at++; turn < asked.length; turn = at++) {
      const { body } = await bare.request({ path: asked[turn] as string, method: 'GET', headers: { host: HOST, 'x-forwarded-proto': 'https' } });
      const text = await body.text();
      if (text.trimStart().startsWith('<')) parse(text);
    }
  };
  const barely = async (): Promise<number> => {
    at = 0;
    const from = performance.now();
    await Promise.all([line(), line()]);
    return performance.now() - from;
  };
  const peer = median([await barely(), await barely(), await barely()]);
  await close();
  await guarded.close();
  await bare.close();
  return slower(`a site of ${pages} pages from its address, read as it comes`, { ours, peer }, 'the bare client and a tree parser', 2);
}
