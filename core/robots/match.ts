import type { AddressPath, CrawlerToken } from '../source/index.ts';
import { normalizePath, normalizePattern } from './normalize.ts';
import type { RobotsFile, RobotsGroup, RobotsRule } from './parse.ts';

/** What robots.txt says to one crawler about one path, and what decided it. */
export interface RobotsVerdict {
  readonly allowed: boolean;
  /** The deciding rule; undefined where none matched. */
  readonly rule: RobotsRule | undefined;
  /** Which groups the crawler listens to: its own, everybody's, or there is none for it. */
  readonly group: 'own' | 'everyone' | 'none';
}

/** A rule made ready: literal prefix, then pieces that must follow one another. */
interface Compiled {
  readonly rule: RobotsRule;
  /** Octets in the pattern; the longest wins (RFC 9309, 2.2.2). */
  readonly length: number;
  readonly pieces: readonly string[];
  readonly anchored: boolean;
}

interface TrieNode {
  readonly children: Map<number, TrieNode>;
  readonly rules: Compiled[];
}

/** Rules of one crawler, ready to be asked about many paths. */
export interface RobotsMatcher {
  /** `path` is path and query as they stand in the address. `/robots.txt` itself is always allowed. */
  match(path: AddressPath): RobotsVerdict;
}

/** Matchers made of a file: crawlers that listen to the same groups share one. */
const made = new WeakMap<RobotsFile, Map<string, RobotsMatcher>>();

/**
 * Prepares a file's rules for one crawler's product token. Groups of the same token are merged; a crawler with a group of its own
 * does not listen to `*` (RFC 9309, 2.2.1). Matching takes time in proportion to the path and to the rules whose literal start it
 * shares, whatever the patterns are. Crawlers that listen to the same groups get the very same matcher.
 */
export function robotsMatcher(file: RobotsFile, token: CrawlerToken): RobotsMatcher {
  const wanted = token.toLowerCase();
  const own = file.groups.filter((group) => group.tokens.some((name) => name.toLowerCase() === wanted));
  const key = own.length > 0 ? wanted : '*';
  const known = made.get(file) ?? new Map<string, RobotsMatcher>();
  made.set(file, known);
  const before = known.get(key);
  if (before) return before;
  const everyone = file.groups.filter((group) => group.tokens.includes('*'));
  const matcher = makeMatcher(own.length > 0 ? own : everyone, own.length > 0 ? 'own' : everyone.length > 0 ? 'everyone' : 'none');
  known.set(key, matcher);
  return matcher;
}

function makeMatcher(groups: readonly RobotsGroup[], group: RobotsVerdict['group']): RobotsMatcher {
  const root: TrieNode = { children: new Map(), rules: [] };
  const compiled = groups.flatMap(({ rules }) => rules.flatMap((rule) => (rule.pattern === '' ? [] : compile(rule))));
  // Longest first, and Allow before Disallow of the same length: then the first that matches is a node's best. Sorted once: files have many thousand rules.
  for (const rule of compiled.sort((a, b) => b.length - a.length || Number(b.rule.allow) - Number(a.rule.allow))) add(root, rule);
  return {
    match(path) {
      const compared = normalizePath(path);
      if (compared === '/robots.txt') return { allowed: true, rule: undefined, group };
      const best = find(root, compared);
      return { allowed: best?.rule.allow ?? true, rule: best?.rule, group };
    },
  };
}

/** One pattern made ready to be asked about many normalized paths. */
export function patternMatcher(pattern: string): { readonly prefix: string; matches(path: AddressPath): boolean } {
  const compiled = compile({ allow: true, pattern, line: 0 });
  const prefix = compiled.pieces[0] as string;
  return { prefix, matches: (path) => path.startsWith(prefix) && matches(compiled, path) };
}

function compile(rule: RobotsRule): Compiled {
  const pattern = normalizePattern(rule.pattern);
  const anchored = pattern.endsWith('$');
  const body = anchored ? pattern.slice(0, -1) : pattern;
  return { rule, length: pattern.length, pieces: body.split(/\*+/), anchored };
}

function add(root: TrieNode, compiled: Compiled): void {
  let node = root;
  const prefix = compiled.pieces[0] as string;
  for (let at = 0; at < prefix.length; at++) {
    const code = prefix.charCodeAt(at);
    let next = node.children.get(code);
    if (!next) node.children.set(code, (next = { children: new Map(), rules: [] }));
    node = next;
  }
  node.rules.push(compiled);
}

function find(root: TrieNode, path: AddressPath): Compiled | undefined {
  let best: Compiled | undefined;
  let node: TrieNode | undefined = root;
  for (let at = 0; node; at++) {
    for (const candidate of node.rules) {
      if (best && (candidate.length < best.length || (candidate.length === best.length && (best.rule.allow || !candidate.rule.allow)))) break;
      if (matches(candidate, path)) {
        best = candidate;
        break;
      }
    }
    if (at >= path.length) break;
    node = node.children.get(path.charCodeAt(at));
  }
  return best;
}

/** The literal prefix is known to match. Leftmost places for the pieces suffice, so there is nothing to try twice. */
function matches({ pieces, anchored }: Compiled, path: AddressPath): boolean {
  let at = (pieces[0] ?? '').length;
  if (pieces.length === 1) return !anchored || at === path.length;
  const last = pieces.length - 1;
  for (let index = 1; index < last; index++) {
    const piece = pieces[index] as string;
    const found = path.indexOf(piece, at);
    if (found < 0) return false;
    at = found + piece.length;
  }
  const tail = pieces[last] as string;
  if (!anchored) return path.indexOf(tail, at) >= 0;
  return path.length - tail.length >= at && path.endsWith(tail);
}
