import type { Check } from './finding.ts';

/** Nothing can be written into the page: what is typed for it would never be released (N39). */
export const notWritable: Check<'not-writable'> = {
  code: 'not-writable',
  cost: 'weakens',
  stop: 'words',
  alsoWhenOut: true,
  look: ({ facts }) => (facts.unwritable === undefined ? undefined : { code: 'not-writable', why: facts.unwritable }),
};
