import { documentTitle, metaDescription, robotsMetas, indexDirectives, type PageFacts } from '../page/index.ts';
import type { SiteDocument } from './document.ts';
import { KIND_INTENTS, type Intent, type Kind } from './kinds.ts';

/** A value and where it comes from: the owner's word for this page, the page itself, or nowhere. */
export interface Effective {
  readonly value: string;
  readonly from: 'owner' | 'page' | 'none';
}

/** What a page's title will be. White space is made single, as engines and browsers do. */
export function effectiveTitle(document: SiteDocument, page: string, facts: PageFacts): Effective {
  return choose(document.tables.pages[page]?.title, documentTitle(facts)?.text);
}

/** What a page's meta description will be. */
export function effectiveDescription(document: SiteDocument, page: string, facts: PageFacts): Effective {
  const meta = metaDescription(facts);
  return choose(document.tables.pages[page]?.description, meta && (meta.content ?? '').trim());
}

function choose(owner: string | null | undefined, own: string | undefined): Effective {
  if (owner !== null && owner !== undefined) return { value: owner.replace(/\s+/g, ' ').trim(), from: 'owner' };
  return own === undefined || own === '' ? { value: '', from: 'none' } : { value: own, from: 'page' };
}

/** What the owner wants of a page, and who says so. */
export interface EffectiveIntent {
  readonly intent: Intent;
  readonly from: 'page' | 'kind' | 'default';
}

/** Intent of a kind: the owner's word or a good practitioner's default. */
export function kindIntent(document: SiteDocument, kind: Kind): EffectiveIntent {
  const own = document.tables.kinds[kind]?.intent;
  return own ? { intent: own, from: 'kind' } : { intent: KIND_INTENTS[kind], from: 'default' };
}

/** Intent of a page: its own, else its kind's. */
export function effectiveIntent(document: SiteDocument, page: string, kind: Kind): EffectiveIntent {
  const own = document.tables.pages[page]?.intent;
  return own ? { intent: own, from: 'page' } : kindIntent(document, kind);
}

/** Whether the whole site is open to engines; it is, unless the switch was turned off. */
export function isOpen(document: SiteDocument): boolean {
  return document.tables.doors['']?.open !== false;
}

/**
 * Whether the released page will say noindex, and why. The owner's word (for the page, or for its kind) is written into the page; where nobody
 * said anything the page keeps what it says, so that a site brought in is not changed behind its owner's back.
 */
export function effectiveNoindex(document: SiteDocument, page: string, kind: Kind, facts: PageFacts): { noindex: boolean; from: 'doors' | 'owner' | 'page' } {
  if (!isOpen(document)) return { noindex: true, from: 'doors' };
  const { intent, from } = effectiveIntent(document, page, kind);
  if (from !== 'default') return { noindex: intent === 'out', from: 'owner' };
  return { noindex: robotsMetas(facts).some((meta) => indexDirectives(meta.content ?? '').noindex), from: 'page' };
}

/** Scheme and host of the site; a placeholder under the reserved `.example` where the owner has not said. */
export function siteOrigin(document: SiteDocument): string {
  return document.tables.facts['']?.mainAddress ?? 'https://your-site.example';
}

/** Host (and port) of the site. */
export function siteHost(document: SiteDocument): string {
  return siteOrigin(document).replace(/^https?:\/\//, '');
}
