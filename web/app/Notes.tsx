import { useEffect } from 'react';
import { toast, Toaster } from 'sonner';
import { hearNotes, takeNotes } from '../ui/index.ts';

/** Shows notes; loaded with the first of them. */
export function Notes() {
  useEffect(
    () =>
      hearNotes(() => {
        for (const { text, tone, options } of takeNotes()) ({ plain: toast, good: toast.success, bad: toast.error })[tone](text, options);
      }),
    [],
  );
  return (
    <Toaster
      position="bottom-center"
      offset={42}
      mobileOffset={{ bottom: 60, left: 16, right: 16 }}
      duration={3500}
      toastOptions={{ className: 'toast-note' }}
    />
  );
}
