import { baseAddress, type PageFacts } from '../page/index.ts';
import type { Manifest, ReleasedFile } from '../release/index.ts';
import {
  addressOf,
  changedOn,
  formerHost,
  linkResolver,
  resolvePath,
  siteHost,
  siteOrigin,
  type Kind,
  type SiteDocument,
  type SitePage,
} from '../site/index.ts';
import { datesAreTrue, isLanguageTag, w3cDate, type Alternate, type SitemapEntry } from '../sitemap/index.ts';
import { plainAddress, type FilePath } from '../source/index.ts';

/** Where a page's date of change comes from: its content changed in a release, or will in the next; it says so itself; its file does; or nobody says. */
export type DateFrom = 'next-release' | 'release' | 'page' | 'file' | 'none';

/** A page's place in the map, and where its date comes from. */
export interface DatedEntry {
  readonly entry: SitemapEntry;
  readonly dateFrom: DateFrom;
}

/** A page as far as the map goes. */
export interface MappedPage {
  readonly site: SitePage;
  readonly source: PageFacts;
  readonly address: string;
  /** As it would go out now. */
  readonly out: ReleasedFile;
}

/** What entries are made from. */
export interface EntrySources {
  readonly document: SiteDocument;
  readonly manifest: Manifest | undefined;
  /** When a file was last written, as it was brought in. */
  readonly modified: (file: FilePath) => number | undefined;
  readonly hasFile: (path: string) => boolean;
  readonly now: number;
}

/** Edits that change what people read; a noindex or an address does not make a page newer. */
const CONTENT = new Set(['title', 'description', 'alt', 'passage']);
const contentOf = ({ hash, content, edits }: ReleasedFile): string =>
  JSON.stringify([
    content ?? hash,
    // Where in its source words stand is nothing that people read.
    edits.filter((edit) => CONTENT.has(edit.kind)).map((edit) => ('start' in edit ? { ...edit, start: 0 } : edit)),
  ]);

/** Whether a page's content as it would go out differs from what is out. */
export function contentChanged(now: ReleasedFile, before: ReleasedFile | undefined): boolean {
  if (before === undefined) return true;
  if (now.hash === before.hash && now.edits.length === 0 && before.edits.length === 0) return false;
  return contentOf(now) !== contentOf(before);
}

/** Whether dates from one source can be told: where nearly all pages have the same one, it is that of a build, and would change with each. */
export interface DateTrust {
  readonly files: boolean;
  readonly pages: boolean;
}

/** Looks at the dates of all pages together. */
export function trustDates(pages: readonly { readonly file: number | undefined; readonly said: number | undefined }[]): DateTrust {
  return { files: datesAreTrue(pages.map((page) => page.file)), pages: datesAreTrue(pages.map((page) => page.said)) };
}

const DAY = 86_400_000;

/** The date that a page says of itself, in milliseconds; undefined where it says none that a calendar has, or one that is to come. */
export function saidDate(facts: PageFacts, kind: Kind, now: number): number | undefined {
  const said = changedOn(facts, kind);
  const time = said === undefined ? NaN : Date.parse(said);
  return Number.isNaN(time) || time > now + DAY ? undefined : time;
}

/** Makes a page's entry: where it answers, when it changed, its pictures, and the pages that say the same in other languages. */
export function entryOf(page: MappedPage, sources: EntrySources, trust: DateTrust): DatedEntry {
  const { document } = sources;
  const settings = document.tables.sitemap[''] ?? {};
  const kind = document.tables.kinds[page.site.kind];
  const { time, from } = dateOf(page, sources, trust);
  const images = settings.pictures === false ? [] : picturesOf(page, sources);
  const alternates = settings.alternates === false ? [] : alternatesOf(page, siteOrigin(document));
  const entry: SitemapEntry = {
    loc: siteOrigin(document) + page.address,
    lastmod: time === undefined ? undefined : w3cDate(time),
    ...(images.length > 0 ? { images } : {}),
    ...(alternates.length > 0 ? { alternates } : {}),
    ...(settings.hints === true && kind?.changefreq ? { changefreq: kind.changefreq } : {}),
    ...(settings.hints === true && typeof kind?.priority === 'number' ? { priority: kind.priority } : {}),
  };
  return { entry, dateFrom: from };
}

function dateOf(page: MappedPage, { document, manifest, modified, now }: EntrySources, trust: DateTrust): { time: number | undefined; from: DateFrom } {
  const choice = document.tables.sitemap['']?.dates ?? 'best';
  const { id } = page.site;
  const said = trust.pages ? saidDate(page.source, page.site.kind, now) : undefined;
  const file = trust.files ? modified(id) : undefined;
  if (choice === 'none') return { time: undefined, from: 'none' };
  if (choice === 'visible') return { time: said, from: said === undefined ? 'none' : 'page' };
  if (choice === 'files') return { time: file, from: file === undefined ? 'none' : 'file' };
  // Without a release there is nothing to compare with; then only what page and file say can be true.
  if (manifest && contentChanged(page.out, manifest.files[id])) return { time: now, from: 'next-release' };
  const released = manifest?.changedAt[id];
  if (released !== undefined && (said === undefined || released >= said)) return { time: released, from: 'release' };
  if (said !== undefined) return { time: said, from: 'page' };
  return { time: file, from: file === undefined ? 'none' : 'file' };
}

function picturesOf({ site, source }: MappedPage, { document, hasFile }: EntrySources): string[] {
  const host = siteHost(document);
  const origin = siteOrigin(document);
  const resolve = linkResolver(source.base, addressOf(site.id), host, formerHost(document));
  const found = new Set<string>();
  for (const { src, alt, decorative } of site.facts.images) {
    // An empty alternative says that the picture is there for its looks alone.
    if (src === undefined || decorative || alt?.trim() === '') continue;
    const path = resolve(src);
    // Only pictures that are there: a map must not name what answers 404.
    if (path !== undefined && resolvePath(path, hasFile).kind === 'file') found.add(origin + path);
  }
  return [...found];
}

/** The pages that this one names as itself in other languages; a set that leaves the page itself out is made whole. */
function alternatesOf({ source, address }: MappedPage, origin: string): Alternate[] {
  const own = origin + address;
  const base = baseAddress(source, own);
  const found = source.linkTags.flatMap(({ inHead, rel, hreflang, href }) => {
    const whole = inHead && rel.includes('alternate') && href !== undefined && URL.canParse(href, base) ? plainAddress(new URL(href, base).href) : undefined;
    return whole !== undefined && hreflang !== undefined && isLanguageTag(hreflang) ? [{ lang: hreflang, href: whole }] : [];
  });
  const lang = source.lang?.trim();
  if (found.length === 0 || lang === undefined || !isLanguageTag(lang) || found.some((alternate) => alternate.href === plainAddress(own))) return found;
  return [{ lang, href: own }, ...found];
}
