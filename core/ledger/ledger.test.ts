import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyChange, emptyDocument, invert, set, type SiteDocument } from '../site/index.ts';
import { forSurvey, type PageRow } from '../rows/index.ts';
import { Survey } from '../survey/index.ts';
import { factsOf } from '../testing/html.ts';
import { SLOW } from '../testing/effort.ts';
import { expectInProportion } from '../testing/proportion.ts';
import {
  addressKey,
  cellChange,
  changesOf,
  dryRun,
  guessMapping,
  listedFiles,
  readBlock,
  TakenPlaces,
  readList,
  readTable,
  readySearch,
  spreadBlock,
  typedPage,
  withLinkTo,
  writeBlock,
  writeCsv,
  type LedgerColumn,
} from './index.ts';

const START = applyChange(emptyDocument(), set('facts', '', 'mainAddress', 'https://a.example'));
const PAGES = { 'index.html': '<title>Home</title>', 'a/index.html': '<title>A</title><meta name=description content="Old.">', 'b.html': '<title>=B</title>' };
const rowsOf = (document: SiteDocument): PageRow[] =>
  new Survey(
    document,
    Object.keys(PAGES).map((path) => ({ path, hash: path, size: 1, modified: undefined })),
    Object.entries(PAGES).map(([id, html]) => ({ id, read: forSurvey(factsOf(html)) })),
    { robots: undefined, maps: {} },
    undefined,
    () => 0,
  ).rows();
/** windows-1252, as a spreadsheet of the western world writes it. */
const western = (text: string): Uint8Array =>
  Uint8Array.from([...text].map((character) => ({ '€': 0x80, '“': 0x93, '”': 0x94, '–': 0x96 })[character] ?? character.charCodeAt(0)));

describe('a cell', () => {
  const row = rowsOf(START)[1] as PageRow;
  const put = (column: LedgerColumn, text: string, document = START) => cellChange(row, document, column, text, new TakenPlaces(rowsOf(document)));
  it('becomes a change, or says why not', () => {
    expect(put('title', ' New \n title ')).toEqual({ change: set('pages', 'a/index.html', 'title', 'New title') });
    expect(put('title', 'A')).toEqual({ change: undefined });
    expect(put('kind', 'Posts')).toEqual({ change: set('pages', 'a/index.html', 'kind', 'post') });
    expect(put('kind', 'nonsense')).toEqual({ fault: 'no-such-kind' });
    expect(put('intent', 'noindex')).toEqual({ change: set('pages', 'a/index.html', 'intent', 'out') });
    expect(put('ending', 'x y')).toEqual({ fault: 'ending-characters' });
    expect(put('words', '3')).toEqual({ fault: 'not-editable' });
  });
  it('emptied gives the page its own word back, and empties it only the second time', () => {
    expect(put('title', '', applyChange(START, set('pages', 'a/index.html', 'title', 'Mine')))).toEqual({
      change: set('pages', 'a/index.html', 'title', null),
    });
    expect(put('title', '')).toEqual({ change: set('pages', 'a/index.html', 'title', '') });
  });
});

describe('a block', () => {
  it('written and read again is the same', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 4 }).chain((width) =>
          fc.array(fc.array(fc.string({ unit: fc.constantFrom('a', '"', '\t', '\n', ' ', 'é') }), { minLength: width, maxLength: width }), {
            minLength: 1,
            maxLength: 5,
          }),
        ),
        (cells) => {
          expect(readBlock(writeBlock(cells))).toEqual(cells);
        },
      ),
    );
  });
  it('takes quotes that quote nothing as they stand', () =>
    expect(readBlock('"Old" books\tx\r\ny\tz')).toEqual([
      ['"Old" books', 'x'],
      ['y', 'z'],
    ]));
  it('of one cell fills a selection, a larger one begins at its corner', () => {
    const selection = { top: 2, left: 1, rows: 2, columns: 2 };
    expect(spreadBlock([['x']], selection)).toHaveLength(4);
    expect(spreadBlock([['x', 'y', 'z']], selection).map(({ row, column }) => [row, column])).toEqual([
      [2, 1],
      [2, 2],
      [2, 3],
      [3, 1],
      [3, 2],
      [3, 3],
    ]);
    expect(spreadBlock([], selection)).toEqual([]);
  });
});

describe('a table from elsewhere', () => {
  it('is read in windows-1252 with semicolons and odd names, and told so', () => {
    const read = readTable(
      western('Permalink;SEO-Titel;Meta Beschreibung;Preis\r\nhttps://old.example/a/;“Größe” – neu;;12 €\r\n/b.html;B2;"Ein; Text";\r\n/zz/;;x;\r\n'),
    );
    if (!read.ok) throw new Error(read.reason);
    const { table } = read;
    expect(table).toMatchObject({ encoding: 'windows-1252', delimiter: ';', headers: ['Permalink', 'SEO-Titel', 'Meta Beschreibung', 'Preis'] });
    const mapping = guessMapping(table);
    expect(mapping).toEqual(['address', 'title', 'description', null]);
    expect(dryRun(table, mapping, rowsOf(START), START).refused).toEqual([
      { row: 2, address: 'https://old.example/a/', why: 'other-site', host: 'old.example' },
      { row: 4, address: '/zz/', why: 'unknown' },
    ]);
    const run = dryRun(table, mapping, rowsOf(START), START, 'old.example');
    expect(run.changes.map(({ page, column, before, after }) => [page, column, before, after])).toEqual([
      ['a/index.html', 'title', 'A', '“Größe” – neu'],
      ['b.html', 'title', '=B', 'B2'],
      ['b.html', 'description', '', 'Ein; Text'],
    ]);
    expect([run.refused, run.same]).toEqual([[{ row: 4, address: '/zz/', why: 'unknown' }], 1]);
    const done = applyChange(START, changesOf(run));
    expect(rowsOf(done).map((row) => row.title)).toEqual(['Home', '“Größe” – neu', 'B2']);
    expect(applyChange(done, invert(START, changesOf(run)))).toEqual(START);
  });
  it('takes one row a page, and none that a query tells from the page', () => {
    const read = readTable(
      new TextEncoder().encode('url,title\n/a/,One\nhttps://www.a.example/a/index.html,Two\n/?p=12,Three\n/?,House\n/b,Four\n/b.html#x,Five\n'),
    );
    if (!read.ok) throw new Error(read.reason);
    const run = dryRun(read.table, guessMapping(read.table), rowsOf(START), START);
    expect(run.changes.map(({ page, after }) => [page, after])).toEqual([
      ['a/index.html', 'One'],
      ['index.html', 'House'],
      ['b.html', 'Four'],
    ]);
    expect(run.refused).toEqual([
      { row: 3, address: 'https://www.a.example/a/index.html', why: 'twice', first: 2 },
      { row: 4, address: '/?p=12', why: 'query' },
      { row: 7, address: '/b.html#x', why: 'twice', first: 6 },
    ]);
  });
  it('finds the address by what stands in it, where no name tells', () => {
    expect(
      guessMapping({
        headers: ['x', 'y'],
        rows: [
          ['Hello', '/a/'],
          ['You', 'https://a.example/b'],
        ],
      }),
    ).toEqual([null, 'address']);
  });
  it.each<[string, string | Uint8Array, readonly string[], readonly string[]]>([
    ['a line that names its delimiter', 'sep=;\r\nurl;title\r\n/a/;One, two\r\n', ['url', 'title'], ['/a/', 'One, two']],
    ['notes before the names', 'Made by the agency\n"3 May, 2026"\n\nURL,New title\n/a/,One\n', ['URL', 'New title'], ['/a/', 'One']],
    ['quotes behind blanks', 'url, title\n/a/, "One, ""two"" x"\n', ['url', 'title'], ['/a/', 'One, "two" x']],
    ['UTF-16 without its mark', new Uint8Array([...'url\ttitle\n/a/\tÖne\n'].flatMap((sign) => [sign.charCodeAt(0), 0])), ['url', 'title'], ['/a/', 'Öne']],
    ['UTF-16 the other way round', new Uint8Array([...'url\ttitle\n/a/\tOne\n'].flatMap((sign) => [0, sign.charCodeAt(0)])), ['url', 'title'], ['/a/', 'One']],
    ['a title like a name in the first row', 'url,title\n/title,Page title\n', ['url', 'title'], ['/title', 'Page title']],
  ])('reads %s', (_, content, headers, row) => {
    const read = readTable(typeof content === 'string' ? new TextEncoder().encode(content) : content);
    expect(read.ok && [read.table.headers, read.table.rows[0]]).toEqual([headers, row]);
  });
  it('the row of the names is chosen, and rows are counted from there', () => {
    const read = readTable(new TextEncoder().encode('a,b\nurl,title\n/zz/,One\n'), { preamble: 1 });
    if (!read.ok) throw new Error(read.reason);
    expect(read.table.headers).toEqual(['url', 'title']);
    expect(dryRun(read.table, guessMapping(read.table), rowsOf(START), START).refused).toEqual([{ row: 3, address: '/zz/', why: 'unknown' }]);
  });
  it.each<[readonly string[], string, string | undefined]>([
    [['URL', 'Title', 'SEO title', 'Description', 'Meta description'], 'SEO title', 'Meta description'],
    [['URL', 'Current title', 'New title', 'New description', 'Old description'], 'New title', 'New description'],
    [['URL', 'Meta title', 'Title'], 'Meta title', undefined],
    [['URL', 'Title', 'Meta title', 'New meta title'], 'New meta title', undefined],
    [['Adresse', 'Titel', 'SEO-Titel', 'Bisherige Beschreibung', 'Neue Beschreibung'], 'SEO-Titel', 'Neue Beschreibung'],
    [['Seite', 'Aktueller Titel', 'Neuer Titel'], 'Neuer Titel', undefined],
    [['Adresse', 'Titre', 'Nouveau titre', 'Description actuelle', 'Nouvelle description'], 'Nouveau titre', 'Nouvelle description'],
    [['Página', 'Título actual', 'Título nuevo', 'Descripción nueva', 'Descripción'], 'Título nuevo', 'Descripción nueva'],
    [['URL', 'Product title', 'Title'], 'Title', undefined],
    [['URL', 'Title', 'Description'], 'Title', 'Description'],
  ])('of several titles and descriptions takes what is to go out: %s', (headers, title, description) => {
    const mapping = guessMapping({ headers, rows: [] });
    const named = (meaning: string): string | undefined => headers[mapping.indexOf(meaning as 'title')];
    expect([named('title'), named('description')]).toEqual([title, description]);
    expect(mapping[0]).toBe('address');
  });
  it('that is none is refused with the reason', () => {
    expect(readTable(new Uint8Array())).toEqual({ ok: false, reason: 'empty' });
    expect(readTable(new Uint8Array([80, 0, 80]))).toEqual({ ok: false, reason: 'no-table' });
  });
  it.each([
    ['https://a.example/x/index.html#q', '/x'],
    ['https://a.example/x/index.html?q', '/x?q'],
    ['x/', '/x'],
    ['/x.html', '/x'],
    ['/', '/'],
    ['/caf%C3%A9/', '/café'],
  ])('%s is compared as %s', (address, key) => expect(addressKey(address)).toBe(key));
  it('our own comes back without a change', () => {
    const csv = writeCsv(rowsOf(START), START, ['address', 'title', 'description', 'kind', 'intent', 'ending'], 'https://a.example');
    expect(csv).toContain("'=B");
    const read = readTable(new TextEncoder().encode(csv));
    if (!read.ok) throw new Error(read.reason);
    const run = dryRun(read.table, guessMapping(read.table), rowsOf(START), START);
    expect([run.changes, run.refused, run.faults]).toEqual([[], [], []]);
  });
});

describe('a list of addresses', () => {
  const read = (text: string) => readList(new TextEncoder().encode(text));
  const list = (text: string) => read(text).pages;
  it('keeps queries apart, tells other sites by name, and what it leaves out', () => {
    const { pages, others, repeats, noPages } = read(
      [
        'https://a.example/',
        'https://a.example/?p=12',
        'https://www.a.example/?p=13',
        'https://a.example/shop?id=3&c=4',
        'https://a.example/shop?id=3&c=4',
        'https://other.example/x/',
        'https://other.example/y/',
        'https://third.example/',
        '/über-uns/',
        '/a.pdf',
        'nonsense',
      ].join('\n'),
    );
    expect([others, repeats, noPages]).toEqual([
      [
        { host: 'other.example', count: 2 },
        { host: 'third.example', count: 1 },
      ],
      1,
      2,
    ]);
    const files = listedFiles(pages);
    expect(files.map(({ path, address }) => [path, address])).toEqual([
      ['index.html', undefined],
      ['~p=12.html', '/?p=12'],
      ['~p=13.html', '/?p=13'],
      ['shop~id=3&c=4.html', '/shop?id=3&c=4'],
      ['über-uns/index.html', undefined],
    ]);
    expect(factsOf(files[0]?.html ?? '').anchors.map(({ href }) => href)).toEqual(['/?p=12', '/?p=13', '/shop?id=3&c=4', '/%C3%BCber-uns/']);
  });
  it('is lines, a table or a sitemap; repeats and what is no page are left out', () => {
    expect(list('https://a.example/\n/about\n/about/\nnot one\n/x.pdf\n/c.html').map((page) => page.address)).toEqual([
      'https://a.example/',
      '/about',
      '/c.html',
    ]);
    expect(list('url,title,meta description\nhttps://a.example/x/,X | A,About x\n')).toEqual([
      { address: 'https://a.example/x/', title: 'X | A', description: 'About x' },
    ]);
    expect(
      list('<urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9"><url><loc>https://a.example/m/</loc></url></urlset>').map((page) => page.address),
    ).toEqual(['https://a.example/m/']);
    expect(list('')).toEqual([]);
  });
  it('becomes files that say what is known, and a home page in any case', () => {
    const files = listedFiles([{ address: 'https://a.example/box-making', title: 'Boxes & more | A', description: '"Made"' }]);
    expect(files.map((file) => file.path)).toEqual(['index.html', 'box-making/index.html']);
    const facts = factsOf(files[1]?.html ?? '');
    expect([facts.titles[0]?.text, facts.headings[0]?.text, facts.metas.find((meta) => meta.name === 'description')?.content]).toEqual([
      'Boxes & more | A',
      'Boxes & more',
      '"Made"',
    ]);
    const home = factsOf(files[0]?.html ?? '');
    expect([home.linkTags[0]?.href, home.anchors.map((anchor) => [anchor.href, anchor.text])]).toEqual([
      'https://a.example/',
      [['/box-making/', 'Boxes & more']],
    ]);
  });
});

describe('find and replace', () => {
  const replaced = (text: string, find: string, replace: string, how: Partial<{ regular: boolean; matchCase: boolean; wholeWords: boolean }> = {}) => {
    const ready = readySearch({ find, replace, regular: false, matchCase: false, wholeWords: false, ...how });
    return ready.ok ? ready.apply(text) : ready.reason;
  };
  it('takes plain text as it stands', () => {
    expect(replaced('A.B a.b AXB', 'a.b', '$1')).toBe('$1 $1 AXB');
    expect(replaced('Box box', 'box', 'case', { matchCase: true })).toBe('Box case');
    expect(replaced('nothing', 'x', 'y')).toBeUndefined();
  });
  it('knows whole words, of any script, side by side too', () => {
    expect(replaced('art art party art, Wörter', 'art', 'X', { wholeWords: true })).toBe('X X party X, Wörter');
    expect(replaced('größe größer', 'größe', 'Maß', { wholeWords: true })).toBe('Maß größer');
  });
  it('knows groups, and what is no pattern', () => {
    expect(replaced('Box | Bindery', '(\\w+) \\| (\\w+)', '$2 – $1', { regular: true })).toBe('Bindery – Box');
    expect(replaced('x', '(', 'y', { regular: true })).toBe('pattern');
    expect(replaced('Box | Bindery', '(?<what>\\w+) \\| (?<who>\\w+)', '$<who>: ${what} $$1', { regular: true })).toBe('Bindery: Box $1');
    expect(replaced('x', '', 'y')).toBe('empty');
  });
  it.each<[string, string, string, string]>([
    ['letters of any script', 'Größe in Köln', '\\w+', 'XX in XX'.replace('in', 'XX')],
    ['all that is none', 'Größe, Köln', '\\W+', 'GrößeXXKöln'],
    ['letters in a class', 'naïve-café x', '[\\w-]+', 'XX XX'],
    ['edges at both ends', 'Kunst, Künste, kunstvoll', '\\b[Kk]unst\\b', 'XX, Künste, kunstvoll'],
    ['an edge in front', 'größe übergröße', '\\bgr', 'XXöße übergröße'],
    ['words with marks', 'किताब किताबें', '\\bकिताब\\b', 'XX किताबें'],
    ['a backslash and a letter are no edge', 'a\\b', '\\\\b', 'aXX'],
  ])('knows %s', (_, text, find, wanted) => expect(replaced(text, find, 'XX', { regular: true })).toBe(wanted));
  it.each<[string, string, string, number]>([
    ['(a', 'x', 'bracket-open', 0],
    ['a)', 'x', 'bracket-closed', 0],
    ['ab[c', 'x', 'class-open', 2],
    ['ab|*', 'x', 'nothing-to-repeat', 3],
    ['ab**', 'x', 'repeat-twice', 2],
    ['a(?=b)', 'x', 'not-known', 1],
    ['ab\\', 'x', 'backslash-last', 2],
    ['(a)\\1', 'x', 'escape', 3],
    ['[z-a]', 'x', 'range', 1],
    ['a{2000}', 'x', 'count', 1],
    ['(a)', 'y $2', 'no-such-group', 2],
    ['(?<n>a)', '$<m>', 'no-such-group', 0],
    ['a\\bb', 'x', 'edge-inside', 1],
  ])('tells what is wrong with %s, and where', (find, replace, fault, at) => {
    const ready = readySearch({ find, replace, regular: true, matchCase: false, wholeWords: false });
    expect(ready.ok ? undefined : ready).toMatchObject({ reason: 'pattern', fault, at });
  });
  it.each(['(a+)+$|(a|a)*b', '(a*)*b'])('never runs away: %s', SLOW, (find) =>
    expectInProportion({ small: 1000, times: 8, make: (size) => `${'a'.repeat(size)}!`, work: (text) => void replaced(text, find, 'x', { regular: true }) }),
  );
  it('done plainly is what splitting and joining does', () => {
    const some = fc.string({ unit: fc.constantFrom('a', 'b', '.', '$', '\\', ' ') });
    fc.assert(
      fc.property(some, fc.string({ unit: fc.constantFrom('a', 'b', '.', '$'), minLength: 1 }), some, (text, find, replace) => {
        const expected = text.split(find).join(replace);
        expect(replaced(text, find, replace, { matchCase: true }) ?? text).toBe(expected);
      }),
    );
  });
});

describe('a page that is typed in', () => {
  const typed = (address: string) =>
    typedPage({ address, title: 'Our <cups> | Potter', description: 'Cups & saucers.' }, 'potter.example', (path) => path === 'taken/index.html');
  it.each([
    ['about', 'about/index.html'],
    ['/shop/cups/', 'shop/cups/index.html'],
    ['https://potter.example/shop/cups', 'shop/cups/index.html'],
    ['https://www.potter.example/x.html', 'x.html'],
    ['über uns', 'über uns/index.html'],
  ])('%s', (address, path) => {
    const read = typed(address);
    expect(read.ok && read.file.path).toBe(path);
    expect(read.ok && read.file.html).toContain('<title>Our &lt;cups> | Potter</title>');
  });
  it.each([
    ['', 'no-address'],
    ['  ', 'no-address'],
    ['picture.png', 'no-address'],
    ['/x?y=1', 'no-address'],
    ['../up', 'no-address'],
    ['taken', 'taken'],
    ['https://other.example/x', 'other-site'],
  ])('is none: %s', (address, reason) => {
    const read = typed(address);
    if (address === '../up') expect(read.ok && read.file.path).toBe('up/index.html');
    else expect(read).toEqual({ ok: false, reason });
  });
  it('is linked from a home page of ours, and from no other', () => {
    const [home] = listedFiles([{ address: 'https://potter.example/', title: 'Potter', description: '' }]);
    const once = withLinkTo(home?.html ?? '', 'cups/index.html', { address: 'cups', title: 'Cups | Potter', description: '' });
    expect(once).toContain('<ul>\n<li><a href="/cups/">Cups</a></li>\n</ul>');
    const twice = withLinkTo(once, 'jugs/index.html', { address: 'jugs', title: '', description: '' });
    expect(twice.match(/<li>/g)).toHaveLength(2);
    expect(twice).toContain('<a href="/jugs/">Jugs</a>');
    expect(withLinkTo('<html><body><ul></ul></body></html>', 'x/index.html', { address: 'x', title: '', description: '' })).toBe(
      '<html><body><ul></ul></body></html>',
    );
  });
});
