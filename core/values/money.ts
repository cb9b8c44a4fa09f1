/** A price that was found in a text. */
export interface FoundPrice {
  /** With a dot and no thousands, as markup has it: `1234.50`. */
  readonly amount: string;
  /** ISO 4217; undefined where its sign is one of several currencies and nothing tells which. */
  readonly currency: string | undefined;
  readonly start: number;
  readonly end: number;
}

let known: ReadonlySet<string> | undefined;
/** Whether a word is a currency of ISO 4217. */
export function isCurrency(code: string): boolean {
  known ??= new Set(Intl.supportedValuesOf('currency'));
  return known.has(code);
}

/** Signs of currencies: of one, or by language or country of several. */
const SIGNS: Readonly<Record<string, string | Readonly<Record<string, string>>>> = {
  '€': 'EUR',
  '£': 'GBP',
  US$: 'USD',
  CA$: 'CAD',
  C$: 'CAD',
  A$: 'AUD',
  AU$: 'AUD',
  NZ$: 'NZD',
  HK$: 'HKD',
  S$: 'SGD',
  R$: 'BRL',
  MX$: 'MXN',
  $: { 'en-us': 'USD', 'en-ca': 'CAD', 'fr-ca': 'CAD', 'en-au': 'AUD', 'en-nz': 'NZD', 'es-mx': 'MXN', en: 'USD' },
  '¥': { ja: 'JPY', zh: 'CNY', 'zh-cn': 'CNY' },
  '￥': { ja: 'JPY', zh: 'CNY' },
  円: 'JPY',
  元: 'CNY',
  '₹': 'INR',
  '₩': 'KRW',
  '₺': 'TRY',
  '₴': 'UAH',
  '₪': 'ILS',
  '₫': 'VND',
  '฿': 'THB',
  zł: 'PLN',
  Kč: 'CZK',
  Ft: 'HUF',
  лв: 'BGN',
  lei: 'RON',
  kr: { sv: 'SEK', nb: 'NOK', nn: 'NOK', no: 'NOK', da: 'DKK', is: 'ISK' },
  'Fr.': 'CHF',
  SFr: 'CHF',
  Rs: { 'en-in': 'INR', hi: 'INR', 'en-pk': 'PKR' },
  '₽': 'RUB',
  R: { 'en-za': 'ZAR', af: 'ZAR' },
};
const CODES = [
  'EUR',
  'GBP',
  'USD',
  'CHF',
  'CAD',
  'AUD',
  'NZD',
  'JPY',
  'CNY',
  'INR',
  'SEK',
  'NOK',
  'DKK',
  'PLN',
  'CZK',
  'HUF',
  'BRL',
  'MXN',
  'ZAR',
  'SGD',
  'HKD',
  'TRY',
  'KRW',
];
const WORDS: Readonly<Record<string, string>> = {
  euro: 'EUR',
  euros: 'EUR',
  pounds: 'GBP',
  dollars: '$',
  yen: 'JPY',
  franken: 'CHF',
  francs: 'CHF',
  kronor: 'SEK',
  kroner: 'kr',
};

const quoted = (text: string): string => text.replace(/[$.|()[\]*+?^\\]/g, '\\$&');
const MARKS = [...Object.keys(SIGNS), ...CODES]
  .sort((a, b) => b.length - a.length)
  .map(quoted)
  .join('|');
const NUMBER = String.raw`\d{1,3}(?:[.,'’ \u00a0\u202f]\d{2,3})*(?:[.,]\d{1,2})?(?:[.,][-–—](?!\d))?|\d+(?:[.,]\d{1,2})?`;
const BEFORE = new RegExp(String.raw`(?<![\p{L}\d])(${MARKS})\s?(${NUMBER})(?![\d\p{L}])`, 'gu');
const bothCases = (word: string): string => `[${word.charAt(0)}${word.charAt(0).toUpperCase()}]${word.slice(1)}`;
const AFTER = new RegExp(
  String.raw`(?<![\p{Script=Latin}\d.,])(${NUMBER})\s?(円|元|(?:${MARKS}|${Object.keys(WORDS).map(bothCases).join('|')})(?![\p{L}\d]))`,
  'gu',
);

/** `AUD $30`, `US$ 30` with its code in front: the code says which dollars. */
const CODED = new RegExp(String.raw`(?<![\p{L}\d])(${CODES.join('|')})\s?[$¥£€￥]\s?(${NUMBER})(?![\d\p{L}])`, 'gu');
/** `12 € 50`, as French has it: the cents stand behind the sign. */
const CENTS_BEHIND = /(?<![\p{L}\d.,])(\d{1,4})\s?(€)\s?(\d{2})(?![\d.,]|\s?\p{L})/gu;

/** How many prices of one text are looked at. */
const MOST = 32;

/** The prices that a text says, in its order. A number without a currency beside it is none. `lang` tells what `$`, `¥` and `kr` are, and which sign parts the cents. */
export function pricesIn(text: string, lang: string): FoundPrice[] {
  if (!/\d/.test(text)) return [];
  const found: FoundPrice[] = [];
  const add = (sign: string, number: string, index: number, length: number): void => {
    const amount = amountOf(number, lang);
    if (amount === undefined || found.length >= MOST) return;
    found.push({ amount, currency: currencyOf(sign, lang), start: index, end: index + length });
  };
  const free = (index: number, length: number): boolean => !found.some(({ start, end }) => start < index + length && end > index);
  if (/^fr/i.test(lang))
    for (const { 0: whole, 1: euros = '', 2: sign = '', 3: cents = '', index } of text.matchAll(CENTS_BEHIND))
      add(sign, `${euros},${cents}`, index, whole.length);
  for (const { 0: whole, 1: code = '', 2: number = '', index } of text.matchAll(CODED)) if (free(index, whole.length)) add(code, number, index, whole.length);
  for (const { 0: whole, 1: sign = '', 2: number = '', index } of text.matchAll(BEFORE)) if (free(index, whole.length)) add(sign, number, index, whole.length);
  for (const { 0: whole, 1: number = '', 2: sign = '', index } of text.matchAll(AFTER)) if (free(index, whole.length)) add(sign, number, index, whole.length);
  return found.sort((a, b) => a.start - b.start);
}

/** The currency of a sign, a word or a code. Undefined where it could be several. */
export function currencyOf(sign: string, lang: string): string | undefined {
  if (CODES.includes(sign)) return sign;
  const small = sign.toLowerCase();
  const word = Object.hasOwn(WORDS, small) ? WORDS[small] : sign;
  const meant = word !== undefined && Object.hasOwn(SIGNS, word) ? SIGNS[word] : word;
  if (typeof meant === 'string') return meant;
  const tag = lang.toLowerCase();
  return meant?.[tag] ?? meant?.[tag.split('-')[0] ?? ''];
}

/**
 * A number as people write it: the last point or comma with one or two digits behind it parts the cents, all others part thousands. Undefined where a point
 * could be either (`1.234` in a language that parts cents with it).
 */
export function amountOf(written: string, lang: string): string | undefined {
  const bare = written.replace(/[.,]?[-–—]$/, '').replace(/['’ \u00a0\u202f]/g, '');
  const cents = /[.,](\d{1,2})$/.exec(bare);
  const groups = cents ? bare.slice(0, -cents[0].length) : bare;
  if (!cents && /^\d{1,3}[.,]\d{3}$/.test(bare)) {
    const sign = bare.replace(/\d/g, '');
    if (sign === decimalSign(lang)) return undefined;
  }
  const digits = groups.replace(/[.,]/g, '');
  if (!/^\d{1,12}$/.test(digits)) return undefined;
  const whole = digits.replace(/^0+(?=\d)/, '');
  return cents ? `${whole}.${(cents[1] ?? '').padEnd(2, '0')}` : whole;
}

const signs = new Map<string, string>();
function decimalSign(lang: string): string {
  const tag = lang === '' ? 'en' : lang;
  if (!signs.has(tag)) {
    let sign = '.';
    try {
      sign = new Intl.NumberFormat(tag).formatToParts(1.5).find(({ type }) => type === 'decimal')?.value ?? '.';
    } catch {
      // A language that nobody knows is read as English is.
    }
    signs.set(tag, sign);
  }
  return signs.get(tag) ?? '.';
}

/** Whether two amounts are the same number. */
export const sameAmount = (a: string, b: string): boolean => Number(a) === Number(b);
