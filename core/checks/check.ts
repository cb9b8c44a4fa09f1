import type { PageId } from '../source/index.ts';
import type { TextMeasure } from '../language/index.ts';
import type { PageFacts } from '../page/index.ts';
import type { Coverage } from '../phrases/index.ts';
import type { TextLimit } from '../titles/index.ts';
import type { MarkupFault } from '../structured-data/index.ts';
import type { ResultGap } from '../results/index.ts';
import type { PageState, WayIn } from '../indexing/index.ts';
import type { Effective, EffectiveIntent } from '../site/index.ts';

/** What a finding costs: it stops the page being found, weakens it, or is mere polish. */
export type Cost = 'blocks' | 'weakens' | 'polish';
/** The stop of the path where a finding is mended. */
export type Stop = 'words' | 'meaning' | 'doors' | 'map' | 'weight' | 'release' | 'proof' | 'watch';

/** What checks are told of a page's structured data. */
export interface CheckedMeaning {
  /** Faults of what the page came with, where it stays. */
  readonly faults: readonly MarkupFault[];
  /** What the page's things lack for a result. */
  readonly gaps: readonly ResultGap[];
  /** Types of what it came with, where it stays. */
  readonly brought: readonly string[];
  /** Values that the owner typed in a form that cannot be taken. */
  readonly misfits: readonly string[];
}

/** Everything a check may look at. Checks of one page only read `page`; those across the site read `site`. */
export interface CheckInput {
  readonly id: PageId;
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
  readonly limits: { readonly title: TextLimit; readonly description: TextLimit };
  /** The target phrase and how the page serves it; undefined where there is none. */
  readonly phrase: { readonly text: string; readonly coverage: Coverage } | undefined;
  /** How the text reads; undefined until it was measured. */
  readonly measure: TextMeasure | undefined;
  /** Its structured data; undefined where nothing is known of it. */
  readonly meaning: CheckedMeaning | undefined;
  /** Whether the owner wants care for wording. */
  readonly care: boolean;
  /** Checks whose findings the owner lets be on this page. */
  readonly ignored: ReadonlySet<string>;
  readonly site: {
    readonly host: string;
    /** Pages that would go out as the same file. */
    readonly sameAddress: readonly string[];
    readonly sameTitle: readonly string[];
    readonly sameDescription: readonly string[];
    readonly nearTitle: readonly string[];
    readonly nearDescription: readonly string[];
    /** Pages of the same name, of which this one, with a figure behind, looks like a copy. */
    readonly copyOf: readonly string[];
    readonly samePhrase: readonly string[];
    /** Address paths of this site that the page links to and where nothing answers. */
    readonly broken: readonly string[];
    readonly linksIn: number;
    /** Other paths under which pages link to this one and engines list it again; empty where its canonical makes them one. */
    readonly spelledAs: readonly string[];
  };
}

/** What a check found: a code with fields of its own. Sentences for it live in `wording`. */
export interface Found {
  readonly code: string;
}

/** What one press does about a finding (`do`), or where it leads, where hands are needed (`go`). Screens carry it out; words for it are in `wording`. */
export type QuickFix =
  | { readonly do: 'hide-page' | 'keep-page-out' | 'keep-kind-out' | 'own-canonical' | 'one-address' | 'say-charset' }
  /** A page has its old address again: this one or, where it did not move, the others that moved here. */
  | { readonly do: 'old-address'; readonly others: readonly PageId[] }
  /** `partly` where something stays shut that is not the owner's to open. */
  | { readonly do: 'open-page'; readonly partly?: boolean }
  /** The page's own words where it has any that fit, else the field to write into. */
  | { readonly do: 'write'; readonly field: 'title' | 'description' }
  | { readonly do: 'set'; readonly field: 'title' | 'keywords'; readonly value: string }
  | { readonly go: 'field'; readonly field: 'title' | 'description' }
  | { readonly go: 'page'; readonly page: PageId }
  | { readonly go: 'part'; readonly part: 'phrase' | 'links' | 'text' | 'reading' }
  | { readonly go: 'alike' | 'pictures' | 'check' | 'meaning' };

/** Fields of a page that mend what lives in a template. */
export type TemplateField = 'lang' | 'oneTitle' | 'oneHeading';

/** One check, all that is known of it: what it costs, where and how it is mended, whether it is asked of pages that are to stay out, the looking, and the place. */
export interface Check<F extends Found = Found> {
  readonly code: F['code'];
  readonly cost: Cost;
  readonly stop: Stop;
  /** Pages meant to stay out are not asked how good they look in results. */
  readonly alsoWhenOut: boolean;
  look(input: CheckInput): F | undefined;
  /** What one press can do about it, told from the finding and the title as it is; missing where only hands in the page's source can. */
  fix?(finding: F, title: string): QuickFix;
  /** It usually lives in a template: the field of a page that mends it, set on all its pages at once. */
  readonly onAllPages?: TemplateField;
  /** Where in the page's text it stands, as a UTF-16 offset; missing for what is missing, or not in this page. */
  place?(facts: PageFacts, finding: F): number | undefined;
}
