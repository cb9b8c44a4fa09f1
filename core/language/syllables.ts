import type { Language, LanguageCode } from './languages.ts';

/** Rules by which a spelling is brought to one run of vowels a syllable: `-` sets vowels apart. */
type Rules = readonly (readonly [pattern: RegExp, instead: string])[];

const RULES: Readonly<Partial<Record<LanguageCode, Rules>>> = {
  en: [
    // Vowels that are written and not spoken, in words that are met everywhere.
    [/^(ev)e(?=ry|ning)|(?<=bus)i(?=ness)|(?<=choc)o(?=late)|(?<=diff)e(?=ren)|(?<=int)e(?=res)|(?<=veg)e(?=tab)|(?<=gen)e(?=ral)|(?<=sev)e(?=ral)/g, '$1'],
    [/(?<=[aeiou])ing(s)?$/g, '-ing'],
    [/(?<=qu|^sc|[^aeioutcs])ie(?=n[ct]|t$|t[eys])/g, 'i-e'],
    [/(?<=[^aeiou])ea$|(?<=cr)ea(?=t(?!ur))|(?<=r)ea(?=l$|lis|lity)/g, 'e-a'],
    [/(?<=[^aeiop])eo(?!u)/g, 'e-o'],
    [/(?<=[^aeiou])eu(?=m)/g, 'e-u'],
    [/(?<=n)ai(?=v)/g, 'a-i'],
    [/(th|s)m$/g, '$1em'],
    [/(?<=recip|apostroph|simil|caf)e$/g, 'é'],
  ],
  de: [
    [/(?<!^w|sch|^d|^h)ie(?=n$)/g, 'i-e'],
    [/(?<=[aou]?(?:mil|lin|fol|tud|akt|ser|fer|mum|pan))ie(?=$|n)/g, 'i-e'],
    [/e(?=um(?:s)?$)/g, 'e-'],
    [/ee(?=n$)/g, 'e-e'],
    [/^(be|ge)(?=e(?!re|t$|st$))/g, '$1-'],
    [/(?<=[aeo])(?=ï|ë)/g, '-'],
    [/i(?=[aou])|(?<=[^qa])u(?=a)|e(?=a)/g, '$&-'],
  ],
  fr: [
    [/(?<=.{2}[^aeiouyàâäéèêëîïôöùûü])(?:es?|ent)$/gu, ''],
    [/é(?=[aâouôi]|e(?!s?$))/g, 'é-'],
    [/(?<=[aeo])(?=[ïëü])/g, '-'],
    [/(?<=[aou])y(?=[aeiouéè])/g, 'i-'],
    [/(?<=[bcdfgptv][lr])i(?=[eéoa])/g, 'i-'],
    [/^(l|p|d)i(?=on)/g, '$1i-'],
  ],
  es: [
    [/[íú](?=[aeo])|(?<=[aeo])[íú]/g, '-$&-'],
    [/[aeoáéó](?=[aeoáéó])/g, '$&-'],
    [/qu|gu(?=[ei])/g, 'k'],
  ],
  it: [
    [/qu/g, 'k'],
    [/(?<=[cg])i(?=[aou])/g, ''],
    [/^([^aeiou]*)i(?=[aeo]$)/g, '$1i-'],
    [/(?<=[aeo])[ìù]|(?<=p)a(?=ur)/g, '$&-'],
    [/[aeoàèéòó](?=[aeoàèéòó])/g, '$&-'],
  ],
  nl: [
    [/(?<=[aeiou])(?=[ëïöü])/g, '-'],
    [/e(?=um$|a(?!u))/g, 'e-'],
  ],
  pt: [
    [/qu|gu(?=[ei])/g, 'k'],
    [/(?<=[aeo])(?=[íú])/g, '-'],
    [/^([^aeiou]*)i(?=[aeo]s?$)/g, '$1i-'],
    [/i(?=ê|â)/g, 'i-'],
    [/ei(?=as?$)/g, 'ei-'],
    [/u(?=im$|ins$)/g, 'u-'],
    [/[aeoàèéòó](?=[aeoàèéòó])(?!o$(?<=ão$))/g, '$&-'],
  ],
};

/** What is one vowel when it is spoken, where that is more than a run of vowel letters. */
const VOWELS: Readonly<Partial<Record<LanguageCode, RegExp>>> = {
  de: /ie|ei|ai|au|eu|äu|aa|ee|oo|[aeiouyäöü]/g,
  nl: /aai|ooi|oei|eeu|ieu|ij|[aeiouyéèëïöü]+/g,
  ru: /[аеёиоуыэюя]/g,
};
const ANY = /[aeiouyáàâäãåæéèêëíìîïóòôöõøœúùûüýÿ]+/g;

/** About how many syllables a word has when it is spoken: runs of vowels, with what the language leaves mute or sets apart. */
export function syllablesOf(word: string, { code }: Language): number {
  let text = word.normalize('NFC').toLowerCase();
  if (code === 'en') text = spokenEnglish(text);
  for (const [pattern, instead] of RULES[code] ?? []) text = text.replace(pattern, instead);
  // Russian says its prepositions of one letter with the word that follows.
  const least = code === 'ru' && /^[бвкс]ъ?$/.test(text) ? 0 : 1;
  return Math.max(least, (text.match(VOWELS[code] ?? ANY) ?? []).length);
}

/** English without the e's that nobody speaks. */
function spokenEnglish(low: string): string {
  if (/(?:recip|apostroph|simil|caf)e$/.test(low)) return low;
  let text = low.replace(/(?<=[^aeiouy])e(s|d)?$/u, (end) =>
    end === 'es' && /(s|x|z|ch|sh|c|g)es$/.test(low) ? 'e' : end === 'ed' && /[td]ed$/.test(low) ? 'e' : '',
  );
  if (/[^aeiouy]le(s)?$/.test(low)) text += 'e';
  // "i" before "a" or "o" is spoken by itself, but not in "special", "nation", and hardly in "Italian", "million".
  return text.replace(/i[ao]/g, (pair, at: number) =>
    /[cst]$/.test(text.slice(0, at)) || (/[aeiou]ll?$/.test(text.slice(0, at)) && /^i[ao]ns?$/.test(text.slice(at))) ? pair : `${pair[0]}-${pair[1]}`,
  );
}
