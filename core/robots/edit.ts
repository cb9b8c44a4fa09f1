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
 * Opens a path to a crawler with the smallest change: a rule that shuts nothing but what is wanted is taken out, else an `Allow` for
 * exactly this path is put behind it. `onlyWanted(line)` says whether a line touches nothing that is meant to stay shut.
 */
export function openPath(text: string, path: string, token: string, onlyWanted: (line: number) => boolean): string {
  let current = text;
  // Each turn takes out or outweighs one rule, so there are at most as many turns as lines.
  for (let turn = 0; turn <= parseRobots(text).lines.length; turn++) {
    const verdict = robotsMatcher(parseRobots(current), token).match(path);
    if (verdict.allowed || !verdict.rule) return current;
    const { line } = verdict.rule;
    const next = current === text && onlyWanted(line) ? removeLine(current, line) : insertLine(current, line + 1, `Allow: ${literalPattern(path)}`);
    if (next === current) return current;
    current = next;
  }
  return current;
}

/** A pattern that matches this path and nothing else. It is never shorter than the path, so it outweighs what it has to. */
function literalPattern(path: string): string {
  return `${path.replace(/\*/g, '%2A').replace(/\$/g, '%24')}$`;
}
