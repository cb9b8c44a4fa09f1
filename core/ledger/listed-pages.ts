import { escapeAttribute, escapeText } from '../page/index.ts';
import { addressOf, endingOf, isPageFile } from '../site/index.ts';
import { readSitemap } from '../sitemap/index.ts';
import { decodeBytes } from '../source/index.ts';
import { guessEncoding, guessMapping, readTable } from './csv.ts';

/** A page of which only the address is known, and perhaps its words. */
export interface ListedPage {
  readonly address: string;
  readonly title: string;
  readonly description: string;
}

/** Pages that are taken from one list. */
export const MOST_LISTED = 10_000;

/** Reads a list of addresses: a sitemap, a table with an address column, or an address a line. Repeats are left out. */
export function readList(bytes: Uint8Array): ListedPage[] {
  const text = decodeBytes(bytes, guessEncoding(bytes)).replace(/^\uFEFF/, '');
  const map = /<(?:[\w-]+:)?urlset[\s>]/.test(text.slice(0, 4096)) ? readSitemap(text) : undefined;
  const found = map
    ? map.ok
      ? map.sitemap.entries.map((entry) => ({ address: entry.loc, title: '', description: '' }))
      : []
    : (fromTable(bytes) ?? fromLines(text));
  const seen = new Set<string>();
  return found
    .filter(({ address }) => {
      const path = fileFor(address);
      if (path === undefined || seen.has(path)) return false;
      seen.add(path);
      return true;
    })
    .slice(0, MOST_LISTED);
}

function fromTable(bytes: Uint8Array): ListedPage[] | undefined {
  const read = readTable(bytes);
  if (!read.ok || read.table.headers.length < 2) return undefined;
  const mapping = guessMapping(read.table);
  const at = { address: mapping.indexOf('address'), title: mapping.indexOf('title'), description: mapping.indexOf('description') };
  if (at.address < 0) return undefined;
  return read.table.rows.map((row) => ({ address: row[at.address] ?? '', title: row[at.title] ?? '', description: row[at.description] ?? '' }));
}

function fromLines(text: string): ListedPage[] {
  return text.split(/\r\n?|\n/).flatMap((line) => {
    const address = line.trim().split(/\s/)[0] ?? '';
    return /^(https?:\/\/|\/)/i.test(address) ? [{ address, title: '', description: '' }] : [];
  });
}

/** The file that would answer at an address; undefined for what is no page's address. One without an ending and a slash is taken for a folder's page. */
function fileFor(address: string): string | undefined {
  const trimmed = address.trim();
  if (!/^(https?:\/\/|\/)/i.test(trimmed) || !URL.canParse(trimmed, 'https://list.example/')) return undefined;
  const { pathname } = new URL(trimmed, 'https://list.example/');
  let path: string;
  try {
    path = decodeURIComponent(pathname).replace(/^\/+/, '');
  } catch {
    return undefined;
  }
  if (/(^|\/)\.\.?(\/|$)/.test(path)) return undefined;
  if (path === '' || path.endsWith('/')) return `${path}index.html`;
  if (isPageFile(path)) return path;
  return /\.[a-z0-9]{1,5}$/i.test(path) ? undefined : `${path}/index.html`;
}

/**
 * Files that stand for the listed pages, so that everything that works on a page works on them: a head with what is known, and a heading. There is
 * always a home page, and it links to all the others: they were found somewhere.
 */
export function listedFiles(pages: readonly ListedPage[]): { readonly path: string; readonly html: string }[] {
  const first = pages.find(({ address }) => /^https?:\/\//i.test(address.trim()));
  const origin = first ? new URL(first.address.trim()).origin : undefined;
  const known = pages.flatMap((page) => {
    const path = fileFor(page.address);
    return path === undefined ? [] : [{ path, page }];
  });
  const others = known.filter(({ path }) => path !== 'index.html');
  const home = known.find(({ path }) => path === 'index.html')?.page ?? { address: '/', title: '', description: '' };
  const links = others.map(({ path, page }) => `<li><a href="${escapeAttribute(addressOf(path))}">${escapeText(nameOf(page))}</a></li>`);
  return [{ path: 'index.html', html: skeleton(home, origin, links) }, ...others.map(({ path, page }) => ({ path, html: skeleton(page, undefined, []) }))];
}

function nameOf({ address, title }: ListedPage): string {
  const path = URL.canParse(address.trim(), 'https://list.example/') ? new URL(address.trim(), 'https://list.example/').pathname : address;
  const fromTitle = title.split(/\s+[|\u2013\u2014·•]\s+/)[0]?.trim();
  return (
    fromTitle ||
    endingOf(path)
      .replace(/[-_]+/g, ' ')
      .replace(/^\p{Ll}/u, (letter) => letter.toUpperCase())
  );
}

function skeleton(page: ListedPage, origin: string | undefined, links: readonly string[]): string {
  const { title, description } = page;
  return [
    '<!doctype html>',
    '<html>',
    '<head>',
    '<meta charset="utf-8">',
    `<title>${escapeText(title.trim())}</title>`,
    ...(description.trim() === '' ? [] : [`<meta name="description" content="${escapeAttribute(description.trim())}">`]),
    ...(origin === undefined ? [] : [`<link rel="canonical" href="${escapeAttribute(origin)}/">`]),
    '</head>',
    '<body>',
    `<h1>${escapeText(nameOf(page))}</h1>`,
    ...(links.length === 0 ? [] : ['<ul>', ...links, '</ul>']),
    '</body>',
    '</html>',
    '',
  ].join('\n');
}
