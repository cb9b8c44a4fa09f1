import type { Check } from './check.ts';

/** The file holds instructions to a program: it is a template, and what visitors get is made of it elsewhere (N2). */
export const templateLeft: Check<{ readonly code: 'template-left'; readonly instruction: string }> = {
  code: 'template-left',
  cost: 'weakens',
  stop: 'words',
  alsoWhenOut: false,
  look: ({ facts }) => (facts.program === undefined ? undefined : { code: 'template-left', instruction: facts.program }),
};
