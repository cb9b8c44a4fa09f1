import fc from 'fast-check';
import { expect, it } from 'vitest';
import { keptText } from './index.ts';

it('is the very same value, whatever it holds', () => {
  fc.assert(
    fc.property(
      fc.anything({ withNullPrototype: false, maxDepth: 4, values: [fc.string(), fc.integer(), fc.boolean(), fc.constant(null), fc.constant(undefined)] }),
      (value) => {
        expect(keptText(value, new Map())).toEqual(value);
      },
    ),
  );
});

it('keeps texts that are the same once, and leaves what it was given alone', () => {
  const shared = new Map<string, string>();
  const page = 'a page, long enough that what is cut out of it is a view on it: /a/long/address/of/a/page/';
  const cut = page.slice(64);
  const given = Object.freeze({ hrefs: Object.freeze([cut, cut]), other: Object.freeze({ href: cut }) });
  expect(keptText(given, shared)).toEqual(given);
  expect([...shared.keys()]).toEqual([cut]);
});
