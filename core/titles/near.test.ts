import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { NearIndex, similarity, type NearWay } from './index.ts';

type Pair = readonly [one: string, other: string];
/** Titles that a person would call nearly the same, and titles that only look so. */
const TITLES: { readonly near: readonly Pair[]; readonly far: readonly Pair[] } = {
  near: [
    ['Blue mug', 'Blue mugs'],
    ['Box making in Saltmere', 'Box-making in Saltmere!'],
    ['Bookbinding workshop Saltmere', 'Saltmere bookbinding workshop'],
    ['Café Crème Saltmere', 'Cafe Creme, Saltmere'],
    ['Über unsere Werkstatt', 'Uber unsere Werkstätte'],
    ['Prices | Quillfeather Bindery', 'Price | Quillfeather Bindery'],
    ['Repair of old books', 'Old books repair'],
    ['Our workshops in spring', 'Workshops in spring'],
    ['手作りの本と箱の店', '手作りの本と箱のお店'],
    ['古い本の修理と保存', '古い本の修理と保管'],
    ['Réparation de livres anciens', 'Reparation de livre ancien'],
    ['Marbling evening, 3 May', 'Marbling evening – 3 May'],
    ['Gift vouchers from the bindery', 'Gift voucher from the bindery'],
    ['Leather and how to choose it', 'How to choose leather'],
    ['Encuadernación de libros antiguos', 'Encuadernacion de libros antiguos'],
  ],
  far: [
    ['Blue mug', 'Blue rug'],
    ['Box making', 'Book making'],
    ['Workshops in spring', 'Workshops in winter'],
    ['Repair of old books', 'Prices of old books'],
    ['About us', 'Contact us'],
    ['Leather from calves', 'Leather from goats'],
    ['手作りの本', '手作りの箱'],
    ['Services | Quillfeather', 'Journal | Quillfeather'],
    ['Linen thread, white', 'Linen tape, white'],
    ['Opening hours', 'Opening the press'],
    ['Bone folder, large', 'Bone folder, small'],
    ['Page one', 'Page two'],
  ],
};
const DESCRIPTIONS: typeof TITLES = {
  near: [
    ['We sew each book by hand on linen tapes, so that it opens flat and lasts.', 'Each book is sewn by hand on linen tapes, so it opens flat and lasts.'],
    ['Boxes for books, made to measure in our workshop in Saltmere.', 'Made to measure in our workshop in Saltmere: boxes for books.'],
    ['Repair of torn pages, loose boards and broken spines since 1998.', 'We repair torn pages, loose boards and broken spines since 1998.'],
    ['Come to the marbling evening and take three sheets home with you.', 'Come to our marbling evenings and take three sheets home with you.'],
    ['Handmade journals with linen covers, in four colours, from 24 pounds.', 'Handmade journals with linen cover in four colours from 24 pounds.'],
    ['Was eine Reparatur kostet und wie lange sie dauert, auf einer Seite.', 'Was Reparaturen kosten und wie lange sie dauern – auf einer Seite.'],
    ['Nous réparons les livres anciens, feuille par feuille, à Saltmere.', 'A Saltmere, nous reparons les livres anciens feuille par feuille.'],
    ['Cajas para libros hechas a medida en nuestro taller de Saltmere.', 'Cajas para libros, hechas a medida en nuestro taller en Saltmere.'],
    ['本を一冊ずつ手で縫い、平らに開いて長く使えるようにします。', '本を一冊ずつ手で縫って、平らに開いて長く使えるようにします。'],
    ['Learn to sew a book in one day. All tools and materials are there.', 'Learn to sew a book in a day; all tools and materials are there.'],
    ['Opening hours, address and telephone of the bindery in Lantern Lane.', 'Address, telephone and opening hours of the bindery in Lantern Lane.'],
    ['Paste from wheat keeps for a week in the cold, and this is how it is cooked.', 'Wheat paste keeps for a week in the cold: this is how it is cooked.'],
    ['The leather we use is tanned with bark, and why that matters for a book.', 'Why it matters for a book that the leather we use is tanned with bark.'],
    ['A voucher for a workshop or for a repair, sent by post or by mail.', 'Vouchers for a workshop or a repair, sent by post or by mail.'],
    ['Old family Bibles get new spines and keep their old boards with us.', 'With us, old family Bibles get new spines and keep their boards.'],
  ],
  far: [
    ['Boxes for books, made to measure in our workshop in Saltmere.', 'Journals with linen covers, sewn in our workshop in Saltmere.'],
    ['Learn to sew a book in one day. All tools are there.', 'Learn to marble paper in one evening. Sheets can be taken home.'],
    ['What a repair costs and how long it takes.', 'What a voucher is and how long it is valid.'],
    ['The leather we use is tanned with bark.', 'The thread we use is spun from flax.'],
    ['Opening hours and address of the bindery.', 'The history of the bindery since 1998.'],
    ['We repair torn pages and loose boards.', 'We make slipcases and drop-back boxes.'],
    ['Wheat paste keeps for a week in the cold.', 'Bone folders keep their edge for years.'],
    ['本を一冊ずつ手で縫います。', '古い箱を新しい布で包みます。'],
    ['Nous réparons les livres anciens à Saltmere.', 'Nous fabriquons des étuis sur mesure pour vos livres.'],
    ['Gift vouchers for workshops, sent by post.', 'Workshops in spring, with dates and prices.'],
    ['All posts about leather, newest first.', 'All posts about paper and paste, oldest last.'],
    ['Maren Quill has bound books for thirty years.', 'The standing press came from a mill in the north.'],
  ],
};

/** Whether an index that holds only these two calls them near. */
function areNear([one, other]: Pair, way: NearWay): boolean {
  const index = new NearIndex([one, other], way);
  index.put('a', one);
  index.put('b', other);
  return index.near('a').includes('b');
}

describe('near copies, as a person would call them', () => {
  it.each([
    ['titles', TITLES, 'letters', 13],
    ['descriptions', DESCRIPTIONS, 'words', 14],
  ] as const)('of %s', (_, { near, far }, way, wanted) => {
    const missed = near.filter((pair) => !areNear(pair, way));
    expect(far.filter((pair) => areNear(pair, way))).toEqual([]);
    expect({ found: near.length - missed.length >= wanted, missed: missed.length > near.length - wanted ? missed : [] }).toEqual({ found: true, missed: [] });
  });
  it('are as near from either side, and nothing is nearer than itself', () => {
    fc.assert(
      fc.property(fc.string(), fc.string(), fc.constantFrom<NearWay>('letters', 'words'), (one, other, way) => {
        expect(similarity(one, other, way)).toBe(similarity(other, one, way));
        expect(similarity(one, other, way)).toBeLessThanOrEqual(1);
      }),
    );
  });
});
