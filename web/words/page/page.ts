import { useMemo } from 'react';
import { checkWords, type Finding } from '../../../core/checks/index.ts';
import type { TextMeasure } from '../../../core/language/index.ts';
import type { PageFacts } from '../../../core/page/index.ts';
import { checkInput, type PageRow } from '../../../core/rows/index.ts';
import { effectiveFacts, type SiteDocument, type SitePage } from '../../../core/site/index.ts';
import { suggestionsFor } from '../../../core/survey/index.ts';
import { useWorkspaceApi } from '../../workspace/index.ts';

/** A page as computations take it, from its row and the facts of its file. */
export function useSitePage(row: PageRow, source: PageFacts, document: SiteDocument): SitePage {
  const { passages, alts } = document.tables;
  // Facts are as they will be: made anew only when the page's own words change, not at each key in its title.
  // eslint-disable-next-line react-hooks/exhaustive-deps
  const facts = useMemo(() => effectiveFacts(document, row.id, source), [passages, alts, row.id, source]);
  return useMemo(
    () => ({ id: row.id, kind: row.kind, isHome: row.address === '/', facts, ownName: row.ownName }),
    [row.id, row.kind, row.address, row.ownName, facts],
  );
}

/** The findings about words of one page, made here and now at each key; what concerns other pages comes from the survey a moment later. */
export function liveFindings(row: PageRow, page: SitePage, document: SiteDocument, measure: TextMeasure | undefined): Finding[] {
  const others = (code: Finding['code']): readonly string[] =>
    row.findings.flatMap((finding) => (finding.code === code && 'pages' in finding ? finding.pages : []));
  return checkWords(
    checkInput(document, page, {
      address: row.address,
      measure,
      site: {
        sameAddress: others('address-taken'),
        sameTitle: others('title-same'),
        sameDescription: others('description-same'),
        nearTitle: others('title-near'),
        nearDescription: others('description-near'),
        copyOf: others('name-number'),
        samePhrase: others('phrase-fought'),
        broken: row.broken,
        linksIn: row.linksIn,
        spelledAs: row.spelledAs,
      },
    }),
  );
}

/** Suggestions for a field; made anew when the page or what they hang on changes, not at each key. */
export function useSuggestions(page: SitePage, document: SiteDocument, field: 'title' | 'description', common: readonly string[]): readonly string[] {
  const workspace = useWorkspaceApi();
  const phrase = document.tables.pages[page.id]?.phrase;
  const facts = document.tables.facts[''];
  const limits = document.tables.limits;
  return useMemo(
    () => suggestionsFor(document, page, field, { common, taken: (text) => workspace.state.rows.some((row) => row.id !== page.id && row[field] === text) }),
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [page, field, phrase, facts, limits, common],
  );
}
