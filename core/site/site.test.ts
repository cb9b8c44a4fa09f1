import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { factsOf } from '../testing/html.ts';
import { runs } from '../testing/effort.ts';
import {
  addressOf,
  all,
  applyChange,
  cleanOrigin,
  doEntry,
  effectiveNoindex,
  DOCUMENT_FORMAT,
  emptyDocument,
  firstFacts,
  fold,
  guessKind,
  invert,
  isIdle,
  leftover,
  isOwnAddress,
  kindOf,
  linkedPath,
  resolvePath,
  spellingsOf,
  movedRule,
  NOTHING_TO_UNDO,
  numberAfterName,
  openDocument,
  pathRules,
  redoEntry,
  replay,
  set,
  undoEntry,
  type Change,
  type JournalEntry,
  type SiteDocument,
  type UndoState,
} from './index.ts';

const single: fc.Arbitrary<Change> = fc.oneof(
  fc
    .record({
      page: fc.constantFrom('a.html', 'b.html', 'constructor'),
      field: fc.constantFrom('title' as const, 'description' as const),
      value: fc.option(fc.string()),
    })
    .map(({ page, field, value }) => set('pages', page, field, value)),
  fc.constantFrom('list' as const, 'out' as const, null).map((value) => set('pages', 'a.html', 'intent', value)),
  fc.option(fc.boolean()).map((value) => set('siteSwitch', '', 'open', value)),
  fc.option(fc.string()).map((value) => set('facts', '', 'siteName', value)),
);
const change = fc.oneof(
  single,
  fc.array(single, { maxLength: 4 }).map((changes) => all(changes)),
);
const build = (changes: readonly Change[]): SiteDocument => changes.reduce(applyChange, emptyDocument());

describe('changes', () => {
  it('taken back leave the document as it was', () => {
    fc.assert(
      fc.property(fc.array(change, { maxLength: 6 }), change, (before, one) => {
        const document = build(before);
        expect(applyChange(applyChange(document, one), invert(document, one))).toEqual(document);
      }),
    );
  });
  it('that change nothing are told from those that do', () => {
    fc.assert(
      fc.property(fc.array(change, { maxLength: 4 }), single, (before, one) => {
        const document = build(before);
        expect(isIdle(document, one)).toBe(JSON.stringify(applyChange(document, one)) === JSON.stringify(document));
      }),
    );
  });
  it('of fields that do not exist, or of the wrong sort, are refused', () => {
    expect(() => set('pages', 'a', 'colour' as 'title', 'red')).toThrow(RangeError);
    expect(() => applyChange(emptyDocument(), { kind: 'set', table: 'pages', key: 'a', field: 'toString', value: 'x' })).toThrow(RangeError);
    expect(() => applyChange(emptyDocument(), { kind: 'set', table: 'siteSwitch', key: '', field: 'open', value: 'yes' })).toThrow(RangeError);
  });
});

describe('history', () => {
  type Move = { kind: 'do'; change: Change; coalesceKey: string | null } | { kind: 'undo' } | { kind: 'redo' };
  const move: fc.Arbitrary<Move> = fc.oneof(
    { weight: 4, arbitrary: fc.record({ kind: fc.constant('do' as const), change, coalesceKey: fc.constantFrom(null, 'x', 'y') }) },
    { weight: 2, arbitrary: fc.constant({ kind: 'undo' as const }) },
    { weight: 1, arbitrary: fc.constant({ kind: 'redo' as const }) },
  );
  function play(moves: readonly Move[]): { document: SiteDocument; undo: UndoState; journal: JournalEntry[] } {
    let state = { document: emptyDocument(), undo: NOTHING_TO_UNDO };
    const journal: JournalEntry[] = [];
    for (const [seq, one] of moves.entries()) {
      const about = { seq, at: '2026-01-01T00:00:00Z' };
      const entry =
        one.kind === 'do'
          ? doEntry(state.document, one.change, { ...about, label: 'x', coalesceKey: one.coalesceKey })
          : one.kind === 'undo'
            ? undoEntry(state.undo, about)
            : redoEntry(state.undo, about);
      if (!entry) continue;
      journal.push(entry);
      state = { document: applyChange(state.document, entry.change), undo: fold(state.undo, entry) };
    }
    return { ...state, journal };
  }
  it('undone to its start gives the empty document, done again the last one', () => {
    fc.assert(
      fc.property(fc.array(move, { maxLength: 20 }), (moves) => {
        let { document, undo } = play(moves);
        const last = document;
        let steps = 0;
        for (let entry = undoEntry(undo, { seq: 0, at: '' }); entry; entry = undoEntry(undo, { seq: 0, at: '' })) {
          document = applyChange(document, entry.change);
          undo = fold(undo, entry);
          steps++;
        }
        expect(document).toEqual(emptyDocument());
        for (let entry = redoEntry(undo, { seq: 0, at: '' }); entry && steps > 0; entry = redoEntry(undo, { seq: 0, at: '' }), steps--) {
          document = applyChange(document, entry.change);
          undo = fold(undo, entry);
        }
        expect(document).toEqual(last);
      }),
    );
  });
  it('played again from the journal gives the same', () => {
    fc.assert(
      fc.property(fc.array(move, { maxLength: 15 }), (moves) => {
        const { document, undo, journal } = play(moves);
        expect(replay(emptyDocument(), NOTHING_TO_UNDO, JSON.parse(JSON.stringify(journal)) as JournalEntry[])).toEqual({ document, undo });
      }),
    );
  });
  it('takes the keys of one text as one step, and leaves releases alone', () => {
    const { document, undo } = play(['a', 'ab', 'abc'].map((value) => ({ kind: 'do', change: set('pages', 'p', 'title', value), coalesceKey: 't' })));
    expect(undo.undo).toHaveLength(1);
    const released = doEntry(document, set('releases', '1', 'at', 'now'), { seq: 9, at: '', label: 'Release 1', notUndoable: true });
    expect(fold(undo, released)).toBe(undo);
  });
});

/** A page of the site as computations take it. */
describe('the saved document', () => {
  it('of a newer version, or damaged, is refused with the reason', () => {
    expect(openDocument({ version: DOCUMENT_FORMAT.version + 1 })).toMatchObject({ ok: false, reason: 'newer-version' });
    expect(openDocument({ version: 1, tables: { facts: 1 } })).toMatchObject({ ok: false, reason: 'damaged' });
    expect(openDocument(null)).toMatchObject({ ok: false, reason: 'damaged' });
  });
});

describe('addresses', () => {
  it.each([
    ['index.html', '/'],
    ['about/index.html', '/about/'],
    ['about.html', '/about.html'],
    ['a b/ü.html', '/a%20b/%C3%BC.html'],
    ['x/index.htm', '/x/'],
    ['x/INDEX.HTM', '/x/INDEX.HTM'],
  ])('%s answers at %s', (file, address) => expect(addressOf(file)).toBe(address));
  it('lead back to their file', () => {
    fc.assert(
      fc.property(
        fc.array(
          fc.stringMatching(/^[\p{L}0-9 ._~-]{1,8}$/u).filter((part) => !/^\.+$/.test(part)),
          { minLength: 1, maxLength: 3 },
        ),
        (parts) => {
          const file = parts.join('/');
          const has = (path: string): boolean => path === file;
          expect(resolvePath(addressOf(file), has)).toEqual({ kind: 'file', file });
          expect(isOwnAddress(addressOf(file), file)).toBe(true);
          const [own, ...others] = spellingsOf(file, has);
          expect(isOwnAddress(own as string, file)).toBe(true);
          for (const other of others) expect([other, isOwnAddress(other, file)]).toEqual([other, false]);
        },
      ),
    );
  });
  const FILES = new Set([
    'index.html',
    'about/index.html',
    'team.html',
    'team/index.html',
    'old/index.htm',
    'b c/ü.html',
    'sitemap.xml',
    'a&b.html',
    'x/INDEX.HTML',
    'q?.html',
  ]);
  it.each([
    ['/', 'index.html'],
    ['', 'index.html'],
    ['/?a=1', 'index.html'],
    ['/index.html', 'index.html'],
    ['/index', 'index.html'],
    ['/about/', 'about/index.html'],
    ['/about/#x', 'about/index.html'],
    ['/about/index.html?a', 'about/index.html'],
    ['/about/index', 'about/index.html'],
    ['/%61bout/', 'about/index.html'],
    ['/about', 'to /about/'],
    ['/about?a=1&b#x', 'to /about/?a=1&b'],
    ['/%61bout', 'to /%61bout/'],
    ['/team', 'team.html'],
    ['/team.html', 'team.html'],
    ['/team/', 'team/index.html'],
    ['/old/', 'old/index.htm'],
    ['/old', 'to /old/'],
    ['/sitemap.xml', 'sitemap.xml'],
    ['/sitemap', 'nothing'],
    ['/b%20c/%C3%BC.html', 'b c/ü.html'],
    ['/b%20c/%c3%bc', 'b c/ü.html'],
    ['/b c/ü.html', 'b c/ü.html'],
    ['/b%20c/%FC.html', 'nothing'],
    ['/b%2520c/%C3%BC.html', 'nothing'],
    ['/a&b.html', 'a&b.html'],
    ['/a%26b.html', 'a&b.html'],
    ['/q%3F.html', 'q?.html'],
    ['/q?.html', 'nothing'],
    ['/about%2Findex.html', 'nothing'],
    ['/about%5Cindex.html', 'nothing'],
    ['/team.html/', 'nothing'],
    ['/About/', 'nothing'],
    ['/x/', 'nothing'],
    ['//about/', 'nothing'],
    ['/about//', 'nothing'],
    ['/%00', 'nothing'],
    ['/%', 'nothing'],
  ])('at %j a host has %s', (path, expected) => {
    const found = resolvePath(path, (file) => FILES.has(file));
    expect(found.kind === 'redirect' ? `to ${found.to}` : found.kind === 'file' ? found.file : 'nothing').toBe(expected);
  });
  it.each([
    ['about/index.html', ['/about/', '/about/index.html', '/about/index', '/about']],
    ['index.html', ['/', '/index.html', '/index']],
    ['team.html', ['/team.html', '/team']],
    ['team/index.html', ['/team/', '/team/index.html', '/team/index']],
    ['b c/ü.html', ['/b%20c/%C3%BC.html', '/b%20c/%C3%BC']],
    ['sitemap.xml', ['/sitemap.xml']],
  ])('%s is spelled %j, its own address first', (file, spellings) => expect(spellingsOf(file, (path) => FILES.has(path))).toEqual(spellings));
  it('of the twin host are those of the site', () => {
    expect(linkedPath('https://www.site.example/a?b', '/', 'site.example')).toBe('/a?b');
    expect(linkedPath('//site.example/a', '/', 'www.site.example')).toBe('/a');
    expect(linkedPath('https://shop.site.example/a', '/', 'site.example')).toBeUndefined();
  });
  it('are resolved like the URL standard does', () => {
    const reference = fc
      .array(fc.constantFrom('a', 'b.html', '..', '.', '/', '//', '?q', '#f', '%41', ' ', 'http:', 'é'), { maxLength: 6 })
      .map((parts) => parts.join(''));
    fc.assert(
      fc.property(reference, fc.constantFrom('/', '/x/', '/x/y.html', '/x/y/z/'), (href, page) => {
        const whole = `http://site.example${page}`;
        const url = URL.canParse(href, whole) ? new URL(href, whole) : undefined;
        const expected =
          url && /^https?:$/.test(url.protocol) && url.host === 'site.example' && href.replace(/#.*$/s, '').trim() !== ''
            ? url.href.slice(url.origin.length).replace(/#.*$/s, '')
            : undefined;
        expect(linkedPath(href, page, 'site.example')).toBe(expected);
      }),
      { numRuns: runs(2000) },
    );
  });
  it.each([
    ['quillfeather.example', 'https://quillfeather.example'],
    ['HTTP://A.example/x', 'http://a.example'],
    ['nothing', undefined],
    ['a b.example', undefined],
    ['', undefined],
    ['javascript:alert(1)', undefined],
  ])('%j as a main address is %j', (typed, origin) => expect(cleanOrigin(typed)).toBe(origin));
});

describe('a rule for kinds', () => {
  const rule = (...changes: Change[]): SiteDocument =>
    applyChange(emptyDocument(), all([set('rules', 'r', 'path', '/journal/'), set('rules', 'r', 'kind', 'post'), ...changes]));
  it.each([
    ['a page', 'page', 'post'],
    ['a list of posts by a tag', 'tag', 'tag'],
    ['a list of an author', 'author', 'author'],
    ['an event', 'event', 'post'],
  ] as const)('spares archives: %s', (_, guess, kind) => expect(kindOf(rule(), 'journal/x/index.html', guess).kind).toBe(kind));
  it('counts for archives too where the owner says so', () =>
    expect(kindOf(rule(set('rules', 'r', 'archives', true)), 'journal/x/index.html', 'tag')).toMatchObject({ kind: 'post', from: 'rule' }));
  it('makes archives of pages', () => expect(kindOf(rule(set('rules', 'r', 'kind', 'tag')), 'journal/x/index.html', 'category').kind).toBe('tag'));
});

describe('kinds and intents', () => {
  it.each([
    ['/', 'page'],
    ['/services/box/', 'service'],
    ['/services/', 'page'],
    ['/journal/x/', 'post'],
    ['/journal/tag/leather/', 'tag'],
    ['/journal/author/x/', 'author'],
    ['/2024/05/', 'date'],
    ['/2024/05/hello/', 'post'],
    ['/shop/x/', 'product'],
    ['/workshops/x/', 'event'],
  ] as const)('%s is a %s', (address, kind) => expect(guessKind(address, factsOf('<p>'))).toBe(kind));
  it('write noindex only where the owner said something, or closed the site', () => {
    const facts = factsOf('<head><meta name=robots content=noindex></head>');
    const plain = factsOf('<p>');
    const noindex = (document: SiteDocument, page = plain) => effectiveNoindex(document, { id: 'p', kind: 'tag', facts: page });
    expect(noindex(emptyDocument())).toEqual({ noindex: false, from: 'page' });
    expect(noindex(emptyDocument(), facts)).toEqual({ noindex: true, from: 'page' });
    expect(noindex(build([set('kinds', 'tag', 'intent', 'out')]))).toEqual({ noindex: true, from: 'owner' });
    expect(noindex(build([set('kinds', 'tag', 'intent', 'out'), set('pages', 'p', 'intent', 'list')]), facts)).toEqual({ noindex: false, from: 'owner' });
    expect(noindex(build([set('siteSwitch', '', 'open', false)]))).toEqual({ noindex: true, from: 'switch' });
  });
});

describe('leftovers', () => {
  it.each([
    ['Home', 'default'],
    ['Home | Bindery', 'default'],
    ['Bindery – Your tagline here', 'tagline'],
    ['www.a.example', 'domain'],
    ['Untitled', 'default'],
    ['Copy of Prices', 'default'],
    ['Kopie von Preise', 'default'],
    ['Prices - Copy', 'default'],
    ['Prices (copy 2)', 'default'],
    ['Acme - Home', 'default'],
    ['Acme | Startseite', 'default'],
    ['Coming soon', 'tagline'],
    ['Acme | Demnächst', 'tagline'],
    ['En construction', 'tagline'],
    ['Próximamente', 'tagline'],
    ['Lorem ipsum dolor', 'tagline'],
    ['Ein Blindtext', 'tagline'],
    ['Texte de remplissage', 'tagline'],
    ['Texto de ejemplo', 'tagline'],
    ['Testo segnaposto', 'tagline'],
  ])('%s is %s', (title, why) => expect(leftover(title, 'a.example')?.why).toBe(why));
  it.each([
    'Windows 7 repair',
    'Copying old books',
    'The home of books',
    'Lorem and other first names',
    'Soon',
    'Welcome home to Saltmere',
    'Bindery | Home visits',
    'About',
    'A page of history',
  ])('%s is none', (title) => expect(leftover(title, 'a.example')).toBeUndefined());
  it.each([
    ['Journal 2', true],
    ['Journal 2 | Bindery', true],
    ['Part 2', false],
    ['Chapter 3 | Bindery', false],
    ['Catalogue 2024', false],
    ['Top 5', false],
  ])('%s: a leftover number? %s', (title, found) => expect(numberAfterName(title) !== undefined).toBe(found));
});

it('first facts come from the home page, and a name that is no leftover', () => {
  const home = factsOf('<html lang=de><title>Home | Salzer &amp; Sohn</title><link rel=canonical href="https://www.salzer.example/">');
  const { facts } = build([firstFacts(home, 'site-backup.zip')]).tables;
  expect(facts['']).toEqual({ siteName: 'Salzer & Sohn', nameSure: false, mainAddress: 'https://www.salzer.example', language: 'de' });
  expect(build([firstFacts(undefined, 'My Club.zip')]).tables.facts['']?.mainAddress).toBe('https://my-club.example');
  expect(build([firstFacts(undefined, 'My Club.zip', ['/map.xml', 'https://club.example/map.xml'])]).tables.facts['']?.mainAddress).toBe(
    'https://club.example',
  );
});

describe('rules in another order', () => {
  const at = (ids: readonly string[]): SiteDocument =>
    applyChange(emptyDocument(), all(ids.flatMap((id, order) => [set('rules', id, 'path', id), set('rules', id, 'order', order * 3)])));
  const order = (document: SiteDocument): string[] => pathRules(document).map(({ id }) => id);
  it('move among those that are shown; the others keep their places', () => {
    const document = at(['a', 'x', 'b', 'y', 'c']);
    expect(order(applyChange(document, movedRule(document, ['a', 'b', 'c'], 2, 0)))).toEqual(['c', 'x', 'a', 'y', 'b']);
    expect(order(applyChange(document, movedRule(document, ['a', 'b', 'c'], 0, 1)))).toEqual(['b', 'x', 'a', 'y', 'c']);
  });
  it('are all there still, and come back by undo', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.constantFrom<string[]>('a', 'b', 'c', 'd', 'e'), { minLength: 1 }),
        fc.nat(4),
        fc.nat(4),
        fc.nat(31),
        (ids, from, to, mask) => {
          const document = at(ids);
          const shown = ids.filter((_, index) => ((mask | 1) >> index) % 2 === 1);
          const change = movedRule(document, shown, from % shown.length, to % shown.length);
          const moved = applyChange(document, change);
          expect([...order(moved)].sort()).toEqual([...ids].sort());
          expect(order(moved).filter((id) => shown.includes(id))[to % shown.length]).toBe(shown[from % shown.length]);
          for (const [index, id] of ids.entries()) if (!shown.includes(id)) expect(order(moved)[index]).toBe(id);
          expect(applyChange(moved, invert(document, change))).toEqual(document);
        },
      ),
    );
  });
});
