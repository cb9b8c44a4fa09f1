export { checkedMeaning, rowMeaning } from './meaning.ts';
export { checkInput, languageIn, type CheckedAmong } from './check-input.ts';
export { ignoredCodes } from './ignored.ts';
export { PageNames } from './page-names.ts';
export { remainingSteps, STEP_STOPS, stopCounts, type RemainingStep, type Step } from './remaining-steps.ts';
export { forSurvey, inTreeOrder, type PageRow, type SiteFile, type SiteNumbers, type SurveyedFacts } from './row.ts';
export { SharedWords, type ComparedWords } from './shared-words.ts';
