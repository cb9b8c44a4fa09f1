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
}

/** How many entries a feed holds: the latest. */
export const FEED_ENTRIES = 20;

const latest = (entries: readonly FeedEntry[]): FeedEntry[] =>
  [...entries].sort((a, b) => b.published - a.published || (a.address < b.address ? -1 : 1)).slice(0, FEED_ENTRIES);

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
      `<title>${text(entry.title)}</title>`,
      `<link>${text(entry.address)}</link>`,
      `<guid isPermaLink="true">${text(entry.address)}</guid>`,
      `<pubDate>${rfc822(entry.published)}</pubDate>`,
      ...(entry.description === '' ? [] : [`<description>${text(entry.description)}</description>`]),
      '</item>',
    ].join('\n'),
  );
  return [
    '<?xml version="1.0" encoding="UTF-8"?>',
    '<rss version="2.0" xmlns:atom="http://www.w3.org/2005/Atom">',
    '<channel>',
    `<title>${text(head.title)}</title>`,
    `<link>${text(head.home)}</link>`,
    `<description>${text(head.description === '' ? head.title : head.description)}</description>`,
    ...(head.language === undefined ? [] : [`<language>${text(head.language)}</language>`]),
    `<atom:link href="${text(head.self)}" rel="self" type="application/rss+xml"/>`,
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
  const items = chosen.map((entry) =>
    [
      '<entry>',
      `<title>${text(entry.title)}</title>`,
      `<id>${text(entry.address)}</id>`,
      `<link href="${text(entry.address)}"/>`,
      `<published>${new Date(entry.published).toISOString()}</published>`,
      `<updated>${new Date(entry.updated).toISOString()}</updated>`,
      ...(entry.author === undefined ? [] : [`<author><name>${text(entry.author)}</name></author>`]),
      ...(entry.description === '' ? [] : [`<summary>${text(entry.description)}</summary>`]),
      '</entry>',
    ].join('\n'),
  );
  return [
    '<?xml version="1.0" encoding="UTF-8"?>',
    `<feed xmlns="http://www.w3.org/2005/Atom"${head.language === undefined ? '' : ` xml:lang="${text(head.language)}"`}>`,
    `<title>${text(head.title)}</title>`,
    ...(head.description === '' ? [] : [`<subtitle>${text(head.description)}</subtitle>`]),
    `<id>${text(head.home)}</id>`,
    `<link href="${text(head.home)}"/>`,
    `<link rel="self" href="${text(head.self)}"/>`,
    `<updated>${new Date(updated).toISOString()}</updated>`,
    `<author><name>${text(head.author)}</name></author>`,
    ...items,
    '</feed>',
    '',
  ].join('\n');
}
