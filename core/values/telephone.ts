import { parsePhoneNumberFromString, type CountryCode } from 'libphonenumber-js/min';
import type { DateLanguage } from './date-words.ts';

/** A telephone number by E.164, such as `+441632960147`. Undefined for what is none; without a country code one of `country` (ISO 3166-1) is taken. */
export function telephoneOf(text: string, country?: string): string | undefined {
  // Brackets around a nought that is dropped behind the country's code: +49 (0)30.
  const plain = text
    .replace(/^tel:/i, '')
    .replace(/^(\s*(?:\+|00)\d{1,3}\s?)\(0\)/, '$1')
    .replace(/^\s*00(?=[1-9])/, '+')
    .trim();
  const found = parsePhoneNumberFromString(plain, country === undefined ? undefined : (country.toUpperCase() as CountryCode));
  return found?.isPossible() === true ? found.number : undefined;
}

/** What stands in front of a telephone number, by language: a pattern in lower case. */
const CALLS: Readonly<Record<DateLanguage, string>> = {
  en: 'tel|telephone(?: number)?|phone(?: number)?|call(?: us)?(?: on| at)?|ring(?: us)?(?: on)?|mobile|cell|landline|free ?phone|t',
  de: 'tel|telefon(?:nummer)?|fon|ruf(?:nummer)?|mobil|handy|rufen sie (?:uns )?an|anruf|festnetz',
  fr: 'tél|tel|téléphone|telephone|portable|mobile|fixe|appelez(?:-nous)?(?: au)?|par téléphone au|n° de téléphone',
  es: 'tel|tfno|tlf|teléfono|telefono|móvil|movil|llámanos(?: al)?|llámenos(?: al)?|fijo|celular',
  it: 'tel|telefono|cell|cellulare|chiama(?:ci|teci)?(?: al| allo)?|numero di telefono|fisso',
  nl: 'tel|telefoon(?:nummer)?|bel(?: ons)?(?: op)?|mobiel|gsm',
  pt: 'tel|telef|telefone|telemóvel|tlm|telm|celular|ligue(?: para)?|contacto telefónico',
  pl: 'tel|telefon|kom|tel\\. kom|komórka|zadzwoń|nr tel',
  ja: '電話(?:番号)?|tel|お電話|携帯(?:電話)?|フリーダイヤル|℡',
};
const LABELS = Object.values(CALLS).join('|');
const NUMBER = String.raw`(?<number>(?:\+|\(\+?)?\d(?:[\s().\/–‐-]{0,3}\d){5,16})(?![\d\p{L}]|[.,]\d)`;
/** A number behind what says that it can be called. */
const CALLED = new RegExp(String.raw`(?:(?<![\p{L}])(?:${LABELS})\.?|[☎☏📞📱✆])\s*(?:[:：.]|[-–—]\s|\([\p{L}\s]{2,20}\)\s*:?)?\s*${NUMBER}`, 'iu');
/** The same with a few words before its colon: `telephone in the morning: 01632 960147`. */
const CALLED_WHEN = new RegExp(
  String.raw`(?<![\p{L}])(?:tel|telephone|phone|telefon|téléphone|teléfono|telefono|telefoon|telefone)\.?(?:\s(?!\p{L}*(?:fax|kopie))[\p{L}’']+){1,5}\s?[:：]\s*${NUMBER}`,
  'iu',
);
const SPEAKS = new RegExp(`${LABELS}|[☎☏📞📱✆]`, 'iu');

/** The first telephone number that a text says is one: behind a word or sign for it in any of the languages. A fax, a post code or an account is none. */
export function telephoneIn(text: string, country?: string): { readonly value: string; readonly text: string } | undefined {
  if (!SPEAKS.test(text)) return undefined;
  const wide = text.normalize('NFKC');
  const number = (CALLED.exec(wide) ?? CALLED_WHEN.exec(wide))?.groups?.['number']?.trim();
  const value = number === undefined ? undefined : telephoneOf(number, country);
  return number === undefined || value === undefined ? undefined : { value, text: number };
}
