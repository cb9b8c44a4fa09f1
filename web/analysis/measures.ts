import type { PageId } from '../../core/source/index.ts';
import { languageOf, measureText, type TextMeasure } from '../../core/language/index.ts';
import type { ReadAhead } from './pages-ahead.ts';
import { keptByHash, type StoredSite } from './read-site.ts';

/** By the hash of the bytes and the language: kept from one opening of a site to the next. */
const known = new Map<string, TextMeasure>();

/** How the pages of a site read. */
export class Measures {
  private readonly hashOf: (id: PageId) => string;

  constructor(store: StoredSite) {
    this.hashOf = keptByHash(known, store.files);
  }

  /** How a page reads, in the language it declares or else in the site's; `read` reads it. Undefined where it cannot be read. */
  async of(id: PageId, siteLanguage: string | null | undefined, read: () => Promise<ReadAhead | undefined>): Promise<TextMeasure | undefined> {
    const key = `${this.hashOf(id)} ${siteLanguage ?? ''}`;
    const there = known.get(key);
    if (there) return there;
    const page = await read();
    const measure = page && measureText(page.facts.blocks ?? [], languageOf(page.facts.lang, siteLanguage));
    if (measure) known.set(key, measure);
    return measure;
  }
}
