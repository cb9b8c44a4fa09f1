export { ignoredCodes } from './ignored.ts';
export { STATE_CRAWLER, type AddressWay, type OtherFile } from './entrances.ts';
export { Survey } from './survey.ts';
export { LinkIndex } from './links.ts';
export type { LineTouch, RobotsEffect, RobotsReport, Some } from './robots-report.ts';
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
export type { ComparedEntry, MapComparison, MapFault } from './map-compare.ts';
export type { DateFrom, DateTrust } from './map-entries.ts';
export type { MapFrom } from './map-source.ts';
export { faultWeight, mapLines, summaryOf, type MapEntryLine, type MapOrder, type MapSummary } from './map-summary.ts';
export type { MapPart, ReadMap } from './read-map.ts';
export { ATOM_FILE, mapsOf, RSS_FILE } from './map-plan.ts';
export type { CheckedExtra, ExtraFault, LeftOut, MapLine, MapReport } from './map-report.ts';
export type { Brought } from './in-view.ts';
