import { robotsMatcher } from './match.ts';
import { parseRobots } from './parse.ts';

const newlineOf = (text: string): string => (text.includes('\r\n') ? '\r\n' : text.includes('\r') && !text.includes('\n') ? '\r' : '\n');

/** Names a sitemap at the end of robots.txt, unless it is named already. All else stays as it is. */
export function withSitemap(text: string, address: string): string {
  if (parseRobots(text).sitemaps.includes(address)) return text;
  const newline = newlineOf(text);
  const gap = text === '' || text.endsWith('\n') || text.endsWith('\r') ? '' : newline;
  return `${text}${gap}Sitemap: ${address}${newline}`;
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
    const parts = current.split(/(\r\n|\n|\r)/);
    const at = (verdict.rule.line - 1) * 2;
    if (current === text && onlyWanted(verdict.rule.line)) parts.splice(at, 2);
    else parts[at] = `${parts[at] as string}${newlineOf(current)}Allow: ${literalPattern(path)}`;
    const next = parts.join('');
    if (next === current) return current;
    current = next;
  }
  return current;
}

/** A pattern that matches this path and nothing else. It is never shorter than the path, so it outweighs what it has to. */
function literalPattern(path: string): string {
  return `${path.replace(/\*/g, '%2A').replace(/\$/g, '%24')}$`;
}
