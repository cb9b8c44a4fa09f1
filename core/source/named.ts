/**
 * A text that names something: which sort of thing is part of its type, so that the name of one sort is not taken for that of another. A text of which nothing is known fits
 * every sort; what tells one sort from another are the functions that make names of it (`addressOf`, `resolvePath`, `movedFile`, `normalizePath` …).
 */
type Named<Sort extends string> = string & { readonly names?: Sort };

/** Path of a page's file, as it was brought in, without a leading slash: what a page is known by. */
export type PageId = Named<'page'>;

/** Path of any file of the site, without a leading slash. */
export type FilePath = Named<'page' | 'file'>;

/** Path, and query where there is one, of an address of the site, percent-encoded, from its leading slash on. */
export type AddressPath = Named<'address path'>;

/** What a rule for many pages or files is known by. */
export type RuleId = Named<'rule'>;

/** The product token of a crawler (RFC 9309, 2.2.1); `*` for all. */
export type CrawlerToken = Named<'crawler'>;
