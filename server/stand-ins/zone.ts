import { z } from 'zod';
import { zoneRecord, type ZoneRecord } from '../../core/exchange/index.ts';
import type { Store } from './store.ts';

/** Values that a name had until lately, by sort of record: resolvers that asked before keep them until then. Milliseconds since 1970. */
const former = z.strictObject({ type: z.string(), values: z.array(z.string()), until: z.number() });
export type Former = z.infer<typeof former>;
const saved = z.strictObject({
  version: z.literal(1),
  domains: z.record(z.string(), z.array(zoneRecord)),
  former: z.record(z.string(), z.array(former)).optional(),
});

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
    this.domains = found?.domains ?? {};
    this.former = found?.former ?? {};
  }

  /** The records of a domain. */
  of(domain: string): readonly ZoneRecord[] {
    return Object.hasOwn(this.domains, domain) ? (this.domains[domain] ?? []) : [];
  }

  /** Sets all records of a domain at once. Written first, known after. What changes is still held by resolvers that asked before, for as long as it was to live. */
  async set(domain: string, records: readonly ZoneRecord[]): Promise<void> {
    const before = this.of(domain);
    const domains = { ...this.domains, [domain]: records };
    const now = this.now();
    const former: Record<string, Former[]> = Object.fromEntries(
      Object.entries(this.former).map(([name, all]) => [name, all.filter(({ until }) => until > now)]),
    );
    for (const key of new Set(before.map(({ name, type }) => `${name} ${type}`))) {
      const [name = '', type = ''] = key.split(' ');
      const ofKey = (all: readonly ZoneRecord[]): readonly ZoneRecord[] => all.filter((record) => record.name === name && record.type === type);
      const [was, is] = [ofKey(before), ofKey(records)];
      const values = was.map(({ value }) => value);
      if (is.length === was.length && is.every(({ value }) => values.includes(value))) continue;
      const whole = name === '@' ? domain : `${name}.${domain}`;
      const held = former[whole]?.some((one) => one.type === type) === true;
      // What is held already stays held: a second change does not make resolvers ask sooner.
      if (!held) former[whole] = [...(former[whole] ?? []), { type, values, until: now + Math.max(...was.map(({ ttl }) => ttl)) * 1000 }];
    }
    await this.store.write('zone', { version: 1, domains, former });
    this.domains = domains;
    this.former = former;
  }

  /** What resolvers may still hold of a name. */
  formerAt(name: string, type: string): Former | undefined {
    const found = (Object.hasOwn(this.former, name) ? this.former[name] : undefined)?.find((one) => one.type === type);
    return found && found.until > this.now() ? found : undefined;
  }

  /** The records of a whole name, whichever domain it is of. */
  at(name: string): readonly ZoneRecord[] {
    const parts = name.split('.');
    for (let from = 0; from < parts.length - 1; from++) {
      const label = from === 0 ? '@' : parts.slice(0, from).join('.');
      const found = this.of(parts.slice(from).join('.')).filter((record) => record.name === label);
      if (found.length > 0) return found;
    }
    return [];
  }
}
