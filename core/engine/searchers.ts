import { textNumber } from '../source/index.ts';
import type { IndexRecord } from './records.ts';
import type { SearchIndex } from './search-index.ts';
import { SHOWN_BY, snippetFor } from './snippet.ts';
import { wordsOf } from './words.ts';

/*
 * Invented searchers. Nobody stands behind these numbers: they follow from four tables, and the same site always gets the same ones. What is modelled is
 * written for readers in docs/rehearsal.md.
 */

/** What searchers saw and pressed on one day, of one page, after one query. */
export interface Seen {
  /** `YYYY-MM-DD`. */
  readonly day: string;
  readonly query: string;
  readonly address: string;
  readonly seen: number;
  readonly clicks: number;
  readonly position: number;
}

/** Searches a day for a phrase of so many words, before it is varied by the phrase itself. */
const DEMAND = [0, 18, 14, 9, 6, 4, 3] as const;
/** How many of those who look press the result in each place; beyond the tenth hardly anybody. */
const PRESSED = [0, 0.3, 0.16, 0.1, 0.07, 0.05, 0.04, 0.03, 0.025, 0.02, 0.018] as const;
/** How many of those who search look at the second page of results. */
const SECOND_PAGE = 0.06;
const PLACES = 20;
/** Queries for one site in a day. */
export const MOST_QUERIES = 200;

/** How many searches a day a phrase gets: fewer the longer it is, and each phrase its own share between a half and one and a half. */
export function demandFor(phrase: string): number {
  const words = wordsOf(phrase);
  const base = DEMAND[Math.min(words.length, DEMAND.length - 1)] ?? 0;
  return base * (0.5 + chance(`demand ${words.join(' ')}`));
}

/**
 * What is searched for around a site: what its owner wants it to be found for, then what its listed pages are called where that is more than one word, then its own name. `phrases` are the
 * owner's.
 */
export function queriesFor(records: readonly IndexRecord[], phrases: readonly string[]): string[] {
  const found = new Map<string, string>();
  const add = (phrase: string): void => {
    const words = wordsOf(phrase);
    const key = words.join(' ');
    if (words.length > 0 && words.length <= 8 && !found.has(key) && found.size < MOST_QUERIES) found.set(key, key);
  };
  phrases.forEach(add);
  for (const { outcome, title } of records)
    if (outcome === 'listed') {
      // Nobody types what stands after the dash: it is the site's name, on each page.
      const parts = title.split(/\s[|–—·»-]\s|:\s/);
      const name = wordsOf(parts[0] ?? '');
      // Who types one word means something else, and nobody looks for a second page of a list.
      if (name.length > 1 && !/^\d+$/.test(name.at(-1) ?? '')) add(parts[0] ?? '');
      if (parts.length > 1) add(parts.at(-1) ?? '');
    }
  return [...found.values()];
}

/** What searchers saw of a host on a day, `YYYY-MM-DD`. Shares of a person are rounded by chance that is the same each time. */
export function seenOn(day: string, host: string, queries: readonly string[], index: Pick<SearchIndex, 'ranked'>): Seen[] {
  return queries.flatMap((query) => {
    const searches = demandFor(query) * (0.7 + 0.6 * chance(`${day} ${query}`));
    const words = wordsOf(query);
    return index.ranked(query, PLACES).flatMap(({ record, position }) => {
      if (new URL(record.address).host !== host) return [];
      const seen = whole(searches * (position <= 10 ? 1 : SECOND_PAGE), `seen ${day} ${query} ${record.address}`);
      if (seen === 0) return [];
      const share = (PRESSED[position] ?? 0.01) * fitOf(record, words);
      const clicks = Math.min(seen, whole(seen * share, `click ${day} ${query} ${record.address}`));
      return [{ day, query, address: record.address, seen, clicks, position }];
    });
  });
}

/** How much what is shown invites: more where the searcher's words stand in the title and in the snippet, little where only the bare address is shown. */
function fitOf(record: IndexRecord, words: readonly string[]): number {
  if (record.outcome === 'bare') return 0.2;
  const share = (text: string): number => {
    const have = new Set(wordsOf(text));
    return words.filter((word) => have.has(word)).length / words.length;
  };
  return 0.4 + 0.7 * share(record.title) + 0.4 * share(snippetFor(record, words, SHOWN_BY.skerry.description));
}

/** A number to the whole one below or above it, by a chance as large as its rest. */
const whole = (value: number, seed: string): number => Math.floor(value) + (chance(seed) < value % 1 ? 1 : 0);

/** A number from 0 to 1 that follows from a text: FNV-1a, stirred. */
function chance(text: string): number {
  let hash = textNumber(text);
  hash = Math.imul(hash ^ (hash >>> 15), 0x85ebca6b);
  hash = Math.imul(hash ^ (hash >>> 13), 0xc2b2ae35);
  return ((hash ^ (hash >>> 16)) >>> 0) / 0x1_0000_0000;
}

/** The days of which an engine tells: as in life, the last two are not counted yet. `now` in milliseconds. */
export function toldUntil(now: number): string {
  return new Date(now - 2 * 86_400_000).toISOString().slice(0, 10);
}
