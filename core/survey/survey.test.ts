import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { MANIFEST_FORMAT, redirectRules, type Manifest } from '../release/index.ts';
import {
  all,
  applyChange,
  emptyDocument,
  endingFault,
  endingFrom,
  endingOf,
  mainAddressChange,
  moves,
  ruleCatches,
  set,
  type Change,
  type SiteDocument,
} from '../site/index.ts';
import { writePattern, type Pattern } from '../titles/index.ts';
import { patchPage } from '../page/index.ts';
import { factsOf, sourceOf } from '../testing/html.ts';
import { runs } from '../testing/effort.ts';
import { alikeGroups, patternPreview, phraseReport, picturePlaces, Survey } from './index.ts';
import { forSurvey, remainingSteps } from '../rows/index.ts';
import { LinkIndex } from '../links/index.ts';

const PAGES: Record<string, string> = {
  'index.html':
    '<html lang=en><title>Bindery</title><meta name=description content="Home."><h1>Bindery</h1><a href=/a/>a</a><a href=tags/x/>x</a><a href=/gone/>gone</a>',
  'a/index.html': '<html lang=en><title>A</title><meta name=description content="Same."><link rel=canonical href="https://a.example/a/"><h1>A</h1>',
  'b/index.html': '<html lang=en><title>B</title><meta name=description content="Same."><meta name=robots content=noindex><h1>B</h1>',
  'tags/x/index.html': '<html lang=en><title>Tag x</title><h1>Tag: x</h1>',
  'new/index.html': '<html lang=en><title>New</title><meta name=description content="New."><h1>New</h1>',
};
const ROBOTS = 'User-agent: *\nDisallow: /b\nDisallow: /nothing\n';
const OLD_MAP =
  '<urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9"><url><loc>https://a.example/old/</loc></url><url><loc>https://a.example/a/</loc></url></urlset>';
const files = Object.keys(PAGES).map((path, index) => ({ path, hash: `hash-${path}`, size: 10, modified: Date.UTC(2026, 0, 1 + index * 40) }));
const MANIFEST: Manifest = {
  version: MANIFEST_FORMAT.version,
  number: 3,
  files: Object.fromEntries(files.filter((file) => !file.path.startsWith('new')).map(({ path, hash }) => [path, { hash, edits: [] }])),
  own: {},
  listed: ['index.html', 'a/index.html', 'tags/x/index.html'],
  changedAt: { 'a/index.html': Date.UTC(2026, 5, 1) },
};
const START = applyChange(emptyDocument(), set('facts', '', 'mainAddress', 'https://a.example'));

/** A survey of a site of its own, that nothing was released of. */
const surveyOf = (pages: Readonly<Record<string, string>>, document: SiteDocument): Survey =>
  new Survey(
    document,
    Object.keys(pages).map((path) => ({ path, hash: path, size: 1, modified: undefined })),
    Object.entries(pages).map(([id, html]) => ({ id, read: forSurvey(factsOf(html)) })),
    { robots: undefined, maps: {} },
    undefined,
    () => 0,
  );

function survey(document: SiteDocument = START, manifest: Manifest | null = MANIFEST): Survey {
  const made = new Survey(
    document,
    files,
    Object.entries(PAGES).map(([id, html]) => ({ id, read: forSurvey(factsOf(html)) })),
    { robots: ROBOTS, maps: { 'sitemap.xml': OLD_MAP } },
    manifest ?? undefined,
    () => Date.UTC(2026, 10, 25),
  );
  made.compareMore(() => true);
  return made;
}
const states = (one: Survey): Record<string, string> => Object.fromEntries(one.rows().map((row) => [row.id, row.state]));

describe('the survey', () => {
  it('tells the state of every page', () => {
    expect(states(survey())).toEqual({
      'index.html': 'findable',
      'a/index.html': 'to-mend',
      'b/index.html': 'shut-out',
      'tags/x/index.html': 'leaking',
      'new/index.html': 'not-live',
    });
  });
  it('counts what people can find now, and after the release', () => {
    expect(survey().numbers()).toMatchObject({ pages: 5, wanted: 4, found: 2, foundAfterRelease: 2, brokenLinks: 1 });
    const open = applyChange(START, set('sitemap', '', 'on', true));
    expect(survey(open).numbers()).toMatchObject({ found: 2, foundAfterRelease: 3 });
  });
  it('knows which pages each line of robots.txt touches', () => {
    expect(survey().robots.report().touches).toEqual([
      { line: 2, pages: { count: 1, first: ['b/index.html'] }, files: 0, wronglyShut: { count: 1, first: ['b/index.html'] } },
      { line: 3, pages: { count: 0, first: [] }, files: 0, wronglyShut: { count: 0, first: [] } },
    ]);
  });
  it('tells states for the crawler at hand: noindex for another one shuts nothing', () => {
    const page = (name: string) => ({
      id: 'index.html',
      read: forSurvey(factsOf(`<html lang=en><head><meta name=${name} content=noindex><title>T</title><meta name=description content=D></head><h1>T</h1>`)),
    });
    const [file] = files.filter((one) => one.path === 'index.html');
    const state = (name: string) => new Survey(START, file ? [file] : [], [page(name)], { robots: undefined, maps: {} }, MANIFEST, () => 0).rows()[0]?.state;
    expect([state('skerrybot'), state('ploverbot'), state('robots')]).toEqual(['shut-out', 'findable', 'shut-out']);
  });
  it('closes everything with one switch, and says which change it would release', () => {
    const closed = survey(applyChange(START, set('siteSwitch', '', 'open', false)));
    expect(closed.rows().filter((row) => row.state === 'shut-out')).toHaveLength(3);
    expect(closed.editsOf('a/index.html')).toEqual([{ kind: 'noindex', on: true }]);
    expect(closed.editsOf('b/index.html')).toEqual([]);
    expect(closed.sitemapEntries()).toEqual([]);
  });

  const change: fc.Arbitrary<Change> = fc.oneof(
    fc
      .tuple(
        fc.constantFrom(...Object.keys(PAGES)),
        fc.constantFrom('title' as const, 'description' as const),
        fc.constantFrom(null, 'Same.', 'Other', '', 'A text of some length here', 'A text of some length there'),
      )
      .map(([page, field, value]) => set('pages', page, field, value)),
    fc
      .tuple(fc.constantFrom(...Object.keys(PAGES)), fc.constantFrom(null, 'list' as const, 'out' as const))
      .map(([page, value]) => set('pages', page, 'intent', value)),
    fc.boolean().map((open) => set('siteSwitch', '', 'open', open)),
    fc.constantFrom(null, 'out' as const, 'list' as const).map((value) => set('kinds', 'tag', 'intent', value)),
    fc.constantFrom(null, '', 'User-agent: *\nDisallow: /\n').map((value) => set('robots', '', 'text', value)),
    fc.constantFrom(null, true).map((on) => set('sitemap', '', 'on', on)),
    fc.constantFrom(null, 'no' as const).map((value) => set('directives', 'kind:page\n*', 'follow', value)),
    fc.constantFrom(null, 'out' as const).map((value) => set('directives', 'page:a/index.html\nPloverBot', 'intent', value)),
    fc.constantFrom(null, 'self' as const).map((value) => set('pages', 'a/index.html', 'canonical', value)),
    fc.constantFrom(null, false).map((value) => set('pages', 'new/index.html', 'inMap', value)),
    fc.constantFrom(null, 'draft' as const).map((value) => set('visitors', '', 'audience', value)),
    fc
      .tuple(fc.constantFrom('a/index.html', 'new/index.html'), fc.constantFrom(null, 'moved', 'far'))
      .map(([page, value]) => set('pages', page, 'ending', value)),
    fc
      .tuple(fc.constantFrom(...Object.keys(PAGES)), fc.constantFrom(null, 'old books', 'books, old'))
      .map(([page, value]) => set('pages', page, 'phrase', value)),
    fc.constantFrom(null, '[{"first":["page-name"]},{"first":["separator"]},{"first":["site-name"]}]').map((value) => set('kinds', 'page', 'title', value)),
    fc
      .constantFrom(null, 'post' as const, 'tag' as const)
      .map((kind) => all([set('rules', 'r', 'path', '/a'), set('rules', 'r', 'match', 'contains'), set('rules', 'r', 'kind', kind)])),
    fc.constantFrom(null, 'New A').map((now) => all([set('passages', 'a/index.html\n128', 'was', 'A'), set('passages', 'a/index.html\n128', 'now', now)])),
    fc.constantFrom(null, 'mine').map((reason) => set('ignored', 'a/index.html\ndescription-same', 'reason', reason)),
    fc.constantFrom(null, 30).map((width) => set('limits', 'title-wide', 'width', width)),
    fc.constantFrom(null, '/new/').map((to) => set('repairs', '/gone/', 'to', to)),
  );
  it('brought up to date change by change says the same as one made anew', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.oneof(
            change,
            fc.array(change, { maxLength: 3 }).map((some) => all(some)),
          ),
          { maxLength: 8 },
        ),
        (changes) => {
          const running = survey();
          let document = START;
          const shown = new Map(running.rows().map((row) => [row.id, row]));
          for (const one of changes) {
            document = applyChange(document, one);
            for (const row of running.update(document, one)) shown.set(row.id, row);
          }
          const anew = survey(document);
          expect([...shown.values()].sort((a, b) => (a.address < b.address ? -1 : 1))).toEqual(anew.rows());
          expect(running.releaseItems()).toEqual(anew.releaseItems());
          expect(running.numbers()).toEqual(anew.numbers());
        },
      ),
      { numRuns: runs(150) },
    );
  });
});

describe('the map', () => {
  const on = applyChange(START, set('sitemap', '', 'on', true));
  it('holds what is wanted and may be listed, with dates that are true', () => {
    expect(survey(on).sitemapEntries()).toEqual([
      { loc: 'https://a.example/', lastmod: '2026-01-01' },
      { loc: 'https://a.example/a/', lastmod: '2026-06-01' },
      { loc: 'https://a.example/new/', lastmod: '2026-11-25' },
    ]);
  });
  it('is compared with the one the site came with', () => {
    const read = survey().maps.read({ text: OLD_MAP, address: 'https://a.example/old-map.xml' });
    if (!read.ok) throw new Error(read.reason);
    const compared = read.comparison;
    expect(compared.entries.map((entry) => [entry.loc, entry.fault?.code])).toEqual([
      ['https://a.example/old/', 'not-there'],
      ['https://a.example/a/', undefined],
    ]);
    expect(compared.missing).toEqual(['index.html', 'new/index.html']);
  });
  it('goes out with robots.txt naming it', () => {
    const items = survey(on).releaseItems();
    expect(items.map((item) => [item.path, item.what, item.own])).toEqual([
      ['new/index.html', 'new', false],
      ['robots.txt', 'new', true],
      ['sitemap.css', 'new', true],
      ['sitemap.xml', 'new', true],
      ['sitemap.xsl', 'new', true],
    ]);
    expect(survey(on).workingCopy().own['robots.txt']).toContain('Sitemap: https://a.example/sitemap.xml');
  });
});

describe('the maps, told', () => {
  const on = applyChange(
    START,
    all([
      set('sitemap', '', 'on', true),
      set('extras', 'https://a.example/rooms/', 'at', 'x'),
      set('extras', 'https://a.example/b/?x=1', 'at', 'x'),
      set('extras', 'nonsense', 'at', 'x'),
      set('extras', 'https://a.example/tags/x/', 'at', 'x'),
    ]),
  );
  it('say where each date comes from, and why a page is left out', () => {
    const report = survey(on).maps.report();
    expect(report.lines.map((line) => [line.id, line.dateFrom])).toEqual([
      ['index.html', 'file'],
      ['a/index.html', 'release'],
      ['new/index.html', 'next-release'],
    ]);
    expect(report.leftOut.map(({ id, because }) => [id, 'reason' in because ? because.reason.code : because.choice])).toEqual([
      ['b/index.html', 'rule'],
      ['tags/x/index.html', 'intent'],
    ]);
    expect(report.extras.map(({ address, fault }) => [address, fault])).toEqual([
      ['https://a.example/b/?x=1', 'shut'],
      ['https://a.example/rooms/', 'not-there'],
      ['https://a.example/tags/x/', 'kept-out'],
      ['nonsense', 'not-absolute'],
    ]);
    expect(survey(on).workingCopy().own['sitemap-more.xml']).toContain('<loc>https://a.example/rooms/</loc>');
  });
  it('only what people read makes a page newer', () => {
    const released = { ...MANIFEST, version: MANIFEST_FORMAT.version };
    const quiet = survey(applyChange(on, set('directives', 'site\n*', 'snippet', 50)), released).maps.report();
    expect(quiet.lines.find((line) => line.id === 'index.html')?.dateFrom).toBe('file');
    const read = survey(applyChange(on, set('pages', 'index.html', 'title', 'Another')), released).maps.report();
    expect(read.lines.find((line) => line.id === 'index.html')?.dateFrom).toBe('next-release');
  });
  it('refuse a day that nearly all files share', () => {
    const same = Object.keys(PAGES).map((path) => ({ path, hash: path, size: 1, modified: Date.UTC(2026, 0, 1) }));
    const one = new Survey(
      on,
      same,
      Object.entries(PAGES).map(([id, html]) => ({ id, read: forSurvey(factsOf(html)) })),
      { robots: undefined, maps: {} },
      undefined,
      () => Date.UTC(2026, 10, 25),
    );
    expect(one.maps.report()).toMatchObject({ trust: { files: false } });
    expect(one.maps.report().lines.every((line) => line.dateFrom === 'none' && line.lastmod === undefined)).toBe(true);
  });
  it('are taken out and put in by page, and never hold what stays out', () => {
    const chosen = applyChange(on, all([set('pages', 'a/index.html', 'inMap', false), set('pages', 'tags/x/index.html', 'inMap', true)]));
    expect(
      survey(chosen)
        .maps.report()
        .lines.map((line) => line.id),
    ).toEqual(['index.html', 'new/index.html']);
  });
  it('are none while the site is closed, and robots.txt names none', () => {
    const closed = survey(applyChange(applyChange(START, set('sitemap', '', 'on', true)), set('siteSwitch', '', 'open', false)));
    expect(Object.keys(closed.workingCopy().own)).toEqual([]);
    expect(closed.robots.text()).toBe(ROBOTS);
  });
});

describe('another main address', () => {
  const OLD = 'https://www.a.example';
  const pages = {
    'index.html': `<link rel=canonical href="${OLD}/"><meta property=og:url content="${OLD}/"><a href="http://a.example/b/?q#x">b</a><a href="//www.a.example/b/">b</a><a href="https://c.example/b/">c</a><a href=/b/>b</a>`,
    'b/index.html': `<link rel=canonical href=/b/><script type="application/ld+json">{"url":"https:\\/\\/www.a.example\\/b\\/","see":"${OLD}"}</script><p>words`,
  };
  const imported = (document: SiteDocument): Survey => surveyOf(pages, document);
  const before = applyChange(emptyDocument(), set('facts', '', 'mainAddress', OLD));
  const written = (one: Survey, id: keyof typeof pages): string => {
    const patched = patchPage(sourceOf(pages[id]), factsOf(pages[id]), one.editsOf(id));
    return patched.ok ? new TextDecoder().decode(patched.bytes) : patched.reason;
  };
  it.each(['https://a.example', 'http://www.a.example', 'https://new.example'])('takes along what pages name: %s', (origin) => {
    const one = imported(applyChange(before, mainAddressChange(before, origin)));
    const now = new URL(origin).origin;
    expect(written(one, 'index.html')).toBe(
      `<link rel=canonical href="${now}/"><meta property=og:url content="${now}/">${
        now === 'https://a.example' ? '<a href="https://a.example/b/?q#x">b</a>' : `<a href="${now}/b/?q#x">b</a>`
      }<a href="${now.startsWith('http:') ? '//www.a.example' : now}/b/">b</a><a href="https://c.example/b/">c</a><a href=/b/>b</a>`,
    );
    expect(written(one, 'b/index.html')).toBe(
      `<link rel=canonical href=/b/><script type="application/ld+json">{"url":"${now.replaceAll('/', '\\/')}\\/b\\/","see":"${now}/"}</script><p>words`,
    );
    one.released(one.manifestFor(1, 0), applyChange(before, mainAddressChange(before, origin)));
    expect(one.rows().map((row) => [row.realities['skerry'], row.realities['plover']])).toEqual([
      ['listed', 'listed'],
      ['listed', 'listed'],
    ]);
  });
  it('taken back leaves nothing behind', () => {
    const there = applyChange(before, mainAddressChange(before, 'https://a.example'));
    const back = applyChange(there, mainAddressChange(there, OLD));
    expect([back.tables.facts['']?.mainAddress, back.tables.facts['']?.cameAs ?? null]).toEqual([OLD, null]);
    expect([imported(back).editsOf('index.html'), imported(before).editsOf('index.html')]).toEqual([[], []]);
  });
});

describe('a site without a home page', () => {
  const pages = {
    'index.en.html': '<title>Tide</title><h1>Tide &amp; Timber</h1><a href="boats.html">b</a>',
    'boats.html': '<h1>Boats</h1><a href="index.en.html">home</a><a href="/">home</a>',
  };
  const imported = (document: SiteDocument): Survey => surveyOf(pages, document);
  const steps = (one: Survey, document: SiteDocument) =>
    remainingSteps(document, one.rows(), one.numbers(), undefined).map(({ step }) => (step.code === 'no-home' ? [step.code, ...step.pages] : step.code));
  it('says so first, with the page that is likely meant', () =>
    expect(steps(imported(START), START).slice(0, 2)).toEqual([['no-home', 'index.en.html', 'boats.html'], 'write-words']));
  it('has one once a page is chosen: it answers there, links follow, and its old address leads on', () => {
    const chosen = applyChange(START, set('facts', '', 'homePage', 'index.en.html'));
    const one = imported(chosen);
    expect(one.rows().find((row) => row.id === 'index.en.html')).toMatchObject({ address: '/', linksIn: 1 });
    expect(steps(one, chosen).flat()).not.toContain('no-home');
    const copy = one.workingCopy();
    expect([copy.files['index.en.html']?.to, copy.own['index.en.html']?.includes('url=/"')]).toEqual(['index.html', true]);
    const source = sourceOf(pages['boats.html']);
    const patched = patchPage(source, factsOf(pages['boats.html']), one.editsOf('boats.html'));
    expect(patched.ok && new TextDecoder().decode(patched.bytes)).toContain('<a href="./">home</a><a href="/">home</a>');
    one.released(one.manifestFor(1, 0), chosen);
    expect([one.wayIn('index.en.html').reality, one.wayIn('boats.html').reality]).toEqual(['listed', 'listed']);
    // Undone, all is as before.
    expect(one.update(START, set('facts', '', 'homePage', null)).length).toBeGreaterThan(0);
    expect(one.rows().find((row) => row.id === 'index.en.html')?.address).toBe('/index.en.html');
  });
});

describe('any address', () => {
  const one = survey(applyChange(START, set('pages', 'a/index.html', 'ending', 'about-us')));
  it.each([
    ['/', 'page', 'listed'],
    ['/b/?print=1', 'page', 'out'],
    ['/a/', 'moved', 'out'],
    ['/about-us', 'moved', 'out'],
    ['/none', 'nothing', 'out'],
    ['/%61bout-us/', 'page', 'listed'],
    ['/about-us/index.html', 'page', 'out'],
    ['/about-us/?a', 'page', 'out'],
    ['/about-us/index', 'page', 'out'],
    ['/a', 'moved', 'out'],
    ['/a/index.html', 'moved', 'out'],
  ])('%s: %s, %s', (path, what, reality) => expect(one.wayInAt(path, 'SkerryBot')).toMatchObject({ what, way: { reality } }));
  it('is asked of crawlers that nobody knows too', () =>
    expect(one.wayInAt('/b/', 'OtherBot').way.gates.find((gate) => gate.name === 'fetchable')).toMatchObject({ outcome: 'shut', reason: { line: 2 } }));
});

describe('robots.txt', () => {
  it('as a draft is told as pages that open and shut, crawler by crawler', () => {
    const effects = survey().robots.effect('User-agent: *\nDisallow: /a/\n\nUser-agent: PloverBot\nDisallow:\n');
    expect(effects.map(({ crawlers, opened, shut }) => [crawlers, opened.first, shut.first])).toEqual([
      // Every other crawler, which nobody names, is one of them.
      [['SkerryBot', 'PloverBot-Image', null], ['b/index.html'], ['a/index.html']],
      [['PloverBot'], ['b/index.html'], []],
    ]);
    expect(
      survey()
        .robots.effect('User-agent: OwnBot\nDisallow: /\n')
        .map(({ crawlers, opened, shut }) => [crawlers, opened.count, shut.count]),
    ).toEqual([
      [['SkerryBot', 'PloverBot', 'PloverBot-Image', null], 1, 0],
      [['OwnBot'], 0, 4],
    ]);
    expect(survey().robots.effect(ROBOTS)).toEqual([]);
  });
});

it('a page that links can only lead to through a shut one is not come upon', () => {
  const html = {
    'index.html': '<title>H</title><h1>H</h1><a href=/x/>x</a>',
    'x/index.html': '<title>X</title><h1>X</h1><a href=/y/>y</a>',
    'y/index.html': '<title>Y</title><h1>Y</h1>',
  };
  const made = (rules: string) =>
    new Survey(
      START,
      Object.keys(html).map((path) => ({ path, hash: path, size: 1, modified: undefined })),
      Object.entries(html).map(([id, text]) => ({ id, read: forSurvey(factsOf(text)) })),
      { robots: rules, maps: {} },
      undefined,
      () => 0,
    );
  const reason = (one: Survey) => one.wayIn('y/index.html').gates.find((gate) => gate.name === 'reachable')?.reason;
  expect(reason(made(''))).toMatchObject({ code: 'reached', clicks: 2 });
  expect(reason(made('User-agent: *\nDisallow: /x/'))).toEqual({ code: 'links-unread', linksIn: 1 });
});

describe('releases', () => {
  it('leave nothing waiting, and date only what changed', () => {
    const document = all([set('pages', 'a/index.html', 'title', 'A, better'), set('kinds', 'tag', 'intent', 'out')]);
    const changed = applyChange(START, document);
    const before = survey(changed);
    expect(before.releaseItems().map((item) => item.path)).toEqual(['a/index.html', 'new/index.html', 'tags/x/index.html']);
    const manifest = before.manifestFor(4, 99);
    before.released(manifest, changed);
    expect(before.releaseItems()).toEqual([]);
    expect(before.rows().every((row) => !row.pending)).toBe(true);
    expect(manifest.changedAt).toEqual({ 'a/index.html': 99, 'new/index.html': 99 });
    expect(manifest.listed).toEqual(['index.html', 'a/index.html']);
  });
  it('of the site as it was brought in claim no change', () => {
    expect(survey(START, null).manifestFor(0, 5).changedAt).toEqual({});
  });
});

describe('an address that gets a new ending', () => {
  const moved = applyChange(START, set('pages', 'a/index.html', 'ending', 'about-us'));
  const one = survey(moved);
  it('moves the page, its canonical, its place in the map and the links to it', () => {
    expect(one.rows().find((row) => row.id === 'a/index.html')).toMatchObject({ address: '/about-us/', pending: true });
    expect(one.wayIn('a/index.html').reality).toBe('listed');
    expect(one.sitemapEntries().map((entry) => entry.loc)).toContain('https://a.example/about-us/');
    expect(one.editsOf('index.html')).toEqual([
      { kind: 'addresses', origin: 'https://a.example', page: { from: '/', to: '/' }, moved: [{ from: '/a/', to: '/about-us/' }] },
    ]);
    expect(one.editsOf('tags/x/index.html')).toEqual([]);
  });
  it('takes every spelling of links to it along, in all attributes and data, but not in its own stub', () => {
    const spelled = [
      '/a/',
      '/a/index.html',
      '/a',
      '/%61/',
      'https://a.example/a/#x',
      'https://www.a.example/a/?q=1',
      '//a.example/a',
      'http://a.example/a/index.html',
      'a/',
    ];
    const home = [
      ...spelled.map((href) => `<a href="${href}">x</a>`),
      '<form action=/a/><button formaction=/a>x</button></form><blockquote cite="/a/index.html"></blockquote><iframe src="/a/"></iframe>',
      '<svg><a xlink:href="/a/">x</a></svg><a ping="/a/ /other" href=/b/>x</a><div data-url="https://a.example/a"></div>',
      '<script type="application/ld+json">{"@id":"https://a.example/a/#it","url":"/a","/a/":"x","text":"see /a/","image":"https:\\/\\/a.example\\/a\\/index.html"}</script>',
      '<a href="/ab/">no</a><a href="/b/a/">no</a><a href="https://b.example/a/">no</a>',
    ].join('');
    const pages = {
      'index.html': home,
      'a/index.html': '<a href=index.html>self</a><a href=../a>self</a>',
      'b/index.html': '<script type="application/ld+json">{"url":"/a/index.html"}</script>',
    };
    const spelledSite = surveyOf(pages, moved);
    const written = (id: keyof typeof pages): string => {
      const source = sourceOf(pages[id]);
      const patched = patchPage(source, factsOf(pages[id]), spelledSite.editsOf(id));
      return patched.ok ? new TextDecoder().decode(patched.bytes) : patched.reason;
    };
    expect(written('index.html')).toBe(
      [
        ...[
          '/about-us/',
          '/about-us/',
          '/about-us/',
          '/about-us/',
          'https://a.example/about-us/#x',
          'https://a.example/about-us/?q=1',
          'https://a.example/about-us/',
          'https://a.example/about-us/',
          'about-us/',
        ].map((href) => `<a href="${href}">x</a>`),
        '<form action="/about-us/"><button formaction="/about-us/">x</button></form><blockquote cite="/about-us/"></blockquote><iframe src="/about-us/"></iframe>',
        '<svg><a xlink:href="/about-us/">x</a></svg><a ping="/about-us/ /other" href=/b/>x</a><div data-url="https://a.example/about-us/"></div>',
        '<script type="application/ld+json">{"@id":"https://a.example/about-us/#it","url":"/about-us/","/a/":"x","text":"see /a/","image":"https:\\/\\/a.example\\/about-us\\/"}</script>',
        '<a href="/ab/">no</a><a href="/b/a/">no</a><a href="https://b.example/a/">no</a>',
      ].join(''),
    );
    expect(written('a/index.html')).toBe('<a href="./">self</a><a href="./">self</a>');
    expect(written('b/index.html')).toBe('<script type="application/ld+json">{"url":"/about-us/"}</script>');
    expect(spelledSite.workingCopy().own['a/index.html']).toContain('url=/about-us/');
    expect(spelledSite.rows().find((row) => row.id === 'a/index.html')?.linksIn).toBe(1);
  });
  it('leaves a page at the old address that leads on', () => {
    const copy = one.workingCopy();
    expect(copy.files['a/index.html']).toMatchObject({ to: 'about-us/index.html' });
    expect(copy.own['a/index.html']).toContain('<link rel="canonical" href="https://a.example/about-us/">');
    expect(one.releaseItems().map((item) => [item.out, item.what, item.own])).toEqual([
      ['about-us/index.html', 'changed', false],
      ['index.html', 'changed', false],
      ['new/index.html', 'new', false],
      ['a/index.html', 'changed', true],
    ]);
  });
  it('says nothing more once it is released', () => {
    const released = survey(moved, one.manifestFor(4, 1));
    expect(released.releaseItems()).toEqual([]);
    expect(released.rows().find((row) => row.id === 'a/index.html')?.pending).toBe(false);
  });
  it('leaves no address behind when the page moves again, or back', () => {
    const first = one.manifestFor(4, 1);
    const again = applyChange(START, set('pages', 'a/index.html', 'ending', 'who'));
    const second = survey(again, first);
    expect(second.workingCopy().own['about-us/index.html']).toContain('url=/who/');
    expect(second.workingCopy().own['a/index.html']).toContain('url=/who/');
    const third = survey(again, second.manifestFor(5, 2));
    expect(third.releaseItems()).toEqual([]);
    expect(Object.keys(third.workingCopy().own).sort()).toEqual(['a/index.html', 'about-us/index.html']);
    const back = survey(START, third.manifestFor(6, 3));
    expect(back.workingCopy().own['who/index.html']).toContain('url=/a/');
    expect(back.workingCopy().own['a/index.html']).toBeUndefined();
  });
  it('is written out for web servers', () => {
    const list = moves(moved);
    expect(redirectRules(list, 'htaccess')).toBe('RedirectMatch 301 "^/a/$" "/about-us/"\n');
    expect(redirectRules([{ from: '/a.b/', to: '/c/' }], 'htaccess')).toContain('"^/a\\.b/$"');
    expect(redirectRules(list, 'server-block')).toBe('location = /a/ { return 301 /about-us/; }\n');
    expect(redirectRules(list, 'lines')).toBe('/a/ /about-us/ 301\n');
  });
  it.each([
    ['a/index.html', 'b', 'taken'],
    ['a/index.html', 'x y', 'characters'],
    ['a/index.html', '', 'empty'],
    ['index.html', 'x', 'home'],
    ['a/index.html', 'fine', undefined],
    ['a.html', 'b', undefined],
  ])('%s as %j: %s', (file, ending, fault) => expect(endingFault(file, ending, (path) => path in PAGES)).toBe(fault));
  it('can be made of any words', () => {
    expect([
      endingFrom('Box Making: for “rare” Books!'),
      endingFrom('Größe & Maß'),
      endingFrom('本の修理'),
      endingOf('/services/box-making/'),
      endingOf('/x/a.html'),
    ]).toEqual(['box-making-for-rare-books', 'größe-maß', '本の修理', 'box-making', 'a']);
  });
});

describe('patterns, phrases and copies across the site', () => {
  const pattern: Pattern = [{ first: ['page-name'] }, { first: ['separator'] }, { first: ['site-name'] }];
  const named = applyChange(START, set('facts', '', 'siteName', 'Bindery'));
  it('a pattern says which pages it changes, from what to what, and leaves the owner’s own words', () => {
    const own = applyChange(named, set('pages', 'b/index.html', 'title', 'Mine'));
    const preview = patternPreview(survey(own), own, 'page', 'title', pattern);
    expect(preview.changes).toEqual([
      { page: 'a/index.html', before: 'A', after: 'A | Bindery' },
      { page: 'new/index.html', before: 'New', after: 'New | Bindery' },
    ]);
    expect([preview.follow, preview.own]).toEqual([2, ['b/index.html']]);
    expect(preview.samples[0]).toMatchObject({ page: 'a/index.html', text: 'A | Bindery', parts: { 'site-name': 'Bindery', 'page-name': 'A' } });
    const done = applyChange(own, set('kinds', 'page', 'title', writePattern(pattern)));
    expect(
      survey(done)
        .rows()
        .map((row) => [row.title, row.titleFrom]),
    ).toEqual([
      ['Bindery', 'page'],
      ['A | Bindery', 'pattern'],
      ['Mine', 'owner'],
      ['New | Bindery', 'pattern'],
      ['Tag x', 'page'],
    ]);
  });
  it('pages alike stand together', () => {
    expect(alikeGroups(survey())).toEqual([{ field: 'description', how: 'same', pages: ['a/index.html', 'b/index.html'] }]);
  });
  it('rules give kinds, and the first that fits decides', () => {
    const ruled = applyChange(
      START,
      all([
        set('rules', '1', 'path', '/new'),
        set('rules', '1', 'match', 'contains'),
        set('rules', '1', 'kind', 'event'),
        set('rules', '1', 'order', 1),
        set('rules', '2', 'path', '/'),
        set('rules', '2', 'kind', 'post'),
        set('rules', '2', 'order', 2),
      ]),
    );
    expect(
      Object.fromEntries(
        survey(ruled)
          .rows()
          .map((row) => [row.address, row.kind]),
      ),
    ).toEqual({ '/': 'page', '/a/': 'post', '/b/': 'post', '/new/': 'event', '/tags/x/': 'tag' });
    expect([
      ruleCatches({ path: '/journal', match: 'below' }, '/journal/'),
      ruleCatches({ path: 'journal/', match: 'below' }, '/journal/x/'),
      ruleCatches({ path: '.php', match: 'ends' }, '/a.php'),
    ]).toEqual([false, true, true]);
  });
  it('phrases are the owner’s combinations and the targets', () => {
    const wished = applyChange(
      START,
      all([
        set('wishes', '', 'services', 'bindery'),
        set('wishes', '', 'places', 'Saltmere'),
        set('pages', 'a/index.html', 'phrase', 'gold tooling'),
        set('worth', 'gold tooling', 'worth', 3),
      ]),
    );
    expect(phraseReport(survey(wished), wished).map((row) => [row.phrase, row.verdict])).toEqual([
      ['gold tooling', 'weak'],
      ['bindery Saltmere', 'nobody'],
      ['bindery', 'answered'],
    ]);
  });
  it('pictures are listed with what they say and will say', () => {
    const html = '<h1>x</h1><img src="/p/a%20b.jpg"><img src="https://b.example/x.png" alt=old><img role=presentation src=y>';
    const document = applyChange(START, set('alts', 'index.html\n10', 'now', 'A box'));
    const one = new Survey(document, [], [{ id: 'index.html', read: forSurvey(factsOf(html)) }], { robots: undefined, maps: {} }, undefined, () => 0);
    expect(picturePlaces(one, document)).toEqual([
      { page: 'index.html', start: 10, path: 'p/a b.jpg', src: '/p/a%20b.jpg', was: null, alt: 'A box' },
      { page: 'index.html', start: 34, path: undefined, src: 'https://b.example/x.png', was: 'old', alt: 'old' },
    ]);
    expect(one.editsOf('index.html')).toEqual([{ kind: 'alt', start: 10, was: null, now: 'A box' }]);
  });
  it('a feed tells posts from pages', () => {
    const feed = '<rss><channel><link>https://a.example/b/</link><item><link>https://a.example/a/</link></item></channel></rss>';
    const one = new Survey(
      START,
      files,
      Object.entries(PAGES).map(([id, html]) => ({ id, read: forSurvey(factsOf(html)) })),
      { robots: undefined, maps: {}, feeds: [feed] },
      undefined,
      () => 0,
    );
    expect(
      one
        .rows()
        .filter((row) => row.kind === 'post')
        .map((row) => row.address),
    ).toEqual(['/a/']);
  });
});

describe('links', () => {
  it('count pages, not links, resolve through base, and know what is broken', () => {
    const have = new Set(['index.html', 'x/index.html', 'y.html']);
    const links = new LinkIndex('a.example', (path) => have.has(path));
    links.put('index.html', ['/x/', 'x/', '/x', 'https://a.example/x/#top', 'y', 'https://b.example/x/', '/nope', '#here', 'mailto:a@b.example'], undefined);
    links.put('x/index.html', ['y.html', '/x/'], '/');
    expect([links.linksIn('x/index.html'), links.linksIn('y.html'), links.linksIn('index.html')]).toEqual([1, 2, 0]);
    expect(links.backlinks('y.html')).toEqual(['index.html', 'x/index.html']);
    expect(links.broken()).toEqual([{ page: 'index.html', path: '/nope' }]);
  });
});

describe('the steps left', () => {
  const steps = (document: SiteDocument): string[] => {
    const one = survey(document);
    return remainingSteps(document, one.rows(), one.numbers(), undefined).map(({ step }) => step.code);
  };
  it('come in the order of what they cost', () => {
    expect(steps(START)).toEqual(['open-page', 'close-kind', 'write-words', 'say-who', 'make-map', 'place-proof', 'release', 'hand-in']);
    expect(steps(applyChange(START, set('siteSwitch', '', 'open', false)))[0]).toBe('open-site');
  });
  it('go when they are done', () => {
    const done = applyChange(
      START,
      all([
        set('kinds', 'tag', 'intent', 'out'),
        set('sitemap', '', 'on', true),
        set('facts', '', 'siteName', 'B'),
        set('facts', '', 'ownerName', 'B'),
        set('claims', 'skerry', 'name', 'x'),
        set('claims', 'skerry', 'content', 'y'),
      ]),
    );
    expect(steps(done)).toEqual(['open-page', 'write-words', 'write-markup', 'release', 'verify', 'hand-in']);
  });
});
