import type { Check } from './check.ts';

const SEVERAL = 3;

/** Several sentences that are too long to hold (N19). One is nobody's trouble. */
export const sentenceLong: Check<{ readonly code: 'sentence-long'; readonly count: number; readonly words: number; readonly begins: string }> = {
  code: 'sentence-long',
  cost: 'polish',
  stop: 'words',
  alsoWhenOut: false,
  fix: () => ({ go: 'part', part: 'reading' }),
  look: ({ measure }) =>
    measure?.longest && measure.longSentences >= SEVERAL ? { code: 'sentence-long', count: measure.longSentences, ...measure.longest } : undefined,
};
