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

/**
 * Opens paths to a crawler with the smallest change: a rule that shuts nothing but what is wanted is taken out, else an `Allow` for exactly each path is
 * put behind it. `onlyWanted(line)` says whether a line touches nothing that is meant to stay shut; lines count as in `text`.
 */
export function openPaths(text: string, paths: readonly string[], token: string, onlyWanted: (line: number) => boolean): string {
  let current = text;
  // Each turn takes out or outweighs at least one rule for every path that is shut, so there are at most as many turns as lines.
  for (let turn = 0; turn <= parseRobots(text).lines.length; turn++) {
    const shut = shutBy(current, paths, token);
    if (shut.size === 0) break;
    // From the end, so that the numbers of the lines before stay what they are.
    for (const [line, closed] of [...shut].sort(([one], [other]) => other - one)) {
      const allows = closed.map((path) => `Allow: ${literalPattern(path)}`).join(newlineOf(text));
      current = turn === 0 && onlyWanted(line) ? removeLine(current, line) : insertLine(current, line + 1, allows);
    }
  }
  return current;
}

/** Which of the paths a crawler may not fetch, by the line that says so. */
function shutBy(text: string, paths: readonly string[], token: string): Map<number, string[]> {
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
function literalPattern(path: string): string {
  return `${path.replace(/\*/g, '%2A').replace(/\$/g, '%24')}$`;
}
