import type { IndexRecord } from '../../core/engine/index.ts';
import { TRADE_SITES } from './trades.ts';

/*
 * The town of Saltmere, where everything is invented: a few sites that stand in the engines' indexes beside the owner's, so that a place among results
 * means something. They are no files and can be visited by nobody.
 */

interface Neighbour {
  readonly host: string;
  readonly name: string;
  readonly pages: readonly (readonly [path: string, title: string, description: string, text: string, links: number])[];
}

const NEIGHBOURS: readonly Neighbour[] = [
  {
    host: 'saltmere-town.example',
    name: 'Saltmere Town',
    pages: [
      [
        '/',
        'Saltmere: town, harbour and moor',
        'What there is to see and do in Saltmere, and how to get here.',
        'Saltmere lies between the harbour and the moor. Visitors come for the market, the shops in Tallow Lane, the workshops, the museum and the long walk along the sea wall. Trains run each hour; parking is behind the old brewery. Opening hours of shops, places to stay and to eat.',
        15,
      ],
      [
        '/shops/',
        'Shops and workshops in Saltmere',
        'Every shop and workshop in town, street by street, with opening hours.',
        'Bookshop, bindery, bakery, baker, hairdresser, florist, cafe, butcher, grocer, garage, dentist, tailor, joiner, printer, stationer, potter, picture framing, jeweller, plumber, electrician. Each with address, telephone, prices where they are told and opening hours. Repairs of shoes, clocks, bicycles, furniture and books.',
        12,
      ],
      [
        '/events/',
        'What is on in Saltmere',
        'Workshops, concerts, courses and markets this month.',
        'Courses and classes: bookbinding for beginners, pottery, drawing, bread baking, yoga. Concerts in the Corn Hall, readings in the library, the winter market on the quay. Tickets and prices at the door.',
        9,
      ],
      [
        '/visit/',
        'Visit Saltmere: getting here and where to stay',
        'Trains, buses, parking, hotels and rooms in Saltmere.',
        'How to find us: by train from the county town, by bus along the coast, by car on the moor road. Hotels, guest houses, holiday flats and a camp site. Maps and directions.',
        8,
      ],
    ],
  },
  {
    host: 'saltmere-herald.example',
    name: 'The Saltmere Herald',
    pages: [
      [
        '/',
        'The Saltmere Herald: news from the harbour and the moor',
        'Local news, small ads and the tide table, since 1871.',
        'News of today: the sea wall, the school, the new bakery in Tallow Lane. Small ads: furniture, bicycles, rooms to let, jobs. Letters to the editor.',
        14,
      ],
      [
        '/crafts/why-hands-still-matter',
        'Why hands still matter: a walk through the workshops',
        'A reporter visits the bindery, the pottery and the joiner.',
        'A morning with people who make and mend: a bookbinder who restores family bibles, a potter, a joiner who repairs old furniture, a tailor. What does it cost to have a book rebound? How long does restoration take? Paper, leather, thread, glue, and time.',
        6,
      ],
      [
        '/food/the-best-bread-in-town',
        'The best bread in town',
        'Five bakeries, one loaf each.',
        'We tried sourdough, rye and rolls from every baker in Saltmere. Prices, opening hours and what to ask for. Cakes to order for weddings and birthdays.',
        5,
      ],
      [
        '/money/what-does-it-cost',
        'What does it cost? Prices of repairs in Saltmere',
        'Shoes, clocks, books, bicycles, boilers: what repairs cost here.',
        'We asked for prices: soles for shoes, a clock cleaned, a book repaired and its spine replaced, a bicycle serviced, a boiler looked at, a tooth filled. Price lists compared.',
        4,
      ],
    ],
  },
  {
    host: 'tallow-lane-books.example',
    name: 'Tallow Lane Books',
    pages: [
      [
        '/',
        'Tallow Lane Books: second-hand and rare books in Saltmere',
        'A bookshop with 20,000 old books, open six days a week.',
        'We buy and sell old, rare and second-hand books: local history, natural history, sea stories, bibles, prayer books, atlases. Valuations by appointment. We do not bind or repair books ourselves and send you round the corner for that.',
        7,
      ],
      [
        '/buying',
        'Selling us your books: how we value old books',
        'What your old books are worth, and what lowers it.',
        'Condition counts: loose boards, foxing, torn pages, a broken spine. Repair by a good binder pays for a family bible and seldom for a paperback. Storage: dry, dark and upright.',
        4,
      ],
      [
        '/care',
        'How to look after old books',
        'Light, damp, heat and sticky tape: what harms books.',
        'Store books away from sun and radiators. Never use sticky tape. Leather needs no oil. Boxes keep dust and light away. When in doubt ask a conservator.',
        3,
      ],
    ],
  },
  {
    host: 'county-conservators.example',
    name: 'County Guild of Conservators',
    pages: [
      [
        '/',
        'County Guild of Conservators: find a restorer',
        'Restorers of books, paper, paintings, furniture and textiles in the county.',
        'Our members restore books and paper, paintings, frames, furniture, clocks, ceramics and textiles. Search by town: Saltmere, Moorside, Fenby. Choosing a conservator, what restoration costs, codes of practice, insurance.',
        11,
      ],
      [
        '/paper-and-books',
        'Book and paper conservation',
        'Repair, rebinding and boxes: what conservators do for books and papers.',
        'Book restoration, rebinding, spine repair, leather bindings, paper repair with Japanese tissue, deacidification, boxes made to measure. Estimates are free with most members. Family bibles, parish registers, maps and certificates.',
        6,
      ],
    ],
  },
  {
    host: 'moorside-college.example',
    name: 'Moorside College',
    pages: [
      [
        '/',
        'Moorside College: evening courses for adults',
        'Courses in crafts, languages, computing and health.',
        'Evening and weekend courses: bookbinding, calligraphy, pottery, sewing, photography, web design, accounts, first aid, languages. Fees, dates and how to enrol.',
        8,
      ],
      [
        '/courses/crafts',
        'Craft courses and workshops',
        'Ten weeks of bookbinding, pottery or sewing, for beginners and improvers.',
        'Bookbinding for beginners: sewing, cases, cloth and paper. Workshop places are limited to eight. Materials included. Gift vouchers for courses.',
        5,
      ],
      [
        '/courses/web',
        'Make your own website',
        'A course for shops, clubs and crafts people.',
        'Titles and descriptions, pictures, opening hours, contact page, and how searchers find you. No knowledge needed.',
        3,
      ],
    ],
  },
  {
    host: 'fenby-print.example',
    name: 'Fenby Print & Copy',
    pages: [
      [
        '/',
        'Fenby Print & Copy: printing, copying and thesis binding',
        'Printing and binding while you wait.',
        'Copies, posters, business cards, wedding invitations, menus. Thesis and dissertation binding in one day: hard cover, soft cover, spiral. Prices from 12. Order online and collect.',
        6,
      ],
      [
        '/binding',
        'Thesis binding prices',
        'Hard cover from 29, soft cover from 12, ready the same day.',
        'Upload your file, choose cover and lettering, collect tomorrow. Prices by pages. Express service. Delivery.',
        4,
      ],
    ],
  },
  {
    host: 'saltmere-gifts.example',
    name: 'The Quay Gift Shop',
    pages: [
      [
        '/',
        'The Quay Gift Shop: presents from Saltmere',
        'Notebooks, cards, pottery, candles and gift vouchers.',
        'Presents for birthdays, weddings and Christmas: notebooks with sewn pages, photo albums, guest books, candles, pottery, tea towels. Gift vouchers from 10. Wrapping is free. Shop online.',
        5,
      ],
      [
        '/notebooks',
        'Notebooks, albums and guest books',
        'Notebooks and albums made by hand in the county.',
        'Leather notebooks, sketch books, photo albums, wedding guest books. Basket and checkout, delivery in three days, returns.',
        3,
      ],
    ],
  },
];

const SINCE = '2026-01-05T06:00:00.000Z';

const ALL: readonly Neighbour[] = [...NEIGHBOURS, ...TRADE_SITES];

/** Their pages, as an index holds them. */
export const SALTMERE: readonly IndexRecord[] = ALL.flatMap(({ host, name, pages }) =>
  pages.map(([path, title, description, text, links]): IndexRecord => ({
    address: `https://${host}${path}`,
    foundBy: 'link',
    foundAt: SINCE,
    visitedAt: SINCE,
    status: 200,
    outcome: 'listed',
    reason: { code: 'no-directive' },
    linkedFrom: Array.from({ length: links }, (_, at) => `https://links.example/${at}`),
    title: path === '/' ? title : `${title} – ${name}`,
    description,
    headings: [title],
    lead: text.slice(0, 200),
    text,
  })),
);

/** Hosts of the town's invented sites. */
export const SALTMERE_HOSTS: readonly string[] = ALL.map(({ host }) => host);
