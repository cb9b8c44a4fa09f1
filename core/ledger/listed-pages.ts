import { escapeAttribute, escapeText } from '../page/index.ts';
import { addressOf, endingOf, isPageFile } from '../site/index.ts';
import { readSitemap } from '../sitemap/index.ts';
import { decodeBytes, isAddressVariant, pathAndQuery, variantHost } from '../source/index.ts';
import { guessEncoding, guessMapping, readTable } from './csv.ts';

/** A page of which only the address is known, and perhaps its words. */
export interface ListedPage {
  readonly address: string;
  readonly title: string;
  readonly description: string;
}

/** Pages that are taken from one list. */
export const MOST_LISTED = 10_000;

/** A list of addresses as it was read: pages of one site, and what was left out. */
export interface AddressList {
  readonly pages: readonly ListedPage[];
  /** Other sites that addresses are of, with how many there are of each. */
  readonly others: readonly { readonly host: string; readonly count: number }[];
  /** Lines or rows that say nothing of a page: no address, an address of a file that is none, or one that stood there before. */
  readonly repeats: number;
  readonly noPages: number;
  /** Pages beyond the most that are taken. */
  readonly beyond: number;
}

/**
 * Reads a list of addresses: a sitemap, a table with an address column, or an address a line. The site is the one of which there are most, its twin with or
 * without `www.` included. Addresses that differ in their query are different pages.
 */
export function readList(bytes: Uint8Array): AddressList {
  const text = decodeBytes(bytes, guessEncoding(bytes)).replace(/^\uFEFF/, '');
  const map = /<(?:[\w-]+:)?urlset[\s>]/.test(text.slice(0, 4096)) ? readSitemap(text) : undefined;
  const found = map
    ? map.ok
      ? map.sitemap.entries.map((entry) => ({ address: entry.loc, title: '', description: '' }))
      : []
    : (fromTable(bytes) ?? fromLines(text));
  const hosts = new Map<string, number>();
  for (const { address } of found) {
    const host = hostOf(address);
    if (host !== undefined) hosts.set(host, (hosts.get(host) ?? 0) + 1);
  }
  const weight = (host: string): number => (hosts.get(host) ?? 0) + (hosts.get(variantHost(host)) ?? 0);
  const own = [...hosts.keys()].sort((a, b) => weight(b) - weight(a))[0];
  const others = [...hosts].filter(([host]) => own !== undefined && !isAddressVariant(host, own)).map(([host, count]) => ({ host, count }));
  const seen = new Set<string>();
  const pages: ListedPage[] = [];
  let [repeats, noPages, beyond] = [0, 0, 0];
  for (const page of found) {
    const host = hostOf(page.address);
    if (host !== undefined && own !== undefined && !isAddressVariant(host, own)) continue;
    const path = fileForAddress(page.address);
    if (path === undefined) noPages++;
    else if (seen.has(path)) repeats++;
    else if (seen.add(path).size > MOST_LISTED) beyond++;
    else pages.push(page);
  }
  return { pages, others, repeats, noPages, beyond };
}

/** The host of a whole address; undefined for a path. */
function hostOf(address: string): string | undefined {
  const trimmed = address.trim();
  return /^https?:\/\//i.test(trimmed) && URL.canParse(trimmed) ? new URL(trimmed).host : undefined;
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
    return address === '' ? [] : [{ address, title: '', description: '' }];
  });
}

/** The file that would answer at an address; undefined for what is no page's address. One without an ending and a slash is taken for a folder's page. */
export function fileForAddress(address: string): string | undefined {
  const trimmed = address.trim();
  if (!/^(https?:\/\/|\/)/i.test(trimmed) || !URL.canParse(trimmed, 'https://list.example/')) return undefined;
  const { pathname, search } = new URL(trimmed, 'https://list.example/');
  let path: string;
  let query: string;
  try {
    path = decodeURIComponent(pathname).replace(/^\/+/, '');
    query = decodeURIComponent(search.slice(1)).replace(/[\\/:*?"<>|\s]/g, '_');
  } catch {
    return undefined;
  }
  if (/(^|\/)\.\.?(\/|$)/.test(path)) return undefined;
  // A page that only its query tells from others has a file of its own beside them.
  if (query !== '') return `${path}~${query}.html`;
  if (path === '' || path.endsWith('/')) return `${path}index.html`;
  if (isPageFile(path)) return path;
  return /\.[a-z0-9]{1,5}$/i.test(path) ? undefined : `${path}/index.html`;
}

/** A file that stands for a listed page. */
export interface ListedFile {
  readonly path: string;
  readonly html: string;
  /** Path and query of its address, where no file answers at such a one by itself. */
  readonly address: string | undefined;
}

/** Path and query of an address that has a query. */
function queried(address: string): string | undefined {
  const url = new URL(address.trim(), 'https://list.example/');
  return url.search === '' ? undefined : pathAndQuery(url);
}

/**
 * Files that stand for the listed pages, so that everything that works on a page works on them: a head with what is known, and a heading. There is
 * always a home page, and it links to all the others: they were found somewhere.
 */
export function listedFiles(pages: readonly ListedPage[]): ListedFile[] {
  const first = pages.find(({ address }) => /^https?:\/\//i.test(address.trim()));
  const origin = first ? new URL(first.address.trim()).origin : undefined;
  const known = pages.flatMap((page) => {
    const path = fileForAddress(page.address);
    return path === undefined ? [] : [{ path, page }];
  });
  const others = known.filter(({ path }) => path !== 'index.html');
  const home = known.find(({ path }) => path === 'index.html')?.page ?? { address: '/', title: '', description: '' };
  const links = others.map(
    ({ path, page }) => `<li><a href="${escapeAttribute(queried(page.address) ?? addressOf(path))}">${escapeText(nameOf(page))}</a></li>`,
  );
  return [
    { path: 'index.html', html: skeleton(home, origin, links), address: undefined },
    ...others.map(({ path, page }) => ({ path, html: skeleton(page, undefined, []), address: queried(page.address) })),
  ];
}

/** Why a page that was typed cannot be added. */
export type TypedFault = 'no-address' | 'taken' | 'other-site';

/**
 * The file that stands for one page more, typed by its address (whole, or only its end) and its words. `taken` tells which files there are, `host` whose site
 * it is.
 */
export function typedPage(
  typed: ListedPage,
  host: string,
  taken: (path: string) => boolean,
): { readonly ok: true; readonly file: ListedFile } | { readonly ok: false; readonly reason: TypedFault } {
  const bare = typed.address.trim();
  const address = /^https?:\/\//i.test(bare) ? bare : `/${bare.replace(/^\/+/, '')}`;
  if (bare === '' || queried(address) !== undefined) return { ok: false, reason: 'no-address' };
  const other = hostOf(address);
  if (other !== undefined && !isAddressVariant(other, host)) return { ok: false, reason: 'other-site' };
  const path = fileForAddress(address);
  if (path === undefined) return { ok: false, reason: 'no-address' };
  if (taken(path)) return { ok: false, reason: 'taken' };
  return { ok: true, file: { path, html: skeleton({ ...typed, address: addressOf(path) }, undefined, []), address: undefined } };
}

/** A home page that stands for a listed one, with a link to one page more. A page of the owner's own making stays as it is. */
export function withLinkTo(home: string, path: string, { title, description }: ListedPage): string {
  if (!home.startsWith('<!doctype html>\n<html') || !home.endsWith('</body>\n</html>\n')) return home;
  const link = `<li><a href="${escapeAttribute(addressOf(path))}">${escapeText(nameOf({ address: addressOf(path), title, description }))}</a></li>`;
  const end = home.lastIndexOf('</ul>\n</body>');
  if (end >= 0) return `${home.slice(0, end)}${link}\n${home.slice(end)}`;
  return `${home.slice(0, -'</body>\n</html>\n'.length)}<ul>\n${link}\n</ul>\n</body>\n</html>\n`;
}

function nameOf({ address, title }: ListedPage): string {
  const url = URL.canParse(address.trim(), 'https://list.example/') ? new URL(address.trim(), 'https://list.example/') : undefined;
  const path =
    url === undefined ? address : url.search === '' ? url.pathname : `${url.pathname.replace(/\/$/, '')} ${url.search.slice(1).replace(/[=&]+/g, ' ')}`;
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
