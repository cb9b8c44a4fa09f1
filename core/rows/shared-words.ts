import type { PageId } from '../source/index.ts';
import { nameWithoutNumber, numberAfterName } from '../site/index.ts';
import { NearIndex, SamenessIndex } from '../titles/index.ts';

/** What is compared across the site, for one page. Empty texts are nobody's. */
export interface ComparedWords {
  readonly title: string;
  /** The title without what it shares with all: the site's name. */
  readonly ownTitle: string;
  readonly description: string;
  /** The target phrase, as stems in order. */
  readonly phrase: string;
}

const NONE: ReadonlySet<string> = new Set();

/** Which pages share words, or nearly do: kept up to date page by page. */
export class SharedWords {
  private readonly titles = new SamenessIndex();
  private readonly descriptions = new SamenessIndex();
  private readonly phrases = new SamenessIndex();
  /** By what their titles name, a figure behind it left aside. */
  private readonly names = new SamenessIndex();
  /** Made a little later than the rest: a large site's takes a moment, and what is the same is told without it. */
  private near: { readonly titles: NearIndex; readonly descriptions: NearIndex; readonly uncounted: string[]; readonly waiting: string[] } | undefined;
  private readonly words = new Map<string, ComparedWords>();

  /** Sets a page's words; gives the pages whose findings may have changed by it, the page among them. */
  put(page: PageId, words: ComparedWords): Set<string> {
    this.words.set(page, words);
    return new Set([
      ...this.titles.put(page, words.title),
      ...this.descriptions.put(page, words.description),
      ...this.phrases.put(page, words.phrase),
      ...this.names.put(page, nameWithoutNumber(words.title)),
      ...this.putNear(page, words),
    ]);
  }

  private putNear(page: PageId, words: ComparedWords): ReadonlySet<string> {
    // While parts are still counted, all pages wait.
    if (!this.near || this.near.uncounted.length > 0) return NONE;
    return new Set([...this.near.titles.put(page, words.ownTitle), ...this.near.descriptions.put(page, words.description)]);
  }

  /** Looks for near copies among the pages that were not compared yet, until it is told to stop; gives those whose findings may have changed. */
  compareMore(goOn: () => boolean): { readonly touched: ReadonlySet<string>; readonly left: number } {
    this.near ??= {
      titles: new NearIndex([]),
      descriptions: new NearIndex([], 'words'),
      uncounted: [...this.words.keys()],
      waiting: [...this.words.keys()],
    };
    const { titles, descriptions, uncounted, waiting } = this.near;
    const touched = new Set<string>();
    let turn = 0;
    const more = (): boolean => ++turn % 16 !== 0 || goOn();
    while (uncounted.length > 0 && more()) {
      const words = this.words.get(uncounted.pop() as string) as ComparedWords;
      titles.count(words.ownTitle);
      descriptions.count(words.description);
    }
    while (uncounted.length === 0 && waiting.length > 0 && more()) {
      const page = waiting.pop() as string;
      for (const other of this.putNear(page, this.words.get(page) as ComparedWords)) touched.add(other);
    }
    return { touched, left: uncounted.length + waiting.length };
  }

  /** The other pages that say the same, or nearly. */
  others(page: PageId): {
    readonly sameTitle: readonly string[];
    readonly sameDescription: readonly string[];
    readonly samePhrase: readonly string[];
    readonly nearTitle: readonly string[];
    readonly nearDescription: readonly string[];
    readonly copyOf: readonly string[];
  } {
    return {
      sameTitle: this.titles.others(page),
      sameDescription: this.descriptions.others(page),
      samePhrase: this.phrases.others(page),
      nearTitle: this.near?.titles.near(page) ?? [],
      nearDescription: this.near?.descriptions.near(page) ?? [],
      copyOf: this.copyOf(page),
    };
  }

  /** The pages of which this one looks like a copy: they have its name, and it alone has a figure behind. Where several are numbered, they are meant to be. */
  private copyOf(page: PageId): readonly string[] {
    const numbered = (one: string): boolean => numberAfterName(this.words.get(one)?.title ?? '') !== undefined;
    if (!numbered(page)) return [];
    const others = this.names.others(page);
    return others.some(numbered) ? [] : others;
  }
}
