import { z } from 'zod';
import { KINDS } from './kinds.ts';
import { PATH_MATCHES } from './path-match.ts';

const intent = z.enum(['list', 'out']).nullable();
const yesNo = z.enum(['yes', 'no']).nullable().optional();
const limit = z.number().int().min(-1).max(100_000).nullable().optional();
const flag = z.boolean().nullable().optional();
/** Longest text of one field, in UTF-16 units: far beyond any title, description or list of profiles. */
export const LONGEST_TEXT = 10_000;
const text = z.string().max(LONGEST_TEXT);
const block = z.string().max(100_000).nullable().optional();

/** Scheme and host of an address, and nothing else. */
const origin = text.refine((value) => URL.canParse(value) && new URL(value).origin === value, 'no scheme and host');

/** Fields of each record table; absent and null mean the same: not set. */
export const TABLES = {
  /** Who and what the site is. One record, key ''. */
  facts: z.strictObject({
    siteName: text.nullable().optional(),
    /** False while the name is only guessed, and the owner has not said that it is right. */
    nameSure: flag,
    /** The pages are known from a list of addresses alone: what they really say is not known before the live site was looked at. */
    fromList: flag,
    alternateName: text.nullable().optional(),
    /** The page that goes out as the home page, where the site came without one. */
    homePage: z.string().nullable().optional(),
    tagline: text.nullable().optional(),
    description: text.nullable().optional(),
    language: text.nullable().optional(),
    /** Pages that say nothing of their encoding, and are in UTF-8, are to say so. */
    sayCharset: flag,
    /** Scheme and host, such as `https://quillfeather.example`. */
    mainAddress: origin.nullable().optional(),
    /** The main address under which the site was brought in, once it has another: what its pages name there follows. */
    cameAs: origin.nullable().optional(),
    ownerKind: z.enum(['organization', 'person']).nullable().optional(),
    ownerName: text.nullable().optional(),
    email: text.nullable().optional(),
    telephone: text.nullable().optional(),
    logo: text.nullable().optional(),
    /** Its type in the schema.org vocabulary, where it is more than an organisation: `BookStore`. */
    businessType: z.string().max(80).nullable().optional(),
    legalName: text.nullable().optional(),
    street: text.nullable().optional(),
    locality: text.nullable().optional(),
    region: text.nullable().optional(),
    postalCode: z.string().max(40).nullable().optional(),
    /** ISO 3166-1, two letters. */
    country: z.string().max(2).nullable().optional(),
    /** Opening hours as people write them, one line for some days. */
    hours: text.nullable().optional(),
    priceRange: z.string().max(40).nullable().optional(),
    /** Places, one a line. */
    areaServed: text.nullable().optional(),
    founder: text.nullable().optional(),
    foundingDate: z.string().max(10).nullable().optional(),
    jobTitle: text.nullable().optional(),
    /** Numbers that tell a business from others, one a line: `VAT: GB123456789`. */
    identifiers: text.nullable().optional(),
    /** Addresses, one a line. */
    profiles: text.nullable().optional(),
    /** The key by which changes are told to engines; it stands in a text file of its name at the root. */
    noticeKey: z.string().max(128).nullable().optional(),
    /** Redirects and headers are written into the file of server rules; all other variants of the main address are led to it there. */
    serverFile: flag,
    serverLeads: flag,
    /** What stands between the parts of a title. */
    separator: text.nullable().optional(),
    /** Comma-separated; hardly any engine reads them. */
    keywords: text.nullable().optional(),
    /** An IANA time zone name, such as `Europe/London`. */
    timeZone: text.nullable().optional(),
    /** Path or address of the picture for links to pages that have none of their own. */
    sharePicture: text.nullable().optional(),
  }),
  /** The one switch for the whole site. One record, key ''. */
  siteSwitch: z.strictObject({
    open: flag,
    /** When the switch was last turned, ISO. */
    since: z.string().nullable().optional(),
    /** While the site is shut: the next release opens it. */
    plan: z.enum(['next-release']).nullable().optional(),
    /** A day, `YYYY-MM-DD`, from which the owner wants to be reminded to open. */
    opensOn: z.string().max(10).nullable().optional(),
  }),
  /** Who can visit the site at the host: nobody, those with a password, everybody. One record, key ''. */
  visitors: z.strictObject({ audience: z.enum(['draft', 'restricted', 'public']).nullable().optional(), password: z.string().max(200).nullable().optional() }),
  /**
   * What engines may do with pages and show of them, by scope, a line feed, and crawler (`*` for all). Scopes: `site`, `kind:` and a kind, `rule:` and
   * a rule's id, `page:` and its file, `files:` and the id of a rule for files.
   */
  directives: z.strictObject({
    /** For rules, and for one crawler; what a page or a kind is for stands with them. */
    intent: intent.optional(),
    follow: yesNo,
    /** Most characters; 0 none, -1 as many as engines like. */
    snippet: limit,
    image: z.enum(['none', 'standard', 'large']).nullable().optional(),
    /** Most seconds; 0 none, -1 as many as engines like. */
    video: limit,
    archive: yesNo,
    translate: yesNo,
    /** Whether pictures of the page may be listed on their own. */
    pictures: yesNo,
    /** Last day on which it may be listed, `YYYY-MM-DD`. */
    until: z.string().max(10).nullable().optional(),
  }),
  /** Which files get an `X-Robots-Tag` header, by id; what it says stands in `says`. */
  headers: z.strictObject({
    path: text.nullable().optional(),
    match: z.enum(PATH_MATCHES).nullable().optional(),
    order: z.number().nullable().optional(),
  }),
  /** Crawlers that the owner wants to try addresses with, by product token. */
  crawlers: z.strictObject({ note: text.nullable().optional() }),
  /** Addresses added to the map by hand. */
  extras: z.strictObject({ at: z.string().nullable().optional() }),
  /** robots.txt where the owner wrote over the site's own. One record, key ''. */
  robots: z.strictObject({ text: z.string().max(600_000).nullable().optional() }),
  /** The maps. One record, key ''. */
  sitemap: z.strictObject({
    on: flag,
    /** Most links in one map. */
    links: z.number().int().min(1).max(50_000).nullable().optional(),
    /** One map for each kind of page, or one for all. */
    by: z.enum(['kind', 'one']).nullable().optional(),
    pictures: flag,
    alternates: flag,
    /** Where dates of change come from. */
    dates: z.enum(['best', 'visible', 'files', 'none']).nullable().optional(),
    hints: flag,
    gzip: flag,
    rss: flag,
    atom: flag,
    /** Address of the hub that passes the feeds on (WebSub). */
    hub: text.nullable().optional(),
    page: flag,
    style: flag,
  }),
  /** By kind of page. Patterns are kept as text, see `writePattern`. */
  kinds: z.strictObject({
    intent: intent.optional(),
    title: text.nullable().optional(),
    description: text.nullable().optional(),
    shareTitle: text.nullable().optional(),
    inMap: flag,
    changefreq: z.enum(['always', 'hourly', 'daily', 'weekly', 'monthly', 'yearly', 'never']).nullable().optional(),
    priority: z.number().min(0).max(1).nullable().optional(),
    /** What its pages are, by the ids of processors with spaces between, or `none`. */
    markup: z.string().max(200).nullable().optional(),
    foreignMarkup: z.enum(['leave', 'take', 'remove']).nullable().optional(),
    /** A JSON-LD block of the owner's own for each of its pages, as text; `markupDraft` while it is no JSON, which is never written. */
    markupBlock: block,
    markupDraft: block,
  }),
  /** Structured data in pages: whether it is written. One record, key ''. */
  meaning: z.strictObject({ on: flag }),
  /** Values of a page's structured data that the owner says otherwise than the page, by `markupKey`. */
  markup: z.strictObject({ value: text.nullable().optional(), leftOut: flag }),
  /** Rules for many pages, by id: their kind, whether they stand in the map, and what engines may do (in `says`). The first that fits, in the order of `order`, decides. */
  rules: z.strictObject({
    path: text.nullable().optional(),
    match: z.enum(PATH_MATCHES).nullable().optional(),
    kind: z.enum(KINDS).nullable().optional(),
    /** Whether it also counts for pages that look like archives (categories, tags, authors, dates); they are spared otherwise. */
    archives: flag,
    order: z.number().nullable().optional(),
    inMap: flag,
  }),
  /** By page file. */
  pages: z.strictObject({
    title: text.nullable().optional(),
    description: text.nullable().optional(),
    intent: intent.optional(),
    kind: z.enum(KINDS).nullable().optional(),
    /** Path and query of its address, where it came from a list of addresses and no file answers at such a one. */
    address: z.string().max(4096).startsWith('/').nullable().optional(),
    /** A new address ending; the file moves with it. */
    ending: z.string().max(200).nullable().optional(),
    /** The search this page is to answer. */
    phrase: text.nullable().optional(),
    keywords: text.nullable().optional(),
    shareTitle: text.nullable().optional(),
    shareText: text.nullable().optional(),
    sharePicture: text.nullable().optional(),
    inMap: flag,
    /** The page is its own main address, whatever its source says. */
    canonical: z.enum(['self']).nullable().optional(),
    /** The page does not send its visitors on, whatever its source says. */
    refresh: z.enum(['none']).nullable().optional(),
    /** The language that the page is to say it is in, where its source says none. */
    lang: z.string().max(35).nullable().optional(),
    /** The page is to have one title, in its head; one main heading. */
    oneTitle: flag,
    oneHeading: flag,
    /** What the page is, where it is not what its kind is: ids of processors with spaces between, or `none`. */
    markup: z.string().max(200).nullable().optional(),
    /** What becomes of the structured data that the page came with. */
    foreignMarkup: z.enum(['leave', 'take', 'remove']).nullable().optional(),
    /** A JSON-LD block of the owner's own for this page, as text; `markupDraft` while it is no JSON, which is never written. */
    markupBlock: block,
    markupDraft: block,
  }),
  /** Words that the page itself shows, changed in its source: by page file, a line feed, and the place (see `passageKey`). */
  passages: z.strictObject({
    /** What stood there when it was changed: where something else stands now, the change is not made. */
    was: text.nullable().optional(),
    now: text.nullable().optional(),
    /** Links set on words, see `writeLinks`. */
    links: text.nullable().optional(),
  }),
  /** Alternative texts of pictures, by the same keys; `was` null where there was none. */
  alts: z.strictObject({ was: text.nullable().optional(), now: text.nullable().optional() }),
  /** Links that led nowhere and are led elsewhere, by the address path they name. */
  repairs: z.strictObject({ to: text.nullable().optional() }),
  /** Findings that the owner lets be, by page file, a line feed, and the check's code. */
  ignored: z.strictObject({ reason: text.nullable().optional(), at: z.string().nullable().optional() }),
  /** Where texts are cut, by room, where the owner knows better. In px or characters, as the room counts. */
  limits: z.strictObject({ width: z.number().min(10).max(5000).nullable().optional() }),
  /** What the owner offers, where, and for whom: one a line. One record, key ''. */
  wishes: z.strictObject({ services: text.nullable().optional(), places: text.nullable().optional(), audiences: text.nullable().optional() }),
  /** What an answer to a phrase would be worth to the owner, by phrase, 0 to 3. */
  worth: z.strictObject({ worth: z.number().min(0).max(3).nullable().optional() }),
  /** What was carried over by hand into a builder that has only text boxes, by page file, a line feed, and field: the value as it was ticked. */
  pasted: z.strictObject({ value: text.nullable().optional(), at: z.string().nullable().optional() }),
  /** Choices about the checks. One record, key ''. */
  care: z.strictObject({ wording: z.boolean().nullable().optional() }),
  /**
   * Which version of the site's files it is, counted from 0 as it was first brought in (record ''); and by page file, of a page whose bytes are others and
   * whose words are the same as in an earlier version, the hash of the bytes that said them first.
   */
  source: z.strictObject({ version: z.number().int().min(0).max(1_000_000).nullable().optional(), like: z.string().max(200).nullable().optional() }),
  /** When the live site was last looked at against what is meant, how many pages that were, and how many had drifted. One record, key ''. */
  looks: z.strictObject({
    at: z.string().nullable().optional(),
    pages: z.number().int().nullable().optional(),
    drifted: z.number().int().nullable().optional(),
  }),
  /** Where the address of a page that is no more leads, by the file it was: an address path. `ends`: no old address at this file leads on any more. */
  redirects: z.strictObject({
    to: z.string().max(4096).startsWith('/').nullable().optional(),
    ends: z.boolean().nullable().optional(),
    gone: z.boolean().nullable().optional(),
  }),
  /** Proofs of ownership, by an id of their own; the program's own engines by theirs. See `claimsOf`. */
  claims: z.strictObject({
    engine: z.string().max(200).nullable().optional(),
    kind: z.enum(['tag', 'file', 'txt', 'cname']).nullable().optional(),
    name: text.nullable().optional(),
    content: text.nullable().optional(),
    at: z.string().nullable().optional(),
  }),
  /** Code of other services that stands in pages, by an id of its own. Pages and kinds one a line. See `snippetsOf`. */
  snippets: z.strictObject({
    name: text.nullable().optional(),
    code: z.string().max(50_000).nullable().optional(),
    place: z.enum(['head-start', 'head-end', 'body-start', 'body-end']).nullable().optional(),
    by: z.enum(['all', 'kinds', 'pages']).nullable().optional(),
    on: z.string().max(2_000_000).nullable().optional(),
    /** Kept, and in no page. */
    off: flag,
    order: z.number().nullable().optional(),
  }),
  /** Releases, by number. Release 0 is the site as it was brought in. */
  releases: z.strictObject({
    at: z.string().nullable().optional(),
    pages: z.number().nullable().optional(),
    files: z.number().nullable().optional(),
    open: z.boolean().nullable().optional(),
    /** Where it went: `host`, or `brought-in` for release 0 and `kept` for files out by hand. */
    to: z.enum(['brought-in', 'host', 'files']).nullable().optional(),
    /** What the owner wrote about it. */
    note: text.nullable().optional(),
    /** The earlier release that went out again by it. */
    again: z.number().int().nullable().optional(),
    /** How many things waited when it went out. */
    held: z.number().int().nullable().optional(),
  }),
} as const;

export type Table = keyof typeof TABLES;
export type RecordOf<T extends Table> = z.infer<(typeof TABLES)[T]>;
