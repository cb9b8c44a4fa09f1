import type { Check } from './check.ts';

/** A text that is hard to read by a formula of its language (N19). */
export const readingHard: Check<{ readonly code: 'reading-hard'; readonly formula: string; readonly score: number; readonly very: boolean }> = {
  code: 'reading-hard',
  cost: 'polish',
  stop: 'words',
  alsoWhenOut: false,
  fix: () => ({ go: 'part', part: 'reading' }),
  look: ({ measure }) => {
    const ease = measure?.ease;
    if (!ease || (ease.band !== 'hard' && ease.band !== 'very-hard')) return undefined;
    return { code: 'reading-hard', formula: ease.formula, score: Math.round(ease.score), very: ease.band === 'very-hard' };
  },
};
