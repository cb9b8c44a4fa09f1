import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { all, applyChange, emptyDocument, set } from '../site/index.ts';
import { identityGaps, identityGraph } from '../structured-data/index.ts';
import { factsOf } from '../testing/html.ts';
import { openProject } from '../exchange/index.ts';
import { compareWithRelease, editsFor, manifestSchema, ownFiles, sourceDiff } from './index.ts';

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
const edits = (html: string, id = 'p.html', isHome = false) => editsFor(document, { id, kind: 'page', isHome, facts: factsOf(html) }, factsOf(html));

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
  it('has no robots.txt of ours while the site’s own will do', () => {
    expect(ownFiles(document, { robots: 'User-agent: *\n', sitemap: undefined, entries: [] })).toEqual({});
    expect(Object.keys(ownFiles(applyChange(document, set('sitemap', '', 'on', true)), { robots: undefined, sitemap: undefined, entries: [] }))).toEqual([
      'robots.txt',
      'sitemap.xml',
    ]);
  });
  it('is shown as a difference in lines', () => {
    expect(sourceDiff('a\nb\nc\n', 'a\nB\nc\n')).toEqual([{ oldStart: 1, newStart: 1, lines: [' a', '-b', '+B', ' c'] }]);
    expect(sourceDiff('same', 'same')).toEqual([]);
  });
});

describe('saved formats of version 1', () => {
  const project = JSON.parse(readFileSync(new URL('../exchange/fixtures/project-v1.json', import.meta.url), 'utf8')) as {
    manifest: unknown;
    document: { tables: object };
  };
  it('still open', () => {
    expect(manifestSchema.safeParse(project.manifest).success).toBe(true);
    const opened = openProject(JSON.stringify(project));
    expect(opened.ok && opened.project).toEqual({ ...project, document: { version: 2, tables: { ...emptyDocument().tables, ...project.document.tables } } });
  });
  it.each([
    ['{', 'not-a-project'],
    ['{"format":"other"}', 'not-a-project'],
    ['{"format":"jolly-beacon-project","version":2}', 'newer-version'],
    ['{"format":"jolly-beacon-project","version":1}', 'damaged'],
  ])('%s is refused: %s', (json, reason) => expect(openProject(json)).toMatchObject({ ok: false, reason }));
});
