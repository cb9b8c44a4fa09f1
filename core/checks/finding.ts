import type { PageFacts } from '../page/index.ts';
import type { PageState, WayIn } from '../indexing/index.ts';
import type { Effective, EffectiveIntent } from '../site/index.ts';

/** What a finding costs: it stops the page being found, weakens it, or is mere polish. */
export type Cost = 'blocks' | 'weakens' | 'polish';
/** The stop of the path where a finding is mended. */
export type Stop = 'words' | 'meaning' | 'doors' | 'map' | 'weight' | 'release' | 'proof' | 'watch';

/** Everything a check may look at. Checks of one page only read `page`; those across the site read `site`. */
export interface CheckInput {
  readonly id: string;
  readonly facts: PageFacts;
  readonly title: Effective;
  readonly description: Effective;
  readonly intent: EffectiveIntent;
  readonly noindex: boolean;
  readonly state: PageState;
  readonly way: WayIn;
  readonly site: {
    readonly host: string;
    readonly sameTitle: readonly string[];
    readonly sameDescription: readonly string[];
  };
}

/** What a check found: a code with fields. Sentences for it live in `wording`. */
export type Finding =
  | { readonly code: 'title-missing' }
  | { readonly code: 'title-leftover'; readonly part: string; readonly why: 'default' | 'tagline' | 'domain' }
  | { readonly code: 'title-cut'; readonly words: number; readonly lastShown: string }
  | { readonly code: 'title-same'; readonly pages: readonly string[] }
  | { readonly code: 'title-several'; readonly count: number }
  | { readonly code: 'title-outside-head' }
  | { readonly code: 'name-number'; readonly name: string }
  | { readonly code: 'description-missing' }
  | { readonly code: 'description-same'; readonly pages: readonly string[] }
  | { readonly code: 'description-cut'; readonly words: number; readonly lastShown: string }
  | { readonly code: 'heading-missing' }
  | { readonly code: 'shut-out'; readonly gates: readonly string[] }
  | { readonly code: 'leaking' }
  | { readonly code: 'half-hidden'; readonly line: number | undefined }
  | { readonly code: 'image-alt-missing'; readonly count: number; readonly of: number; readonly first: string }
  | { readonly code: 'lang-missing' };
export type FindingCode = Finding['code'];

/** One check: what it costs, where it is mended, whether it is asked of pages that are to stay out, and the looking itself. */
export interface Check<C extends FindingCode = FindingCode> {
  readonly code: C;
  readonly cost: Cost;
  readonly stop: Stop;
  /** Pages meant to stay out are not asked how good they look in results. */
  readonly alsoWhenOut: boolean;
  look(input: CheckInput): Extract<Finding, { code: C }> | undefined;
}

/** A check of any code. */
export type AnyCheck = { [C in FindingCode]: Check<C> }[FindingCode];
