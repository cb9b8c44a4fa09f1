import { strictest, indexDirectives, type IndexDirectives } from './directives.ts';
import type { MetaFact, PageFacts, TitleFact } from './facts.ts';

/** Product tokens of the crawlers that this program knows; a `meta` may address them by name. */
export const CRAWLERS = ['SkerryBot', 'PloverBot', 'PloverBot-Image'] as const;
const CRAWLER_NAMES = new Set<string>(CRAWLERS.map((name) => name.toLowerCase()));

/** The title of the document: the first `title` in the HTML namespace, wherever it stands. */
export function documentTitle(facts: PageFacts): TitleFact | undefined {
  return facts.titles[0];
}

/** The description that engines read: the first in the head. */
export function metaDescription(facts: PageFacts): MetaFact | undefined {
  return facts.metas.find((meta) => meta.inHead && meta.name === 'description');
}

/** Robots metas that count (in the head), for all crawlers or for one that we know. */
export function robotsMetas(facts: PageFacts): MetaFact[] {
  return facts.metas.filter((meta) => meta.inHead && meta.name !== undefined && (meta.name === 'robots' || CRAWLER_NAMES.has(meta.name)));
}

/** What the page's metas say to one crawler; its own tag adds to the general one. */
export function metaDirectives(facts: PageFacts, crawler: string): IndexDirectives {
  const name = crawler.toLowerCase();
  return strictest(
    facts.metas.filter((meta) => meta.inHead && (meta.name === 'robots' || meta.name === name)).map((meta) => indexDirectives(meta.content ?? '')),
  );
}

/** The addresses that `link rel=canonical` in the head names, unresolved, without repeats. */
export function canonicalHrefs(facts: PageFacts): string[] {
  return [
    ...new Set(
      facts.linkTags.filter((link) => link.inHead && link.rel.includes('canonical') && link.href !== undefined).map((link) => (link.href as string).trim()),
    ),
  ];
}
