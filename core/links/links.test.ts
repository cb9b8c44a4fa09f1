import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { all, applyChange, effectiveAddress, effectiveFile, emptyDocument, set, type Change } from '../site/index.ts';
import { AddressBook, LinkIndex } from './index.ts';

const FILES = ['index.html', 'a.html', 'f/index.html', 'f/b.html', 'g/index.htm', 'doc.pdf'];
const PAGES = FILES.filter((file) => !file.endsWith('.pdf'));
const has = (path: string): boolean => FILES.includes(path);
const HREFS = [
  '/',
  '/a.html',
  'a.html',
  '/a',
  '/a.html?x=1',
  '/f/',
  '/f',
  'f/b',
  '/g/',
  '/g/index.htm',
  '/doc.pdf',
  '/gone',
  'https://b.example/',
  '//www.a.example/a.html',
  '#top',
  'mailto:x',
];

type Page = readonly [page: string, hrefs: readonly string[], silent: readonly string[]];
const pages: fc.Arbitrary<Page> = fc.tuple(fc.constantFrom(...PAGES), fc.array(fc.constantFrom(...HREFS), { maxLength: 8 }), fc.subarray(HREFS));

describe('the index of links', () => {
  it('kept up to date link by link says the same as made anew, and tells of every file whose links changed', () => {
    const repaired = fc.constantFrom(undefined, (path: string): string | undefined => (path === '/gone' ? '/f/' : undefined));
    fc.assert(
      fc.property(fc.array(pages, { maxLength: 12 }), repaired, (steps, led) => {
        const running = new LinkIndex('a.example', has);
        const last = new Map<string, Page>();
        for (const step of steps) {
          const [page, hrefs, silent] = step;
          const before = new Map(FILES.map((file) => [file, running.directLinksIn(file)]));
          const told = running.put(page, hrefs, undefined, led, silent);
          for (const file of FILES) if (running.directLinksIn(file) !== before.get(file)) expect([...told]).toContain(file);
          last.set(page, step);
        }
        const anew = new LinkIndex('a.example', has);
        for (const [page, hrefs, silent] of last.values()) anew.put(page, hrefs, undefined, led, silent);
        for (const file of FILES) {
          expect(running.of(file)).toEqual(anew.of(file));
          expect(running.linksIn(file)).toBe(anew.linksIn(file));
          expect(running.linksIn(file)).toBe(running.backlinks(file).length);
          expect(running.spelledAs(file)).toEqual(anew.spelledAs(file));
        }
        expect(running.brokenCount()).toBe(running.broken().length);
        expect([...running.clicks('index.html')].sort()).toEqual([...anew.clicks('index.html')].sort());
      }),
    );
  });
  it.each<
    [
      string,
      {
        readonly direct?: readonly string[];
        readonly followed?: readonly string[];
        readonly aside?: string;
        readonly broken?: readonly string[];
        readonly outside?: number;
      },
    ]
  >([
    ['/a.html', { direct: ['a.html'], followed: ['a.html'] }],
    ['/a', { direct: [], aside: '/a' }],
    ['/a.html?x=1', { direct: [], aside: '/a.html?x=1' }],
    ['/f', { direct: ['f/index.html'], aside: '/f' }],
    ['/f/index.html', { direct: [], aside: '/f/index.html' }],
    ['/doc.pdf', { direct: ['doc.pdf'], followed: ['doc.pdf'] }],
    ['/gone?x', { broken: ['/gone'] }],
    ['https://b.example/', { outside: 1 }],
    ['#top', {}],
  ])('a link to %s', (href, { direct = [], followed = [], aside, broken = [], outside = 0 }) => {
    const index = new LinkIndex('a.example', has);
    index.put('index.html', [href], undefined);
    const links = index.of('index.html');
    expect({ direct: links.direct, followed: links.followed, aside: links.aside[0]?.path, broken: links.broken, outside: links.outside }).toEqual({
      direct,
      followed,
      aside,
      broken,
      outside,
    });
  });
});

describe('what answers at an address', () => {
  const bookOf = (changes: readonly Change[]): AddressBook => {
    const document = applyChange(emptyDocument(), all(changes));
    return new AddressBook(
      document,
      PAGES.map((id) => ({ id, address: effectiveAddress(document, id), file: effectiveFile(document, id) })),
      has,
    );
  };
  const told = (book: AddressBook, path: string): string => {
    const place = book.at(path);
    if (place.kind === 'page') return `${place.direct ? '' : 'second spelling of '}${place.page.id}`;
    return place.kind === 'nothing' ? 'nothing' : place.kind === 'file' ? place.file : `${place.kind} to ${place.to}`;
  };
  it.each([
    ['/', 'index.html'],
    ['/index.html', 'second spelling of index.html'],
    ['/a.html', 'a.html'],
    ['/a', 'second spelling of a.html'],
    ['/a.html?x=1', 'second spelling of a.html'],
    ['/f', 'redirect to /f/'],
    ['/f?x=1', 'redirect to /f/?x=1'],
    ['/g/', 'g/index.htm'],
    ['/doc.pdf', 'doc.pdf'],
    ['/gone', 'nothing'],
    ['/%00', 'nothing'],
  ])('%s: %s', (path, expected) => expect(told(bookOf([]), path)).toBe(expected));
  it('is the page that moved there, and where it was, what leads on', () => {
    const book = bookOf([set('pages', 'a.html', 'ending', 'new')]);
    expect(['/new.html', '/a.html', '/a'].map((path) => told(book, path))).toEqual(['a.html', 'moved to /new.html', 'moved to /new.html']);
  });
  it('is whoever took the place of a page that moved away', () => {
    const book = bookOf([set('pages', 'a.html', 'ending', 'old'), set('pages', 'f/b.html', 'ending', 'c')]);
    expect(told(book, '/f/c.html')).toBe('f/b.html');
    expect(told(book, '/f/b.html')).toBe('moved to /f/c.html');
  });
  it('is the page that was chosen as the home page', () => {
    expect(told(bookOf([set('facts', '', 'homePage', 'a.html')]), '/a.html')).toBe('moved to /');
  });
});
