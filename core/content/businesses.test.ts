import { describe, expect, it } from 'vitest';
import { pageTree } from '../markup/index.ts';
import { factsOf } from '../testing/html.ts';
import { saidHours } from '../values/index.ts';
import { gatherContent, outlineOf } from './index.ts';

interface Business {
  readonly name: string;
  readonly lang: string;
  readonly country?: string;
  readonly html: string;
  /** Street, post code and town; telephone; hours: what is true of it. */
  readonly address: string;
  readonly telephone: string;
  readonly hours: string;
  /** What is not found and has to be asked for. */
  readonly asked?: readonly ('address' | 'telephone' | 'hours')[];
}

/** Twelve businesses that nobody has, on pages as builders, themes and hands make them. */
const BUSINESSES: readonly Business[] = [
  {
    name: 'a bookbinder, widgets in a footer',
    lang: 'en',
    html: `<body><header><nav><a href=/>Home</a><a href=/shop>Shop</a></nav></header><main><h1>Handmade books</h1><p>Since 1998 we have bound 4000 books. Workshops: Tuesday 7pm–9pm.</p></main>
<footer><div class="widget"><h4>Find us</h4><p>The Old Ropery<br>14 Tanner’s Row<br>Saltmere<br>SM4 7QT</p></div><div class="widget"><h4>Opening hours</h4><p>Tue to Fri 10 – 5.30<br>Sat 10 – 4<br>Closed Sun and Mon</p></div><p>Fax 01632 960999 | Tel 01632 960147</p><p>© 2019–2026 Quill &amp; Co, company no. 01234567</p></footer>`,
    address: '14 Tanner’s Row|SM4 7QT|Saltmere',
    telephone: '+441632960147',
    hours: 'Tue–Fri 10:00–17:30; Sat 10:00–16:00; Sun–Mon closed',
  },
  {
    name: 'a garage, everything in one line',
    lang: 'en-US',
    html: '<body><main><h1>Dent & Sons Auto Repair</h1><p>Honest work since 1971.</p></main><footer><p>Dent &amp; Sons · 2210 Cottonwood Blvd, Mesa Falls, ID 83401 · (208) 555-0133 · Mon–Fri 7:30am–5:30pm</p></footer>',
    address: '2210 Cottonwood Blvd|83401|Mesa Falls',
    telephone: '+12085550133',
    hours: 'Mon–Fri 07:30–17:30',
    asked: ['telephone'],
  },
  {
    name: 'a café, a table of days',
    lang: 'de',
    country: 'DE',
    html: `<body><main><h1>Café Morgenrot</h1><h2>Öffnungszeiten</h2><table><tr><td>Montag</td><td>Ruhetag</td></tr><tr><td>Dienstag–Freitag</td><td>8:00–18:00 Uhr</td></tr><tr><td>Samstag &amp; Sonntag</td><td>9:00–19:00 Uhr</td></tr></table>
<h2>Anfahrt</h2><p>Café Morgenrot<br>Kleine Gasse 7a<br>99999 Musterau<br>Telefon: 0555 / 76 54 32<br>Telefax: 0555 / 76 54 33</p><p>Parken: 2 Stunden frei, Mo–Sa 8–20 Uhr.</p></main>`,
    address: 'Kleine Gasse 7a|99999|Musterau',
    telephone: '+49555765432',
    hours: 'Mon closed; Tue–Fri 08:00–18:00; Sat–Sun 09:00–19:00',
  },
  {
    name: 'a practice by appointment',
    lang: 'de',
    country: 'AT',
    html: '<body><main><h1>Dr. Elsa Berg</h1><p>Sprechstunden nach Vereinbarung, Mo–Fr 9–12 Uhr.</p></main><footer><address>Zum Alten Turm 4, A-4899 Kirchau<br>T: +43 (0)7612 345678</address></footer>',
    address: 'Zum Alten Turm 4|4899|Kirchau',
    telephone: '+437612345678',
    hours: '',
    asked: ['hours'],
  },
  {
    name: 'a cheese shop',
    lang: 'fr',
    country: 'FR',
    html: '<body><main><h1>La Cave aux Fromages</h1><p>Depuis 1962, au 3e rang du marché.</p></main><footer><ul><li>17 bis rue des Tanneurs</li><li>24999 Saint-Aubin-le-Lac</li><li>Tél. : 05 55 01 02 09</li></ul><h4>Horaires</h4><p>Du mardi au samedi : 9h–12h30 et 15h–19h<br>Dimanche : 9h–12h30<br>Fermé le lundi</p></footer>',
    address: '17 bis rue des Tanneurs|24999|Saint-Aubin-le-Lac',
    telephone: '+33555010209',
    hours: 'Tue–Sat 09:00–12:30, 15:00–19:00; Sun 09:00–12:30; Mon closed',
  },
  {
    name: 'a guest house with a season',
    lang: 'fr',
    html: '<body><main><h1>Gîte du Vallon</h1><p>Ouvert d’avril à octobre, tous les jours de 9h à 19h.</p><p>Écrivez-nous : Gîte du Vallon, BP 12, 24999 Saint-Aubin-le-Lac</p><p>Appelez-nous au +33 5 55 01 02 03</p></main>',
    address: '',
    telephone: '+33555010203',
    hours: '',
    asked: ['address', 'hours'],
  },
  {
    name: 'a tapas bar',
    lang: 'es',
    country: 'ES',
    html: '<body><main><h1>Bar La Palma</h1><section class="contacto"><h2>Dónde estamos</h2><div>Calle de la Palma, 12, bajo</div><div>28999 Villanueva del Río</div><div>Teléfono: 910 000 123</div><h2>Horario</h2><div>De martes a jueves de 12:00 a 16:00 y de 20:00 a 24:00</div><div>Viernes y sábado de 12:00 a 2:00</div><div>Domingo y lunes cerrado</div></section></main>',
    address: 'Calle de la Palma, 12|28999|Villanueva del Río',
    telephone: '+34910000123',
    hours: 'Tue–Thu 12:00–16:00, 20:00–00:00; Fri–Sat 12:00–02:00; Sun–Mon closed',
    // A floor that nobody knows is no part of a street, and "12:00 a 2:00" may end in the afternoon.
    asked: ['address', 'hours'],
  },
  {
    name: 'a vet',
    lang: 'it',
    country: 'IT',
    html: '<body><main><h1>Contatti</h1><p>Ambulatorio San Rocco - Viale dei Tigli, 8 - 53099 Castelvecchio (SI) - Tel. 0577 001199 - P.IVA 01234567890</p><p><strong>Orari:</strong> lun-ven 9-12.30 / 15.30-19, sab 9-12</p></main>',
    address: 'Viale dei Tigli, 8|53099|Castelvecchio',
    telephone: '+390577001199',
    hours: 'Mon–Fri 09:00–12:30, 15:30–19:00; Sat 09:00–12:00',
  },
  {
    name: 'a bicycle maker',
    lang: 'nl',
    html: '<body><main><h1>Fietsenmaker De Spaak</h1></main><footer><div itemprop="address">Oude Gracht 41<br>3999 ZX Waterdam</div><div>Bel: 030 123 45 67</div><div>Openingstijden: ma 13.00–18.00, di t/m vr 9.00–18.00, za 9.00–17.00, zo gesloten</div><div>KvK 12345678 · BTW NL001234567B01</div></footer>',
    address: 'Oude Gracht 41|3999 ZX|Waterdam',
    telephone: '+31301234567',
    hours: 'Mon 13:00–18:00; Tue–Fri 09:00–18:00; Sat 09:00–17:00; Sun closed',
  },
  {
    name: 'a bakery',
    lang: 'pt',
    html: '<body><main><h1>Padaria Central</h1><p>Rua do Forno, 22 – 4999-321 Vila Chã</p><p>Telefone: 259 000 111</p><p>Horário: todos os dias, exceto segunda, das 7h às 19h30</p></main>',
    address: 'Rua do Forno, 22|4999-321|Vila Chã',
    telephone: '+351259000111',
    hours: 'Tue–Sun 07:00–19:30',
  },
  {
    name: 'a notary with two offices',
    lang: 'pl',
    html: '<body><main><h1>Kontakt</h1><p>ul. Lipowa 7/3, 87-990 Nowe Brzegi, tel. 52 123 45 67</p><p>ul. Polna 2, 87-991 Stare Brzegi, tel. 52 123 45 68</p><p>czynne: pon.–czw. 9:00–17:00, pt. 9:00–14:00</p></main>',
    address: '',
    telephone: '+48521234567',
    hours: 'Mon–Thu 09:00–17:00; Fri 09:00–14:00',
    asked: ['address', 'telephone'],
  },
  {
    name: 'an inn',
    lang: 'ja',
    html: '<body><main><h1>湯の宿 ほたる</h1><dl><dt>住所</dt><dd>〒999-0001 長野県松川市本町3-12-5</dd><dt>電話番号</dt><dd>電話：0267-00-1234</dd><dt>営業時間</dt><dd>月〜土 10:00〜18:00、日・祝 10:00〜16:00</dd></dl></main>',
    address: '本町3-12-5|999-0001|松川市',
    telephone: '+81267001234',
    hours: 'Mon–Sat 10:00–18:00; Sun, holidays 10:00–16:00',
  },
];

const DAYS = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday', 'PublicHolidays'];
const SHORT = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun', 'holidays'];

/** Address, telephone and hours of a page in brief, empty where they are not found. */
function contactOn(html: string, lang: string, country?: string): Readonly<Record<'address' | 'telephone' | 'hours', string>> {
  const { contact } = gatherContent(outlineOf(pageTree(html)), factsOf(html), { lang, host: 'a.example', country });
  const { street, postalCode, locality } = contact.address?.value ?? {};
  const byDays = new Map<string, string[]>();
  for (const { days, opens, closes } of saidHours(contact.hours?.value ?? '', lang).hours) {
    const key = daysInBrief(days.map((day) => DAYS.indexOf(day)));
    byDays.set(key, [...(byDays.get(key) ?? []), opens === closes ? 'closed' : `${opens}–${closes}`]);
  }
  return {
    address: street === undefined ? '' : `${street}|${postalCode}|${locality}`,
    telephone: contact.telephone?.value ?? '',
    hours: [...byDays].map(([days, spans]) => `${days} ${spans.join(', ')}`).join('; '),
  };
}

/** Days beside each other, over the end of the week too, as one span. */
function daysInBrief(days: readonly number[]): string {
  const week = days.filter((day) => day < 7);
  const first = week.find((day) => !week.includes((day + 6) % 7)) ?? week[0] ?? 0;
  const isRun = week.length > 1 && week.every((_, at) => week.includes((first + at) % 7));
  const named = isRun ? [`${SHORT[first] as string}–${SHORT[(first + week.length - 1) % 7] as string}`] : week.map((day) => SHORT[day] as string);
  return [...named, ...(days.includes(7) ? ['holidays'] : [])].join(', ');
}

describe('businesses on their pages: right, or asked for', () => {
  it.each(BUSINESSES.map((business) => [business.name, business] as const))('%s', (_, { html, lang, country, address, telephone, hours, asked = [] }) => {
    const found = contactOn(html, lang, country);
    const expected = { address, telephone, hours };
    for (const part of ['address', 'telephone', 'hours'] as const) expect([part, found[part]]).toEqual([part, asked.includes(part) ? '' : expected[part]]);
  });
});
