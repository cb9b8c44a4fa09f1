// The package ships without types; every project that reads this file must find ours.
// eslint-disable-next-line @typescript-eslint/triple-slash-reference
/// <reference path="./pluralize.d.ts" />
import pluralize from 'pluralize';
import type { Language } from './languages.ts';

/** Forms that end otherwise than their stemmer knows, by the form it meets. German by Duden's lists of foreign plurals, French by the grammars' of plurals in -x. */
const FORMS: Readonly<Partial<Record<Language['code'], Readonly<Record<string, string>>>>> = {
  de: table(
    'museen museum, zentren zentrum, gymnasien gymnasium, studien studium, stipendien stipendium, alben album, themen thema, firmen firma, villen villa, pizzen pizza, dramen drama, konten konto, risiken risiko, lexika lexikon, praxen praxis, basen basis, atlanten atlas, globen globus, kurs kurse, zins zinsen, hals halse, gans ganse, gänse ganse, vers verse, fels felse, puls pulse',
  ),
  fr: table(
    'yeux œil, yeux oeil, cieux ciel, travaux travail, vitraux vitrail, émaux émail, coraux corail, baux bail, bijoux bijou, cailloux caillou, choux chou, genoux genou, hiboux hibou, joujoux joujou, poux pou, messieurs monsieur, mesdames madame',
  ),
};

/** A word in the form that its language's stemmer takes best: one of it where there are many, as far as lists and endings tell. The word is in lower case. */
export function regularForm(word: string, { code }: Language): string {
  const listed = FORMS[code];
  if (listed && Object.hasOwn(listed, word)) return listed[word] as string;
  // Words of other scripts and with signs in them are left to the stemmer.
  if (code === 'en') return /^[a-z]{3,}$/.test(word) && !/(?:ss|us|is|news)$/.test(word) ? pluralize.singular(word) : word;
  if (code === 'fr')
    return word
      .replace(/œ/g, 'oe')
      .replace(/euses?$/, 'eur')
      .replace(/(?<=[^e])aux$/, 'al');
  if (code === 'es') return plainSpanish(word.replace(/(?<=[aeiouáéíóú])ces$/, 'z').replace(/(?<=[aeiouáéíóú][rnldjs])es$/, ''));
  return word;
}

/** An accent that only comes and goes with the plural: `joven`, `jóvenes`; `reparación`, `reparaciones`. */
function plainSpanish(word: string): string {
  return word
    .normalize('NFD')
    .replace(/\u0301/g, '')
    .normalize('NFC');
}

function table(text: string): Readonly<Record<string, string>> {
  return Object.fromEntries(text.split(', ').map((pair) => pair.split(' ') as [string, string]));
}
