/** Languages whose words, sentences and reading ease are known closely; others are told apart by script only. */
export type LanguageCode = 'en' | 'de' | 'fr' | 'es' | 'it' | 'nl' | 'pt' | 'sv' | 'da' | 'no' | 'fi' | 'ru' | 'ar' | 'other';

/** What is known of a language. */
export interface Language {
  readonly code: LanguageCode;
  /** Primary tag as it was declared, lower case, such as `ja`; empty where none was. */
  readonly tag: string;
  readonly name: string;
  /** Name of its stemmer; undefined where word forms are not folded. */
  readonly stemmer: string | undefined;
  /** Written from right to left. */
  readonly rightToLeft: boolean;
  /** Words are not set apart by spaces. */
  readonly unspaced: boolean;
}

const KNOWN: Readonly<Record<Exclude<LanguageCode, 'other'>, { readonly name: string; readonly stemmer: string }>> = {
  en: { name: 'English', stemmer: 'english' },
  de: { name: 'German', stemmer: 'german' },
  fr: { name: 'French', stemmer: 'french' },
  es: { name: 'Spanish', stemmer: 'spanish' },
  it: { name: 'Italian', stemmer: 'italian' },
  nl: { name: 'Dutch', stemmer: 'dutch' },
  pt: { name: 'Portuguese', stemmer: 'portuguese' },
  sv: { name: 'Swedish', stemmer: 'swedish' },
  da: { name: 'Danish', stemmer: 'danish' },
  no: { name: 'Norwegian', stemmer: 'norwegian' },
  fi: { name: 'Finnish', stemmer: 'finnish' },
  ru: { name: 'Russian', stemmer: 'russian' },
  ar: { name: 'Arabic', stemmer: 'arabic' },
};
const OTHER_NAMES: Readonly<Record<string, string>> = {
  ja: 'Japanese',
  zh: 'Chinese',
  th: 'Thai',
  he: 'Hebrew',
  fa: 'Persian',
  ko: 'Korean',
  pl: 'Polish',
  cs: 'Czech',
};
const SAME: Readonly<Record<string, string>> = { nb: 'no', nn: 'no' };
const RIGHT_TO_LEFT = new Set(['ar', 'he', 'fa', 'ur', 'yi', 'dv', 'ps', 'ug']);
const UNSPACED = new Set(['ja', 'zh', 'th', 'lo', 'km', 'my']);

/** The language of a text by its declared tag (BCP 47, such as `de-AT`); of a page that declares none, `fallback` decides. */
export function languageOf(declared: string | null | undefined, fallback?: string | null): Language {
  const tag = ((declared || fallback || '').toLowerCase().split(/[-_]/)[0] ?? '').trim();
  const code = (SAME[tag] ?? tag) as LanguageCode;
  const known = Object.hasOwn(KNOWN, code) ? KNOWN[code as keyof typeof KNOWN] : undefined;
  return {
    code: known ? code : 'other',
    tag,
    name: known?.name ?? OTHER_NAMES[tag] ?? (tag === '' ? 'no declared language' : tag),
    stemmer: known?.stemmer,
    rightToLeft: RIGHT_TO_LEFT.has(tag),
    unspaced: UNSPACED.has(tag),
  };
}
