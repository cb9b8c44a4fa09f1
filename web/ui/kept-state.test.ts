import { describe, expect, it } from 'vitest';
import { like } from './kept-state.ts';

describe('what a view kept is taken where it still fits', () => {
  const fits = like({ text: '', count: 0, open: false, cell: {} }, ['cell']);
  it.each([
    [{ text: 'a', count: 2, open: true, cell: { x: 1 } }, true],
    [{ text: 'a', count: 2, open: true }, true],
    [{ text: 'a', count: 2, open: true, more: 1 }, true],
    [{ text: 'a', count: '2', open: true }, false],
    [{ text: 'a', open: true }, false],
    [null, false],
    ['text', false],
  ])('%j: %s', (value, expected) => expect(fits(value)).toBe(expected));
});
