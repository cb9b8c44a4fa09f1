export type { MapReading, PageDetail, SurveyNews, TriedAddress } from './analyst.ts';
export type { Bringing, BringingResult, PickedFile } from './bring-in.ts';
export { handOver, onProgress, startAnalysis, type Analysis } from './client.ts';
