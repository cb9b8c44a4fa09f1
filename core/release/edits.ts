import { holds, type PageEdit, type PageFacts } from '../page/index.ts';
import { effectiveDescription, effectiveNoindex, effectiveTitle, type Kind, type SiteDocument } from '../site/index.ts';
import { identityGraph } from '../structured-data/index.ts';

/** What has to be written into a page so that it says what it is meant to say. Empty where the page says it all already. */
export function editsFor(
  document: SiteDocument,
  page: { readonly id: string; readonly kind: Kind; readonly isHome: boolean; readonly facts: PageFacts },
): PageEdit[] {
  const { id, kind, facts } = page;
  const edits: PageEdit[] = [];
  const title = effectiveTitle(document, id, facts);
  if (title.from === 'owner') edits.push({ kind: 'title', text: title.value });
  const description = effectiveDescription(document, id, facts);
  if (description.from === 'owner') edits.push({ kind: 'description', text: description.value });
  const { noindex, from } = effectiveNoindex(document, id, kind, facts);
  if (from !== 'page') edits.push({ kind: 'noindex', on: noindex });
  if (page.isHome) {
    for (const claim of Object.values(document.tables.claims))
      if (claim.name && claim.content) edits.push({ kind: 'meta', name: claim.name, content: claim.content });
    const graph = identityGraph(document);
    if (graph) edits.push({ kind: 'json-ld', graph });
  }
  return edits.filter((edit) => !holds(facts, edit));
}
