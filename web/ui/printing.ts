import { useSyncExternalStore } from 'react';
import { flushSync } from 'react-dom';

const query = typeof window === 'undefined' ? undefined : window.matchMedia('print');

/** Whether the page is being printed: what is drawn a part at a time is then drawn whole, before the paper is. */
export function usePrinting(): boolean {
  return useSyncExternalStore(
    (heard) => {
      // The browser takes its picture as soon as this returns.
      const now = (): void => flushSync(heard);
      query?.addEventListener('change', now);
      window.addEventListener('beforeprint', now);
      window.addEventListener('afterprint', heard);
      return () => {
        query?.removeEventListener('change', now);
        window.removeEventListener('beforeprint', now);
        window.removeEventListener('afterprint', heard);
      };
    },
    () => query?.matches === true,
  );
}
