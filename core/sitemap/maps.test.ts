import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { XMLParser, XMLValidator } from 'fast-xml-parser';
import { describe, expect, it } from 'vitest';
import { validateXML } from 'xmllint-wasm';
import { runs, SLOW } from '../testing/effort.ts';
import { expectInProportion } from '../testing/proportion.ts';
import {
  validateMap,
  isMapText,
  mapStyle,
  readSitemap,
  readW3cDate,
  SITEMAP_LIMITS,
  writeAtom,
  writeIndex,
  writeMaps,
  writeRss,
  writeSitemap,
  type FeedEntry,
  type SitemapEntry,
} from './index.ts';

const schema = (name: string) => ({ fileName: `${name}.xsd`, contents: readFileSync(new URL(`./schema/${name}.xsd`, import.meta.url), 'utf8') });
/** What a reader of schemas says of maps; empty where they are valid. */
async function faults(kind: 'sitemap' | 'index', ...maps: string[]): Promise<string[]> {
  const { errors } = await validateXML({
    xml: maps.map((contents, index) => ({ fileName: `${index}.xml`, contents })),
    schema: schema(kind),
    preload: [schema('common'), schema('image'), schema('link')],
    initialMemoryPages: 4096,
    maxMemoryPages: 32_768,
  });
  return errors.map((error) => error.message);
}

const many = (count: number): SitemapEntry[] =>
  Array.from({ length: count }, (_, index) => ({
    loc: `https://a.example/p/${index}/?a=1&b='${index}'`,
    lastmod: '2026-11-25',
    images: index % 3 === 0 ? [`https://a.example/pictures/${index}.jpg`, `https://a.example/pictures/${index}-b.jpg`] : undefined,
  }));
const SETTINGS = { origin: 'https://a.example', links: SITEMAP_LIMITS.entries, styles: ['/sitemap.xsl', '/sitemap.css'] };

describe('the schema of the protocol', () => {
  const map = (inner: string): string => `<urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9">${inner}</urlset>`;
  it.each([
    ['an address', '<url><loc>https://a.example/</loc></url>', true],
    ['nothing', '', false],
    ['no address', '<url><lastmod>2026-01-01</lastmod></url>', false],
    ['a path', '<url><loc>/a/</loc></url>', false],
    ['a long address', `<url><loc>https://a.example/${'x'.repeat(2030)}</loc></url>`, false],
    ['a date', '<url><loc>https://a.example/</loc><lastmod>2026-11</lastmod></url>', true],
    ['a time without a zone', '<url><loc>https://a.example/</loc><lastmod>2026-11-25T10:00:00</lastmod></url>', false],
    ['no date', '<url><loc>https://a.example/</loc><lastmod>today</lastmod></url>', false],
    ['another word', '<url><loc>https://a.example/</loc><changefreq>often</changefreq></url>', false],
    ['too much priority', '<url><loc>https://a.example/</loc><priority>1.5</priority></url>', false],
  ])('knows right from wrong: %s', async (_, inner, valid) => expect((await faults('sitemap', map(inner))).length === 0).toBe(valid));
  it('finds nothing against anything that is written', async () => {
    const entry = fc.record({
      loc: fc.webUrl({ withQueryParameters: true }).map((address) => new URL(address).href.replace(/[^!-~]/g, '')),
      lastmod: fc.option(fc.constantFrom('2026-11-25', '2026-11-25T10:00:00Z'), { nil: undefined }),
      images: fc.option(fc.array(fc.webUrl(), { maxLength: 3 }), { nil: undefined }),
      alternates: fc.option(fc.array(fc.record({ lang: fc.constantFrom('de', 'x-default'), href: fc.webUrl() }), { maxLength: 2 }), { nil: undefined }),
      changefreq: fc.option(fc.constantFrom('daily', 'never'), { nil: undefined }),
      priority: fc.option(fc.constantFrom(0, 0.5, 1), { nil: undefined }),
    });
    await fc.assert(
      fc.asyncProperty(fc.array(entry, { minLength: 1, maxLength: 8 }), async (entries) => {
        const { xml } = writeSitemap(entries, { styles: ['/sitemap.xsl', '/sitemap.css'] });
        expect(await faults('sitemap', xml)).toEqual([]);
        const examined = validateMap(xml, { address: undefined, now: Date.UTC(2026, 10, 26) });
        // Read again it is the same, to the last picture; doubles are no fault of the writing.
        expect(examined.ok && examined.map.issues.filter((issue) => !['loc-twice', 'loc-fragment', 'dates-same'].includes(issue.code))).toEqual([]);
        expect(examined.ok && examined.map.entries.map(({ loc, images, alternates }) => [loc, images, alternates])).toEqual(
          entries.map(({ loc, images, alternates }) => [loc, images ?? [], alternates ?? []]),
        );
      }),
      { numRuns: runs(25) },
    );
  });
});

describe('maps of a whole site', () => {
  it('50,000 addresses with pictures are one map, valid by the schema', SLOW, async () => {
    const { files, refused } = writeMaps([{ name: 'pages', entries: many(50_000) }], SETTINGS);
    expect([files.map((file) => [file.path, file.kind, file.count]), refused]).toEqual([[['sitemap.xml', 'urlset', 50_000]], []]);
    const [map] = files;
    expect(await faults('sitemap', map?.xml ?? '')).toEqual([]);
    expect(new TextEncoder().encode(map?.xml).length).toBeLessThanOrEqual(SITEMAP_LIMITS.bytes);
  });
  it('50,001 are an index and two maps, all valid', SLOW, async () => {
    const { files } = writeMaps([{ name: 'pages', entries: many(50_001) }], SETTINGS);
    expect(files.map((file) => [file.path, file.kind, file.count])).toEqual([
      ['sitemap.xml', 'index', 2],
      ['sitemap-pages.xml', 'urlset', 50_000],
      ['sitemap-pages-2.xml', 'urlset', 1],
    ]);
    const [index, ...maps] = files.map((file) => file.xml);
    expect(await faults('index', index ?? '')).toEqual([]);
    expect(await faults('sitemap', ...maps)).toEqual([]);
  });
  it('an index of 100 kinds × 3 maps names each of them once, with its latest date', async () => {
    const groups = Array.from({ length: 100 }, (_, kind) => ({
      name: `kind-${kind}`,
      entries: many(5).map((entry, at) => ({ ...entry, lastmod: `2026-01-0${at + 1}` })),
    }));
    const { files } = writeMaps(groups, { ...SETTINGS, links: 2 });
    expect(files).toHaveLength(301);
    const [index, ...maps] = files;
    expect(await faults('index', index?.xml ?? '')).toEqual([]);
    const read = readSitemap(index?.xml ?? '');
    expect(read.ok && read.sitemap.entries).toEqual(maps.map((map) => ({ loc: `https://a.example/${map.path}`, lastmod: map.latest })));
    expect(maps.map((map) => map.latest).slice(0, 3)).toEqual(['2026-01-02', '2026-01-04', '2026-01-05']);
    expect(index?.latest).toBe('2026-01-05');
  });
  it('every address stands in exactly one of them, whatever the split', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 40 }), { minLength: 1, maxLength: 5 }), fc.integer({ min: 1, max: 20 }), (sizes, links) => {
        const groups = sizes.map((size, at) => ({ name: `g${at}`, entries: many(size).map((entry) => ({ ...entry, loc: `${entry.loc}&g=${at}` })) }));
        const { files } = writeMaps(groups, { ...SETTINGS, links });
        const found = files.flatMap((file) => {
          const read = readSitemap(file.xml);
          if (!read.ok) throw new Error(read.reason);
          if (file.kind === 'urlset') expect(read.sitemap.entries.length).toBeLessThanOrEqual(links);
          return file.kind === 'urlset' ? read.sitemap.entries.map((entry) => entry.loc) : [];
        });
        expect(found.sort()).toEqual(groups.flatMap((group) => group.entries.map((entry) => entry.loc)).sort());
      }),
    );
  });
  it('no page at all is no map at all', () => expect(writeMaps([], SETTINGS)).toEqual({ files: [], refused: [] }));
  it('an address that no map can hold is handed back', () => {
    const long = { loc: `https://a.example/${'x'.repeat(2100)}`, lastmod: undefined };
    const { files, refused } = writeMaps([{ name: 'pages', entries: [long, ...many(1)] }], SETTINGS);
    expect([files[0]?.count, refused]).toEqual([1, [long]]);
  });
  it('octets are counted, not letters', () => {
    const entries = Array.from({ length: 9000 }, (_, index) => ({
      loc: `https://a.example/${index}`,
      lastmod: undefined,
      images: [`https://a.example/${'ü'.repeat(3000)}`],
    }));
    const { xml, left } = writeSitemap(entries);
    expect(new TextEncoder().encode(xml).length).toBeLessThanOrEqual(SITEMAP_LIMITS.bytes);
    expect(left.length).toBeGreaterThan(0);
  });
});

/** A schema that takes anything: what is said against a document then is that it is no XML. */
const ANY = `<xs:schema xmlns:xs="http://www.w3.org/2001/XMLSchema" targetNamespace="http://www.sitemaps.org/schemas/sitemap/0.9"><xs:element name="urlset"><xs:complexType><xs:sequence><xs:any processContents="skip" minOccurs="0" maxOccurs="unbounded"/></xs:sequence></xs:complexType></xs:element></xs:schema>`;

describe('a map looked at closely', () => {
  const NOW = Date.UTC(2026, 10, 25);
  const HEAD =
    '<urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9" xmlns:image="http://www.google.com/schemas/sitemap-image/1.1" xmlns:xhtml="http://www.w3.org/1999/xhtml">';
  const issues = (inner: string, address: string | undefined = 'https://a.example/sitemap.xml', head = HEAD): string[] => {
    const examined = validateMap(`${head}${inner}</urlset>`, { address, now: NOW });
    return examined.ok ? examined.map.issues.map((issue) => (issue.code === 'malformed' ? `malformed: ${issue.what}` : issue.code)) : [examined.reason];
  };
  const url = (loc: string, more = ''): string => `<url><loc>${loc}</loc>${more}</url>`;
  it.each<[string, string, string[]]>([
    ['a good one', url('https://a.example/'), []],
    ['nothing in it', '', ['empty']],
    ['an entry without an address', `<url></url>${url('https://a.example/')}`, ['loc-missing']],
    ['a path', url('/a/'), ['loc-relative']],
    ['another host', url('https://b.example/'), ['loc-host']],
    ['with www', url('https://www.a.example/'), ['loc-host']],
    ['http in a map by https', url('http://a.example/'), ['loc-scheme']],
    ['a space', url('https://a.example/a b'), ['loc-spaces']],
    ['letters that must be escaped', url('https://a.example/ü'), ['loc-not-ascii']],
    ['a fragment', url('https://a.example/#top'), ['loc-fragment']],
    ['twice', url('https://a.example/') + url('https://a.example/'), ['loc-twice']],
    ['too long', url(`https://a.example/${'x'.repeat(2100)}`), ['loc-long']],
    ['a bare ampersand', url('https://a.example/?a=1&b=2'), ['malformed: bare-ampersand']],
    ['an ampersand alone', url('https://a.example/?a & b'), ['malformed: bare-ampersand']],
    ['an entity of its own', url('https://a.example/&home;'), ['malformed: unknown-entity']],
    ['a character number that is none', url('https://a.example/&#x110000;'), ['malformed: bare-ampersand']],
    ['a control character', url('https://a.example/\u0001'), ['malformed: character']],
    ['the end of a CDATA section, alone', url('https://a.example/]]>'), ['malformed: character']],
    ['a prefix without a namespace', url('https://a.example/', '<video:video/>'), ['malformed: prefix']],
    ['tags that cross', '<url><loc>https://a.example/</url></loc>', ['malformed: misnested']],
    ['an attribute without quotes', '<url a=b><loc>https://a.example/</loc></url>', ['malformed: other']],
    ['an attribute twice', '<url a="b" a="c"><loc>https://a.example/</loc></url>', ['malformed: other']],
    ['a quote that the protocol wants escaped', url("https://a.example/'x'"), ['loc-unescaped']],
    ['the same, escaped', url('https://a.example/&apos;x&quot;&gt;&lt;'), []],
    ['an element of its own', url('https://a.example/', '<title>A</title>'), ['unknown-element']],
    ['an element of an index', '<sitemap><loc>https://a.example/</loc></sitemap>', ['misplaced-element', 'empty']],
    ['an address outside of an entry', '<loc>https://a.example/</loc>', ['misplaced-element', 'empty']],
    ['an entry in an entry', `<url><loc>https://a.example/</loc>${url('https://a.example/b')}</url>`, ['misplaced-element']],
    ['two addresses in one entry', '<url><loc>https://a.example/</loc><loc>https://a.example/b</loc></url>', ['element-twice']],
    ['an address in no namespace', '<url><loc xmlns="">https://a.example/</loc></url>', ['element-namespace', 'loc-missing', 'empty']],
    ['an entry in another namespace', '<x:url xmlns:x="https://x.example"><x:loc>https://a.example/</x:loc></x:url>', ['element-namespace', 'empty']],
    ['what others add', url('https://a.example/', '<x:more xmlns:x="https://x.example"><x:deep>1</x:deep></x:more>'), []],
    ['an address of several pieces', '<url><loc> https://a.example/<![CDATA[a&b]]>c<!-- no --> </loc></url>', []],
    [
      'priority in other decimals',
      ['1', '1.', '.5', '+0.50', '0', '1.000'].map((text, at) => url(`https://a.example/${at}`, `<priority>${text}</priority>`)).join(''),
      [],
    ],
    ['priority as no decimal', url('https://a.example/', '<priority>5e-1</priority>'), ['priority-bad']],
    ['twice, in two spellings', url('https://a.example/a') + url('https://a.example/%61') + url('https://a.example/b/../a'), ['loc-twice', 'loc-twice']],
    ['out of its folder, by dots', url('https://a.example/maps/../b'), []],
    ['a day that no calendar has', url('https://a.example/', '<lastmod>2026-02-30</lastmod>'), ['lastmod-bad']],
    ['a day to come', url('https://a.example/', '<lastmod>2027-01-01</lastmod>'), ['lastmod-future']],
    ['a word of its own', url('https://a.example/', '<changefreq>often</changefreq>'), ['changefreq-bad']],
    ['too much', url('https://a.example/', '<priority>10</priority>'), ['priority-bad']],
    ['a tag that is not closed', url('https://a.example/', '<lastmod>2026-01-01'), ['malformed: misnested']],
    ['a picture by its path', url('https://a.example/', '<image:image><image:loc>/a.png</image:loc></image:image>'), ['image-bad']],
    ['another language by its path', url('https://a.example/', '<xhtml:link rel="alternate" hreflang="de" href="/de/"/>'), ['alternate-bad']],
    ['a language that is none', url('https://a.example/', '<xhtml:link rel="alternate" hreflang="german_" href="https://a.example/de/"/>'), ['alternate-bad']],
    ['one date for all', Array.from({ length: 6 }, (_, at) => url(`https://a.example/${at}`, '<lastmod>2026-01-01</lastmod>')).join(''), ['dates-same']],
  ])('%s', (_, inner, expected) => expect(issues(inner).sort()).toEqual([...expected].sort()));
  it('knows the protocol’s namespace, prefixes, and other encodings', () => {
    expect(issues(url('https://a.example/'), undefined, '<urlset>')).toEqual(['namespace']);
    expect(issues(url('https://a.example/'), undefined, `<?xml version="1.0" encoding="ISO-8859-1"?>${HEAD}`)).toEqual(['encoding']);
    const prefixed =
      '<s:urlset xmlns:s="http://www.sitemaps.org/schemas/sitemap/0.9"><s:url><s:loc>https://a.example/</s:loc><s:lastmod>2026-01-01</s:lastmod></s:url></s:urlset>';
    const examined = validateMap(prefixed, { address: undefined, now: NOW });
    expect(examined).toMatchObject({ ok: true, map: { issues: [], entries: [{ loc: 'https://a.example/', lastmod: '2026-01-01' }] } });
    expect(readSitemap(prefixed)).toMatchObject({ ok: true, sitemap: { entries: [{ loc: 'https://a.example/' }] } });
  });
  it('reads nothing inside comments, and keeps places as they are', () => {
    const xml = `${HEAD}<!-- <url><loc>https://a.example/old</loc></url>\n -->\n${url('https://b.example/')}</urlset>`;
    const examined = validateMap(xml, { address: 'https://a.example/sitemap.xml', now: NOW });
    expect(examined.ok && examined.map.entries.map((entry) => entry.loc)).toEqual(['https://b.example/']);
    expect(examined.ok && xml.slice(examined.map.issues[0]?.place).startsWith('<url><loc>https://b.example/')).toBe(true);
  });
  it('reads a plain list of addresses, line by line, with or without a mark at its beginning', () => {
    const list = '\ufeffhttps://a.example/\r\n\r\n  https://a.example/b/\nhttps://b.example/\nfour\n';
    const examined = validateMap(list, { address: 'https://a.example/urls.txt', now: NOW });
    if (!examined.ok) throw new Error(examined.reason);
    expect(examined.map).toMatchObject({ kind: 'urlset', form: 'list' });
    expect(examined.map.entries.map(({ loc }) => loc)).toEqual(['https://a.example/', 'https://a.example/b/', 'https://b.example/', 'four']);
    expect(examined.map.issues.map(({ code, place }) => [code, list.slice(place).split('\n')[0]])).toEqual([
      ['loc-host', 'https://b.example/'],
      ['loc-relative', 'four'],
    ]);
    expect(readSitemap(list)).toMatchObject({ ok: true, sitemap: { kind: 'urlset', cut: false, entries: { length: 4 } } });
    expect([isMapText(list), isMapText('Just words.'), isMapText('<html>https://a.example/')]).toEqual([true, false, false]);
  });
  it('lists only what lies below its folder, unless robots.txt names it', () => {
    const xml = `${HEAD}${url('https://a.example/x')}</urlset>`;
    const look = (named: boolean) => validateMap(xml, { address: 'https://a.example/maps/sitemap.xml', named, now: NOW });
    const codes = (examined: ReturnType<typeof look>) => (examined.ok ? examined.map.issues.map((issue) => issue.code) : []);
    expect([codes(look(false)), codes(look(true))]).toEqual([['loc-folder'], []]);
  });
  it('says where it is broken, by line and column, and takes nothing behind it', () => {
    const xml = `<?xml version="1.0"?>\n${HEAD}\n${url('https://a.example/1')}\n${url('https://a.example/?a&b')}\n${url('https://a.example/2')}</urlset>`;
    const examined = validateMap(xml, { address: undefined, now: NOW });
    if (!examined.ok) throw new Error(examined.reason);
    const [issue] = examined.map.issues;
    expect(issue).toMatchObject({ code: 'malformed', what: 'bare-ampersand', line: 4 });
    expect(xml.slice(xml.lastIndexOf('\n', issue?.place) + 1, issue?.place)).toMatch(/^<url><loc>https:\/\/a\.example\/\?a$/);
    expect(examined.map.entries.map(({ loc }) => loc)).toEqual(['https://a.example/1']);
    // Whoever reads the map for its addresses takes none of them.
    expect(readSitemap(xml)).toMatchObject({ ok: false, reason: 'malformed' });
  });
  it('is as strict as another reader of the standard', async () => {
    const piece = fc.constantFrom(
      '<a>',
      '</a>',
      '<b x="1>2">',
      '</b>',
      '<c/>',
      'text',
      '<![CDATA[<x>]]>',
      '<?pi?>',
      '<!-- x -->',
      '<!-- -- -->',
      '&amp;',
      '&x;',
      '&',
      '&#65;',
      '&#1;',
      ']]>',
      '<d x="<"/>',
      "<e x='1' x='2'/>",
      '<x:f xmlns:x="y"/>',
      '<g x=1/>',
      '\u0002',
      '<',
      '>',
      '<?xml version="1.0"?>',
    );
    await fc.assert(
      fc.asyncProperty(
        fc.array(piece, { maxLength: 6 }),
        fc.constantFrom('', '<?xml version="1.0" encoding="UTF-8"?>\n', ' <?xml version="1.0"?>', '<!-- a -->', 'x'),
        fc.constantFrom('', ' ', '<!-- -->', 'x', '<urlset/>'),
        async (pieces, before, after) => {
          const xml = `${before}${HEAD}${url('https://a.example/')}<more>${pieces.join('')}</more></urlset>${after}`;
          const { errors } = await validateXML({ xml: [{ fileName: 'a.xml', contents: xml }], schema: [{ fileName: 'any.xsd', contents: ANY }] });
          const wellFormed = !errors.some(({ message }) => /parser error/i.test(message));
          expect({ xml, ok: readSitemap(xml).ok }).toEqual({ xml, ok: wellFormed });
        },
      ),
      { numRuns: runs(150) },
    );
  });
  it.each(['<url><loc>', '<!--', '<a ', '&', '<url><loc>x</loc></url>'])('takes linear time for anything: %s', SLOW, (unit) =>
    expectInProportion({
      small: 12_000,
      times: 8,
      make: (count) => `${HEAD}${unit.repeat(count)}</urlset>`,
      work: (xml) => void validateMap(xml, { address: undefined, now: NOW }),
    }),
  );
});

it.each([
  ['2026', Date.UTC(2026, 0, 1)],
  ['2026-11', Date.UTC(2026, 10, 1)],
  ['2026-11-25', Date.UTC(2026, 10, 25)],
  ['2026-11-25T10:00Z', Date.UTC(2026, 10, 25, 10)],
  ['2026-11-25T10:00:30.5+01:00', Date.UTC(2026, 10, 25, 9, 0, 30, 500)],
  ['2026-11-25T10:00:00', undefined],
  ['2026-11-25 10:00', undefined],
  ['2026-13-01', undefined],
  ['2026-02-30', undefined],
  ['25.11.2026', undefined],
])('%s as a W3C datetime', (text, time) => expect(readW3cDate(text)).toBe(time));

describe('feeds', () => {
  const head = { title: 'Quill & Feather', description: '', home: 'https://a.example/', self: 'https://a.example/rss.xml', language: 'en', author: 'Maren' };
  const entry = (at: number, change: Partial<FeedEntry> = {}): FeedEntry => ({
    title: `Post ${at} <b>`,
    address: `https://a.example/${at}/?a=1&b=2`,
    description: 'What it says.',
    published: Date.UTC(2026, 0, at),
    updated: Date.UTC(2026, 1, at),
    author: undefined,
    ...change,
  });
  it('hold the latest twenty, newest first, escaped, with the dates that each form wants', () => {
    const entries = Array.from({ length: 25 }, (_, at) => entry(at + 1));
    const rss = new XMLParser().parse(writeRss(head, entries)) as {
      rss: { channel: { title: string; item: { title: string; link: string; pubDate: string }[] } };
    };
    expect(rss.rss.channel.item).toHaveLength(20);
    expect(rss.rss.channel.item[0]).toMatchObject({ title: 'Post 25 <b>', link: 'https://a.example/25/?a=1&b=2', pubDate: 'Sun, 25 Jan 2026 00:00:00 +0000' });
    const atom = new XMLParser().parse(writeAtom(head, entries)) as { feed: { updated: string; entry: { id: string; updated: string }[] } };
    expect(atom.feed.entry).toHaveLength(20);
    expect([atom.feed.updated, atom.feed.entry[0]?.updated]).toEqual(['2026-02-25T00:00:00.000Z', '2026-02-25T00:00:00.000Z']);
  });
  it('keep the rules of their standards, whatever they are given', () => {
    const words = fc.oneof(fc.string({ unit: 'binary', maxLength: 12 }), fc.constantFrom('', ' ', 'A & <b>', '\u0000'));
    const some = fc.array(
      fc.record({
        title: words,
        address: fc.constantFrom('https://a.example/1/', 'https://a.example/2/?a&b', 'https://a.example/3/'),
        description: words,
        published: fc.integer({ min: 0, max: 4e12 }),
        updated: fc.integer({ min: 0, max: 4e12 }),
        author: fc.option(words, { nil: undefined }),
      }),
      { minLength: 1, maxLength: 6 },
    );
    const language = fc.constantFrom(undefined, 'en', 'de-AT', 'English, I think', '');
    const list = <T>(one: T | T[] | undefined): T[] => (one === undefined ? [] : Array.isArray(one) ? one : [one]);
    const read = (xml: string) =>
      new XMLParser({ ignoreAttributes: false, parseTagValue: false, trimValues: false, isArray: (name) => ['item', 'entry', 'link'].includes(name) }).parse(
        xml,
      ) as Record<string, never>;
    fc.assert(
      fc.property(words, words, words, language, some, (title, description, author, lang, entries) => {
        const about = { ...head, title, description, author, language: lang };
        const { channel } = (read(writeRss(about, entries)) as unknown as { rss: { channel: Record<string, string> & { item: Record<string, string>[] } } })
          .rss;
        // RSS 2.0: title, link and description of the channel; of an item a title or a description, a guid of its own, a date of RFC 822.
        for (const name of ['title', 'description']) expect(String(channel[name]).trim()).not.toBe('');
        expect(list(channel['link'] as unknown)[0]).toBe('https://a.example/');
        if (channel['language'] !== undefined) expect(channel['language']).toMatch(/^[a-z]{2}(-[A-Z]{2})?$/);
        const guids = channel.item.map((item) => (item['guid'] as unknown as { '#text': string })['#text']);
        expect(new Set(guids).size).toBe(guids.length);
        for (const item of channel.item) {
          expect(String(item['title']).trim()).not.toBe('');
          expect(item['pubDate']).toMatch(
            /^(Mon|Tue|Wed|Thu|Fri|Sat|Sun), \d\d (Jan|Feb|Mar|Apr|May|Jun|Jul|Aug|Sep|Oct|Nov|Dec) \d{4} \d\d:\d\d:\d\d \+0000$/,
          );
          // Read as HTML, as readers do, a description has no element in it.
          expect(item['description'] ?? '').not.toMatch(/<[a-z]/i);
        }
        const { feed } = read(writeAtom(about, entries)) as unknown as { feed: Record<string, unknown> & { entry: Record<string, unknown>[] } };
        // RFC 4287, 4.1.1 and 4.1.2: one id, title and updated each; an author with a name; a link; ids that differ.
        for (const one of [feed, ...feed.entry]) {
          for (const name of ['id', 'title', 'updated']) expect([name, String(one[name]).trim()]).not.toEqual([name, '']);
          expect(String(one['updated'])).toMatch(/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d\.\d{3}Z$/);
          expect(list(one['link']).length).toBeGreaterThan(0);
          if (one['author'] !== undefined) expect(String((one['author'] as { name: string }).name).trim()).not.toBe('');
        }
        expect(feed['author']).toBeDefined();
        const ids = [feed, ...feed.entry].map((one) => String(one['id']));
        expect(new Set(ids).size).toBe(ids.length);
        expect(Date.parse(String(feed['updated']))).toBe(Math.max(...feed.entry.map((one) => Date.parse(String(one['updated'])))));
      }),
      { numRuns: runs(200) },
    );
  });
  it('are well formed whatever the words', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'binary' }), fc.string({ unit: 'grapheme' }), (title, description) => {
        for (const feed of [
          writeRss({ ...head, title }, [entry(1, { title, description })]),
          writeAtom({ ...head, title }, [entry(1, { title, description })]),
        ])
          expect(XMLValidator.validate(feed)).toBe(true);
      }),
    );
  });
});

it('the style sheet is well formed, whatever the site is called', async () => {
  const style = mapStyle('Quill & <Feather>', 'en');
  expect(XMLValidator.validate(style)).toBe(true);
  expect(style).toContain('Quill &amp; &lt;Feather&gt;');
});

it('an index is written with what it is given', () => {
  expect(readSitemap(writeIndex([{ loc: 'https://a.example/1.xml?a&b', lastmod: undefined }]))).toMatchObject({
    ok: true,
    sitemap: { kind: 'index', entries: [{ loc: 'https://a.example/1.xml?a&b', lastmod: undefined }] },
  });
});
