import { lowerBound, type AddressPath, type CrawlerToken } from '../source/index.ts';
import { patternMatcher, robotsMatcher } from './match.ts';
import { normalizePath, normalizePattern } from './normalize.ts';
import { parseRobots, ROBOTS_LIMIT, type RobotsFile, type RobotsLine } from './parse.ts';

/** Something in a robots.txt that does not do what its writer meant, or does nothing. Lines count from 1. */
export type RobotsTrouble =
  | { readonly code: 'too-large'; readonly bytes: number }
  | { readonly code: 'shuts-all'; readonly line: number; readonly token: CrawlerToken }
  | { readonly code: 'wanted-shut'; readonly line: number; readonly pages: readonly string[] }
  | { readonly code: 'assets-shut'; readonly line: number; readonly files: readonly string[] }
  | { readonly code: 'hides-not'; readonly line: number; readonly pages: readonly string[] }
  | { readonly code: 'not-listened'; readonly token: CrawlerToken; readonly line: number; readonly rules: number }
  | { readonly code: 'merged'; readonly token: CrawlerToken; readonly lines: readonly number[] }
  | { readonly code: 'no-group'; readonly line: number }
  | { readonly code: 'wrong-case'; readonly line: number; readonly allow: boolean; readonly would: readonly string[] }
  | { readonly code: 'no-slash'; readonly line: number; readonly allow: boolean; readonly pattern: string }
  | { readonly code: 'touches-nothing'; readonly line: number }
  | { readonly code: 'same-rule'; readonly line: number; readonly as: number }
  | { readonly code: 'bad-token'; readonly line: number; readonly written: string; readonly token: CrawlerToken }
  | { readonly code: 'noindex-field'; readonly line: number }
  | { readonly code: 'crawl-delay'; readonly line: number }
  | { readonly code: 'unknown-field'; readonly line: number; readonly field: string }
  | { readonly code: 'unreadable'; readonly line: number }
  | { readonly code: 'sitemap-missing' }
  | { readonly code: 'sitemap-relative' | 'sitemap-elsewhere'; readonly line: number; readonly address: string };

/** What a trouble costs: pages or what they are drawn with are shut; something is not as it was meant; or it is only untidy. */
export const TROUBLE_COSTS: Readonly<Record<RobotsTrouble['code'], 'blocks' | 'weakens' | 'polish'>> = {
  'shuts-all': 'blocks',
  'wanted-shut': 'blocks',
  'assets-shut': 'weakens',
  'hides-not': 'weakens',
  'not-listened': 'weakens',
  'no-group': 'weakens',
  'wrong-case': 'weakens',
  'no-slash': 'weakens',
  'bad-token': 'weakens',
  'noindex-field': 'weakens',
  'sitemap-relative': 'weakens',
  'too-large': 'weakens',
  'sitemap-missing': 'polish',
  'sitemap-elsewhere': 'polish',
  merged: 'polish',
  'touches-nothing': 'polish',
  'same-rule': 'polish',
  'crawl-delay': 'polish',
  'unknown-field': 'polish',
  unreadable: 'polish',
};

/** What of the site the lines are held against. */
export interface LintSite {
  /** Scheme and host. */
  readonly origin: string;
  readonly pages: readonly { readonly id: string; readonly path: AddressPath; readonly intent: 'list' | 'out' }[];
  /** Paths of files that are no pages. */
  readonly files: readonly string[];
  /** Of these, style sheets and scripts that pages need. */
  readonly needed: ReadonlySet<string>;
  /** Crawlers by which pages are tried. */
  readonly crawlers: readonly string[];
  /** Whether the site has a map that should be named. */
  readonly hasMap: boolean;
}

/** Finds what is wrong in a robots.txt; the costly things first. */
export function lintRobots(text: string, site: LintSite): RobotsTrouble[] {
  const file = parseRobots(text);
  const bytes = new TextEncoder().encode(text).length;
  const found: RobotsTrouble[] = bytes > ROBOTS_LIMIT ? [{ code: 'too-large', bytes }] : [];
  const firsts = firstOfEach(file);
  const paths = new Paths([...site.pages.map((page) => page.path), ...site.files]);
  for (const some of [effects(file, site), groupTroubles(file), file.lines.flatMap((line) => lineTroubles(line, file, firsts, paths)), mapTroubles(file, site)])
    for (const one of some) found.push(one);
  return found;
}

/** What lines do to pages and files, by each of the crawlers; a thing said of one line is said once. */
function effects(file: RobotsFile, site: LintSite): RobotsTrouble[] {
  const shut = { pages: new Map<number, Set<string>>(), files: new Map<number, Set<string>>(), out: new Map<number, Set<string>>() };
  const add = (into: Map<number, Set<string>>, line: number, what: string): void => void into.set(line, (into.get(line) ?? new Set()).add(what));
  // Crawlers that listen to the same groups share a matcher: what it says is asked once.
  for (const matcher of new Set(site.crawlers.map((crawler) => robotsMatcher(file, crawler)))) {
    for (const { id, path, intent } of site.pages) {
      const { rule, allowed } = matcher.match(path);
      if (!allowed && rule) add(intent === 'list' ? shut.pages : shut.out, rule.line, id);
    }
    for (const path of site.needed) {
      const { rule, allowed } = matcher.match(path);
      if (!allowed && rule) add(shut.files, rule.line, path);
    }
  }
  const lines = <T>(map: Map<number, Set<string>>, make: (line: number, which: string[]) => T): T[] =>
    [...map].sort(([a], [b]) => a - b).map(([line, which]) => make(line, [...which]));
  return [
    ...lines(shut.pages, (line, pages): RobotsTrouble => ({ code: 'wanted-shut', line, pages })),
    ...lines(shut.files, (line, files): RobotsTrouble => ({ code: 'assets-shut', line, files })),
    ...lines(shut.out, (line, pages): RobotsTrouble => ({ code: 'hides-not', line, pages })),
  ];
}

function groupTroubles(file: RobotsFile): RobotsTrouble[] {
  const found: RobotsTrouble[] = [];
  const named = new Map<string, { readonly name: string; readonly lines: number[]; readonly groups: Set<number> }>();
  file.groups.forEach(({ tokens }, at) => {
    for (const token of tokens) {
      const key = token.toLowerCase();
      if (!named.has(key)) named.set(key, { name: token, lines: [], groups: new Set() });
      named.get(key)?.groups.add(at);
    }
  });
  for (const line of file.lines) if (line.kind === 'user-agent') named.get(line.token.toLowerCase())?.lines.push(line.line);
  const general = file.groups
    .filter((group) => group.tokens.includes('*'))
    .reduce((sum, group) => sum + group.rules.filter((rule) => rule.pattern !== '').length, 0);
  for (const [token, { name, lines, groups }] of named) {
    if (token === '') continue;
    if (groups.size > 1) found.push({ code: 'merged', token: name, lines });
    if (token !== '*' && general > 0) found.push({ code: 'not-listened', token: name, line: lines[0] as number, rules: general });
  }
  return found;
}

/** By group, and what a rule says in it: the first line that says so. */
function firstOfEach(file: RobotsFile): ReadonlyMap<string, number> {
  const firsts = new Map<string, number>();
  file.groups.forEach(({ rules }, group) => {
    for (const rule of rules) {
      const key = sameAs(group, rule);
      if (!firsts.has(key)) firsts.set(key, rule.line);
    }
  });
  return firsts;
}

const sameAs = (group: number, { allow, pattern }: { readonly allow: boolean; readonly pattern: string }): string =>
  `${group} ${allow ? 'a' : 'd'} ${normalizePattern(pattern)}`;

function lineTroubles(line: RobotsLine, file: RobotsFile, firsts: ReadonlyMap<string, number>, paths: Paths): RobotsTrouble[] {
  const at = line.line;
  if (line.kind === 'unreadable') return [{ code: 'unreadable', line: at }];
  if (line.kind === 'other') {
    if (line.field === 'noindex') return [{ code: 'noindex-field', line: at }];
    return [line.field === 'crawl-delay' ? { code: 'crawl-delay', line: at } : { code: 'unknown-field', line: at, field: line.field }];
  }
  if (line.kind === 'user-agent') {
    const written = line.text
      .replace(/#.*$/, '')
      .replace(/^[^:]*:/, '')
      .trim();
    return written === line.token ? [] : [{ code: 'bad-token', line: at, written, token: line.token }];
  }
  if (line.kind !== 'rule') return [];
  if (line.group === undefined) return [{ code: 'no-group', line: at }];
  const tokens = file.groups[line.group]?.tokens ?? [];
  if (!line.allow && /^\/?\*?$/.test(line.pattern) && line.pattern !== '') return [{ code: 'shuts-all', line: at, token: tokens[0] ?? '*' }];
  if (line.pattern === '') return [];
  if (!/^[/*]/.test(line.pattern)) return [{ code: 'no-slash', line: at, allow: line.allow, pattern: line.pattern }];
  const first = firsts.get(sameAs(line.group, line));
  if (first !== undefined && first < at) return [{ code: 'same-rule', line: at, as: first }];
  // What is asked behind a question mark stands in no list of files, so such a rule cannot be judged by them.
  if (/[?=&]/.test(line.pattern) || paths.touchedBy(line.pattern)) return [];
  const would = paths.touchedInAnyCase(line.pattern);
  return [would.length > 0 ? { code: 'wrong-case', line: at, allow: line.allow, would } : { code: 'touches-nothing', line: at }];
}

/** Most addresses that are named as meant by a rule in the wrong case. */
const NAMED = 20;

/** The paths of a site in order, so that a rule looks only at those that share its start. */
class Paths {
  private readonly sorted: readonly string[];
  private folded: { readonly sorted: readonly string[]; readonly of: ReadonlyMap<string, string> } | undefined;

  constructor(private readonly paths: readonly string[]) {
    this.sorted = paths.map(normalizePath).sort(byUnits);
  }

  /** Whether a pattern matches any of them. */
  touchedBy(pattern: string): boolean {
    return matching(this.sorted, pattern, 1).length > 0;
  }

  /** Those that it would match if letters were of the other case. */
  touchedInAnyCase(pattern: string): string[] {
    this.folded ??= (() => {
      const of = new Map(this.paths.map((path) => [normalizePath(path.toLowerCase()), path]));
      return { of, sorted: [...of.keys()].sort(byUnits) };
    })();
    const { sorted, of } = this.folded;
    return matching(sorted, pattern.toLowerCase(), NAMED).map((path) => of.get(path) as string);
  }
}

const byUnits = (a: string, b: string): number => (a < b ? -1 : a > b ? 1 : 0);

/** The first of some sorted, normalized paths that a pattern matches. */
function matching(sorted: readonly string[], pattern: string, most: number): string[] {
  const { prefix, matches } = patternMatcher(pattern);
  const found: string[] = [];
  for (let at = lowerBound(sorted, (path) => path < prefix); found.length < most; at++) {
    const path = sorted[at];
    if (path?.startsWith(prefix) !== true) break;
    if (matches(path)) found.push(path);
  }
  return found;
}

function mapTroubles(file: RobotsFile, site: LintSite): RobotsTrouble[] {
  const lines = file.lines.filter((line) => line.kind === 'sitemap');
  if (lines.length === 0) return site.hasMap ? [{ code: 'sitemap-missing' }] : [];
  return lines.flatMap(({ line, address }): RobotsTrouble[] => {
    if (!/^https?:\/\//i.test(address) || !URL.canParse(address)) return [{ code: 'sitemap-relative', line, address }];
    return new URL(address).origin === site.origin ? [] : [{ code: 'sitemap-elsewhere', line, address }];
  });
}
