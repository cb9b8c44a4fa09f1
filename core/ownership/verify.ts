import type { PageFacts } from '../page/index.ts';

/** What an engine finds when it looks for its tag on the home page. */
export type ProofOutcome =
  | { readonly kind: 'verified' }
  /** The host does not answer under this name, or has nothing there. */
  | { readonly kind: 'not-live'; readonly detail: 'no-such-host' | 'no-answer' }
  | { readonly kind: 'refused'; readonly status: number }
  | { readonly kind: 'not-found' }
  | { readonly kind: 'in-body' }
  | { readonly kind: 'altered'; readonly found: string }
  | { readonly kind: 'elsewhere'; readonly redirectedTo: string };

/** Looks for a proof in a page that was read. It counts in the head only, and only unaltered. */
export function findProof(facts: PageFacts, name: string, content: string): ProofOutcome {
  const named = facts.metas.filter((meta) => meta.name === name.toLowerCase());
  if (named.some((meta) => meta.inHead && meta.content === content)) return { kind: 'verified' };
  if (named.some((meta) => !meta.inHead && meta.content?.trim() === content)) return { kind: 'in-body' };
  const [other] = named;
  return other ? { kind: 'altered', found: other.content ?? '' } : { kind: 'not-found' };
}
