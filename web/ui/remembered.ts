import { useState } from 'react';
import { recall, remember } from './kept.ts';

/** A small choice that this browser remembers, one of a few words. */
export function useRemembered<T extends string>(name: string, words: readonly T[], start: T): [T, (value: T) => void] {
  const key = `jolly-beacon-${name}`;
  const [value, setValue] = useState<T>(() => words.find((word) => word === recall(key)) ?? start);
  const take = (next: T): void => {
    remember(key, next);
    setValue(next);
  };
  return [value, take];
}
