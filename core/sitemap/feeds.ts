import { escapeXml } from './write.ts';

/** One entry of a feed. */
export interface FeedEntry {
  readonly title: string;
  /** Absolute address; it also names the entry for good. */
  readonly address: string;
  readonly description: string;
  /** Milliseconds since 1970. */
  readonly published: number;
  readonly updated: number;
  readonly author: string | undefined;
}

/** What a feed says of itself. */
export interface FeedHead {
  readonly title: string;
  readonly description: string;
  /** Address of the site's home page, and of the feed itself. */
  readonly home: string;
  readonly self: string;
  readonly language: string | undefined;
  readonly author: string;
  /** Address of the hub that passes the feed on to those who follow it (WebSub, 4). */
  readonly hub?: string | undefined;
}

/** Where the feeds stand. */
export const RSS_FILE = 'rss.xml';
export const ATOM_FILE = 'atom.xml';

/** How many entries a feed holds: the latest. */
export const FEED_ENTRIES = 20;

/** The latest entries, each address once: it names its entry for good, and no two of a feed may have the same (RFC 4287, 4.2.6). */
const latest = (entries: readonly FeedEntry[]): FeedEntry[] =>
  [...new Map(entries.map((entry) => [entry.address, entry])).values()]
    .sort((a, b) => b.published - a.published || (a.address < b.address ? -1 : 1))
    .slice(0, FEED_ENTRIES);

/** A language tag that may stand in a feed (BCP 47 by its shape); undefined for anything else. */
const languageTag = (language: string | undefined): string | undefined =>
  language !== undefined && /^[a-z]{2,8}(?:-[a-z0-9]{1,8})*$/i.test(language) ? language : undefined;

/** Words as HTML, which is what readers take a description for (RSS 2.0, "elements of item"). */
const asHtml = (words: string): string => words.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;');

/** Words with something in them, else others. */
const worded = (words: string | undefined, otherwise: string): string => (words === undefined || text(words).trim() === '' ? otherwise : words);

const DAYS = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'];
const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];
const two = (number: number): string => String(number).padStart(2, '0');

/** `Wed, 25 Nov 2026 10:00:00 +0000`, as RSS wants its dates (RFC 822 with four-digit years). */
export function rfc822(time: number): string {
  const date = new Date(time);
  return `${DAYS[date.getUTCDay()] as string}, ${two(date.getUTCDate())} ${MONTHS[date.getUTCMonth()] as string} ${date.getUTCFullYear()} ${two(date.getUTCHours())}:${two(date.getUTCMinutes())}:${two(date.getUTCSeconds())} +0000`;
}

/** Characters that XML 1.0 cannot hold, not even as references, are left out (XML 1.0, 2.2). */
const text = (words: string): string =>
  escapeXml(words.replace(/[\u0000-\u0008\u000b\u000c\u000e-\u001f\ufffe\uffff]|[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/g, ''));

/** Writes an RSS 2.0 feed of the latest entries. */
export function writeRss(head: FeedHead, entries: readonly FeedEntry[]): string {
  const items = latest(entries).map((entry) =>
    [
      '<item>',
      `<title>${text(worded(entry.title, entry.address))}</title>`,
      `<link>${text(entry.address)}</link>`,
      `<guid isPermaLink="true">${text(entry.address)}</guid>`,
      `<pubDate>${rfc822(entry.published)}</pubDate>`,
      ...(entry.description === '' ? [] : [`<description>${text(asHtml(entry.description))}</description>`]),
      '</item>',
    ].join('\n'),
  );
  const language = languageTag(head.language);
  return [
    '<?xml version="1.0" encoding="UTF-8"?>',
    '<rss version="2.0" xmlns:atom="http://www.w3.org/2005/Atom">',
    '<channel>',
    `<title>${text(worded(head.title, head.home))}</title>`,
    `<link>${text(head.home)}</link>`,
    `<description>${text(asHtml(worded(head.description, worded(head.title, head.home))))}</description>`,
    ...(language === undefined ? [] : [`<language>${language}</language>`]),
    `<atom:link href="${text(head.self)}" rel="self" type="application/rss+xml"/>`,
    ...(head.hub === undefined ? [] : [`<atom:link href="${text(head.hub)}" rel="hub"/>`]),
    ...items,
    '</channel>',
    '</rss>',
    '',
  ].join('\n');
}

/** Writes an Atom feed of the latest entries (RFC 4287). */
export function writeAtom(head: FeedHead, entries: readonly FeedEntry[]): string {
  const chosen = latest(entries);
  const updated = Math.max(0, ...chosen.map((entry) => entry.updated));
  const language = languageTag(head.language);
  const items = chosen.map((entry) =>
    [
      '<entry>',
      `<title>${text(worded(entry.title, entry.address))}</title>`,
      `<id>${text(entry.address)}</id>`,
      `<link href="${text(entry.address)}"/>`,
      `<published>${new Date(entry.published).toISOString()}</published>`,
      `<updated>${new Date(entry.updated).toISOString()}</updated>`,
      ...(worded(entry.author, '') === '' ? [] : [`<author><name>${text(entry.author as string)}</name></author>`]),
      ...(entry.description === '' ? [] : [`<summary>${text(entry.description)}</summary>`]),
      '</entry>',
    ].join('\n'),
  );
  return [
    '<?xml version="1.0" encoding="UTF-8"?>',
    `<feed xmlns="http://www.w3.org/2005/Atom"${language === undefined ? '' : ` xml:lang="${language}"`}>`,
    `<title>${text(worded(head.title, head.home))}</title>`,
    ...(head.description === '' ? [] : [`<subtitle>${text(head.description)}</subtitle>`]),
    `<id>${text(head.home)}</id>`,
    `<link href="${text(head.home)}"/>`,
    `<link rel="self" href="${text(head.self)}"/>`,
    ...(head.hub === undefined ? [] : [`<link rel="hub" href="${text(head.hub)}"/>`]),
    `<updated>${new Date(updated).toISOString()}</updated>`,
    `<author><name>${text(worded(head.author, worded(head.title, head.home)))}</name></author>`,
    ...items,
    '</feed>',
    '',
  ].join('\n');
}
