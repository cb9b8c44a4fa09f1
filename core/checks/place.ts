import { indexDirectives, robotsMetas, type PageFacts } from '../page/index.ts';

/** Where a page says noindex. */
export function noindexPlace(facts: PageFacts): number | undefined {
  return robotsMetas(facts).find((meta) => indexDirectives(meta.content ?? '').noindex)?.tag.start;
}
