import type { EngineId } from '../engines/index.ts';
import { DESCRIPTION_LIMITS, fit, TITLE_LIMITS, type TextLimit } from '../titles/index.ts';
import type { IndexRecord } from './records.ts';
import { wordsOf } from './words.ts';

/** How far apart the stretches of a text are that are looked at, and how long each is, in characters. */
const STRETCH = 160;
/** Most of a text that is measured for its cut: more than any room holds. */
const LONGEST = 1_000;

/** Where each engine cuts what it shows. */
export const SHOWN_BY: Readonly<Record<EngineId, { readonly title: TextLimit; readonly description: TextLimit }>> = {
  skerry: { title: TITLE_LIMITS[0], description: DESCRIPTION_LIMITS[0] },
  plover: { title: TITLE_LIMITS[2] ?? TITLE_LIMITS[0], description: DESCRIPTION_LIMITS[2] ?? DESCRIPTION_LIMITS[0] },
};

/** What a result says below its title comes from these. `maxSnippet` is what the page allows, in characters. */
export type Shown = Pick<IndexRecord, 'description' | 'lead' | 'text'> & { readonly maxSnippet?: number | undefined };

/**
 * What a result says below its title, as it is shown: the description where it answers the query, else the stretch of text in which most of its words stand;
 * cut where the room ends, and to what the page allows. The one function for a preview, a search and a look at one address.
 */
export function snippetFor(page: Shown, words: readonly string[], limit: TextLimit): string {
  const shown = fit(stretchFor(page, words).slice(0, LONGEST), limit).shown;
  const { maxSnippet = -1 } = page;
  // What a page allows to be shown counts before what fits.
  return maxSnippet < 0 || shown.length <= maxSnippet ? shown : shown.slice(0, maxSnippet).trimEnd();
}

/** The text from where it is shown. */
function stretchFor({ description, lead, text }: Shown, words: readonly string[]): string {
  const present = (part: string): number => {
    const have = new Set(wordsOf(part));
    return words.filter((word) => have.has(word)).length;
  };
  const described = present(description);
  if (description !== '' && described === words.length) return description;
  if (present(lead) === words.length && lead !== '' && description === '') return lead;
  let best = { at: 0, hits: 0 };
  for (let at = 0; at < text.length; at += STRETCH / 2) {
    const hits = present(text.slice(at, at + STRETCH));
    if (hits > best.hits) best = { at, hits };
  }
  if (description !== '' && described >= best.hits) return description;
  if (best.hits === 0 && lead !== '') return lead;
  if (best.at === 0) return text;
  return `… ${text.slice(text.indexOf(' ', best.at) + 1 || best.at)}`;
}

/** Where the words stand in a text, as offsets. */
export function marksIn(snippet: string, words: readonly string[]): [number, number][] {
  const wanted = new Set(words);
  return [...snippet.matchAll(/[\p{L}\p{N}]+/gu)]
    .filter(([word]) => wanted.has(word.toLowerCase()))
    .map((match) => [match.index, match.index + match[0].length]);
}
