import { proxy, transfer, wrap, type Remote } from 'comlink';
import type { Bringing } from './bring-in.ts';
import type { AnalysisService } from './worker.ts';

/** The worker, from the page's side. */
export type Analysis = Remote<AnalysisService>;

/** Starts the worker. */
export function startAnalysis(): Analysis {
  return wrap<AnalysisService>(new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' }));
}

/** Hands what is brought in over to the worker without copying an archive of up to 200 MB. It is gone from the page then. */
export function handOver(bringing: Bringing): Bringing {
  return bringing.kind === 'archive' ? transfer(bringing, [bringing.bytes.buffer as ArrayBuffer]) : bringing;
}

/** A progress callback that the worker can call. */
export function onProgress(report: (done: number, of: number) => void): (done: number, of: number) => void {
  return proxy(report);
}
