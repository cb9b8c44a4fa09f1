import type { PageFacts } from '../page/index.ts';

/** What a page is for. */
export const KINDS = ['page', 'service', 'event', 'product', 'post', 'category', 'tag', 'author', 'date', 'other'] as const;
export type Kind = (typeof KINDS)[number];

/** What the owner wants of a page. */
export type Intent = 'list' | 'out';

/** What a good practitioner would want of each kind: archives of a small site repeat its posts, so they stay out. */
export const KIND_INTENTS: Readonly<Record<Kind, Intent>> = {
  page: 'list',
  service: 'list',
  event: 'list',
  product: 'list',
  post: 'list',
  category: 'list',
  tag: 'out',
  author: 'out',
  date: 'out',
  other: 'list',
};

const BY_FOLDER: readonly [RegExp, Kind][] = [
  [/(^|\/)(tags?|topics?|schlagwort|etiquetas?|mots?-cles?)\/[^/]/, 'tag'],
  [/(^|\/)(authors?|autor(en)?|auteurs?|by)\/[^/]/, 'author'],
  [/(^|\/)(categor(y|ies)|kategorien?|rubriken?)\/[^/]/, 'category'],
  [/(^|\/)(19|20)\d\d\/((0?[1-9]|1[0-2])\/)?$/, 'date'],
  [/(^|\/)(journal|blog|news|posts?|articles?|notes|aktuelles|actualites?|noticias)\/[^/]/, 'post'],
  [/(^|\/)(19|20)\d\d\/(0?[1-9]|1[0-2])\/[^/]/, 'post'],
  [/(^|\/)(shop|store|products?|produkte?|boutique|tienda)\/[^/]/, 'product'],
  [/(^|\/)(workshops?|events?|courses?|termine|kurse|veranstaltungen|evenements|eventos)\/[^/]/, 'event'],
  [/(^|\/)(services?|leistungen|angebote|prestations|servicios)\/[^/]/, 'service'],
];

/** Guesses a page's kind from its address, then from what it declares itself to be. The owner's own word comes before this. */
export function guessKind(address: string, facts: PageFacts): Kind {
  const path = address.toLowerCase();
  for (const [pattern, kind] of BY_FOLDER) if (pattern.test(path)) return kind;
  const declared = facts.metas
    .find((meta) => meta.property === 'og:type')
    ?.content?.trim()
    .toLowerCase();
  if (declared === 'article') return 'post';
  if (declared === 'product') return 'product';
  for (const { text } of facts.jsonLd) {
    if (/"@type"\s*:\s*"(?:Blog|News)?(?:Posting|Article)"/.test(text)) return 'post';
    if (/"@type"\s*:\s*"Product"/.test(text)) return 'product';
    if (/"@type"\s*:\s*"Event"/.test(text)) return 'event';
  }
  return 'page';
}
