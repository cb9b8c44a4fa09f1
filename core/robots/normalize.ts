const PLAIN = /^[\x21-\x24\x26-\x7e]*$/;
const UNRESERVED = /[A-Za-z0-9\-._~]/;

/**
 * Makes two spellings of a path comparable octet by octet (RFC 9309, 2.2.2): non-ASCII becomes its UTF-8 octets, `%XX` is written in upper
 * case, and escaped unreserved octets are written plainly. Escaped reserved octets stay escaped: `%2F` is not `/`, and `%2A` and `%24` are
 * the characters themselves, never pattern signs.
 */
export function normalizePath(path: string): string {
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

/** Path and query of an address, as robots.txt compares it; the fragment is dropped. Undefined where it is no address. */
export function comparedPath(address: string): string | undefined {
  if (address.startsWith('/')) return normalizePath(address.replace(/#.*$/s, ''));
  if (!URL.canParse(address)) return undefined;
  const url = new URL(address);
  return normalizePath(url.pathname + url.search);
}
