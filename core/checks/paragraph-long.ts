import type { Check } from './check.ts';

/** Paragraphs that stand like a wall (N19). */
export const paragraphLong: Check<{ readonly code: 'paragraph-long'; readonly count: number }> = {
  code: 'paragraph-long',
  cost: 'polish',
  stop: 'words',
  alsoWhenOut: false,
  fix: () => ({ go: 'part', part: 'reading' }),
  look: ({ measure }) => (measure && measure.longParagraphs > 0 ? { code: 'paragraph-long', count: measure.longParagraphs } : undefined),
};
