import type { PageId } from '../../core/source/index.ts';
import { addressOf, siteOrigin, type SiteDocument } from '../../core/site/index.ts';
import { readMeaning, type PageMeaning } from '../../core/structured-data/index.ts';
import { loadVocabulary } from '../../core/vocabulary/index.ts';
import type { ReadAhead } from './pages-ahead.ts';
import { keptByHash, type StoredSite } from './read-site.ts';

/** By the hash of the bytes and what else bears on it: kept from one opening of a site to the next. */
const known = new Map<string, PageMeaning>();

/** The whole address of a page as it was brought in: what its source names is read by it. */
export const importedAddress = (document: SiteDocument, id: PageId): string => siteOrigin(document) + (document.tables.pages[id]?.address ?? addressOf(id));

/** What the pages of a site say, and the structured data they came with. */
export class Meanings {
  private readonly hashOf: (id: PageId) => string;
  private readonly paths: ReadonlySet<string>;

  constructor({ files }: StoredSite) {
    this.hashOf = keptByHash(known, files);
    this.paths = new Set(files.map(({ path }) => path));
  }

  /** Names all of a document that what pages say depends on. */
  static basis(document: SiteDocument): string {
    const { language, country } = document.tables.facts[''] ?? {};
    return `${siteOrigin(document)} ${language ?? ''} ${country ?? ''}`;
  }

  /** What a page says; `read` reads it. Undefined where it cannot be read. */
  async of(id: PageId, document: SiteDocument, read: () => Promise<ReadAhead | undefined>): Promise<PageMeaning | undefined> {
    const key = `${this.hashOf(id)} ${id} ${Meanings.basis(document)}`;
    const there = known.get(key);
    if (there) return there;
    const page = await read();
    const meaning = page && (await this.meaningOf(id, document, page));
    if (meaning) known.set(key, meaning);
    return meaning;
  }

  private async meaningOf(id: PageId, document: SiteDocument, { text, facts }: ReadAhead): Promise<PageMeaning> {
    const { language, country } = document.tables.facts[''] ?? {};
    const origin = siteOrigin(document);
    return readMeaning(text, facts, {
      address: importedAddress(document, id),
      lang: facts.lang ?? language ?? '',
      country: country ?? undefined,
      vocabulary: await loadVocabulary(),
      exists: (address) => this.exists(address, origin),
    });
  }

  /** Whether an address leads to a file of the site; of other sites nobody knows. */
  private exists(address: string, origin: string): boolean {
    if (!URL.canParse(address, `${origin}/`)) return false;
    const url = new URL(address, `${origin}/`);
    if (url.host !== new URL(origin).host) return true;
    try {
      return this.paths.has(decodeURIComponent(url.pathname).replace(/^\//, '')) || /\/$|\/[^.]*$/.test(url.pathname);
    } catch {
      return false;
    }
  }
}
