import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { compareWithRelease, redirectPage, redirectPageTarget, shipments } from '../release/index.ts';
import { all, set, type Change } from '../site/index.ts';
import { runs } from '../testing/effort.ts';
import { testSite, type TestSite } from '../testing/site.ts';

const PAGES = {
  'index.html': '<html lang=en><title>Bindery</title><h1>Bindery</h1><a href="/a/">a</a><a href="/b/">b</a>',
  'a/index.html': '<html lang=en><title>A</title><h1>A</h1><a href="/">home</a>',
  'b/index.html': '<html lang=en><title>B</title><h1>B</h1><time datetime="2026-01-01">1 January</time>',
};
const SETTINGS = { on: true, gzip: true, rss: true, atom: true, page: true, style: true } as const;

/** Everything that the program can write as a file, and how it is wanted no more. */
const WRITTEN: Readonly<Record<string, { readonly want: Change; readonly not: Change; readonly files: RegExp }>> = {
  'a proof file': {
    want: all([set('claims', 'x', 'kind', 'file'), set('claims', 'x', 'name', 'proof-1.html'), set('claims', 'x', 'content', 'proof: 1')]),
    not: all([set('claims', 'x', 'kind', null), set('claims', 'x', 'name', null), set('claims', 'x', 'content', null)]),
    files: /^proof-1\.html$/,
  },
  'a key for notices': { want: set('facts', '', 'noticeKey', 'abcdefgh12345678'), not: set('facts', '', 'noticeKey', null), files: /^abcdefgh12345678\.txt$/ },
  'the maps, feeds, packed copies, their style and the page for people': {
    want: all(Object.entries(SETTINGS).map(([field, on]) => set('sitemap', '', field as 'on', on))),
    not: all(Object.keys(SETTINGS).map((field) => set('sitemap', '', field as 'on', null))),
    files: /sitemap|feed|\.(?:xml|xsl|css|gz)$|^robots\.txt$/,
  },
  'rules for the server': {
    want: all([set('facts', '', 'serverFile', true), set('facts', '', 'serverLeads', true)]),
    not: all([set('facts', '', 'serverFile', null), set('facts', '', 'serverLeads', null)]),
    files: /^\.htaccess$/,
  },
  'robots.txt': { want: set('robots', '', 'text', 'User-agent: *\nDisallow: /x\n'), not: set('robots', '', 'text', null), files: /^robots\.txt$/ },
  'a page that leads on from an address that is no more': {
    want: set('redirects', 'old.html', 'to', '/a/'),
    not: all([set('redirects', 'old.html', 'to', null), set('redirects', 'old.html', 'ends', true)]),
    files: /^old\.html$/,
  },
};
const paths = (site: TestSite): string[] => shipments(site.survey.workingCopy()).map(({ path }) => path);
let number = 0;
function publish(site: TestSite): void {
  site.survey.released(site.survey.manifestFor(++number, 0), site.document);
}

describe('what the program wrote can be taken away again', () => {
  it.each(Object.entries(WRITTEN))('%s', (_, { want, not, files }) => {
    const site = testSite(PAGES);
    publish(site);
    expect(site.survey.releaseItems()).toEqual([]);
    site.change(want);
    const written = paths(site).filter((path) => files.test(path) && !(path in PAGES));
    expect(written.length).toBeGreaterThan(0);
    publish(site);
    expect(site.survey.releaseItems()).toEqual([]);
    site.change(not);
    const removed = site.survey.releaseItems().filter(({ what }) => what === 'gone');
    expect(removed.map(({ path, own }) => [path, own]).sort()).toEqual(written.map((path) => [path, true]).sort());
    expect(site.survey.numbers().waiting).toBe(site.survey.releaseItems().length);
    expect(paths(site).filter((path) => written.includes(path))).toEqual([]);
    publish(site);
    expect(site.survey.releaseItems()).toEqual([]);
  });
  it('an address that once led on keeps leading on, through any releases, until it is ended', () => {
    const site = testSite(PAGES);
    publish(site);
    site.change(set('pages', 'a/index.html', 'ending', 'first'));
    publish(site);
    site.change(set('pages', 'a/index.html', 'ending', 'second'));
    publish(site);
    expect(paths(site)).toEqual(expect.arrayContaining(['a/index.html', 'first/index.html', 'second/index.html']));
    site.change(set('redirects', 'first/index.html', 'ends', true));
    expect(site.survey.releaseItems()).toMatchObject([{ path: 'first/index.html', what: 'gone', own: true }]);
    publish(site);
    expect(paths(site)).toEqual(expect.arrayContaining(['a/index.html', 'second/index.html']));
    expect(paths(site)).not.toContain('first/index.html');
  });
  it('whatever comes and goes, in whatever order: what waits is what differs, and after a release nothing waits', () => {
    const step = fc.tuple(fc.constantFrom(...Object.values(WRITTEN)), fc.constantFrom('want' as const, 'not' as const, 'publish' as const));
    fc.assert(
      fc.property(fc.array(step, { minLength: 1, maxLength: 8 }), (steps) => {
        const site = testSite(PAGES);
        publish(site);
        let live = site.survey.workingCopy();
        for (const [what, how] of steps) {
          if (how !== 'publish') site.change(what[how]);
          else {
            publish(site);
            live = site.survey.workingCopy();
            expect(site.survey.releaseItems()).toEqual([]);
          }
          const [was, is] = [
            new Map(shipments(live).map((one) => [one.path, JSON.stringify(one)])),
            new Map(shipments(site.survey.workingCopy()).map((one) => [one.path, JSON.stringify(one)])),
          ];
          const differs = [...new Set([...was.keys(), ...is.keys()])].filter((path) => was.get(path) !== is.get(path)).sort();
          expect([...new Set(site.survey.releaseItems().map(({ out }) => out))].sort()).toEqual(differs);
          expect(compareWithRelease(site.survey.workingCopy(), live)).toEqual(site.survey.releaseItems());
        }
      }),
      { numRuns: runs(150) },
    );
  });
});

it('a page that leads on is known by its form, and nothing else is', () => {
  expect(redirectPageTarget(redirectPage({ from: '/a/', to: '/b/?x=1&y="<' }, 'https://a.example', 'de'))).toBe('/b/?x=1&y="<');
  expect(redirectPageTarget('<!doctype html>\n<title>x</title>')).toBeUndefined();
  expect(redirectPageTarget('proof: 1')).toBeUndefined();
});
