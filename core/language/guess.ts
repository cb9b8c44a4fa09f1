import { languageOf, type LanguageCode } from './languages.ts';
import { isCommon } from './stems.ts';
import { wordsOf } from './words.ts';

/** Languages that are told apart by their commonest words. */
const CANDIDATES: readonly LanguageCode[] = ['en', 'de', 'fr', 'es', 'it', 'nl', 'pt', 'sv', 'da', 'no', 'fi', 'ru', 'ar'];
/** So many common words at least, and so much ahead of the next language. */
const AT_LEAST = 5;
const AHEAD = 1.3;
/** UTF-16 units that are looked at. */
const ENOUGH = 4000;

/** The language (BCP 47) that a text is in, by its script or its commonest words; undefined where that cannot be told. */
export function likelyLanguage(text: string): string | undefined {
  const sample = text.slice(0, ENOUGH);
  if (/[\u3041-\u30ff]/.test(sample)) return 'ja';
  if ((sample.match(/\p{Script=Hangul}/gu) ?? []).length > 4) return 'ko';
  if ((sample.match(/\p{Script=Hebrew}/gu) ?? []).length > 8) return 'he';
  if ((sample.match(/\p{Script=Thai}/gu) ?? []).length > 8) return 'th';
  if ((sample.match(/\p{Script=Han}/gu) ?? []).length > 8) return 'zh';
  const words = wordsOf(sample, languageOf('en')).map(({ text: word }) => word.toLowerCase());
  const [first, second] = CANDIDATES.map((code) => {
    const language = languageOf(code);
    return { code, count: words.filter((word) => isCommon(word, language)).length };
  }).sort((a, b) => b.count - a.count);
  return first && first.count >= AT_LEAST && first.count >= AHEAD * (second?.count ?? 0) ? first.code : undefined;
}
