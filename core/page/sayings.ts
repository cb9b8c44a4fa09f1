import { CRAWLERS } from '../engines/index.ts';
import { indexDirectives } from './directives.ts';
import type { LinkTagFact, MetaFact, PageFacts } from './facts.ts';
import { refreshMetas } from './views.ts';
import { seen } from './white-space.ts';

/** What a page says about itself to engines, browsers and people, thing by thing; `structure` is how its own elements lie in one another. */
export const SAYINGS = [
  'title',
  'description',
  'keywords',
  'canonical',
  'robots',
  'refresh',
  'header',
  'base',
  'charset',
  'language',
  'alternates',
  'share',
  'structured-data',
  'headings',
  'links',
  'words',
  'structure',
] as const;
export type Saying = (typeof SAYINGS)[number];

const NAMES = new Set(['robots', ...CRAWLERS.map((name) => name.toLowerCase())]);
const NO_DIRECTIVE = JSON.stringify(indexDirectives(''));
/** Metas in place of a header that have a row of their own. */
const OWN_ROW = new Set(['refresh', 'content-type', 'content-language']);

/** Whether a meta tells crawlers something: it is for all or for one that we know, or says what only crawlers are told. */
function tellsCrawlers({ name, content = '' }: MetaFact): boolean {
  return name !== undefined && (NAMES.has(name) || JSON.stringify(indexDirectives(content)) !== NO_DIRECTIVE || /^(?:all|index|follow)$/i.test(content.trim()));
}

const metas = (facts: PageFacts, fits: (meta: MetaFact) => boolean): unknown =>
  facts.metas.filter(fits).map(({ name, property, httpEquiv, content, inHead }) => [name, property, httpEquiv, content, inHead]);
const links = (facts: PageFacts, fits: (link: LinkTagFact) => boolean): unknown =>
  facts.linkTags.filter(fits).map(({ rel, href, hreflang, type, inHead }) => [rel, href, hreflang, type, inHead]);

/** Each as a value that is the same as long as the page says the same. Those told by the tree alone are empty here. */
const READ: Readonly<Record<Saying, (facts: PageFacts) => unknown>> = {
  title: ({ titles }) => titles.map(({ text, inHead }) => [text, inHead]),
  description: (facts) => metas(facts, ({ name }) => name === 'description'),
  keywords: (facts) => metas(facts, ({ name }) => name === 'keywords'),
  canonical: (facts) => links(facts, ({ rel }) => rel.includes('canonical')),
  robots: (facts) => [metas(facts, tellsCrawlers), facts.noscriptNoindex],
  refresh: (facts) => refreshMetas(facts).map(({ content }) => content),
  header: (facts) => metas(facts, ({ httpEquiv }) => httpEquiv !== undefined && !OWN_ROW.has(httpEquiv)),
  base: ({ base }) => base,
  charset: (facts) => metas(facts, ({ httpEquiv }) => httpEquiv === 'content-type'),
  language: (facts) => [facts.lang, metas(facts, ({ httpEquiv }) => httpEquiv === 'content-language')],
  alternates: (facts) => links(facts, ({ rel }) => (rel.includes('alternate') && !rel.includes('stylesheet')) || rel.includes('amphtml')),
  share: (facts) => metas(facts, ({ property }) => property !== undefined),
  'structured-data': ({ jsonLd, itemscopes, itemTypes, price, times }) => [jsonLd.map(({ text }) => text), itemscopes, itemTypes, price, times],
  headings: ({ headings }) => headings.map(({ level, text }) => [level, text]),
  links: ({ anchors, otherAddresses }) => [anchors.map(({ href, text, nofollow }) => [href, text, nofollow]), otherAddresses],
  words: ({ wordCount, paragraphs, loose, text }) => [wordCount, [...paragraphs, ...loose, text ?? ''].map(seen).filter(Boolean)],
  structure: () => undefined,
};

/** What a page says otherwise than it did, in the order of the table. Both are read the same way: with their text kept, or without. */
export function changedSayings(before: PageFacts, after: PageFacts): Saying[] {
  return SAYINGS.filter((saying) => JSON.stringify(READ[saying](before)) !== JSON.stringify(READ[saying](after)));
}
