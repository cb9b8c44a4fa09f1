import { useState } from 'react';

/** How a view is narrowed or sorted, kept in the tab: a reload shows it as it was. What is kept and no longer fits is forgotten. */
export function useKeptState<T>(name: string, start: T, fits: (value: unknown) => boolean): [T, (next: T) => void] {
  const key = `jolly-beacon-view:${name}`;
  const [value, setValue] = useState<T>(() => {
    try {
      const kept: unknown = JSON.parse(sessionStorage.getItem(key) ?? 'null');
      return kept !== null && fits(kept) ? (kept as T) : start;
    } catch {
      return start;
    }
  });
  const take = (next: T): void => {
    try {
      sessionStorage.setItem(key, JSON.stringify(next));
    } catch {
      // Then it lasts as long as the page.
    }
    setValue(next);
  };
  return [value, take];
}

/** Whether something kept has the fields that a value of today has, each of its kind; fields that may be missing are named. */
export function like(sample: object, optional: readonly string[] = []): (value: unknown) => boolean {
  return (value) =>
    typeof value === 'object' &&
    value !== null &&
    Object.entries(sample).every(([field, one]) => optional.includes(field) || typeof (value as Record<string, unknown>)[field] === typeof one);
}
