import { parsePhoneNumberFromString, type CountryCode } from 'libphonenumber-js/min';

/** A telephone number by E.164, such as `+441632960147`. Undefined for what is none; without a country code one of `country` (ISO 3166-1) is taken. */
export function telephoneOf(text: string, country?: string): string | undefined {
  const found = parsePhoneNumberFromString(text.replace(/^tel:/i, '').trim(), country === undefined ? undefined : (country.toUpperCase() as CountryCode));
  return found?.isPossible() === true ? found.number : undefined;
}
