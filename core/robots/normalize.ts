import { pathAndQuery, plainPercent, type AddressPath } from '../source/index.ts';

/**
 * A rule's pattern, comparable octet by octet (RFC 9309, 2.2.2). `*` and a `$` at its end stay the signs they are; `%2A` and `%24` are the characters
 * themselves, and so is a `$` elsewhere (2.2.3).
 */
export function normalizePattern(pattern: string): string {
  return plainPercent(pattern).replace(/\$(?!$)/g, '%24');
}

/** A path, comparable with patterns: the characters that would be signs in a pattern are written as octets. */
export function normalizePath(path: AddressPath): AddressPath {
  const plain = plainPercent(path);
  return /[*$]/.test(plain) ? plain.replace(/\*/g, '%2A').replace(/\$/g, '%24') : plain;
}

/** Path and query of an address, as robots.txt compares it; the fragment is dropped. Undefined where it is no address. */
export function comparedPath(address: string): AddressPath | undefined {
  if (address.startsWith('/')) return plainPercent(address.replace(/#.*$/s, ''));
  return URL.canParse(address) ? pathAndQuery(new URL(address)) : undefined;
}
