export { languageOf, type Language, type LanguageCode } from './languages.ts';
export { countWords, isUnspaced, wordsOf, type Word } from './words.ts';
export { endsAsSentence, roughSentences, sentencesOf, type Sentence } from './sentences.ts';
export { isCommon, stem, stemsOf } from './stems.ts';
export { LONG_PARAGRAPH, LONG_SENTENCE, longSentences, readingEase, type ReadingEase } from './reading.ts';
export { careWords, type CareWord } from './care.ts';
export { likelyLanguage } from './guess.ts';
export { measureText, type TextMeasure } from './measure.ts';
export { syllablesOf } from './syllables.ts';
