export type { Imported } from './inputs.ts';
export type { BroughtFault, BroughtType, FactOffer, KindFilling, TriedPage } from './meaning-desk.ts';
export { Survey } from './survey.ts';
export { STATE_CRAWLER } from './stages/index.ts';
export {
  alikeGroups,
  patternPreview,
  phraseReport,
  picturePlaces,
  suggestionsFor,
  pagesLacking,
  suggestionsForEmpty,
  type FilledIn,
  type AlikeGroup,
  type PatternPreview,
  type PicturePlace,
} from './reports.ts';
