import { expect, it } from 'vitest';
import { ENGINES } from '../core/engines/index.ts';
import type { Reality } from '../core/indexing/index.ts';
import { all, applyChange, emptyDocument, set, type Change, type SiteDocument } from '../core/site/index.ts';
import { crawled, indexOf, ORIGIN, released, survey, UNKNOWN, type Site } from './testing/engines-agree.ts';

/** What Skerry and Plover have of a page, one letter each: L lists it, B its bare address, O leaves it out. Written by hand from the standards. */
type Expected = `${'L' | 'B' | 'O'}${'L' | 'B' | 'O'}`;

/* The axes: robots.txt by folder, the robots meta, the canonical. Every combination is a page, linked from home. */

/** By folder: whether robots.txt lets Skerry, and Plover, fetch what lies in it. */
const ROBOTS: Readonly<Record<string, readonly [boolean, boolean]>> = {
  open: [true, true],
  shut: [false, false],
  noskerry: [false, true],
  noplover: [true, false],
  /** Forbidden, and allowed again by a longer rule. */
  partly: [true, true],
};
const ROBOTS_TXT = `# Four folders
User-agent: *
Disallow: /shut/

User-agent: SkerryBot
# comments divide nothing
User-agent: OtherBot
Disallow: /shut/
Disallow: /noskerry
Disallow: /partly/
Allow: /partly/*-page-

User-agent: ploverbot
Disallow: /sh*t/
Disallow: /noplover/*
Disallow: /partly/
Allow: /partly/*-page-
`;
/** Whether Skerry, and Plover, may list a page that says so. */
const METAS: Readonly<Record<string, readonly [tag: string, skerry: boolean, plover: boolean]>> = {
  silent: ['', true, true],
  all: ['<meta name="robots" content="index, follow">', true, true],
  noindex: ['<META NAME=ROBOTS CONTENT="NoIndex, nofollow">', false, false],
  none: ['<meta name="robots" content="none">', false, false],
  skerry: ['<meta name="skerrybot" content="noindex">', false, true],
  plover: ['<meta name="ploverbot" content="noindex"><meta name="robots" content="index">', true, false],
  // Only Skerry knows the date.
  past: ['<meta name="robots" content="unavailable_after: 2026-01-31">', false, true],
};
/** Whether Skerry, which takes a canonical for an order, and Plover, which follows it only between pages that are alike, still list the page itself. */
const CANONICALS: Readonly<Record<string, readonly [tag: string, skerry: boolean, plover: boolean]>> = {
  none: ['', true, true],
  self: ['<link rel=canonical href="?#top">', true, true],
  other: ['<link rel=canonical href="/target/">', false, true],
  several: ['<link rel=canonical href="/target/"><link rel=canonical href="/">', true, true],
};

const words = (seed: number): string => Array.from({ length: 40 }, (_, at) => `word${(seed * 41 + at * 7) % 997}x${seed}`).join(' ');
const html = (head: string, body: string, title = 'A page'): string =>
  `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>${title}</title>${head}</head><body>${body}</body></html>`;

interface Case {
  readonly path: string;
  readonly text: string;
  /** The first release. */
  readonly first: Expected;
  /** After everything that can be mended was: wanted pages. */
  readonly mended: Expected;
  /** The switch is off. */
  readonly closed: Expected;
}

function combinations(): Case[] {
  const cases: Case[] = [];
  let seed = 0;
  for (const [folder, fetch] of Object.entries(ROBOTS))
    for (const [meta, [tag, ...mayList]] of Object.entries(METAS))
      for (const [canonical, [link, ...isMain]] of Object.entries(CANONICALS)) {
        const path = `/${folder}/${meta}-page-${canonical}/`;
        const self = link.replace('?#top', `${path}#top`);
        const letter = (at: 0 | 1): 'L' | 'B' | 'O' => (!fetch[at] ? 'B' : mayList[at] && isMain[at] ? 'L' : 'O');
        const barred = (at: 0 | 1): 'B' | 'O' => (fetch[at] ? 'O' : 'B');
        cases.push({
          path,
          text: html(tag + self, `<h1>${folder} ${meta} ${canonical}</h1><p>${words(++seed)}</p>`, `${folder} ${meta} ${canonical}`),
          first: `${letter(0)}${letter(1)}`,
          mended: 'LL',
          closed: `${barred(0)}${barred(1)}`,
        });
      }
  return cases;
}

/* What no axis has: address forms, links, redirects, soft 404s, rows of their own. */
const row = (path: string, head: string, body: string, first: Expected, mended: Expected = 'LL', closed: Expected = 'OO'): Case => ({
  path,
  text: html(head, `<h1>Page ${path}</h1><p>${words(path.length * 131 + path.charCodeAt(1))}</p>${body}`, `Page ${path}`),
  first,
  mended,
  closed,
});
const SPECIAL: readonly Case[] = [
  row('/target/', '', '', 'LL'),
  // Found only by another spelling of its address: engines list that one, and the page by its own not.
  row('/by-index/', '', '', 'OO'),
  row('/by-query/', '', '', 'OO'),
  row('/by-percent/', '', '', 'LL'),
  row('/by-twin/', '', '', 'LL'),
  // Found without its slash: the host leads on to the address that is its own.
  row('/by-slash/', '', '', 'LL'),
  row('/by-frame/', '', '', 'LL'),
  // A second spelling whose canonical names the address.
  row('/by-index-named/', `<link rel=canonical href="${ORIGIN}/by-index-named/">`, '', 'LL'),
  // Links that nobody follows: of the page that says nofollow, and of the link that does.
  row('/only-nofollowed/', '', '', 'OO'),
  row('/only-from-nofollow/', '', '', 'OO'),
  row('/nofollows/', '<meta name=robots content=nofollow>', '<a href="/only-from-nofollow/">x</a>', 'LL'),
  row('/orphan/', '', '', 'OO'),
  row('/only-from-shut/', '', '', 'OO'),
  // Ends up with the same as any page that links to nothing.
  row('/deep/1/', '', '<a href="2/">x</a>', 'LL'),
  row('/deep/1/2/', '', '<a href="./3.html">x</a>', 'LL'),
  row('/deep/1/2/3.html', '', '<a href="../../../">x</a>', 'LL'),
  // A refresh at once is a redirect to Skerry; a slow one to nobody.
  row('/refresh-now/', '<meta http-equiv=refresh content="0; url=/target/">', '', 'OL'),
  row('/refresh-late/', '<meta http-equiv=refresh content="9; url=/target/">', '', 'LL'),
  row('/refresh-self/', '<meta http-equiv=refresh content="30">', '', 'LL'),
  // Metas that do not count: in the body, in a comment, in a template, of other names.
  row('/in-body/', '', '<meta name=robots content=noindex>', 'LL'),
  row('/in-comment/', '<!-- <meta name=robots content=noindex> -->', '', 'LL'),
  row('/in-template/', '<template><meta name=robots content=noindex></template>', '', 'LL'),
  row('/other-bot/', '<meta name=otherbot content=noindex>', '', 'LL'),
  row('/property/', '<meta property=robots content=noindex>', '', 'LL'),
  // Canonicals that name nothing or nobody: no other page to list instead, or none that is there.
  row('/canonical-mail/', '<link rel=canonical href="mailto:a@b.example">', '', 'LL'),
  row('/canonical-empty/', '<link rel=canonical href="">', '', 'LL'),
  row('/canonical-body/', '', '<link rel=canonical href="/target/">', 'LL'),
  row('/canonical-fragment/', '<link rel=canonical href="#main">', '', 'LL'),
  row('/canonical-percent/', '<link rel=canonical href="/canonical-%70ercent/">', '', 'LL'),
  // As "nothing here" to Skerry, which tells a soft 404; to Plover a page like any other. No press gives it words.
  { path: '/soft/', text: html('', '<h1>Page not found</h1><p>Sorry, this page is not here.</p>', 'Page not found'), first: 'OL', mended: 'OL', closed: 'OO' },
  { path: '/empty/', text: html('', '', ''), first: 'OL', mended: 'OL', closed: 'OO' },
  { path: '/form/', text: html('', '<form action="/x"><input name=q></form>', 'A form'), first: 'LL', mended: 'LL', closed: 'OO' },
];

const CASES: readonly Case[] = [...combinations(), ...SPECIAL];

/** How home links to each page. */
const LINKS: Readonly<Record<string, string>> = {
  '/by-index/': '<a href="/by-index/index.html">x</a>',
  '/by-query/': '<a href="/by-query/?from=home">x</a>',
  '/by-percent/': '<a href="/by-%70ercent/">x</a>',
  '/by-twin/': `<a href="${ORIGIN.replace('//', '//www.')}/by-twin/">x</a>`,
  '/by-slash/': '<a href="by-slash">x</a>',
  '/by-frame/': '<iframe src="/by-frame/"></iframe>',
  '/by-index-named/': '<a href="/by-index-named/index.html">x</a>',
  '/only-nofollowed/': '<a rel="nofollow" href="/only-nofollowed/">x</a>',
  '/only-from-nofollow/': '',
  '/orphan/': '',
  '/only-from-shut/': '',
  '/deep/1/2/': '',
  '/deep/1/2/3.html': '',
};

function theSite(): Site {
  const files = new Map<string, string>();
  const home = CASES.map(({ path }) => LINKS[path] ?? `<a href="${path}">x</a>`).join('\n');
  files.set('index.html', html('', `<h1>Home</h1><p>${words(990)}</p>${home}`, 'Home'));
  for (const { path, text } of CASES) files.set(path.endsWith('/') ? `${path.slice(1)}index.html` : path.slice(1), text);
  const shut = 'shut/silent-page-none/index.html';
  files.set(shut, (files.get(shut) as string).replace('</body>', '<a href="/only-from-shut/">x</a></body>'));
  files.set('robots.txt', ROBOTS_TXT);
  return new Map([...files].map(([path, text]) => [path, new TextEncoder().encode(text)]));
}

const START = applyChange(emptyDocument(), set('facts', '', 'mainAddress', ORIGIN));

/** Everything that a press mends, pressed: each wanted page open, the map written, links by one address. */
function mended(site: Site): SiteDocument {
  const one = survey(site, START);
  const rows = one.rows();
  const changes = rows.flatMap((page): Change[] => [
    set('pages', page.id, 'intent', 'list'),
    set('pages', page.id, 'canonical', 'self'),
    set('pages', page.id, 'refresh', 'none'),
    set('directives', `page:${page.id}\n*`, 'until', ''),
    ...page.spelledAs.map((path) => set('repairs', path, 'to', page.address)),
  ]);
  const robots = one.robots.openedFor(rows.map((page) => page.address));
  return applyChange(START, all([...changes, set('sitemap', '', 'on', true), ...(robots === undefined ? [] : [set('robots', '', 'text', robots)])]));
}

const LETTERS: Readonly<Record<Reality, string>> = { listed: 'L', bare: 'B', out: 'O', 'not-live': 'N' };
const table = (say: (path: string, engine: string) => string): Record<string, string> =>
  Object.fromEntries(CASES.map(({ path }) => [path, ENGINES.map(({ id }) => say(path, id)).join('')]));

/** Three ways to know: what is written here, what the screens promise, what the engines have after some days. */
async function threeWays(site: Site, document: SiteDocument, expected: Record<string, string>, before?: SiteDocument): Promise<void> {
  const one = survey(site, document);
  one.released(one.manifestFor(1, Date.UTC(2026, 10, 24)), document);
  const rows = new Map(one.rows().map((page) => [page.address, page]));
  const promised = table((path, engine) => LETTERS[rows.get(path)?.realities[engine] ?? 'not-live']);
  expect(promised).toEqual(expected);
  const indices = new Map<string, ReadonlyMap<string, Reality>>();
  for (const engine of ENGINES) {
    const earlier = before && (await crawled(released(site, survey(site, before), before), engine, UNKNOWN, 3));
    indices.set(engine.id, indexOf(await crawled(released(site, one, document), engine, earlier ?? UNKNOWN, 4)));
  }
  // Where a bare address is promised, that is what may be, by a link from elsewhere.
  const found = table((path, engine) => {
    const seen = indices.get(engine)?.get(path);
    return seen === undefined ? (rows.get(path)?.realities[engine] === 'bare' ? 'B' : 'O') : LETTERS[seen];
  });
  expect(found).toEqual(expected);
}

const expectedBy = (say: (one: Case) => string): Record<string, string> => Object.fromEntries(CASES.map((one) => [one.path, say(one)]));

it('has more than a hundred pages, each of its own', () => {
  expect(CASES.length).toBeGreaterThan(150);
  expect(new Set(CASES.map(({ path }) => path)).size).toBe(CASES.length);
});

it.each<[string, (site: Site) => SiteDocument, (one: Case) => string, SiteDocument?]>([
  ['the first release', () => START, ({ first }) => first],
  ['all that can be mended, mended', mended, ({ mended: after }) => after],
  ['closed', () => applyChange(START, set('siteSwitch', '', 'open', false)), ({ closed }) => closed],
  ['behind a password', () => applyChange(START, set('visitors', '', 'audience', 'restricted')), () => 'OO'],
  ['a draft', () => applyChange(START, set('visitors', '', 'audience', 'draft')), () => 'OO'],
  ['public again after three days behind a password', () => START, ({ first }) => first, applyChange(START, set('visitors', '', 'audience', 'restricted'))],
  ['public again after three days as a draft', () => START, ({ first }) => first, applyChange(START, set('visitors', '', 'audience', 'draft'))],
])('what is written here, promised and found is the same: %s', async (_, make, say, before) => {
  const site = theSite();
  await threeWays(site, make(site), expectedBy(say), before);
});
