import type { SaidCanonical, WayIn } from '../indexing/index.ts';
import type { TextMeasure } from '../language/index.ts';
import type { PageFacts } from '../page/index.ts';
import type { BroughtFiles, Manifest, ReleasedFile, Template } from '../release/index.ts';
import { addressOf, guessKind, type Kind, type SiteDocument, type SitePage } from '../site/index.ts';
import type { LinkIndex } from './links.ts';
import type { DatedEntry } from './map-entries.ts';
import type { Moving } from './moving.ts';
import type { PageRow, SiteFile, SurveyedFacts } from './rows.ts';
import type { Whereabouts } from './whereabouts.ts';

/** A page as the survey keeps it. */
export interface Surveyed {
  readonly id: string;
  /** As the file was brought in. */
  readonly source: PageFacts;
  readonly hrefs: readonly string[];
  readonly unfollowed: readonly string[];
  readonly guess: Kind;
  /** As it will be: the owner's changes of the page's own words made, and where it will answer. */
  site: SitePage;
  address: string;
  measure: TextMeasure | undefined;
  /** What it is called, where its heading does not tell it apart. */
  readonly ownName: string | undefined;
  /** As it would go out now. */
  out: ReleasedFile;
  row: PageRow;
  way: WayIn;
  canonicals: readonly SaidCanonical[];
  /** Its place in the map, where it has one. */
  dated: DatedEntry | undefined;
}

/** What the site brought besides its pages. */
export interface Brought extends BroughtFiles {
  readonly feeds?: readonly string[];
  readonly template?: Template | undefined;
}

/** The site as all parts of the survey see it: the facts, which stay, and what the owner says, which changes. */
export interface SiteInView {
  document: SiteDocument;
  manifest: Manifest | undefined;
  /** What will answer where. */
  whereabouts: Whereabouts<Surveyed>;
  readonly pages: Map<string, Surveyed>;
  readonly files: ReadonlyMap<string, SiteFile>;
  readonly links: LinkIndex;
  /** Where pages move, as the document has it. */
  moving: Moving;
  /** The file of the home page. */
  home: string | undefined;
  readonly brought: Brought;
  /** Milliseconds since 1970. */
  readonly now: () => number;
}

/** A page as it is before anything was found out about it: its row, its way in and what goes out come with the first look. */
export function newPage(
  id: string,
  { facts: source, hrefs, unfollowed }: SurveyedFacts,
  isHome: boolean,
  inFeeds: ReadonlySet<string>,
  ownName: string | undefined,
): Surveyed {
  const address = addressOf(id);
  const guess = guessKind(address, source, inFeeds.has(address));
  return {
    id,
    source,
    hrefs,
    unfollowed,
    guess,
    ownName,
    site: { id, kind: guess, isHome, facts: source, ownName },
    address,
    measure: undefined,
    out: undefined as never,
    row: undefined as never,
    way: undefined as never,
    canonicals: [],
    dated: undefined,
  };
}

/** Home first, then by address, a folder's own page before what lies in it. */
export function inTreeOrder(a: PageRow, b: PageRow): number {
  return a.address < b.address ? -1 : a.address > b.address ? 1 : 0;
}
