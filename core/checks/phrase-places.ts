import type { PhrasePlace } from '../phrases/index.ts';
import type { Check } from './check.ts';

const ASKED: readonly PhrasePlace[] = ['title', 'heading', 'first-paragraph', 'description'];

/** The target phrase is missing where it counts most (N17). The address is not asked for: changing it costs more than it brings. */
export const phrasePlaces: Check<{ readonly code: 'phrase-places'; readonly phrase: string; readonly missing: readonly PhrasePlace[] }> = {
  code: 'phrase-places',
  cost: 'polish',
  stop: 'words',
  alsoWhenOut: false,
  fix: () => ({ go: 'part', part: 'phrase' }),
  look: ({ phrase }) => {
    if (!phrase) return undefined;
    const missing = ASKED.filter((place) => phrase.coverage.places[place] !== 'all');
    return missing.length > 0 ? { code: 'phrase-places', phrase: phrase.text, missing } : undefined;
  },
};
