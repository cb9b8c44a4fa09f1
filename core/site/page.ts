import type { PageId, RuleId, AddressPath } from '../source/index.ts';
import { documentTitle, mainHeading, type PageFacts } from '../page/index.ts';
import type { SiteDocument } from './document.ts';
import { ARCHIVES, type Kind } from './kinds.ts';
import { addressOf } from './addresses.ts';
import type { PathMatch } from './path-match.ts';

/** A page of the site as every computation about it takes it: which file it is, what it is for, what was read of it. */
export interface SitePage {
  readonly id: PageId;
  readonly kind: Kind;
  readonly isHome: boolean;
  readonly facts: PageFacts;
  /** What it is called, where its heading does not tell it apart from other pages. */
  readonly ownName?: string | undefined;
}

/** One rule that gives pages their kind. */
export interface KindRule {
  readonly id: RuleId;
  readonly path: string;
  readonly match: PathMatch;
  readonly kind: Kind;
  /** Whether archives are meant too. */
  readonly archives: boolean;
}

/** A rule for many pages, as far as it says which ones. */
export type PathRule = Omit<KindRule, 'kind'> & { readonly kind: Kind | undefined };

const known = new WeakMap<object, readonly PathRule[]>();

/** The owner's rules in the order in which they are asked; half-made ones are left out. */
export function pathRules(document: SiteDocument): readonly PathRule[] {
  const { rules } = document.tables;
  const made =
    known.get(rules) ??
    Object.entries(rules)
      .sort(([, a], [, b]) => (a.order ?? 0) - (b.order ?? 0))
      .flatMap(([id, { path, match, kind, archives }]) =>
        path ? [{ id, path, match: match ?? 'below', kind: kind ?? undefined, archives: archives === true }] : [],
      );
  known.set(rules, made);
  return made;
}

/** Of these, the ones that give pages a kind. */
export function kindRules(document: SiteDocument): readonly KindRule[] {
  return pathRules(document).filter((rule): rule is KindRule => rule.kind !== undefined);
}

/** Whether a rule catches an address path: letters count in either case, but for one address alone. "Below" catches what lies in a folder, not the folder's own page. */
export function ruleCatches(rule: Pick<KindRule, 'path' | 'match'>, address: AddressPath): boolean {
  const low = address.toLowerCase();
  const path = rule.path.trim().toLowerCase();
  if (path === '') return false;
  if (rule.match === 'is') return address === rule.path.trim();
  if (rule.match === 'contains') return low.includes(path);
  if (rule.match === 'ends') return low.endsWith(path);
  const folder = `/${path.replace(/^\/+|\/+$/g, '')}/`.replace(/^\/\/$/, '/');
  return low.startsWith(folder) && low.length > folder.length;
}

/** Whether a rule for kinds leaves a page alone: a list of pages below a folder of posts is no post, unless the owner says that it is. */
export function spares(rule: Pick<KindRule, 'kind' | 'archives'>, guess: Kind): boolean {
  return ARCHIVES.includes(guess) && !ARCHIVES.includes(rule.kind) && !rule.archives;
}

/** What a page is for, and who says so: the owner for this page, one of their rules, or a guess from its address, its markup and the site's feeds. */
export function kindOf(
  document: SiteDocument,
  id: PageId,
  guess: Kind,
): { readonly kind: Kind; readonly from: 'owner' | 'rule' | 'guess'; readonly rule?: KindRule } {
  const own = document.tables.pages[id]?.kind;
  if (own) return { kind: own, from: 'owner' };
  const rules = kindRules(document);
  const address = rules.length === 0 ? '' : addressOf(id);
  const rule = rules.find((one) => ruleCatches(one, address) && !spares(one, guess));
  return rule ? { kind: rule.kind, from: 'rule', rule } : { kind: guess, from: 'guess' };
}

/** What a page is called: its main heading where that tells it apart, else its own title, else the end of its address. */
export function pageName(page: Pick<SitePage, 'id' | 'isHome' | 'facts' | 'ownName'>): string {
  if (page.isHome) return 'Home';
  if (page.ownName !== undefined) return page.ownName;
  const heading = mainHeading(page.facts) ?? documentTitle(page.facts)?.text;
  return heading || addressOf(page.id).split('/').filter(Boolean).pop() || page.id;
}
