/** Percent-encoding undone; what is no valid UTF-8 stays as it is written. */
export function percentDecoded(text: string): string {
  try {
    return decodeURIComponent(text);
  } catch {
    return text;
  }
}

/** An address as people read it: letters of all scripts plainly; what would look like something else, or like nothing, stays encoded. */
export function readableAddress(address: string): string {
  return address.includes('%') ? address.replace(/(?:%[0-9a-f]{2})+/gi, (octets) => readable(octets)) : address;
}

function readable(octets: string): string {
  const decoded = percentDecoded(octets);
  if (decoded === octets) return octets;
  return [...decoded].map((sign) => (/[\p{L}\p{M}\p{N}]/u.test(sign) ? sign : encodeURIComponent(sign))).join('');
}

const PLAIN = /^[\x21-\x24\x26-\x7e]*$/;
const UNRESERVED = /[A-Za-z0-9\-._~]/;

/**
 * Makes two spellings of a path comparable octet by octet (RFC 3986, 6.2.2; RFC 9309, 2.2.2): non-ASCII becomes its UTF-8 octets, `%XX` is written in upper
 * case, and escaped unreserved octets are written plainly. Escaped reserved octets stay escaped: `%2F` is not `/`. Nothing else is touched.
 */
export function plainPercent(path: string): string {
  if (PLAIN.test(path)) return path;
  let out = '';
  for (let at = 0; at < path.length;) {
    const code = path.codePointAt(at) as number;
    const escaped = code === 37 ? /^%[0-9a-f]{2}/i.exec(path.slice(at, at + 3)) : null;
    if (escaped) {
      const character = String.fromCharCode(parseInt(path.slice(at + 1, at + 3), 16));
      out += UNRESERVED.test(character) ? character : escaped[0].toUpperCase();
      at += 3;
    } else if (code <= 0x20 || code === 0x7f || code > 0x7e) {
      const character = String.fromCodePoint(code);
      for (const octet of new TextEncoder().encode(character)) out += `%${octet.toString(16).toUpperCase().padStart(2, '0')}`;
      at += character.length;
    } else {
      out += path[at];
      at++;
    }
  }
  return out;
}

/**
 * An absolute address with all spellings that mean the same octets made one (RFC 3986, 6.2.2 and 6.2.3): scheme and host in lower case, the usual port and
 * dot segments gone, percent-encoding alike, no fragment. Undefined for what is no http(s) address.
 */
export function plainAddress(address: string): string | undefined {
  if (!URL.canParse(address)) return undefined;
  const url = new URL(address);
  return url.protocol === 'http:' || url.protocol === 'https:' ? url.origin + pathAndQuery(url) : undefined;
}

/** Path and query of an address, percent-encoding made alike. An empty query is a query (RFC 3986, 6.2.3): `/a?` is not `/a`. */
export function pathAndQuery(url: URL): string {
  const bare = new URL(url);
  bare.hash = bare.username = bare.password = '';
  return plainPercent(bare.href.slice(bare.origin.length));
}
