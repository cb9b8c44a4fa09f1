import type { Check } from './finding.ts';

const SEVERAL = 3;

/** Several sentences that are too long to hold (N19). One is nobody's trouble. */
export const sentenceLong: Check<'sentence-long'> = {
  code: 'sentence-long',
  cost: 'polish',
  stop: 'words',
  alsoWhenOut: false,
  look: ({ measure }) =>
    measure?.longest && measure.longSentences >= SEVERAL ? { code: 'sentence-long', count: measure.longSentences, ...measure.longest } : undefined,
};
