import { describe, expect, it } from 'vitest';
import { all, applyChange, emptyDocument, set } from '../site/index.ts';
import { identityGaps, identityGraph } from '../structured-data/index.ts';
import { factsOf } from '../testing/html.ts';
import { patchPage, readSource } from '../page/index.ts';
import { decodeSource } from '../source/index.ts';
import { compareWithRelease, editsFor, headerServerRules, hostingOf, generatedFiles, sitemapPage, sourceDiff, type Template } from './index.ts';

const document = applyChange(
  emptyDocument(),
  all([
    set('facts', '', 'mainAddress', 'https://a.example'),
    set('facts', '', 'siteName', 'Bindery'),
    set('facts', '', 'ownerName', 'Quill & Feather'),
    set('facts', '', 'logo', '/logo.svg'),
    set('facts', '', 'profiles', 'https://b.example/q\nnot an address'),
    set('claims', 'skerry', 'name', 'skerry-proof'),
    set('claims', 'skerry', 'content', 'code-1234567890'),
    set('pages', 'p.html', 'title', '  Two   spaces '),
    set('pages', 'p.html', 'intent', 'out'),
  ]),
);
const edits = (html: string, id = 'p.html', isHome = false) =>
  editsFor(
    document,
    { id, kind: 'page', isHome, facts: factsOf(html) },
    factsOf(html),
    undefined,
    isHome ? { graph: identityGraph(document), without: false } : undefined,
  );

describe('edits', () => {
  it('are only what the page does not say already', () => {
    expect(edits('<p>')).toEqual([
      { kind: 'title', text: 'Two spaces' },
      { kind: 'noindex', on: true },
    ]);
    expect(edits('<title>Two spaces</title><meta name=robots content=noindex>')).toEqual([]);
    expect(edits('<p>', 'other.html')).toEqual([]);
  });
  it('put proof and identity on the home page alone', () => {
    expect(edits('<p>', 'index.html', true).map((edit) => edit.kind)).toEqual(['meta', 'json-ld']);
  });
});

describe('a second proof of a name', () => {
  const again = (html: string) => {
    const both = applyChange(document, all([set('claims', 'skerry 2', 'name', 'skerry-proof'), set('claims', 'skerry 2', 'content', 'agency-9876543210')]));
    const source = decodeSource(new TextEncoder().encode(html));
    const reading = readSource(source);
    if (!reading.ok) throw new Error('unreadable');
    const page = { id: 'index.html', kind: 'page' as const, isHome: true, facts: reading.facts };
    const patched = patchPage(source, reading.facts, editsFor(both, page, reading.facts));
    return patched.ok ? new TextDecoder().decode(patched.bytes).match(/(?<=skerry-proof" content=")[^"]*/g) : undefined;
  };
  it('stands beside the first, and beside one that the page came with', () => {
    expect(again('<html><head><title>x</title></head><p>x</html>')).toEqual(['code-1234567890', 'agency-9876543210']);
    const own = '<html><head><meta name="skerry-proof" content="own-5555555555"></head><p>x</html>';
    expect([...(again(own) ?? [])].sort()).toEqual(['agency-9876543210', 'code-1234567890', 'own-5555555555']);
    expect(again('<html><head><meta name="skerry-proof" content="agency-9876543210"></head><p>x</html>')?.sort()).toEqual([
      'agency-9876543210',
      'code-1234567890',
    ]);
  });
});

describe('identity', () => {
  it('is one graph of an owner and a web site, joined by ids', () => {
    const graph = identityGraph(document);
    expect(graph?.['@graph']).toEqual([
      {
        '@type': 'Organization',
        '@id': 'https://a.example/#organization',
        name: 'Quill & Feather',
        url: 'https://a.example/',
        logo: { '@type': 'ImageObject', url: 'https://a.example/logo.svg' },
        sameAs: ['https://b.example/q'],
      },
      {
        '@type': 'WebSite',
        '@id': 'https://a.example/#website',
        url: 'https://a.example/',
        name: 'Bindery',
        publisher: { '@id': 'https://a.example/#organization' },
      },
    ]);
  });
  it('says what it still needs', () => expect(identityGaps(emptyDocument())).toEqual(['site-name', 'owner-name', 'main-address']));
});

describe('what waits', () => {
  const one = { hash: 'a', edits: [] };
  it('is told by sources, edits and our own files', () => {
    const last = { files: { 'a.html': one, 'b.html': one, 'c.html': one, 'robots.txt': one }, own: { 'sitemap.xml': 'old' } };
    const now = {
      files: { 'a.html': { hash: 'a', edits: [{ kind: 'title', text: 'x' } as const] }, 'b.html': one, 'd.html': one, 'robots.txt': one },
      own: { 'robots.txt': 'new', 'sitemap.xml': 'new' },
    };
    expect(compareWithRelease(now, last).map(({ path, what }) => [path, what])).toEqual([
      ['a.html', 'changed'],
      ['c.html', 'gone'],
      ['d.html', 'new'],
      ['robots.txt', 'changed'],
      ['sitemap.xml', 'changed'],
    ]);
    expect(compareWithRelease(now, now)).toEqual([]);
    expect(compareWithRelease(now, undefined)).toHaveLength(5);
  });
  it('is also what the host is told beside the files', () => {
    const told = applyChange(document, all([set('visitors', '', 'audience', 'restricted'), set('visitors', '', 'password', 'linen')]));
    const now = { files: {}, own: {}, hosting: hostingOf(told) };
    expect(compareWithRelease(now, { files: {}, own: {} }).map(({ path, hosting }) => [path, hosting])).toEqual([['visitors', true]]);
    expect(compareWithRelease(now, now)).toEqual([]);
    // Another password is another setting; opening it to everybody is one too.
    expect(compareWithRelease({ ...now, hosting: hostingOf(applyChange(told, set('visitors', '', 'password', 'thread'))) }, now)).toHaveLength(1);
    expect(compareWithRelease({ files: {}, own: {}, hosting: hostingOf(document) }, now)).toHaveLength(1);
    expect(hostingOf(document)).toEqual({});
  });
  it('has no robots.txt of ours while the site’s own will do', () => {
    const imported = { robots: 'User-agent: *\n', maps: { 'sitemap.xml': '<urlset/>' } };
    expect(generatedFiles(document, imported, {}, () => false)).toEqual({});
    expect(
      Object.keys(generatedFiles(document, { ...imported, robots: 'Sitemap: https://a.example/sitemap.xml' }, { 'sitemap.xml': '<urlset/>' }, () => false)),
    ).toEqual([]);
    expect(Object.keys(generatedFiles(document, { robots: undefined, maps: {} }, { 'sitemap.xml': '<urlset/>' }, () => false))).toEqual([
      'robots.txt',
      'sitemap.xml',
    ]);
  });
  it('is shown as a difference in lines', () => {
    expect(sourceDiff('a\nb\nc\n', 'a\nB\nc\n')).toEqual([{ oldStart: 1, newStart: 1, lines: [' a', '-b', '+B', ' c'] }]);
    expect(sourceDiff('same', 'same')).toEqual([]);
  });
});

describe('headers for files', () => {
  const rules = [
    { id: '1', path: '.pdf', match: 'ends' as const, values: ['noindex', 'PloverBot: noarchive'] },
    { id: '2', path: 'staff', match: 'below' as const, values: ['noindex'] },
    { id: '3', path: 'a"b', match: 'contains' as const, values: [] },
  ];
  it('are written for the common web servers', () => {
    expect(headerServerRules(rules, 'htaccess')).toBe(
      '<IfModule mod_headers.c>\n<If "%{REQUEST_URI} =~ m#\\.pdf$#i">\n  Header add X-Robots-Tag "noindex"\n  Header add X-Robots-Tag "PloverBot: noarchive"\n</If>\n<If "%{REQUEST_URI} =~ m#^/staff/.#i">\n  Header add X-Robots-Tag "noindex"\n</If>\n</IfModule>\n',
    );
    expect(headerServerRules(rules, 'server-block').split('\n')).toEqual([
      '# Outside the server block:',
      'map $uri $robots_tag_1 { default ""; "~*\\\\.pdf$" "noindex"; }',
      'map $uri $robots_tag_2 { default ""; "~*\\\\.pdf$" "PloverBot: noarchive"; }',
      'map $uri $robots_tag_3 { default ""; "~*^/staff/." "noindex"; }',
      '# Inside it:',
      ...[1, 2, 3].map((at) => `add_header X-Robots-Tag $robots_tag_${at} always;`),
      '',
    ]);
    expect(headerServerRules([], 'server-block')).toBe('');
    expect(headerServerRules([], 'htaccess')).toBe('');
  });
});

describe('the map for people', () => {
  const words = { address: 'https://a.example/sitemap.html', title: 'Sitemap | A & B', heading: 'Sitemap', description: 'All pages.', language: 'en' };
  const sections = [{ name: 'Pages', pages: [{ name: 'A <b>', address: '/a/?x=1&y=2' }] }];
  const template = (html: string): Template => {
    const source = decodeSource(new TextEncoder().encode(html), 'utf-8');
    const reading = readSource(source);
    if (!reading.ok) throw new Error(reading.reason);
    return { source, facts: reading.facts };
  };
  it('takes the look of the home page, and none of what that says of itself', () => {
    const page = sitemapPage(
      template(
        '<!doctype html><html lang="en"><head><meta charset="utf-8"><title>Home</title><meta name="robots" content="noindex"><meta property="og:title" content="Home"><link rel="canonical" href="https://a.example/"><link rel="stylesheet" href="style.css"><script type="application/ld+json">{"@type":"WebSite"}</script></head><body><header>Menu</header><main id="m"><h1>Home</h1><p>Old</p></main><footer>Foot</footer></body></html>',
      ),
      words,
      sections,
    );
    for (const part of [
      '<header>Menu</header>',
      '<footer>Foot</footer>',
      'href="style.css"',
      '<main id="m">',
      '<title>Sitemap | A &amp; B</title>',
      '<a href="/a/?x=1&amp;y=2">A &lt;b></a>',
      'href="https://a.example/sitemap.html"',
      'content="Sitemap | A &amp; B"',
    ])
      expect(page).toContain(part);
    for (const part of ['Old', 'noindex', 'ld+json', 'href="https://a.example/"']) expect(page).not.toContain(part);
  });
  it('does without a main part between header and footer, and without any template', () => {
    expect(sitemapPage(template('<title>H</title><body><nav>N</nav><p>Old<footer>F</footer>'), words, sections)).toMatch(/<nav>N<\/nav>\s*<h1>Sitemap/);
    const plain = sitemapPage(undefined, words, sections);
    expect(factsOf(plain)).toMatchObject({ lang: 'en', anchors: [{ href: '/a/?x=1&y=2' }] });
    expect(sitemapPage(template('<title>H</title><p>No frame at all'), words, sections)).toBe(plain);
  });
});
