import { readW3cDate, w3cDate } from './dates.ts';
import { element, itemsOf, listedAddresses, openMap, unescapeXml, type MapShell, type SitemapRefusal } from './read.ts';
import { firstMisnesting } from './well-formed.ts';
import { NAMESPACES, SITEMAP_LIMITS, type Alternate } from './write.ts';

/** One address of a map with all that is said of it. */
export interface ExaminedEntry {
  readonly loc: string;
  readonly lastmod: string | undefined;
  readonly changefreq: string | undefined;
  readonly priority: string | undefined;
  readonly images: readonly string[];
  readonly alternates: readonly Alternate[];
  /** Offset of its start tag in the text. */
  readonly place: number;
}

/** Something in a map that the protocol does not allow, or that makes no sense. `place` is an offset in the text. */
export type MapIssue = { readonly place: number } & (
  | { readonly code: 'misnested'; readonly tag: string }
  | { readonly code: 'namespace'; readonly found: string | undefined }
  | { readonly code: 'encoding'; readonly declared: string }
  | { readonly code: 'too-many'; readonly count: number }
  | { readonly code: 'empty' | 'loc-missing' | 'dates-same' }
  | { readonly code: 'bare-ampersand' | 'unknown-entity'; readonly text: string }
  | {
      readonly code: 'loc-relative' | 'loc-spaces' | 'loc-not-ascii' | 'loc-long' | 'loc-fragment' | 'loc-host' | 'loc-scheme' | 'loc-folder' | 'loc-twice';
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

/** Reads a map with everything in it and holds it against the protocol (0.9). Takes linear time; entities are not expanded. */
export function examineMap(
  xml: string,
  options: ExamineOptions,
): { readonly ok: true; readonly map: ExaminedMap } | { readonly ok: false; readonly reason: SitemapRefusal } {
  const list = listedAddresses(xml);
  const opened = list ? undefined : openMap(xml);
  if (opened?.ok === false) return opened;
  const shell = opened?.shell;
  const issues: MapIssue[] = shell ? shellIssues(xml, shell) : [];
  const add = (issue: MapIssue): void => void (issues.length < MOST_ISSUES && issues.push(issue));
  const entries: ExaminedEntry[] = [];
  const seen = new Set<string>();
  const known = rememberedDates();
  const folder = options.address === undefined ? undefined : options.address.slice(0, options.address.lastIndexOf('/') + 1);
  const take = (entry: ExaminedEntry): void => {
    for (const issue of entryIssues(entry, seen, options, folder, known)) add(issue);
    entries.push(entry);
  };
  for (const { loc, place } of list ?? []) take({ ...BARE, loc, place });
  for (const { tag, start, end } of shell ? itemsOf(shell) : []) {
    const body = (shell as MapShell).text.slice(start, end);
    const entry = entryOf(body, shell as MapShell, tag);
    for (const issue of ampersands(body, start)) add(issue);
    if (entry === undefined) add({ code: 'loc-missing', place: tag });
    else take(entry);
  }
  const root = shell?.root ?? 0;
  const kind = shell?.kind ?? 'urlset';
  if (entries.length === 0) add({ code: 'empty', place: root });
  if (entries.length > SITEMAP_LIMITS.entries) add({ code: 'too-many', place: root, count: entries.length });
  if (kind === 'urlset' && datesAllSame(entries, options.now)) add({ code: 'dates-same', place: entries[0]?.place ?? root });
  issues.sort((a, b) => a.place - b.place);
  return { ok: true, map: { kind, form: list ? 'list' : 'xml', entries, issues, bytes: new TextEncoder().encode(xml).length } };
}

/** All that an address says of itself in a plain list: nothing. */
const BARE = { lastmod: undefined, changefreq: undefined, priority: undefined, images: [], alternates: [] } as const;

function entryOf(body: string, { prefix }: MapShell, place: number): ExaminedEntry | undefined {
  const loc = element(body, `${prefix}loc`);
  if (loc === undefined || loc === '') return undefined;
  const images = body.includes('image')
    ? [...body.matchAll(/<(?:[\w-]+:)?image(?:\s[^>]*)?>\s*<([\w-]+:loc|loc)>([^<]*)</g)].map(([, , address = '']) => unescapeXml(address.trim()))
    : [];
  const alternates = body.includes('alternate')
    ? [...body.matchAll(/<(?:[\w-]+:)?link\s([^>]*)>/g)].flatMap(([, attributes = '']) => alternateOf(attributes))
    : [];
  return {
    loc,
    lastmod: element(body, `${prefix}lastmod`),
    changefreq: element(body, `${prefix}changefreq`),
    priority: element(body, `${prefix}priority`),
    images,
    alternates,
    place,
  };
}

function alternateOf(attributes: string): Alternate[] {
  const value = (name: string): string | undefined => {
    const found = new RegExp(`(?:^|\\s)${name}\\s*=\\s*(?:"([^"]*)"|'([^']*)')`).exec(attributes);
    return found ? unescapeXml(found[1] ?? found[2] ?? '') : undefined;
  };
  const [lang, href] = [value('hreflang'), value('href')];
  return value('rel') === 'alternate' && lang !== undefined && href !== undefined ? [{ lang, href }] : [];
}

function shellIssues(xml: string, shell: MapShell): MapIssue[] {
  const issues: MapIssue[] = [];
  const declared = /^\ufeff?<\?xml[^>]*?encoding\s*=\s*["']([\w.-]+)["']/i.exec(xml)?.[1];
  if (declared !== undefined && !/^(utf-?8|us-ascii)$/i.test(declared)) issues.push({ code: 'encoding', declared, place: 0 });
  const tag = shell.text.slice(shell.root, shell.start);
  const name = shell.prefix === '' ? 'xmlns' : `xmlns:${shell.prefix.slice(0, -1)}`;
  const namespace = new RegExp(`\\s${name}\\s*=\\s*["']([^"']*)["']`).exec(tag)?.[1];
  if (namespace !== NAMESPACES.map) issues.push({ code: 'namespace', found: namespace, place: shell.root });
  const misnested = firstMisnesting(shell.text);
  if (misnested) issues.push({ code: 'misnested', ...misnested });
  return issues;
}

function ampersands(body: string, start: number): MapIssue[] {
  if (!body.includes('&') || body.includes('<![CDATA[')) return [];
  const issues: MapIssue[] = [];
  for (const match of body.matchAll(/&(?!(?:#x[0-9a-f]{1,6}|#\d{1,7}|amp|lt|gt|quot|apos);)([A-Za-z][\w.-]{0,30};)?/gi))
    issues.push({
      code: match[1] === undefined ? 'bare-ampersand' : 'unknown-entity',
      text: body.slice(match.index, match.index + 24),
      place: start + match.index,
    });
  return issues;
}

/** Addresses of plain characters, without a fragment. */
const SIMPLE = /^https?:\/\/[\w.\-~/?=&%+,;:@!$'()*]*$/;

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
  if (seen.has(loc)) wrong('loc-twice');
  seen.add(loc);
  if (lastmod !== undefined) {
    const time = known(lastmod);
    if (time === undefined) issues.push({ code: 'lastmod-bad', loc, value: lastmod, place });
    else if (time > now + DAY) issues.push({ code: 'lastmod-future', loc, value: lastmod, place });
  }
  if (changefreq !== undefined && !WORDS.includes(changefreq)) issues.push({ code: 'changefreq-bad', loc, value: changefreq, place });
  if (priority !== undefined && !/^(0(\.\d+)?|1(\.0+)?)$/.test(priority)) issues.push({ code: 'priority-bad', loc, value: priority, place });
  const bad = entry.images.find((image) => !isWhole(image));
  if (bad !== undefined) issues.push({ code: 'image-bad', loc, value: bad, place });
  const other = entry.alternates.find(({ lang, href }) => !isWhole(href) || !LANGUAGE.test(lang));
  if (other) issues.push({ code: 'alternate-bad', loc, value: `${other.lang} ${other.href}`, place });
  if (entry.images.length > SITEMAP_LIMITS.images) issues.push({ code: 'images-many', loc, count: entry.images.length, place });
  return issues;
}

/** A BCP 47 tag as far as its shape goes, or the word for all other languages. */
const LANGUAGE = /^(?:x-default|[a-z]{2,3}(?:-[a-z0-9]{2,8})*)$/i;
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
