import { collapse, documentTitle, metaDescription, type PageFacts } from '../page/index.ts';
import { readPattern, renderPattern } from '../titles/index.ts';
import type { SiteDocument } from './document.ts';
import type { RecordOf } from './tables.ts';
import type { SitePage } from './page.ts';
import { partValues } from './parts.ts';

/** A value and where it comes from: the owner's word for this page, its kind's pattern, the page itself, or nowhere. */
export interface Effective {
  readonly value: string;
  readonly from: 'owner' | 'pattern' | 'page' | 'none';
}

/** Fields that a pattern can fill. */
export type PatternField = 'title' | 'description' | 'shareTitle';

/** What a page's title will be. White space is made single, as engines and browsers do. */
export function effectiveTitle(document: SiteDocument, page: SitePage): Effective {
  return choose(document, page, 'title', documentTitle(page.facts)?.text);
}

/** What a page's meta description will be. */
export function effectiveDescription(document: SiteDocument, page: SitePage): Effective {
  const meta = metaDescription(page.facts);
  return choose(document, page, 'description', meta && (meta.content ?? '').trim());
}

/** The title on the card that a shared link shows; where nobody says one, readers of the card take the page's title. */
export function effectiveShareTitle(document: SiteDocument, page: SitePage): Effective {
  return choose(document, page, 'shareTitle', property(page.facts, 'og:title'));
}

/** The text on that card. */
export function effectiveShareText(document: SiteDocument, page: SitePage): Effective {
  return own(document.tables.pages[page.id]?.shareText, property(page.facts, 'og:description'));
}

/** The picture on that card: a path or an address. The site's own picture stands in where a page has none. */
export function effectiveSharePicture(document: SiteDocument, page: SitePage): Effective & { readonly fallback: boolean } {
  const picture = own(document.tables.pages[page.id]?.sharePicture, property(page.facts, 'og:image'));
  const site = document.tables.facts['']?.sharePicture;
  if (picture.from !== 'none' || !site) return { ...picture, fallback: false };
  return { value: site, from: 'owner', fallback: true };
}

/** The keywords of a page: its own, else the site's. Hardly any engine reads them. */
export function effectiveKeywords(document: SiteDocument, page: SitePage): Effective {
  const meta = page.facts.metas.find((one) => one.inHead && one.name === 'keywords')?.content?.trim();
  const found = own(document.tables.pages[page.id]?.keywords, meta);
  const site = document.tables.facts['']?.keywords;
  return found.from === 'none' && site && page.isHome ? { value: site, from: 'owner' } : found;
}

function property(facts: PageFacts, name: string): string | undefined {
  return facts.metas.find((meta) => meta.inHead && meta.property === name)?.content?.trim();
}

/** The pattern that a page follows for a field, as it is kept. The home page follows none: it is one of a kind. */
export function patternFor(document: SiteDocument, page: Pick<SitePage, 'kind' | 'isHome'>, field: PatternField): string | undefined {
  return page.isHome ? undefined : (document.tables.kinds[page.kind]?.[field] ?? undefined);
}

/** What a field would be without the owner's own word for this page: what "back to the pattern" brings. */
export function withoutOwn(document: SiteDocument, page: SitePage, field: keyof RecordOf<'pages'> & string): SiteDocument {
  const record = { ...document.tables.pages[page.id] };
  delete record[field];
  return { ...document, tables: { ...document.tables, pages: { ...document.tables.pages, [page.id]: record } } };
}

function choose(document: SiteDocument, page: SitePage, field: PatternField, said: string | undefined): Effective {
  const owner = document.tables.pages[page.id]?.[field];
  if (owner === null || owner === undefined) {
    const pattern = readPattern(patternFor(document, page, field));
    const made = pattern && renderPattern(pattern, partValues(document, page));
    // A pattern of which nothing is left on this page does not take away what the page says.
    if (made) return { value: made, from: 'pattern' };
  }
  return own(owner, said);
}

function own(owner: string | null | undefined, said: string | undefined): Effective {
  if (owner !== null && owner !== undefined) return { value: collapse(owner), from: 'owner' };
  return said === undefined || said === '' ? { value: '', from: 'none' } : { value: said, from: 'page' };
}
