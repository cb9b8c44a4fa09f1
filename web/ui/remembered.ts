import { useState } from 'react';

/** A small choice that this browser remembers, one of a few words. */
export function useRemembered<T extends string>(name: string, words: readonly T[], start: T): [T, (value: T) => void] {
  const key = `jolly-beacon-${name}`;
  const [value, setValue] = useState<T>(() => words.find((word) => word === localStorage.getItem(key)) ?? start);
  const remember = (next: T): void => {
    localStorage.setItem(key, next);
    setValue(next);
  };
  return [value, remember];
}
