export { ignoredCodes } from './ignored.ts';
export { STATE_CRAWLER, Survey } from './survey.ts';
export { LinkIndex } from './links.ts';
export { forSurvey, type PageRow, type SiteFile, type SiteNumbers, type SurveyedFacts } from './rows.ts';
export { openSteps, type OpenStep, type Step } from './steps.ts';
export {
  alikeGroups,
  patternPreview,
  phraseReport,
  picturePlaces,
  suggestionsFor,
  suggestionsForEmpty,
  type AlikeGroup,
  type PatternPreview,
  type PicturePlace,
} from './reports.ts';
