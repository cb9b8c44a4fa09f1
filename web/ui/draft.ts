import { useState } from 'react';
import { recall, remember } from './kept.ts';

/**
 * What is typed and not yet taken, kept in this browser at each key: a reload or a walk elsewhere loses nothing. Undefined where nothing is under way;
 * setting it to undefined forgets it.
 */
export function useDraft(name: string): readonly [string | undefined, (text: string | undefined) => void] {
  const key = `jolly-beacon-draft:${name}`;
  const [state, setState] = useState<{ readonly key: string; readonly text: string | undefined }>(() => ({ key, text: recall(key) ?? undefined }));
  const text = state.key === key ? state.text : (recall(key) ?? undefined);
  const write = (next: string | undefined): void => {
    remember(key, next ?? null);
    setState({ key, text: next });
  };
  return [text, write];
}
