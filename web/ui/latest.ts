import { useState } from 'react';

/** Asks, and hands over the answer to what was asked last. */
export type Latest = <T>(asked: Promise<T>, take: (value: T) => void, fail?: (error: unknown) => void) => void;

/** Makes one that drops answers to what was asked before: they may come late, and would stand over newer ones. */
export function latestOf(): Latest {
  let last = 0;
  return (asked, take, fail) => {
    const turn = ++last;
    asked.then(
      (value) => turn === last && take(value),
      (error: unknown) => turn === last && fail?.(error),
    );
  };
}

/** The same, for a component. */
export function useLatest(): Latest {
  return useState(latestOf)[0];
}
