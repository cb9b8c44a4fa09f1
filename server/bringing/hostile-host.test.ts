import { describe, expect, it } from 'vitest';
import { isPartial, type CrawlLimits, type CrawlView } from '../../core/exchange/index.ts';
import { decodeSource } from '../../core/source/index.ts';
import { readPage } from '../../core/page/index.ts';
import { LIMITS, ORIGIN, page, world, type Answered } from '../testing/made-up-host.ts';
import { SiteCrawl } from './index.ts';

type World = Parameters<typeof world>;
interface Expected {
  readonly state?: CrawlView['state'];
  readonly reason?: CrawlView['reason'];
  /** What is told to be missing; nothing else is. */
  readonly missing?: Partial<CrawlView['missing']>;
  readonly pages: number;
  /** Addresses that must never be asked for. */
  readonly never?: RegExp;
}
const links = (count: number, form = (at: number): string => `/p${at}.html`): string =>
  Array.from({ length: count }, (_, at) => `<a href="${form(at)}">p</a>`).join('');
const any = (): Answered => page('');
const robots = (body: string): Answered => ({ body, type: 'text/plain' });

/** Hosts that are odd, broken, endless or out to do harm: what comes of each, and what is told of it. */
const HOSTS: readonly (readonly [what: string, answers: World[0], made: World[1], limits: Partial<CrawlLimits>, expected: Expected])[] = [
  [
    'links deeper than the limit',
    {},
    (path) => page(`<a href="/n${path.length}/${path.slice(1)}">n</a>`),
    { depth: 2 },
    { state: 'stopped', reason: 'depth', pages: 3, missing: { depth: 1 } },
  ],
  [
    'the same far page by a short way too',
    { '/': page('<a href=/a>a</a><a href=/far>f</a>'), '/a': page('<a href=/far>f</a>'), '/far': any() },
    undefined,
    { depth: 1 },
    { pages: 3 },
  ],
  ['a hundred queries of one path', { '/': page(links(100, (at) => `/q?n=${at}`)) }, any, {}, { pages: 41, missing: { queries: 60 } }],
  ['more addresses than wait', { '/': page(links(20_010)) }, any, { pages: 10 }, { state: 'stopped', reason: 'pages', pages: 10, missing: { number: 2 } }],
  ['a page too large', { '/': page('<a href=/big>b</a>'), '/big': { fails: 'too-large' } }, undefined, {}, { pages: 1, missing: { size: 1 } }],
  ['a page that always fails', { '/': page('<a href=/bad>b</a>'), '/bad': { status: 500 } }, undefined, {}, { pages: 1, missing: { failed: 1 } }],
  ['a page that never answers', { '/': page('<a href=/bad>b</a>'), '/bad': 'dead' }, undefined, {}, { pages: 1, missing: { failed: 1 } }],
  [
    'a page packed in no known way',
    { '/': page('<a href=/bad>b</a>'), '/bad': { fails: 'broken-coding' } },
    undefined,
    {},
    { pages: 1, missing: { failed: 1 } },
  ],
  ['a page that is gone', { '/': page('<a href=/gone>g</a>') }, undefined, {}, { pages: 1 }],
  ['more bytes than it may have', { '/': page(links(9)) }, () => page('x'.repeat(3_000)), { bytes: 10_000 }, { state: 'stopped', reason: 'bytes', pages: 4 }],
  ['more pages than it may have', { '/': page(links(9)) }, any, { pages: 4 }, { state: 'stopped', reason: 'pages', pages: 4 }],
  ['more time than it may take', { '/': page(links(60)) }, any, { seconds: 1 }, { state: 'stopped', reason: 'seconds', pages: 7 }],
  ['a redirect to another host', { '/': page('<a href=/out>o</a>'), '/out': { to: 'https://b.example/' } }, undefined, {}, { pages: 1, never: /b\.example/ }],
  ['links to another host', { '/': page('<a href=https://b.example/>b</a><img src=//c.example/p.png>') }, undefined, {}, { pages: 1, never: /example/ }],
  [
    'a redirect to what robots.txt forbids',
    { '/': page('<a href=/go>g</a>'), '/robots.txt': robots('User-agent: *\nDisallow: /shut/'), '/go': { to: '/shut/' } },
    any,
    {},
    { pages: 1, never: /shut/ },
  ],
  ['all of it forbidden', { '/': page(''), '/robots.txt': robots('User-agent: JollyBeacon\nDisallow: /') }, undefined, {}, { pages: 0 }],
  ['rules that cannot be had', { '/': page(''), '/robots.txt': { status: 503 } }, undefined, {}, { state: 'failed', reason: 'robots', pages: 0 }],
  ['a start on this machine', { '/': { fails: 'private-address' } }, undefined, {}, { state: 'failed', reason: 'not-allowed', pages: 0 }],
  ['a start that has no host', { '/': { fails: 'no-such-host' } }, undefined, {}, { state: 'failed', reason: 'no-such-host', pages: 0 }],
  [
    'a start that leads elsewhere',
    { '/': { to: 'https://b.example/' } },
    undefined,
    {},
    { state: 'failed', reason: 'elsewhere', pages: 0, never: /b\.example/ },
  ],
  [
    'names that lead out of the folder',
    { '/': page('<img src="/..%2f..%2fetc/passwd.png"><img src="/a%5c..%5cb.png"><a href="/%2e%2e%2fx">x</a>') },
    () => ({ body: 'P', type: 'image/png' }),
    {},
    { pages: 1 },
  ],
  ['the same folder again and again', {}, (path) => page(`<a href="${path}a/">a</a>`), { depth: 30 }, { pages: 4 }],
  ['addresses of megabytes', { '/': page(`<a href="/${'x'.repeat(5_000)}">x</a>`) }, any, {}, { pages: 1 }],
  [
    'addresses of other schemes',
    { '/': page('<a href="javascript:alert(1)">j</a><a href=mailto:a@a.example>m</a><a href=ftp://a.example/x>f</a><a href="data:text/html,x">d</a>') },
    any,
    {},
    { pages: 1 },
  ],
  ['markup that never ends', { '/': { body: `<html lang=en><title>x</title>${'<div>'.repeat(3_000)}` } }, undefined, {}, { pages: 0 }],
  ['bytes that are no text', { '/': page('<a href=/b>b</a>'), '/b': { body: new Uint8Array(2_000).map((_, at) => at % 256) } }, undefined, {}, { pages: 2 }],
  [
    'a map that names other hosts',
    {
      '/': page(''),
      '/sitemap.xml': {
        body: '<urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9"><url><loc>https://b.example/</loc></url></urlset>',
        type: 'application/xml',
      },
    },
    undefined,
    {},
    { pages: 1, never: /b\.example/ },
  ],
];
const NOTHING = { depth: 0, number: 0, queries: 0, size: 0, failed: 0 };

describe('a host', () => {
  it.each(HOSTS)('that has %s is told for what it is', async (_, answers, made, limits, { state = 'done', reason, pages, missing = {}, never }) => {
    const { effects, asked } = world(answers, made);
    const crawl = new SiteCrawl(`${ORIGIN}/`, { ...LIMITS, ...limits }, effects);
    await crawl.run();
    const view = crawl.view();
    expect({ state: view.state, reason: view.reason, pages: view.pages, missing: view.missing }).toEqual({
      state,
      reason,
      pages,
      missing: { ...NOTHING, ...missing },
    });
    expect(isPartial(view)).toBe(state === 'stopped' || Object.keys(missing).length > 0);
    if (never) expect(asked.filter((path) => never.test(path))).toEqual([]);
    for (const path of crawl.files.keys()) expect(path).not.toMatch(/(^|\/)\.\.(\/|$)|\\|^\//);
    if (reason === 'depth') {
      // A host may have no end of links: each go takes as many again.
      await crawl.run();
      return expect([crawl.view().pages, crawl.view().reason]).toEqual([pages + (limits.depth ?? 0), 'depth']);
    }
    // What a limit ended goes on until everything is here that the other limits leave.
    for (let go = 0; go < 100 && crawl.view().state === 'stopped' && view.pages < 100 && pages < 60 && !missing.number; go++) await crawl.run();
    if (!missing.number) expect(crawl.view().state).not.toBe('stopped');
  });
});

describe('what only headers say', () => {
  const russian = (text: string): Uint8Array =>
    Uint8Array.from(text, (letter) => (letter.charCodeAt(0) < 128 ? letter.charCodeAt(0) : letter.charCodeAt(0) - 0x350));
  const crawled = async (answers: World[0]): Promise<SiteCrawl> => {
    const crawl = new SiteCrawl(`${ORIGIN}/`, LIMITS, world(answers).effects);
    await crawl.run();
    return crawl;
  };
  it('comes along: the encoding in the page itself, the rest as words of that address', async () => {
    const html = '<html><head><title>Привет</title></head><body><p>Слова</p></body></html>';
    const crawl = await crawled({
      '/': {
        body: russian(html),
        type: 'text/html; charset=windows-1251',
        headers: {
          'content-language': ['ru'],
          link: [`<${ORIGIN}/other>; rel="next", <${ORIGIN}/>; rel="canonical"`],
          'x-robots-tag': ['noarchive'],
          'last-modified': ['Tue, 01 Sep 2026 10:00:00 GMT'],
        },
      },
    });
    const file = crawl.files.get('index.html');
    const reading = readPage(file?.bytes ?? new Uint8Array());
    expect(reading.ok && [reading.facts.titles[0]?.text, reading.facts.encoding.name]).toEqual(['Привет', 'windows-1251']);
    expect(crawl.view().respelled).toBe(1);
    // Nothing but the word about the encoding was put in.
    expect(decodeSource(file?.bytes ?? new Uint8Array()).text.replace(/\s*<meta charset="windows-1251">\s*/, '')).toBe(html);
    expect(crawl.told()).toMatchObject({ languages: { 'index.html': 'ru' }, canonicals: ['index.html'], tags: { 'index.html': ['noarchive'] } });
    expect(file?.modified).toBe(Date.UTC(2026, 8, 1, 10));
  });
  it('stays out where the page says it itself, or the header says nothing of it', async () => {
    const crawl = await crawled({
      '/': {
        body: `<html lang=de><head><meta charset=utf-8><link rel=canonical href="${ORIGIN}/x"><title>ä</title></head><p>x</html>`,
        type: 'text/html; charset=utf-8',
        headers: { 'content-language': ['ru'], link: [`<${ORIGIN}/>; rel=canonical`] },
      },
    });
    expect(crawl.told()).toMatchObject({ languages: {}, canonicals: [] });
    expect(crawl.view().respelled).toBe(0);
    const other = await crawled({ '/': { ...page(''), headers: { 'content-language': ['de, en'], link: [`<${ORIGIN}/x>; rel=canonical`] } } });
    expect(other.told()).toMatchObject({ languages: {}, canonicals: [] });
  });
});
