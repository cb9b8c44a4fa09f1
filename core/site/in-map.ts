import { addressOf } from './addresses.ts';
import type { SiteDocument } from './document.ts';
import { effectiveIntent } from './intent.ts';
import { pathRules, ruleCatches, type SitePage } from './page.ts';

/** Whether the owner wants a page in the map, and who says so. */
export interface WantedInMap {
  readonly wanted: boolean;
  /** `intent`: nobody spoke of the map; what is to be listed stands in it, what is to stay out does not. */
  readonly from: 'page' | 'rule' | 'kind' | 'intent';
}

/** The page's own word, else the first rule's, else its kind's. A page that is to stay out never stands in the map: that would contradict itself. */
export function wantedInMap(document: SiteDocument, page: Pick<SitePage, 'id' | 'kind'>): WantedInMap {
  if (effectiveIntent(document, page.id, page.kind).intent !== 'list') return { wanted: false, from: 'intent' };
  const own = document.tables.pages[page.id]?.inMap;
  if (typeof own === 'boolean') return { wanted: own, from: 'page' };
  const rules = pathRules(document);
  const address = rules.length === 0 ? '' : addressOf(page.id);
  for (const rule of rules) {
    const ruled = document.tables.rules[rule.id]?.inMap;
    if (typeof ruled === 'boolean' && ruleCatches(rule, address)) return { wanted: ruled, from: 'rule' };
  }
  const kind = document.tables.kinds[page.kind]?.inMap;
  return typeof kind === 'boolean' ? { wanted: kind, from: 'kind' } : { wanted: true, from: 'intent' };
}
