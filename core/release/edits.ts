import { holds, type AddressesEdit, type PageEdit, type PageFacts, type WrittenGraph } from '../page/index.ts';
import {
  altsOf,
  claimsOf,
  effectiveAddress,
  effectiveDescription,
  effectiveKeywords,
  effectiveSharePicture,
  effectiveShareText,
  effectiveShareTitle,
  effectiveTitle,
  passagesOf,
  moves,
  patternFor,
  robotsEdits,
  needsCharset,
  siteOrigin,
  snippetEdits,
  type Effective,
  type SetLink,
  type SiteDocument,
  type SitePage,
} from '../site/index.ts';

/**
 * What has to be written into a page so that it says what it is meant to say. Empty where the page says it all already. `source` are the facts of the
 * file as it was brought in; `addresses` tells which addresses of the site moved, as far as this page names them; `markup` is what the page is to say in
 * structured data, and which of its own is to go.
 */
export function editsFor(document: SiteDocument, page: SitePage, source: PageFacts, addresses?: AddressesEdit, markup?: MarkupEdits): PageEdit[] {
  const edits: PageEdit[] = [];
  if (needsCharset(document, source)) edits.push({ kind: 'charset' });
  const own = document.tables.pages[page.id];
  if (own?.lang) edits.push({ kind: 'lang', lang: own.lang });
  if (own?.oneHeading === true) edits.push({ kind: 'one-heading' });
  const title = effectiveTitle(document, page);
  if (own?.oneTitle === true) edits.push({ kind: 'one-title', text: title.value });
  else if (isOurs(title)) edits.push({ kind: 'title', text: title.value });
  const description = effectiveDescription(document, page);
  if (isOurs(description)) edits.push({ kind: 'description', text: description.value });
  const keywords = effectiveKeywords(document, page);
  if (keywords.from === 'owner') edits.push({ kind: 'meta', name: 'keywords', content: keywords.value });
  edits.push(...shareEdits(document, page));
  edits.push(...robotsEdits(document, page));
  if (own?.canonical === 'self') edits.push({ kind: 'canonical', href: siteOrigin(document) + effectiveAddress(document, page.id) });
  if (own?.refresh === 'none') edits.push({ kind: 'no-refresh' });
  if (page.isHome) {
    edits.push(...proofEdits(document, source));
  }
  if (markup?.without) edits.push({ kind: 'no-markup' });
  if (markup?.graph) edits.push({ kind: 'json-ld', graph: markup.graph });
  for (const { start, was, now } of altsOf(document, page.id)) edits.push({ kind: 'alt', start, was, now });
  for (const { start, was, now, links } of passagesOf(document, page.id))
    edits.push({ kind: 'passage', start, was, now, links: links.length === 0 ? links : followed(links, document) });
  edits.push(...snippetEdits(document, page));
  if (addresses) edits.push(addresses);
  // What the page says already in a block that goes has to be said again.
  return edits.filter((edit) => (edit.kind === 'json-ld' && markup?.without === true) || !holds(source, edit));
}

/** The tags that prove ownership. A second one of a name, placed or the page's own, takes nothing from the first: each may be another person's. */
function proofEdits(document: SiteDocument, source: PageFacts): PageEdit[] {
  const tags = claimsOf(document).filter(({ kind }) => kind === 'tag');
  return tags.map(({ name, content }) => {
    const isOther = (one: string | undefined, said: string | undefined): boolean => one?.toLowerCase() === name.toLowerCase() && said !== content;
    const others = tags.some((one) => isOther(one.name, one.content)) || source.metas.some((meta) => meta.inHead && isOther(meta.name, meta.content));
    return { kind: 'meta', name, content, ...(others ? { beside: true as const } : {}) };
  });
}

/** What becomes of a page's structured data. */
export interface MarkupEdits {
  readonly graph: WrittenGraph | undefined;
  /** The structured data that the page came with is taken out. */
  readonly without: boolean;
}

const isOurs = ({ from }: Effective): boolean => from === 'owner' || from === 'pattern';

/** The card of a shared link: only what the owner said is written; programs that draw cards take title and description where nothing is said. */
function shareEdits(document: SiteDocument, page: SitePage): PageEdit[] {
  const own = document.tables.pages[page.id];
  const said = own?.shareTitle ?? own?.shareText ?? own?.sharePicture ?? patternFor(document, page, 'shareTitle') ?? document.tables.facts['']?.sharePicture;
  if (said === null || said === undefined) return [];
  const edits: PageEdit[] = [];
  const title = effectiveShareTitle(document, page);
  if (isOurs(title)) edits.push({ kind: 'property', property: 'og:title', content: title.value });
  const text = effectiveShareText(document, page);
  if (isOurs(text)) edits.push({ kind: 'property', property: 'og:description', content: text.value });
  const picture = effectiveSharePicture(document, page);
  if (isOurs(picture) && picture.value !== '') edits.push({ kind: 'property', property: 'og:image', content: absolute(picture.value, siteOrigin(document)) });
  return edits;
}

function absolute(address: string, origin: string): string {
  return URL.canParse(address, `${origin}/`) ? new URL(address, `${origin}/`).href : address;
}

/** Links that were set here lead to where pages stand now. */
function followed(links: readonly SetLink[], document: SiteDocument): SetLink[] {
  const goes = new Map(moves(document).map(({ from, to }) => [from, to]));
  return links.map((link) => ({ ...link, href: goes.get(link.href) ?? link.href }));
}
