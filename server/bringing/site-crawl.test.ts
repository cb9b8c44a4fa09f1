import { describe, expect, it } from 'vitest';
import type { Fetch } from '../fetching/index.ts';
import { LIMITS, ORIGIN, page, world, type Answered } from '../testing/made-up-host.ts';
import { Crawls, SiteCrawl, sift } from './index.ts';

describe('bringing a site in from its address', () => {
  it('follows links and maps on the same site, takes what pages show, and names files by their addresses', async () => {
    const { effects, asked } = world({
      '/': page(
        '<a href=/a/>a</a><a href="/b">b</a><a href="/c.html?x=1#y">c</a><a href=https://other.example/>o</a><img src=/p.png><script src=/s.js></script>',
      ),
      '/a/': page('<link rel=stylesheet href=style.css>'),
      '/b': page(''),
      '/c.html?x=1': page(''),
      '/d.html': page(''),
      '/p.png': { body: 'PNG', type: 'image/png' },
      '/s.js': { body: 'x', type: 'text/javascript' },
      '/a/style.css': { body: 'p{}', type: 'text/css' },
      '/sitemap.xml': {
        body: `<urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9"><url><loc>${ORIGIN}/d.html</loc></url></urlset>`,
        type: 'application/xml',
      },
    });
    const crawl = new SiteCrawl(`${ORIGIN}/`, LIMITS, effects);
    await crawl.run();
    expect(crawl.view()).toMatchObject({ state: 'done', pages: 5, troubles: 0, waiting: 0 });
    expect([...crawl.files.keys()].sort()).toEqual([
      'a/index.html',
      'a/style.css',
      'b/index.html',
      'c.html~x=1.html',
      'd.html',
      'index.html',
      'p.png',
      's.js',
      'sitemap.xml',
    ]);
    expect(crawl.told().addresses).toEqual({ 'b/index.html': '/b', 'c.html~x=1.html': '/c.html?x=1' });
    expect(asked.filter((path) => path.includes('other')).length).toBe(0);
    expect(asked.filter((path) => path === '/a/')).toHaveLength(1);
  });
  it('keeps to robots.txt, spoken to by its name, and to its delay', async () => {
    const { effects, asked, time } = world({
      '/robots.txt': { body: 'User-agent: *\nDisallow: /\n\nUser-agent: JollyBeacon\nDisallow: /no\nCrawl-delay: 4\n', type: 'text/plain' },
      '/': page('<a href=/no/a>a</a><a href=/yes>b</a>'),
      '/yes': page(''),
    });
    const crawl = new SiteCrawl(`${ORIGIN}/`, LIMITS, effects);
    await crawl.run();
    expect(crawl.view()).toMatchObject({ state: 'done', pages: 2, forbidden: 1 });
    expect(asked).not.toContain('/no/a');
    expect(time()).toBeGreaterThanOrEqual(4000);
  });
  it.each<[string, Readonly<Record<string, Answered | 'dead'>>, string]>([
    ['does not answer', { '/': 'dead' }, 'no-answer'],
    ['has rules that cannot be had', { '/robots.txt': { status: 500 }, '/': page('') }, 'robots'],
    ['leads to another site', { '/': { to: 'https://b.example/' } }, 'elsewhere'],
  ])('tells a site that %s', async (_, answers, reason) => {
    const crawl = new SiteCrawl(`${ORIGIN}/`, LIMITS, world(answers).effects);
    await crawl.run();
    expect(crawl.view()).toMatchObject({ state: 'failed', reason, pages: 0 });
  });
  it.each([
    ['a number of seconds', 503, '20', 20],
    ['a day and time', 429, new Date(30_000).toUTCString(), 30],
    ['longer than anybody waits', 429, '86400', 300],
    ['nothing', 503, undefined, 5],
  ])('leaves a busy host alone that asks for it by %s, whatever page is next', async (_, status, header, seconds) => {
    let refused = false;
    const { effects, time } = world({ '/': page('<a href=/a>a</a><a href=/b>b</a>') }, () => page(''));
    const asked: [string, number][] = [];
    const busy: Fetch = async (address, ...rest) => {
      const path = address.replace(ORIGIN, '');
      asked.push([path, time()]);
      const outcome = await effects.fetch(address, ...(rest as []));
      if (path !== '/a' || refused || !outcome.ok) return outcome;
      refused = true;
      return { ...outcome, status, headers: header === undefined ? {} : { 'retry-after': [header] } };
    };
    const crawl = new SiteCrawl(`${ORIGIN}/`, { ...LIMITS, seconds: 3_600 }, { ...effects, fetch: busy });
    await crawl.run();
    expect(crawl.view()).toMatchObject({ state: 'done', pages: 3 });
    const first = asked.findIndex(([path]) => path === '/a');
    const [, at] = asked[first] as [string, number];
    // The other line may have been under way.
    const later = asked.slice(first + 2).filter(([, when]) => when > at);
    expect(later.length).toBeGreaterThan(0);
    for (const [, when] of later) expect(when - at).toBeGreaterThanOrEqual(seconds * 1000 - 1_000 - (header?.includes(',') ? at : 0));
  });
  it('goes on where a limit stopped it, each go with its own time and number, until all is here', async () => {
    const links = Array.from({ length: 25 }, (_, at) => `<a href=/p${at}.html>p</a>`).join('');
    const { effects } = world({ '/': page(links) }, (path) => (/^\/p\d+/.test(path) ? page('') : undefined));
    const crawl = new SiteCrawl(`${ORIGIN}/`, { ...LIMITS, pages: 10 }, effects);
    const seen: [string, number][] = [];
    for (let go = 0; go < 4 && crawl.view().state !== 'done'; go++) {
      await crawl.run();
      seen.push([crawl.view().state, crawl.view().pages]);
    }
    expect(seen).toEqual([
      ['stopped', 10],
      ['stopped', 20],
      ['done', 26],
    ]);
    const slow = world({ '/': page(links) }, (path) => (/^\/p\d+/.test(path) ? page('') : undefined));
    const timed = new SiteCrawl(`${ORIGIN}/`, { ...LIMITS, seconds: 1 }, slow.effects);
    let goes = 0;
    for (; goes < 20 && timed.view().state !== 'done'; goes++) await timed.run();
    expect([timed.view().state, timed.view().pages, goes > 1]).toEqual(['done', 26, true]);
  });
  it('does not go after a redirect to where robots.txt forbids it', async () => {
    const { effects } = world({
      '/': page('<a href=/go>g</a>'),
      '/robots.txt': { body: 'User-agent: *\nDisallow: /shut/', type: 'text/plain' },
      '/go': { to: '/shut/' },
    });
    const went: string[] = [];
    const following: Fetch = async (address, held, follow = () => true) => {
      const outcome = await effects.fetch(address);
      const to = outcome.redirects[0];
      if (to === undefined) return outcome;
      if (!follow(new URL(to))) return { ok: false, reason: 'not-followed', redirects: [], hops: [] };
      went.push(to);
      return outcome;
    };
    const crawl = new SiteCrawl(`${ORIGIN}/`, LIMITS, { ...effects, fetch: following });
    await crawl.run();
    expect([went, crawl.view().forbidden]).toEqual([[], 1]);
  });
  it('tries again what failed once, tells what failed for good, and pages that scripts make', async () => {
    let first = true;
    const { effects } = world(
      {
        '/': page('<a href=/a>a</a><a href=/gone>g</a><a href=/bad>b</a><a href=/app>c</a>'),
        '/bad': { status: 500 },
        '/app': { body: '<title>App</title><div id=app></div><script src=/app.js></script>' },
      },
      (path) => {
        if (path !== '/a') return undefined;
        const answer = first ? { status: 503 } : page('');
        first = false;
        return answer;
      },
    );
    const crawl = new SiteCrawl(`${ORIGIN}/`, LIMITS, effects);
    await crawl.run();
    const view = crawl.view();
    expect(view).toMatchObject({ state: 'done', pages: 3, scripted: 1 });
    expect(view.examples.map(({ address, what }) => `${what} ${address.replace(ORIGIN, '')}`).sort()).toEqual(['404 /app.js', '404 /gone', '500 /bad']);
  });
  it('ends in every trap: endless addresses, endless queries, ten thousand links, redirects in a circle', async () => {
    const endless = world({}, (path) => page(`<a href="${path.replace(/\/$/, '')}/deeper/">d</a><a href="${path.split('?')[0]}?n=${path.length}">q</a>`));
    const one = new SiteCrawl(`${ORIGIN}/`, { ...LIMITS, depth: 30 }, endless.effects);
    await one.run();
    expect(one.view().state).toBe('done');
    const calendar = world({}, (path) => page(`<a href="/day?n=${Number(/\d+/.exec(path)?.[0] ?? 0) + 1}">next</a>`));
    const two = new SiteCrawl(`${ORIGIN}/`, { ...LIMITS, depth: 30 }, calendar.effects);
    await two.run();
    expect([two.view().state, two.view().pages < 60]).toEqual(['stopped', true]);
    const many = world({ '/': page(Array.from({ length: 10_000 }, (_, at) => `<a href=/p${at}.html>p</a>`).join('')) }, () => page(''));
    const three = new SiteCrawl(`${ORIGIN}/`, { ...LIMITS, pages: 30 }, many.effects);
    await three.run();
    expect(three.view()).toMatchObject({ state: 'stopped', reason: 'pages', pages: 30 });
    const circle = world({ '/': page('<a href=/x>x</a>'), '/x': { to: '/y' }, '/y': { to: '/x' } });
    const four = new SiteCrawl(`${ORIGIN}/`, LIMITS, circle.effects);
    await four.run();
    expect(four.view().state).toBe('done');
  });
  it('keeps to each of its limits, and asks for two at a time with a pause', async () => {
    const big = world({}, (path) =>
      page(`${'x'.repeat(5_000)}<a href="/n${Number(/\d+/.exec(path)?.[0] ?? 0) + 1}">n</a><a href="/m${Number(/\d+/.exec(path)?.[0] ?? 0) + 1}">m</a>`),
    );
    const bytes = new SiteCrawl(`${ORIGIN}/`, { ...LIMITS, bytes: 20_000, depth: 30 }, big.effects);
    await bytes.run();
    expect(bytes.view()).toMatchObject({ state: 'stopped', reason: 'bytes' });
    expect(bytes.view().bytes).toBeLessThanOrEqual(20_000);
    const deep = new SiteCrawl(`${ORIGIN}/`, { ...LIMITS, depth: 2 }, big.effects);
    await deep.run();
    expect(deep.view()).toMatchObject({ state: 'stopped', reason: 'depth', pages: 5 });
    await deep.run();
    expect(deep.view()).toMatchObject({ state: 'stopped', reason: 'depth', pages: 9 });
    const slow = new SiteCrawl(`${ORIGIN}/`, { ...LIMITS, seconds: 1, depth: 30 }, big.effects);
    await slow.run();
    expect(slow.view()).toMatchObject({ state: 'stopped', reason: 'seconds' });
    expect(big.mostAtOnce()).toBeLessThanOrEqual(2);
  });
  it('with links as deep as one likes, everything is there after enough goes, whatever depth is set', async () => {
    const chain = () => world({ '/p9': page('end') }, (path) => page(`<a href="/p${Number(/\d+/.exec(path)?.[0] ?? 0) + 1}">next</a>`));
    for (const depth of [0, 1, 3]) {
      const crawl = new SiteCrawl(`${ORIGIN}/`, { ...LIMITS, depth }, chain().effects);
      let goes = 0;
      do await crawl.run();
      while (++goes < 30 && crawl.view().state === 'stopped');
      expect(crawl.view()).toMatchObject({ state: 'done', pages: 10, missing: { depth: 0 } });
      expect(goes).toBe(Math.ceil(9 / Math.max(1, depth)) + (depth === 0 ? 1 : 0));
    }
  });
  it('stopped it goes on where it was, and asks for nothing twice', async () => {
    const { effects, asked } = world({ '/': page('<a href=/a>a</a><a href=/b>b</a><a href=/c>c</a>'), '/a': page(''), '/b': page(''), '/c': page('') });
    const crawls = new Crawls(
      () => effects,
      () => 'one',
    );
    const { id } = crawls.begin(`${ORIGIN}/`, LIMITS);
    const stopped = await crawls.stop(id);
    expect(stopped.state).toBe('stopped');
    await crawls.goOn(id);
    const [zip, { addresses }] = [await crawls.zip(id), await crawls.told(id)];
    expect(crawls.view(id)).toMatchObject({ state: 'done', pages: 4 });
    expect([zip.length > 100, Object.keys(addresses).length]).toEqual([true, 3]);
    const pages = asked.filter((path) => /^\/[abc]?$/.test(path));
    expect(pages.filter((path) => path !== '/')).toHaveLength(3);
    expect(() => crawls.view('nobody')).toThrow();
  });
  it('asks whole for what is remembered and not kept any more, and leaves out what cannot be read', async () => {
    const { effects } = world({ '/': page('<a href=/a>a</a><a href=/slow>s</a>'), '/a': page(''), '/slow': page('') });
    const asked: (string | undefined)[] = [];
    const crawl = new SiteCrawl(`${ORIGIN}/`, LIMITS, {
      ...effects,
      fetch: async (address, held) => {
        if (address.endsWith('/a')) asked.push(held?.etag);
        const outcome = await effects.fetch(address);
        return held && outcome.ok ? { ...outcome, status: 304, bytes: new Uint8Array() } : outcome;
      },
      sift: async (answer) => (answer.address.endsWith('/slow') ? Promise.reject(new Error('too slow')) : sift(answer)),
      memory: async () => ({
        of: (address) => (address.endsWith('/a') ? { etag: '"1"', modified: undefined, answer: async () => undefined } : undefined),
        keep: async () => undefined,
        save: async () => Promise.reject(new Error('no room')),
      }),
    });
    await crawl.run();
    expect(asked).toEqual(['"1"', undefined]);
    expect([...crawl.files.keys()].sort()).toEqual(['a/index.html', 'index.html']);
    expect(crawl.view()).toMatchObject({ state: 'done', unchanged: 0, examples: [{ address: `${ORIGIN}/slow`, what: 'unreadable' }] });
  });
  it('of more crawls than are kept the oldest is ended and forgotten', async () => {
    let ids = 0;
    const { effects } = world({ '/': page('') });
    const crawls = new Crawls(
      () => effects,
      () => `c${++ids}`,
    );
    for (let at = 0; at < 4; at++) crawls.begin(`${ORIGIN}/`, LIMITS);
    expect(() => crawls.view('c1')).toThrow();
    expect((await crawls.stop('c4')).state).toMatch(/stopped|done/);
    crawls.close();
  });
});
