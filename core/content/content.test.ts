import { describe, expect, it } from 'vitest';
import { pageTree } from '../markup/index.ts';
import { factsOf } from '../testing/html.ts';
import { SLOW } from '../testing/effort.ts';
import { expectInProportion } from '../testing/proportion.ts';
import { gatherContent, outlineOf, type PageContent } from './index.ts';

const contentOf = (html: string, lang = 'en'): PageContent => gatherContent(outlineOf(pageTree(html)), factsOf(html), { lang, host: 'a.example' });
const main = (body: string): string => `<html><body><header>Bindery</header><main>${body}</main><footer>© 2026</footer></body></html>`;

describe('dates of a page', () => {
  it.each<[string, string, Partial<Record<'published' | 'modified' | 'begins' | 'ends', string>>]>([
    ['en', '<h1>x</h1><time datetime="2026-02-03">3 Feb</time>', { published: '2026-02-03', begins: '2026-02-03' }],
    ['en', '<h1>x</h1><p>Published 3 February 2026 · Updated 5 March 2026</p>', { published: '2026-02-03', modified: '2026-03-05' }],
    ['de', '<h1>x</h1><p class="datum">Veröffentlicht am 3. Februar 2026</p>', { published: '2026-02-03' }],
    ['fr', '<p>Publié le 3 février 2026, mis à jour le 4 mars 2026</p>', { published: '2026-02-03', modified: '2026-03-04' }],
    ['es', '<p class=fecha>3 de febrero de 2026</p>', { published: '2026-02-03', begins: '2026-02-03' }],
    ['ja', '<p class=date>2026年2月3日</p>', { published: '2026-02-03', begins: '2026-02-03' }],
    ['en', '<p>From 9 January 2027, 10:00 to 10 January 2027, 16:00</p>', { begins: '2027-01-09T10:00', ends: '2027-01-10T16:00' }],
    [
      'en',
      '<p>In 1998 they met, and since then a great many books were sewn here, the first on 3 May 1998 and the last on 4 June 2020, all by hand and none in haste.</p>',
      {},
    ],
  ])('%s: %s', (lang, body, expected) => {
    const { published, modified, begins, ends } = contentOf(main(body), lang);
    const found = { published: published?.value, modified: modified?.value, begins: begins?.value, ends: ends?.value };
    expect(Object.fromEntries(Object.entries(found).filter(([, value]) => value !== undefined))).toEqual(expected);
  });
  it('takes a meta before what it shows, and nothing from the footer', () => {
    const html =
      '<html><head><meta property="article:published_time" content="2025-01-01T10:00:00Z"></head><body><main><p class=date>3 February 2026</p></main><footer>4 March 2020</footer></body></html>';
    expect(contentOf(html).published?.value).toBe('2025-01-01T10:00:00Z');
    expect(contentOf('<body><main><p>No date</p></main><footer><time datetime=2020-03-04>x</time></footer>').published).toBeUndefined();
  });
});

describe('who wrote it', () => {
  it.each([
    ['en', '<p class=byline>By Maren Quill, 3 May</p>', 'Maren Quill'],
    ['en', '<p>Written by <a rel=author href=/m>Maren Quill</a></p>', 'Maren Quill'],
    ['de', '<p>Von Dr. Jörg von Hütten · 3. Mai</p>', 'Dr. Jörg von Hütten'],
    ['fr', '<p>Par Anne-Marie Leclerc le 3 mai</p>', 'Anne-Marie Leclerc'],
    ['es', '<p class=autor>Por José de la Cruz</p>', 'José de la Cruz'],
    ['ja', '<p>文: 田中花子</p>', '田中花子'],
    ['en', '<p>By the harbour there is a shop.</p>', undefined],
    ['en', '<p>By hand and with care</p>', undefined],
  ])('%s: %s', (lang, body, name) => expect(contentOf(main(`<h1>x</h1>${body}`), lang).author?.value.name).toBe(name));
});

describe('what it costs', () => {
  it.each([
    ['en-GB', '<p class=price>£18.50, in stock</p>', '18.50 GBP InStock'],
    ['de', '<p>Preis: 1.234,50 € inkl. MwSt., sofort lieferbar</p>', '1234.50 EUR InStock'],
    ['fr', '<p class=prix>19,90 €</p><p>Rupture de stock</p>', '19.90 EUR OutOfStock'],
    ['es', '<p>Precio: 45 €</p><p>Agotado</p>', '45 EUR SoldOut'],
    ['ja', '<p>価格 ¥1,200</p><p>在庫あり</p>', '1200 JPY InStock'],
    ['en', '<p><del class=old>Was $20</del></p><p class=price>Now $15</p>', '15 USD '],
    ['en', '<p>One costs $5, another $7, a third $9 and all of them are good for the long winter evenings.</p>', ' '],
  ])('%s: %s', (lang, body, expected) => {
    const { price, availability } = contentOf(main(body), lang);
    expect(`${price === undefined ? ' ' : `${price.value.amount} ${price.value.currency ?? ''} `}${availability?.value ?? ''}`).toBe(expected);
  });
});

describe('what it costs, on pages as shops and builders make them', () => {
  const told = (body: string, lang: string): string => {
    const { price, priceRange, availability } = contentOf(body, lang);
    const range = priceRange?.value;
    return [
      price && `${price.value.amount} ${price.value.currency ?? '?'}`,
      range && `${range.low}${range.high === undefined ? '' : `–${range.high}`} ${range.currency ?? '?'}`,
      availability?.value,
    ]
      .filter((one) => one !== undefined)
      .join(' ');
  };
  const related =
    '<section class="related products"><h2>You may also like</h2><ul><li>Awl <span class=price>£9.00</span><li>Thread <span class=price>£4.00</span> Sold out</ul></section>';
  it.each([
    // A shop's sale: the old price is struck out, with the words for those who only hear it.
    [
      'en-GB',
      `<p class=price><del><span>£25.00</span></del> <ins><span>£19.00</span></ins></p><p class="stock in-stock">In stock</p>${related}`,
      '19.00 GBP InStock',
    ],
    ['en-GB', '<p class=price><s>£25.00</s> £19.00</p>', '19.00 GBP'],
    ['de', '<p class=price><span style="text-decoration: line-through">49,90 €</span> 39,90 €</p><p>inkl. MwSt., zzgl. 4,90 € Versand</p>', '39.90 EUR'],
    ['fr', '<div><span class="old-price">49,90 €</span> <span>39,90 €</span></div><p>Livraison 4,50 €</p><p>Épuisé</p>', '39.90 EUR SoldOut'],
    ['nl', '<p>Van € 50 voor € 40</p><p>Gratis verzending vanaf € 50</p>', '40 EUR'],
    ['pl', '<p class=price>90,00 zł</p><p>Najniższa cena z 30 dni: 85,00 zł</p><p>Brak w magazynie</p>', '90.00 PLN OutOfStock'],
    ['ja', '<p>通常価格 12,000円</p><p class=price>9,800円</p><p>送料 500円</p><p>残りわずか</p>', '9800 JPY LimitedAvailability'],
    ['es', '<p>Antes 30 €, ahora 24 €</p><p>Envío gratis a partir de 60 €</p>', '24 EUR'],
    ['it', '<p>24 € invece di 30 €</p><p>Disponibile</p>', '24 EUR InStock'],
    // What has no one price is told by its ends, or asked for.
    ['en-GB', '<p>Repairs from £45</p>', '45 GBP'],
    ['en-GB', '<p>Tickets: £8 to £12</p>', '8–12 GBP'],
    ['de', '<p>Übernachtung ab 65 €, Endreinigung 45 €, Kaution 200 €</p>', '65 EUR'],
    ['fr', '<p>Stage de 120 € à 180 €</p>', '120–180 EUR'],
    ['en-GB', '<p>Adults £12, children £6</p>', ''],
    ['en-GB', '<p>Small £9</p><p>Large £14</p>', ''],
    ['en-GB', '<p>3 for £10</p>', ''],
    ['en-GB', '<p>From £45</p><p>From £60</p><p>Up to £90</p>', ''],
    // What others cost, and what others say of stock, is not about it.
    ['en-GB', `<h1>Bone folder</h1><p>Made of bone.</p>${related}`, ''],
    ['en-GB', '<h1>Kit</h1><p class=price>£24</p><h2>Similar kits</h2><p class=price>£30</p><p>Sold out</p><h2>Care</h2><p>In stock</p>', '24 GBP InStock'],
    ['en-GB', '<h1>Kit</h1><p class=price>£24</p><div class=comments><p>I paid £30 elsewhere. Sold out there!</p></div>', '24 GBP'],
    ['en-GB', '<h1>Kit</h1><p class=price>£24</p><p>Never sold out so far.</p><p>Notify me when in stock</p>', '24 GBP'],
    ['de', '<h1>Kurs</h1><p>Preis: 95 €</p><p>Ausgebucht</p><h3>Weitere Kurse</h3><p>Preis: 80 €</p><p>Freie Plätze</p>', '95 EUR SoldOut'],
  ])('%s: %s', (lang, body, expected) => expect(told(main(body), lang)).toBe(expected));
});

describe('questions, steps and trails', () => {
  it.each([
    [
      '<details><summary>How?</summary><p>So.</p><p>And so.</p></details><details><summary>Why?</summary>Because.</details>',
      ['How? So. And so.', 'Why? Because.'],
    ],
    ['<dl><dt>How?<dd>So.<dt>Why?<dd>Because.</dl>', ['How? So.', 'Why? Because.']],
    ['<h2>How?¶</h2><p>So.<h2>Why?</h2><ul><li>a<li>b</ul><h2>Then</h2><p>x', ['How? So.', 'Why? a b']],
    ['<h2>Only one?</h2><p>Yes.', []],
  ])('%s', (body, questions) => expect(contentOf(main(body)).questions?.value.map(({ question, answer }) => `${question} ${answer}`) ?? []).toEqual(questions));
  it('a trail is what names itself one', () => {
    expect(
      contentOf('<body><nav aria-label=x class="breadcrumb"><ol><li><a href=/>Home</a><li><a href=/a/>A</a><li>Here</ol></nav><main><h1>Here</h1></main>').trail
        ?.value,
    ).toEqual([
      { name: 'Home', href: '/' },
      { name: 'A', href: '/a/' },
      { name: 'Here', href: '' },
    ]);
    expect(contentOf('<body><nav><a href=/>Home</a> <a href=/a/>A</a></nav><main><h1>Here</h1></main>').trail).toBeUndefined();
  });
});

describe('how to reach them', () => {
  it.each([
    ['<a href="tel:+44-1632-960147">call</a>', { telephone: '+441632960147' }],
    ['<p>Telephone: +49 30 901820</p>', { telephone: '+4930901820' }],
    ['<a href="mailto:hello@a.example?subject=x">write</a>', { email: 'hello@a.example' }],
    [
      '<address>4 Ropewalk Lane, Saltmere, SA1 2BC</address>',
      { address: { street: '4 Ropewalk Lane', locality: 'Saltmere', postalCode: 'SA1 2BC', country: 'GB' } },
    ],
    ['<p>Adresse: Lange Straße 12a, 10115 Berlin</p>', { address: { street: 'Lange Straße 12a', postalCode: '10115', locality: 'Berlin' } }],
    ['<table><tr><th>Tue–Fri<td>10:00–17:00<tr><th>Sat<td>10–14</table>', { hours: 'Tue–Fri 10:00–17:00\nSat 10–14' }],
    ['<header><img src=/a.png alt=x><img src=/pictures/logo.svg alt=""></header>', { logo: '/pictures/logo.svg' }],
    ['<nav><img src=/a.png alt="Logo of the bindery"></nav>', { logo: '/a.png' }],
    ['<img src=/logo.png alt="A logo that is shown in a text"><header><img src=/catalogo.png alt=""></header>', {}],
    ['<p>The bindery was founded in 1998 by Maren Quill in a shed.</p>', { founder: 'Maren Quill' }],
    ['<p>Gründerin: Anna von der Leyen, Meisterin</p>', { founder: 'Anna von der Leyen' }],
    ['<p>Maison fondée en 1920 par Jean Petit</p>', { founder: 'Jean Petit' }],
    ['<p>創業者：山田太郎</p>', { founder: '山田太郎' }],
    ['<p>It was founded by a group of friends. The founder is unknown.</p>', {}],
    ['<p>5.8. Row Security Policies, MAR-12-1967</p>', {}],
  ])('%s', (body, expected) => {
    const { profiles: _, ...contact } = contentOf(/<header|<nav/.test(body) ? `<body>${body}</body>` : main(body)).contact;
    const found = Object.fromEntries(Object.entries(contact).map(([field, said]) => [field, said?.value]));
    expect(Object.fromEntries(Object.entries(found).filter(([, value]) => value !== undefined))).toEqual(expected);
  });
  it('profiles are links that say so, on other sites', () => {
    const html = main(
      '<a rel=me href=https://b.example/q>b</a><a href=https://c.example/q>c</a><ul class=social><li><a href=https://d.example/q>d</a><li><a href=https://a.example/x>own</a></ul>',
    );
    expect(contentOf(html).contact.profiles.map(({ value }) => value)).toEqual(['https://b.example/q', 'https://d.example/q']);
  });
});

describe('places', () => {
  it('are where the value stands in the source', () => {
    const html = main('<h1>x</h1><p class=byline>By Maren Quill, <time datetime="2026-02-03">3 February 2026</time></p><p class=price>£18.50</p>');
    const { published, author, price } = contentOf(html);
    expect(html.slice(published?.start, published?.end)).toBe('<time datetime="2026-02-03">3 February 2026</time>');
    expect(html.slice(author?.start, author?.end)).toContain('By Maren Quill');
    expect(html.slice(price?.start, price?.end)).toBe('<p class=price>£18.50</p>');
  });
  it('what nobody sees is not read', () => {
    expect(
      contentOf(main('<p hidden class=price>£5</p><div style="display:none">£6</div><template><p class=price>£7</p></template><script>"£8"</script>')).amounts,
    ).toEqual([]);
  });
  it.each([
    '<p>Tel 1 2 3 4 5 6 7 8 9',
    '<ul><li>a',
    '<div>',
    '£1,000,000,000 ',
    '4 Ropewalk Lane Lane Lane, ',
    'Mon–Fri 9–5 ',
    '<details><summary>x?</summary>',
    '2026 2026 ',
    '<h2>a?</h2>',
  ])('takes time in proportion, however a page is made: %s', SLOW, (shape) =>
    expectInProportion({
      small: 1000,
      times: 8,
      make: (count) => main(shape.repeat(count)),
      work: (html) => void gatherContent(outlineOf(pageTree(html)), { ...factsOf('<p>x') }, { lang: 'en', host: 'a.example' }),
    }),
  );
});
