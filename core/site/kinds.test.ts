import { describe, expect, it } from 'vitest';
import { factsOf } from '../testing/html.ts';
import { guessKind, kindsInFolders, type Kind, type PageInFolder } from './index.ts';

/** What addresses alone tell, on sites of several sorts and languages. */
const ADDRESSES: readonly (readonly [address: string, kind: Kind])[] = [
  ['/', 'page'],
  ['/index.html', 'page'],
  ['/about/', 'page'],
  ['/contact.html', 'page'],
  ['/blog/', 'page'],
  ['/blog/why-we-sew/', 'post'],
  ['/weblog/why-we-sew.html', 'post'],
  ['/story/the-first-press', 'post'],
  ['/stories/the-first-press', 'post'],
  ['/press-release/new-owner/', 'post'],
  ['/blog/page/2/', 'page'],
  ['/blog/archive/', 'page'],
  ['/2024/05/17/why-we-sew.html', 'post'],
  ['/2024-05-17-why-we-sew/', 'post'],
  ['/2024/', 'date'],
  ['/2024/05/', 'date'],
  ['/blog/2024/05/17/', 'date'],
  ['/blog/tag/leather/', 'tag'],
  ['/tagged/leather', 'tag'],
  ['/topic/leather/', 'tag'],
  ['/category/tools/', 'category'],
  ['/blog/categories/tools/', 'category'],
  ['/author/maren/', 'author'],
  ['/writers/maren/', 'author'],
  ['/products/bone-folder', 'product'],
  ['/product/bone-folder.html', 'product'],
  ['/store/bone-folder/', 'product'],
  ['/catalogue/bone-folder/', 'product'],
  ['/shop/cart/', 'page'],
  ['/shop/checkout', 'page'],
  ['/event/marbling-evening/', 'event'],
  ['/classes/marbling/', 'event'],
  ['/concerts/2026-spring/', 'event'],
  ['/events/past/', 'page'],
  ['/services/box-making/', 'service'],
  ['/service/box-making', 'service'],
  ['/treatments/massage/', 'service'],
  ['/aktuelles/neue-presse/', 'post'],
  ['/beitraege/neue-presse.html', 'post'],
  ['/beitr%C3%A4ge/neue-presse.html', 'post'],
  ['/neuigkeiten/neue-presse/', 'post'],
  ['/schlagwort/leder/', 'tag'],
  ['/schlagwörter/leder/', 'tag'],
  ['/kategorie/werkzeug/', 'category'],
  ['/autor/maren/', 'author'],
  ['/produkt/falzbein/', 'product'],
  ['/laden/falzbein/', 'product'],
  ['/warenkorb/', 'page'],
  ['/veranstaltung/marmorieren/', 'event'],
  ['/kurs/marmorieren/', 'event'],
  ['/kurse/marmorieren/', 'event'],
  ['/leistung/schuber/', 'service'],
  ['/dienstleistungen/schuber/', 'service'],
  ['/actualité/nouvelle-presse/', 'post'],
  ['/actualites/nouvelle-presse/', 'post'],
  ['/billets/nouvelle-presse/', 'post'],
  ['/étiquette/cuir/', 'tag'],
  ['/mots-clés/cuir/', 'tag'],
  ['/catégorie/outils/', 'category'],
  ['/auteur/maren/', 'author'],
  ['/produit/plioir/', 'product'],
  ['/événements/marbrure/', 'event'],
  ['/atelier/marbrure/', 'event'],
  ['/prestation/etui/', 'service'],
  ['/noticia/nueva-prensa/', 'post'],
  ['/artículos/nueva-prensa/', 'post'],
  ['/etiqueta/cuero/', 'tag'],
  ['/categoría/herramientas/', 'category'],
  ['/producto/plegadera/', 'product'],
  ['/talleres/marmoleado/', 'event'],
  ['/servicio/estuches/', 'service'],
  ['/notizie/nuova-pressa/', 'post'],
  ['/articolo/nuova-pressa/', 'post'],
  ['/prodotto/stecca/', 'product'],
  ['/corsi/marmorizzazione/', 'event'],
  ['/servizi/custodie/', 'service'],
  ['/nieuws/nieuwe-pers/', 'post'],
  ['/producten/vouwbeen/', 'product'],
  ['/evenementen/marmeren/', 'event'],
  ['/diensten/foedralen/', 'service'],
  ['/notícias/nova-prensa/', 'post'],
  ['/produtos/dobradeira/', 'product'],
  ['/serviços/estojos/', 'service'],
];

const jsonLd = (node: unknown): string => `<script type="application/ld+json">${JSON.stringify(node)}</script>`;
const EVENT = { '@type': 'Event', name: 'Marbling' };
const ARTICLE = { '@type': 'BlogPosting', headline: 'Why we sew' };
/** What pages mark up, at addresses that say nothing. */
const MARKUP: readonly (readonly [what: string, html: string, kind: Kind, address?: string])[] = [
  ['an article in JSON-LD', jsonLd(ARTICLE), 'post'],
  ['an article in a graph beside the site and the trail', jsonLd({ '@graph': [{ '@type': 'WebSite' }, { '@type': 'BreadcrumbList' }, ARTICLE] }), 'post'],
  ['a page whose main entity is a product', jsonLd({ '@type': 'WebPage', mainEntity: { '@type': 'Product' } }), 'product'],
  [
    'a product by reference',
    jsonLd({ '@graph': [{ '@type': 'ItemPage', mainEntity: { '@id': '#p' } }, { '@id': '#p', '@type': 'Product' }, EVENT] }),
    'product',
  ],
  ['several events are a list', jsonLd([EVENT, { ...EVENT, name: 'Sewing' }]), 'page'],
  ['a product in Microdata', '<main itemscope itemtype="https://schema.org/Product"><p itemprop=name>Folder</main>', 'product'],
  ['an event in a sidebar', '<main><p>About us.</main><aside><div itemscope itemtype="https://schema.org/Event"></div></aside>', 'page'],
  ['an article in RDFa, an event beside it', '<article vocab="https://schema.org/" typeof="Article"></article><footer><p typeof="Event"></footer>', 'post'],
  ['an entry of a microformat', '<article class="post h-entry"><h1 class=p-name>Why</h1></article>', 'post'],
  ['a feed of such entries', '<div class=h-entry></div><div class=h-entry></div>', 'page'],
  ['an event of a microformat', '<div class="h-event"><p class=p-name>Marbling</div>', 'event'],
  ['a course with its dates', jsonLd({ '@type': ['Course', 'Thing'], hasCourseInstance: { '@type': 'CourseInstance' } }), 'event'],
  ['a service of a sort', jsonLd({ '@type': 'FinancialService' }), 'service'],
  ['broken JSON says nothing', '<script type="application/ld+json">{"@type":"Product",</script>', 'page'],
  ['what it says to who shares it comes last', '<meta property=og:type content=article>', 'post'],
  ['and not before the folder', '<meta property=og:type content=article>', 'service', '/services/boxes/'],
  ['the home page is no post', `${jsonLd(ARTICLE)}<meta property=og:type content=article>`, 'page', '/'],
  ['markup goes before the folder', jsonLd({ '@type': 'Product' }), 'product', '/blog/bone-folder/'],
  ['an archive is one whatever it lists', jsonLd(ARTICLE), 'tag', '/tag/leather/'],
];

describe('what a page is for', () => {
  it.each(ADDRESSES)('%s is a %s', (address, kind) => expect(guessKind(address, factsOf('<p>'))).toBe(kind));
  it.each(MARKUP.map(([what, html, kind, address = '/x/']) => [what, html, kind, address] as const))('%s', (_, html, kind, address) =>
    expect(guessKind(address, factsOf(html))).toBe(kind),
  );
  it('an entry of a feed is a post', () => expect(guessKind('/x/', factsOf('<p>'), true)).toBe('post'));
});

describe('a list of one shape', () => {
  const page = (address: string, html: string, links: readonly string[] = []): PageInFolder => ({
    id: address,
    address,
    source: factsOf(html),
    hrefs: links,
    guess: guessKind(address, factsOf(html)),
  });
  const kindsOf = (pages: readonly PageInFolder[]): Record<string, Kind> => Object.fromEntries(kindsInFolders(pages));
  const four = ['a', 'b', 'c', 'd'];
  const list = (folder: string, html: (name: string) => string, index = '<h1>Things</h1>', links = four): PageInFolder[] => [
    page('/', '<h1>Home</h1>', [folder]),
    page(
      folder,
      index,
      links.map((name) => `${name}/`),
    ),
    ...four.map((name) => page(`${folder}${name}/`, html(name))),
  ];
  const product = jsonLd({ '@type': 'Product', name: 'Folder' });
  it('is what most of its pages that tell it are', () => {
    expect(kindsOf(list('/x/', (name) => (name < 'c' ? product : '<p>')))).toEqual({ '/x/c/': 'product', '/x/d/': 'product' });
  });
  it('is nothing where they do not agree, too few tell it, or no index of theirs links to all of them', () => {
    expect(kindsOf(list('/x/', (name) => (name === 'a' ? product : name === 'b' ? jsonLd(EVENT) : '<p>')))).toEqual({});
    expect(kindsOf(list('/x/', (name) => (name === 'a' ? product : '<p>')))).toEqual({});
    expect(kindsOf(list('/x/', (name) => (name < 'c' ? product : '<p>'), '<h1>Things</h1>', ['a', 'b']))).toEqual({});
    expect(kindsOf(list('/x/', (name) => (name < 'c' ? product : '<p>')).filter(({ address }) => address !== '/x/'))).toEqual({});
  });
  it.each([
    ['Our services', 'service'],
    ['Unsere Leistungen', 'service'],
    ['Nos événements', 'event'],
    ['Blog', 'post'],
    ['Notícias', 'post'],
    ['Productos', 'product'],
    ['Fun with paper', undefined],
  ] as const)('is what its index is called: %s', (name, kind) => {
    expect(kindsOf(list('/x/', () => '<p>', `<h1>${name}</h1>`))['/x/a/']).toBe(kind);
  });
  it('is posts where all are dated', () => {
    expect(Object.values(kindsOf(list('/x/', () => '<p><time datetime="2026-05-01">1 May</time>')))).toEqual(['post', 'post', 'post', 'post']);
    expect(kindsOf(list('/x/', (name) => (name < 'c' ? '<time>1 May</time>' : '<p>')))).toEqual({});
  });
  it('leaves pages alone that are about the folder, that tell what they are, and those at the top of the site', () => {
    const pages = [
      ...list('/x/', () => '<p>', '<h1>Blog</h1>', [...four, 'search', 'e']),
      page('/x/search/', '<p>'),
      page('/x/e/', product),
      ...four.map((name) => page(`/${name}/`, '<time>1 May</time>')),
    ];
    expect(Object.keys(kindsOf(pages))).toEqual(four.map((name) => `/x/${name}/`));
  });
  it('is found by file names too', () => {
    const files = [
      page('/x/index.html', '<h1>Workshops</h1>', ['one.html', './two.html', '/x/three.html']),
      ...['one', 'two', 'three'].map((name) => page(`/x/${name}.html`, '<p>')),
    ];
    expect(kindsOf(files)).toEqual({ '/x/one.html': 'event', '/x/two.html': 'event', '/x/three.html': 'event' });
  });
});
