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
  | { readonly kind: 'elsewhere'; readonly redirectedTo: string }
  /** The file at the root: not there, or not byte for byte what was given. */
  | { readonly kind: 'no-file'; readonly name: string; readonly status: number }
  | { readonly kind: 'file-differs'; readonly name: string; readonly found: string }
  /** The domain's records: none of this sort, or none that says it. */
  | { readonly kind: 'no-record'; readonly detail: 'no-such-name' | 'none' | 'no-answer' }
  | { readonly kind: 'other-records'; readonly found: readonly string[] };

/** Looks for a proof among the TXT records of a domain; of each the strings of which it is made. White space around a value is a mistake of panels that engines forgive. */
export function findRecord(records: readonly (readonly string[])[], value: string): ProofOutcome {
  const found = records.map((strings) => strings.join(''));
  if (found.some((one) => one.trim() === value)) return { kind: 'verified' };
  return found.length === 0 ? { kind: 'no-record', detail: 'none' } : { kind: 'other-records', found: found.slice(0, 10).map((one) => one.slice(0, 200)) };
}

/** Looks whether a file is what was given; a line end behind it is what editors put there. */
export function findFile(name: string, text: string, content: string): ProofOutcome {
  return text.replace(/\r?\n$/, '') === content.replace(/\r?\n$/, '') ? { kind: 'verified' } : { kind: 'file-differs', name, found: text.slice(0, 200) };
}

/** Looks for a proof in a page that was read. It counts in the head only, and only unaltered. */
export function findProof(facts: PageFacts, name: string, content: string): ProofOutcome {
  const named = facts.metas.filter((meta) => meta.name === name.toLowerCase());
  if (named.some((meta) => meta.inHead && meta.content === content)) return { kind: 'verified' };
  if (named.some((meta) => !meta.inHead && meta.content?.trim() === content)) return { kind: 'in-body' };
  const [other] = named;
  return other ? { kind: 'altered', found: other.content ?? '' } : { kind: 'not-found' };
}
