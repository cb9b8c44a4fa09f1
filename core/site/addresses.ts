const SIMPLE_REFERENCE = /^[\w\-./~]*$/;

/**
 * The address path that a file answers at: `index.html` answers for its folder, any other file under its own name. Characters that an
 * address cannot hold are percent-encoded.
 */
export function addressOf(file: string): string {
  // Most paths need no escaping at all.
  const path = SIMPLE_REFERENCE.test(file) ? `/${file}` : `/${file.split('/').map(encodeSegment).join('/')}`;
  return path.replace(/\/index\.html?$/i, '/');
}

function encodeSegment(segment: string): string {
  return encodeURIComponent(segment).replace(/%(?:40|3A|24|26|2B|2C|3B|3D|21|27|28|29|2A)/g, (escaped) => decodeURIComponent(escaped));
}

/** The files, in the order a host tries them, that would answer at a path. */
export function filesFor(path: string): string[] {
  let plain: string;
  try {
    plain = decodeURIComponent(path.replace(/[?#].*$/s, '')).replace(/^\//, '');
  } catch {
    return [];
  }
  if (plain === '' || plain.endsWith('/')) return [`${plain}index.html`, `${plain}index.htm`];
  return [plain, `${plain}.html`, `${plain}/index.html`, `${plain}/index.htm`];
}

/** Whether a file is a page by its name. */
export function isPageFile(file: string): boolean {
  return /\.x?html?$/i.test(file);
}

/**
 * Resolves a link on a page to a path on the same site; undefined where it leads away or is no address. `page` is the path of the page (or of
 * its `base`). The common plain cases are done without the URL parser: a large site has hundreds of thousands of links.
 */
export function linkedPath(href: string, page: string, host: string): string | undefined {
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
  if ((url.protocol !== 'http:' && url.protocol !== 'https:') || url.host !== host) return undefined;
  return url.pathname + url.search;
}

/** The path against which a page's links are resolved: where its `base` element points on this site, else its own. */
export function basePath(base: string | undefined, page: string, host: string): string {
  return base === undefined ? page : (linkedPath(base, page, host) ?? page);
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
