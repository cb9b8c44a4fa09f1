import { useEffect, useState } from 'react';

/** A value as it was when it last stood still for so many milliseconds: for sums over a whole site, which need not follow every key. */
export function useDebounced<T>(value: T, milliseconds = 180): T {
  const [settled, setSettled] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(value), milliseconds);
    return () => clearTimeout(timer);
  }, [value, milliseconds]);
  return settled;
}
