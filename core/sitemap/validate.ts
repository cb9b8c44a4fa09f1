import { readW3cDate, w3cDate } from './dates.ts';
import { plainAddress } from '../source/index.ts';
import { listedAddresses } from './read.ts';
import type { ElementFault, ExaminedEntry, SitemapRefusal, XmlFault } from './walked.ts';
import { walkMap } from './walk.ts';
import { NAMESPACES, octets, SITEMAP_LIMITS } from './write.ts';

/** Something in a map that the protocol does not allow, or that makes no sense. `place` is an offset in the text. */
export type MapIssue = { readonly place: number } &
  /** The XML breaks here; nothing behind it was read. */
  (
    | ({ readonly code: 'malformed' } & Omit<XmlFault, 'place'>)
    | Omit<ElementFault, 'place'>
    | { readonly code: 'namespace'; readonly found: string | undefined }
    | { readonly code: 'encoding'; readonly declared: string }
    | { readonly code: 'too-many'; readonly count: number }
    | { readonly code: 'empty' | 'loc-missing' | 'dates-same' }
    | {
        readonly code:
          | 'loc-relative'
          | 'loc-spaces'
          | 'loc-not-ascii'
          | 'loc-long'
          | 'loc-fragment'
          | 'loc-host'
          | 'loc-scheme'
          | 'loc-folder'
          | 'loc-twice'
          | 'loc-unescaped';
        readonly loc: string;
      }
    | {
        readonly code: 'lastmod-bad' | 'lastmod-future' | 'changefreq-bad' | 'priority-bad' | 'image-bad' | 'alternate-bad';
        readonly loc: string;
        readonly value: string;
      }
    | { readonly code: 'images-many'; readonly loc: string; readonly count: number }
  );

/** A map, looked at closely. */
export interface ExaminedMap {
  readonly kind: 'urlset' | 'index';
  /** `list`: plain text, one address a line. */
  readonly form: 'xml' | 'list';
  readonly entries: readonly ExaminedEntry[];
  readonly issues: readonly MapIssue[];
  readonly bytes: number;
}

/** What is known of where a map came from. */
export interface ExamineOptions {
  /** Its own address, for the rules about hosts and folders; undefined where it is only a file. */
  readonly address: string | undefined;
  /** Whether robots.txt of its host names it: then it may list what lies outside of its folder. */
  readonly named?: boolean | undefined;
  /** Milliseconds since 1970. */
  readonly now: number;
}

const DAY = 86_400_000;
const WORDS = ['always', 'hourly', 'daily', 'weekly', 'monthly', 'yearly', 'never'];
/** Issues that are told of one map: with more, something is wrong on the whole. */
const MOST_ISSUES = 500;

/**
 * Reads a map with everything in it and holds it against the protocol (0.9). Where its XML breaks, that is told, and what came before is all there is. Takes
 * linear time and memory; entities are not expanded.
 */
export function validateMap(
  xml: string,
  options: ExamineOptions,
): { readonly ok: true; readonly map: ExaminedMap } | { readonly ok: false; readonly reason: SitemapRefusal } {
  const issues: MapIssue[] = [];
  const add = (issue: MapIssue): void => void (issues.length < MOST_ISSUES && issues.push(issue));
  const entries: ExaminedEntry[] = [];
  const seen = new Set<string>();
  const known = rememberedDates();
  const folder = options.address === undefined ? undefined : options.address.slice(0, options.address.lastIndexOf('/') + 1);
  const take = (entry: ExaminedEntry): void => {
    for (const issue of entryIssues(entry, seen, options, folder, known)) add(issue);
    entries.push(entry);
  };
  const list = listedAddresses(xml);
  for (const { loc, place } of list ?? []) take({ ...BARE, loc, place });
  const walked = list
    ? undefined
    : walkMap(xml, {
        entry: take,
        without: (place) => add({ code: 'loc-missing', place }),
        element: add,
        unescaped: (loc, place) => add({ code: 'loc-unescaped', loc, place }),
      });
  if (walked?.ok === false) return walked;
  const { kind, root, namespace, encoding, fault } = walked?.map ?? LISTED;
  // What stops every reader is told, however much else there is.
  if (fault) issues.unshift({ code: 'malformed', ...fault });
  if (encoding !== undefined && !/^(utf-?8|us-ascii)$/i.test(encoding)) add({ code: 'encoding', declared: encoding, place: 0 });
  if (namespace !== NAMESPACES.map) add({ code: 'namespace', found: namespace === '' ? undefined : namespace, place: root });
  if (entries.length === 0 && !fault) add({ code: 'empty', place: root });
  if (entries.length > SITEMAP_LIMITS.entries) add({ code: 'too-many', place: root, count: entries.length });
  if (kind === 'urlset' && datesAllSame(entries, options.now)) add({ code: 'dates-same', place: entries[0]?.place ?? root });
  issues.sort((a, b) => a.place - b.place);
  return { ok: true, map: { kind, form: list ? 'list' : 'xml', entries, issues, bytes: octets(xml) } };
}

/** All that an address says of itself in a plain list: nothing. */
const BARE = { lastmod: undefined, changefreq: undefined, priority: undefined, images: [], alternates: [] } as const;
/** What a plain list is as a map. */
const LISTED = { kind: 'urlset', namespace: NAMESPACES.map, root: 0, encoding: undefined, fault: undefined } as const;

/** Addresses that are in plain spelling already. */
const PLAIN = /^https?:\/\/[a-z\d.-]+\/(?!\.)(?:[\w\-~/?=&+,;@!$'()*]|\.(?!\/|\.))*$/;

/** Addresses of plain characters, without a fragment. */
const SIMPLE = /^https?:\/\/(?![^]*(?:\/\.|%2e))[\w.\-~/?=&%+,;:@!$'()*]*$/i;

function entryIssues(
  entry: ExaminedEntry,
  seen: Set<string>,
  { address, named, now }: ExamineOptions,
  folder: string | undefined,
  known: (date: string) => number | undefined,
): MapIssue[] {
  const { loc, place, lastmod, changefreq, priority } = entry;
  const issues: MapIssue[] = [];
  const wrong = (code: Extract<MapIssue, { loc: string; code: `loc-${string}` }>['code']): void => void issues.push({ code, loc, place });
  // An address that begins as the map's folder does, in characters that mean nothing special, is right without being taken apart.
  if (folder !== undefined && loc.startsWith(folder) && SIMPLE.test(loc)) {
    // Right.
  } else if (/\s/.test(loc)) wrong('loc-spaces');
  else if (!/^https?:\/\//i.test(loc) || !URL.canParse(loc)) wrong('loc-relative');
  else if (address !== undefined) {
    const [here, there] = [new URL(address), new URL(loc)];
    if (here.host !== there.host) wrong('loc-host');
    else if (here.protocol !== there.protocol) wrong('loc-scheme');
    else if (named !== true && !there.pathname.startsWith(here.pathname.slice(0, here.pathname.lastIndexOf('/') + 1))) wrong('loc-folder');
  }
  if (/[^\x00-\x7f]/.test(loc)) wrong('loc-not-ascii');
  if (loc.length > SITEMAP_LIMITS.address) wrong('loc-long');
  if (loc.includes('#')) wrong('loc-fragment');
  // Two spellings of one address are one address.
  const plain = PLAIN.test(loc) ? loc : (plainAddress(loc) ?? loc);
  if (seen.has(plain)) wrong('loc-twice');
  seen.add(plain);
  if (lastmod !== undefined) {
    const time = known(lastmod);
    if (time === undefined) issues.push({ code: 'lastmod-bad', loc, value: lastmod, place });
    else if (time > now + DAY) issues.push({ code: 'lastmod-future', loc, value: lastmod, place });
  }
  if (changefreq !== undefined && !WORDS.includes(changefreq)) issues.push({ code: 'changefreq-bad', loc, value: changefreq, place });
  if (priority !== undefined && !isPriority(priority)) issues.push({ code: 'priority-bad', loc, value: priority, place });
  const bad = entry.images.find((image) => !isWhole(image));
  if (bad !== undefined) issues.push({ code: 'image-bad', loc, value: bad, place });
  const other = entry.alternates.find(({ lang, href }) => !isWhole(href) || !isLanguageTag(lang));
  if (other) issues.push({ code: 'alternate-bad', loc, value: `${other.lang} ${other.href}`, place });
  if (entry.images.length > SITEMAP_LIMITS.images) issues.push({ code: 'images-many', loc, count: entry.images.length, place });
  return issues;
}

/** A decimal number (XML Schema, part 2, 3.2.3) from 0 to 1. */
const isPriority = (text: string): boolean => /^[+-]?(?:\d+(?:\.\d*)?|\.\d+)$/.test(text) && Number(text) >= 0 && Number(text) <= 1;

/** Whether a text is a BCP 47 tag as far as its shape goes, or the word for all other languages: what `hreflang` may say. */
export const isLanguageTag = (text: string): boolean => /^(?:x-default|[a-z]{2,3}(?:-[a-z0-9]{2,8})*)$/i.test(text);
const isWhole = (address: string): boolean => SIMPLE.test(address) || (/^https?:\/\//i.test(address) && URL.canParse(address));

/** Reads dates, each once: maps say the same few over and over. */
function rememberedDates(): (date: string) => number | undefined {
  const read = new Map<string, number | undefined>();
  return (date) => {
    if (!read.has(date)) read.set(date, readW3cDate(date));
    return read.get(date);
  };
}

/** The same day on every one of many addresses is the day of a build. */
function datesAllSame(entries: readonly ExaminedEntry[], now: number): boolean {
  const [first] = entries;
  const time = first?.lastmod === undefined ? undefined : readW3cDate(first.lastmod);
  if (entries.length < 5 || time === undefined || time > now + DAY) return false;
  const day = w3cDate(time);
  return entries.every(({ lastmod }) => lastmod !== undefined && (lastmod === first?.lastmod || lastmod.slice(0, 10) === day));
}
