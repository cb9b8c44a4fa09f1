import type { Check } from './check.ts';

/** Two pages claim one phrase and fight for it (N22). */
export const phraseFought: Check<{ readonly code: 'phrase-fought'; readonly phrase: string; readonly pages: readonly string[] }> = {
  code: 'phrase-fought',
  cost: 'weakens',
  stop: 'words',
  alsoWhenOut: false,
  fix: ({ pages: [page = ''] }) => ({ go: 'page', page }),
  look: ({ phrase, site }) => (phrase && site.samePhrase.length > 0 ? { code: 'phrase-fought', phrase: phrase.text, pages: site.samePhrase } : undefined),
};
