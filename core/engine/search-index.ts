import { keysOf } from '../keyed/index.ts';
import { lowerBound, percentDecoded } from '../source/index.ts';
import type { IndexRecord, SearchResult } from './records.ts';
import type { EngineId } from '../engines/index.ts';
import { marksIn, SHOWN_BY, snippetFor } from './snippet.ts';
import { readQuery, wordsOf, type Query } from './words.ts';

/** The fields in which words count, and how much. */
const WEIGHTS = { title: 6, headings: 3, description: 2, address: 2, text: 1 } as const;
type Field = keyof typeof WEIGHTS;
const FIELDS = keysOf(WEIGHTS);
/** Results of one site that stand on their own; the others are folded away. */
const OF_ONE_SITE = 2;

/** A page in which a word stands: its number, its weight for that word, and a bit for each field. */
interface Posting {
  readonly page: number;
  readonly weight: number;
  readonly fields: number;
}
interface Hit {
  readonly record: IndexRecord;
  readonly score: number;
  readonly page: number;
}

/**
 * An index of records that answers queries. Words count by the field they stand in and by how rare they are among the pages asked about; links in count a
 * little; a bare address can only be found by its address.
 */
export class SearchIndex {
  private readonly known: readonly IndexRecord[];
  private readonly postings = new Map<string, Posting[]>();

  /** `engine` tells where results are cut. */
  constructor(
    records: Iterable<IndexRecord>,
    private readonly engine: EngineId = 'skerry',
  ) {
    this.known = [...records].filter(({ outcome }) => outcome === 'listed' || outcome === 'bare');
    for (const [page, record] of this.known.entries()) this.add(page, record);
  }

  private add(page: number, record: IndexRecord): void {
    const found = new Map<string, { weight: number; fields: number }>();
    for (const [bit, field] of FIELDS.entries())
      for (const [word, times] of counted(textOf(record, field))) {
        const here = found.get(word) ?? { weight: 0, fields: 0 };
        here.weight += WEIGHTS[field] * (times / (times + 1.2));
        here.fields |= 1 << bit;
        found.set(word, here);
      }
    for (const [word, { weight, fields }] of found) {
      const list = this.postings.get(word);
      if (list) list.push({ page, weight, fields });
      else this.postings.set(word, [{ page, weight, fields }]);
    }
  }

  /**
   * Answers a query, best first. `site:host` (with or without more words) lists what is known of a host; words in quotes are to stand side by side. Without
   * `site:`, what a site has beyond its best two is folded into the second. `from` is how many are passed over, `most` how many are told; `total` counts all.
   */
  search(text: string, { from = 0, most = 20 }: { readonly from?: number; readonly most?: number } = {}): Found {
    const query = readQuery(text);
    if (query.words.length === 0) {
      const all = query.site === undefined ? [] : this.allOf(query.site);
      return { total: all.length, results: all.slice(from, from + most).map((record) => this.plainCard(record, [])) };
    }
    const hits = this.hits(query);
    const shown = query.site === undefined ? folded(hits) : hits.map((hit) => ({ hit, more: 0 }));
    return { total: shown.length, results: shown.slice(from, from + most).map(({ hit, more }, at) => this.card(hit, query, from + at + 1, more)) };
  }

  /** The pages that answer a query, best first, as they stand in line: folded, with their places. */
  ranked(text: string, most: number): { readonly record: IndexRecord; readonly position: number }[] {
    return folded(this.hits(readQuery(text)))
      .slice(0, most)
      .map(({ hit: { record } }, at) => ({ record, position: at + 1 }));
  }

  private allOf(site: string): IndexRecord[] {
    return this.known.filter(({ address }) => isOn(address, site)).sort(byAddress);
  }

  private hits({ words, phrases, site }: Query): Hit[] {
    const asked = site === undefined ? undefined : new Set(this.known.flatMap(({ address }, page) => (isOn(address, site) ? [page] : [])));
    const among = asked?.size ?? this.known.length;
    const found = new Map<number, { score: number; hits: number }>();
    for (const word of words) {
      const all = this.postings.get(word) ?? [];
      const postings = asked ? all.filter(({ page }) => asked.has(page)) : all;
      const rare = Math.log(1 + among / Math.max(1, postings.length));
      for (const { page, weight } of postings) {
        const here = found.get(page) ?? { score: 0, hits: 0 };
        here.score += weight * rare;
        here.hits++;
        found.set(page, here);
      }
    }
    return [...found]
      .flatMap(([page, { score, hits }]): Hit[] => {
        const record = this.known[page] as IndexRecord;
        if (!phrases.every((phrase) => hasPhrase(record, phrase))) return [];
        // A page with half of the words is no answer unless there is none better.
        return [{ record, page, score: score * (hits / words.length) ** 2 * linkFactor(record) }];
      })
      .sort((a, b) => b.score - a.score || byAddress(a.record, b.record));
  }

  private card({ record, page }: Hit, { words }: Query, position: number, more: number): SearchResult {
    // Postings stand in the order of their pages.
    const fieldsOf = (word: string): number => {
      const all = this.postings.get(word) ?? [];
      const found = all[lowerBound(all, (posting) => posting.page < page)];
      return found?.page === page ? found.fields : 0;
    };
    const stands = words.map((word) => ({ word, fields: fieldsOf(word) }));
    const where = FIELDS.flatMap((field, bit) => {
      const here = stands.flatMap(({ word, fields }) => ((fields & (1 << bit)) === 0 ? [] : [word]));
      return here.length === 0 ? [] : [{ field, words: here }];
    });
    const missing = stands.flatMap(({ word, fields }) => (fields === 0 ? [word] : []));
    return {
      ...this.plainCard(record, words),
      position,
      why: { where, missing, links: record.linkedFrom.length },
      ...(more > 0 ? { more } : {}),
    };
  }

  private plainCard(record: IndexRecord, words: readonly string[]): SearchResult {
    if (record.outcome === 'bare') return { address: record.address, title: record.address.replace(/^https?:\/\//, ''), snippet: '', marks: [], bare: true };
    const snippet = snippetFor(record, words, SHOWN_BY[this.engine].description);
    return {
      address: record.address,
      title: record.title || record.headings[0] || record.address,
      snippet,
      marks: marksIn(snippet, words),
      bare: false,
      ...(record.extras ? { extras: record.extras } : {}),
    };
  }
}

/** The results of a query that are told, and how many there are. */
export interface Found {
  readonly total: number;
  readonly results: readonly SearchResult[];
}

/** What a page has of a site's links counts a little: twice as much from fifteen as from none. */
function linkFactor({ linkedFrom }: IndexRecord): number {
  return 1 + Math.log2(1 + Math.min(15, linkedFrom.length)) / 4;
}

/** At most two results of a site one after the other; the second tells how many more there are. */
function folded(hits: readonly Hit[]): { readonly hit: Hit; readonly more: number }[] {
  const shown: { hit: Hit; more: number }[] = [];
  const last = new Map<string, { count: number; at: number }>();
  for (const hit of hits) {
    const { host } = new URL(hit.record.address);
    const { count, at } = last.get(host) ?? { count: 0, at: 0 };
    if (count < OF_ONE_SITE) {
      last.set(host, { count: count + 1, at: shown.length });
      shown.push({ hit, more: 0 });
    } else (shown[at] as { more: number }).more++;
  }
  return shown;
}

const byAddress = (a: IndexRecord, b: IndexRecord): number => (a.address < b.address ? -1 : 1);

function isOn(address: string, site: string): boolean {
  const bare = address.replace(/^https?:\/\//, '').toLowerCase();
  return bare === site || bare.startsWith(`${site}/`);
}

function textOf(record: IndexRecord, field: Field): string {
  switch (field) {
    case 'headings':
      return record.headings.join(' ');
    case 'address':
      return percentDecoded(record.address.replace(/^https?:\/\/[^/]*/, ''));
    default:
      return record[field];
  }
}

function hasPhrase(record: IndexRecord, phrase: readonly string[]): boolean {
  const wanted = ` ${phrase.join(' ')} `;
  return [record.title, ...record.headings, record.description, record.text].some((text) => ` ${wordsOf(text).join(' ')} `.includes(wanted));
}

function counted(text: string): Map<string, number> {
  const counts = new Map<string, number>();
  for (const word of wordsOf(text)) counts.set(word, (counts.get(word) ?? 0) + 1);
  return counts;
}
