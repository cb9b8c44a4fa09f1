import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  careWords,
  countWords,
  isCommon,
  languageOf,
  longSentences,
  measureText,
  readingEase,
  sentencesOf,
  stem,
  stemsOf,
  syllablesOf,
  wordsOf,
} from './index.ts';

const en = languageOf('en-GB');
const de = languageOf('de');
const fr = languageOf('fr');
const es = languageOf('es-ES');
const ja = languageOf('ja');
const ar = languageOf('ar');

describe('languages', () => {
  it('are told by their primary tag; a page without one speaks the site’s', () => {
    expect([en.code, languageOf('DE_at').code, languageOf(undefined, 'fr').code, languageOf('nb').code]).toEqual(['en', 'de', 'fr', 'no']);
    expect(languageOf('')).toMatchObject({ code: 'other', name: 'no declared language', stemmer: undefined });
    expect([ja.unspaced, ar.rightToLeft, languageOf('he').rightToLeft]).toEqual([true, true, true]);
  });
});

describe('words', () => {
  it.each([
    [en, 'The binder’s don’t-miss 2nd book.', ['The', 'binder’s', 'don’t', 'miss', '2nd', 'book']],
    [de, 'Bücher & Größe: 3 Stück', ['Bücher', 'Größe', '3', 'Stück']],
    [fr, 'L’atelier d’aujourd’hui qu’il aime', ['atelier', 'aujourd’hui', 'il', 'aime']],
    [es, '¿Cuánto cuesta la encuadernación?', ['Cuánto', 'cuesta', 'la', 'encuadernación']],
    [ar, 'تجليد الكتب يدويًا', ['تجليد', 'الكتب', 'يدويًا']],
  ] as const)('of %o', (language, text, words) => expect(wordsOf(text, language).map((word) => word.text)).toEqual(words));
  it('are set apart where no space does it', () => {
    const words = wordsOf('本の修理と製本を行います。', ja).map((word) => word.text);
    expect(words).toContain('修理');
    expect(words).toContain('製本');
    expect(countWords('手で本を綴じる', languageOf('en'))).toBeGreaterThan(2);
  });
  it('stand where they say', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', maxLength: 60 }), fc.constantFrom(en, de, fr, es, ja, ar), (text, language) => {
        let last = 0;
        for (const word of wordsOf(text, language)) {
          expect(text.slice(word.start, word.end)).toBe(word.text);
          expect(word.start).toBeGreaterThanOrEqual(last);
          last = word.end;
        }
      }),
    );
  });
});

describe('sentences', () => {
  it.each([
    [
      en,
      'Dr. Hale binds books. He lives in Saltmere, e.g. by the quay. Open at 3.30 p.m. Come in!',
      ['Dr. Hale binds books.', 'He lives in Saltmere, e.g. by the quay.', 'Open at 3.30 p.m. Come in!'],
    ],
    [
      de,
      'Am 3. Mai öffnen wir. Das kostet ca. 40 Euro, z.B. für Bibeln. Kommen Sie!',
      ['Am 3. Mai öffnen wir.', 'Das kostet ca. 40 Euro, z.B. für Bibeln.', 'Kommen Sie!'],
    ],
    [fr, '« M. Leroy relie des livres. » Il habite ici. Et vous ?', ['« M. Leroy relie des livres. »', 'Il habite ici.', 'Et vous ?']],
    [es, '¿Dónde está? La Sra. Pérez lo sabe. Gracias.', ['¿Dónde está?', 'La Sra. Pérez lo sabe.', 'Gracias.']],
    [ja, '本を直します。箱も作ります！お待ちしています。', ['本を直します。', '箱も作ります！', 'お待ちしています。']],
    [ar, 'هل لديك كتاب؟ نصلحه لك.', ['هل لديك كتاب؟', 'نصلحه لك.']],
  ] as const)('of %o', (language, text, sentences) => expect(sentencesOf(text, language).map((sentence) => sentence.text)).toEqual(sentences));
  it('lose nothing but white space', () => {
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom('a', 'B', '.', '!', ' ', 'Dr', '3', '。', '”', '\n'), { maxLength: 30 }).map((parts) => parts.join('')),
        (text) => {
          expect(
            sentencesOf(text, en)
              .map((sentence) => sentence.text)
              .join('')
              .replace(/\s/g, ''),
          ).toBe(text.replace(/\s/g, ''));
        },
      ),
    );
  });
});

describe('stems', () => {
  it.each([
    [en, ['binding', 'bindings', 'Binding’s']],
    [de, ['Bindung', 'Bindungen']],
    [fr, ['reliure', 'reliures']],
    [es, ['libro', 'libros']],
    [languageOf('it'), ['libro', 'libri']],
  ] as const)('of %o: word forms meet', (language, forms) => expect(new Set(forms.map((form) => stem(form, language))).size).toBe(1));
  it('of Arabic and Japanese leave words whole enough to be found again', () => {
    expect(stem('修理', ja)).toBe('修理');
    expect(stem('الكتب', ar)).toBe(stem('الكتب', ar));
    expect(stemsOf('本の修理', ja)).toContain('修理');
  });
  it('leave out what is too common to mean anything, but never everything', () => {
    expect(stemsOf('the repair of books', en)).toEqual(['repair', 'book']);
    expect(stemsOf('the who', en)).toEqual(['the', 'who']);
    expect([isCommon('und', de), isCommon('und', en)]).toEqual([true, false]);
  });
});

describe('reading ease', () => {
  const easy = Array.from({ length: 12 }, () => 'We mend old books. You bring them in. We look at each one.');
  const hard = Array.from(
    { length: 6 },
    () =>
      'Notwithstanding considerable infrastructural preconditions, institutional conservation methodologies necessitate interdisciplinary documentation of deterioration characteristics throughout extraordinarily heterogeneous collections.',
  );
  it('tells easy from hard, by the formula of the language', () => {
    expect(readingEase(easy, en)).toMatchObject({ formula: 'Flesch', band: 'easy', sentences: 36 });
    expect(readingEase(hard, en)?.band).toBe('very-hard');
    expect(
      readingEase(
        Array.from({ length: 10 }, () => 'Wir binden Bücher von Hand und bringen sie zu Ihnen nach Hause.'),
        de,
      ),
    ).toMatchObject({ formula: 'Amstad' });
    expect(
      readingEase(
        Array.from({ length: 10 }, () => 'Nous relions les livres à la main dans notre petit atelier.'),
        fr,
      ),
    ).toMatchObject({ formula: 'Kandel and Moles' });
    expect(
      readingEase(
        Array.from({ length: 10 }, () => 'Encuadernamos libros a mano en nuestro pequeño taller del puerto.'),
        es,
      ),
    ).toMatchObject({ formula: 'Szigriszt-Pazos' });
  });
  it('says nothing of short texts, or of languages without a formula', () => {
    expect(readingEase(['We mend old books.'], en)).toBeUndefined();
    expect(
      readingEase(
        Array.from({ length: 40 }, () => '本の修理と製本を行います。'),
        ja,
      ),
    ).toBeUndefined();
  });
  it.each([
    [en, 'bindery', 3],
    [en, 'made', 1],
    [en, 'table', 2],
    [en, 'boxes', 2],
    [en, 'mended', 2],
    [en, 'stitched', 1],
    [de, 'Buchbinderei', 4],
    [de, 'Häuser', 2],
    [fr, 'livres', 1],
    [fr, 'atelier', 3],
    [es, 'encuadernación', 5],
    [es, 'poesía', 4],
    [es, 'guitarra', 3],
  ] as const)('in %o %s has %i syllables', (language, word, count) => expect(syllablesOf(word, language)).toBe(count));
});

it('measures a page: long sentences, walls, and words that leave people out', () => {
  const long = `${Array.from({ length: 35 }, () => 'word').join(' ')}.`;
  const measure = measureText(
    ['Menu', 'Home', long, long, long, Array.from({ length: 140 }, () => 'wall').join(' '), 'Our chairman speaks to the craftsmen.'],
    en,
  );
  expect(measure).toMatchObject({ longSentences: 4, longParagraphs: 1, care: [{ word: 'chairman' }, { word: 'craftsmen' }] });
  expect(measure.longest?.words).toBe(140);
  expect(longSentences(long, en)).toMatchObject([{ words: 35 }]);
  expect(careWords('Die Mannschaft', de)).toMatchObject([{ instead: 'Team' }]);
});
