import type { IndexRecord } from './records.ts';
import { wordsOf } from './words.ts';

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

/** Where the words stand in a text, as offsets. */
export function marksIn(snippet: string, words: readonly string[]): [number, number][] {
  const wanted = new Set(words);
  return [...snippet.matchAll(/[\p{L}\p{N}]+/gu)]
    .filter(([word]) => wanted.has(word.toLowerCase()))
    .map((match) => [match.index, match.index + match[0].length]);
}
