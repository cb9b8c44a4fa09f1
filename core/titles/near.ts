/** A text with more look-alikes than this is a template's, and the rest of them are told by the first few. */
const MOST = 12;
/** Candidates looked at for one text: what keeps ten thousand texts of one template within bounds. */
const LOOKED_AT = 100;
const SHORTEST = 12;

/** How texts are taken apart, and from which likeness on they count as near (shared parts over all parts, Jaccard). */
const WAYS = {
  /** Runs of three letters: for titles, where one letter may be all the difference. */
  letters: { alike: 0.72, parts: lettersOf },
  /** Words and pairs of words: for descriptions. */
  words: { alike: 0.6, parts: partsOf },
} as const;
export type NearWay = keyof typeof WAYS;

function plain(text: string): string {
  return text
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim();
}

function lettersOf(text: string): Set<string> {
  const letters = `${plain(text)} `;
  const found = new Set<string>();
  for (let at = 0; at + 2 < letters.length; at++) found.add(letters.slice(at, at + 3));
  return found;
}

function partsOf(text: string): Set<string> {
  const words = plain(text).split(' ');
  const found = new Set(words);
  for (let at = 0; at + 1 < words.length; at++) found.add(`${words[at] as string} ${words[at + 1] as string}`);
  return found;
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
  readonly parts: Int32Array;
  readonly near: Set<string>;
}

/**
 * Which pages have nearly the same text, kept up to date as texts change. Not all pairs are compared: two texts that are alike enough must share one
 * of their rarest parts (the prefix filter of set-similarity joins), so only those that do are looked at.
 */
export class NearIndex {
  /** Parts by how rare they were at first: a lower number is rarer; those that come later are the rarest. */
  private readonly ranks = new Map<string, number>();
  private fresh = 0;
  private readonly postings = new Map<number, Set<string>>();
  private readonly pages = new Map<string, Kept>();
  private readonly alike: number;

  /** `texts` are those the site starts with: they tell which parts are rare. The order stays as it was found then. */
  constructor(
    texts: Iterable<string>,
    private readonly way: NearWay = 'letters',
  ) {
    this.alike = WAYS[way].alike;
    const frequency = new Map<string, number>();
    for (const text of texts) for (const part of WAYS[way].parts(text)) frequency.set(part, (frequency.get(part) ?? 0) + 1);
    [...frequency].sort((a, b) => a[1] - b[1]).forEach(([part], index) => this.ranks.set(part, index));
  }

  /** Sets a page's text; empty takes it out. Gives the pages whose look-alikes may have changed, the page itself among them. */
  put(page: string, text: string): Set<string> {
    const touched = new Set<string>([page]);
    const old = this.pages.get(page);
    if (old?.text === text) return touched;
    if (old) {
      for (const other of old.near) {
        this.pages.get(other)?.near.delete(page);
        touched.add(other);
      }
      for (const part of this.prefix(old.parts)) this.postings.get(part)?.delete(page);
      this.pages.delete(page);
    }
    if (text.length < SHORTEST) return touched;
    const kept: Kept = { text, parts: this.partsOf(text), near: new Set() };
    for (const other of this.candidates(kept)) {
      const their = this.pages.get(other) as Kept;
      if (their.near.size >= MOST || !this.areAlike(kept.parts, their.parts) || normal(their.text) === normal(text)) continue;
      kept.near.add(other);
      their.near.add(page);
      touched.add(other);
      if (kept.near.size >= MOST) break;
    }
    for (const part of this.prefix(kept.parts)) {
      const posting = this.postings.get(part);
      if (posting) posting.add(page);
      else this.postings.set(part, new Set([page]));
    }
    this.pages.set(page, kept);
    return touched;
  }

  /** The pages whose text is nearly this page's, in order. */
  near(page: string): string[] {
    return [...(this.pages.get(page)?.near ?? [])].sort();
  }

  private partsOf(text: string): Int32Array {
    const parts = [...WAYS[this.way].parts(text)].map((part) => {
      const known = this.ranks.get(part);
      if (known !== undefined) return known;
      this.ranks.set(part, --this.fresh);
      return this.fresh;
    });
    return Int32Array.from(parts).sort();
  }

  /** The parts that any text alike enough must share one of. */
  private prefix(parts: Int32Array): Int32Array {
    return parts.subarray(0, parts.length - Math.ceil(this.alike * parts.length) + 1);
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
  private areAlike(a: Int32Array, b: Int32Array): boolean {
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
