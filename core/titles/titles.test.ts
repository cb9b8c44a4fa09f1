import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { factsOf } from '../testing/html.ts';
import { DESCRIPTION_ROOMS, fit, SamenessIndex, suggestDescriptions, suggestTitles, textWidth, TITLE_ROOMS, wordsPast, type Room } from './index.ts';

const room = TITLE_ROOMS[0] as Room;

describe('fitting', () => {
  it('shows a text that fits whole, and else whole words with an ellipsis that fit', () => {
    fc.assert(
      fc.property(
        fc.array(fc.stringMatching(/^[\p{L}]{1,12}$/u), { maxLength: 30 }).map((words) => words.join(' ')),
        (text) => {
          const fitted = fit(text, room);
          expect(textWidth(fitted.shown, room.fontSize)).toBeLessThanOrEqual(room.width + 0.01);
          if (!fitted.cut) return void expect(fitted.shown).toBe(text);
          expect(text.startsWith(fitted.shown.slice(0, -2))).toBe(true);
          expect(wordsPast(fitted, text)).toBeGreaterThan(0);
          if (text.slice(0, fitted.cutAt).includes(' ')) expect(text[fitted.cutAt]).toBe(' ');
        },
      ),
    );
  });
  it('cuts a single word that is too long inside', () => {
    const fitted = fit('x'.repeat(300), room);
    expect(fitted.cut && fitted.cutAt > 20).toBe(true);
  });
  it('is wider for wide scripts and takes nothing for marks', () => {
    expect(textWidth('日本', 20)).toBe(40);
    expect(textWidth('e\u0301', 20)).toBe(textWidth('e', 20));
    expect(textWidth('', 20)).toBe(0);
  });
});

describe('suggestions', () => {
  const facts = factsOf(
    '<title>Boxes | Bindery</title><h1>Box making</h1><p>Short one.</p><p>Each box is made to the measure of one book, so it closes without rubbing. It opens flat.</p>',
  );
  it('are whole sentences of the page that fit, and never what is there already', () => {
    expect(suggestDescriptions(facts, '')).toEqual(['Each box is made to the measure of one book, so it closes without rubbing. It opens flat.']);
    expect(suggestDescriptions(facts, 'Each box is made to the measure of one book, so it closes without rubbing. It opens flat.')).toEqual([]);
    for (const text of suggestDescriptions(facts, '')) expect(fit(text, DESCRIPTION_ROOMS[0] as Room).cut).toBe(false);
  });
  it('of a title leave out a heading that it holds', () => {
    expect(suggestTitles(facts, 'Boxes | Bindery')).toEqual(['Box making']);
    expect(suggestTitles(facts, 'Box making | Bindery')).toEqual([]);
  });
});

describe('sameness', () => {
  it('brought up to date tells the same as comparing all with all', () => {
    const step = fc.record({ page: fc.constantFrom('a', 'b', 'c', 'd'), text: fc.constantFrom('', 'X', 'x ', 'Y') });
    fc.assert(
      fc.property(fc.array(step, { maxLength: 20 }), (steps) => {
        const index = new SamenessIndex();
        const texts = new Map<string, string>();
        for (const { page, text } of steps) {
          const before = new Map([...texts.keys()].map((one) => [one, index.others(one).sort().join()]));
          const touched = index.put(page, text);
          texts.set(page, text.trim().toLowerCase());
          for (const [one, text2] of texts) {
            const expected =
              text2 === ''
                ? []
                : [...texts]
                    .filter(([other, text3]) => other !== one && text3 === text2)
                    .map(([other]) => other)
                    .sort();
            expect(index.others(one).sort()).toEqual(expected);
            if (before.has(one) && before.get(one) !== expected.join()) expect(touched.has(one)).toBe(true);
          }
        }
      }),
    );
  });
});
