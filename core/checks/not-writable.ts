import type { Unwritable } from '../page/index.ts';
import type { Check } from './check.ts';

/** Nothing can be written into the page: what is typed for it would never be released (N39). */
export const notWritable: Check<{ readonly code: 'not-writable'; readonly why: Unwritable }> = {
  code: 'not-writable',
  cost: 'weakens',
  stop: 'words',
  alsoWhenOut: true,
  look: ({ facts }) => (facts.unwritable === undefined ? undefined : { code: 'not-writable', why: facts.unwritable }),
};
