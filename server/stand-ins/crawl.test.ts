import { describe, expect, it } from 'vitest';
import { PLOVER, SKERRY, type EnginePolicy } from '../../core/engines/index.ts';
import type { Fetch, FetchOutcome } from '../fetching/index.ts';
import { crawlSite, type CrawledSite } from './crawl.ts';

const ORIGIN = 'https://a.example';
const NOW = Date.UTC(2026, 10, 25);
const DAY = 86_400_000;
const EMPTY: CrawledSite = { host: 'a.example', origin: ORIGIN, maps: [], records: [], robots: undefined, days: [] };

interface Answered {
  readonly status?: number;
  readonly body?: string;
  readonly type?: string;
  readonly robotsTag?: string;
  readonly to?: string;
}
/** A world of a few addresses; all others answer 404, and every address asked for is noted. */
function world(answers: Readonly<Record<string, Answered | 'dead'>>): { fetch: Fetch; asked: string[] } {
  const asked: string[] = [];
  const fetch: Fetch = async (address): Promise<FetchOutcome> => {
    const path = address.replace(ORIGIN, '');
    asked.push(path);
    const answer = answers[path] ?? { status: 404 };
    if (answer === 'dead') return { ok: false, reason: 'no-answer', redirects: [], hops: [] };
    const { status = 200, body = '', type = 'text/html', robotsTag, to } = answer;
    const headers = { 'content-type': [type], ...(robotsTag === undefined ? {} : { 'x-robots-tag': [robotsTag] }) };
    return { ok: true, status, headers, bytes: new TextEncoder().encode(body), redirects: to === undefined ? [] : [ORIGIN + to], hops: [], milliseconds: 1 };
  };
  return { fetch, asked };
}
const DAILY_VISITS = SKERRY.visits;
const crawl = (site: CrawledSite, { fetch }: { fetch: Fetch }, now = NOW, visits?: number, policy: EnginePolicy = SKERRY) =>
  crawlSite(site, { fetch, policy, now, ...(visits === undefined ? {} : { visits }) });
const outcomes = (site: CrawledSite): Record<string, string> =>
  Object.fromEntries(site.records.map((record) => [record.address.replace(ORIGIN, ''), record.outcome]));
const map = (path = '/sitemap.xml') => ({ address: ORIGIN + path, handedInAt: '2026-11-24T00:00:00Z', readAt: undefined, count: 0, problem: undefined });
const urlset = (...paths: string[]): string => `<urlset>${paths.map((path) => `<url><loc>${ORIGIN}${path}</loc></url>`).join('')}</urlset>`;

describe('a crawl', () => {
  it('follows links from page to page, and asks for each address once', async () => {
    const pages = world({ '/': { body: '<a href=/a>a</a>' }, '/a': { body: '<a href=/b>b</a><a href=/>home</a>' }, '/b': { body: '<a href=/a>a</a>' } });
    const site = await crawl(EMPTY, pages);
    expect(outcomes(site)).toEqual({ '/': 'listed', '/a': 'listed', '/b': 'listed' });
    expect(pages.asked.filter((path) => path === '/a')).toHaveLength(1);
    expect(site.records.find((record) => record.address.endsWith('/b'))).toMatchObject({ foundBy: 'link', linkedFrom: [`${ORIGIN}/a`] });
    expect(site.days).toMatchObject([{ at: new Date(NOW).toISOString(), visited: 3, listed: 3, answers: { 200: 3 } }]);
  });

  it('tells of each address which maps name it, as they are read today', async () => {
    const pages = (second: string) =>
      world({
        '/': { body: '<a href=/a>a</a><a href=/c>c</a>' },
        '/a': { body: 'a' },
        '/b': { body: 'b' },
        '/c': { body: 'c' },
        '/sitemap.xml': { body: urlset('/a', '/b', '/b'), type: 'application/xml' },
        '/more.xml': { body: second, type: 'application/xml' },
      });
    const start = { ...EMPTY, maps: [map(), map('/more.xml')] };
    const told = (site: CrawledSite): Record<string, readonly string[]> =>
      Object.fromEntries(site.records.map(({ address, maps }) => [address.replace(ORIGIN, ''), (maps ?? []).map((one) => one.replace(ORIGIN, ''))]));
    const first = await crawl(start, pages(urlset('/a')));
    expect(told(first)).toEqual({ '/': [], '/a': ['/sitemap.xml', '/more.xml'], '/b': ['/sitemap.xml'], '/c': [] });
    const next = await crawl(first, pages(urlset('/%63')), NOW + DAY);
    expect(told(next)).toEqual({ '/': [], '/a': ['/sitemap.xml'], '/b': ['/sitemap.xml'], '/c': ['/more.xml'] });
  });

  it.each<[string, Answered | 'dead', string]>([
    ['answers 404: there are no rules', { status: 404 }, 'listed'],
    ['answers 410', { status: 410 }, 'listed'],
    ['answers 500: all is shut', { status: 500 }, 'bare'],
    ['does not answer: all is shut', 'dead', 'bare'],
    ['forbids it', { body: 'User-agent: *\nDisallow: /', type: 'text/plain' }, 'bare'],
    ['forbids it to others', { body: 'User-agent: PloverBot\nDisallow: /', type: 'text/plain' }, 'listed'],
  ])('where robots.txt %s', async (_, robots, outcome) => {
    const pages = world({ '/robots.txt': robots, '/': { body: 'x' } });
    const site = await crawl(EMPTY, pages);
    expect(outcomes(site)).toEqual({ '/': outcome });
    expect(pages.asked.includes('/')).toBe(outcome === 'listed');
  });

  it('comes back the next day and not before, and takes in what changed', async () => {
    const first = await crawl(EMPTY, world({ '/': { body: '<title>Old</title><p>x' } }));
    const again = world({ '/': { body: '<title>New</title><p>x' } });
    const same = await crawl(first, again, NOW + 3_600_000);
    expect([same.records[0]?.title, again.asked.includes('/')]).toEqual(['Old', false]);
    expect((await crawl(same, again, NOW + DAY)).records[0]?.title).toBe('New');
  });

  it('keeps what it knows of a page that does not answer today', async () => {
    const first = await crawl(EMPTY, world({ '/': { body: '<title>Here</title><p>x' } }));
    const after = await crawl(first, world({ '/': 'dead' }), NOW + DAY);
    expect(after.records[0]).toMatchObject({ outcome: 'listed', title: 'Here' });
  });

  it('drops a page that is gone, and learns where a redirect leads', async () => {
    const first = await crawl(EMPTY, world({ '/': { body: '<a href=/old>o</a><a href=/moved>m</a>' }, '/old': { body: 'x' }, '/moved': { body: 'x' } }));
    const after = await crawl(
      first,
      world({ '/': { body: 'x' }, '/old': { status: 410 }, '/moved': { body: 'x', to: '/new' }, '/new': { body: 'x' } }),
      NOW + DAY,
    );
    expect(outcomes(after)).toEqual({ '/': 'listed', '/old': 'not-listed', '/moved': 'not-listed', '/new': 'listed' });
  });

  it('obeys a header as it obeys a tag', async () => {
    expect(outcomes(await crawl(EMPTY, world({ '/': { body: 'x', robotsTag: 'SkerryBot: noindex' } })))).toEqual({ '/': 'not-listed' });
  });

  it('visits no more than its share of a day', async () => {
    const links = Array.from({ length: DAILY_VISITS + 100 }, (_, index) => `/p${index}`);
    const pages = world({
      '/': { body: links.map((link) => `<a href=${link}>x</a>`).join('') },
      ...Object.fromEntries(links.map((link) => [link, { body: 'x' }])),
    });
    const site = await crawl(EMPTY, pages);
    expect(site.days[0]?.visited).toBe(DAILY_VISITS);
    expect(site.records.filter((record) => record.outcome === 'waiting')).toHaveLength(101);
    expect((await crawl(site, pages, NOW + DAY)).records.filter((record) => record.outcome === 'waiting')).toHaveLength(0);
  });
});

describe('the other engine', () => {
  const pages = world({
    '/robots.txt': { body: `User-agent: *\nDisallow: /shut\n\nUser-agent: PloverBot\nCrawl-delay: 300\nDisallow: /private\n\nSitemap: ${ORIGIN}/sitemap.xml` },
    '/sitemap.xml': { body: urlset('/copy', '/shut', '/private') },
    '/': { body: 'home' },
    '/copy': { body: '<link rel=canonical href=/main><p>paper and thread' },
    '/main': { body: '<p>books we mend' },
    '/shut': { body: 'x' },
    '/private': { body: 'x' },
  });
  it('has its own group, waits as it is asked, and takes a canonical for a hint', async () => {
    const [skerry, plover] = [await crawl(EMPTY, pages), await crawl(EMPTY, pages, NOW, undefined, PLOVER)];
    expect(outcomes(skerry)).toMatchObject({ '/shut': 'bare', '/private': 'listed', '/copy': 'not-listed' });
    // 1,200 seconds a day at 300 seconds a visit: four pages.
    expect(plover.days[0]?.visited).toBe(4);
    expect(outcomes(plover)).toMatchObject({ '/shut': 'listed', '/private': 'bare' });
    const linked = world({
      '/': { body: '<a href=/copy>c</a><a href=/main>m</a>' },
      '/copy': { body: '<link rel=canonical href=/main><p>paper and thread' },
      '/main': { body: '<p>books we mend' },
    });
    expect(outcomes(await crawl(EMPTY, linked))).toEqual({ '/': 'listed', '/copy': 'not-listed', '/main': 'listed' });
    expect(outcomes(await crawl(EMPTY, linked, NOW, undefined, PLOVER))).toEqual({ '/': 'listed', '/copy': 'listed', '/main': 'listed' });
  });
  it('learns of the maps that robots.txt names, without being handed any', async () => {
    const site = await crawl(EMPTY, pages);
    expect(site.maps).toEqual([expect.objectContaining({ address: `${ORIGIN}/sitemap.xml`, named: true, count: 3 })]);
  });
});

describe('reading maps', () => {
  const read = async (answers: Readonly<Record<string, Answered | 'dead'>>) => (await crawl({ ...EMPTY, maps: [map()] }, world(answers), NOW, 0)).maps[0];
  it('takes the addresses of this host, and visits nothing yet', async () => {
    const pages = world({ '/sitemap.xml': { body: urlset('/', '/a') } });
    const site = await crawl({ ...EMPTY, maps: [map()] }, pages, NOW, 0);
    expect(site.maps[0]).toMatchObject({ count: 2, problem: undefined });
    expect(outcomes(site)).toEqual({ '/': 'waiting', '/a': 'waiting' });
    expect(pages.asked).toEqual(['/robots.txt', '/sitemap.xml']);
  });
  it('follows an index one level down', async () => {
    const index = `<sitemapindex><sitemap><loc>${ORIGIN}/1.xml</loc></sitemap><sitemap><loc>${ORIGIN}/2.xml</loc></sitemap></sitemapindex>`;
    expect(await read({ '/sitemap.xml': { body: index }, '/1.xml': { body: urlset('/a') }, '/2.xml': { body: urlset('/b', '/c') } })).toMatchObject({
      count: 3,
      problem: undefined,
    });
    expect(await read({ '/sitemap.xml': { body: index }, '/1.xml': { body: index }, '/2.xml': { body: urlset('/b') } })).toMatchObject({
      count: 1,
      problem: 'an index of indexes is not allowed',
    });
  });
  it.each<[string, Readonly<Record<string, Answered | 'dead'>>, RegExp]>([
    ['is not there', {}, /answers 404/],
    ['does not answer', { '/sitemap.xml': 'dead' }, /did not answer/],
    ['is something else', { '/sitemap.xml': { body: '<html>' } }, /not a sitemap/],
    ['is shut by robots.txt', { '/robots.txt': { body: 'User-agent: *\nDisallow: /sitemap' }, '/sitemap.xml': { body: urlset('/') } }, /forbids/],
    ['names another host', { '/sitemap.xml': { body: '<urlset><url><loc>https://b.example/</loc></url></urlset>' } }, /another host/],
  ])('says so where the map %s', async (_, answers, problem) => expect((await read(answers))?.problem).toMatch(problem));
});
