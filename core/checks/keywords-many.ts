import type { Check } from './check.ts';

/** Beyond this many no reader would call them key. */
const MOST = 12;

/** More keywords than anybody would believe: stuffing (N6). */
export const keywordsMany: Check<{ readonly code: 'keywords-many'; readonly count: number }> = {
  code: 'keywords-many',
  cost: 'polish',
  stop: 'words',
  alsoWhenOut: false,
  place: (facts) => facts.metas.find((meta) => meta.inHead && meta.name === 'keywords')?.tag.start,
  fix: () => ({ do: 'set', field: 'keywords', value: '' }),
  look: ({ keywords }) => {
    const count = keywords.split(',').filter((word) => word.trim() !== '').length;
    return count > MOST ? { code: 'keywords-many', count } : undefined;
  },
};
