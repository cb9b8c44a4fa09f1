import { SITEMAP_PAGE, sitemapPage, type Template } from '../release/index.ts';
import {
  authorOf,
  effectiveDescription,
  effectiveTitle,
  KIND_TABLE,
  KINDS,
  pageName,
  publishedOn,
  siteOrigin,
  withoutSiteName,
  type Kind,
  type SiteDocument,
} from '../site/index.ts';
import {
  ATOM_FILE,
  FEED_ENTRIES,
  hubAddress,
  mapStyle,
  PLAIN_STYLE_FILE,
  plainMapStyle,
  RSS_FILE,
  SITEMAP_FILE,
  SITEMAP_LIMITS,
  STYLE_FILE,
  writeAtom,
  writeMaps,
  writeRss,
  type FeedEntry,
  type MapFile,
  type SitemapEntry,
} from '../sitemap/index.ts';
import type { DatedEntry, MappedPage } from './entries.ts';

/** A page that stands in the map. */
export interface PlannedPage extends MappedPage, DatedEntry {}

/** Files that the program writes about the whole site: the maps, and what goes with them. */
export interface MapPlan {
  readonly maps: readonly MapFile[];
  /** Addresses that no map can hold. */
  readonly refused: readonly SitemapEntry[];
  /** All files with their text, by path; what ends in `.gz` is packed when it goes out. */
  readonly files: Readonly<Record<string, string>>;
  readonly feed: { readonly entries: number; readonly undated: number } | undefined;
}

/** Address paths of the maps that can lead to a page of this kind. */
export function mapsOf(kind: Kind): readonly string[] {
  return [`/${SITEMAP_FILE}`, `/sitemap-${KIND_TABLE[kind].map}.xml`];
}

/** Makes all files about the site as a whole from its settings. `pages` are those that belong in the map, in the order of their addresses. */
export function planMaps(
  document: SiteDocument,
  pages: readonly PlannedPage[],
  extras: readonly string[],
  template: Template | undefined,
  now: number,
): MapPlan {
  const settings = document.tables.sitemap[''] ?? {};
  const facts = document.tables.facts[''] ?? {};
  const origin = siteOrigin(document);
  const more = extras.map((loc): SitemapEntry => ({ loc, lastmod: undefined }));
  const groups =
    settings.by === 'one'
      ? [{ name: 'all', entries: [...pages.map((page) => page.entry), ...more] }]
      : [
          ...KINDS.map((kind) => ({ name: KIND_TABLE[kind].map, entries: pages.flatMap((page) => (page.site.kind === kind ? [page.entry] : [])) })),
          { name: 'more', entries: more },
        ].filter((group) => group.entries.length > 0);
  const styled = settings.style !== false;
  const { files: maps, refused } = writeMaps(groups, {
    origin,
    links: settings.links ?? SITEMAP_LIMITS.entries,
    styles: styled ? [`/${STYLE_FILE}`, `/${PLAIN_STYLE_FILE}`] : [],
  });
  const files: Record<string, string> = Object.fromEntries(maps.map(({ path, xml }) => [path, xml]));
  if (styled) {
    files[STYLE_FILE] = mapStyle(facts.siteName ?? origin, facts.language ?? undefined);
    files[PLAIN_STYLE_FILE] = plainMapStyle();
  }
  if (settings.gzip === true) for (const { path, xml } of maps) files[`${path}.gz`] = xml;
  if (settings.page === true) files[SITEMAP_PAGE] = humanPage(document, pages, template);
  const feed = settings.rss === true || settings.atom === true ? feedOf(document, pages, now) : undefined;
  // A feed without entries has no date of its own, and nothing to tell: none is written (RFC 4287, 4.2.15).
  if (feed && feed.entries.length > 0) {
    const head = {
      title: facts.siteName ?? origin,
      description: facts.description ?? facts.tagline ?? '',
      home: `${origin}/`,
      language: facts.language ?? undefined,
      author: facts.ownerName ?? facts.siteName ?? origin,
      hub: hubAddress(settings.hub),
    };
    if (settings.rss === true) files[RSS_FILE] = writeRss({ ...head, self: `${origin}/${RSS_FILE}` }, feed.entries);
    if (settings.atom === true) files[ATOM_FILE] = writeAtom({ ...head, self: `${origin}/${ATOM_FILE}` }, feed.entries);
  }
  return { maps, refused, files, feed: feed && { entries: Math.min(feed.entries.length, FEED_ENTRIES), undated: feed.undated } };
}

function feedOf(document: SiteDocument, pages: readonly PlannedPage[], now: number): { readonly entries: readonly FeedEntry[]; readonly undated: number } {
  const siteName = document.tables.facts['']?.siteName ?? '';
  const posts = pages.filter((page) => page.site.kind === 'post');
  const entries = posts.flatMap((page): FeedEntry[] => {
    const changed = page.entry.lastmod === undefined ? undefined : Date.parse(page.entry.lastmod);
    const said = Date.parse(publishedOn(page.source) ?? '');
    const published = Number.isNaN(said) || said > now ? changed : said;
    if (published === undefined) return [];
    return [
      {
        title: withoutSiteName(effectiveTitle(document, page.site).value, siteName) || pageName(page.site),
        address: page.entry.loc,
        description: effectiveDescription(document, page.site).value || (page.source.paragraphs[0] ?? ''),
        published,
        updated: Math.max(published, changed ?? published),
        author: authorOf(page.source),
      },
    ];
  });
  return { entries, undated: posts.length - entries.length };
}

/** The map for people, whether it is written or not. */
export function humanPage(document: SiteDocument, pages: readonly PlannedPage[], template: Template | undefined): string {
  const facts = document.tables.facts[''] ?? {};
  const name = facts.siteName ?? '';
  const sections = KINDS.map((kind) => ({
    name: KIND_TABLE[kind].map.replace(/^./, (letter) => letter.toUpperCase()),
    pages: pages.filter((page) => page.site.kind === kind).map((page) => ({ name: pageName(page.site), address: page.address })),
  })).filter((section) => section.pages.length > 0);
  return sitemapPage(
    template,
    {
      address: `${siteOrigin(document)}/${SITEMAP_PAGE}`,
      title: name === '' ? 'Sitemap' : `Sitemap ${facts.separator ?? '|'} ${name}`,
      heading: 'Sitemap',
      description: name === '' ? 'All pages of this site, by kind.' : `All pages of ${name}, by kind.`,
      language: facts.language ?? undefined,
    },
    sections.length === 1 ? sections.map((section) => ({ ...section, name: 'Pages' })) : sections,
  );
}
