import { numberAfterName } from '../site/index.ts';
import type { Check } from './finding.ts';

/** A figure left over after a name, such as "Journal 2" (N8). */
export const nameNumber: Check<'name-number'> = {
  code: 'name-number',
  cost: 'weakens',
  stop: 'words',
  alsoWhenOut: false,
  look: ({ title }) => {
    const name = numberAfterName(title.value);
    return name === undefined ? undefined : { code: 'name-number', name };
  },
};
