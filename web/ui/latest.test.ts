import { expect, it } from 'vitest';
import { latestOf } from './latest.ts';

it('only the answer to what was asked last is taken, however the answers come in', async () => {
  const taken: string[] = [];
  const answers: ((value: string | Error) => void)[] = [];
  const ask = (): Promise<string> => new Promise((resolve, reject) => answers.push((value) => (value instanceof Error ? reject(value) : resolve(value))));
  const latest = latestOf();
  for (let turn = 0; turn < 3; turn++)
    latest(
      ask(),
      (value) => taken.push(value),
      (error) => taken.push((error as Error).message),
    );
  answers[1]?.('second');
  answers[2]?.('third');
  answers[0]?.(new Error('first'));
  await new Promise((resolve) => setTimeout(resolve));
  expect(taken).toEqual(['third']);
});
