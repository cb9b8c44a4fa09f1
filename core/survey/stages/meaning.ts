import type { PageId } from '../../source/index.ts';
import { siteOrigin, pageName } from '../../site/index.ts';
import { TrailIndex } from '../../links/index.ts';
import { isMarkupOn, markupOf, type MarkupInput, type WrittenMarkup } from '../../structured-data/index.ts';
import type { ResultsOf } from '../engine.ts';
import type { SiteInputs } from '../inputs.ts';
import { indexStage, pageStage } from '../stage.ts';
import { addresses } from './addresses.ts';
import { effectivePages, pageWords } from './effective.ts';

/** What stands above each page in its address: for the trail that leads there. */
export const trails = indexStage({
  name: 'trails',
  needs: { effectivePages, addresses },
  start: () => new TrailIndex(),
  put:
    (index, _inputs, { effectivePages, addresses }) =>
    ({ id }) =>
      index.put(id, addresses.of(id).address, pageName(effectivePages.of(id).site)),
});

const NEEDS = { effectivePages, pageWords, addresses, trails };

/** The structured data of each page as it will be written, and what it lacks. */
export const markup = pageStage({
  name: 'structured data',
  reads: ['facts', 'kinds', 'meaning'],
  readsOwn: ['markup', 'pages.markup', 'pages.foreignMarkup', 'pages.sharePicture', 'pages.lang', 'pages.markupBlock', 'meanings'],
  needs: NEEDS,
  make:
    (inputs, results) =>
    ({ id }): WrittenMarkup => {
      const { document, meanings, manifest } = inputs;
      const meaning = meanings.get(id);
      // Until a page was looked at, it stays as the last release has it.
      const waits = isMarkupOn({ document }) && meaning === undefined;
      const released = waits ? manifest?.files[id]?.edits.find((edit) => edit.kind === 'json-ld') : undefined;
      return markupOf(
        markupInput(inputs, results, id),
        meaning?.brought,
        waits ? { released: released?.kind === 'json-ld' ? released.graph : undefined } : undefined,
      );
    },
});

/** All that a page's structured data is made from. */
export function markupInput(
  { document, meanings, pages }: SiteInputs,
  { effectivePages, pageWords, addresses, trails }: ResultsOf<typeof NEEDS>,
  id: PageId,
): MarkupInput {
  const { site } = effectivePages.of(id);
  const { title, description } = pageWords.of(id);
  const { address } = addresses.of(id);
  const origin = siteOrigin(document);
  const { siteName, language } = document.tables.facts[''] ?? {};
  return {
    document,
    page: site,
    content: meanings.get(id)?.content,
    fed: pages.get(id)?.fed,
    address: origin + address,
    title: title.value,
    description,
    lang: site.facts.lang ?? language ?? '',
    above: trails.above(address).map((one) => ({ address: origin + one.address, name: one.address === '/' ? (siteName ?? one.name) : one.name })),
  };
}
