import { describe, expect, it } from 'vitest';
import { onProgress, supervise, WorkerLost, type Analysis, type StartedWorker, type WorkerNews } from './client.ts';

/** A worker that can be killed. */
function killable(loads = true): StartedWorker & { kill(): void; ended: boolean } {
  let kill = (): void => undefined;
  const gone = new Promise<void>((resolve) => (kill = resolve));
  const worker = {
    remote: { page: (id: string) => (id === 'slow' ? new Promise(() => undefined) : Promise.resolve(id)) } as unknown as Analysis,
    ready: loads ? Promise.resolve() : new Promise<void>(() => undefined),
    gone: loads ? gone : Promise.resolve(),
    ended: false,
    end: () => void (worker.ended = true),
    kill: () => kill(),
  };
  return worker;
}
const settle = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

describe('a worker', () => {
  it('that dies answers what was asked with WorkerLost, and another one answers after', async () => {
    const workers = [killable(), killable()];
    const started: (typeof workers)[number][] = [];
    const news: WorkerNews[] = [];
    const { analysis, watch } = supervise(() => {
      const next = workers[started.length] as (typeof workers)[number];
      started.push(next);
      return next;
    });
    watch((one) => news.push(one));
    await settle();
    expect(await analysis.page('a')).toBe('a');
    const asked = analysis.page('slow');
    workers[0]?.kill();
    await expect(asked).rejects.toThrow(WorkerLost);
    await settle();
    expect(await analysis.page('b')).toBe('b');
    expect([news, started.map((one) => one.ended)]).toEqual([
      ['ready', 'lost', 'ready'],
      [true, false],
    ]);
  });
  it('is heard about what is under way until that is answered, and not after: reports come by a way of their own', async () => {
    const late: (() => void)[] = [];
    const remote = {
      zip: (what: string, progress: (done: number, of: number) => void) => {
        progress(1, 2);
        late.push(() => progress(2, 2));
        return what === 'all' ? Promise.resolve('a ZIP') : Promise.reject(new Error('no ZIP'));
      },
    } as unknown as Analysis;
    const { analysis } = supervise(() => ({ ...killable(), remote }));
    await settle();
    for (const what of ['all', 'changed'] as const) {
      const heard: number[] = [];
      await analysis
        .zip(
          what,
          onProgress((done) => heard.push(done)),
        )
        .catch(() => undefined);
      late.pop()?.();
      expect(heard).toEqual([1]);
    }
  });
  it('that cannot be loaded is tried a few times, then told; and once more when asked', async () => {
    let starts = 0;
    let loads = false;
    const news: WorkerNews[] = [];
    const { analysis, watch, startAgain } = supervise(
      () => {
        starts++;
        return killable(loads);
      },
      () => Promise.resolve(),
    );
    watch((one) => news.push(one));
    await settle();
    expect([starts, news]).toEqual([4, ['unloadable']]);
    await expect(analysis.page('a')).rejects.toThrow(WorkerLost);
    loads = true;
    startAgain();
    await settle();
    expect(await analysis.page('a')).toBe('a');
    expect(news).toEqual(['unloadable', 'ready']);
  });
  it('is started once, however often it is asked for', async () => {
    let starts = 0;
    const { startAgain } = supervise(() => {
      starts++;
      return killable();
    });
    startAgain();
    startAgain();
    await settle();
    expect(starts).toBe(1);
  });
});
