import { percentDecoded } from '../source/index.ts';
import type { IndexRecord, SearchResult } from './records.ts';

/** Lower-case words of a text; letters and digits of any script. */
export function wordsOf(text: string): string[] {
  return (
    text
      .toLowerCase()
      .normalize('NFC')
      .match(/[\p{L}\p{N}]+/gu) ?? []
  );
}

const WEIGHTS = { title: 6, headings: 3, description: 2, address: 2, text: 1 } as const;

/**
 * Answers a query from the index, best first. `site:host` (with or without more words) lists what is known of a host. Words count by where they
 * stand and by how rare they are; bare addresses can only be found by their address.
 */
export function search(index: readonly IndexRecord[], query: string, most = 20): SearchResult[] {
  const site = /(?:^|\s)site:(\S+)/i
    .exec(query)?.[1]
    ?.toLowerCase()
    .replace(/^https?:\/\//, '')
    .replace(/\/$/, '');
  const words = [...new Set(wordsOf(query.replace(/(?:^|\s)site:\S+/gi, ' ')))];
  const known = index.filter((record) => (record.outcome === 'listed' || record.outcome === 'bare') && (site === undefined || isOn(record.address, site)));
  if (words.length === 0)
    return site === undefined
      ? []
      : known
          .sort(byAddress)
          .slice(0, most)
          .map((record) => card(record, []));

  const counted = known.map((record) => ({ record, fields: fieldsOf(record) }));
  const scored = counted.flatMap(({ record, fields }) => {
    let score = 0;
    let hits = 0;
    for (const word of words) {
      const weight = Object.entries(WEIGHTS).reduce((sum, [field, factor]) => {
        const times = fields[field as keyof typeof WEIGHTS].get(word) ?? 0;
        return sum + factor * (times / (times + 1.2));
      }, 0);
      if (weight === 0) continue;
      hits++;
      const having = counted.filter((other) => Object.values(other.fields).some((field) => field.has(word))).length;
      score += weight * Math.log(1 + counted.length / having);
    }
    // A page with half of the words is no answer unless there is none better.
    return hits === 0 ? [] : [{ record, score: score * (hits / words.length) ** 2 }];
  });
  return scored
    .sort((a, b) => b.score - a.score || byAddress(a.record, b.record))
    .slice(0, most)
    .map(({ record }) => card(record, words));
}

const byAddress = (a: IndexRecord, b: IndexRecord): number => (a.address < b.address ? -1 : 1);

function isOn(address: string, site: string): boolean {
  const bare = address.replace(/^https?:\/\//, '').toLowerCase();
  return bare === site || bare.startsWith(`${site}/`);
}

function fieldsOf(record: IndexRecord): Record<keyof typeof WEIGHTS, Map<string, number>> {
  return {
    title: count(record.title),
    headings: count(record.headings.join(' ')),
    description: count(record.description),
    address: count(percentDecoded(record.address.replace(/^https?:\/\/[^/]*/, ''))),
    text: count(record.text),
  };
}

function count(text: string): Map<string, number> {
  const counts = new Map<string, number>();
  for (const word of wordsOf(text)) counts.set(word, (counts.get(word) ?? 0) + 1);
  return counts;
}

function card(record: IndexRecord, words: readonly string[]): SearchResult {
  if (record.outcome === 'bare') return { address: record.address, title: record.address.replace(/^https?:\/\//, ''), snippet: '', marks: [], bare: true };
  const whole = snippetFor(record, words);
  // What a page allows to be shown counts before what fits.
  const snippet = record.maxSnippet === undefined || whole.length <= record.maxSnippet ? whole : whole.slice(0, record.maxSnippet).trimEnd();
  return {
    address: record.address,
    title: record.title || record.headings[0] || record.address,
    snippet,
    marks: marksIn(snippet, words),
    bare: false,
    ...(record.extras ? { extras: record.extras } : {}),
  };
}

const SNIPPET = 160;

/** The description where it answers the query, else the stretch of text in which most of its words stand. */
export function snippetFor(record: Pick<IndexRecord, 'description' | 'lead' | 'text'>, words: readonly string[]): string {
  const present = (text: string): number => {
    const have = new Set(wordsOf(text));
    return words.filter((word) => have.has(word)).length;
  };
  const described = present(record.description);
  if (record.description !== '' && described === words.length) return clip(record.description, 0);
  if (present(record.lead) === words.length && record.lead !== '' && record.description === '') return clip(record.lead, 0);
  let best = { at: 0, hits: 0 };
  for (let at = 0; at < record.text.length; at += SNIPPET / 2) {
    const hits = present(record.text.slice(at, at + SNIPPET));
    if (hits > best.hits) best = { at, hits };
  }
  if (record.description !== '' && described >= best.hits) return clip(record.description, 0);
  return best.hits === 0 && record.lead !== '' ? clip(record.lead, 0) : clip(record.text, best.at);
}

function clip(text: string, at: number): string {
  const start = at === 0 ? 0 : text.indexOf(' ', at) + 1 || at;
  if (text.length - start <= SNIPPET + 20) return (start > 0 ? '… ' : '') + text.slice(start);
  const end = text.lastIndexOf(' ', start + SNIPPET);
  return `${start > 0 ? '… ' : ''}${text.slice(start, end > start ? end : start + SNIPPET)} …`;
}

function marksIn(snippet: string, words: readonly string[]): [number, number][] {
  const wanted = new Set(words);
  return [...snippet.matchAll(/[\p{L}\p{N}]+/gu)]
    .filter(([word]) => wanted.has(word.toLowerCase()))
    .map((match) => [match.index, match.index + match[0].length]);
}
