export {
  DESCRIPTION_LIMITS,
  fit,
  TEXT_LIMITS,
  SHARE_TEXT_LIMIT,
  SHARE_TITLE_LIMIT,
  TAB_LIMIT,
  TITLE_LIMITS,
  wordsPast,
  type Fit,
  type TextLimit,
  type TextLimits,
  type TextLimitId,
} from './fit.ts';
export { NearIndex, similarity, type NearWay } from './near.ts';
export { PARTS, pieceText, readPattern, renderPattern, writePattern, type Part, type PartValues, type Pattern, type Piece } from './pattern.ts';
export { SamenessIndex } from './sameness.ts';
export { measureUnknownLettersBy, textWidth, type MeasuredBy, type MeasureLetters } from './widths.ts';
export { suggestDescriptions } from './descriptions.ts';
export { MOST_SUGGESTIONS, suggestTitles, type Suggestion, type SuggestFrom } from './suggest.ts';
