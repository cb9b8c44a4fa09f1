import type { CheckedMeaning, WordsInput } from '../checks/index.ts';
import { languageOf, type Language, type TextMeasure } from '../language/index.ts';
import { coverageOf, textsOf } from '../phrases/index.ts';
import {
  descriptionLimit,
  effectiveDescription,
  effectiveIntent,
  effectiveKeywords,
  effectiveNoindex,
  effectiveTitle,
  siteHost,
  titleLimit,
  type Effective,
  type SiteDocument,
  type SitePage,
} from '../site/index.ts';
import { ignoredCodes } from './ignored.ts';

/** What checks are told besides the page itself. */
export interface CheckedAmong {
  /** Path at which the page answers. */
  readonly address: string;
  /** How it reads; undefined until it was measured. */
  readonly measure: TextMeasure | undefined;
  /** Its structured data: what is written, and what it came with; undefined where nothing is known of it. */
  readonly meaning?: CheckedMeaning | undefined;
  /** What other pages say and how they link. */
  readonly site: Omit<WordsInput['site'], 'host'>;
  /** Title and description where they were made already. */
  readonly words?: { readonly title: Effective; readonly description: Effective };
}

/** What checks look at, made in this one place: for the survey, and for the page that is being written at each key. */
export function checkInput(document: SiteDocument, page: SitePage, { address, measure, meaning, site, words }: CheckedAmong): WordsInput {
  const title = words?.title ?? effectiveTitle(document, page);
  const description = words?.description ?? effectiveDescription(document, page);
  const text = document.tables.pages[page.id]?.phrase ?? '';
  const said = { title: title.value, description: description.value, address };
  return {
    id: page.id,
    facts: page.facts,
    title,
    description,
    keywords: effectiveKeywords(document, page).value,
    intent: effectiveIntent(document, page.id, page.kind),
    noindex: effectiveNoindex(document, page).noindex,
    isHome: page.isHome,
    limits: { title: titleLimit(document), description: descriptionLimit(document) },
    phrase: text === '' ? undefined : { text, coverage: coverageOf(text, textsOf(page.facts, said), languageIn(document, page)) },
    measure,
    meaning,
    care: document.tables.care['']?.wording === true,
    ignored: ignoredCodes(document, page.id),
    site: { host: siteHost(document), ...site },
  };
}

/** The language of a page's words: its own, else the site's. */
export function languageIn(document: SiteDocument, page: SitePage): Language {
  return languageOf(page.facts.lang, document.tables.facts['']?.language);
}
