import fc from 'fast-check';
import { expect, it } from 'vitest';
import { isOneOf, keyed, keysOf, onlyFields } from './index.ts';

const record = fc.dictionary(fc.string(), fc.integer());

it('a record by its keys is the record', () => {
  fc.assert(fc.property(record, (one) => void expect(keyed(keysOf(one), (key) => one[key])).toEqual({ ...one })));
});

it('fields stay, and keep their order, or go', () => {
  fc.assert(
    fc.property(record, (one) => {
      const even = onlyFields(one, (value) => Number(value) % 2 === 0);
      const odd = onlyFields(one, (value) => Number(value) % 2 !== 0);
      expect({ ...even, ...odd }).toEqual({ ...one });
      expect(keysOf(even)).toEqual(keysOf(one).filter((key) => (one[key] as number) % 2 === 0));
    }),
  );
});

it('a text is one of a list, and no name that every object has', () => {
  expect(isOneOf(['a', 'b'], 'b')).toBe(true);
  for (const other of ['c', '', 'constructor', '__proto__', 'length']) expect(isOneOf(['a', 'b'], other), other).toBe(false);
});
