import { readdir, readFile } from 'node:fs/promises';
import { join, relative, sep } from 'node:path';
import fc from 'fast-check';
import { beforeAll, describe, expect, it } from 'vitest';
import { policyFor } from '../core/engines/index.ts';
import { all, applyChange, emptyDocument, directivesKey, set, type Change } from '../core/site/index.ts';
import { runs } from '../core/testing/effort.ts';
import { expectPromiseKept, ORIGIN, type Site } from './testing/engines-agree.ts';

const NAMESPACE = 'http://www.sitemaps.org/schemas/sitemap/0.9';
const START = applyChange(emptyDocument(), set('facts', '', 'mainAddress', ORIGIN));

describe('after a release, the engines see exactly what the screens promise', () => {
  let demo: Site;
  beforeAll(async () => {
    const root = join(import.meta.dirname, '..', 'demo', 'site');
    const entries = await readdir(root, { recursive: true, withFileTypes: true });
    const paths = entries.filter((entry) => entry.isFile()).map((entry) => join(entry.parentPath, entry.name));
    demo = new Map(await Promise.all(paths.map(async (path) => [relative(root, path).split(sep).join('/'), new Uint8Array(await readFile(path))] as const)));
  });
  it.each<[string, Change[]]>([
    ['the demo as it is', []],
    ['closed', [set('siteSwitch', '', 'open', false)]],
    ['a draft', [set('visitors', '', 'audience', 'draft')]],
    ['with a password', [set('visitors', '', 'audience', 'restricted')]],
    ['tags kept out, the map written', [set('kinds', 'tag', 'intent', 'out'), set('sitemap', '', 'on', true)]],
    ['posts kept from one engine', [set('directives', directivesKey('kind:post', 'PloverBot'), 'intent', 'out'), set('sitemap', '', 'on', true)]],
    ['no robots.txt rules', [set('robots', '', 'text', '')]],
    ['all shut by robots.txt', [set('robots', '', 'text', 'User-agent: *\nDisallow: /\n')]],
    [
      'headers for pages too',
      [set('headers', 'h', 'path', '/journal'), set('headers', 'h', 'match', 'below'), set('directives', directivesKey('files:h'), 'intent', 'out')],
    ],
    ['a page that moves', [set('pages', 'services/box-making/index.html', 'ending', 'boxes'), set('sitemap', '', 'on', true)]],
    [
      'code of another service on all pages, and a key for notices',
      [
        set('snippets', 's', 'code', '<script async src="https://stats.example/s.js"></script>'),
        set('snippets', 't', 'code', '<noscript><img src="https://stats.example/p.gif" alt=""></noscript>'),
        set('snippets', 't', 'place', 'body-start'),
        set('facts', '', 'noticeKey', '0123456789abcdef'),
        set('facts', '', 'serverFile', true),
      ],
    ],
    ['out of the map', [set('sitemap', '', 'on', true), set('kinds', 'product', 'inMap', false)]],
  ])('%s', async (_, changes) => expectPromiseKept(demo, applyChange(START, all(changes))));
});

const urlset = (...paths: string[]): string =>
  `<urlset xmlns="${NAMESPACE}">${paths.map((path) => `<url><loc>${ORIGIN}/${path}</loc></url>`).join('')}</urlset>`;
const mapIndex = (...paths: string[]): string =>
  `<sitemapindex xmlns="${NAMESPACE}">${paths.map((path) => `<sitemap><loc>${ORIGIN}/${path}</loc></sitemap>`).join('')}</sitemapindex>`;
/** Maps that sites come with: a plain list, an index, an index of indexes, and one that nobody names. */
const LIST = { 'urls.xml': `${ORIGIN}/c/\n${ORIGIN}/d/\n`, 'robots.txt': `Sitemap: ${ORIGIN}/urls.xml` };
const INDEX = {
  'sitemap.xml': mapIndex('maps/1.xml', 'maps/2.xml'),
  'maps/1.xml': urlset('b/'),
  'maps/2.xml': urlset('d/'),
  'robots.txt': `Sitemap: ${ORIGIN}/sitemap.xml`,
};
const OF_INDEXES = {
  'all.xml': mapIndex('sitemap.xml', 'maps/2.xml'),
  'sitemap.xml': mapIndex('maps/1.xml'),
  'maps/1.xml': urlset('b/'),
  'maps/2.xml': urlset('d/'),
  'robots.txt': `Sitemap: ${ORIGIN}/all.xml`,
};
const UNNAMED = { 'sitemap.xml': urlset('b/', 'c/', 'd/') };

/** More of them for a longer search. */
const RUNS = runs(500);

it('on sites of every sort', async () => {
  const paths = ['', 'a/', 'b/', 'c/', 'd/'];
  /** Other spellings of an address of the site. */
  const spelling = fc.constantFrom<(path: string) => string>(
    ...Array<(path: string) => string>(4).fill((path) => path),
    (path) => `${path}index.html`,
    (path) => `${path}index`,
    (path) => path.replace(/\/$/, ''),
    (path) => path.replace(/^[a-d]/, (letter) => `%${letter.charCodeAt(0).toString(16)}`),
    (path) => `${path}?from=menu`,
    (path) => `${path}?`,
    (path) => `${path}#top`,
    (path) => `x/../${path}`,
    (path) => `${ORIGIN.replace('https', 'http')}/${path}`,
    (path) => `${ORIGIN.replace('//', '//www.')}/${path}`,
  );
  const whole = (address: string): string => (/^https?:|^mailto:|^#/.test(address) ? address : `/${address}`);
  const page = fc.record({
    links: fc.uniqueArray(fc.tuple(fc.constantFrom(...paths), spelling), { maxLength: 4 }),
    robots: fc.constantFrom('', '', '<meta name=robots content=noindex>', '<meta name=ploverbot content=none>', '<meta name=robots content=nofollow>'),
    canonical: fc.oneof(
      fc.constantFrom('', '', 'self', 'gone/', 'https://b.example/', '#top', 'mailto:a@b.example'),
      fc.tuple(fc.constantFrom(...paths), spelling).map(([path, spelled]) => spelled(path)),
    ),
    refresh: fc.constantFrom('', '', '', '<meta http-equiv=refresh content="0; url=/a/">'),
    words: fc.constantFrom('books that we mend by hand', 'books that we mend by hand', 'paper and thread for sale', 'Page not found', ''),
  });
  const site = fc.record({
    pages: fc.tuple(page, page, page, page, page),
    rules: fc.constantFrom(
      '',
      'User-agent: *\nDisallow: /b',
      'User-agent: *\nDisallow: /c\n\nUser-agent: PloverBot\nDisallow: /d',
      'User-agent: SkerryBot\nDisallow: /a/',
      'User-agent: *\nDisallow: /maps/\n\nUser-agent: PloverBot\nDisallow: /c',
      'User-agent: *\nDisallow: /*.xml$',
      'User-agent: SkerryBot\nDisallow: /sitemap-',
    ),
    imported: fc.constantFrom<Readonly<Record<string, string>>>({}, {}, LIST, INDEX, OF_INDEXES, UNNAMED),
    change: fc.constantFrom<Change[]>(
      [],
      [set('pages', 'b/index.html', 'intent', 'out')],
      [set('pages', 'c/index.html', 'canonical', 'self'), set('pages', 'a/index.html', 'refresh', 'none')],
      [set('pages', 'b/index.html', 'refresh', 'none')],
      [set('pages', 'd/index.html', 'intent', 'list')],
      [set('pages', 'c/index.html', 'ending', 'moved')],
      [set('facts', '', 'cameAs', ORIGIN.replace('//', '//www.'))],
      [set('facts', '', 'cameAs', ORIGIN.replace('https', 'http')), set('pages', 'b/index.html', 'ending', 'moved')],
      [set('facts', '', 'cameAs', 'https://b.example')],
      [set('pages', 'a/index.html', 'ending', 'e'), set('pages', 'a/index.html', 'canonical', 'self'), set('pages', 'd/index.html', 'ending', 'f')],
      ['/b/index.html', '/b/index', '/b/?', '/b/?from=menu', '/b'].map((path) => set('repairs', path, 'to', '/b/')),
    ),
    map: fc.boolean(),
  });
  await fc.assert(
    fc.asyncProperty(site, async ({ pages, rules, change, map, imported }) => {
      const html = ({ links, robots, canonical, refresh, words }: (typeof pages)[number], path: string): string =>
        `<!doctype html><html lang=en><head><title>${words === '' ? 'T' : words}</title>${robots}${refresh}${
          canonical === '' ? '' : `<link rel=canonical href="${canonical === 'self' ? `/${path}` : whole(canonical)}">`
        }</head><body>${words === '' && links.length === 0 ? '' : `<h1>${words}</h1>`}${links.map(([link, spelled]) => `<a href="${whole(spelled(link))}">${words === '' ? '' : 'on'}</a>`).join(' ')}</body></html>`;
      const files = new Map<string, Uint8Array>(
        pages.map((one, at) => [`${paths[at] as string}index.html`, new TextEncoder().encode(html(one, paths[at] as string))]),
      );
      for (const [path, text] of Object.entries(imported)) if (path !== 'robots.txt') files.set(path, new TextEncoder().encode(text));
      const robots = [rules, imported['robots.txt'] ?? ''].filter(Boolean).join('\n');
      if (robots !== '') files.set('robots.txt', new TextEncoder().encode(robots));
      await expectPromiseKept(files, applyChange(START, all([...change, set('sitemap', '', 'on', map ? true : null)])));
    }),
    { numRuns: RUNS },
  );
});

it('a crawler that nobody knows is taken to keep to the letter', () =>
  expect(policyFor('AnyBot')).toMatchObject({ refreshRedirects: true, canonical: 'order' }));
