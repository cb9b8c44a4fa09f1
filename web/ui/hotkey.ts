import { useLayoutEffect, useRef } from 'react';

/** Runs something at a key anywhere on the page. `key` is `mod+k`, `alt+ArrowDown`, `mod+shift+z` …; `mod` is Ctrl, or ⌘ on a Mac; `Digit1` is the key, whatever it types. */
export function useHotkey(key: string, run: () => void): void {
  const latest = useRef(run);
  // Before anything is painted: who sees the screen can press the key.
  useLayoutEffect(() => {
    latest.current = run;
  });
  useLayoutEffect(() => {
    const parts = key.split('+');
    const name = (parts.at(-1) as string).toLowerCase();
    const listen = (event: KeyboardEvent): void => {
      if (
        (name.startsWith('digit') ? event.code : event.key).toLowerCase() !== name ||
        event.altKey !== parts.includes('alt') ||
        event.shiftKey !== parts.includes('shift')
      )
        return;
      if ((event.ctrlKey || event.metaKey) !== parts.includes('mod')) return;
      event.preventDefault();
      latest.current();
    };
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, [key]);
}
