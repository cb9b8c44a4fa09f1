export {
  coverageIn,
  coverageOf,
  densityOf,
  occurrences,
  phraseStems,
  PLACES,
  prepareTexts,
  type Coverage,
  type Density,
  type PhrasePlace,
  type PhraseTexts,
  type Prepared,
} from './coverage.ts';
export { listOf, phraseMatrix, phrasesFrom, samePhrase, type PhrasePage, type PhraseRow, type Wishes } from './matrix.ts';
export { textsOf } from './texts.ts';
