import { gatherContent, outlineOf } from '../content/index.ts';
import { pageTree } from '../markup/index.ts';
import { documentTitle, metaDescription, type PageFacts } from '../page/index.ts';
import type { PageId } from '../source/index.ts';
import { addressOf, guessKind, siteOrigin, type SiteDocument } from '../site/index.ts';
import type { MarkupInput } from './field.ts';
import { processorOf } from './processors/index.ts';

/** The value of a page's structured data that an owner's own word stands for: what the page is, and the property. */
export interface ValueName {
  readonly processor: string;
  readonly path: string;
}

/** What a page itself says for some values, as people read it, by name; empty where it says nothing. `text` is its source. */
export function saidValues(
  document: SiteDocument,
  id: PageId,
  { text, facts }: { readonly text: string; readonly facts: PageFacts },
  names: readonly ValueName[],
): readonly string[] {
  if (names.length === 0) return [];
  const { language, country } = document.tables.facts[''] ?? {};
  const address = siteOrigin(document) + addressOf(id);
  const lang = facts.lang ?? language ?? '';
  const content = gatherContent(outlineOf(pageTree(text)), facts, { lang, host: new URL(address).host, country: country ?? undefined });
  const description = metaDescription(facts)?.content ?? '';
  const input: MarkupInput = {
    document,
    page: { id, kind: guessKind(addressOf(id), facts), isHome: addressOf(id) === '/', facts },
    content,
    address,
    title: documentTitle(facts)?.text ?? '',
    description: { value: description, from: description === '' ? 'none' : 'page' },
    lang,
    above: [],
  };
  return names.map(
    ({ processor, path }) =>
      processorOf(processor)
        ?.fields.find((field) => field.path === path)
        ?.find(input)?.text ?? '',
  );
}
