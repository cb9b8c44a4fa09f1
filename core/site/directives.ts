import type { CrawlerToken, RuleId, AddressPath } from '../source/index.ts';
import type { DirectiveFamily, DirectivesEdit } from '../page/index.ts';
import { addressOf } from './addresses.ts';
import type { SiteDocument } from './document.ts';
import type { RecordOf } from './tables.ts';
import { isOpen } from './origin.ts';
import type { SitePage } from './page.ts';
import { pathRules, ruleCatches, type PathRule } from './page.ts';

/** The crawler that stands for all. */
export const EVERY_CRAWLER = '*';

/** What can be said of a page besides whether it is listed. */
export const DIRECTIVE_FIELDS = ['follow', 'snippet', 'image', 'video', 'archive', 'translate', 'pictures', 'until'] as const;
export type DirectiveField = (typeof DIRECTIVE_FIELDS)[number];
export type PageDirectives = RecordOf<'directives'>;

/** A word of the owner and where it was said. */
export interface DirectiveValue {
  readonly value: string | number;
  readonly from: 'page' | 'rule' | 'kind' | 'site';
  readonly rule?: RuleId | undefined;
}

/** The key of what is said for a scope and a crawler. */
export function directivesKey(scope: string, crawler = EVERY_CRAWLER): string {
  return `${scope}\n${crawler}`;
}

/** What is said for a scope and a crawler. */
export function directivesOf(document: SiteDocument, scope: string, crawler = EVERY_CRAWLER): PageDirectives | undefined {
  return document.tables.directives[directivesKey(scope, crawler)];
}

interface Saying {
  readonly crawlers: readonly string[];
  readonly rules: ReadonlySet<string>;
}
const NO_SAYING: Saying = { crawlers: [], rules: new Set() };
const known = new WeakMap<object, Saying>();

function sayingOf({ tables: { directives } }: SiteDocument): Saying {
  const keys = Object.keys(directives);
  if (keys.length === 0) return NO_SAYING;
  const made = known.get(directives) ?? {
    crawlers: [...new Set(keys.filter((key) => !key.startsWith('files:')).map((key) => key.slice(key.indexOf('\n') + 1)))].sort(),
    rules: new Set(keys.flatMap((key) => (key.startsWith('rule:') ? [key.slice(5, key.indexOf('\n'))] : []))),
  };
  known.set(directives, made);
  return made;
}

/** Whether any rule says something about what engines may do: mostly none does, and then no address need be made to ask it. */
export function hasDirectiveRules(document: SiteDocument): boolean {
  return sayingOf(document).rules.size > 0;
}

/** The rules that say something about what engines may do and that catch an address, in their order. */
export function directiveRules(document: SiteDocument, address: AddressPath): readonly PathRule[] {
  const { rules } = sayingOf(document);
  return rules.size === 0 ? [] : pathRules(document).filter((rule) => rules.has(rule.id) && ruleCatches(rule, address));
}

/** What holds for a page and a crawler, field by field: the page's own word, else the first rule's, else the kind's, else the site's. */
export function effectiveDirectives(
  document: SiteDocument,
  page: Pick<SitePage, 'id' | 'kind'>,
  crawler = EVERY_CRAWLER,
): Partial<Record<DirectiveField, DirectiveValue>> {
  const held: Partial<Record<DirectiveField, DirectiveValue>> = {};
  if (sayingOf(document).crawlers.length === 0) return held;
  const take = (said: PageDirectives | undefined, from: DirectiveValue['from'], rule?: RuleId): void => {
    if (said === undefined) return;
    for (const field of DIRECTIVE_FIELDS) {
      const value = said[field];
      if (value !== undefined && value !== null) held[field] ??= { value, from, rule };
    }
  };
  take(directivesOf(document, `page:${page.id}`, crawler), 'page');
  if (hasDirectiveRules(document))
    for (const { id } of directiveRules(document, addressOf(page.id))) take(directivesOf(document, `rule:${id}`, crawler), 'rule', id);
  take(directivesOf(document, `kind:${page.kind}`, crawler), 'kind');
  take(directivesOf(document, 'site', crawler), 'site');
  return held;
}

/** One word of the owner as a directive; empty where it means that nothing is forbidden. */
export function directiveFor(field: DirectiveField, value: string | number): string {
  switch (field) {
    case 'follow':
      return value === 'no' ? 'nofollow' : '';
    case 'snippet':
      return value === 0 ? 'nosnippet' : Number(value) > 0 ? `max-snippet:${value}` : '';
    case 'image':
      return `max-image-preview:${value}`;
    case 'video':
      return Number(value) >= 0 ? `max-video-preview:${value}` : '';
    case 'archive':
      return value === 'no' ? 'noarchive' : '';
    case 'translate':
      return value === 'no' ? 'notranslate' : '';
    case 'pictures':
      return value === 'no' ? 'noimageindex' : '';
    case 'until':
      return value === '' ? '' : `unavailable_after: ${value}`;
  }
}

/** The word of the owner that a directive says, as `directiveFor` writes it; undefined for what it does not write. */
export function saidByDirective(field: DirectiveField, directive: string): string | number | undefined {
  const behind = (start: string): string | undefined => (directive.startsWith(start) ? directive.slice(start.length).trim() : undefined);
  const yesNo = (no: string): string | undefined => (directive === '' ? 'yes' : directive === no ? 'no' : undefined);
  const most = (start: string, none: string): number | undefined => {
    const number = directive === '' ? -1 : directive === none ? 0 : Number(behind(start) ?? NaN);
    return Number.isInteger(number) ? number : undefined;
  };
  switch (field) {
    case 'follow':
      return yesNo('nofollow');
    case 'snippet':
      return most('max-snippet:', 'nosnippet');
    case 'image':
      return behind('max-image-preview:');
    case 'video':
      return most('max-video-preview:', 'max-video-preview:0');
    case 'archive':
      return yesNo('noarchive');
    case 'translate':
      return yesNo('notranslate');
    case 'pictures':
      return yesNo('noimageindex');
    case 'until':
      return directive === '' ? '' : behind('unavailable_after:');
  }
}

/**
 * What has to be written into a page's robots metas for what the owner says, crawler by crawler. `keptFrom` tells whether a word
 * spoken to one crawler keeps the page from it. A page that nobody spoke of gets nothing.
 */
export function directiveEdits(document: SiteDocument, page: Pick<SitePage, 'id' | 'kind'>, keptFrom: (crawler: CrawlerToken) => boolean): DirectivesEdit[] {
  return sayingOf(document).crawlers.flatMap((crawler) => {
    const wanted: Partial<Record<DirectiveFamily, string>> = {};
    for (const [field, said] of Object.entries(effectiveDirectives(document, page, crawler)))
      wanted[field as DirectiveField] = directiveFor(field as DirectiveField, (said as DirectiveValue).value);
    if (crawler !== EVERY_CRAWLER && keptFrom(crawler)) wanted.index = 'noindex';
    return Object.keys(wanted).length === 0 ? [] : [{ kind: 'directives', name: crawler === EVERY_CRAWLER ? 'robots' : crawler.toLowerCase(), wanted }];
  });
}

/** A rule that gives files an `X-Robots-Tag` header. */
export interface HeaderRule {
  readonly id: RuleId;
  readonly path: string;
  readonly match: PathRule['match'];
  /** Header values, one for each crawler that is spoken to. Empty where the rule says nothing yet. */
  readonly values: readonly string[];
}

/** The owner's rules for files, in their order. */
export function headerRules(document: SiteDocument): readonly HeaderRule[] {
  const { headers, directives } = document.tables;
  return Object.entries(headers)
    .sort(([, a], [, b]) => (a.order ?? 0) - (b.order ?? 0))
    .flatMap(([id, { path, match }]) => {
      if (!path) return [];
      const values = Object.entries(directives).flatMap(([key, said]) => {
        if (!key.startsWith(`files:${id}\n`)) return [];
        const crawler = key.slice(key.indexOf('\n') + 1);
        const words = [
          ...(said.intent === 'out' ? ['noindex'] : []),
          ...DIRECTIVE_FIELDS.flatMap((field) => {
            const value = said[field];
            const word = value === undefined || value === null ? '' : directiveFor(field, value);
            return word === '' ? [] : [word];
          }),
        ];
        if (words.length === 0) return [];
        return [crawler === EVERY_CRAWLER ? words.join(', ') : `${crawler}: ${words.join(', ')}`];
      });
      return [{ id, path, match: match ?? 'ends', values }];
    });
}

/** Documents that engines list like pages, by their endings. */
const DOCUMENTS = ['.pdf', '.doc', '.docx', '.xls', '.xlsx', '.ppt', '.pptx', '.odt', '.ods', '.odp', '.rtf', '.txt', '.csv'];

/** The rules for files as they go out: while the site is shut, documents say noindex too, since they have no head to say it in. */
export function outgoingHeaderRules(document: SiteDocument): readonly HeaderRule[] {
  const own = headerRules(document).filter((rule) => rule.values.length > 0);
  if (isOpen(document)) return own;
  return [...DOCUMENTS.map((path): HeaderRule => ({ id: `shut ${path}`, path, match: 'ends', values: ['noindex'] })), ...own];
}

/** The `X-Robots-Tag` values that a path gets from the rules for files. */
export function headersFor(rules: readonly Pick<HeaderRule, 'path' | 'match' | 'values'>[], path: string): readonly string[] {
  return rules.flatMap((rule) => (ruleCatches(rule, path) ? rule.values : []));
}
