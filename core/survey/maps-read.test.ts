import { describe, expect, it } from 'vitest';
import { all, applyChange, emptyDocument, set, type SiteDocument } from '../site/index.ts';
import { factsOf } from '../testing/html.ts';
import { forSurvey } from '../rows/index.ts';
import { mapLines, summaryOf, type MapOrder, type ReadMap } from '../map/index.ts';
import { Survey } from './index.ts';

const NOW = Date.UTC(2026, 10, 25);
const ORIGIN = 'https://a.example';
const START = applyChange(emptyDocument(), set('facts', '', 'mainAddress', ORIGIN));
const html = (name: string, inner = ''): string =>
  `<html lang=en><title>${name}</title><meta name=description content="${name}, told."><h1>${name}</h1>${inner}`;
const PAGES: Readonly<Record<string, string>> = { 'index.html': html('Home'), 'b/index.html': html('B'), 'c/index.html': html('C'), 'd/index.html': html('D') };
const urlset = (...paths: string[]): string =>
  `<urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9">${paths.map((path) => `<url><loc>${ORIGIN}/${path}</loc></url>`).join('')}</urlset>`;
const index = (...locs: string[]): string =>
  `<sitemapindex xmlns="http://www.sitemaps.org/schemas/sitemap/0.9">${locs.map((loc) => `<sitemap><loc>${loc}</loc></sitemap>`).join('')}</sitemapindex>`;

function survey(maps: Readonly<Record<string, string>>, robots: string | undefined, document: SiteDocument = START, pages = PAGES): Survey {
  const files = [...Object.keys(pages), ...Object.keys(maps)].map((path, at) => ({ path, hash: path, size: 9, modified: NOW - (at + 3) * 9e8 }));
  return new Survey(
    document,
    files,
    Object.entries(pages).map(([id, text]) => ({ id, read: forSurvey(factsOf(text)) })),
    { robots, maps },
    undefined,
    () => NOW,
  );
}

describe('pages that only a map names', () => {
  const reached = (maps: Readonly<Record<string, string>>, robots: string | undefined, crawler = 'SkerryBot'): string[] => {
    const one = survey(maps, robots);
    one.released(one.manifestFor(1, NOW), START);
    return Object.keys(PAGES).filter((id) => one.wayIn(id, crawler).gates.find((gate) => gate.name === 'reachable')?.outcome === 'open');
  };
  const MAPS = {
    'old/index.xml': index(`${ORIGIN}/old/1.xml`, `${ORIGIN}/old/nested.xml`),
    'old/1.xml': urlset('b/'),
    'old/nested.xml': index(`${ORIGIN}/old/2.xml`),
    'old/2.xml': urlset('c/'),
  };
  it.each<[string, string | undefined, string[]]>([
    ['no robots.txt', undefined, ['index.html']],
    ['nobody named', 'User-agent: *\nDisallow:\n', ['index.html']],
    ['an index named, and no index below it read', `Sitemap: ${ORIGIN}/old/index.xml`, ['index.html', 'b/index.html']],
    ['a map named itself', `Sitemap: ${ORIGIN}/old/2.xml`, ['index.html', 'c/index.html']],
    ['on another host', 'Sitemap: https://b.example/old/2.xml', ['index.html']],
    ['a map that may not be fetched', `User-agent: *\nDisallow: /old/1\nSitemap: ${ORIGIN}/old/index.xml`, ['index.html']],
  ])('%s', (_, robots, expected) => expect(reached(MAPS, robots)).toEqual(expected));
  it('crawler by crawler', () => {
    const robots = `User-agent: PloverBot\nDisallow: /old/\n\nSitemap: ${ORIGIN}/old/1.xml`;
    expect([reached(MAPS, robots), reached(MAPS, robots, 'PloverBot')]).toEqual([['index.html', 'b/index.html'], ['index.html']]);
  });
});

describe('our map beside those the site came with', () => {
  const robots = `User-agent: *\nDisallow:\nSitemap: ${ORIGIN}/old.xml\nSitemap: ${ORIGIN}/sitemap.xml\n`;
  const maps = { 'old.xml': urlset('b/'), 'sitemap.xml': urlset('c/') };
  it('tells which of them robots.txt still names', () => {
    expect(survey(maps, robots, applyChange(START, set('sitemap', '', 'on', true))).maps.report()).toMatchObject({
      alsoNamed: [`${ORIGIN}/old.xml`],
      imported: ['old.xml', 'sitemap.xml'],
      replaces: ['sitemap.xml'],
    });
  });
  it('writes nothing anew that says what is there already', () => {
    const on = applyChange(START, all([set('sitemap', '', 'on', true), set('sitemap', '', 'dates', 'none'), set('sitemap', '', 'style', false)]));
    const written = survey(maps, robots, on).workingCopy().own;
    expect(Object.keys(written)).toEqual(['sitemap.xml']);
    expect(survey({ ...maps, 'sitemap.xml': written['sitemap.xml'] as string }, robots, on).workingCopy().own).toEqual({});
  });
});

describe('an index looked at with its maps', () => {
  const texts: Readonly<Record<string, string | null>> = {
    [`${ORIGIN}/1.xml`]: urlset('', 'b/', 'gone/'),
    [`${ORIGIN}/2.xml`]: urlset('b/', 'b/', 'c/'),
    [`${ORIGIN}/index.xml`]: index(`${ORIGIN}/1.xml`),
    [`${ORIGIN}/page.xml`]: '<html>',
    [`${ORIGIN}/404.xml`]: null,
  };
  const read = (text: string): ReadMap => {
    const one = survey({}, undefined);
    one.released(one.manifestFor(1, NOW), START);
    return one.maps.read({ text, address: `${ORIGIN}/sitemap.xml`, parts: texts });
  };
  it('tells of each what it is, and of all together what they lack', () => {
    const result = read(index(...Object.keys(texts), 'https://b.example/x.xml'));
    if (!result.ok) throw new Error(result.reason);
    expect(result.parts).toEqual([
      { loc: `${ORIGIN}/1.xml`, lastmod: undefined, what: 'map', addresses: 3, issues: 0, wrong: 1, again: 0 },
      { loc: `${ORIGIN}/2.xml`, lastmod: undefined, what: 'map', addresses: 3, issues: 1, wrong: 0, again: 1 },
      { loc: `${ORIGIN}/index.xml`, lastmod: undefined, what: 'index', addresses: 0, issues: 0, wrong: 0, again: 0 },
      { loc: `${ORIGIN}/page.xml`, lastmod: undefined, what: 'not-a-sitemap', addresses: 0, issues: 0, wrong: 0, again: 0 },
      { loc: `${ORIGIN}/404.xml`, lastmod: undefined, what: 'gone', addresses: 0, issues: 0, wrong: 0, again: 0 },
      { loc: 'https://b.example/x.xml', lastmod: undefined, what: 'not-read', addresses: 0, issues: 0, wrong: 0, again: 0 },
    ]);
    expect(result.comparison.missing).toEqual(['d/index.html']);
    expect(result.map.issues.map((issue) => issue.code)).toEqual(['loc-host']);
  });
  it('is told without its entries, which are given in any order, as many as are asked for', () => {
    const address = `${ORIGIN}/sitemap.xml`;
    const text = `<urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9">
      <url><loc>${ORIGIN}/c/</loc><lastmod>2026-01-01</lastmod></url>
      <url><loc>${ORIGIN}/gone/</loc><lastmod>2026-02-01</lastmod></url>
      <url><loc>${ORIGIN}/</loc></url></urlset>`;
    const one = survey({}, undefined);
    one.released(one.manifestFor(1, NOW), START);
    const read = one.maps.read({ text, address });
    expect(summaryOf(read)).toMatchObject({
      ok: true,
      kind: 'urlset',
      entries: 3,
      wrong: 2,
      issues: [],
      missing: { first: ['b/index.html', 'd/index.html'], count: 2 },
    });
    const locs = (order: Partial<MapOrder>, most = 9): string[] =>
      mapLines(read, { by: 'fault', down: false, wrongOnly: false, ...order }, most).map((line) => line.loc.slice(ORIGIN.length));
    expect(locs({})).toEqual(['/gone/', '/c/', '/']);
    expect(locs({ by: 'loc', down: true })).toEqual(['/gone/', '/c/', '/']);
    expect(locs({ by: 'lastmod' })).toEqual(['/', '/c/', '/gone/']);
    expect(locs({ by: 'loc' }, 2)).toEqual(['/', '/c/']);
    expect(locs({ wrongOnly: true })).toEqual(['/gone/', '/c/']);
    expect(summaryOf({ ok: false, reason: 'doctype' })).toEqual({ ok: false, reason: 'doctype' });
    expect(mapLines({ ok: false, reason: 'doctype' }, { by: 'loc', down: false, wrongOnly: false }, 9)).toEqual([]);
  });
  it('leaves to the maps beside one what stands in them, and no further', () => {
    const maps = { 'sitemap.xml': index(`${ORIGIN}/1.xml`, `${ORIGIN}/2.xml`), '1.xml': urlset('', 'b/'), '2.xml': urlset('c/'), 'alone.xml': urlset('d/') };
    const lacks = (robots: string | undefined, imported: string): [boolean, readonly string[]] => {
      const one = survey(maps, robots);
      one.released(one.manifestFor(1, NOW), START);
      const result = one.maps.read({ imported });
      if (!result.ok) throw new Error(result.reason);
      return [result.beside, result.comparison.missing];
    };
    const robots = `Sitemap: ${ORIGIN}/sitemap.xml`;
    expect(lacks(robots, '1.xml')).toEqual([true, ['d/index.html']]);
    expect(lacks(robots, 'sitemap.xml')).toEqual([false, ['d/index.html']]);
    expect(lacks(`${robots}\nSitemap: ${ORIGIN}/alone.xml`, '2.xml')).toEqual([true, []]);
    // What nothing names is read by nobody, and stands beside nothing.
    expect(lacks(robots, 'alone.xml')).toEqual([false, ['index.html', 'b/index.html', 'c/index.html']]);
    expect(lacks(undefined, '1.xml')).toEqual([false, ['c/index.html', 'd/index.html']]);
  });
  it('finds nothing wrong with ours, whether or not they are written, and whatever is live', () => {
    const by = (path: string, on: boolean): unknown => {
      const one = survey({}, undefined, applyChange(START, all([set('sitemap', '', 'on', on), set('pages', 'b/index.html', 'kind', 'post')])));
      const result = one.maps.read({ path });
      if (!result.ok) throw new Error(result.reason);
      return [result.map.issues, result.comparison.missing, result.comparison.entries.filter((entry) => entry.fault !== undefined)];
    };
    for (const on of [true, false]) for (const path of ['sitemap.xml', 'sitemap-posts.xml', 'sitemap-pages.xml']) expect(by(path, on)).toEqual([[], [], []]);
  });
  it('says why there is nothing to look at', () => {
    expect(survey({}, undefined).maps.read({ bytes: Uint8Array.of(0x1f, 0x8b, 8, 0) })).toEqual({ ok: false, reason: 'unreadable' });
    expect(read('<!DOCTYPE x [<!ENTITY a "b">]><urlset></urlset>')).toEqual({ ok: false, reason: 'doctype' });
  });
});

describe('the day that a page shows', () => {
  const day = (inner: string, id = 'b/index.html'): [string | undefined, string] => {
    const pages = { ...PAGES, [id]: html('B', inner) };
    const line = survey({}, undefined, applyChange(START, set('sitemap', '', 'dates', 'visible')), pages)
      .maps.report()
      .lines.find((one) => one.id === id);
    return [line?.lastmod, line?.dateFrom ?? ''];
  };
  it.each<[string, string, string | undefined]>([
    ['in a time element', '<p>Written <time datetime="2026-03-04">4 March</time>', '2026-03-04'],
    ['in its words', '<time>2026-03-04</time>', '2026-03-04'],
    ['the same twice', '<time datetime="2026-03-04T09:00:00Z">in the morning</time><time datetime=2026-03-04>4 March</time>', '2026-03-04'],
    ['several, as in a list of posts', '<time datetime=2026-03-04>a</time><time datetime=2026-05-06>b</time>', undefined],
    [
      'called its last change',
      '<time datetime=2026-03-04 itemprop=datePublished>a</time><time datetime=2026-05-06 itemprop=dateModified>b</time>',
      '2026-05-06',
    ],
    ['when something begins', '<time datetime=2026-03-04 itemprop=startDate>4 March</time>', undefined],
    ['a month', '<time datetime=2026-03>March</time>', undefined],
    ['an hour', '<time>14:00</time>', undefined],
    ['to come', '<time datetime=2027-03-04>next year</time>', undefined],
  ])('%s', (_, inner, expected) => expect(day(inner)).toEqual([expected, expected === undefined ? 'none' : 'page']));
  it('is not that of the page where it is an event’s', () =>
    expect(day('<time datetime=2026-03-04>4 March</time>', 'events/b/index.html')).toEqual([undefined, 'none']));
});
