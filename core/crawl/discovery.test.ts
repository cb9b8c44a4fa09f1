import { describe, expect, it } from 'vitest';
import { set, type Change } from '../site/index.ts';
import { testSite } from '../testing/site.ts';

const page = (body: string, head = ''): string => `<html lang=en><head><title>T</title>${head}</head><body><h1>T</h1>${body}</body></html>`;
const urlset = (...paths: string[]): string =>
  `<urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9">${paths.map((path) => `<url><loc>https://a.example${path}</loc></url>`).join('')}</urlset>`;
const MAP_LINE = 'Sitemap: https://a.example/theirs.xml\n';

interface Case {
  readonly pages: Readonly<Record<string, string>>;
  readonly robots?: string;
  readonly map?: string;
  readonly changes?: readonly Change[];
  /** By each engine: the pages it discovers, the home page aside. */
  readonly skerry: readonly string[];
  readonly plover?: readonly string[];
}

const CASES: Readonly<Record<string, Case>> = {
  'links from home, and links from there': {
    pages: { 'index.html': page('<a href=a.html>a</a>'), 'a.html': page('<a href=b.html>b</a>'), 'b.html': page(''), 'c.html': page('') },
    skerry: ['a.html', 'b.html'],
  },
  'no link that says nofollow': {
    pages: { 'index.html': page('<a href=a.html rel=nofollow>a</a><a href=b.html>b</a>'), 'a.html': page(''), 'b.html': page('') },
    skerry: ['b.html'],
  },
  'nothing on a page that says nofollow to all': {
    pages: { 'index.html': page('<a href=a.html>a</a>', '<meta name=robots content=nofollow>'), 'a.html': page('') },
    skerry: [],
  },
  'what a page lets one engine follow and not the other': {
    pages: { 'index.html': page('<a href=a.html>a</a>', '<meta name=ploverbot content=nofollow>'), 'a.html': page('') },
    skerry: ['a.html'],
    plover: [],
  },
  'nothing through a page that robots.txt shuts': {
    pages: { 'index.html': page('<a href=shut/a.html>a</a>'), 'shut/a.html': page('<a href=../b.html>b</a>'), 'b.html': page('') },
    robots: 'User-agent: *\nDisallow: /shut/\n',
    skerry: ['shut/a.html'],
  },
  'through a page that is kept out, which may be fetched': {
    pages: { 'index.html': page('<a href=a.html>a</a>'), 'a.html': page('<a href=b.html>b</a>', '<meta name=robots content=noindex>'), 'b.html': page('') },
    skerry: ['a.html', 'b.html'],
  },
  'what a canonical names, without any link': {
    pages: { 'index.html': page('<a href=a.html>a</a>'), 'a.html': page('', '<link rel=canonical href=https://a.example/b.html>'), 'b.html': page('') },
    skerry: ['a.html', 'b.html'],
  },
  'no page by a second spelling of its address, but what that links to': {
    pages: { 'index.html': page('<a href="a.html?x=1">a</a>'), 'a.html': page('<a href=b.html>b</a>'), 'b.html': page('') },
    skerry: ['b.html'],
  },
  'a folder’s page over the redirect to it': {
    pages: { 'index.html': page('<a href=/f>f</a>'), 'f/index.html': page('') },
    skerry: ['f/index.html'],
  },
  'none over a redirect that robots.txt shuts': {
    pages: { 'index.html': page('<a href=/f>f</a>'), 'f/index.html': page('') },
    robots: 'User-agent: *\nDisallow: /f$\n',
    skerry: [],
  },
  'pages that a declared map names': {
    pages: { 'index.html': page(''), 'a.html': page('<a href=b.html>b</a>'), 'b.html': page('') },
    robots: MAP_LINE,
    map: urlset('/a.html'),
    skerry: ['a.html', 'b.html'],
  },
  'none by a map that robots.txt does not name': {
    pages: { 'index.html': page(''), 'a.html': page('') },
    robots: 'User-agent: *\nDisallow:\n',
    map: urlset('/a.html'),
    skerry: [],
  },
  'none by a map that the crawler may not fetch': {
    pages: { 'index.html': page(''), 'a.html': page('') },
    robots: `User-agent: PloverBot\nDisallow: /theirs.xml\n\n${MAP_LINE}`,
    map: urlset('/a.html'),
    skerry: ['a.html'],
    plover: [],
  },
  'all that belongs in our own map, once it is written': {
    pages: { 'index.html': page(''), 'a.html': page(''), 'b.html': page('', '<meta name=robots content=noindex>') },
    changes: [set('sitemap', '', 'on', true)],
    skerry: ['a.html'],
  },
  'a page that moved, by links to where it was': {
    pages: { 'index.html': page('<a href=a.html>a</a>'), 'a.html': page('') },
    changes: [set('pages', 'a.html', 'ending', 'moved')],
    skerry: ['a.html'],
  },
  'a broken link that is led elsewhere': {
    pages: { 'index.html': page('<a href=gone.html>g</a>'), 'a.html': page('') },
    changes: [set('repairs', '/gone.html', 'to', '/a.html')],
    skerry: ['a.html'],
  },
  'what pages in frames link to': {
    pages: { 'index.html': page('<iframe src=a.html></iframe>'), 'a.html': page('<a href=b.html>b</a>'), 'b.html': page('') },
    skerry: ['a.html', 'b.html'],
  },
  'links resolved by the base of a page': {
    pages: { 'index.html': page('<a href=a.html>a</a>', '<base href=/f/>'), 'f/a.html': page(''), 'a.html': page('') },
    skerry: ['f/a.html'],
  },
};

describe('engines discover', () => {
  it.each(Object.entries(CASES))('%s', (_what, { pages, robots, map, changes = [], skerry, plover = skerry }) => {
    const { survey } = testSite(pages, { changes, maps: map === undefined ? {} : { 'theirs.xml': map }, ...(robots === undefined ? {} : { robots }) });
    const reached = (crawler: string): string[] =>
      Object.keys(pages).filter(
        (id) => id !== 'index.html' && survey.wayIn(id, crawler).gates.some((gate) => gate.name === 'reachable' && gate.behind === 'open'),
      );
    expect({ skerry: reached('SkerryBot'), plover: reached('PloverBot') }).toEqual({ skerry, plover });
  });
});
