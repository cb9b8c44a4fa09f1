import type { PageContent, Said } from '../content/index.ts';
import type { FeedDates } from '../sitemap/index.ts';
import type { SiteDocument, SitePage } from '../site/index.ts';
import type { Json } from './node.ts';

/** All that the markup of one page is made from. */
export interface MarkupInput {
  readonly document: SiteDocument;
  readonly page: SitePage;
  /** What the page says; undefined until it was looked at. */
  readonly content: PageContent | undefined;
  /** What the site's feeds say of it. */
  readonly fed?: FeedDates | undefined;
  /** The page's whole address. */
  readonly address: string;
  /** As engines will see them, with where they come from. */
  readonly title: string;
  readonly description: { readonly value: string; readonly from: 'owner' | 'pattern' | 'page' | 'none' };
  /** BCP 47; empty where nobody says. */
  readonly lang: string;
  /** The pages on the way from home to this one, home first, this one not among them. */
  readonly above: readonly { readonly name: string; readonly address: string }[];
}

/** Where a value comes from: what the page shows, the site's feed, a fact of the site, or the owner's own word for it. */
export type ValueFrom = 'page' | 'feed' | 'site' | 'owner';

/** A value of a page's markup. */
export interface Value {
  readonly json: Json;
  /** As people read it; the text by which it is edited. */
  readonly text: string;
  readonly from: ValueFrom;
  /** Where in the page's source it was found. */
  readonly place?: { readonly start: number; readonly end: number } | undefined;
  /** Nodes of the graph that it names by their id. */
  readonly nodes?: readonly (Readonly<Record<string, unknown>> & { readonly '@id': string; readonly '@type': string })[];
}

/** How a value is typed by those who say it themselves. */
export type FieldInput = 'text' | 'long' | 'date' | 'price' | 'currency' | 'availability' | 'status' | 'address' | 'duration' | 'lines';

/** One property that a processor fills. */
export interface Field {
  /** Its name in the vocabulary, by the thing it is in: `offers.price`. Also the key of the owner's own word. */
  readonly path: string;
  /** Undefined where it is not for typing: lists of questions, who publishes. */
  readonly input?: FieldInput;
  /** What the page or the site says. */
  find(input: MarkupInput): Value | undefined;
  /** What the owner typed, as JSON-LD; undefined where it is not of the form that is asked for. Texts as they are, where this is missing. */
  read?(text: string, input: MarkupInput): Json | undefined;
}

/** What a page can be, and how its markup is filled. */
export interface Processor {
  readonly id: string;
  /** Its type in the vocabulary. */
  readonly type: string;
  /** Whether it is what the page itself is (`FAQPage`), or a thing that the page tells of. */
  readonly isPage: boolean;
  readonly fields: readonly Field[];
  /** Types of the things inside it, by property: `offers` is an `Offer`. */
  readonly parts?: Readonly<Record<string, string>>;
  /** Whether the page itself says plainly that it is one, whatever its kind. */
  readonly tells?: (input: MarkupInput) => boolean;
}

/** A value of the page from something it says. */
export function fromPage<V>(
  said: Said<V> | undefined,
  make: (value: V) => { readonly json: Json; readonly text?: string; readonly nodes?: Value['nodes'] } | undefined,
): Value | undefined {
  const made = said && make(said.value);
  if (!said || !made) return undefined;
  const { json, text, nodes } = made;
  return {
    json,
    text: text ?? (typeof json === 'string' ? json : said.text),
    from: 'page',
    place: { start: said.start, end: said.end },
    ...(nodes ? { nodes } : {}),
  };
}
