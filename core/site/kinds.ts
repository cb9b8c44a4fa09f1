import type { PageFacts } from '../page/index.ts';

/** What a page is for. */
export const KINDS = ['page', 'service', 'event', 'product', 'post', 'category', 'tag', 'author', 'date', 'other'] as const;
export type Kind = (typeof KINDS)[number];

/** What the owner wants of a page. */
export type Intent = 'list' | 'out';

/** All that is known of a kind of page. */
interface KindAbout {
  /** What it is called in titles and tables, and in lists of pages: one of it, and many. */
  readonly name: string;
  readonly one: string;
  readonly many: string;
  /** What a good practitioner would want of it: archives of a small site repeat its posts, so they stay out. */
  readonly intent: Intent;
  /** Why. */
  readonly why: string;
  /** Name of its map, and of its list in the map for people. */
  readonly map: string;
}

/** The kinds, one line each. */
export const KIND_TABLE: Readonly<Record<Kind, KindAbout>> = {
  page: { name: 'Page', one: 'Page', many: 'Pages', intent: 'list', map: 'pages', why: 'what people look for' },
  service: { name: 'Service', one: 'Service', many: 'Services', intent: 'list', map: 'services', why: 'what people look for' },
  event: { name: 'Event', one: 'Event', many: 'Events', intent: 'list', map: 'events', why: 'what people look for' },
  product: { name: 'Product', one: 'Product', many: 'Products', intent: 'list', map: 'products', why: 'what people look for' },
  post: { name: 'Post', one: 'Post', many: 'Posts', intent: 'list', map: 'posts', why: 'what people look for' },
  category: { name: 'Category', one: 'Category', many: 'Categories', intent: 'list', map: 'categories', why: 'a way in, if it says something of its own' },
  tag: { name: 'Tag', one: 'Tag', many: 'Tags', intent: 'out', map: 'tags', why: 'repeats the posts: out' },
  author: { name: 'Author', one: 'Author archive', many: 'Author archives', intent: 'out', map: 'authors', why: 'with one author it repeats all posts: out' },
  date: { name: 'Date archive', one: 'Date archive', many: 'Date archives', intent: 'out', map: 'dates', why: 'repeats the posts: out' },
  other: { name: 'Other', one: 'Other', many: 'Others', intent: 'list', map: 'others', why: 'listed, for want of a reason against' },
};

/** Why a kind is listed or kept out where the owner says nothing. */
export const ARCHIVES: readonly Kind[] = ['category', 'tag', 'author', 'date'];

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

/** Schema.org types, by the kind of page that is about such a thing. */
const BY_TYPE: readonly [RegExp, Kind][] = [
  [/^(Blog|News|SocialMedia|LiveBlog)?(Posting|Article)$|^Report$/, 'post'],
  [/^(Product|ProductGroup|IndividualProduct)$/, 'product'],
  [/^(\w+)?Event$|^CourseInstance$/, 'event'],
  [/^Service$/, 'service'],
  [/^ProfilePage$/, 'author'],
];

/** Archives say what they are at the front of their heading or title. */
const BY_HEADING: readonly [RegExp, Kind][] = [
  [/^(tagged?|tag archives?|posts? tagged|schlagwort|étiquette|mot-clé|etiqueta)\s*[:\u2013\u2014-]\s*\S/i, 'tag'],
  [/^(category|category archives?|kategorie|catégorie|categoría)\s*[:\u2013\u2014-]\s*\S/i, 'category'],
  [/^(author|posts by|articles by|autor(in)?|auteur|beiträge von)\s*[:\u2013\u2014-]?\s+\S/i, 'author'],
  [/^(archives?|archiv|monthly archives?|month|monat)\s*[:\u2013\u2014-]?\s*(\p{L}+\s+)?(19|20)\d\d$/iu, 'date'],
];

/**
 * Guesses a page's kind: from its address, from what it declares itself to be, from the shape of its heading, from the site's feeds. The owner's own
 * word and rules come before this. `inFeed` tells whether a feed of the site names the page as an entry.
 */
export function guessKind(address: string, facts: PageFacts, inFeed = false): Kind {
  const path = address.toLowerCase();
  for (const [pattern, kind] of BY_FOLDER) if (pattern.test(path)) return kind;
  const declared = facts.metas
    .find((meta) => meta.property === 'og:type')
    ?.content?.trim()
    .toLowerCase();
  if (declared === 'article') return 'post';
  if (declared === 'product') return 'product';
  if (declared === 'profile') return 'author';
  for (const { text } of facts.jsonLd)
    for (const [, type = ''] of text.matchAll(/"@type"\s*:\s*"(?:https?:\/\/schema\.org\/)?(\w+)"/g))
      for (const [pattern, kind] of BY_TYPE) if (pattern.test(type)) return kind;
  for (const heading of [facts.headings.find((one) => one.level === 1)?.text ?? '', facts.titles[0]?.text ?? ''])
    for (const [pattern, kind] of BY_HEADING) if (pattern.test(heading)) return kind;
  return inFeed ? 'post' : 'page';
}
