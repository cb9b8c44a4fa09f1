import type { CrawlerToken } from '../source/index.ts';
import type { RobotsFile } from './parse.ts';

/**
 * Seconds that a crawler is asked to wait between two fetches: `Crawl-delay` in a group that addresses it, else in everybody's. No standard knows the
 * field, and many engines pass it by; those that heed it take it as belonging to the group in which it stands. Undefined where nothing is asked.
 */
export function crawlDelay(file: RobotsFile, token: CrawlerToken): number | undefined {
  const wanted = token.toLowerCase();
  const own = file.groups.some((group) => group.tokens.some((name) => name.toLowerCase() === wanted));
  let tokens: string[] = [];
  let collecting = false;
  let longest: number | undefined;
  for (const line of file.lines) {
    if (line.kind === 'user-agent') {
      if (!collecting) tokens = [];
      collecting = true;
      tokens.push(line.token.toLowerCase());
    } else if (line.kind === 'rule' || line.kind === 'other') collecting = false;
    if (line.kind !== 'other' || line.field !== 'crawl-delay' || !tokens.includes(own ? wanted : '*')) continue;
    const seconds = Number(/:\s*([\d.]+)/.exec(line.text)?.[1]);
    if (Number.isFinite(seconds)) longest = Math.max(longest ?? 0, seconds);
  }
  return longest;
}
