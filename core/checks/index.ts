export type { Check, CheckInput, Cost, Stop } from './check.ts';
export { noindexPlace } from './place.ts';
export {
  checkOf,
  checkPage,
  CHECKS,
  checkWords,
  costOf,
  findingPlace,
  IGNORABLE,
  isEnough,
  isTemplateCode,
  stopOf,
  weakens,
  type Finding,
  type FindingCode,
  type TemplateCode,
  type WordsInput,
} from './table.ts';
