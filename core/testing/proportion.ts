import { expect } from 'vitest';

/** Sizes to compare, and how to make and handle something of a size. */
export interface Proportion<Input> {
  readonly small: number;
  /** How many times as large the other one is. */
  readonly times: number;
  readonly make: (size: number) => Input;
  readonly work: (input: Input) => void;
}

/** Turns before it is believed that the time grows too fast: a busy machine spoils some of them. */
const TURNS = 12;
/** Turns before it is believed that the time grows as it should: the small one, made slow by chance or not compiled yet, would let anything pass. */
const AT_LEAST = 3;
/** How many times as long it may take: between once, which is in proportion, and `times`, which is square. A busy machine makes up to four of one. */
const ALLOWED = 4.5;
/** Milliseconds below which the clock tells chance rather than work. */
const TELLING = 8;

/**
 * Expects that work takes time in proportion to its size: the large input not much longer than the small one handled
 * as many times over. What looks at all else for each part takes `times` as long, so `times` should be 8 or more.
 */
export function expectInProportion<Input>({ small, times, make, work }: Proportion<Input>): void {
  const [few, many] = [make(small), make(small * times)];
  work(few);
  let [least, most] = [Infinity, Infinity];
  const allowed = (): number => ALLOWED * Math.max(least, TELLING);
  for (let turn = 0; turn < TURNS && (turn < AT_LEAST || most > allowed()); turn++) {
    least = Math.min(
      least,
      spent(() => {
        for (let time = 0; time < times; time++) work(few);
      }),
    );
    most = Math.min(
      most,
      spent(() => work(many)),
    );
  }
  expect(most, `${small * times} against ${times} × ${small}, which took ${least.toFixed(1)} ms`).toBeLessThanOrEqual(allowed());
}

function spent(work: () => void): number {
  const from = performance.now();
  work();
  return performance.now() - from;
}
