import type { TextMeasure } from '../language/index.ts';
import type { PageFacts, Unwritable } from '../page/index.ts';
import type { Coverage, PhrasePlace } from '../phrases/index.ts';
import type { Room } from '../titles/index.ts';
import type { PageState, ShutGate, WayIn } from '../indexing/index.ts';
import type { Effective, EffectiveIntent } from '../site/index.ts';

/** What a finding costs: it stops the page being found, weakens it, or is mere polish. */
export type Cost = 'blocks' | 'weakens' | 'polish';
/** The stop of the path where a finding is mended. */
export type Stop = 'words' | 'meaning' | 'doors' | 'map' | 'weight' | 'release' | 'proof' | 'watch';

/** Everything a check may look at. Checks of one page only read `page`; those across the site read `site`. */
export interface CheckInput {
  readonly id: string;
  /** As the page will be. */
  readonly facts: PageFacts;
  readonly title: Effective;
  readonly description: Effective;
  /** As they will be; empty where there are none. */
  readonly keywords: string;
  readonly intent: EffectiveIntent;
  readonly noindex: boolean;
  readonly isHome: boolean;
  readonly state: PageState;
  readonly way: WayIn;
  /** The way in for the other engines, by name. */
  readonly others: readonly { readonly engine: string; readonly way: WayIn }[];
  /** Where texts are cut. */
  readonly rooms: { readonly title: Room; readonly description: Room };
  /** The target phrase and how the page serves it; undefined where there is none. */
  readonly phrase: { readonly text: string; readonly coverage: Coverage } | undefined;
  /** How the text reads; undefined until it was measured. */
  readonly measure: TextMeasure | undefined;
  /** Whether the owner wants care for wording. */
  readonly care: boolean;
  /** Checks whose findings the owner lets be on this page. */
  readonly ignored: ReadonlySet<FindingCode>;
  readonly site: {
    readonly host: string;
    readonly sameTitle: readonly string[];
    readonly sameDescription: readonly string[];
    readonly nearTitle: readonly string[];
    readonly nearDescription: readonly string[];
    readonly samePhrase: readonly string[];
    /** Address paths of this site that the page links to and where nothing answers. */
    readonly broken: readonly string[];
    readonly linksIn: number;
    /** Other paths under which pages link to this one and engines list it again; empty where its canonical makes them one. */
    readonly spelledAs: readonly string[];
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
  | { readonly code: 'shut-out'; readonly gates: readonly ShutGate[] }
  | { readonly code: 'leaking' }
  | {
      readonly code: 'one-engine';
      readonly engine: string;
      readonly how: 'shut-out' | 'leaking' | 'half-hidden';
      readonly gates: readonly ShutGate[];
    }
  | { readonly code: 'canonical-several'; readonly addresses: readonly string[] }
  | { readonly code: 'half-hidden'; readonly line: number | undefined }
  | { readonly code: 'image-alt-missing'; readonly count: number; readonly of: number; readonly first: string }
  | { readonly code: 'lang-missing' }
  | { readonly code: 'charset-missing' }
  | { readonly code: 'noscript-noindex'; readonly content: string }
  | { readonly code: 'template-left'; readonly instruction: string }
  | { readonly code: 'not-writable'; readonly why: Unwritable }
  | { readonly code: 'title-near'; readonly pages: readonly string[] }
  | { readonly code: 'description-near'; readonly pages: readonly string[] }
  | { readonly code: 'phrase-fought'; readonly phrase: string; readonly pages: readonly string[] }
  | { readonly code: 'phrase-places'; readonly phrase: string; readonly missing: readonly PhrasePlace[] }
  | { readonly code: 'keywords-many'; readonly count: number }
  | { readonly code: 'links-broken'; readonly paths: readonly string[] }
  | { readonly code: 'links-none' }
  | { readonly code: 'second-spelling'; readonly paths: readonly string[] }
  | { readonly code: 'heading-several'; readonly count: number }
  | { readonly code: 'heading-order'; readonly heading: string; readonly level: number; readonly after: number }
  | { readonly code: 'heading-wall'; readonly words: number }
  | { readonly code: 'text-thin'; readonly words: number }
  | { readonly code: 'sentence-long'; readonly count: number; readonly words: number; readonly begins: string }
  | { readonly code: 'paragraph-long'; readonly count: number }
  | { readonly code: 'reading-hard'; readonly formula: string; readonly score: number; readonly very: boolean }
  | { readonly code: 'wording-care'; readonly words: readonly { readonly word: string; readonly instead: string }[] };
export type FindingCode = Finding['code'];

/** Findings that usually live in a template: one mend for all its pages is wanted. */
export const TEMPLATE_CODES = ['lang-missing', 'title-several', 'title-outside-head', 'heading-several'] as const satisfies readonly FindingCode[];
export type TemplateCode = (typeof TEMPLATE_CODES)[number];

/** Whether a finding is of that sort. */
export const isTemplateCode = (code: FindingCode): code is TemplateCode => (TEMPLATE_CODES as readonly FindingCode[]).includes(code);

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
