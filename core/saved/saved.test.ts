import { describe, expect, it } from 'vitest';
import { broughtUpToDate, isSaved, renamed, type SavedFormat } from './index.ts';

const FORMAT: SavedFormat = {
  name: 'example',
  version: 3,
  migrations: { 1: (saved) => ({ ...saved, steps: ['one'] }), 2: (saved) => ({ ...saved, steps: [...(saved['steps'] as string[]), 'two'] }) },
};

describe('a saved value', () => {
  it.each([
    ['of the first version takes every step', { version: 1, a: 1 }, { version: 3, a: 1, steps: ['one', 'two'] }],
    ['of a later one only those that are left', { version: 2, steps: [] }, { version: 3, steps: ['two'] }],
    ['of today none', { version: 3, x: 1 }, { version: 3, x: 1 }],
    ['of a version that never was is left for its schema to refuse', { version: 0 }, { version: 0 }],
    ['of a version that is no number likewise', { version: 'constructor' }, { version: 'constructor' }],
    ['without a version likewise', { a: 1 }, { a: 1 }],
    ['that is no record likewise', [1, 2], [1, 2]],
    ['that is nothing likewise', null, null],
  ])('%s', (_what, value, expected) => expect(broughtUpToDate(FORMAT, value)).toEqual({ ok: true, value: expected }));
  it('of a newer version is refused with its number', () =>
    expect(broughtUpToDate(FORMAT, { version: 4 })).toEqual({ ok: false, reason: 'newer-version', detail: 'format version 4' }));
});

describe('keys that are called otherwise', () => {
  it('are renamed, and what merely is called like something inherited is not', () => {
    expect(renamed({ old: 1, other: 2, constructor: 3 }, { old: 'new' })).toEqual({ new: 1, other: 2, constructor: 3 });
  });
  it.each([null, 7, 'text', [1]])('of %j are none', (value) => {
    expect(isSaved(value)).toBe(false);
    expect(renamed(value, { length: 'x' })).toBe(value);
  });
});
