import fc from 'fast-check';
import { afterEach, describe, expect, it } from 'vitest';
import { fit, measureUnknownLettersBy, textWidth, TITLE_LIMITS, type TextLimit } from './index.ts';
import { measure } from './widths.ts';

const limit = TITLE_LIMITS[0] as TextLimit;
const EM = 2048;
/** Any text, marks and joiners, joined pictures and all. */
const anyText = fc
  .array(fc.oneof(fc.string({ unit: 'grapheme' }), fc.constantFrom('AVA', 'Tên miền', 'สวัสดี', 'كتاب', '👩‍👩‍👧', 'e\u0301', '\u00ad', '製本')))
  .map((parts) => parts.join(' '));

afterEach(() => measureUnknownLettersBy(undefined));

describe('widths', () => {
  it('sets letters as near to each other as the face does', () => {
    // Advance widths and kerning of the face: A 1366, V 1366, AV −152, T 1251, o 1139, To −227, the soft hyphen and marks nothing.
    expect(textWidth('AVA', EM)).toBe(1366 * 3 - 152 - 152);
    expect(textWidth('To', EM)).toBe(1251 + 1139 - 227);
    expect(textWidth('T\u0300o', EM)).toBe(1251 + 1139 - 227);
    expect(textWidth('i\u0301i\u0301', EM)).toBe(569 * 2);
    expect(textWidth('A T', EM)).toBe(1366 - 113 + 569 - 37 + 1251);
    expect(textWidth('Book\u00adbinding', EM)).toBe(textWidth('Bookbinding', EM));
  });
  it('gives marks that sit on letters, and signs that only join, no room of their own', () => {
    for (const [marked, bare] of [
      ['كِتَابٌ', 'كتاب'],
      ['שָׁלוֹם', 'שלום'],
      ['ที่นี่', 'ทน'],
      ['a\u200db\u2060c\ufeff', 'abc'],
      ['👍🏽', '👍'],
      ['❤️', '❤'],
    ] as const)
      expect([marked, textWidth(marked, 20)]).toEqual([marked, textWidth(bare, 20)]);
    expect(textWidth('👩‍👩‍👧‍👦', 20)).toBeCloseTo(20);
    expect(textWidth('🇫🇷🇮🇹', 20)).toBeCloseTo(40);
  });
  it('is the same for a letter with its mark and for both in one', () => {
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...'aeiouAEIOU')), fc.array(fc.constantFrom('\u0301', '\u0308', '')), (letters, marks) => {
        const text = letters.map((letter, at) => `${letter}${marks[at] ?? ''}`).join(' ');
        expect(textWidth(text.normalize('NFD'), 20)).toBeCloseTo(textWidth(text.normalize('NFC'), 20), 6);
      }),
    );
  });
  it('asks the program that shows them for letters that the face lacks, stretch by stretch, once', () => {
    const asked: string[] = [];
    measureUnknownLettersBy((letters) => (asked.push(letters), 2));
    const measured = measure('Kho sách tiếng Việt: كِتَاب', 20);
    expect(asked).toEqual(['ế', 'ệ', 'كِتَاب']);
    expect(measured.by).toBe('program');
    expect(measured.width).toBeCloseTo(textWidth('Kho sách ti', 20) + textWidth('ng Vi', 20) + textWidth('t: ', 20) + 3 * 2 * 20, 6);
    measure('كِتَاب', 14);
    expect(asked).toHaveLength(3);
  });
  it('says by what it told a width', () => {
    expect([fit('Repair of books', limit).by, fit('製本と修理', limit).by, fit('كتاب', limit).by]).toEqual(['table', 'table', 'typical']);
    measureUnknownLettersBy((letters) => (letters.includes('ก') ? undefined : 1));
    expect([fit('كتاب', limit).by, fit('كتاب ก', limit).by]).toEqual(['program', 'typical']);
  });
  it('ends every character where the next begins, the last at the whole width', () => {
    const ends = (text: string): void => {
      const { width, ends: found } = measure(text, 20, true);
      expect(found.map(([at]) => at)).toEqual([...text].reduce<number[]>((all, one) => [...all, (all.at(-1) ?? 0) + one.length], []));
      expect(found.at(-1)?.[1] ?? 0).toBeCloseTo(width, 6);
    };
    fc.assert(fc.property(anyText, ends));
    measureUnknownLettersBy((letters) => letters.length / 3);
    fc.assert(fc.property(anyText, ends));
  });
  it('never shows more than fits, whoever measured', () => {
    measureUnknownLettersBy((letters) => letters.length * 0.7);
    fc.assert(
      fc.property(anyText, (text) => {
        const fitted = fit(text.repeat(3), limit);
        expect(fitted.cut ? fitted.shown.length : 0).toBeLessThanOrEqual(text.length * 3 + 2);
        expect(fitted.cut).toBe(fitted.width > limit.width);
        expect(text.repeat(3).startsWith(fitted.shown.replace(/ …$/, '')) || !fitted.cut).toBe(true);
      }),
    );
  });
});
