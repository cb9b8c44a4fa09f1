import { robotsMatcher } from './match.ts';
import { normalizePath } from './normalize.ts';
import { parseRobots, ROBOTS_LIMIT, type RobotsFile, type RobotsLine } from './parse.ts';

/** Something in a robots.txt that does not do what its writer meant, or does nothing. Lines count from 1. */
export type RobotsTrouble =
  | { readonly code: 'too-large'; readonly bytes: number }
  | { readonly code: 'shuts-all'; readonly line: number; readonly token: string }
  | { readonly code: 'wanted-shut'; readonly line: number; readonly pages: readonly string[] }
  | { readonly code: 'assets-shut'; readonly line: number; readonly files: readonly string[] }
  | { readonly code: 'hides-not'; readonly line: number; readonly pages: readonly string[] }
  | { readonly code: 'not-listened'; readonly token: string; readonly line: number; readonly rules: number }
  | { readonly code: 'merged'; readonly token: string; readonly lines: readonly number[] }
  | { readonly code: 'no-group'; readonly line: number }
  | { readonly code: 'wrong-case'; readonly line: number; readonly would: readonly string[] }
  | { readonly code: 'no-slash'; readonly line: number; readonly pattern: string }
  | { readonly code: 'touches-nothing'; readonly line: number }
  | { readonly code: 'same-rule'; readonly line: number; readonly as: number }
  | { readonly code: 'bad-token'; readonly line: number; readonly written: string; readonly token: string }
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
  readonly pages: readonly { readonly id: string; readonly path: string; readonly intent: 'list' | 'out' }[];
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
  found.push(...effects(file, site), ...groupTroubles(file), ...file.lines.flatMap((line) => lineTroubles(line, file, site)), ...mapTroubles(file, site));
  return found;
}

/** What lines do to pages and files, by each of the crawlers; a thing said of one line is said once. */
function effects(file: RobotsFile, site: LintSite): RobotsTrouble[] {
  const shut = { pages: new Map<number, Set<string>>(), files: new Map<number, Set<string>>(), out: new Map<number, Set<string>>() };
  const add = (into: Map<number, Set<string>>, line: number, what: string): void => void into.set(line, (into.get(line) ?? new Set()).add(what));
  for (const crawler of site.crawlers) {
    const matcher = robotsMatcher(file, crawler);
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
  const named = new Map<string, number[]>();
  for (const line of file.lines)
    if (line.kind === 'user-agent' && line.token !== '') named.set(line.token.toLowerCase(), [...(named.get(line.token.toLowerCase()) ?? []), line.line]);
  const general = file.groups
    .filter((group) => group.tokens.includes('*'))
    .reduce((sum, group) => sum + group.rules.filter((rule) => rule.pattern !== '').length, 0);
  for (const [token, lines] of named) {
    const spelled = file.lines.find((line) => line.kind === 'user-agent' && line.line === lines[0]);
    const name = spelled?.kind === 'user-agent' ? spelled.token : token;
    const groups = file.groups.filter((group) => group.tokens.some((one) => one.toLowerCase() === token));
    if (groups.length > 1) found.push({ code: 'merged', token: name, lines });
    if (token !== '*' && general > 0) found.push({ code: 'not-listened', token: name, line: lines[0] as number, rules: general });
  }
  return found;
}

function lineTroubles(line: RobotsLine, file: RobotsFile, site: LintSite): RobotsTrouble[] {
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
  if (!/^[/*]/.test(line.pattern)) return [{ code: 'no-slash', line: at, pattern: line.pattern }];
  const earlier = file.groups[line.group]?.rules.find(
    (rule) => rule.line < at && rule.allow === line.allow && normalizePath(rule.pattern) === normalizePath(line.pattern),
  );
  if (earlier) return [{ code: 'same-rule', line: at, as: earlier.line }];
  return touching(line.pattern, site, at);
}

/** Whether a pattern matches anything of the site, and whether it would if letters were of the other case. */
function touching(pattern: string, site: LintSite, line: number): RobotsTrouble[] {
  const paths = [...site.pages.map((page) => page.path), ...site.files];
  const matching = (text: string, of: readonly string[]): string[] => {
    const matcher = robotsMatcher(parseRobots(`User-agent: *\nDisallow: ${text}`), 'x');
    return of.filter((path) => !matcher.match(path).allowed);
  };
  // What is asked behind a question mark stands in no list of files, so such a rule cannot be judged by them.
  if (/[?=&]/.test(pattern) || matching(pattern, paths).length > 0) return [];
  const low = new Map(paths.map((path) => [path.toLowerCase(), path]));
  const would = matching(pattern.toLowerCase(), [...low.keys()]).map((path) => low.get(path) as string);
  return [would.length > 0 ? { code: 'wrong-case', line, would: would.slice(0, 20) } : { code: 'touches-nothing', line }];
}

function mapTroubles(file: RobotsFile, site: LintSite): RobotsTrouble[] {
  const lines = file.lines.filter((line) => line.kind === 'sitemap');
  if (lines.length === 0) return site.hasMap ? [{ code: 'sitemap-missing' }] : [];
  return lines.flatMap(({ line, address }): RobotsTrouble[] => {
    if (!/^https?:\/\//i.test(address) || !URL.canParse(address)) return [{ code: 'sitemap-relative', line, address }];
    return new URL(address).origin === site.origin ? [] : [{ code: 'sitemap-elsewhere', line, address }];
  });
}
