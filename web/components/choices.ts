import type { ComboOption } from '../ui/index.ts';

/** Languages that small sites are written in, with the variants that spell differently. */
const CODES =
  'af ar az be bg bn bs ca cs cy da de de-AT de-CH el en en-AU en-CA en-GB en-IE en-NZ en-US eo es es-419 es-MX et eu fa fi fil fo fr fr-BE fr-CA fr-CH fy ga gd gl gu he hi hr hu hy id is it it-CH ja ka kk km kn ko lb lt lv mi mk ml mn mr ms mt my nb ne nl nl-BE nn pa pl pt pt-BR pt-PT rm ro ru sk sl sq sr sv sw ta te th tr uk ur uz vi zh-Hans zh-Hant zu'.split(
    ' ',
  );

const names = new Intl.DisplayNames(['en'], { type: 'language' });

/** Languages by name, with their codes of BCP 47; one that the site has and the list lacks stands in it too. */
export function languages(current: string): readonly ComboOption[] {
  const codes = current === '' || CODES.includes(current) ? CODES : [...CODES, current];
  return codes.map((value) => ({ value, label: nameOf(value) })).sort((a, b) => a.label.localeCompare(b.label, 'en'));
}

function nameOf(code: string): string {
  try {
    return names.of(code) ?? code;
  } catch {
    return code;
  }
}

const regions = new Intl.DisplayNames('en', { type: 'region', fallback: 'code' });

/** What a country of ISO 3166-1 is called. */
export const countryName = (code: string): string => regions.of(code) ?? code;

/** Time zones by their IANA names. */
export function timeZones(): readonly ComboOption[] {
  return ['UTC', ...Intl.supportedValuesOf('timeZone')].map((value) => ({ value, label: value.replaceAll('_', ' ').replace(/\//g, ' / ') }));
}

/** Whether a text can be an e-mail address: something, an at sign, a host with a dot. */
export function isEmail(text: string): boolean {
  return /^[^\s@,;<>()]+@[^\s@,;<>()]+\.[^\s@.,;<>()]+$/.test(text.trim());
}

/** Whether a text can be a telephone number: digits enough, and nothing but what people write between them. */
export function isTelephone(text: string): boolean {
  const digits = text.replace(/\D/g, '').length;
  return /^\+?[\d\s().\/-]+(\s*(ext\.?|x)\s*\d+)?$/i.test(text.trim()) && digits >= 5 && digits <= 17;
}
