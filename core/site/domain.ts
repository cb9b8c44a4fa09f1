// eslint-disable-next-line @typescript-eslint/triple-slash-reference
/// <reference path="./punycode.d.ts" />
import punycode from 'punycode/punycode.js';

/** Why a text is no name that a site can have. */
export type DomainFault = 'empty' | 'one-label' | 'label-long' | 'name-long' | 'characters' | 'hyphens' | 'number' | 'reserved';

/** A domain name as it is asked for (ASCII, lower case) and as people read it. */
export interface DomainName {
  readonly ascii: string;
  readonly unicode: string;
}

/** Names below a host's free domain that it keeps for itself. */
const RESERVED = new Set([
  'www',
  'mail',
  'smtp',
  'imap',
  'pop',
  'ftp',
  'ns',
  'ns1',
  'ns2',
  'api',
  'admin',
  'status',
  'help',
  'support',
  'blog',
  'shop',
  'localhost',
  'test',
]);

/** The stand-in host's domain, below which names are free to be taken. */
export const FREE_DOMAIN = 'saltmere-host.example';
/** What a domain of one's own points at: the stand-in host's address and its name. */
export const HOST_ADDRESS = '127.0.0.1';
export const HOST_NAME = `sites.${FREE_DOMAIN}`;

/** Whether a host is a free name below the stand-in host's domain. */
export const isFreeName = (host: string): boolean => host.endsWith(`.${FREE_DOMAIN}`);

/**
 * Reads a domain name as people type it: with a scheme, a path or a dot behind it, in any script (IDNA, UTS 46). Labels have 1 to 63 characters, the whole at
 * most 253 (RFC 1035, 2.3.4), letters, digits and hyphens that stand at no end (RFC 1123, 2.1).
 */
export function readDomain(text: string): { readonly ok: true; readonly name: DomainName } | { readonly ok: false; readonly reason: DomainFault } {
  const bare = text
    .trim()
    .replace(/^[a-z]+:\/\//i, '')
    .replace(/[/?#].*$/s, '')
    .replace(/:\d+$/, '')
    .replace(/\.$/, '');
  const no = (reason: DomainFault) => ({ ok: false, reason }) as const;
  if (bare === '') return no('empty');
  if (/[\s_@]/.test(bare) || !URL.canParse(`https://${bare}/`)) return no('characters');
  const { hostname } = new URL(`https://${bare}/`);
  // A parser reads numbers as an address of the internet protocol.
  if (/^\d+(?:\.\d+){3}$/.test(hostname) || hostname.startsWith('[')) return no('number');
  const labels = hostname.split('.');
  if (labels.length < 2) return no('one-label');
  if (labels.some((label) => label === '' || !/^[a-z0-9-]+$/.test(label))) return no('characters');
  if (labels.some((label) => label.length > 63)) return no('label-long');
  if (hostname.length > 253) return no('name-long');
  if (labels.some((label) => label.startsWith('-') || label.endsWith('-'))) return no('hyphens');
  if (/^\d+$/.test(labels.at(-1) ?? '')) return no('number');
  if (isFreeName(hostname) && (labels.length !== FREE_DOMAIN.split('.').length + 1 || RESERVED.has(labels[0] ?? ''))) return no('reserved');
  if (hostname === FREE_DOMAIN || hostname === HOST_NAME) return no('reserved');
  return { ok: true, name: { ascii: hostname, unicode: unicodeHost(hostname) } };
}

/** A host as people read it; what is no valid punycode stays as it is. */
export function unicodeHost(host: string): string {
  try {
    const read = punycode.toUnicode(host);
    return URL.canParse(`https://${read}/`) && new URL(`https://${read}/`).hostname === host ? read : host;
  } catch {
    return host;
  }
}

/** A record that a domain needs so that the site is found under it. */
export interface NeededRecord {
  /** The whole name that is asked about. */
  readonly host: string;
  /** Relative to the domain, `@` for itself. */
  readonly name: string;
  readonly type: 'A' | 'CNAME';
  readonly value: string;
}

/**
 * The records that a site's address needs, and those of its twin with or without `www`: the domain itself takes an address, for a CNAME cannot stand beside
 * the other records that a domain has (RFC 1034, 3.6.2); every name below it takes a CNAME. None for a free name.
 */
export function neededRecords(host: string): NeededRecord[] {
  if (isFreeName(host)) return [];
  const record = (name: string): NeededRecord =>
    name === apex
      ? { host: name, name: '@', type: 'A', value: HOST_ADDRESS }
      : { host: name, name: name.slice(0, -apex.length - 1), type: 'CNAME', value: HOST_NAME };
  const isTwin = host.startsWith('www.');
  const apex = isTwin ? host.slice(4) : host.split('.').length > 2 ? host.split('.').slice(-2).join('.') : host;
  if (host === apex) return [record(apex), record(`www.${apex}`)];
  return isTwin ? [record(host), record(apex)] : [record(host)];
}
