import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { all, applyChange, emptyDocument, invert, isPageFile, set, type Change, type SiteDocument } from '../site/index.ts';
import { hashOf, planned, type Files } from '../testing/planned.ts';
import { testSite } from '../testing/site.ts';
import { runs, SLOW } from '../testing/effort.ts';
import { expectInProportion } from '../testing/proportion.ts';
import { isSameVersion, mergeChange, type MergeChoices, type MergePlan } from './index.ts';

const NOTHING: MergeChoices = { theirs: new Set(), redirects: {} };

const said = (...changes: readonly Change[]): SiteDocument =>
  applyChange(emptyDocument(), all([set('facts', '', 'mainAddress', 'https://a.example'), ...changes]));
const page = (title: string, body: string, head = ''): string =>
  `<html lang=en><head><title>${title}</title>${head}</head><body><nav><p>Shop</p></nav><main>${body}</main><footer><p>Bindery, Saltmere</p></footer></body></html>`;
/** Another generator's frame around the same words, built on another day. */
const other = (title: string, body: string, head = ''): string =>
  `<!doctype html><html lang="en">\n<head>\n<meta charset="utf-8"><title>${title}</title>${head}</head>\n<body><header><div>Bindery</div><div>Menu</div></header><article>${body}</article><div>Built on 3 November 2026</div></body></html>`;

const WORDS = 'We sew each book by hand on linen tapes so that it opens flat and stays whole for a hundred years of reading.';
const MORE = 'Leather is chosen by its grain and by how it was tanned since both decide how long a binding lasts in a dry room.';
const place = (html: string, words: string): number => html.lastIndexOf('<p', html.lastIndexOf(`>${words}<`));

describe('a new version', () => {
  const before = {
    'index.html': page('Bindery', '<h1>Bindery</h1><p>We bind.</p>'),
    'why/index.html': page('Why', `<h1>Why we sew</h1><p>${WORDS}</p>`, '<meta name=description content="Old words.">'),
    'leather.html': page('Leather', `<h1>Leather</h1><p>${MORE}</p><p><img src=/hide.jpg alt="">A hide.</p>`),
    'gone.html': page('Gone', '<h1>Gone</h1><p>Nothing like it is left anywhere.</p>'),
    'style.css': 'a',
  };
  const after = {
    'index.html': other('Bindery', '<h1>Bindery</h1><p>We bind.</p>'),
    'why/index.html': other('Why we sew', `<h1>Why we sew</h1><p>${WORDS}</p>`, '<meta name=description content="Words of the builder.">'),
    'materials/leather.html': other('Leather', `<h1>Leather</h1><p>${MORE}</p><p><img src=/hide.jpg alt="">A hide.</p>`),
    'new.html': other('New', '<h1>New</h1><p>Something that was not there before at all.</p>'),
    'style.css': 'b',
  };
  const words = place(before['leather.html'], MORE);
  const document = said(
    set('pages', 'why/index.html', 'title', 'Why we sew'),
    set('pages', 'why/index.html', 'description', 'My words.'),
    set('pages', 'leather.html', 'description', 'Of leather.'),
    set('pages', 'leather.html', 'intent', 'out'),
    set('pages', 'gone.html', 'title', 'Going'),
    all([set('passages', `leather.html\n${words}`, 'was', MORE), set('passages', `leather.html\n${words}`, 'now', 'Shorter.')]),
    set('alts', `leather.html\n${before['leather.html'].indexOf('<img')}`, 'now', 'A hide on a bench'),
    set('alts', `leather.html\n${before['leather.html'].indexOf('<img')}`, 'was', ''),
    set('directives', 'page:leather.html\n*', 'follow', 'no'),
    set('ignored', 'leather.html\ntext-thin', 'at', 'now'),
  );
  const plan = planned(before, after, document);

  it('is told page by page', () => {
    expect([...plan.pages.changed].sort()).toEqual(['index.html', 'why/index.html']);
    expect(plan.pages.moved).toEqual([{ from: 'leather.html', to: 'materials/leather.html', by: 'words' }]);
    expect(plan.pages.added).toEqual(['new.html']);
    expect(plan.pages.gone).toEqual([{ id: 'gone.html', words: 1 }]);
    expect(plan.files).toEqual({ added: 0, changed: 1, gone: 0 });
  });
  it('says what of the owner’s words stays, falls away, and is to be decided', () => {
    expect(plan.settled.map(({ key }) => key)).toEqual(['why/index.html\ntitle']);
    expect(plan.conflicts).toMatchObject([{ what: 'description', base: 'Old words.', mine: 'My words.', theirs: 'Words of the builder.' }]);
    expect(plan.shifted.map(({ what }) => what).sort()).toEqual(['alt', 'passage']);
    expect(plan.homeless).toEqual([]);
    expect(plan.kept).toBe(3);
  });
  it('carries all that was said of a page along to where it is now', () => {
    const now = applyChange(document, mergeChange(document, plan, NOTHING)).tables;
    expect(now.source['']).toEqual({ version: 1 });
    expect(now.pages['materials/leather.html']).toEqual({ description: 'Of leather.', intent: 'out' });
    expect(now.pages['leather.html']).toBeUndefined();
    expect(now.directives['page:materials/leather.html\n*']).toEqual({ follow: 'no' });
    expect(now.ignored['materials/leather.html\ntext-thin']).toEqual({ at: 'now' });
    const html = after['materials/leather.html'];
    expect(now.passages).toEqual({ [`materials/leather.html\n${place(html, MORE)}`]: { was: MORE, now: 'Shorter.' } });
    expect(now.alts).toEqual({ [`materials/leather.html\n${html.indexOf('<img')}`]: { was: '', now: 'A hide on a bench' } });
    expect(now.redirects['leather.html']).toEqual({ to: '/materials/leather.html' });
    expect(now.pages['gone.html']).toEqual({ title: 'Going' });
  });
  it('takes the new source’s word where it is chosen, and ours else', () => {
    const taken = (theirs: readonly string[]) =>
      applyChange(document, mergeChange(document, plan, { theirs: new Set(theirs), redirects: {} })).tables.pages['why/index.html'];
    expect(taken([])).toEqual({ description: 'My words.' });
    expect(taken(['why/index.html\ndescription'])).toBeUndefined();
  });
  it('knows pages whose words are the same, so that they are no newer', () => {
    expect(plan.alike.map(({ page: id }) => id).sort()).toEqual(['index.html', 'materials/leather.html', 'why/index.html']);
    const again = applyChange(document, mergeChange(document, plan, NOTHING));
    const third = { ...after, 'index.html': `${after['index.html']}<!-- built again -->` };
    const next = planned(after, third, again, 2);
    expect(next.alike).toEqual([{ page: 'index.html', hash: hashOf(before['index.html']) }]);
    const source = applyChange(again, mergeChange(again, next, NOTHING)).tables.source;
    expect(source['why/index.html']).toEqual({ like: hashOf(before['why/index.html']) });
  });
  it('leads former addresses on, in what goes out and in what engines are told', () => {
    const led = mergeChange(document, plan, { theirs: new Set(), redirects: { 'gone.html': '/new.html' } });
    const pages = Object.fromEntries(Object.entries(after).filter(([path]) => isPageFile(path)));
    const { survey } = testSite(pages, { changes: [led] });
    expect(survey.workingCopy().own['leather.html']).toContain('url=/materials/leather.html');
    expect(survey.workingCopy().own['gone.html']).toContain('url=/new.html');
    expect(survey.wayInAt('/gone.html', 'SkerryBot')).toMatchObject({ what: 'moved' });
  });
  it('undone gives the document back as it was', () => {
    const change = mergeChange(document, plan, { theirs: new Set(plan.conflicts.map(({ key }) => key)), redirects: { 'gone.html': '/' } });
    expect(applyChange(applyChange(document, change), invert(document, change))).toEqual(document);
  });
});

describe('words within pages', () => {
  const at = (html: string, words: string): string => `p.html\n${place(html, words)}`;
  const change = (html: string, was: string, now: string): SiteDocument =>
    said(all([set('passages', at(html, was), 'was', was), set('passages', at(html, was), 'now', now)]));
  it.each<[string, string, string, string, keyof Pick<MergePlan, 'shifted' | 'settled' | 'conflicts' | 'homeless'>, string]>([
    ['moved down', '<p>one</p><p>two</p>', '<p>new</p><p>one</p><p>two</p>', 'two', 'shifted', '<p>two'],
    ['the second of two alike', '<p>x</p><p>x</p><p>x</p>', '<h2>n</h2><p>x</p><p>x</p><p>x</p>', 'x', 'shifted', '<p>x</p></main>'],
    ['said by the builder now', '<p>one</p><p>two</p>', '<p>one</p><p>three</p>', 'two', 'settled', ''],
    ['said otherwise', '<p>one</p><p>two</p><p>end</p>', '<p>one</p><p>four</p><p>end</p>', 'two', 'conflicts', '<p>four'],
    ['taken out', '<p>one</p><p>two</p><p>end</p>', '<p>one</p><p>end</p>', 'two', 'homeless', ''],
    ['moved elsewhere', '<p>two</p><p>one</p><p>mid</p><p>end</p>', '<p>one</p><p>mid</p><p>end</p><p>two</p>', 'two', 'shifted', '<p>two'],
  ])('%s', (_, old, now, was, sort, spot) => {
    const [before, after] = [page('P', old), page('P', now)];
    const document = change(before, was, 'three');
    const plan = planned({ 'p.html': before }, { 'p.html': after }, document);
    expect({ settled: plan.settled.length, conflicts: plan.conflicts.length, homeless: plan.homeless.length, shifted: plan.shifted.length }).toEqual({
      settled: 0,
      conflicts: 0,
      homeless: 0,
      shifted: 0,
      [sort]: 1,
    });
    const [one] = plan[sort];
    if (spot !== '') expect(after.slice(one?.to, (one?.to ?? 0) + spot.length)).toBe(spot);
    const merged = applyChange(document, mergeChange(document, plan, NOTHING));
    const keys = Object.entries(merged.tables.passages);
    expect(keys).toEqual(spot === '' ? [] : [[`p.html\n${one?.to}`, { was: sort === 'conflicts' ? 'four' : was, now: 'three' }]]);
    // What is left can be written.
    const survey = testSite(
      { 'p.html': after },
      {
        changes: [
          all(keys.flatMap(([key, { was: then, now: wanted }]) => [set('passages', key, 'was', then ?? null), set('passages', key, 'now', wanted ?? null)])),
        ],
      },
    ).survey;
    expect(survey.editsOf('p.html').filter(({ kind }) => kind === 'passage')).toHaveLength(keys.length);
  });
});

describe('pages that moved', () => {
  const many = (count: number, folder: string, frame: typeof page): Files =>
    Object.fromEntries(
      Array.from({ length: count }, (_, at) => [
        `${folder}/${at}.html`,
        frame(`Page ${at}`, `<h1>Number ${at}</h1><p>${Array.from({ length: 30 }, (_, word) => `w${(at * 37 + word * word * 11) % 4000}`).join(' ')}</p>`),
      ]),
    );
  it('are all found, whatever is around their words', () => {
    const plan = planned(many(60, 'old', page), many(60, 'new/deep', other), said());
    expect(plan.pages.moved.map(({ from, to }) => [from.slice(4), to.slice(9)]).every(([from, to]) => from === to)).toBe(true);
    expect(plan.pages.moved).toHaveLength(60);
  });
  it('are not taken for each other because of their frame', () => {
    const plan = planned(
      { 'index.html': page('Home', '<p>Home of it.</p>'), 'cats.html': page('Cats', `<h1>Cats</h1><p>${WORDS}</p>`) },
      { 'index.html': page('Home', '<p>Home of it.</p>'), 'dogs.html': page('Dogs', `<h1>Dogs</h1><p>${MORE}</p>`) },
      said(),
    );
    expect(plan.pages).toMatchObject({ moved: [], added: ['dogs.html'], gone: [{ id: 'cats.html' }] });
  });
  it('where the owner had them go need no new address any more', () => {
    const html = page('Box', `<h1>Box</h1><p>${WORDS}</p>`);
    const document = said(set('pages', 'box/index.html', 'ending', 'boxes'), set('pages', 'box/index.html', 'title', 'Boxes'));
    const plan = planned({ 'box/index.html': html }, { 'boxes/index.html': html }, document);
    const { pages, redirects } = applyChange(document, mergeChange(document, plan, NOTHING)).tables;
    expect([pages, redirects]).toEqual([{ 'boxes/index.html': { title: 'Boxes' } }, {}]);
  });
  it('twice are led to where they are now, and not from place to place', () => {
    const html = page('Box', `<h1>Box</h1><p>${WORDS}</p>`);
    const first = said();
    const once = applyChange(first, mergeChange(first, planned({ 'a.html': html }, { 'b.html': html }, first), NOTHING));
    const twice = applyChange(once, mergeChange(once, planned({ 'b.html': html }, { 'c.html': html }, once, 2), NOTHING));
    expect(twice.tables.redirects).toEqual({ 'a.html': { to: '/c.html' }, 'b.html': { to: '/c.html' } });
  });
  it('lead to the address that the owner gives them', () => {
    const html = page('Box', `<h1>Box</h1><p>${WORDS}</p>`);
    const document = said(set('pages', 'a/box/index.html', 'ending', 'boxes'));
    const plan = planned({ 'a/box/index.html': html }, { 'b/box/index.html': html }, document);
    const { redirects, pages } = applyChange(document, mergeChange(document, plan, NOTHING)).tables;
    expect([redirects, pages]).toEqual([{ 'a/box/index.html': { to: '/b/boxes/' } }, { 'b/box/index.html': { ending: 'boxes' } }]);
  });
  it('takes time in proportion', SLOW, () =>
    expectInProportion({
      small: 100,
      times: 8,
      make: (count) => [many(count, 'old', page), many(count, 'new', other)] as const,
      work: ([before, after]) => void planned(before, after, said()),
    }),
  );
});

describe('any two versions', () => {
  const text = fc.constantFrom('one', 'two', 'three', 'four', WORDS, MORE);
  const body = fc.array(text, { maxLength: 5 }).map((words) => words.map((word) => `<p>${word}</p>`).join(''));
  const html = fc.record({ title: text, body, frame: fc.constantFrom(page, other) }).map(({ title, body: inner, frame }) => frame(title, inner));
  const files = fc.dictionary(fc.constantFrom('index.html', 'a.html', 'b/index.html', 'c.html', 'd/e.html'), html, { minKeys: 1 });
  const owner = fc.array(
    fc.record({
      id: fc.constantFrom('index.html', 'a.html', 'b/index.html', 'c.html'),
      field: fc.constantFrom('title' as const, 'description' as const, 'passage' as const),
      word: text,
    }),
    { maxLength: 8 },
  );
  const spoken = (source: Files, words: readonly { id: string; field: 'title' | 'description' | 'passage'; word: string }[]): SiteDocument =>
    said(
      ...words.flatMap(({ id, field, word }): Change[] => {
        const old = source[id];
        if (old === undefined) return [];
        if (field !== 'passage') return [set('pages', id, field, word)];
        const was = /<p>(?!Shop|Bindery)([^<]+)/.exec(old);
        return was ? [set('passages', `${id}\n${was.index}`, 'was', was[1] ?? ''), set('passages', `${id}\n${was.index}`, 'now', word)] : [];
      }),
    );
  it('the same one is no change at all', () => {
    fc.assert(
      fc.property(files, owner, (source, words) => {
        const plan = planned(source, source, spoken(source, words));
        expect(isSameVersion(new Map(Object.entries(source)), new Map(Object.entries(source)))).toBe(true);
        expect({ ...plan, version: 0, kept: 0, pages: { ...plan.pages, same: 0 } }).toEqual({
          version: 0,
          kept: 0,
          pages: { same: 0, changed: [], added: [], moved: [], gone: [] },
          files: { added: 0, changed: 0, gone: 0 },
          settled: [],
          conflicts: [],
          homeless: [],
          shifted: [],
          kinds: [],
          alike: [],
        });
      }),
    );
  });
  it('no word of the owner is lost without being told, undo is exact, and what is left can be written', () => {
    fc.assert(
      fc.property(files, files, owner, fc.boolean(), (before, after, words, takeTheirs) => {
        const document = spoken(before, words);
        const plan = planned(before, after, document);
        const choices = { theirs: new Set(takeTheirs ? plan.conflicts.map(({ key }) => key) : []), redirects: {} };
        const change = mergeChange(document, plan, choices);
        const merged = applyChange(document, change);
        expect(applyChange(merged, invert(document, change))).toEqual(document);
        const count = ({ tables: { pages, passages } }: SiteDocument): number =>
          Object.values(pages).reduce((sum, own) => sum + Number(typeof own.title === 'string') + Number(typeof own.description === 'string'), 0) +
          Object.values(passages).filter(({ was }) => typeof was === 'string').length;
        const gonePassages = Object.keys(document.tables.passages).filter((key) => plan.pages.gone.some(({ id }) => key.startsWith(`${id}\n`))).length;
        expect(count(merged)).toBe(count(document) - plan.settled.length - plan.homeless.length - gonePassages - (takeTheirs ? plan.conflicts.length : 0));
        const { survey } = testSite(after, { changes: [mergeable(merged)] });
        for (const [key, { was }] of Object.entries(merged.tables.passages)) {
          const [id = '', start = ''] = key.split('\n');
          expect(after[id]?.slice(Number(start)).replace(/<[^>]*>/, '')).toMatch(new RegExp(`^${was}`));
          expect(survey.row(id)).toBeDefined();
        }
      }),
      { numRuns: runs(150) },
    );
  });
});

/** All words of a document as one change. */
const mergeable = ({ tables: { pages, passages } }: SiteDocument): Change =>
  all([
    ...Object.entries(pages).flatMap(([key, own]) => Object.entries(own).map(([field, value]) => set('pages', key, field as 'title', value as string))),
    ...Object.entries(passages).flatMap(([key, own]) => Object.entries(own).map(([field, value]) => set('passages', key, field as 'was', value ?? null))),
  ]);
