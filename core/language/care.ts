import type { Language } from './languages.ts';
import { wordsOf } from './words.ts';

/** A word that leaves people out, and words that do not. */
export interface CareWord {
  readonly word: string;
  readonly instead: string;
  readonly start: number;
  readonly end: number;
}

/** Only words with a plain replacement, and none that most of their users mean otherwise. */
const WORDS: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  en: {
    mankind: 'people, humanity',
    manmade: 'made, artificial',
    chairman: 'chair',
    foreman: 'supervisor',
    craftsman: 'craftsperson, maker',
    craftsmen: 'craftspeople, makers',
    businessman: 'business owner',
    salesman: 'seller',
    housewife: 'homemaker',
    handicapped: 'disabled people',
    crippled: 'disabled',
    elderly: 'older people',
    whitelist: 'allow list',
    blacklist: 'block list',
    manpower: 'staff, hands',
    ladies: 'women',
    guys: 'everyone',
  },
  de: {
    mannschaft: 'Team',
    jedermann: 'alle',
    putzfrau: 'Reinigungskraft',
    behinderte: 'Menschen mit Behinderung',
    zigeuner: 'Sinti und Roma',
    fachmann: 'Fachkraft',
    kaufmann: 'Kaufleute',
  },
  fr: { handicapés: 'personnes handicapées', mademoiselle: 'madame' },
  es: { minusválidos: 'personas con discapacidad', minusválido: 'persona con discapacidad' },
};

/** Words of a text that leave people out, with what could stand there. Languages without a list give none. */
export function careWords(text: string, language: Language): CareWord[] {
  const list = WORDS[language.code];
  if (!list) return [];
  return wordsOf(text, language).flatMap(({ text: word, start, end }) => {
    const low = word.toLowerCase();
    return Object.hasOwn(list, low) ? [{ word, instead: list[low] as string, start, end }] : [];
  });
}
