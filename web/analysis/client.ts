import { proxy, wrap, type Remote } from 'comlink';
import type { AnalysisService } from './worker.ts';

/** The worker, from the page's side. */
export type Analysis = Remote<AnalysisService>;

/** Starts the worker. */
export function startAnalysis(): Analysis {
  return wrap<AnalysisService>(new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' }));
}

/** A progress callback that the worker can call. */
export function onProgress(report: (done: number, of: number) => void): (done: number, of: number) => void {
  return proxy(report);
}
