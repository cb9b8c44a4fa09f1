export { excerptOf, templateBlocks, SAID_FIELDS, type PageExcerpt, type SaidField } from './excerpt.ts';
export { differingPages, isSameVersion, planMerge, type MergePlan, type ThreeWays, type Versions } from './plan.ts';
export { ownValues, pagesWithValues, withValues } from './markup-ways.ts';
export { mergeChange, type MergeChoices } from './change.ts';
