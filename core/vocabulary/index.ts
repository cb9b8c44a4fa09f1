export { loadMeanings, loadVocabulary, Vocabulary, type Meanings, type VocabularyProperty } from './vocabulary.ts';
