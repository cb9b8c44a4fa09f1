// eslint-disable-next-line @typescript-eslint/triple-slash-reference
/// <reference path="./punycode.d.ts" />
import punycode from 'punycode/punycode.js';

/** The stand-in host's domain, below which names are free to be taken. */
export const FREE_DOMAIN = 'saltmere-host.example';
/** What a domain of one's own points at: the stand-in host's address and its name. */
export const HOST_ADDRESS = '127.0.0.1';
export const HOST_NAME = `sites.${FREE_DOMAIN}`;

/** Whether a host is a free name below the stand-in host's domain. */
export const isFreeName = (host: string): boolean => host.endsWith(`.${FREE_DOMAIN}`);

/** A host as people read it; what is no valid punycode stays as it is. */
export function unicodeHost(host: string): string {
  try {
    const read = punycode.toUnicode(host);
    return URL.canParse(`https://${read}/`) && new URL(`https://${read}/`).hostname === host ? read : host;
  } catch {
    return host;
  }
}
