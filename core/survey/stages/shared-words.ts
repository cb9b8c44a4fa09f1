import type { PageId } from '../../source/index.ts';
import { phraseStems } from '../../phrases/index.ts';
import { languageIn, SharedWords, type ComparedWords } from '../../rows/index.ts';
import { withoutSiteName } from '../../site/index.ts';
import { indexStage } from '../stage.ts';
import { effectivePages, pageWords } from './effective.ts';

const NOBODYS: ComparedWords = { title: '', ownTitle: '', description: '', phrase: '' };

/** Which pages share words, or nearly do. Pages that are meant to stay out do not compete with anybody. */
export const sharedWords = indexStage({
  name: 'shared words',
  reads: ['facts.siteName', 'facts.language'],
  readsOwn: ['pages.phrase'],
  needs: { effectivePages, pageWords },
  start: () => new SharedWords(),
  put: (index, { document }, { effectivePages, pageWords }) => {
    const siteName = document.tables.facts['']?.siteName ?? '';
    const compared = (id: PageId): ComparedWords => {
      const { title, description, intent } = pageWords.of(id);
      if (intent.intent === 'out') return NOBODYS;
      const phrase = document.tables.pages[id]?.phrase ?? '';
      return {
        title: title.value,
        ownTitle: withoutSiteName(title.value, siteName),
        description: description.value,
        phrase:
          phrase === ''
            ? ''
            : phraseStems(phrase, languageIn(document, effectivePages.of(id).site))
                .sort()
                .join(' '),
      };
    };
    return ({ id }) => index.put(id, compared(id));
  },
});
