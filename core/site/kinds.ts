import type { PageFacts } from '../page/index.ts';
import { percentDecoded } from '../source/index.ts';
import { isNode, jsonLdNodes, type Node } from './json-ld-nodes.ts';

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

/** Folder words of small sites in English, German, French, Spanish, Italian, Dutch and Portuguese, one and many, without accents. */
const WORDS: Readonly<Partial<Record<Kind, string>>> = {
  tag: 'tags?|tagged|topics?|keywords?|labels?|schlagw(?:o|oe)rt(?:er|e)?|stichw(?:o|oe)rt(?:er|e)?|themen|etiquetas?|etiquettes?|mots?-cles?|sujets?|temas?|argoment[oi]|etichett[ae]|trefwoord(?:en)?|onderwerp(?:en)?|marcador(?:es)?|palavras?-chave',
  author: 'authors?|autor(?:en|es|as|in|innen|[ei])?|auteurs?|autore|contributors?|writers?|redakt(?:eur|ion)|by',
  category: 'categor(?:y|ies|ias?|ie|ieen)|kategorien?|rubrik(?:en)?|rubriques?|sections?',
  post: 'journal|blogs?|weblog|news|newsroom|posts?|articles?|artikel(?:en)?|articol[oi]|artig[o]s?|articulos?|notes?|notas?|stor(?:y|ies)|diary|magazin[e]?|press(?:-releases?)?|updates|aktuelles|neuigkeiten|nachrichten|beitrag|beitra?e?ge|tagebuch|actualites?|actus?|billets?|noticias?|novedades|entradas|notizi[ae]|novita|nieuws|berichten?|novidades',
  product:
    'shop|store|products?|produkte?n?|laden|boutique|magasin|produits?|tienda|productos?|prodott[oi]|negozio|winkel|producten|loja|produtos?|catalogue?|katalog',
  event:
    'workshops?|events?|courses?|classes|concerts?|exhibitions?|whats-on|termine?|kurse?|seminare?|veranstaltung(?:en)?|konzerte?|ausstellung(?:en)?|evenements?|ateliers?|stages?|eventos?|cursos?|taller(?:es)?|event[oi]|cors[oi]|evenement(?:en)?|cursus(?:sen)?|agenda|oficinas?',
  service: 'services?|treatments?|leistung(?:en)?|dienstleistung(?:en)?|angebote?|behandlung(?:en)?|prestations?|servicios?|serviz[io]|diensten?|servicos?',
};

/** Pages in such folders that are about the folder, or about buying: further pages of a list, baskets, archives. */
const OF_THE_FOLDER =
  /\/(?:page|seite|pagina|pagine|p)\/?-?\d+(?:\/|\.\w+)?$|\/(?:cart|basket|checkout|warenkorb|kasse|panier|carrito|carrello|winkelwagen|carrinho|account|search|suche|recherche|archives?|archiv|index|past|upcoming|calendar|kalender)(?:\/|\.\w+)?$/;

/** Folders by their words, in the order in which they are asked: an archive below a journal is an archive. */
const BY_FOLDER: readonly [RegExp, Kind][] = (['tag', 'author', 'category', 'post', 'product', 'event', 'service'] as const).map((kind) => [
  new RegExp(`(?:^|/)(?:${WORDS[kind] as string})/[^/]`),
  kind,
]);

/** The kind of the pages below something that is called so, in one of the words that folders are called by; undefined for any other name. */
export function kindOfFolderName(name: string): Kind | undefined {
  const words = plainPath(name.trim()).replace(/^(?:our|unsere?|nos|notre|nuestr[oa]s?|i nostri|le nostre|onze|nossos?|nossas?|the|all|alle|latest)\s+/, '');
  return BY_FOLDER.find(([pattern]) => pattern.test(`${words.replace(/\s+/g, '-')}/x`))?.[1];
}

/** Whether a page in a folder is about the folder, or about buying, not one of what the folder holds. */
export function isOfTheFolder(address: string): boolean {
  return OF_THE_FOLDER.test(plainPath(percentDecoded(address)));
}

/** Small letters without accents, as folder words are kept. */
function plainPath(path: string): string {
  return path
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .replace(/ß/g, 'ss')
    .replace(/[?#].*$/s, '')
    .toLowerCase();
}

/** Dates in addresses: archives by year, month or day, and posts below them or with the day in their name. */
const BY_DATE: readonly [RegExp, Kind][] = [
  [/(?:^|\/)(?:19|20)\d\d\/(?:(?:0?[1-9]|1[0-2])\/(?:(?:0?[1-9]|[12]\d|3[01])\/)?)?$/, 'date'],
  [/(?:^|\/)(?:19|20)\d\d\/(?:0?[1-9]|1[0-2])\/[^/]/, 'post'],
  [/(?:^|\/)(?:19|20)\d\d-(?:0[1-9]|1[0-2])-(?:0[1-9]|[12]\d|3[01])-[^/]/, 'post'],
];

/** Schema.org types, by the kind of page that is about such a thing. */
const BY_TYPE: readonly [RegExp, Kind][] = [
  [
    /^(?:(?:Blog|News|SocialMedia|LiveBlog|Advertiser|Satirical|Scholarly|Tech|Opinion|Analysis|Reportage|Review)?(?:Posting|(?:News)?Article)|Report)$/,
    'post',
  ],
  [/^(?:Product|ProductGroup|ProductModel|IndividualProduct|SomeProducts|Vehicle|Car|Book)$/, 'product'],
  [/^(?:\w+)?Event$|^(?:Course|CourseInstance|Festival|EventSeries)$/, 'event'],
  [/^(?:\w+)?Service$/, 'service'],
  [/^ProfilePage$/, 'author'],
];
const kindOfType = (type: string): Kind | undefined => BY_TYPE.find(([pattern]) => pattern.test(type))?.[1];

/** Archives say what they are at the front of their heading or title. */
const BY_HEADING: readonly [RegExp, Kind][] = [
  [/^(tagged?|tag archives?|posts? tagged|schlagwort|étiquette|mot-clé|etiqueta)\s*[:\u2013\u2014-]\s*\S/i, 'tag'],
  [/^(category|category archives?|kategorie|catégorie|categoría)\s*[:\u2013\u2014-]\s*\S/i, 'category'],
  [/^(author|posts by|articles by|autor(in)?|auteur|beiträge von)\s*[:\u2013\u2014-]?\s+\S/i, 'author'],
  [/^(archives?|archiv|monthly archives?|month|monat)\s*[:\u2013\u2014-]?\s*(\p{L}+\s+)?(19|20)\d\d$/iu, 'date'],
];

/**
 * Guesses a page's kind: from the one thing that it declares itself to be about, from the date or the folder in its address, from the shape of its heading,
 * from the site's feeds, and last from what it says to who shares it. The owner's own word and rules come before this. The home page is never a post. `inFeed`
 * tells whether a feed of the site names the page as an entry.
 */
export function guessKind(address: string, facts: PageFacts, inFeed = false): Kind {
  const path = plainPath(percentDecoded(address));
  if (/^\/(?:index\.\w+)?$/.test(path)) return 'page';
  const archive = BY_FOLDER.find(([pattern, kind]) => ARCHIVES.includes(kind) && pattern.test(path))?.[1];
  if (archive !== undefined && !OF_THE_FOLDER.test(path)) return archive;
  const about = mainThing(address, facts);
  if (about !== undefined) return about;
  for (const [pattern, kind] of BY_DATE) if (pattern.test(path)) return kind;
  if (!OF_THE_FOLDER.test(path)) for (const [pattern, kind] of BY_FOLDER) if (pattern.test(path)) return kind;
  for (const heading of [facts.headings.find((one) => one.level === 1)?.text ?? '', facts.titles[0]?.text ?? ''])
    for (const [pattern, kind] of BY_HEADING) if (pattern.test(heading)) return kind;
  if (inFeed) return 'post';
  const declared = facts.metas
    .find((meta) => meta.property === 'og:type')
    ?.content?.trim()
    .toLowerCase();
  return ({ article: 'post', product: 'product', profile: 'author' }[declared ?? ''] as Kind | undefined) ?? 'page';
}

/** The kind of the one thing that a page's markup is about; undefined where it is about none, or lists several. */
function mainThing(address: string, facts: PageFacts): Kind | undefined {
  // What holds a graph is no thing of its own.
  const nodes = [...jsonLdNodes(facts)].filter((node) => !Array.isArray(node['@graph']));
  const named = nodes.flatMap((node) =>
    isNode(node['mainEntity'])
      ? [node['mainEntity'], ...nodes.filter((one) => one['@id'] !== undefined && one['@id'] === (node['mainEntity'] as Node)['@id'])]
      : [],
  );
  const here = (node: Node): boolean =>
    node['mainEntityOfPage'] !== undefined ||
    [node['url'], node['@id']].some((one) => typeof one === 'string' && pathOf(one) === pathOf(address) && pathOf(one) !== '/');
  const ask = (types: readonly string[]): Kind | undefined => {
    const kinds = types.flatMap((type) => kindOfType(type) ?? []);
    return kinds.length > 0 && new Set(kinds).size === kinds.length ? kinds[0] : undefined;
  };
  for (const some of [named, nodes.filter(here), nodes]) {
    const kind = ask(some.flatMap(typesOf));
    if (kind !== undefined) return kind;
  }
  return ask(facts.itemTypes);
}

/** Types of a node; a node that is several things is one of them. */
const typesOf = (node: Node): string[] => {
  const types = [node['@type']].flat().flatMap((type) => (typeof type === 'string' ? [type.replace(/^.*[/#:]/, '')] : []));
  const telling = types.find((type) => kindOfType(type) !== undefined);
  return telling === undefined ? [] : [telling];
};
const pathOf = (address: string): string => (URL.canParse(address, 'https://a.example') ? new URL(address, 'https://a.example').pathname : address);
