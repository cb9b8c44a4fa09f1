import { Worker } from 'node:worker_threads';
import { RequestError } from '../errors.ts';
import type { Job, JobDone } from './thread.ts';
import type { Ports } from './sides.ts';
import type { Work } from './work.ts';

/** Milliseconds after which a job is given up, and the thread with it: longer than an honest site of the largest size takes. */
const LONGEST = 120_000;

interface Waiting {
  readonly done: (result: never) => void;
  readonly failed: (error: Error) => void;
  readonly timer: NodeJS.Timeout;
}

/**
 * Does the work in a thread of its own. The thread is started with the first job; one that dies or takes too long is ended, its jobs fail with a reason,
 * and the next job starts another. `longest` is in milliseconds.
 */
export function workInThread(ports: () => Ports, longest = LONGEST): { readonly work: Work; readonly close: () => Promise<void> } {
  let thread: Worker | undefined;
  let ids = 0;
  const waiting = new Map<number, Waiting>();
  const end = async (error: Error): Promise<void> => {
    const ended = thread;
    thread = undefined;
    for (const { failed, timer } of waiting.values()) {
      clearTimeout(timer);
      failed(error);
    }
    waiting.clear();
    await ended?.terminate();
  };
  const start = (): Worker => {
    const started = new Worker(new URL('./thread-start.mjs', import.meta.url), { workerData: ports() });
    started.unref();
    started.on('message', (done: JobDone) => {
      const job = waiting.get(done.id);
      if (!job) return;
      waiting.delete(done.id);
      clearTimeout(job.timer);
      if ('error' in done) job.failed(new Error(done.error));
      else job.done(done.result as never);
    });
    const died = (): void => {
      if (thread === started) void end(new RequestError('broken'));
    };
    started.on('error', died);
    started.on('exit', died);
    return started;
  };
  const ask =
    (what: keyof Work) =>
    (request: unknown): Promise<never> =>
      new Promise((done, failed) => {
        thread ??= start();
        const id = ++ids;
        const timer = setTimeout(() => void end(new RequestError('too-slow')), longest);
        timer.unref();
        waiting.set(id, { done, failed, timer });
        thread.postMessage({ id, what, request: request as never } satisfies Job);
      });
  return {
    work: {
      crawl: ask('crawl'),
      proof: ask('proof'),
      proofSteps: ask('proofSteps'),
      live: ask('live'),
      pages: ask('pages'),
      resources: ask('resources'),
      look: ask('look'),
      map: ask('map'),
      sift: ask('sift'),
    },
    close: () => end(new RequestError('broken')),
  };
}
