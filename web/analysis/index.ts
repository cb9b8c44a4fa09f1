export type { MapReading, PageDetail, SurveyNews, TriedAddress } from './analyst.ts';
export type { SnippetReport } from './snippet-stands.ts';
export type { BroughtVersion } from './worker.ts';
export type { Bringing, BringingResult, PickedFile } from './import-site.ts';
export type { MendGroup } from './template-mends.ts';
export { handOver, onProgress, startWorker, supervise, WorkerLost, type Analysis, type StartedWorker, type Supervised, type WorkerNews } from './client.ts';
export type { PageMeaningDetail } from './analyst.ts';
export type { MarkupTree, SourcePlace, ThingNode, ValueNode } from './markup-tree.ts';
export type { KeptVersion } from './kept.ts';
