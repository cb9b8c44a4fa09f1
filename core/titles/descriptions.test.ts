import { describe, expect, it } from 'vitest';
import { languageOf } from '../language/index.ts';
import { factsOf } from '../testing/html.ts';
import { DESCRIPTION_LIMITS, suggestDescriptions } from './index.ts';
import { earlierEnds, withoutNotes } from './shorten.ts';

const first = (html: string, tag = 'en'): string | undefined =>
  suggestDescriptions({ facts: factsOf(html), language: languageOf(tag), limit: DESCRIPTION_LIMITS[0], current: '', phrase: '' })[0]?.text;

describe('where a sentence that is too long may end', () => {
  it.each([
    ['en', 'The press prints cards, which dry for a day.', ['The press prints cards.']],
    ['en', 'The press prints cards; the guillotine cuts them.', ['The press prints cards.']],
    ['en', 'The press prints cards, but the ink dries slowly, so plan ahead.', ['The press prints cards.']],
    ['en', 'The press – an old one – prints cards.', []],
    ['en', 'The cards, which dry for a day, are printed here.', []],
    ['en', 'The press (bought in 1962; sold since, but kept) prints.', []],
    ['en', 'The press prints and, while it runs, hums.', []],
    ['de', 'Die Presse druckt Karten, die einen Tag trocknen.', ['Die Presse druckt Karten.']],
    ['de', 'Die Karten, die hier trocknen, sind gedruckt, aber feucht.', ['Die Karten, die hier trocknen, sind gedruckt.']],
    ['fr', 'La presse imprime des cartes, qui sèchent un jour.', ['La presse imprime des cartes.']],
    ['es', 'La prensa imprime tarjetas, pero la tinta seca despacio.', ['La prensa imprime tarjetas.']],
    ['zh', '印刷机印制卡片，从而节省时间。', ['印刷机印制卡片。']],
  ])('%s: %s', (tag, sentence, ends) => expect(earlierEnds(sentence, languageOf(tag))).toEqual(ends));
  it('leaves notes in brackets out, but not other names', () => {
    expect(withoutNotes('The press (see section 4) prints (in 2026) on paper (bought by weight, from three mills).')).toBe('The press prints on paper.');
    expect(withoutNotes('International Standard Book Numbers (ISBN) tell books apart.')).toBe('International Standard Book Numbers (ISBN) tell books apart.');
    expect(withoutNotes('(2026)')).toBe('(2026)');
  });
});

describe('what a page offers', () => {
  it('is the line that says what its name means, with a sentence that adds to it', () => {
    expect(
      first('<h1>fold(1)</h1><h2>Name</h2><p>fold - creases sheets of paper</p><p>Sheets up to a metre wide are taken in from the left of the table.</p>'),
    ).toBe('fold - creases sheets of paper. Sheets up to a metre wide are taken in from the left of the table.');
    expect(first('<h1>fold(1)</h1><p>fold - creases sheets of paper</p><p>It creases sheets of paper.</p>')).toBe('fold - creases sheets of paper.');
  });
  it('says what “it” is where the page begins with it', () => {
    const text = 'creases up to ninety sheets of paper in a minute, with hardly any noise.';
    expect(first(`<h1>Bone folder</h1><p>It ${text}</p>`)).toBe(`Bone folder ${text}`);
    expect(first(`<h1>Bone folder</h1><p>Folders are made of bone, and of nothing else than that.</p><p>It ${text}</p>`)).not.toContain(text);
    expect(first(`<h1>What is it?</h1><p>It ${text}</p>`)).toBeUndefined();
  });
  it('is what its parts are called, where it says nothing', () => {
    expect(first('<h1>3. Repairs</h1><h2>Spines</h2><h2>See also</h2><h2>1.2 Torn pages</h2><h2>Boards</h2>')).toBe('Repairs: Spines, Torn pages, Boards.');
    expect(first('<h1>Repairs</h1><h2>Spines</h2><h2>Options</h2>')).toBeUndefined();
    expect(first('<h1>Index</h1><h2>A</h2><h2>B</h2><h2>C</h2><h2>D</h2>')).toBeUndefined();
  });
  it('is in the language of the page, not in the one that it is translated from', () => {
    const english = '<p>You should ask for the price of the box before you send the book to us.</p>';
    expect(first(`<h1>Scatole</h1><p>Le scatole sono fatte a mano nella bottega, con tela e cartone della regione.</p>${english}`, 'it')).toMatch(
      /^Le scatole/,
    );
  });
  it('is no scrap for its abbreviations and dates', () => {
    const text = 'Wir binden alte Bücher von Hand, z.B. Bibeln. Am 3. Mai öffnen wir die Werkstatt im Hof.';
    expect(first(`<h1>Die Bindungen</h1><p>${text}</p>`, 'de')).toBe(text);
    expect(first('<h1>Boxes</h1><p>A box in red. A box in blue. The box in green.</p>')).toBeUndefined();
  });
  it('does not send its reader on, and tells nothing of its own making', () => {
    for (const text of [
      'For boxes of every sort and size, please read the chapter on cloth and board.',
      'This chapter has been written by the binders of three workshops over many years.',
      'The list of boxes is found in the menu of the workshop under Prices and then Boxes.',
    ])
      expect(first(`<h1>Prices</h1><p>${text}</p>`), text).toBeUndefined();
  });
});
