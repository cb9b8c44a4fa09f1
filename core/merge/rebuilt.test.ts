import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { altsOf, applyChange, isPageFile, passagesOf, set, all, emptyDocument, type Change, type SiteDocument } from '../site/index.ts';
import { readSource } from '../page/index.ts';
import { sourceOf } from '../testing/html.ts';
import { runs } from '../testing/effort.ts';
import { planned } from '../testing/planned.ts';
import { mergeChange } from './index.ts';

const NOUNS = 'tapes linen leather grain vellum thread needle board hinge spine gilding press paste wheat ledger binding sewing marbling paper awl'.split(' ');
/** Words of a page, its own and always the same. */
const prose = (page: number, part: number): string =>
  Array.from({ length: 26 }, (_, at) => NOUNS[(page * 7 + part * 5 + at * (page + 2) + ((at * at) % 11)) % NOUNS.length]).join(' ') + ` ${page}-${part}.`;

/** What becomes of a page when another generator builds the site. */
interface Fate {
  readonly goes: 'stays' | 'moves' | 'moves, and its old address leads on';
  /** How its picture is called afterwards. */
  readonly picture: 'same' | 'hashed' | 'renamed';
  /** Whether its own description is another. */
  readonly described: boolean;
  /** Whether its first paragraph is another. */
  readonly rewritten: boolean;
}
const fate: fc.Arbitrary<Fate> = fc.record({
  goes: fc.constantFrom('stays' as const, 'moves' as const, 'moves, and its old address leads on' as const),
  picture: fc.constantFrom('same' as const, 'hashed' as const, 'renamed' as const),
  described: fc.boolean(),
  rewritten: fc.boolean(),
});
/** What the owner said of a page. */
const owner = fc.record({ title: fc.boolean(), description: fc.boolean(), passage: fc.boolean(), alt: fc.boolean() });
type Owner = typeof owner extends fc.Arbitrary<infer T> ? T : never;

const PICTURES = {
  same: (page: number) => `/img/p${page}.jpg`,
  hashed: (page: number) => `/img/p${page}.3f2a91b${page}.jpg`,
  renamed: (page: number) => `/assets/x${page}.jpg`,
};
const old = (page: number): string => `journal/p${page}/index.html`;
const moved = (page: number): string => `notes/${page}/index.html`;
const before = (page: number, count: number): string =>
  `<html lang=en>\n<head>\n<title>Page ${page}</title>\n<meta name="description" content="Of page ${page}.">\n</head>\n<body>\n<nav><p>Bindery</p></nav>\n<main>\n<h1>Page ${page}</h1>\n<p>${prose(page, 1)}</p>\n<p>${prose(page, 2)}</p>\n<img src="${PICTURES.same(page)}" alt="">\n<ul><li><a href="/journal/p${(page + 1) % count}/">Page ${(page + 1) % count}</a></li></ul>\n</main>\n</body>\n</html>\n`;
/** In one line, in another frame, with other links beside. */
const after = (page: number, count: number, { picture, described, rewritten }: Fate): string =>
  `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>Page ${page}</title><meta name="description" content="${described ? 'Anew' : 'Of'} page ${page}."></head><body><div class="top">Bindery</div><article><h1>Page ${page}</h1><p>${rewritten ? prose(page, 3) : prose(page, 1)}</p><p>${prose(page, 2)}</p><img src="${PICTURES[picture](page)}" alt=""></article><aside>See also <a href="/x">Page ${(page + 2) % count}</a></aside><div>Built on 3 November 2026</div></body></html>`;
const stub = (to: string): string =>
  `<!doctype html><html><head><meta charset="utf-8"><title>Redirecting</title><link rel="canonical" href="https://a.example/${to.replace('index.html', '')}"><meta name="robots" content="noindex"><meta http-equiv="refresh" content="0; url=/${to.replace('index.html', '')}"></head><body><a href="/${to.replace('index.html', '')}">Here</a></body></html>`;

function sites(fates: readonly Fate[]) {
  const count = fates.length;
  const [one, other]: Record<string, string>[] = [{}, {}] as [Record<string, string>, Record<string, string>];
  fates.forEach((its, page) => {
    (one as Record<string, string>)[old(page)] = before(page, count);
    (one as Record<string, string>)[`img/p${page}.jpg`] = `picture ${page}`;
    (other as Record<string, string>)[its.goes === 'stays' ? old(page) : moved(page)] = after(page, count, its);
    (other as Record<string, string>)[PICTURES[its.picture](page).slice(1)] = `picture ${page}`;
    if (its.goes.endsWith('leads on')) (other as Record<string, string>)[old(page)] = stub(moved(page));
  });
  return { one: one as Record<string, string>, other: other as Record<string, string> };
}

/** What the owner said of each page, as a document. */
function document(words: readonly Owner[], files: Readonly<Record<string, string>>): SiteDocument {
  const changes = words.flatMap((its, page): Change[] => {
    const html = files[old(page)] ?? '';
    const passage = `${old(page)}\n${html.indexOf('<p>', html.indexOf('<h1>'))}`;
    const alt = `${old(page)}\n${html.indexOf('<img')}`;
    return [
      ...(its.title ? [set('pages', old(page), 'title', `My title ${page}`)] : []),
      ...(its.description ? [set('pages', old(page), 'description', `My description ${page}`)] : []),
      ...(its.passage ? [set('passages', passage, 'was', prose(page, 1)), set('passages', passage, 'now', `My words ${page}`)] : []),
      ...(its.alt ? [set('alts', alt, 'was', ''), set('alts', alt, 'now', `My picture ${page}`)] : []),
    ];
  });
  return applyChange(emptyDocument(), all([set('facts', '', 'mainAddress', 'https://a.example'), ...changes]));
}

describe('a site that another generator built', () => {
  const pages = fc.array(fc.tuple(fate, owner), { minLength: 3, maxLength: 7 });
  it('keeps every word of the owner at its page, or tells what became of it; and only pages with other words have changed', () => {
    fc.assert(
      fc.property(pages, (made) => {
        const fates = made.map(([its]) => its);
        const words = made.map(([, its]) => its);
        const { one, other } = sites(fates);
        const standing = document(words, one);
        const plan = planned(one, other, standing);
        const now = applyChange(standing, mergeChange(standing, plan, { theirs: new Set(), redirects: {} }));
        const told = (page: number, what: string): 'conflict' | 'homeless' | 'kept' => {
          const is = (ways: typeof plan.conflicts): boolean => ways.some((way) => way.before === old(page) && way.what === what);
          return is(plan.conflicts) ? 'conflict' : is(plan.homeless) ? 'homeless' : 'kept';
        };
        fates.forEach((its, page) => {
          const at = its.goes === 'stays' ? old(page) : moved(page);
          const own = words[page] as Owner;
          const said = now.tables.pages[at];
          expect([page, said?.title ?? null]).toEqual([page, own.title ? `My title ${page}` : null]);
          expect([page, said?.description ?? null]).toEqual([page, own.description ? `My description ${page}` : null]);
          if (own.description) expect([page, told(page, 'description')]).toEqual([page, its.described ? 'conflict' : 'kept']);
          // A picture is the same by its bytes, however it is called.
          if (own.alt) {
            expect(altsOf(now, at).map((alt) => alt.now)).toEqual([`My picture ${page}`]);
            const source = sourceOf(other[at] ?? '');
            const reading = readSource(source);
            expect(reading.ok && reading.facts.images.map(({ tag }) => tag.start)).toEqual(altsOf(now, at).map(({ start }) => start));
          }
          if (own.passage) {
            const kept = passagesOf(now, at).map((passage) => passage.now);
            expect([page, told(page, 'passage'), kept]).toEqual(
              its.rewritten ? [page, expect.stringMatching(/conflict|homeless/), expect.any(Array)] : [page, 'kept', [`My words ${page}`]],
            );
          }
          // Only where words are others has it changed: not by its frame, its place, its build, or the links beside it.
          expect([page, plan.alike.some((like) => like.page === at)]).toEqual([page, !its.rewritten]);
          // Nothing of the owner is left at an address that only leads on, and no second redirect.
          if (its.goes.endsWith('leads on')) expect([now.tables.pages[old(page)], now.tables.redirects[old(page)]]).toEqual([undefined, undefined]);
          if (its.goes === 'moves') expect(now.tables.redirects[old(page)]?.to).toBe(`/notes/${page}/`);
        });
        expect(Object.keys(other).filter(isPageFile).length).toBeGreaterThan(0);
      }),
      { numRuns: runs(300) },
    );
  });
  it.each([
    '/notes/1/',
    '/notes/1/index.html',
    '/notes/1/?from=old#top',
    '/notes/1',
    'https://a.example/notes/1/',
    '../../notes/1/index.html',
    '/n%6ftes/1/',
    '/by/the/way/',
  ])('follows a page that is wholly rewritten by what leads on from its old address: %s', (way) => {
    const lead = (to: string): string => `<!doctype html><meta http-equiv="refresh" content="0; url=${to}"><title>Moved</title>`;
    const plan = planned(
      { 'index.html': '<title>Home</title><h1>Home</h1>', [old(1)]: before(1, 2) },
      {
        'index.html': '<title>Home</title><h1>Home</h1>',
        [old(1)]: lead(way),
        'by/the/way/index.html': lead('/notes/1'),
        'round/index.html': lead('/round/'),
        [moved(1)]: `<title>Other</title><h1>Other</h1><p>${prose(77, 4)}</p>`,
        'notes/2/index.html': `<title>Third</title><h1>Third</h1><p>${prose(78, 4)}</p>`,
      },
      document(
        [
          { title: true, description: false, passage: false, alt: false },
          { title: true, description: false, passage: false, alt: false },
        ],
        {},
      ),
    );
    expect(plan.pages.moved.map(({ from, to }) => [from, to])).toEqual([[old(1), moved(1)]]);
  });
});
