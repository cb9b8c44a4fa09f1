import type { Finding, FindingCode } from '../checks/index.ts';
import type { PageFacts } from '../page/index.ts';
import type { PageState, Reality } from '../indexing/index.ts';
import { keptText, type FilePath, type PageId, type AddressPath } from '../source/index.ts';
import type { Effective, EffectiveIntent, Intent, Kind } from '../site/index.ts';

/** A page's facts as the survey keeps them: of links only where they lead, which is most of what a large site's facts would weigh. */
export interface SurveyedFacts {
  readonly facts: PageFacts;
  readonly hrefs: readonly string[];
  /** Of these, the ones that say nofollow: visitors take them, engines do not. */
  readonly unfollowed: readonly string[];
}

/** Makes facts slim for the survey. `shared` holds the texts that pages have in common: one map for all pages of a site. */
export function forSurvey(facts: PageFacts, shared = new Map<string, string>()): SurveyedFacts {
  return keptText(
    {
      facts: {
        ...facts,
        anchors: [],
        text: undefined,
        blocks: undefined,
        // Where values stand is asked when something is written, of facts that are read then.
        images: facts.images.map((image) => ({ ...image, altRange: undefined })),
        metas: facts.metas.flatMap((meta) => ((meta.name ?? meta.property ?? meta.httpEquiv) === undefined ? [] : [{ ...meta, contentRange: undefined }])),
        linkTags: facts.linkTags.map((link) => ({ ...link, hrefRange: undefined })),
      },
      hrefs: [...facts.anchors.map((anchor) => anchor.href), ...facts.frames],
      unfollowed: facts.anchors.flatMap((anchor) => (anchor.nofollow ? [anchor.href] : [])),
    },
    shared,
  );
}

/** A file of the site as it was brought in. */
export interface SiteFile {
  readonly path: FilePath;
  /** SHA-256 of the bytes, hexadecimal. */
  readonly hash: string;
  /** Bytes. */
  readonly size: number;
  /** Milliseconds since 1970. */
  readonly modified: number | undefined;
}

/** All that lists and signs show of a page. */
export interface PageRow {
  readonly id: PageId;
  readonly address: AddressPath;
  /** What people call it: its main heading. */
  readonly name: string;
  /** The name, where it is not its heading: that does not tell it apart. */
  readonly ownName?: string | undefined;
  /** The language of its words, by what it says or else the site; empty where nobody says. */
  readonly lang: string;
  readonly title: string;
  readonly titleFrom: Effective['from'];
  readonly description: string;
  readonly descriptionFrom: Effective['from'];
  /** Its target phrase; empty where it has none. */
  readonly phrase: string;
  readonly kind: Kind;
  readonly kindFrom: 'owner' | 'rule' | 'guess';
  readonly intent: Intent;
  readonly intentFrom: EffectiveIntent['from'];
  readonly state: PageState;
  /** What each engine will do with it, by the engine's id. */
  readonly realities: Readonly<Record<string, Reality>>;
  /** Whether it stands in the map that is ours to write. */
  readonly inMap: boolean;
  readonly findings: readonly Finding[];
  /** Other paths under which pages link to it and engines list it again. */
  readonly spelledAs: readonly string[];
  /** Findings that the owner lets be here. */
  readonly ignored: readonly FindingCode[];
  /** Whether it differs from what was released last. */
  readonly pending: boolean;
  readonly linksIn: number;
  /** Other pages of the site that it links to, and how many other sites. */
  readonly linksOut: number;
  readonly linksOutside: number;
  /** Address paths of this site that it links to and where nothing answers. */
  readonly broken: readonly string[];
  /** What it is said to be in structured data that is ours; what it lacks for a result, and the types that it came with. Missing where there is nothing. */
  readonly is?: readonly string[];
  readonly lacks?: readonly string[];
  readonly brought?: readonly string[];
  readonly words: number;
  readonly picturesWithoutAlt: number;
}

/** The site in numbers. */
export interface SiteNumbers {
  readonly pages: number;
  /** Pages that are meant to be found. */
  readonly wanted: number;
  /** Of those, how many engines can list as released. */
  readonly found: number;
  /** … and how many once everything that waits is released. */
  readonly foundAfterRelease: number;
  readonly pending: number;
  /** Files of any sort that wait for release. */
  readonly waiting: number;
  readonly states: Readonly<Partial<Record<PageState, number>>>;
  readonly brokenLinks: number;
  /** The whole site is shut on purpose, by the switch or at the host: what is shut out then is so by no accident. */
  readonly closed: boolean;
}

/** Home first, then by address, a folder's own page before what lies in it. */
export function inTreeOrder(a: PageRow, b: PageRow): number {
  return a.address < b.address ? -1 : a.address > b.address ? 1 : 0;
}
