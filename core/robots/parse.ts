import type { CrawlerToken } from '../source/index.ts';
/** A line of robots.txt, as it was understood. Line numbers count from 1. */
export type RobotsLine =
  | { readonly kind: 'blank' | 'comment'; readonly line: number; readonly text: string }
  | { readonly kind: 'user-agent'; readonly line: number; readonly text: string; readonly token: CrawlerToken; readonly group: number }
  | {
      readonly kind: 'rule';
      readonly line: number;
      readonly text: string;
      readonly allow: boolean;
      readonly pattern: string;
      readonly group: number | undefined;
    }
  | { readonly kind: 'sitemap'; readonly line: number; readonly text: string; readonly address: string }
  | { readonly kind: 'other'; readonly line: number; readonly text: string; readonly field: string }
  | { readonly kind: 'unreadable'; readonly line: number; readonly text: string };

/** A rule in a group. */
export interface RobotsRule {
  readonly allow: boolean;
  readonly pattern: string;
  readonly line: number;
}

/** User agents that share rules, in the order of the file. */
export interface RobotsGroup {
  readonly tokens: readonly string[];
  readonly rules: readonly RobotsRule[];
}

/** A robots.txt, read. */
export interface RobotsFile {
  readonly lines: readonly RobotsLine[];
  readonly groups: readonly RobotsGroup[];
  readonly sitemaps: readonly string[];
  /** Whether text past the limit was left out. */
  readonly cut: boolean;
}

/** At least 500 KiB must be read (RFC 9309, 2.5); what lies past it is ignored, a line cut in half with it. */
export const ROBOTS_LIMIT = 512_000;

const trimmed = (text: string): string => text.replace(/^[ \t]+/, '').replace(/[ \t]+$/, '');
const PRODUCT_TOKEN = /^[a-z_-]+/i;

/** Reads robots.txt (RFC 9309, 2.2). Takes text; a byte order mark is skipped. Never fails. */
export function parseRobots(input: string): RobotsFile {
  let text = input.startsWith('\ufeff') ? input.slice(1) : input;
  const cut = text.length > ROBOTS_LIMIT;
  if (cut) text = text.slice(0, Math.max(text.lastIndexOf('\n', ROBOTS_LIMIT), text.lastIndexOf('\r', ROBOTS_LIMIT), 0));
  const lines: RobotsLine[] = [];
  const groups: { tokens: string[]; rules: RobotsRule[] }[] = [];
  const sitemaps: string[] = [];
  let collectingAgents = false;

  text.split(/\r\n|\n|\r/).forEach((raw, index, all) => {
    const line = index + 1;
    if (raw === '' && index === all.length - 1) return;
    // White space is a space or a tab, and a comment goes to the line's end, which only LF, CR and CRLF are (RFC 9309, 2.2).
    const hash = raw.indexOf('#');
    const bare = trimmed(hash < 0 ? raw : raw.slice(0, hash));
    if (bare === '') {
      lines.push({ kind: trimmed(raw) === '' ? 'blank' : 'comment', line, text: raw });
      return;
    }
    const colon = bare.indexOf(':');
    if (colon < 1) {
      lines.push({ kind: 'unreadable', line, text: raw });
      return;
    }
    const field = trimmed(bare.slice(0, colon)).toLowerCase();
    const value = trimmed(bare.slice(colon + 1));
    if (field === 'user-agent') {
      if (!collectingAgents) groups.push({ tokens: [], rules: [] });
      collectingAgents = true;
      const token = value === '*' ? '*' : (PRODUCT_TOKEN.exec(value)?.[0] ?? '');
      groups[groups.length - 1]?.tokens.push(token);
      lines.push({ kind: 'user-agent', line, text: raw, token, group: groups.length - 1 });
    } else if (field === 'allow' || field === 'disallow') {
      collectingAgents = false;
      const rule = { allow: field === 'allow', pattern: value, line };
      const group = groups.length - 1;
      groups[group]?.rules.push(rule);
      lines.push({ kind: 'rule', ...rule, text: raw, group: group < 0 ? undefined : group });
    } else if (field === 'sitemap') {
      sitemaps.push(value);
      lines.push({ kind: 'sitemap', line, text: raw, address: value });
    } else lines.push({ kind: 'other', line, text: raw, field });
  });
  return { lines, groups, sitemaps, cut };
}
