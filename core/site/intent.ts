import type { CrawlerToken, PageId, RuleId } from '../source/index.ts';
import { indexDirectives, robotsMetas, type DirectivesEdit, type NoindexEdit } from '../page/index.ts';
import { addressOf } from './addresses.ts';
import type { SiteDocument } from './document.ts';
import { KIND_TABLE, type Intent, type Kind } from './kinds.ts';
import { isOpen } from './origin.ts';
import type { SitePage } from './page.ts';
import { directiveEdits, EVERY_CRAWLER, hasDirectiveRules, directiveRules, directivesOf } from './directives.ts';

/** What the owner wants of a page, and who says so. */
export interface EffectiveIntent {
  readonly intent: Intent;
  readonly from: 'page' | 'rule' | 'kind' | 'default';
  /** The rule that decided. */
  readonly rule?: RuleId | undefined;
}

/** Intent of a kind: the owner's word or a good practitioner's default. */
export function kindIntent(document: SiteDocument, kind: Kind): EffectiveIntent {
  const own = document.tables.kinds[kind]?.intent;
  return own ? { intent: own, from: 'kind' } : { intent: KIND_TABLE[kind].intent, from: 'default' };
}

/** Intent of a page: its own, else the first rule's that catches it, else its kind's. */
export function effectiveIntent(document: SiteDocument, page: PageId, kind: Kind): EffectiveIntent {
  const own = document.tables.pages[page]?.intent;
  if (own) return { intent: own, from: 'page' };
  const ruled = ruledIntent(document, page, EVERY_CRAWLER);
  if (ruled) return ruled;
  const byKind = kindIntent(document, kind);
  // The page that a host shows for what is not there is no page to be found.
  return byKind.from === 'default' && /(^|\/)404\.html?$/.test(page) ? { intent: 'out', from: 'default' } : byKind;
}

/**
 * Intent of a page for one crawler. Directives only ever add up, so a word for one crawler can keep a page from it, but not open to it what is shut to
 * all.
 */
export function crawlerIntent(document: SiteDocument, page: PageId, kind: Kind, crawler: CrawlerToken): EffectiveIntent {
  const general = effectiveIntent(document, page, kind);
  if (general.intent === 'out') return general;
  return keptFrom(document, page, kind, crawler) ?? general;
}

/** The word that keeps a page from one crawler, spoken to that one; undefined where there is none. */
function keptFrom(document: SiteDocument, page: PageId, kind: Kind, crawler: CrawlerToken): EffectiveIntent | undefined {
  const own = directivesOf(document, `page:${page}`, crawler)?.intent;
  if (own) return own === 'out' ? { intent: own, from: 'page' } : undefined;
  const ruled = ruledIntent(document, page, crawler);
  if (ruled) return ruled.intent === 'out' ? ruled : undefined;
  return directivesOf(document, `kind:${kind}`, crawler)?.intent === 'out' || directivesOf(document, 'site', crawler)?.intent === 'out'
    ? { intent: 'out', from: 'kind' }
    : undefined;
}

function ruledIntent(document: SiteDocument, page: PageId, crawler: CrawlerToken): EffectiveIntent | undefined {
  if (!hasDirectiveRules(document)) return undefined;
  for (const { id } of directiveRules(document, addressOf(page))) {
    const intent = directivesOf(document, `rule:${id}`, crawler)?.intent;
    if (intent) return { intent, from: 'rule', rule: id };
  }
  return undefined;
}

/**
 * Whether the released page will say noindex to all, and why. The owner's word (for the page, by a rule, or for its kind) is written into the page;
 * where nobody said anything the page keeps what it says, so that a site brought in is not changed behind its owner's back.
 */
export function effectiveNoindex(
  document: SiteDocument,
  page: Pick<SitePage, 'id' | 'kind' | 'facts'>,
): { noindex: boolean; from: 'switch' | 'owner' | 'page' } {
  if (!isOpen(document)) return { noindex: true, from: 'switch' };
  const { intent, from } = effectiveIntent(document, page.id, page.kind);
  if (from !== 'default') return { noindex: intent === 'out', from: 'owner' };
  return { noindex: robotsMetas(page.facts).some((meta) => indexDirectives(meta.content ?? '').noindex), from: 'page' };
}

/** What has to be said in a page's robots metas, to all crawlers and to single ones. */
export function robotsEdits(document: SiteDocument, page: Pick<SitePage, 'id' | 'kind' | 'facts'>): (NoindexEdit | DirectivesEdit)[] {
  const { noindex, from } = effectiveNoindex(document, page);
  return [
    ...(from === 'page' ? [] : [{ kind: 'noindex' as const, on: noindex }]),
    ...directiveEdits(document, page, (crawler) => keptFrom(document, page.id, page.kind, crawler) !== undefined),
  ];
}
