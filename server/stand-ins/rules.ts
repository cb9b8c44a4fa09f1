import type { RobotsAccess } from '../../core/indexing/index.ts';
import { crawlDelay, parseRobots, robotsMatcher, type RobotsMatcher } from '../../core/robots/index.ts';
import { decodeBytes, type CrawlerToken } from '../../core/source/index.ts';
import type { Fetch, FetchFailure } from '../fetching/index.ts';

/** robots.txt as it was had for one crawler. */
export type Rules =
  | {
      readonly kind: 'read';
      readonly matcher: RobotsMatcher;
      readonly status: number;
      readonly sitemaps: readonly string[];
      readonly delay: number | undefined;
    }
  | { readonly kind: 'missing'; readonly status: number }
  /** `reason` where there was no answer at all. */
  | { readonly kind: 'unreachable'; readonly status: number | undefined; readonly reason?: FetchFailure };

/** robots.txt by RFC 9309, 2.3.1: 4xx means no rules, 5xx and no answer mean that all is shut. */
export async function readRobots(fetch: Fetch, origin: string, crawler: CrawlerToken): Promise<Rules> {
  const outcome = await fetch(`${origin}/robots.txt`);
  if (!outcome.ok) return { kind: 'unreachable', status: undefined, reason: outcome.reason };
  const { status } = outcome;
  if (status >= 200 && status < 300) {
    const file = parseRobots(decodeBytes(outcome.bytes, 'utf-8'));
    return { kind: 'read', matcher: robotsMatcher(file, crawler), status, sitemaps: file.sitemaps, delay: crawlDelay(file, crawler) };
  }
  return status >= 400 && status < 500 ? { kind: 'missing', status } : { kind: 'unreachable', status };
}

/** What the rules say about one path. */
export function accessFor(rules: Rules, path: string): RobotsAccess {
  return rules.kind === 'read' ? { kind: 'read', verdict: rules.matcher.match(path), status: rules.status } : rules;
}
