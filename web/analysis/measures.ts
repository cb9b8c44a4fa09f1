import { languageOf, measureText, type TextMeasure } from '../../core/language/index.ts';
import { PAGE_LIMITS, readPage } from '../../core/page/index.ts';
import { loadBytes } from '../storage/index.ts';
import type { StoredSite } from './read-site.ts';

/** By the hash of the bytes and the language: kept from one opening of a site to the next. */
const known = new Map<string, TextMeasure>();

/** How the pages of a site read. */
export class Measures {
  private readonly hashes: ReadonlyMap<string, string>;

  constructor(
    private readonly store: StoredSite,
    private readonly now: () => number,
  ) {
    this.hashes = new Map(store.files.map((file) => [file.path, file.hash]));
  }

  /** How a page reads, in the language it declares or else in the site's. Undefined where it cannot be read. */
  async of(id: string, siteLanguage: string | null | undefined): Promise<TextMeasure | undefined> {
    const key = `${this.hashes.get(id) ?? id} ${siteLanguage ?? ''}`;
    const measure = known.get(key) ?? (await this.measure(id, siteLanguage));
    if (measure) known.set(key, measure);
    return measure;
  }

  private async measure(id: string, siteLanguage: string | null | undefined): Promise<TextMeasure | undefined> {
    const bytes = await loadBytes(this.store.db, this.store.siteId, id);
    if (!bytes) return undefined;
    const until = this.now() + PAGE_LIMITS.milliseconds;
    const reading = readPage(bytes, { keepText: true, outOfTime: () => this.now() > until });
    return reading.ok ? measureText(reading.facts.blocks ?? [], languageOf(reading.facts.lang, siteLanguage)) : undefined;
  }
}
