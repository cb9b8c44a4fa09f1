import { useEffect, useRef } from 'react';
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
  // The library gives the focus back to where it was when it leaves a note. That is right where the note goes, and holds whoever goes on by Tab as long as it stands.
  const byTab = useRef(false);
  return (
    <div
      className="contents"
      onKeyDownCapture={({ key }) => {
        byTab.current = key === 'Tab';
      }}
      onBlurCapture={(event) => {
        if (byTab.current) event.stopPropagation();
        byTab.current = false;
      }}
    >
      <Toaster
        position="bottom-center"
        offset={42}
        mobileOffset={{ bottom: 60, left: 16, right: 16 }}
        duration={3500}
        toastOptions={{ className: 'toast-note' }}
      />
    </div>
  );
}
