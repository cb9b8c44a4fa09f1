import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { factsOf } from '../testing/html.ts';
import { languageOf } from '../language/index.ts';
import { runs } from '../testing/effort.ts';
import {
  DESCRIPTION_LIMITS,
  fit,
  NearIndex,
  PARTS,
  readPattern,
  renderPattern,
  SamenessIndex,
  SHARE_TITLE_LIMIT,
  similarity,
  suggestDescriptions,
  suggestTitles,
  textWidth,
  TITLE_LIMITS,
  wordsPast,
  writePattern,
  type Part,
  type Pattern,
  type TextLimit,
} from './index.ts';

const limit = TITLE_LIMITS[0] as TextLimit;

describe('fitting', () => {
  it('shows a text that fits whole, and else whole words with an ellipsis that fit', () => {
    fc.assert(
      fc.property(
        fc.array(fc.stringMatching(/^[\p{L}]{1,12}$/u), { maxLength: 30 }).map((words) => words.join(' ')),
        (text) => {
          const fitted = fit(text, limit);
          expect(textWidth(fitted.shown, limit.fontSize)).toBeLessThanOrEqual(limit.width + 0.01);
          if (!fitted.cut) return void expect(fitted.shown).toBe(text);
          expect(text.startsWith(fitted.shown.slice(0, -2))).toBe(true);
          expect(wordsPast(fitted, text)).toBeGreaterThan(0);
          if (text.slice(0, fitted.cutAt).includes(' '))
            expect(text.slice(fitted.cutAt)).toMatch(/^[ \p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Thai}]/u);
        },
      ),
    );
  });
  it('cuts a single word that is too long inside', () => {
    const fitted = fit('x'.repeat(300), limit);
    expect(fitted.cut && fitted.cutAt > 20).toBe(true);
  });
  it('breaks scripts without spaces before any letter, and others between words', () => {
    const japanese = `A ${'本の修理と製本'.repeat(12)}`;
    const fitted = fit(japanese, limit);
    expect([fitted.cut, [...fitted.shown].length > 20, textWidth(fitted.shown, limit.fontSize) <= limit.width]).toEqual([true, true, true]);
    const arabic = fit('تجليد الكتب القديمة وإصلاحها يدويًا '.repeat(6).trim(), limit);
    expect(
      arabic.cut &&
        arabic.shown
          .slice(0, -2)
          .split(' ')
          .every((word) => 'تجليد الكتب القديمة وإصلاحها يدويًا'.split(' ').includes(word)),
    ).toBe(true);
  });
  it('counts characters where cards do', () => {
    const text = 'word '.repeat(20).trim();
    const fitted = fit(text, SHARE_TITLE_LIMIT);
    expect([fitted.width, fitted.cut, [...fitted.shown].length <= 70]).toEqual([99, true, true]);
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
  const from = (current: string, limit: TextLimit, phrase = '') => ({ facts, language: languageOf('en'), limit, current, phrase });
  const descriptions = (current: string): string[] => suggestDescriptions(from(current, DESCRIPTION_LIMITS[0] as TextLimit)).map((one) => one.text);
  const titles = (current: string): string[] => suggestTitles(from(current, limit), { name: 'Bindery', separator: '|' }).map((one) => one.text);
  it('are whole sentences of the page that fit, and never what is there already', () => {
    const whole = 'Each box is made to the measure of one book, so it closes without rubbing. It opens flat.';
    expect(descriptions('')[0]).toBe(whole);
    expect(descriptions(whole)).not.toContain(whole);
    for (const text of descriptions('')) expect(fit(text, DESCRIPTION_LIMITS[0] as TextLimit).cut).toBe(false);
  });
  it('invent nothing, whatever the page says', () => {
    fc.assert(
      fc.property(fc.array(fc.lorem({ mode: 'sentences', maxCount: 6 }), { minLength: 1, maxLength: 6 }), (paragraphs) => {
        const page = factsOf(`<h1>${paragraphs[0] ?? ''}</h1>${paragraphs.map((text) => `<p>${text}</p>`).join('')}`);
        for (const { text } of suggestDescriptions({ ...from('', DESCRIPTION_LIMITS[0] as TextLimit), facts: page }))
          expect(page.paragraphs.some((paragraph) => paragraph.includes(text))).toBe(true);
      }),
    );
  });
  it('come best first: a sentence with the target phrase before one without', () => {
    const page = factsOf(
      '<h1>Repair</h1><p>We are two people in a small harbour town, and we like what we do here.</p><p>Torn family Bibles are mended on Japanese paper with wheat paste, page by page.</p>',
    );
    const best = suggestDescriptions({ ...from('', DESCRIPTION_LIMITS[0] as TextLimit, 'family bible repair'), facts: page })[0]?.text;
    expect(best).toMatch(/^Torn family Bibles/);
  });
  it('of a title are headings, with the site’s name where it fits, and not what stands there', () => {
    expect(titles('Boxes | Bindery')).toEqual(['Box making | Bindery']);
    expect(titles('Box making | Bindery')).toEqual([]);
  });
});

describe('patterns', () => {
  const values = (part: Part): string =>
    ({ 'page-name': 'Box making', 'site-name': 'Bindery', separator: '|', tagline: '', 'first-words': 'Each box is' })[part as never] ?? '';
  it.each([
    [[{ first: ['page-name'] }, { first: ['separator'] }, { first: ['site-name'] }], 'Box making | Bindery'],
    [[{ first: ['page-name'] }, { first: ['separator'] }, { first: ['tagline'] }], 'Box making'],
    [[{ first: ['tagline'] }, { first: ['separator'] }, { first: ['site-name'] }], 'Bindery'],
    [[{ first: ['page-name'] }, { first: ['separator'] }, { first: ['tagline'] }, { first: ['separator'] }, { first: ['site-name'] }], 'Box making | Bindery'],
    [[{ first: ['tagline', 'price', { text: 'by hand' }] }], 'by hand'],
    [[{ first: ['page-name'] }, { text: ', made by' }, { first: ['site-name'] }], 'Box making, made by Bindery'],
    [[{ first: ['tagline'] }], ''],
    // An empty part takes along what was there for its sake.
    [
      [{ first: ['page-name'] }, { text: '(' }, { first: ['price'] }, { text: ')' }, { first: ['separator'] }, { first: ['site-name'] }],
      'Box making | Bindery',
    ],
    [[{ first: ['page-name'] }, { text: 'from £' }, { first: ['price'] }], 'Box making'],
    [
      [{ first: ['page-name'] }, { text: 'ab' }, { first: ['price'] }, { text: '€' }, { first: ['separator'] }, { first: ['site-name'] }],
      'Box making | Bindery',
    ],
    [[{ first: ['page-name'] }, { first: ['separator'] }, { text: 'by' }, { first: ['author'] }, { text: 'and friends' }], 'Box making'],
    [[{ first: ['page-name'] }, { text: 'by' }, { first: ['author'] }, { text: 'in Saltmere' }], 'Box making in Saltmere'],
    [[{ first: ['page-name'] }, { text: '(EUR' }, { first: ['price'] }, { text: ')' }], 'Box making'],
    [[{ text: 'All about' }, { first: ['page-name'] }, { text: 'on' }, { first: ['date'] }], 'All about Box making'],
    [[{ text: 'Welcome' }, { first: ['separator'] }, { first: ['site-name'] }], 'Welcome | Bindery'],
    [[{ first: ['page-name'] }, { text: '(' }, { first: ['site-name'] }, { text: ')' }], 'Box making (Bindery)'],
  ] as [Pattern, string][])('%j makes %j', (pattern, text) => expect(renderPattern(pattern, values)).toBe(text));
  it('are kept and read as they are, and nothing else is', () => {
    const piece = fc.oneof(
      fc.record({ text: fc.string({ maxLength: 20 }) }),
      fc.record({ first: fc.array(fc.oneof(fc.constantFrom(...PARTS), fc.record({ text: fc.string({ maxLength: 9 }) })), { minLength: 1, maxLength: 4 }) }),
    );
    fc.assert(fc.property(fc.array(piece, { minLength: 1, maxLength: 8 }), (pattern) => void expect(readPattern(writePattern(pattern))).toEqual(pattern)));
    for (const kept of ['', '{', '[]', '[{"first":["nonsense"]}]', null, undefined]) expect(readPattern(kept)).toBeUndefined();
  });
});

describe('near copies', () => {
  const base = 'Two bookbinders in Saltmere mend and bind books by hand, from family Bibles to ledgers.';
  it('are found, and neither equal nor different texts are', () => {
    const index = new NearIndex([base]);
    index.put('a', base);
    index.put('b', base.replace('ledgers', 'journals'));
    index.put('c', base);
    index.put('d', 'Marbling evening: six people, one bath of ink and a great deal of paper.');
    expect([index.near('a'), index.near('b'), index.near('c'), index.near('d')]).toEqual([['b'], ['a', 'c'], ['b'], []]);
  });
  it('are the same when brought up to date as when compared all with all', () => {
    const words = fc.constantFrom('boxes', 'books', 'bindery', 'leather', 'marbling', 'evening');
    const text = fc.array(words, { minLength: 2, maxLength: 6 }).map((list) => list.join(' '));
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.constantFrom('a', 'b', 'c', 'd', 'e'), fc.oneof(text, fc.constant(''))), { maxLength: 24 }),
        fc.constantFrom('letters' as const, 'words' as const),
        (steps, way) => {
          const index = new NearIndex(
            steps.slice(5).map(([, one]) => one),
            way,
          );
          const texts = new Map<string, string>();
          for (const [page, one] of steps) {
            const before = new Map([...texts.keys()].map((other) => [other, index.near(other).join()]));
            const touched = index.put(page, one);
            texts.set(page, one);
            for (const [other, other2] of texts) {
              const expected = [...texts]
                .filter(
                  ([third, text3]) =>
                    third !== other &&
                    other2.length >= (way === 'words' ? 12 : 5) &&
                    text3.length >= (way === 'words' ? 12 : 5) &&
                    text3 !== other2 &&
                    similarity(text3, other2, way) >= (way === 'words' ? 0.6 : 0.62),
                )
                .map(([third]) => third)
                .sort();
              expect(index.near(other)).toEqual(expected);
              if (before.has(other) && before.get(other) !== expected.join()) expect(touched.has(other)).toBe(true);
            }
          }
        },
      ),
      { numRuns: runs(300) },
    );
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
