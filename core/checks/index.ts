export type { Check, CheckedMeaning, CheckInput, Cost, QuickFix, Stop, TemplateField } from './check.ts';
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
  isEnoughAt,
  quickFixOf,
  stopOf,
  weakens,
  type Finding,
  type FindingCode,
  type WordsInput,
} from './table.ts';
