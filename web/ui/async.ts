import { useEffect, useRef, useState } from 'react';

/** What came of asking: a value, or what failed; neither while it is on its way. */
export interface Asked<T> {
  readonly value: T | undefined;
  readonly failure: string | undefined;
}

/**
 * Asks for something and shows what came, as long as nobody asked for something else meanwhile: `key` says what is asked for, and undefined that nothing is.
 * The last value stays until the next is there, unless `fresh`. `current` tells the asking whether it is still wanted.
 */
export function useAsync<T>(
  ask: (current: () => boolean) => Promise<T>,
  key: string | undefined,
  { fresh = false }: { readonly fresh?: boolean } = {},
): Asked<T> {
  const [asked, setAsked] = useState<Asked<T> & { readonly key: string | undefined }>({ key: undefined, value: undefined, failure: undefined });
  const latest = useRef(ask);
  useEffect(() => {
    latest.current = ask;
  });
  useEffect(() => {
    if (key === undefined) return;
    let current = true;
    latest
      .current(() => current)
      .then(
        (value) => current && setAsked({ key, value, failure: undefined }),
        (error: unknown) => current && setAsked((before) => ({ key, value: before.value, failure: (error as Error).message })),
      );
    return () => {
      current = false;
    };
  }, [key]);
  return fresh && asked.key !== key ? { value: undefined, failure: undefined } : asked;
}
