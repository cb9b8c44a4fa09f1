import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Manifest } from '../release/index.ts';
import { all, applyChange, emptyDocument, set, type Change, type SiteDocument } from '../site/index.ts';
import { factsOf } from '../testing/html.ts';
import { forSurvey, LinkIndex, openSteps, Survey } from './index.ts';

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
  version: 1,
  number: 3,
  files: Object.fromEntries(files.filter((file) => !file.path.startsWith('new')).map(({ path, hash }) => [path, { hash, edits: [] }])),
  own: {},
  listed: ['index.html', 'a/index.html', 'tags/x/index.html'],
  changedAt: { 'a/index.html': Date.UTC(2026, 5, 1) },
};
const START = applyChange(emptyDocument(), set('facts', '', 'mainAddress', 'https://a.example'));

function survey(document: SiteDocument = START, manifest: Manifest | null = MANIFEST): Survey {
  return new Survey(
    document,
    files,
    Object.entries(PAGES).map(([id, html]) => ({ id, read: forSurvey(factsOf(html)) })),
    { robots: ROBOTS, sitemap: OLD_MAP },
    manifest ?? undefined,
    () => Date.UTC(2026, 10, 25),
  );
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
    expect(survey().robotsTouches()).toEqual([
      { line: 2, pages: ['b/index.html'], files: 0, wronglyShut: ['b/index.html'] },
      { line: 3, pages: [], files: 0, wronglyShut: [] },
    ]);
  });
  it('tells states for the crawler at hand: noindex for another one shuts nothing', () => {
    const page = (name: string) => ({
      id: 'index.html',
      read: forSurvey(factsOf(`<html lang=en><head><meta name=${name} content=noindex><title>T</title><meta name=description content=D></head><h1>T</h1>`)),
    });
    const [file] = files.filter((one) => one.path === 'index.html');
    const state = (name: string) =>
      new Survey(START, file ? [file] : [], [page(name)], { robots: undefined, sitemap: undefined }, MANIFEST, () => 0).rows()[0]?.state;
    expect([state('skerrybot'), state('ploverbot'), state('robots')]).toEqual(['shut-out', 'findable', 'shut-out']);
  });
  it('closes everything with one switch, and says which change it would release', () => {
    const closed = survey(applyChange(START, set('doors', '', 'open', false)));
    expect(closed.rows().filter((row) => row.state === 'shut-out')).toHaveLength(3);
    expect(closed.editsOf('a/index.html')).toEqual([{ kind: 'noindex', on: true }]);
    expect(closed.editsOf('b/index.html')).toEqual([]);
    expect(closed.sitemapEntries()).toEqual([]);
  });

  const change: fc.Arbitrary<Change> = fc.oneof(
    fc
      .tuple(fc.constantFrom(...Object.keys(PAGES)), fc.constantFrom('title' as const, 'description' as const), fc.constantFrom(null, 'Same.', 'Other', ''))
      .map(([page, field, value]) => set('pages', page, field, value)),
    fc
      .tuple(fc.constantFrom(...Object.keys(PAGES)), fc.constantFrom(null, 'list' as const, 'out' as const))
      .map(([page, value]) => set('pages', page, 'intent', value)),
    fc.boolean().map((open) => set('doors', '', 'open', open)),
    fc.constantFrom(null, 'out' as const, 'list' as const).map((value) => set('kinds', 'tag', 'intent', value)),
    fc.constantFrom(null, '', 'User-agent: *\nDisallow: /\n').map((value) => set('robots', '', 'text', value)),
    fc.constantFrom(null, true).map((on) => set('sitemap', '', 'on', on)),
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
      { numRuns: 150 },
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
    expect(survey().sitemapReport()).toMatchObject({
      on: false,
      brought: { count: 2, wrong: ['https://a.example/old/'], missing: ['https://a.example/', 'https://a.example/new/'] },
    });
  });
  it('goes out with robots.txt naming it', () => {
    const items = survey(on).releaseItems();
    expect(items.map((item) => [item.path, item.what, item.own])).toEqual([
      ['new/index.html', 'new', false],
      ['robots.txt', 'new', true],
      ['sitemap.xml', 'new', true],
    ]);
    expect(survey(on).workingCopy().own['robots.txt']).toContain('Sitemap: https://a.example/sitemap.xml');
  });
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
    expect(manifest.changedAt).toEqual({ 'a/index.html': 99, 'new/index.html': 99, 'tags/x/index.html': 99 });
    expect(manifest.listed).toEqual(['index.html', 'a/index.html']);
  });
  it('of the site as it was brought in claim no change', () => {
    expect(survey(START, null).manifestFor(0, 5).changedAt).toEqual({});
  });
});

describe('links', () => {
  it('count pages, not links, resolve through base, and know what is broken', () => {
    const have = new Set(['index.html', 'x/index.html', 'y.html']);
    const links = new LinkIndex('a.example', (path) => have.has(path));
    links.add('index.html', ['/x/', 'x/', '/x', 'https://a.example/x/#top', 'y', 'https://b.example/x/', '/nope', '#here', 'mailto:a@b.example'], undefined);
    links.add('x/index.html', ['y.html', '/x/'], '/');
    expect([links.linksIn('x/index.html'), links.linksIn('y.html'), links.linksIn('index.html')]).toEqual([1, 2, 0]);
    expect(links.linkers('y.html')).toEqual(['index.html', 'x/index.html']);
    expect(links.broken).toEqual([{ page: 'index.html', path: '/nope' }]);
  });
});

describe('the steps left', () => {
  const steps = (document: SiteDocument): string[] => {
    const one = survey(document);
    return openSteps(document, one.rows(), one.numbers(), undefined).map(({ step }) => step.code);
  };
  it('come in the order of what they cost', () => {
    expect(steps(START)).toEqual(['open-page', 'close-kind', 'write-words', 'say-who', 'make-map', 'place-proof', 'release', 'hand-in']);
    expect(steps(applyChange(START, set('doors', '', 'open', false)))[0]).toBe('open-site');
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
    expect(steps(done)).toEqual(['open-page', 'write-words', 'release', 'verify', 'hand-in']);
  });
});
