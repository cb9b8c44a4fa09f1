import { parseTree, type Node, type ParseError } from 'jsonc-parser';
import { MARKUP_LIMITS } from './item.ts';

export interface JsonEntry {
  readonly name: string;
  readonly key: Node;
  readonly value: Node;
}

/** The entries of an object; of a key that stands twice the last counts, as for any reader of JSON. */
export function entriesOf(object: Node): readonly JsonEntry[] {
  const byName = new Map<string, JsonEntry>();
  for (const property of object.children ?? []) {
    const [key, value] = property.children ?? [];
    if (key && value) byName.set(String(key.value), { name: String(key.value), key, value });
  }
  return [...byName.values()];
}

/** The members of a list, or the one thing that is none. */
export const listOf = (node: Node): readonly Node[] => (node.type === 'array' ? (node.children ?? []) : [node]);

export const textIn = (node: Node): string | undefined => (node.type === 'string' ? String(node.value) : undefined);

export interface JsonReading {
  /** Undefined where nothing could be made of it. */
  readonly root: Node | undefined;
  readonly problem:
    { readonly code: 'json-broken' | 'json-repaired' | 'nothing-in-it' | 'too-deep' | 'too-much'; readonly at: number; readonly detail: string } | undefined;
}

/** Comments of HTML and marks of CDATA around a block, as old pages have them. */
const AROUND = /^\s*(?:\/\/|\/\*)?\s*(?:<!--|<!\[CDATA\[)\s*(?:\*\/)?|(?:\/\/|\/\*)?\s*(?:-->|\]\]>)\s*(?:\*\/)?\s*;?\s*$/g;

/** Errors after which all is there all the same: a comma before nothing (3, 4), a comment (10), a character that is no JSON (16), as the parser numbers them. */
const MENDABLE: ReadonlySet<number> = new Set([3, 4, 10, 16]);

/**
 * Reads JSON with places. What is none is read as far as can be and said to be so: `json-repaired` where a reader of JSON fails but all could be made out (a
 * comment, a comma too many), `json-broken` where parts are lost.
 */
export function readJson(text: string): JsonReading {
  if (text.length > MARKUP_LIMITS.block) return { root: undefined, problem: { code: 'too-much', at: 0, detail: String(text.length) } };
  // What is taken off is put back as spaces, so that places stay.
  const bare = text.replace(AROUND, (mark) => ' '.repeat(mark.length)).replace(/^\ufeff/, ' ');
  if (bare.trim() === '') return { root: undefined, problem: { code: 'nothing-in-it', at: 0, detail: '' } };
  const deep = tooDeepAt(bare);
  if (deep !== undefined) return { root: undefined, problem: { code: 'too-deep', at: deep, detail: String(MARKUP_LIMITS.depth) } };
  const errors: ParseError[] = [];
  const root = parseTree(bare, errors, { disallowComments: true, allowTrailingComma: false });
  const [first] = errors;
  if (!first) return { root, problem: undefined };
  const kind = errors.every(({ error }) => MENDABLE.has(error)) && root ? 'json-repaired' : 'json-broken';
  return { root, problem: { code: isJson(bare) ? 'json-repaired' : kind, at: first.offset, detail: bare.slice(first.offset, first.offset + 24) } };
}

function isJson(text: string): boolean {
  try {
    JSON.parse(text);
    return true;
  } catch {
    return false;
  }
}

const TOKENS = /"(?:[^"\\]|\\.)*"|[{}[\]]/gs;

/** Where a block nests deeper than any block should; undefined where it does not. Strings are stepped over. */
function tooDeepAt(text: string): number | undefined {
  let depth = 0;
  for (const { 0: token, index } of text.matchAll(TOKENS)) {
    if (token === '{' || token === '[') {
      if (++depth > MARKUP_LIMITS.depth) return index;
    } else if (token === '}' || token === ']') depth--;
  }
  return undefined;
}
