import type { Check } from './finding.ts';

/** Beyond this many no reader would call them key. */
const MOST = 12;

/** More keywords than anybody would believe: stuffing (N6). */
export const keywordsMany: Check<'keywords-many'> = {
  code: 'keywords-many',
  cost: 'polish',
  stop: 'words',
  alsoWhenOut: false,
  look: ({ keywords }) => {
    const count = keywords.split(',').filter((word) => word.trim() !== '').length;
    return count > MOST ? { code: 'keywords-many', count } : undefined;
  },
};
