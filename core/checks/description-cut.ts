import { metaDescription } from '../page/index.ts';
import { fit, wordsPast } from '../titles/index.ts';
import type { Check } from './check.ts';
import { lastWords } from './title-cut.ts';

/** A description of which results show only a part. */
export const descriptionCut: Check<{ readonly code: 'description-cut'; readonly words: number; readonly lastShown: string }> = {
  code: 'description-cut',
  cost: 'polish',
  stop: 'words',
  alsoWhenOut: false,
  place: (facts) => metaDescription(facts)?.tag.start,
  fix: () => ({ go: 'field', field: 'description' }),
  look: ({ description, limits }) => {
    const fitted = fit(description.value, limits.description);
    return fitted.cut
      ? { code: 'description-cut', words: wordsPast(fitted, description.value), lastShown: lastWords(description.value.slice(0, fitted.cutAt)) }
      : undefined;
  },
};
