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

/** A search made ready, or what is wrong with it. */
export type ReadySearch =
  | { readonly ok: true; readonly apply: (text: string) => string | undefined }
  | { readonly ok: false; readonly reason: 'empty' | 'pattern'; readonly detail: string };

/**
 * Makes a search ready; `apply` gives the text with everything found replaced, or undefined where nothing was. Regular expressions are matched by an
 * automaton (RE2): the time is linear in the text whatever the pattern, so none runs away. Groups are `$1`, names `${name}`.
 */
export function readySearch(search: Search): ReadySearch {
  if (search.find === '') return { ok: false, reason: 'empty', detail: '' };
  try {
    const pattern = RE2JS.compile(search.regular ? search.find : RE2JS.quote(search.find), search.matchCase ? 0 : RE2JS.CASE_INSENSITIVE);
    const replacement = search.regular ? search.replace : search.replace.replace(/\$/g, '$$$$');
    return {
      ok: true,
      apply: (text) => {
        const replaced = search.wholeWords ? replaceWords(text, pattern, replacement) : pattern.matcher(text).replaceAll(replacement);
        return replaced === text ? undefined : replaced;
      },
    };
  } catch (error) {
    return { ok: false, reason: 'pattern', detail: messageOf(error) };
  }
}

/** Replaces what stands between edges of words, whatever the script. */
function replaceWords(text: string, pattern: RE2JS, replacement: string): string {
  const matcher = pattern.matcher(text);
  let out = '';
  let at = 0;
  while (matcher.find()) {
    const start = matcher.start();
    const end = matcher.end();
    if (end === start || isWord(text[start - 1]) || isWord(text[end])) continue;
    out += text.slice(at, start) + pattern.matcher(text.slice(start, end)).replaceFirst(replacement);
    at = end;
  }
  return out + text.slice(at);
}

const isWord = (character: string | undefined): boolean => character !== undefined && /[\p{L}\p{N}_]/u.test(character);
