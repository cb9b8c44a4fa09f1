import { z } from 'zod';
import { zoneRecord, type ZoneRecord } from '../../core/exchange/index.ts';
import type { Store } from './store.ts';

const saved = z.strictObject({ version: z.literal(1), domains: z.record(z.string(), z.array(zoneRecord)) });

/** The stand-in zone: records that owners set for their domains, beside the addresses that the host's sites have by themselves. */
export class StandInZone {
  private domains: Readonly<Record<string, readonly ZoneRecord[]>> = {};

  constructor(private readonly store: Store) {}

  async open(): Promise<void> {
    this.domains = (await this.store.read('zone', saved))?.domains ?? {};
  }

  /** The records of a domain. */
  of(domain: string): readonly ZoneRecord[] {
    return Object.hasOwn(this.domains, domain) ? (this.domains[domain] ?? []) : [];
  }

  /** Sets all records of a domain at once. Written first, known after. */
  async set(domain: string, records: readonly ZoneRecord[]): Promise<void> {
    const domains = { ...this.domains, [domain]: records };
    await this.store.write('zone', { version: 1, domains });
    this.domains = domains;
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
