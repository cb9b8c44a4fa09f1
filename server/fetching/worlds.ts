import { Resolver } from 'node:dns/promises';
import { BlockList, isIP } from 'node:net';
import type { RecordAnswer } from '../../core/site/index.ts';
import type { Resolve } from './fetcher.ts';
import type { World } from './guarded.ts';
import { dnsFailure } from './names.ts';

/** Addresses that are not on the public internet (IANA special-purpose registries): never fetched from. */
const NOT_PUBLIC = new BlockList();
for (const [net, bits] of [
  ['0.0.0.0', 8],
  ['10.0.0.0', 8],
  ['100.64.0.0', 10],
  ['127.0.0.0', 8],
  ['169.254.0.0', 16],
  ['172.16.0.0', 12],
  ['192.0.0.0', 24],
  ['192.0.2.0', 24],
  ['192.88.99.0', 24],
  ['192.168.0.0', 16],
  ['198.18.0.0', 15],
  ['198.51.100.0', 24],
  ['203.0.113.0', 24],
  ['224.0.0.0', 4],
  ['240.0.0.0', 4],
] as const)
  NOT_PUBLIC.addSubnet(net, bits, 'ipv4');
for (const [net, bits] of [
  // The first 96 bits empty: the unspecified and the loopback address, and IPv4 in its oldest dress.
  ['::', 96],
  ['64:ff9b::', 96],
  ['64:ff9b:1::', 48],
  ['100::', 64],
  ['2001::', 23],
  ['2001:db8::', 32],
  ['2002::', 16],
  ['3fff::', 20],
  ['fc00::', 7],
  ['fe80::', 10],
  ['fec0::', 10],
  ['ff00::', 8],
] as const)
  NOT_PUBLIC.addSubnet(net, bits, 'ipv6');

/** Whether an address is a public one. */
export function isPublicAddress(ip: string): boolean {
  const family = isIP(ip);
  // An IPv4 address in IPv6 dress: nobody honest hands one out. (A rule for it in the list would match every plain IPv4 address.)
  if (/^::ffff:/i.test(ip)) return false;
  return family !== 0 && !NOT_PUBLIC.check(ip, family === 6 ? 'ipv6' : 'ipv4');
}

/** Names answered by the given DNS servers, or by the machine's own where none are given. */
export function dnsResolve(servers?: readonly string[]): Resolve {
  const resolver = new Resolver({ timeout: 2000, tries: 2 });
  if (servers) resolver.setServers(servers);
  return async (host) => {
    const four = await resolver.resolve4(host).catch((error: unknown) => error);
    if (Array.isArray(four) && four.length > 0) return four as string[];
    return resolver.resolve6(host);
  };
}

/** The records of one sort that a name has, as texts; or why there are none. */
export function dnsRecords(servers?: readonly string[]): (name: string, type: 'A' | 'AAAA' | 'CNAME' | 'TXT') => Promise<RecordAnswer> {
  const resolver = new Resolver({ timeout: 2000, tries: 2 });
  if (servers) resolver.setServers(servers);
  const texts = dnsTexts(servers);
  return async (name, type) => {
    try {
      // An alias that leads to nothing of the sort is answered with an empty list.
      const some = (values: readonly string[]): RecordAnswer => (values.length === 0 ? { failed: 'none' } : { found: values });
      if (type === 'A') return some(await resolver.resolve4(name));
      if (type === 'AAAA') return some(await resolver.resolve6(name));
      if (type === 'CNAME') return some(await resolver.resolveCname(name));
      const found = await texts(name);
      return typeof found === 'string' ? { failed: found } : some(found.map((strings) => strings.join('')));
    } catch (error) {
      return { failed: dnsFailure(error) };
    }
  };
}

/** Texts of a name's TXT records, each in the strings of which it is made; or why there are none. */
export function dnsTexts(servers?: readonly string[]): (name: string) => Promise<readonly (readonly string[])[] | 'no-such-name' | 'none' | 'no-answer'> {
  const resolver = new Resolver({ timeout: 2000, tries: 2 });
  if (servers) resolver.setServers(servers);
  return async (name) => {
    try {
      // The resolver hands octets over one by one; what zones say is UTF-8.
      return (await resolver.resolveTxt(name)).map((strings) => strings.map((one) => Buffer.from(one, 'latin1').toString('utf8')));
    } catch (error) {
      return dnsFailure(error);
    }
  };
}

/** One of the name servers that a domain names as its own, and how it is asked. */
export interface NameServer {
  readonly name: string;
  readonly ask: ReturnType<typeof dnsRecords>;
}
const MOST_SERVERS = 6;

/**
 * The name servers of a domain, each to be asked by itself: what one says and another does not is seen only so. `via` is who is asked for them, `port` where
 * they listen; `allows` says at which addresses they are asked. None where they cannot be found out.
 */
export async function nameServers(
  domain: string,
  { via, port = 53, allows }: { readonly via?: readonly string[]; readonly port?: number; readonly allows: (ip: string) => boolean },
): Promise<readonly NameServer[]> {
  const resolver = new Resolver({ timeout: 2000, tries: 2 });
  if (via) resolver.setServers(via);
  const names = await resolver.resolveNs(domain).catch(() => []);
  const found = await Promise.all(
    [...names]
      .sort()
      .slice(0, MOST_SERVERS)
      .map(async (name): Promise<NameServer | undefined> => {
        const addresses = (await resolver.resolve4(name).catch(() => [])).filter(allows);
        return addresses.length === 0 ? undefined : { name, ask: dnsRecords(addresses.map((address) => `${address}:${port}`)) };
      }),
  );
  return found.filter((server) => server !== undefined);
}

/** The world outside: real DNS, public addresses only, TLS where the address says so. */
export function realWorld(resolve: Resolve = dnsResolve()): World {
  return { resolve, allows: isPublicAddress, target: (address) => ({ origin: address.origin, pin: address.hostname }) };
}

/**
 * The stand-ins' world: their DNS, and nothing but their host's port on loopback. That host speaks plain HTTP; for an `https` address the connection
 * goes there all the same, and the scheme travels along as a proxy would tell it.
 */
export function standInWorld(resolve: Resolve, hostPort: () => number): World {
  return { resolve, allows: (ip) => ip === '127.0.0.1', target: (_address, ip) => ({ origin: `http://${ip}:${hostPort()}`, pin: undefined }) };
}
