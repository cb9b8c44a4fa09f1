import type { Encoding, Range } from '../source/index.ts';

/** A `title` element in the HTML namespace. */
export interface TitleFact {
  /** White space collapsed and stripped, character references resolved. */
  readonly text: string;
  readonly inHead: boolean;
  /** From the start tag's `<` to the end tag's `<`. */
  readonly tag: Range;
  readonly content: Range;
}

/** A `meta` element. Keys are lower case; `content` is as written, references resolved. */
export interface MetaFact {
  readonly name: string | undefined;
  readonly property: string | undefined;
  readonly httpEquiv: string | undefined;
  readonly content: string | undefined;
  readonly inHead: boolean;
  readonly tag: Range;
  /** The value of `content`, without its quotes. */
  readonly contentRange: Range | undefined;
}

/** A `link` element. */
export interface LinkTagFact {
  /** Lower-case link types. */
  readonly rel: readonly string[];
  readonly href: string | undefined;
  readonly type: string | undefined;
  readonly hreflang: string | undefined;
  readonly inHead: boolean;
  readonly tag: Range;
  readonly hrefRange: Range | undefined;
}

/** A heading with its visible text. */
export interface HeadingFact {
  readonly level: 1 | 2 | 3 | 4 | 5 | 6;
  readonly text: string;
  readonly tag: Range;
}

/** An `a` or `area` element with an `href`. */
export interface AnchorFact {
  readonly href: string;
  readonly text: string;
  readonly nofollow: boolean;
  readonly tag: Range;
}

/** An `img` element. `alt` is undefined where the attribute is missing, which is not the same as empty. */
export interface ImageFact {
  readonly src: string | undefined;
  readonly alt: string | undefined;
  /** The value of `alt`, without its quotes. */
  readonly altRange: Range | undefined;
  readonly width: string | undefined;
  readonly height: string | undefined;
  /** Whether the picture is taken out of the accessibility tree (`role=presentation`, `aria-hidden=true`). */
  readonly decorative: boolean;
  readonly tag: Range;
}

/** A `time` element: a date that the page shows to people. */
export interface TimeFact {
  /** Its `datetime`, else its text. */
  readonly value: string;
  /** What structured data calls it, such as `datePublished`. */
  readonly itemprop: string | undefined;
}

/** A JSON-LD block, unparsed. */
export interface JsonLdFact {
  readonly text: string;
  readonly content: Range;
}

/** Why nothing, or no title, can be written into a page, whatever it is. */
export type Unwritable = 'utf-16' | 'stateful-encoding' | 'head-open' | 'title-made';

/** Everything the program knows of a page from its bytes. Ranges are UTF-16 offsets into the decoded text. */
export interface PageFacts {
  readonly encoding: Encoding;
  readonly lang: string | undefined;
  /** The start tag of `html`, where the page has one. */
  readonly htmlTag: Range | undefined;
  readonly titles: readonly TitleFact[];
  readonly metas: readonly MetaFact[];
  readonly linkTags: readonly LinkTagFact[];
  /** `href` of the first `base` that has one. */
  readonly base: string | undefined;
  readonly headings: readonly HeadingFact[];
  readonly anchors: readonly AnchorFact[];
  readonly images: readonly ImageFact[];
  readonly jsonLd: readonly JsonLdFact[];
  /** The first few, in order. */
  readonly times: readonly TimeFact[];
  /** `src` of script elements. */
  readonly scripts: readonly string[];
  /** `src` of frames, whose pages this one shows: engines follow them as they follow links. */
  readonly frames: readonly string[];
  readonly forms: number;
  /** Addresses that forms lead to, quotations name, and embedded things are shown from. */
  readonly otherAddresses: readonly string[];
  /** How many videos, sounds, drawings and other embedded things it shows, pictures (`img`) and frames not counted. */
  readonly media: number;
  /** An instruction to a program that it holds: then the file is a template. */
  readonly program: string | undefined;
  /** Why nothing can be written into it; undefined where it can. */
  readonly unwritable: Unwritable | undefined;
  /** What a robots meta in a `noscript` of the head says, where it says noindex: a reader without scripts heeds it. */
  readonly noscriptNoindex: string | undefined;
  /** How many elements carry `itemscope`, and how many `typeof` with RDFa in mind. */
  readonly itemscopes: number;
  /** Types of the things that its own text marks up (Microdata, RDFa, microformats), by schema.org's names. */
  readonly itemTypes: readonly string[];
  /** The first price that its own text marks up, as it is written there, with its currency. */
  readonly price: string | undefined;
  /** Visible text of the first few paragraphs, in order. */
  readonly paragraphs: readonly string[];
  /** Where the start tag of each of these stands; -1 for one that has none. */
  readonly paragraphStarts: readonly number[];
  /** Running text among the first of the page that stands in no paragraph: in `div`, items, cells, between line breaks. */
  readonly loose: readonly string[];
  /** Number of runs of non-space characters in the visible text. */
  readonly wordCount: number;
  /** The visible text, collapsed; only kept when it was asked for. */
  readonly text: string | undefined;
  /** The same block by block; only kept when the text was asked for. */
  readonly blocks: readonly string[] | undefined;
  /** Where something can be added to the head. */
  readonly headInsert: number;
  /** Whether a `base`, `meta`, `link`, `script`, `style` or `title` stands in the head already. */
  readonly headHasContent: boolean;
}

/** Why a page was not read. */
export type PageRefusal = 'too-deep' | 'too-large' | 'too-many-elements' | 'too-slow';

/** A page read, or refused. */
export type PageReading = { readonly ok: true; readonly facts: PageFacts } | { readonly ok: false; readonly reason: PageRefusal };

/** Bounds on one page. `size` in bytes; time is up to who reads, since the core has no clock. */
export const PAGE_LIMITS = { size: 16_000_000, depth: 512, elementsPerUnit: 1, elementsAtLeast: 20_000, milliseconds: 8000 } as const;

/** After how many tags or elements the clock is asked again. */
export const TAGS_BETWEEN_LOOKS = 2000;

/** How many paragraphs are kept, and how much of each, in UTF-16 units. */
export const KEPT_PARAGRAPHS = 8;
export const KEPT_PARAGRAPH_LENGTH = 600;
export const KEPT_LOOSE = 6;

/** How many dates are kept. */
export const KEPT_TIMES = 24;
