import { describe, expect, it } from 'vitest';
import { languageOf, readingEase } from './index.ts';

/** A text said so often that there is enough of it: averages stay as they are. */
const scoreOf = (text: string, tag: string): number =>
  readingEase(
    Array.from({ length: 30 }, () => text),
    languageOf(tag),
  )?.score ?? Number.NaN;

describe('published values of Flesch’s formula', () => {
  it.each([
    // Rudolf Flesch, How to Write Plain English (1979), chapter 2: read from his chart, so within a point and a half.
    [92, 'John loves Mary.'],
    [67, 'John has a profound affection for Mary.'],
    [
      32,
      'Even though John is not normally given to a display of his deeper emotions, he allegedly has developed a profound affection for Mary, as compared to the more equable feelings he seems to have for Lucy, Fran and, to a lesser extent, Sue.',
    ],
    // Examples that reference works compute: 6 words of one syllable; 13 words, 24 syllables.
    [116, 'The cat sat on the mat.'],
    [37.5, 'The Australian platypus is seemingly a hybrid of a mammal and reptilian creature.'],
  ])('%d: %s', (published, text) => {
    expect(Math.abs(scoreOf(text, 'en') - published)).toBeLessThan(2.1);
  });
});

/** The first article of the Universal Declaration of Human Rights (free of rights): words a sentence, words and syllables counted by hand, as spoken. */
const DECLARATION: readonly (readonly [tag: string, score: number, text: string])[] = [
  [
    'de',
    180 - 13 - (58.5 * 45) / 26,
    'Alle Menschen sind frei und gleich an Würde und Rechten geboren. Sie sind mit Vernunft und Gewissen begabt und sollen einander im Geiste der Brüderlichkeit begegnen.',
  ],
  [
    'fr',
    207 - 1.015 * 17 - (73.6 * 47) / 34,
    'Tous les êtres humains naissent libres et égaux en dignité et en droits. Ils sont doués de raison et de conscience et doivent agir les uns envers les autres dans un esprit de fraternité.',
  ],
  [
    'es',
    206.835 - 28 - (62.3 * 57) / 28,
    'Todos los seres humanos nacen libres e iguales en dignidad y derechos y, dotados como están de razón y conciencia, deben comportarse fraternalmente los unos con los otros.',
  ],
  [
    'it',
    206 - 16 - (65 * 67) / 32,
    'Tutti gli esseri umani nascono liberi ed eguali in dignità e diritti. Essi sono dotati di ragione e di coscienza e devono agire gli uni verso gli altri in spirito di fratellanza.',
  ],
  [
    'nl',
    206.84 - 0.93 * 15 - (77 * 53) / 30,
    'Alle mensen worden vrij en gelijk in waardigheid en rechten geboren. Zij zijn begiftigd met verstand en geweten, en behoren zich jegens elkander in een geest van broederschap te gedragen.',
  ],
  [
    'pt',
    248.835 - 1.015 * 15 - (84.6 * 59) / 30,
    'Todos os seres humanos nascem livres e iguais em dignidade e em direitos. Dotados de razão e de consciência, devem agir uns para com os outros em espírito de fraternidade.',
  ],
  [
    'ru',
    206.835 - 1.3 * 13 - (60.1 * 55) / 26,
    'Все люди рождаются свободными и равными в своем достоинстве и правах. Они наделены разумом и совестью и должны поступать в отношении друг друга в духе братства.',
  ],
  [
    'sv',
    14 + 800 / 28,
    'Alla människor är födda fria och lika i värde och rättigheter. De är utrustade med förnuft och samvete och bör handla gentemot varandra i en anda av broderskap.',
  ],
];

describe('other languages’ formulas on a text counted by hand', () => {
  it.each(DECLARATION)('%s: %d', (tag, score, text) => {
    // Two syllables of fifty more or less are a matter of how one speaks.
    expect(Math.abs(scoreOf(text, tag) - score)).toBeLessThan(6);
  });
});
