import { z } from 'zod';
import { keptRecord, zoneRecord, type ZoneRecord } from '../../core/exchange/index.ts';
import { RequestError } from '../errors.ts';
import type { Store } from './store.ts';

/** Values that a name had until lately, by sort of record, none where it was not there: resolvers that asked before keep that until then. Milliseconds since 1970. */
const former = z.strictObject({ type: z.string(), values: z.array(z.string()), until: z.number() });
export type Former = z.infer<typeof former>;
const saved = z.strictObject({
  version: z.literal(1),
  domains: z.record(z.string(), z.array(keptRecord)),
  former: z.record(z.string(), z.array(former)).optional(),
});

/** Seconds for which resolvers keep that there is no such record (RFC 2308, 5). */
export const NEGATIVE_TTL = 900;

/** The stand-in zone: records that owners set for their domains, beside the addresses that the host's sites have by themselves. */
export class StandInZone {
  private domains: Readonly<Record<string, readonly ZoneRecord[]>> = {};
  private former: Readonly<Record<string, readonly Former[]>> = {};

  constructor(
    private readonly store: Store,
    private readonly now: () => number,
  ) {}

  async open(): Promise<void> {
    const found = await this.store.read('zone', saved);
    // What was kept by an earlier version and is no record of its sort is left out: no name server could answer with it.
    const sound = (records: readonly ZoneRecord[]): readonly ZoneRecord[] => records.filter((record) => zoneRecord.safeParse(record).success);
    this.domains = Object.fromEntries(Object.entries(found?.domains ?? {}).map(([domain, records]) => [domain, sound(records)]));
    this.former = found?.former ?? {};
  }

  /** The records of a domain. */
  of(domain: string): readonly ZoneRecord[] {
    return Object.hasOwn(this.domains, domain) ? (this.domains[domain] ?? []) : [];
  }

  /**
   * Sets all records of a domain at once. Written first, known after. What changes is still held by resolvers that asked before, for as long as it was to
   * live; that there was none, for as long as negative answers live. Refuses an alias that does not stand alone (RFC 1034, 3.6.2).
   */
  async set(domain: string, records: readonly ZoneRecord[]): Promise<void> {
    const alias = records.find(({ type, name }) => type === 'CNAME' && (name === '@' || records.filter((other) => other.name === name).length > 1));
    if (alias) throw new RequestError('alias-beside', wholeName(alias.name, domain));
    const before = this.of(domain);
    const domains = { ...this.domains, [domain]: records };
    const now = this.now();
    const former: Record<string, Former[]> = Object.fromEntries(
      Object.entries(this.former).map(([name, all]) => [name, all.filter(({ until }) => until > now)]),
    );
    for (const key of new Set([...before, ...records].map(({ name, type }) => `${name} ${type}`))) {
      const [name = '', type = ''] = key.split(' ');
      const ofKey = (all: readonly ZoneRecord[]): readonly ZoneRecord[] => all.filter((record) => record.name === name && record.type === type);
      const [was, is] = [ofKey(before), ofKey(records)];
      const values = was.map(({ value }) => value);
      if (is.length === was.length && is.every(({ value }) => values.includes(value))) continue;
      const whole = wholeName(name, domain);
      const seconds = was.length === 0 ? NEGATIVE_TTL : Math.max(...was.map(({ ttl }) => ttl));
      // What is held already stays held: some asked before the change before this one.
      const others = (former[whole] ?? []).filter((one) => one.type !== type || !sameValues(one.values, values));
      former[whole] = [...others, { type, values, until: now + seconds * 1000 }];
    }
    await this.store.write('zone', { version: 1, domains, former });
    this.domains = domains;
    this.former = former;
  }

  /** What resolvers may still hold of a name that is not so any more, the longest first. */
  formerAt(name: string, type: string): readonly Former[] {
    const now = this.at(name).flatMap((record) => (record.type === type ? [record.value] : []));
    return (Object.hasOwn(this.former, name) ? (this.former[name] as readonly Former[]) : [])
      .filter((one) => one.type === type && one.until > this.now() && !sameValues(one.values, now))
      .sort((a, b) => b.until - a.until);
  }

  /** The records of a whole name, whichever domain it is of; where nothing is there, those of the nearest `*` above it (RFC 4592, 3.3.1). */
  at(name: string): readonly ZoneRecord[] {
    if (this.exists(name)) return this.exactly(name);
    for (let parent = above(name); parent !== ''; parent = above(parent)) {
      const wild = this.exactly(`*.${parent}`);
      if (wild.length > 0) return wild;
      // The nearest name that is there decides: a wildcard above it does not reach below.
      if (this.exists(parent)) return [];
    }
    return [];
  }

  /** Whether a name is there: it has records, or stands between a domain and one that has (RFC 4592, 2.2.2). */
  exists(name: string): boolean {
    const below = `.${name}`;
    return Object.entries(this.domains).some(
      ([domain, records]) =>
        records.length > 0 &&
        (domain === name ||
          domain.endsWith(below) ||
          (name.endsWith(`.${domain}`) && wholeNames(records, domain).some((whole) => whole === name || whole.endsWith(below)))),
    );
  }

  private exactly(name: string): readonly ZoneRecord[] {
    const parts = name.split('.');
    for (let from = 0; from < parts.length - 1; from++) {
      const label = from === 0 ? '@' : parts.slice(0, from).join('.');
      const found = this.of(parts.slice(from).join('.')).filter((record) => record.name === label);
      if (found.length > 0) return found;
    }
    return [];
  }
}

const sameValues = (a: readonly string[], b: readonly string[]): boolean => JSON.stringify([...a].sort()) === JSON.stringify([...b].sort());
const wholeName = (name: string, domain: string): string => (name === '@' ? domain : `${name}.${domain}`);
const wholeNames = (records: readonly ZoneRecord[], domain: string): readonly string[] => records.map(({ name }) => wholeName(name, domain));
const above = (name: string): string => (name.includes('.') ? name.slice(name.indexOf('.') + 1) : '');
