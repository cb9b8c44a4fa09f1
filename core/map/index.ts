export { compareMap, type ComparedEntry, type CompareHow, type MapComparison, type MapFault } from './compare.ts';
export { DeclaredSitemaps, pathOn } from './declared-sitemaps.ts';
export { EngineMaps } from './engine-maps.ts';
export { contentChanged, entryOf, saidDate, trustDates, type DatedEntry, type DateFrom, type DateTrust } from './entries.ts';
export { humanPage, mapsOf, planMaps, type MapPlan, type PlannedPage } from './plan.ts';
export { checkExtras, reportOnMaps, type CheckedExtra, type ExtraFault, type LeftOut, type MapLine, type MapReport } from './report.ts';
export { readMapFrom, type MapFrom } from './source.ts';
export { faultWeight, mapLines, summaryOf, type MapEntryLine, type MapOrder, type MapSummary } from './summary.ts';
export type { MapPart, ReadMap } from './read-map.ts';
