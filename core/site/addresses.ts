import { holdsPage } from '../page/index.ts';
import { decodeSource, isAddressVariant, type FilePath, type PageId, type AddressPath } from '../source/index.ts';

const SIMPLE_REFERENCE = /^[\w\-./~]*$/;

/**
 * The address path that a file answers at: `index.html` answers for its folder, in small letters as hosts have it, any other file under its own name.
 * Characters that an
 * address cannot hold are percent-encoded.
 */
export function addressOf(file: FilePath): AddressPath {
  // Most paths need no escaping at all.
  const path = SIMPLE_REFERENCE.test(file) ? `/${file}` : `/${file.split('/').map(encodeSegment).join('/')}`;
  return path.replace(/\/index\.html?$/, '/');
}

function encodeSegment(segment: string): string {
  return encodeURIComponent(segment).replace(/%(?:40|3A|24|26|2B|2C|3B|3D|21|27|28|29|2A)/g, (escaped) => decodeURIComponent(escaped));
}

const PROGRAM_ENDING = /\.(?:php\d?|phtml|aspx?|jsp|cfm)$/i;
const PAGE_ENDING = new RegExp(`\\.(?:x?html?|xht|shtml?|stm)$|${PROGRAM_ENDING.source}`, 'i');

/** Whether a file is a page by its name. Of a program for a server only its content tells (`isProgramFile`). */
export function isPageFile(file: FilePath): file is PageId {
  return PAGE_ENDING.test(file);
}

/** Whether a file is called like a program that makes pages on a server: it is a page only where it holds one. */
export function isProgramFile(file: FilePath): boolean {
  return PROGRAM_ENDING.test(file);
}

/** Whether a file is a page: by its name, and where it is called like a program, by what it holds. */
export function isPage(file: FilePath, bytes: Uint8Array): boolean {
  return isPageFile(file) && (!isProgramFile(file) || holdsPage(decodeSource(bytes).text));
}

/** The ending of a page file with its dot; empty where it has none. */
export function pageEnding(file: FilePath): string {
  return PAGE_ENDING.exec(file)?.[0] ?? '';
}

/** A path without the ending of a page. */
export function withoutPageEnding(path: string): string {
  return path.replace(PAGE_ENDING, '');
}

/** Whether a host is the site's, its twin, or one under which the site was before. */
function isHostOf(host: string, own: string, cameAs: string | undefined): boolean {
  return isAddressVariant(host, own) || (cameAs !== undefined && isAddressVariant(host, cameAs));
}

/**
 * Resolves a link on a page to a path on the same site, its twin with or without `www.` among it; undefined where it leads away or is no address.
 * `cameAs` is the host under which the site was brought in, where it has another now. `page` is the path of the page (or of
 * its `base`). The common plain cases are done without the URL parser: a large site has hundreds of thousands of links.
 */
export function linkedPath(href: string, page: AddressPath, host: string, cameAs?: string): AddressPath | undefined {
  const whole = href.trim();
  const hash = whole.indexOf('#');
  const reference = hash < 0 ? whole : whole.slice(0, hash);
  if (reference.trim() === '') return undefined;
  if (SIMPLE_REFERENCE.test(reference) && !reference.startsWith('//')) {
    const joined = reference.startsWith('/') ? reference : page.slice(0, page.lastIndexOf('/') + 1) + reference;
    return joined.includes('./') || joined.endsWith('/.') || joined.endsWith('/..') ? dotless(joined) : joined;
  }
  if (!URL.canParse(whole, `http://${host}${page}`)) return undefined;
  const url = new URL(whole, `http://${host}${page}`);
  if ((url.protocol !== 'http:' && url.protocol !== 'https:') || !isHostOf(url.host, host, cameAs)) return undefined;
  url.hash = url.username = url.password = '';
  // An empty query is one too: `/a?` is not `/a`.
  return url.href.slice(url.origin.length);
}

/**
 * What resolves the links of a page to paths of its site, as its `base` element has it, where there is one (HTML standard, 2.4.3): a base elsewhere takes
 * relative links with it, and a mere fragment leads to the base. `page` is the page's own path.
 */
export function linkResolver(base: string | undefined, page: AddressPath, host: string, cameAs?: string): (href: string) => AddressPath | undefined {
  if (base === undefined || !URL.canParse(base, `http://${host}${page}`)) return (href) => linkedPath(href, page, host, cameAs);
  const from = new URL(base, `http://${host}${page}`);
  if (!isHostOf(from.host, host, cameAs))
    return (href) => (URL.canParse(href, from.href) ? linkedPath(new URL(href, from.href).href, page, host, cameAs) : undefined);
  const path = from.pathname;
  return (href) => (/^\s*(?:#|$)/.test(href) ? path + from.search : linkedPath(href, path, host, cameAs));
}

function dotless(path: string): string {
  const out: string[] = [];
  const parts = path.split('/');
  parts.forEach((part, index) => {
    const last = index === parts.length - 1;
    if (part === '..') {
      if (out.length > 1) out.pop();
      if (last) out.push('');
    } else if (part === '.') {
      if (last) out.push('');
    } else out.push(part);
  });
  return out.join('/');
}

/** A main address made whole: scheme and host, lower case, without path. Undefined where it is none. */
export function cleanOrigin(text: string): string | undefined {
  const trimmed = text.trim().replace(/\/+$/, '');
  if (trimmed === '') return undefined;
  const whole = /^https?:\/\//i.test(trimmed) ? trimmed : `https://${trimmed}`;
  if (!URL.canParse(whole)) return undefined;
  const url = new URL(whole);
  if (!/^[a-z0-9]([a-z0-9.-]*[a-z0-9])?$/i.test(url.hostname) || !url.hostname.includes('.')) return undefined;
  return url.origin;
}
