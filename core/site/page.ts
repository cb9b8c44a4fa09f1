import { documentTitle, type PageFacts } from '../page/index.ts';
import type { SiteDocument } from './document.ts';
import type { Kind } from './kinds.ts';
import { addressOf } from './addresses.ts';

/** A page of the site as every computation about it takes it: which file it is, what it is for, what was read of it. */
export interface SitePage {
  /** Path of its file. */
  readonly id: string;
  readonly kind: Kind;
  readonly isHome: boolean;
  readonly facts: PageFacts;
}

/** One rule that gives pages their kind. */
export interface KindRule {
  readonly id: string;
  readonly path: string;
  readonly match: 'below' | 'contains' | 'ends';
  readonly kind: Kind;
}

const known = new WeakMap<object, readonly KindRule[]>();

/** The owner's rules in the order in which they are asked; half-made ones are left out. */
export function kindRules(document: SiteDocument): readonly KindRule[] {
  const { rules } = document.tables;
  const made =
    known.get(rules) ??
    Object.entries(rules)
      .sort(([, a], [, b]) => (a.order ?? 0) - (b.order ?? 0))
      .flatMap(([id, { path, match, kind }]) => (path && kind ? [{ id, path, match: match ?? 'below', kind }] : []));
  known.set(rules, made);
  return made;
}

/** Whether a rule catches an address path. "Below" catches what lies in a folder, not the folder's own page. */
export function ruleCatches(rule: Pick<KindRule, 'path' | 'match'>, address: string): boolean {
  const low = address.toLowerCase();
  const path = rule.path.trim().toLowerCase();
  if (path === '') return false;
  if (rule.match === 'contains') return low.includes(path);
  if (rule.match === 'ends') return low.endsWith(path);
  const folder = `/${path.replace(/^\/+|\/+$/g, '')}/`.replace(/^\/\/$/, '/');
  return low.startsWith(folder) && low.length > folder.length;
}

/** What a page is for, and who says so: the owner for this page, one of their rules, or a guess from its address, its markup and the site's feeds. */
export function kindOf(
  document: SiteDocument,
  id: string,
  guess: Kind,
): { readonly kind: Kind; readonly from: 'owner' | 'rule' | 'guess'; readonly rule?: KindRule } {
  const own = document.tables.pages[id]?.kind;
  if (own) return { kind: own, from: 'owner' };
  const address = addressOf(id);
  const rule = kindRules(document).find((one) => ruleCatches(one, address));
  return rule ? { kind: rule.kind, from: 'rule', rule } : { kind: guess, from: 'guess' };
}

/** What a page is called: its main heading, else its title's first part, else the end of its address. */
export function pageName(page: Pick<SitePage, 'id' | 'isHome' | 'facts'>): string {
  if (page.isHome) return 'Home';
  const heading = page.facts.headings.find((one) => one.level === 1 && one.text !== '')?.text ?? documentTitle(page.facts)?.text;
  return heading || addressOf(page.id).split('/').filter(Boolean).pop() || page.id;
}
