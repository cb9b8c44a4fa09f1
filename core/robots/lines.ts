import type { CrawlerToken } from '../source/index.ts';
import { parseRobots, type RobotsFile } from './parse.ts';

/** How lines end in a text; the first sort that is found. */
export const newlineOf = (text: string): string => (text.includes('\r\n') ? '\r\n' : text.includes('\r') && !text.includes('\n') ? '\r' : '\n');

/** A text in pieces: lines at even places, what ends them at odd ones. Joined again it is the same, character by character. */
const pieces = (text: string): string[] => text.split(/(\r\n|\n|\r)/);

/** One line written anew; all others stay as they are. Lines count from 1. */
export function replaceLine(text: string, line: number, content: string): string {
  const parts = pieces(text);
  if ((line - 1) * 2 >= parts.length) return text;
  parts[(line - 1) * 2] = content;
  return parts.join('');
}

/** One line taken out, with its end. */
export function removeLine(text: string, line: number): string {
  const parts = pieces(text);
  parts.splice((line - 1) * 2, 2);
  return parts.join('');
}

/** A line put in front of another one; past the last line it goes to the end. */
export function insertLine(text: string, before: number, content: string): string {
  const newline = newlineOf(text);
  const parts = pieces(text);
  const at = (before - 1) * 2;
  if (at < parts.length - 1 || (at === parts.length - 1 && parts[at] !== '')) {
    parts.splice(at, 0, content, newline);
    return parts.join('');
  }
  const gap = text === '' || /[\r\n]$/.test(text) ? '' : newline;
  return `${text}${gap}${content}${newline}`;
}

/** A line moved up (-1) or down (1) by one. */
export function moveLine(text: string, line: number, step: 1 | -1): string {
  const parts = pieces(text);
  const [from, to] = [(line - 1) * 2, (line - 1 + step) * 2];
  const [one, other] = [parts[from], parts[to]];
  if (one === undefined || other === undefined || (to === parts.length - 1 && other === '')) return text;
  parts[from] = other;
  parts[to] = one;
  return parts.join('');
}

/** A rule as it may be said anew. */
export interface RuleWords {
  readonly allow: boolean;
  readonly pattern: string;
}

/** Writes a rule into the line of another; spelling of the field, spaces and a comment behind it stay. */
export function setRule(text: string, line: number, rule: RuleWords): string {
  const raw = pieces(text)[(line - 1) * 2];
  const parts = raw === undefined ? null : /^(\s*)(allow|disallow)(\s*:\s*)([^#]*?)(\s*#.*|\s*)$/i.exec(raw);
  if (!parts) return text;
  const [, indent = '', field = '', colon = '', , tail = ''] = parts;
  const same = (field.toLowerCase() === 'allow') === rule.allow;
  const space = /\s$/.test(colon) || rule.pattern === '' ? colon : `${colon} `;
  return replaceLine(text, line, `${indent}${same ? field : rule.allow ? 'Allow' : 'Disallow'}${space}${rule.pattern}${tail}`);
}

const ruleLine = ({ allow, pattern }: RuleWords): string => `${allow ? 'Allow' : 'Disallow'}: ${pattern}`.trimEnd();

/** Adds a rule for a crawler: behind the last line of its last group, or in a new group at the end. `*` is everybody. */
export function addRule(text: string, token: CrawlerToken, rule: RuleWords): string {
  const file = parseRobots(text);
  const last = lastLineFor(file, token);
  if (last !== undefined) return insertLine(text, last + 1, ruleLine(rule));
  const newline = newlineOf(text);
  const gap = text === '' ? '' : /[\r\n]$/.test(text) ? newline : newline + newline;
  return `${text}${gap}User-agent: ${token}${newline}${ruleLine(rule)}${newline}`;
}

/** The last line of the last group that addresses a token: its last rule, or the crawler's name where it has none. */
function lastLineFor(file: RobotsFile, token: CrawlerToken): number | undefined {
  const wanted = token.toLowerCase();
  const addressed = file.groups.map((group) => group.tokens.some((name) => name.toLowerCase() === wanted));
  return file.lines.findLast((line) => (line.kind === 'user-agent' || line.kind === 'rule') && line.group !== undefined && addressed[line.group])?.line;
}

/**
 * A text whose lines were typed anew in a field that knows one sort of line end (`shown`, with LF): lines that nobody touched keep their own ends and all
 * their characters, a byte order mark too; new ones get the end of the line before them.
 */
export function retyped(text: string, shown: string): string {
  const old = pieces(text);
  const lines = shown.split('\n');
  const count = (old.length + 1) / 2;
  let before = 0;
  while (before < count && before < lines.length && old[before * 2] === lines[before]) before++;
  let after = 0;
  while (after < count - before && after < lines.length - before && old[(count - 1 - after) * 2] === lines[lines.length - 1 - after]) after++;
  const usual = newlineOf(text);
  const ends = lines.slice(1).map((_, at) => {
    const from = at < before ? at : at >= lines.length - after ? at - lines.length + count : at < count - after ? at : before - 1;
    return old[from * 2 + 1] ?? usual;
  });
  // A lone CR in front of an empty line that ends in LF would make one end of the two.
  return lines.map((line, at) => line + (ends[at] === '\r' && lines[at + 1] === '' && ends[at + 1] === '\n' ? '\r\n' : (ends[at] ?? ''))).join('');
}
