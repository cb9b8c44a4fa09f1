import type { MetaFact, PageFacts, TitleFact } from './facts.ts';

/** Product tokens of the crawlers that this program knows; a `meta` may address them by name. */
export const CRAWLERS = ['SkerryBot', 'PloverBot', 'PloverBot-Image'] as const;
const CRAWLER_NAMES = new Set<string>(CRAWLERS.map((name) => name.toLowerCase()));

/** The title of the document: the first `title` in the HTML namespace, wherever it stands. */
export function documentTitle(facts: PageFacts): TitleFact | undefined {
  return facts.titles[0];
}

/** The page's main heading: the first of level 1 that says something. */
export function mainHeading(facts: PageFacts): string | undefined {
  return facts.headings.find((heading) => heading.level === 1 && heading.text !== '')?.text;
}

/** The description that engines read: the first in the head. */
export function metaDescription(facts: PageFacts): MetaFact | undefined {
  return facts.metas.find((meta) => meta.inHead && meta.name === 'description');
}

/** Robots metas that count (in the head), for all crawlers or for one that we know. */
export function robotsMetas(facts: PageFacts): MetaFact[] {
  return facts.metas.filter((meta) => meta.inHead && meta.name !== undefined && (meta.name === 'robots' || CRAWLER_NAMES.has(meta.name)));
}

/** What a meta refresh says: after how many whole seconds it leads where, as it is written (HTML standard, 4.2.5.3). Undefined where it only loads the page anew. */
export function refreshTarget({ httpEquiv, content }: MetaFact): { readonly seconds: number; readonly to: string } | undefined {
  if (httpEquiv !== 'refresh' || content === undefined) return undefined;
  const parts = /^\s*(\d+)(?:\.[\d.]*)?\s*(?:[;,]\s*(?:url\s*=\s*)?["']?([^"']*))?/i.exec(content);
  const to = parts?.[2]?.trim();
  return parts && to ? { seconds: Number(parts[1]), to } : undefined;
}

/** The metas by which a page sends its visitors on, wherever they stand: browsers heed them in the body too. */
export function refreshMetas(facts: PageFacts): MetaFact[] {
  return facts.metas.filter((meta) => refreshTarget(meta) !== undefined);
}

/** The address against which what a page names is resolved: that of its `base` element, else its own, which is `address` (HTML standard, 2.4.3). */
export function baseAddress({ base }: PageFacts, address: string): string {
  return base !== undefined && URL.canParse(base, address) ? new URL(base, address).href : address;
}

/** The addresses that `link rel=canonical` in the head names, unresolved, without repeats. */
export function canonicalHrefs(facts: PageFacts): string[] {
  return [
    ...new Set(
      facts.linkTags.filter((link) => link.inHead && link.rel.includes('canonical') && link.href !== undefined).map((link) => (link.href as string).trim()),
    ),
  ];
}
