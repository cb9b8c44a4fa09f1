import fc from 'fast-check';
import { expect, it } from 'vitest';
import type { PageRow } from '../../core/rows/index.ts';
import { SharedTexts } from './shared-texts.ts';

it('gives rows that say the same, whatever is here already', () => {
  const few = fc.constantFrom('', 'page', 'guess', 'out');
  const row = fc.record(
    {
      id: few,
      address: few,
      name: few,
      ownName: few,
      title: few,
      description: few,
      phrase: few,
      lang: few,
      kind: few,
      kindFrom: few,
      intent: few,
      intentFrom: few,
      state: few,
      titleFrom: few,
      descriptionFrom: few,
    },
    {
      requiredKeys: [
        'id',
        'address',
        'name',
        'title',
        'description',
        'phrase',
        'lang',
        'kind',
        'kindFrom',
        'intent',
        'intentFrom',
        'state',
        'titleFrom',
        'descriptionFrom',
      ],
    },
  ) as unknown as fc.Arbitrary<PageRow>;
  fc.assert(
    fc.property(fc.array(row), fc.array(row), (first, then) => {
      const shared = new SharedTexts();
      const known = new Map(shared.share(structuredClone(first), new Map()).map((one) => [one.id, one]));
      expect([...known.values()]).toEqual([...new Map(first.map((one) => [one.id, one])).values()]);
      expect(shared.share(structuredClone(then), known)).toEqual(then);
    }),
  );
});
