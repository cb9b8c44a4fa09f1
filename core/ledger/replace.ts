import { messageOf } from '../source/index.ts';
import { RE2JS } from 're2js';

/** What is looked for, and how. */
export interface Search {
  readonly find: string;
  readonly replace: string;
  readonly regular: boolean;
  readonly matchCase: boolean;
  readonly wholeWords: boolean;
}

/** What is wrong with a regular expression. */
export const PATTERN_FAULTS = [
  'bracket-open',
  'bracket-closed',
  'class-open',
  'nothing-to-repeat',
  'repeat-twice',
  'not-known',
  'backslash-last',
  'escape',
  'range',
  'count',
  'group-name',
  'no-such-group',
  'edge-inside',
  'other',
] as const;
export type PatternFault = (typeof PATTERN_FAULTS)[number];

/** A search made ready, or what is wrong with it: where in it, in UTF-16 units, and which stretch of it. */
export type ReadySearch =
  | { readonly ok: true; readonly apply: (text: string) => string | undefined }
  | { readonly ok: false; readonly reason: 'empty' }
  | { readonly ok: false; readonly reason: 'pattern'; readonly fault: PatternFault; readonly at: number; readonly part: string };

/**
 * Makes a search ready; `apply` gives the text with everything found replaced, or undefined where nothing was. Regular expressions are matched by an
 * automaton (RE2): the time is linear in the text whatever the pattern, so none runs away. `\w` is a letter, mark or figure of any script, and `\b` at either
 * end of the expression an edge between such. Groups are `$1`, names `$<name>` or `${name}`, a dollar is `$$`.
 */
export function readySearch(search: Search): ReadySearch {
  const { find, replace, regular, matchCase, wholeWords } = search;
  if (find === '') return { ok: false, reason: 'empty' };
  const written = regular ? withoutEdges(find) : { inner: find, start: false, end: false };
  const inside = regular ? edgeInside(written.inner) : -1;
  if (inside >= 0) return fault('edge-inside', find.indexOf(written.inner) + inside, '\\b');
  try {
    const pattern = RE2JS.compile(regular ? anyScript(written.inner) : RE2JS.quote(find), matchCase ? 0 : RE2JS.CASE_INSENSITIVE);
    const pieces = regular ? readTemplate(replace) : [replace];
    const names = pattern.namedGroups();
    for (const piece of pieces) {
      if (typeof piece === 'string') continue;
      const known = typeof piece.group === 'number' ? piece.group <= pattern.groupCount() : Object.hasOwn(names, piece.group);
      if (!known) return fault('no-such-group', piece.at, String(piece.group));
    }
    const edges = { start: wholeWords || written.start, end: wholeWords || written.end };
    return {
      ok: true,
      apply: (text) => {
        const replaced = replaceIn(text, pattern, pieces, edges);
        return replaced === text ? undefined : replaced;
      },
    };
  } catch (error) {
    const { error: what, input } = error as { error?: string; input?: string | null };
    const part = input ?? '';
    return fault(FAULTS[what ?? messageOf(error)] ?? 'other', Math.max(0, part === '' ? find.length - 1 : find.indexOf(part)), part);
  }
}

const fault = (what: PatternFault, at: number, part: string): ReadySearch => ({ ok: false, reason: 'pattern', fault: what, at, part });

/** What the library calls faults. */
const FAULTS: Readonly<Record<string, PatternFault>> = {
  'missing closing )': 'bracket-open',
  'unexpected )': 'bracket-closed',
  'missing closing ]': 'class-open',
  'missing argument to repetition operator': 'nothing-to-repeat',
  'invalid nested repetition operator': 'repeat-twice',
  'invalid or unsupported Perl syntax': 'not-known',
  'trailing backslash at end of expression': 'backslash-last',
  'invalid escape sequence': 'escape',
  'invalid character class range': 'range',
  'invalid repeat count': 'count',
  'invalid named capture': 'group-name',
  'duplicate capture group name': 'group-name',
};

/** An expression without the edges of words at its ends. */
function withoutEdges(find: string): { readonly inner: string; readonly start: boolean; readonly end: boolean } {
  const start = find.startsWith('\\b');
  const rest = start ? find.slice(2) : find;
  // A backslash before it makes the last `\b` a backslash and a letter.
  const end = /(?:^|[^\\])(?:\\\\)*\\b$/.test(rest);
  return { inner: end ? rest.slice(0, -2) : rest, start, end };
}

/** Where an edge stands within an expression, where it could only be one of English words; -1 where none does. */
function edgeInside(pattern: string): number {
  for (let at = 0; at < pattern.length; at++) {
    if (pattern[at] !== '\\') continue;
    if (pattern[at + 1] === 'b' || pattern[at + 1] === 'B') return at;
    at++;
  }
  return -1;
}

/** `\w` and `\W` for letters, marks and figures of any script. */
function anyScript(pattern: string): string {
  let out = '';
  let inClass = false;
  for (let at = 0; at < pattern.length; at++) {
    const sign = pattern[at] as string;
    if (sign === '\\') {
      const next = pattern[at + 1];
      out += next === 'w' ? (inClass ? WORD : `[${WORD}]`) : next === 'W' && !inClass ? `[^${WORD}]` : sign + (next ?? '');
      at++;
      continue;
    }
    if (sign === '[') inClass = true;
    else if (sign === ']') inClass = false;
    out += sign;
  }
  return out;
}
const WORD = '\\p{L}\\p{M}\\p{N}_';

type Piece = string | { readonly group: number | string; readonly at: number };

/** A replacement as texts and groups, in order. */
function readTemplate(template: string): readonly Piece[] {
  const pieces: Piece[] = [];
  let from = 0;
  for (const match of template.matchAll(/\$(?:(\$)|(\d{1,2})|<([^<>]+)>|\{([^{}]+)\})/g)) {
    pieces.push(template.slice(from, match.index));
    const [, dollar, number, angled, braced] = match;
    const named = angled ?? braced;
    if (dollar) pieces.push('$');
    else pieces.push({ group: number !== undefined ? Number(number) : /^\d+$/.test(named ?? '') ? Number(named) : (named as string), at: match.index });
    from = match.index + match[0].length;
  }
  return [...pieces, template.slice(from)];
}

/** Replaces what is found, where asked only between edges of words, whatever the script. */
function replaceIn(text: string, pattern: RE2JS, pieces: readonly Piece[], edges: { readonly start: boolean; readonly end: boolean }): string {
  const matcher = pattern.matcher(text);
  let out = '';
  let from = 0;
  while (matcher.find()) {
    const [start, end] = [matcher.start(), matcher.end()];
    if ((edges.start || edges.end) && start === end) continue;
    if ((edges.start && isWord(text[start - 1])) || (edges.end && isWord(text[end]))) continue;
    const group = (name: number | string): string => (typeof name === 'number' ? matcher.group(name) : matcher.group(name)) ?? '';
    out += text.slice(from, start) + pieces.map((piece) => (typeof piece === 'string' ? piece : group(piece.group))).join('');
    from = end;
  }
  return out + text.slice(from);
}

const isWord = (character: string | undefined): boolean => character !== undefined && /[\p{L}\p{M}\p{N}_]/u.test(character);
