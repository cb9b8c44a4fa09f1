/** Texts alike from this on; equal ones are not called near. */
const ALIKE = 0.72;
/** A text with more look-alikes than this is a template's, and the rest of them are told by the first few. */
const MOST = 12;
/** Candidates looked at for one text: what keeps ten thousand texts of one template within bounds. */
const LOOKED_AT = 160;
const SHORTEST = 12;

/** Three-letter shingles of a text without case, spacing and punctuation, as numbers. */
function shingles(text: string): Set<number> {
  const plain = `${text
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim()} `;
  const found = new Set<number>();
  for (let at = 0; at + 2 < plain.length; at++) found.add((plain.charCodeAt(at) * 65536 + plain.charCodeAt(at + 1)) * 97 + plain.charCodeAt(at + 2) * 31);
  return found;
}

/** How alike two texts are, 0 to 1: shared shingles over all shingles (Jaccard). */
export function similarity(a: string, b: string): number {
  return jaccard(shingles(a), shingles(b));
}

function jaccard(a: ReadonlySet<number>, b: ReadonlySet<number>): number {
  let shared = 0;
  for (const one of a) if (b.has(one)) shared++;
  return shared === 0 ? 0 : shared / (a.size + b.size - shared);
}

interface Kept {
  readonly text: string;
  readonly all: ReadonlySet<number>;
  readonly prefix: readonly number[];
  readonly near: Set<string>;
}

/**
 * Which pages have nearly the same text, kept up to date as texts change. Not all pairs are compared: two texts that are alike enough must share one
 * of their rarest shingles (the prefix filter of set-similarity joins), so only those that do are looked at.
 */
export class NearIndex {
  private readonly frequency = new Map<number, number>();
  private readonly postings = new Map<number, Set<string>>();
  private readonly pages = new Map<string, Kept>();

  /** `texts` are those the site starts with: they tell which shingles are rare. The order stays as it was found then. */
  constructor(texts: Iterable<string>) {
    for (const text of texts) for (const one of shingles(text)) this.frequency.set(one, (this.frequency.get(one) ?? 0) + 1);
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
      for (const one of old.prefix) this.postings.get(one)?.delete(page);
      this.pages.delete(page);
    }
    if (text.length < SHORTEST) return touched;
    const all = shingles(text);
    const kept: Kept = { text, all, prefix: this.rarest(all), near: new Set() };
    for (const other of this.candidates(kept)) {
      const their = this.pages.get(other) as Kept;
      if (their.near.size >= MOST || normal(their.text) === normal(text) || jaccard(all, their.all) < ALIKE) continue;
      kept.near.add(other);
      their.near.add(page);
      touched.add(other);
      if (kept.near.size >= MOST) break;
    }
    for (const one of kept.prefix) {
      const posting = this.postings.get(one);
      if (posting) posting.add(page);
      else this.postings.set(one, new Set([page]));
    }
    this.pages.set(page, kept);
    return touched;
  }

  /** The pages whose text is nearly this page's, in order. */
  near(page: string): string[] {
    return [...(this.pages.get(page)?.near ?? [])].sort();
  }

  private candidates(kept: Kept): Set<string> {
    const found = new Set<string>();
    for (const one of kept.prefix)
      for (const page of this.postings.get(one) ?? []) {
        found.add(page);
        if (found.size >= LOOKED_AT) return found;
      }
    return found;
  }

  /** The shingles that any text alike enough must share one of, rarest first. */
  private rarest(all: ReadonlySet<number>): number[] {
    const rank = (one: number): number => this.frequency.get(one) ?? 0;
    const length = all.size - Math.ceil(ALIKE * all.size) + 1;
    return [...all].sort((a, b) => rank(a) - rank(b) || a - b).slice(0, length);
  }
}

const normal = (text: string): string => text.toLowerCase().replace(/\s+/g, ' ').trim();
