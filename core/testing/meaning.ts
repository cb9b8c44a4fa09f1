import { addressOf } from '../site/index.ts';
import { readMeaning, type PageMeaning } from '../structured-data/index.ts';
import { loadVocabulary } from '../vocabulary/index.ts';
import { factsOf } from './html.ts';

const vocabulary = await loadVocabulary();

/** What some pages say, and the structured data they came with: read as the program reads them. */
export function meaningsOf(pages: Readonly<Record<string, string>>, { origin = 'https://a.example', lang = 'en' } = {}): Map<string, PageMeaning> {
  const exists = (address: string): boolean => {
    const url = new URL(address, origin);
    return url.host !== new URL(origin).host || url.pathname.endsWith('.jpg') || url.pathname.slice(1) in pages;
  };
  return new Map(
    Object.entries(pages).map(([id, html]) => {
      const facts = factsOf(html);
      return [id, readMeaning(html, facts, { address: origin + addressOf(id), lang: facts.lang ?? lang, vocabulary, exists })];
    }),
  );
}
