import { proxy, transfer, wrap, type Remote } from 'comlink';
import type { Bringing } from './files-to-import.ts';
import type { AnalysisService } from './worker.ts';

/** The worker, from the page's side. */
export type Analysis = Remote<AnalysisService>;

/** What is told of the worker: it is there (again), it is gone and is being started, or it cannot be started. */
export type WorkerNews = 'ready' | 'lost' | 'unloadable';

/** The answer to what was asked of a worker that is gone. */
export class WorkerLost extends Error {
  override readonly name = 'WorkerLost';
  constructor() {
    super('The part of the program that reads the pages had stopped. It is started again; nothing you wrote is lost.');
  }
}

/** Milliseconds a worker may take to be there, and between tries to start one that cannot be loaded. */
const START = 20_000;
const TRIES = [0, 1_000, 3_000, 8_000];

/** A worker that is started again when it dies. What was asked of the dead one is answered by WorkerLost. */
export interface Supervised {
  readonly analysis: Analysis;
  /** Tells of the worker from now on; the function given stops it. */
  watch(hear: (news: WorkerNews) => void): () => void;
  /** Tries to start it once more where it could not be loaded. */
  startAgain(): void;
}

/** A worker as supervision needs it: real ones, and those of tests. */
export interface StartedWorker {
  readonly remote: Analysis;
  /** Resolves when it is there. */
  readonly ready: Promise<void>;
  /** Resolves when it is gone, or cannot be loaded. */
  readonly gone: Promise<void>;
  end(): void;
}

/** Starts the worker of this program. */
export function startWorker(): StartedWorker {
  // The worker holds a lock of its name as long as it lives: to be granted it is to know that the worker is gone, however it went.
  const name = `jolly-beacon-worker:${crypto.randomUUID()}`;
  const worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module', name });
  const remote = wrap<AnalysisService>(worker);
  const failed = new Promise<void>((resolve) => worker.addEventListener('error', () => resolve()));
  const ready = remote.ready();
  const late = new Promise<'late'>((resolve) => setTimeout(() => resolve('late'), START));
  const gone = Promise.race([ready, late]).then((first) => (first === 'late' ? undefined : navigator.locks.request(name, () => undefined)));
  return { remote, ready, gone: Promise.race([failed, gone]), end: () => worker.terminate() };
}

/** Keeps a worker there. `wait` passes milliseconds. */
export function supervise(start: () => StartedWorker, wait: (milliseconds: number) => Promise<void> = sleep): Supervised {
  const listeners = new Set<(news: WorkerNews) => void>();
  const tell = (news: WorkerNews): void => listeners.forEach((hear) => hear(news));
  let current: StartedWorker | undefined;
  let lost: Promise<never> = new Promise(() => undefined);
  let running = false;
  const run = async (): Promise<void> => {
    if (running) return;
    running = true;
    for (let tries = 0; tries < TRIES.length; tries++) {
      await wait(TRIES[tries] as number);
      const worker = start();
      current = worker;
      const gone = worker.gone.then(() => {
        throw new WorkerLost();
      });
      gone.catch(() => undefined);
      lost = gone;
      const first = await Promise.race([worker.ready.then(() => 'ready' as const), worker.gone.then(() => 'gone' as const)]);
      if (first === 'ready') {
        tell('ready');
        await worker.gone;
        tell('lost');
        tries = -1;
      }
      worker.end();
    }
    running = false;
    current = undefined;
    tell('unloadable');
  };
  void run();
  const analysis = new Proxy({} as Analysis, {
    // A promise is told by its `then`: the worker is none.
    get: (_target, name) =>
      typeof name !== 'string' || name === 'then'
        ? undefined
        : async (...args: unknown[]): Promise<unknown> => {
            if (!current) throw new WorkerLost();
            const call = (current.remote as unknown as Record<string, (...args: unknown[]) => Promise<unknown>>)[name] as (
              ...args: unknown[]
            ) => Promise<unknown>;
            return Promise.race([call(...args), lost]).finally(() => args.forEach((arg) => typeof arg === 'function' && silencers.get(arg)?.()));
          },
  });
  return {
    analysis,
    watch: (hear) => {
      listeners.add(hear);
      return () => void listeners.delete(hear);
    },
    startAgain: () => void run(),
  };
}

function sleep(milliseconds: number): Promise<void> {
  return milliseconds === 0 ? Promise.resolve() : new Promise((resolve) => setTimeout(resolve, milliseconds));
}

/** Hands what is brought in over to the worker without copying an archive of up to 200 MB. It is gone from the page then. */
export function handOver(bringing: Bringing): Bringing {
  return bringing.kind === 'archive' ? transfer(bringing, [bringing.bytes.buffer as ArrayBuffer]) : bringing;
}

/** What makes a progress callback hear nothing more. */
const silencers = new WeakMap<object, () => void>();

/**
 * A progress callback that the worker can call. It hears nothing once what it was given along with is answered: reports come by a way of their own, and
 * one that was overtaken by the answer would show for ever that something is under way.
 */
export function onProgress(report: (done: number, of: number) => void): (done: number, of: number) => void {
  let hears = true;
  const callback = proxy((done: number, of: number) => {
    if (hears) report(done, of);
  });
  silencers.set(callback, () => (hears = false));
  return callback;
}
