import type { PageId } from '../source/index.ts';
import type { TextMeasure } from '../language/index.ts';
import type { PageFacts } from '../page/index.ts';
import type { ImportedFiles, Manifest, Template } from '../release/index.ts';
import type { SiteFile, SurveyedFacts } from '../rows/index.ts';
import type { FeedDates } from '../sitemap/index.ts';
import type { PageMeaning } from '../structured-data/index.ts';
import { addressOf, guessKind, type Kind, type SiteDocument } from '../site/index.ts';

/** A page as it was brought in: what stays as it is while the site is open. */
export interface PageRecord {
  /** Path of its file. */
  readonly id: PageId;
  /** Its place in the order of the site. */
  readonly at: number;
  readonly source: PageFacts;
  readonly hrefs: readonly string[];
  readonly unfollowed: readonly string[];
  readonly guess: Kind;
  /** When it was published and changed by the site's feeds, where one names it. */
  readonly fed: FeedDates | undefined;
  /** What it is called, where its heading does not tell it apart. */
  readonly ownName: string | undefined;
}

/** What the site was brought in with besides its pages. */
export interface Imported extends ImportedFiles {
  readonly feeds?: readonly string[];
  readonly template?: Template | undefined;
}

/** All that the stages of the survey begin with. Document, manifest, measures and meanings become others; the rest stays. */
export interface SiteInputs {
  readonly document: SiteDocument;
  readonly manifest: Manifest | undefined;
  /** How pages read, as far as that was found out. */
  readonly measures: ReadonlyMap<string, TextMeasure>;
  /** What pages say and what structured data they came with, as far as that was found out. */
  readonly meanings: ReadonlyMap<string, PageMeaning>;
  readonly pages: ReadonlyMap<string, PageRecord>;
  readonly files: ReadonlyMap<string, SiteFile>;
  readonly imported: Imported;
  /** Milliseconds since 1970. */
  readonly now: () => number;
}

/** Makes a page's record. `feeds` are the addresses that the site's feeds name as entries, with their dates. */
export function pageRecord(
  id: PageId,
  at: number,
  { facts: source, hrefs, unfollowed }: SurveyedFacts,
  feeds: ReadonlyMap<string, FeedDates>,
  ownName: string | undefined,
): PageRecord {
  const address = addressOf(id);
  const fed = feeds.get(address);
  return { id, at, source, hrefs, unfollowed, guess: guessKind(address, source, fed !== undefined), fed, ownName };
}
