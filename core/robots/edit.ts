import type { AddressPath, CrawlerToken } from '../source/index.ts';
import { insertLine, newlineOf, removeLine } from './lines.ts';
import { robotsMatcher } from './match.ts';
import { parseRobots } from './parse.ts';

/** Names a sitemap at the end of robots.txt, unless it is named already. All else stays as it is. */
export function withSitemap(text: string, address: string): string {
  if (parseRobots(text).sitemaps.includes(address)) return text;
  const newline = newlineOf(text);
  const gap = text === '' || text.endsWith('\n') || text.endsWith('\r') ? '' : newline;
  return `${text}${gap}Sitemap: ${address}${newline}`;
}

/** robots.txt without the lines that name these sitemaps. All else stays as it is. */
export function withoutSitemaps(text: string, addresses: readonly string[]): string {
  const lines = parseRobots(text).lines.flatMap((line) => (line.kind === 'sitemap' && addresses.includes(line.address) ? [line.line] : []));
  return lines.reduceRight(removeLine, text);
}

/** A crawler that no robots.txt names. */
export const NOBODY = 'a-crawler-that-nobody-names';

/**
 * Opens paths to some crawlers with the smallest change that opens nothing else: a rule is taken out where that opens none of the `others`, to no crawler
 * whatever, known or not; else an `Allow` for exactly each path is put behind it.
 */
export function openPaths(text: string, paths: readonly string[], tokens: readonly string[], others: readonly string[]): string {
  let current = text;
  for (const token of tokens) {
    // Each turn takes out or outweighs at least one rule for every path that is shut, so there are at most as many turns as lines.
    for (let turn = 0; turn <= parseRobots(text).lines.length; turn++) {
      const shut = shutBy(current, paths, token);
      if (shut.size === 0) break;
      // From the end, so that the numbers of the lines before stay what they are.
      for (const [line, closed] of [...shut].sort(([one], [other]) => other - one)) {
        const without = removeLine(current, line);
        const allows = closed.map((path) => `Allow: ${literalPattern(path)}`).join(newlineOf(text));
        current = opensNone(current, without, others) ? without : insertLine(current, line + 1, allows);
      }
    }
  }
  return current;
}

/** Whether all crawlers stand to some paths as before. */
function opensNone(before: string, after: string, paths: readonly string[]): boolean {
  const [was, is] = [parseRobots(before), parseRobots(after)];
  const tokens = new Set([NOBODY, ...was.groups.flatMap((group) => group.tokens)]);
  for (const token of tokens) {
    const [one, other] = [robotsMatcher(was, token), robotsMatcher(is, token)];
    if (paths.some((path) => one.match(path).allowed !== other.match(path).allowed)) return false;
  }
  return true;
}

/** Which of the paths a crawler may not fetch, by the line that says so. */
function shutBy(text: string, paths: readonly string[], token: CrawlerToken): Map<number, string[]> {
  const matcher = robotsMatcher(parseRobots(text), token);
  const shut = new Map<number, string[]>();
  for (const path of paths) {
    const { allowed, rule } = matcher.match(path);
    if (allowed || !rule) continue;
    const closed = shut.get(rule.line);
    if (closed) closed.push(path);
    else shut.set(rule.line, [path]);
  }
  return shut;
}

/** A pattern that matches this path and nothing else. It is never shorter than the path, so it outweighs what it has to. */
function literalPattern(path: AddressPath): string {
  return `${path.replace(/\*/g, '%2A').replace(/\$/g, '%24')}$`;
}
