import { schemaName, textOf, type MarkupValue } from '../../markup/index.ts';
import {
  isCountry,
  isCurrency,
  isIsoDate,
  isIsoDuration,
  isIsoMoment,
  isIsoTime,
  isLanguage,
  isPlainNumber,
  isWebAddress,
  telephoneOf,
} from '../../values/index.ts';
import type { Vocabulary, VocabularyProperty } from '../../vocabulary/index.ts';
import type { FaultCode } from './fault.ts';

/** What is wrong with one value; undefined where nothing is. */
export interface ValueFault {
  readonly code: FaultCode;
  readonly meant?: string | undefined;
}

const TEXTS: ReadonlySet<string> = new Set(['Text', 'CssSelectorType', 'XPathType', 'PronounceableText']);
const DATES: ReadonlySet<string> = new Set(['Date', 'DateTime', 'Time']);
const NUMBERS: ReadonlySet<string> = new Set(['Number', 'Integer', 'Float']);
const DATA: ReadonlySet<string> = new Set([...TEXTS, ...DATES, ...NUMBERS, 'Boolean', 'URL']);

/** Things that are known by their names. */
const NAMED = ['Person', 'Organization', 'Place', 'Brand', 'CreativeWork', 'Event', 'Product', 'Language', 'DefinedTerm', 'Audience'] as const;
/** Things that a bare number stands for. */
const MEASURES: ReadonlySet<string> = new Set(['Distance', 'QuantitativeValue', 'Mass', 'Energy', 'MonetaryAmount']);

/** Properties whose texts have a form that the vocabulary does not tell by a type. */
const FORMS: Readonly<Record<string, readonly [FaultCode, (text: string) => boolean]>> = {
  price: ['price-form', isPlainNumber],
  lowPrice: ['price-form', isPlainNumber],
  highPrice: ['price-form', isPlainNumber],
  minPrice: ['price-form', isPlainNumber],
  maxPrice: ['price-form', isPlainNumber],
  priceCurrency: ['currency-form', isCurrency],
  currency: ['currency-form', isCurrency],
  salaryCurrency: ['currency-form', isCurrency],
  inLanguage: ['language-form', isLanguage],
  addressCountry: ['country-form', isCountry],
  telephone: ['telephone-form', (text) => telephoneOf(text) !== undefined],
  faxNumber: ['telephone-form', (text) => telephoneOf(text) !== undefined],
};

/** Holds a value against the types that a property takes. */
export function valueFault(vocabulary: Vocabulary, name: string, property: VocabularyProperty, value: MarkupValue): ValueFault | undefined {
  const { is } = property;
  const things = is.filter((one) => !DATA.has(one));
  switch (value.kind) {
    case 'boolean':
      return is.includes('Boolean') || is.some((one) => TEXTS.has(one)) ? undefined : { code: 'value-boolean', meant: is[0] };
    case 'number':
      return FORMS[name]?.[0] === 'price-form' ||
        is.some((one) => NUMBERS.has(one) || TEXTS.has(one)) ||
        things.some((one) => MEASURES.has(one) || vocabulary.isA(one, 'Quantity'))
        ? undefined
        : { code: 'value-number', meant: is[0] };
    case 'item': {
      const types = value.item.types.map(schemaName).filter((type) => vocabulary.isType(type));
      if (types.length === 0 || types.some((type) => things.some((one) => vocabulary.isA(type, one)))) return undefined;
      // A role stands between a thing and its value.
      if (types.some((type) => vocabulary.isA(type, 'Role'))) return undefined;
      return { code: 'value-thing', meant: is[0] };
    }
    case 'address':
    case 'text':
      return textFault(vocabulary, name, property, textOf(value).trim(), value.kind === 'address');
  }
}

function textFault(vocabulary: Vocabulary, name: string, { is }: VocabularyProperty, text: string, isAddress: boolean): ValueFault | undefined {
  if (text === '') return { code: 'value-empty' };
  const form = FORMS[name];
  if (form && !isAddress) {
    const [code, fits] = form;
    if (fits(text) || (code === 'country-form' && text.length > 3) || (code === 'language-form' && text.length > 12)) return undefined;
    return { code, meant: code === 'country-form' && text.toUpperCase() === 'UK' ? 'GB' : undefined };
  }
  const things = is.filter((one) => !DATA.has(one));
  const word = schemaName(text);
  const enumerations = things.filter((one) => vocabulary.isEnumeration(one));
  if (enumerations.length > 0) {
    const enumeration = vocabulary.enumerationOf(word);
    if (enumeration !== undefined && enumerations.some((one) => vocabulary.isA(enumeration, one))) return undefined;
    if (enumerations.some((one) => vocabulary.members(one).length > 0) && !is.some((one) => TEXTS.has(one)) && (word !== text || !isAddress)) {
      const members = enumerations.flatMap((one) => vocabulary.members(one));
      return { code: 'member-unknown', meant: nearestMember(word, members) };
    }
    return undefined;
  }
  if (is.some((one) => TEXTS.has(one))) return undefined;
  if (is.some((one) => DATES.has(one))) {
    if (
      (is.includes('Date') && isIsoDate(text)) ||
      (is.some((one) => one === 'Date' || one === 'DateTime') && (isIsoMoment(text) || isIsoDate(text))) ||
      (is.includes('Time') && isIsoTime(text))
    )
      return undefined;
    if (isIsoDate(text) || isIsoMoment(text)) return undefined;
    return is.every((one) => one === 'Time') ? { code: 'time-form' } : { code: 'date-form' };
  }
  if (things.includes('Duration')) return isIsoDuration(text) ? undefined : { code: 'duration-form' };
  if (is.includes('Boolean') && is.length === 1) return /^(true|false)$/i.test(word) ? undefined : { code: 'value-boolean', meant: 'true or false' };
  if (is.length > 0 && is.every((one) => NUMBERS.has(one))) return isPlainNumber(text) ? undefined : { code: 'value-number', meant: is[0] };
  if (is.includes('URL')) return isAddress || isWebAddress(text) || /^\S+$/.test(text) ? undefined : { code: 'address-form' };
  // An address stands for the thing that it names.
  if (isAddress || isWebAddress(text) || (isPlainNumber(text) && things.some((one) => MEASURES.has(one)))) return undefined;
  // Readers make a thing with that name of words, where what is asked for is known by its name.
  return things.some((one) => [...NAMED].some((known) => vocabulary.isA(one, known)) || one === 'Thing') ? undefined : { code: 'value-text', meant: things[0] };
}

function nearestMember(word: string, members: readonly string[]): string | undefined {
  const plain = (text: string): string => text.toLowerCase().replace(/[^a-z]/g, '');
  return members.find((member) => plain(member) === plain(word)) ?? members.find((member) => plain(member).startsWith(plain(word).slice(0, 5)));
}
