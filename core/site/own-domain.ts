import { getDomain } from 'tldts';
import { variantHost } from '../source/index.ts';
import { FREE_DOMAIN, HOST_ADDRESS, HOST_NAME, isFreeName, unicodeHost } from './domain.ts';

/** Why a text is no name that a site can have. */
export type DomainFault = 'empty' | 'one-label' | 'label-long' | 'name-long' | 'characters' | 'hyphens' | 'number' | 'reserved' | 'suffix';

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
  if (/[\s_@%]/.test(bare) || !URL.canParse(`https://${bare}/`)) return no('characters');
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
  if (registrableDomain(hostname) === undefined) return no('suffix');
  return { ok: true, name: { ascii: hostname, unicode: unicodeHost(hostname) } };
}

/**
 * The domain that somebody registered, by the public suffix list: its owner sets the records of all names below it. A free name is its own. Undefined for a
 * name below which anybody registers, and for one without a dot. Takes a host in ASCII.
 */
export function registrableDomain(host: string): string | undefined {
  if (isFreeName(host))
    return host
      .split('.')
      .slice(-1 - FREE_DOMAIN.split('.').length)
      .join('.');
  return getDomain(host, { allowPrivateDomains: true, validateHostname: false }) ?? undefined;
}

/** The domain at which a site's records are set: the registrable one, or for a name that has none the name itself. */
export const recordsDomain = (host: string): string => registrableDomain(host) ?? host;

/** A record that a domain needs so that the site is found under it, or one that has to be absent. */
export interface NeededRecord {
  /** The whole name that is asked about. */
  readonly host: string;
  /** Relative to the registrable domain, `@` for itself. */
  readonly name: string;
  readonly type: 'A' | 'AAAA' | 'CNAME';
  /** Undefined where none is to be: what stands there leads a part of the visitors elsewhere. */
  readonly value: string | undefined;
}

/**
 * The records that a site's address needs, and those of its twin with or without `www`: the registrable domain itself takes an address, for a CNAME cannot
 * stand beside the other records that a domain has (RFC 1034, 3.6.2); every name below it takes a CNAME. The host has no IPv6 address, so the domain may have
 * none. None for a free name.
 */
export function neededRecords(host: string): NeededRecord[] {
  if (isFreeName(host)) return [];
  const domain = recordsDomain(host);
  const records = (name: string): NeededRecord[] =>
    name === domain
      ? [
          { host: name, name: '@', type: 'A', value: HOST_ADDRESS },
          { host: name, name: '@', type: 'AAAA', value: undefined },
        ]
      : [{ host: name, name: name.slice(0, -domain.length - 1), type: 'CNAME', value: HOST_NAME }];
  const twin = twinHost(host);
  return twin === undefined ? records(host) : [...records(host), ...records(twin)];
}

/** The name that visitors type as well: with `www` for a whole domain, without it for one that has it. A name below a domain has none: nobody puts `www` in front of it. */
export function twinHost(host: string): string | undefined {
  return host.startsWith('www.') || host === recordsDomain(host) ? variantHost(host) : undefined;
}

/** The lines for a zone elsewhere (RFC 1035, 5.1), to be set below `$ORIGIN`; they say themselves where an address in them is one of this machine only. */
export function zoneLines(needed: readonly NeededRecord[], ttl: number): string {
  const lines = needed.flatMap(({ name, type, value }) =>
    value === undefined ? [] : [`${name}\t${ttl}\tIN\t${type}\t${value}${type === 'CNAME' ? '.' : ''}`],
  );
  const isRehearsal = needed.some(({ value }) => value === HOST_ADDRESS || value === HOST_NAME);
  return [...(isRehearsal ? REHEARSAL : []), ...lines].join('\n');
}

const REHEARSAL = [
  `; For practice only: ${HOST_ADDRESS} is the visitor's own machine, and ${HOST_NAME} exists only in the practice world.`,
  '; Put the address and the name there that your host gives you.',
];
