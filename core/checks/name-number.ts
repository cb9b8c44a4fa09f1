import { documentTitle } from '../page/index.ts';
import { numberAfterName } from '../site/index.ts';
import type { Check } from './check.ts';

/** A figure left over after a name, such as "Journal 2" (N8). */
export const nameNumber: Check<{ readonly code: 'name-number'; readonly name: string }> = {
  code: 'name-number',
  cost: 'weakens',
  stop: 'words',
  alsoWhenOut: false,
  place: (facts) => documentTitle(facts)?.tag.start,
  fix: ({ name }, title) => ({ do: 'set', field: 'title', value: title.replace(name, name.replace(/\s+\d$/, '')) }),
  look: ({ title }) => {
    const name = numberAfterName(title.value);
    return name === undefined ? undefined : { code: 'name-number', name };
  },
};
