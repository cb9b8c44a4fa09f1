import { useEffect, useRef } from 'react';
import { note } from '../ui/index.ts';
import { useWorkspaceApi } from '../workspace/index.ts';

/** Milliseconds in which a second Ctrl Z undoes what the first one told of. */
const MEANT = 6_000;

/** Where a change is made, as undo names it: the screen, and the page where it is about one. */
function positionOf(pathname: string, page: string | undefined): string {
  const [, , , stop = '', view = ''] = pathname.split('/');
  return `${stop}/${view}${(stop === 'words' || stop === 'doors') && view === '' ? `?${page ?? ''}` : ''}`.slice(0, 2_000);
}

const inField = (): boolean => document.activeElement?.matches('input:not([type="checkbox"], [type="radio"]), textarea, [contenteditable="true"]') === true;

/**
 * Undo and redo, told as they are done. Whoever stands in a field means what was typed here: where the latest step was made on another screen, the first
 * press says what it would take back, and the second one does it.
 */
export function useUndo(pathname: string, page: string | undefined): { readonly undo: () => void; readonly redo: () => void } {
  const workspace = useWorkspaceApi();
  const place = positionOf(pathname, page);
  const told = useRef<{ readonly step: unknown; readonly at: number }>(undefined);
  useEffect(() => {
    workspace.place = place;
  }, [workspace, place]);
  return {
    undo: () => {
      const step = workspace.state.undo.undo.at(-1);
      const elsewhere = step?.place !== undefined && step.place !== place;
      const meant = told.current !== undefined && told.current.step === step && performance.now() - told.current.at < MEANT;
      if (step && elsewhere && inField() && !meant) {
        told.current = { step, at: performance.now() };
        return note(`The latest change was made on another screen: ${step.label}. Press Ctrl Z once more to undo it.`, { id: 'undo', duration: MEANT });
      }
      told.current = undefined;
      const label = workspace.undo();
      note(label === undefined ? 'Nothing to undo.' : `Undone: ${label}`, { id: 'undo' });
    },
    redo: () => {
      const label = workspace.redo();
      note(label === undefined ? 'Nothing to redo.' : `Redone: ${label}`, { id: 'undo' });
    },
  };
}
