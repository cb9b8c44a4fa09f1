import type { PageId } from '../source/index.ts';
import { isUnspaced } from '../language/index.ts';

/** A text with more look-alikes than this is a template's, and the rest of them are told by the first few. */
const MOST = 12;
/** Candidates looked at for one text: what keeps ten thousand texts of one template within bounds. */
const LOOKED_AT = 100;
/** How texts are taken apart, from which likeness on they count as near (shared parts over all parts, Jaccard), and how short they may be, in UTF-16 units. */
const WAYS = {
  /** Runs of three letters of each word: for titles, where an ending may be all the difference. The order of words says nothing. */
  letters: { alike: 0.62, parts: lettersOf, shortest: 5 },
  /** Beginnings of words: for descriptions, which are said again in other forms and in another order. */
  words: { alike: 0.6, parts: partsOf, shortest: 12 },
} as const;
export type NearWay = keyof typeof WAYS;

/** Short words that join others, in the languages whose sites we know best: with or without them it is the same text. */
const JOINTS = new Set(
  'and the for our your from with how und der die das den dem des ein eine für mit von zum zur unsere les des une pour avec nos sur los las una para con del por nuestro nuestra gli una per con del della het een voor met van onze uma para com dos das'.split(
    ' ',
  ),
);
/** So much of a word tells which it is, whatever its ending. */
const BEGINNING = 5;

/** The words of a text without case and accents; marks of scripts that are made of them stay. */
function plainWords(text: string): string[] {
  return text
    .normalize('NFKD')
    .replace(/[\u0300-\u036f]+/g, '')
    .normalize('NFC')
    .toLowerCase()
    .replace(/ß/g, 'ss')
    .split(/[^\p{L}\p{M}\p{N}]+/u)
    .filter(Boolean);
}

/** The words that tell texts apart, or all where none does. */
function tellingWords(text: string, least: number): string[] {
  const words = plainWords(text);
  const telling = words.filter((word) => isUnspaced(word) || /^\d/.test(word) || (word.length >= least && !JOINTS.has(word)));
  return telling.length > 0 ? telling : words;
}

function pairsOf(word: string): string[] {
  return word.length < 2 ? [word] : Array.from({ length: word.length - 1 }, (_, at) => word.slice(at, at + 2));
}

function lettersOf(text: string): Set<string> {
  const found = new Set<string>();
  for (const word of tellingWords(text, 3)) {
    if (isUnspaced(word)) for (const pair of pairsOf(word)) found.add(pair);
    // Another number is another thing: it weighs as much as a word.
    else if (/^\d+$/.test(word)) for (const part of ['a', 'b', 'c', 'd']) found.add(`${part}${word}`);
    else for (let padded = `_${word}_`, at = 0; at + 2 < padded.length; at++) found.add(padded.slice(at, at + 3));
  }
  return found;
}

function partsOf(text: string): Set<string> {
  return new Set(tellingWords(text, 4).flatMap((word) => (isUnspaced(word) ? pairsOf(word) : [word.slice(0, BEGINNING)])));
}

/** How alike two texts are, 0 to 1, by runs of three letters or another way. */
export function similarity(a: string, b: string, way: NearWay = 'letters'): number {
  const { parts } = WAYS[way];
  const one = parts(a);
  const other = parts(b);
  let shared = 0;
  for (const part of one) if (other.has(part)) shared++;
  return shared === 0 ? 0 : shared / (one.size + other.size - shared);
}

interface Kept {
  readonly text: string;
  /** Its parts as numbers, rarest first. */
  readonly parts: readonly number[];
  /** Made for those that have any: most texts have none. */
  near: Set<string> | undefined;
}

/**
 * Which pages have nearly the same text, kept up to date as texts change. Not all pairs are compared: two texts that are alike enough must share one
 * of their rarest parts (the prefix filter of set-similarity joins), so only those that do are looked at.
 */
export class NearIndex {
  /** Parts by how rare they were at first: a lower number is rarer; those that come later are the rarest. */
  private readonly ranks = new Map<string, number>();
  private fresh = 0;
  /** The pages that have a part among their rarest: lists, since most are short. */
  private readonly postings = new Map<number, string[]>();
  private readonly pages = new Map<string, Kept>();
  private readonly alike: number;
  /** How often each part was counted, until the first text is put. */
  private counted: Map<string, number> | undefined = new Map();

  /** `texts` are those the site starts with, or the first of them (`count` takes the rest): they tell which parts are rare. The order stays as it was found then. */
  constructor(
    texts: Iterable<string>,
    private readonly way: NearWay = 'letters',
  ) {
    this.alike = WAYS[way].alike;
    for (const text of texts) this.count(text);
  }

  /** Counts one more of the texts that the site starts with. Once a text was put, the order stands. */
  count(text: string): void {
    const { counted } = this;
    if (counted) for (const part of WAYS[this.way].parts(text)) counted.set(part, (counted.get(part) ?? 0) + 1);
  }

  private rank(): void {
    [...(this.counted ?? [])].sort((a, b) => a[1] - b[1]).forEach(([part], index) => this.ranks.set(part, index));
    this.counted = undefined;
  }

  /** Sets a page's text; empty takes it out. Gives the pages whose look-alikes may have changed, the page itself among them. */
  put(page: PageId, text: string): Set<string> {
    if (this.counted) this.rank();
    const touched = new Set<string>([page]);
    const old = this.pages.get(page);
    if (old?.text === text) return touched;
    if (old) {
      for (const other of old.near ?? []) {
        this.pages.get(other)?.near?.delete(page);
        touched.add(other);
      }
      for (const part of this.prefix(old.parts)) {
        const left = this.postings.get(part)?.filter((one) => one !== page) ?? [];
        if (left.length > 0) this.postings.set(part, left);
        else this.postings.delete(part);
      }
      this.pages.delete(page);
    }
    if (text.length < WAYS[this.way].shortest) return touched;
    const kept: Kept = { text, parts: this.partsOf(text), near: undefined };
    for (const other of this.candidates(kept)) {
      const their = this.pages.get(other) as Kept;
      if ((their.near?.size ?? 0) >= MOST || !this.areAlike(kept.parts, their.parts) || normal(their.text) === normal(text)) continue;
      (kept.near ??= new Set()).add(other);
      (their.near ??= new Set()).add(page);
      touched.add(other);
      if (kept.near.size >= MOST) break;
    }
    for (const part of this.prefix(kept.parts)) {
      const posting = this.postings.get(part);
      if (posting) posting.push(page);
      else this.postings.set(part, [page]);
    }
    this.pages.set(page, kept);
    return touched;
  }

  /** The pages whose text is nearly this page's, in order. */
  near(page: PageId): string[] {
    return [...(this.pages.get(page)?.near ?? [])].sort();
  }

  private partsOf(text: string): readonly number[] {
    const parts = [...WAYS[this.way].parts(text)].map((part) => {
      const known = this.ranks.get(part);
      if (known !== undefined) return known;
      this.ranks.set(part, --this.fresh);
      return this.fresh;
    });
    return parts.sort((a, b) => a - b);
  }

  /** The parts that any text alike enough must share one of. */
  private prefix(parts: readonly number[]): readonly number[] {
    return parts.slice(0, parts.length - Math.ceil(this.alike * parts.length) + 1);
  }

  private candidates({ parts }: Kept): Set<string> {
    const found = new Set<string>();
    for (const part of this.prefix(parts))
      for (const page of this.postings.get(part) ?? []) {
        const { length } = (this.pages.get(page) as Kept).parts;
        if (length < this.alike * parts.length || parts.length < this.alike * length) continue;
        found.add(page);
        if (found.size >= LOOKED_AT) return found;
      }
    return found;
  }

  /** Whether two texts share enough: both in order, given up as soon as what is left cannot be enough. */
  private areAlike(a: readonly number[], b: readonly number[]): boolean {
    const needed = (this.alike / (1 + this.alike)) * (a.length + b.length);
    let shared = 0;
    for (let at = 0, to = 0; at < a.length && to < b.length;) {
      if (shared + Math.min(a.length - at, b.length - to) < needed) return false;
      const one = a[at] as number;
      const other = b[to] as number;
      if (one === other) {
        shared++;
        at++;
        to++;
      } else if (one < other) at++;
      else to++;
    }
    return shared >= needed - 1e-9;
  }
}

const normal = (text: string): string => text.toLowerCase().replace(/\s+/g, ' ').trim();
