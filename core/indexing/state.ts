import type { Intent } from '../site/index.ts';
import type { Reality } from './way-in.ts';

/** Intent against reality: the state a page is in, the same everywhere in the program. */
export const STATES = ['shut-out', 'leaking', 'half-hidden', 'to-mend', 'findable', 'kept-out', 'not-live', 'unseen'] as const;
export type PageState = (typeof STATES)[number];

/** The state from what is wanted and what is so. `weakened`: some finding weakens the page; `unseen`: nobody looked at the page yet, so that nothing can be said of it. */
export function stateOf(intent: Intent, reality: Reality, weakened: boolean, unseen = false): PageState {
  if (unseen) return 'unseen';
  if (reality === 'not-live') return 'not-live';
  if (intent === 'list') {
    if (reality !== 'listed') return 'shut-out';
    return weakened ? 'to-mend' : 'findable';
  }
  if (reality === 'listed') return 'leaking';
  return reality === 'bare' ? 'half-hidden' : 'kept-out';
}
