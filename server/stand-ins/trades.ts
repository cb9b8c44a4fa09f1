/*
 * The trades of Saltmere: two shops of each, so that the place of any small site among results means something. All of it is invented.
 */

/** A trade as searchers speak of it, and two that practise it. */
interface Trade {
  /** What one of them is called in a title. */
  readonly name: string;
  /** What they do, most asked for first. */
  readonly does: readonly [string, string, string, ...string[]];
  /** What is said of the work in a sentence. */
  readonly says: string;
  /** Their names; the first is the older and better linked. */
  readonly shops: readonly [string, string];
}

const TRADES: readonly Trade[] = [
  {
    name: 'Bakery',
    does: ['sourdough bread', 'birthday cakes', 'wedding cakes', 'pastries'],
    says: 'Baked before dawn, sold until it is gone.',
    shops: ['Harbour Bakery', 'Miller & Daughter'],
  },
  {
    name: 'Cafe',
    does: ['breakfast', 'coffee', 'lunch', 'cakes to take away'],
    says: 'A table by the window, and soup at noon.',
    shops: ['The Harbour Cafe', 'Quayside Coffee'],
  },
  {
    name: 'Restaurant',
    does: ['dinner', 'fish from the harbour', 'private parties', 'vegetarian menu'],
    says: 'Book a table for the evening; closed on Mondays.',
    shops: ['The Tide Table', 'Moor & Mast'],
  },
  {
    name: 'Dentist',
    does: ['check-ups', 'fillings', 'teeth whitening', 'dental implants', 'children’s dentistry'],
    says: 'New patients are welcome; emergencies the same day.',
    shops: ['Corn Hall Dental Practice', 'Saltmere Smiles'],
  },
  {
    name: 'Physiotherapy',
    does: ['back pain', 'sports injuries', 'massage', 'rehabilitation'],
    says: 'Appointments within a week, early and late.',
    shops: ['Sea Wall Physiotherapy', 'Back in Motion Saltmere'],
  },
  {
    name: 'Veterinary surgery',
    does: ['vaccinations', 'dogs and cats', 'small animals', 'out of hours'],
    says: 'For pets of any size, day and night.',
    shops: ['Moorside Vets', 'The Paw Practice'],
  },
  {
    name: 'Plumber',
    does: ['boiler repair', 'leaking taps', 'bathroom fitting', 'heating'],
    says: 'Somebody answers the telephone, and comes.',
    shops: ['Brook & Son Plumbing', 'County Heating'],
  },
  {
    name: 'Electrician',
    does: ['rewiring', 'fuse boxes', 'lighting', 'charging points'],
    says: 'Tested, certified and tidied up.',
    shops: ['Fenby Electrical', 'Bright Wires'],
  },
  {
    name: 'Joiner',
    does: ['kitchens', 'wardrobes', 'staircases', 'window repair'],
    says: 'Made to measure in our own workshop.',
    shops: ['Oak Lane Joinery', 'The Saltmere Workshop'],
  },
  {
    name: 'Garage',
    does: ['car service', 'tyres', 'brakes', 'vehicle inspection'],
    says: 'A price before work begins.',
    shops: ['Station Garage', 'Moor Road Motors'],
  },
  {
    name: 'Bicycle shop',
    does: ['bicycle repair', 'second-hand bikes', 'electric bikes', 'hire'],
    says: 'Repaired while you wait, most days.',
    shops: ['Spoke & Anchor', 'Saltmere Cycles'],
  },
  {
    name: 'Hairdresser',
    does: ['haircuts', 'colouring', 'wedding hair', 'children’s cuts'],
    says: 'With and without an appointment.',
    shops: ['The Parlour', 'Curl & Comb'],
  },
  {
    name: 'Florist',
    does: ['bouquets', 'wedding flowers', 'funeral flowers', 'delivery'],
    says: 'Cut this morning, delivered this afternoon.',
    shops: ['Tallow Lane Flowers', 'The Garden Gate'],
  },
  {
    name: 'Photographer',
    does: ['wedding photography', 'family portraits', 'passport photos', 'product photography'],
    says: 'In the studio or wherever you are.',
    shops: ['Harbour Light Studio', 'Ellis Photography'],
  },
  {
    name: 'Solicitor',
    does: ['wills', 'buying a house', 'family law', 'small business'],
    says: 'The first half hour costs nothing.',
    shops: ['Marsh & Fenby Solicitors', 'Saltmere Law'],
  },
  {
    name: 'Accountant',
    does: ['tax returns', 'bookkeeping', 'payroll', 'starting a business'],
    says: 'Plain answers, and no surprise in the bill.',
    shops: ['Ledger House', 'Quay Accounting'],
  },
  {
    name: 'Yoga classes',
    does: ['yoga for beginners', 'pregnancy yoga', 'evening classes', 'pilates'],
    says: 'The first class is free.',
    shops: ['The Quiet Room', 'Moor Yoga'],
  },
  {
    name: 'Language school',
    does: ['English courses', 'German lessons', 'exam preparation', 'courses for companies'],
    says: 'Small groups, and a teacher who knows your name.',
    shops: ['Harbour Languages', 'Talk Saltmere'],
  },
  {
    name: 'Guest house',
    does: ['rooms with breakfast', 'sea view', 'family rooms', 'dogs welcome'],
    says: 'Six rooms, and breakfast until ten.',
    shops: ['The Sea Wall Guest House', 'Number Nine'],
  },
  {
    name: 'Pottery',
    does: ['mugs and bowls', 'pottery classes', 'commissions', 'seconds sale'],
    says: 'Thrown, glazed and fired here.',
    shops: ['Saltmere Pottery', 'Clay & Kiln'],
  },
  {
    name: 'Garden design',
    does: ['planting plans', 'terraces', 'garden maintenance', 'hedge cutting'],
    says: 'Gardens that stand the wind from the sea.',
    shops: ['Moor & Meadow Gardens', 'The Green Wall'],
  },
  {
    name: 'Website design',
    does: ['websites for small businesses', 'web shops', 'logos', 'hosting'],
    says: 'One price, told before we begin.',
    shops: ['Saltmere Web Works', 'Lantern Design'],
  },
];

/** A page of an invented site, in the order in which the town's other sites are written down. */
export type TradePage = readonly [path: string, title: string, description: string, text: string, links: number];
/** An invented site. */
export interface TradeSite {
  readonly host: string;
  readonly name: string;
  readonly pages: readonly TradePage[];
}

const list = (words: readonly string[]): string => `${words.slice(0, -1).join(', ')} and ${words.at(-1) ?? ''}`;
const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** The shops of all trades, with a home page and one for what each does. */
export const TRADE_SITES: readonly TradeSite[] = TRADES.flatMap(({ name, does, says, shops }) =>
  shops.map((shop, at): TradeSite => {
    const host = `${shop
      .toLowerCase()
      .replace(/[^a-z]+/g, '-')
      .replace(/^-|-$/g, '')}.example`;
    const lowered = name.toLowerCase();
    const home: TradePage = [
      '/',
      `${shop}: ${lowered} in Saltmere`,
      `${capital(list(does))} in Saltmere. ${says}`,
      `${shop} is a ${lowered} in Saltmere, ${at === 0 ? 'in Tallow Lane since 1988' : 'on the quay'}. ${capital(list(does))}. ${says} Opening hours, prices, how to find us, and how to get in touch.`,
      at === 0 ? 9 : 4,
    ];
    const pages = does
      .slice(0, 3 - at)
      .map((what): TradePage => [
        `/${what.replace(/[^a-z]+/gi, '-').toLowerCase()}/`,
        `${capital(what)} in Saltmere`,
        `${capital(what)} from ${shop}: what it costs and how long it takes.`,
        `${capital(what)}, by the ${lowered} in Saltmere. ${says} Prices, appointments and answers to what people ask. Also ${list(does.filter((other) => other !== what))}.`,
        at === 0 ? 4 : 2,
      ]);
    return { host, name: shop, pages: [home, ...pages] };
  }),
);
