import { documentTitle } from '../page/index.ts';
import { fit, wordsPast } from '../titles/index.ts';
import type { Check } from './check.ts';

/** A title that results cut. Longer is allowed; what matters is what falls past the cut (N10). */
export const titleCut: Check<{ readonly code: 'title-cut'; readonly words: number; readonly lastShown: string }> = {
  code: 'title-cut',
  cost: 'polish',
  stop: 'words',
  alsoWhenOut: false,
  place: (facts) => documentTitle(facts)?.tag.start,
  fix: () => ({ go: 'field', field: 'title' }),
  look: ({ title, limits }) => {
    const fitted = fit(title.value, limits.title);
    return fitted.cut ? { code: 'title-cut', words: wordsPast(fitted, title.value), lastShown: lastWords(title.value.slice(0, fitted.cutAt)) } : undefined;
  },
};

/** The last two words of what is still shown: where the reader's eye stops. */
export function lastWords(shown: string): string {
  return shown.split(/\s+/).filter(Boolean).slice(-2).join(' ');
}
