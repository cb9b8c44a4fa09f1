export { STATE_CRAWLER, Survey } from './survey.ts';
export { LinkIndex } from './links.ts';
export type { PageRow, SiteFile, SiteNumbers } from './rows.ts';
export { openSteps, type OpenStep, type Step } from './steps.ts';
