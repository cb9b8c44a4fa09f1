import { messageOf } from '../../core/source/index.ts';
import { parentPort, workerData } from 'node:worker_threads';
import type { Ports } from './sides.ts';
import { workHere, type Work } from './work.ts';

/** The other side of `workInThread`: does what it is sent, several jobs at once. */
const { work } = workHere(() => workerData as Ports);

export interface Job {
  readonly id: number;
  readonly what: keyof Work;
  readonly request: never;
}
export type JobDone = { readonly id: number } & ({ readonly result: unknown } | { readonly error: string });

parentPort?.on('message', ({ id, what, request }: Job) => {
  work[what](request).then(
    (result) => parentPort?.postMessage({ id, result } satisfies JobDone),
    (error: unknown) => parentPort?.postMessage({ id, error: messageOf(error) } satisfies JobDone),
  );
});
