import { keyed } from '../keyed/index.ts';
import { languageOf, type Language } from '../language/index.ts';
import { listOf, phraseMatrix, phrasesFrom, prepareTexts, textsOf, type PhraseRow, type Prepared } from '../phrases/index.ts';
import {
  addressOf,
  applyChange,
  descriptionLimits,
  effectiveDescription,
  effectiveShareTitle,
  effectiveTitle,
  formerHost,
  linkResolver,
  partValues,
  set,
  siteHost,
  titleLimits,
  type Kind,
  type PatternField,
  type SiteDocument,
  type SitePage,
} from '../site/index.ts';
import { percentDecoded, type PageId } from '../source/index.ts';
import { PARTS, suggestDescriptions, suggestTitles, writePattern, type Part, type Pattern } from '../titles/index.ts';
import type { PageRow } from '../rows/index.ts';
import type { Survey } from './survey.ts';

/** Pages that say the same, or nearly. */
export interface AlikeGroup {
  readonly field: 'title' | 'description';
  readonly how: 'same' | 'near';
  readonly pages: readonly string[];
}

/** Groups of pages alike in title or description, largest first; equal texts before near ones. */
export function alikeGroups(survey: Survey): AlikeGroup[] {
  const rows = new Map(survey.rows().map((row) => [row.id, row]));
  const groups: AlikeGroup[] = [];
  for (const [field, how, code] of [
    ['title', 'same', 'title-same'],
    ['description', 'same', 'description-same'],
    ['title', 'near', 'title-near'],
    ['description', 'near', 'description-near'],
  ] as const) {
    const seen = new Set<string>();
    for (const start of rows.keys()) {
      if (seen.has(start)) continue;
      const group = [start];
      seen.add(start);
      for (let at = 0; at < group.length; at++)
        for (const finding of rows.get(group[at] as string)?.findings ?? [])
          if (finding.code === code)
            for (const page of finding.pages)
              if (!seen.has(page) && rows.has(page)) {
                seen.add(page);
                group.push(page);
              }
      if (group.length > 1) groups.push({ field, how, pages: group });
    }
  }
  return groups.sort((a, b) => Number(a.how === 'near') - Number(b.how === 'near') || b.pages.length - a.pages.length);
}

/** A picture as it stands on a page. */
export interface PicturePlace {
  readonly page: PageId;
  /** Where its tag stands in the page's source: its key for changes. */
  readonly start: number;
  /** Path on the site; undefined where it comes from elsewhere. */
  readonly path: string | undefined;
  readonly src: string;
  /** As it stands in the file; null where there is none. */
  readonly was: string | null;
  /** As it will be. */
  readonly alt: string | null;
}

/** All pictures of all pages, in page order; those taken out of the accessibility tree are left out. */
export function picturePlaces(survey: Survey, document: SiteDocument): PicturePlace[] {
  const host = siteHost(document);
  const found: PicturePlace[] = [];
  for (const { page, source } of survey.sitePages()) {
    const resolve = linkResolver(source.base, addressOf(page.id), host, formerHost(document));
    page.facts.images.forEach((image, index) => {
      if (image.decorative || image.src === undefined) return;
      const path = resolve(image.src)?.replace(/[?#].*$/s, '');
      found.push({
        page: page.id,
        start: image.tag.start,
        path: path && percentDecoded(path).replace(/^\//, ''),
        src: image.src,
        was: source.images[index]?.alt ?? null,
        alt: image.alt ?? null,
      });
    });
  }
  return found;
}

/** The searches people make, against the pages that are to be found. */
export function phraseReport(survey: Survey, document: SiteDocument): PhraseRow[] {
  const wishes = document.tables.wishes[''] ?? {};
  const services = listOf(wishes.services);
  const made = phrasesFrom({ services, places: listOf(wishes.places), audiences: listOf(wishes.audiences) });
  const pages = [...survey.sitePages()]
    .filter(({ row }) => row.intent === 'list')
    .map(({ page, row }) => {
      const language = languageOf(page.facts.lang, document.tables.facts['']?.language);
      return { id: page.id, language, texts: preparedFor(row, page, language), target: row.phrase };
    });
  // Targets that no combination makes are searches too.
  const targets = pages.map((page) => page.target).filter((target) => target !== '' && !made.some((phrase) => phrase.toLowerCase() === target.toLowerCase()));
  return phraseMatrix([...made, ...new Set(targets)], pages, (phrase) => document.tables.worth[phrase]?.worth ?? 1, services);
}

const prepared = new WeakMap<PageRow, Prepared>();

/** A page's texts made ready; kept with its row, which is another one as soon as the page says something else. */
function preparedFor(row: PageRow, page: SitePage, language: Language): Prepared {
  const known = prepared.get(row);
  if (known) return known;
  const made = prepareTexts(textsOf(page.facts, row), language);
  prepared.set(row, made);
  return made;
}

/** What a pattern would do. */
export interface PatternPreview {
  /** Pages whose text changes: before and after. */
  readonly changes: readonly { readonly page: PageId; readonly before: string; readonly after: string }[];
  /** Pages of the kind that follow the pattern, and those that have the owner's own text. */
  readonly follow: number;
  readonly own: readonly string[];
  /** Pages of the kind that would say the same as another page that is to be found, with what they would say, most shared first; and how many do so now. */
  readonly same: readonly { readonly page: PageId; readonly text: string; readonly others: number }[];
  readonly sameNow: number;
  /** Three pages of the kind, spread over it, each with what every part gives. */
  readonly samples: readonly { readonly page: PageId; readonly text: string; readonly parts: Readonly<Record<Part, string>> }[];
}

const EFFECTIVE = { title: effectiveTitle, description: effectiveDescription, shareTitle: effectiveShareTitle } as const;

/** What a kind's pattern would make of its pages, told by the very functions that make it. `pattern` undefined: none, pages keep their own. */
export function patternPreview(survey: Survey, document: SiteDocument, kind: Kind, field: PatternField, pattern: Pattern | undefined): PatternPreview {
  const changed = applyChange(document, set('kinds', kind, field, pattern === undefined || pattern.length === 0 ? null : writePattern(pattern)));
  const pages = [...survey.sitePages()].filter(({ page }) => page.kind === kind && !page.isHome).map(({ page }) => page);
  const own = pages.filter((page) => typeof document.tables.pages[page.id]?.[field] === 'string');
  const changes = pages.flatMap((page) => {
    const before = EFFECTIVE[field](document, page).value;
    const after = EFFECTIVE[field](changed, page).value;
    return before === after ? [] : [{ page: page.id, before, after }];
  });
  const followers = pages.filter((page) => !own.includes(page));
  const shown = followers.length > 0 ? followers : pages;
  const samples = [...new Set([0, Math.floor(shown.length / 2), shown.length - 1])].flatMap((at) => {
    const page = shown[at];
    return page ? [{ page: page.id, text: EFFECTIVE[field](changed, page).value, parts: allParts(document, page) }] : [];
  });
  const same = sharedTexts(survey, (page) => EFFECTIVE[field](page.kind === kind ? changed : document, page).value).filter(({ page }) => page.kind === kind);
  const sameNow = sharedTexts(survey, (page) => EFFECTIVE[field](document, page).value).filter(({ page }) => page.kind === kind).length;
  return {
    changes,
    follow: followers.length,
    own: own.map((page) => page.id),
    same: same.map(({ page, text, others }) => ({ page: page.id, text, others })),
    sameNow,
    samples,
  };
}

/** Pages that are to be found and say what others of them say, most shared first. */
function sharedTexts(survey: Survey, textOf: (page: SitePage) => string): { readonly page: SitePage; readonly text: string; readonly others: number }[] {
  const byText = new Map<string, SitePage[]>();
  for (const { page, row } of survey.sitePages()) {
    const text = textOf(page);
    if (row.intent === 'list' && text !== '') byText.set(text, [...(byText.get(text) ?? []), page]);
  }
  return [...byText]
    .filter(([, pages]) => pages.length > 1)
    .sort(([, a], [, b]) => b.length - a.length)
    .flatMap(([text, pages]) => pages.map((page) => ({ page, text, others: pages.length - 1 })));
}

function allParts(document: SiteDocument, page: SitePage): Record<Part, string> {
  const values = partValues(document, page);
  return keyed(PARTS, values);
}

/**
 * The best sentences, or headings, of a page for a field, best first. `common` are its sentences that stand on many pages; `taken` tells of a text whether
 * another page has it already: what would make a duplicate is no suggestion.
 */
export function suggestionsFor(
  document: SiteDocument,
  page: SitePage,
  field: 'title' | 'description',
  { common = [], taken = () => false }: { readonly common?: readonly string[]; readonly taken?: (text: string) => boolean } = {},
): string[] {
  const site = document.tables.facts[''] ?? {};
  const [limit] = field === 'title' ? titleLimits(document) : descriptionLimits(document);
  const from = {
    facts: page.facts,
    language: languageOf(page.facts.lang, site.language),
    limit,
    current: EFFECTIVE[field](document, page).value,
    phrase: document.tables.pages[page.id]?.phrase ?? '',
    common,
  };
  const found = field === 'title' ? suggestTitles(from, { name: site.siteName ?? '', separator: site.separator ?? '|' }) : suggestDescriptions(from);
  return found.map((suggestion) => suggestion.text).filter((text) => !taken(text));
}

/** A text for a page that has none. */
export interface FilledIn {
  readonly page: PageId;
  readonly text: string;
}

/** Pages that are to be found and lack a text. */
export function pagesLacking(survey: Survey, field: 'title' | 'description'): { readonly page: SitePage; readonly row: PageRow }[] {
  return [...survey.sitePages()].filter(({ row }) => row.intent === 'list' && row[field] === '');
}

/**
 * For every page that lacks a text, the best suggestion, where the page gives one. It stops for a breath after each page, with what was found for it: it
 * takes a while on large sites, and whoever asks decides for how long at a time.
 */
export function* suggestionsForEmpty(
  survey: Survey,
  document: SiteDocument,
  field: 'title' | 'description',
  pages = pagesLacking(survey, field),
): Generator<FilledIn | undefined, void, void> {
  // What one page is given is taken for the next: no two get the same.
  const used = new Set(survey.rows().map((row) => row[field]));
  for (const { page } of pages) {
    const [text] = suggestionsFor(document, page, field, { common: survey.commonIn(page.facts), taken: (one) => used.has(one) });
    if (text !== undefined) used.add(text);
    yield text === undefined ? undefined : { page: page.id, text };
  }
}
