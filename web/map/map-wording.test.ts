import { describe, expect, it } from 'vitest';
import type { MapFault, MapPart } from '../../core/map/index.ts';
import { validateMap } from '../../core/sitemap/index.ts';
import { comparisonWords, faultWords, issueWords, partWords } from './wording.ts';

const HEAD = '<?xml version="1.0" encoding="UTF-8"?>\n<urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9">';
const url = (loc: string, more = ''): string => `<url><loc>${loc}</loc>${more}</url>`;
/** What the protocol's own check finds in a map, in words. */
function told(text: string): string[] {
  const read = validateMap(text, { address: 'https://a.example/sitemap.xml', now: Date.UTC(2026, 10, 27) });
  return read.ok ? read.map.issues.map(issueWords) : [read.reason];
}

describe('what a map does amiss is told in words that name it', () => {
  it.each([
    ['no whole address', `${HEAD}${url('/about/')}</urlset>`, 'not a whole address: /about/'],
    ['another host', `${HEAD}${url('https://b.example/')}</urlset>`, 'on another host than the sitemap: https://b.example/'],
    ['both schemes', `${HEAD}${url('http://a.example/')}</urlset>`, 'http and https mixed: http://a.example/'],
    ['a fragment', `${HEAD}${url('https://a.example/#top')}</urlset>`, 'a # in the address; engines drop what follows: https://a.example/#top'],
    ['a space', `${HEAD}${url('https://a.example/a b')}</urlset>`, 'a space in the address: https://a.example/a b'],
    ['letters that are to be escaped', `${HEAD}${url('https://a.example/größe')}</urlset>`, 'characters that an address must escape: https://a.example/größe'],
    ['twice', `${HEAD}${url('https://a.example/')}${url('https://a.example/')}</urlset>`, 'stands in it before: https://a.example/'],
    [
      'a bad date',
      `${HEAD}${url('https://a.example/', '<lastmod>27.11.2026</lastmod>')}</urlset>`,
      '“27.11.2026” is no date as the protocol has them: https://a.example/',
    ],
    ['a date to come', `${HEAD}${url('https://a.example/', '<lastmod>2027-05-01</lastmod>')}</urlset>`, '2027-05-01 is yet to come: https://a.example/'],
    [
      'another word',
      `${HEAD}${url('https://a.example/', '<changefreq>often</changefreq>')}</urlset>`,
      '“often” is not one of the seven words: https://a.example/',
    ],
    ['too high a number', `${HEAD}${url('https://a.example/', '<priority>2</priority>')}</urlset>`, '“2” is not between 0.0 and 1.0: https://a.example/'],
    ['an entry without an address', `${HEAD}<url></url></urlset>`, 'an entry without an address'],
    ['nothing', `${HEAD}</urlset>`, 'no address in it'],
    ['an element of nobody', `${HEAD}${url('https://a.example/', '<mood>good</mood>')}</urlset>`, '<mood> is no element of the protocol'],
    ['no namespace', `<urlset>${url('https://a.example/')}</urlset>`, 'the namespace of the protocol is missing'],
    ['another encoding', HEAD.replace('UTF-8', 'ISO-8859-1') + url('https://a.example/') + '</urlset>', 'declared as ISO-8859-1; maps are in UTF-8'],
    ['a bare ampersand', `${HEAD}${url('https://a.example/?a=1&b=2')}</urlset>`, 'an & that is not written as &amp;; every reader stops here'],
    ['an end that is missing', `${HEAD}<url><loc>https://a.example/</loc>`, 'it breaks off, or a tag is never closed; every reader stops here'],
  ])('%s', (_name, text, words) => expect(told(text)).toContain(words));
  it('a good one is not spoken of', () => expect(told(`${HEAD}${url('https://a.example/', '<lastmod>2026-11-01</lastmod>')}</urlset>`)).toEqual([]));
});

describe('what is wrong with an address of a map', () => {
  it.each<[MapFault, string]>([
    [{ code: 'other-host' }, 'on another host'],
    [{ code: 'not-there' }, 'answers 404: there is no such page'],
    [{ code: 'not-live' }, 'not released yet'],
    [{ code: 'kept-out' }, 'you keep it out'],
    [{ code: 'moved', to: '/new/' }, 'redirects to /new/'],
    [{ code: 'second-spelling', should: '/a/' }, 'the page’s own address is /a/'],
    [{ code: 'stale', should: '2026-11-01' }, 'changed since: 2026-11-01'],
    [{ code: 'too-new', should: '2026-10-01' }, 'last changed 2026-10-01, not later'],
  ])('%j', (fault, words) => expect(faultWords(fault)).toBe(words));
});

describe('maps that an index names', () => {
  const part = (change: Partial<MapPart>): MapPart => ({ loc: '', lastmod: undefined, what: 'map', addresses: 3, issues: 0, wrong: 0, again: 0, ...change });
  it.each<[Partial<MapPart>, string]>([
    [{}, 'as it should be'],
    [{ wrong: 1 }, '1 address wrong'],
    [{ wrong: 2, issues: 1, again: 3 }, '2 addresses wrong, 1 thing amiss in the file, 3 addresses named in a map before it'],
    [{ what: 'gone' }, 'no map answers there'],
    [{ what: 'not-read' }, 'not looked into'],
    [{ what: 'index' }, 'an index: an index may not name another, and engines do not read on'],
    [{ what: 'utf-16' }, 'it is written in UTF-16. Maps are in UTF-8; save it as that.'],
  ])('%j: %s', (change, words) => expect(partWords(part(change))).toBe(words));
});

describe('a map held against the site', () => {
  it.each<[Parameters<typeof comparisonWords>, string]>([
    [[0, 0, 0, false], 'Nothing in it is wrong, no page is missing.'],
    [[1, 1, 0, false], '1 address in it is wrong, 1 page is missing.'],
    [[2, 3, 0, true], '2 addresses in it are wrong, 3 pages are missing from it and the maps beside it.'],
    [[0, 2, 1, false], 'Nothing in it is wrong, 2 pages are missing, and 1 map it names could not be read.'],
  ])('%j', (counts, words) => expect(comparisonWords(...counts)).toBe(words));
});
