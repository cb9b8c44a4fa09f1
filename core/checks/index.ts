export type { AnyCheck, Check, CheckInput, Cost, Finding, FindingCode, Stop } from './finding.ts';
export { isTemplateCode, type TemplateCode } from './finding.ts';
export { findingPlace, noindexPlace } from './place.ts';
export { checkOf, checkPage, CHECKS, checkWords, costOf, IGNORABLE, isEnough, stopOf, weakens, type WordsInput } from './table.ts';
