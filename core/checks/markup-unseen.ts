import type { Check } from './check.ts';

/** Structured data on a page that is kept out: nobody makes a result of it. */
export const markupUnseen: Check<{ readonly code: 'markup-unseen'; readonly types: readonly string[] }> = {
  code: 'markup-unseen',
  cost: 'polish',
  stop: 'meaning',
  alsoWhenOut: true,
  fix: () => ({ go: 'meaning' }),
  look: ({ meaning, intent }) =>
    intent.intent === 'out' && meaning && meaning.brought.length > 0 ? { code: 'markup-unseen', types: meaning.brought } : undefined,
};
