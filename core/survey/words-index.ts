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

/** Which pages share words, or nearly do: kept up to date page by page. */
export class WordsIndex {
  private readonly titles = new SamenessIndex();
  private readonly descriptions = new SamenessIndex();
  private readonly phrases = new SamenessIndex();
  private readonly nearTitles: NearIndex;
  private readonly nearDescriptions: NearIndex;

  constructor(start: ReadonlyMap<string, ComparedWords>) {
    this.nearTitles = new NearIndex([...start.values()].map((words) => words.ownTitle));
    this.nearDescriptions = new NearIndex([...start.values()].map((words) => words.description));
    for (const [page, words] of start) this.put(page, words);
  }

  /** Sets a page's words; gives the pages whose findings may have changed by it, the page among them. */
  put(page: string, words: ComparedWords): Set<string> {
    return new Set([
      ...this.titles.put(page, words.title),
      ...this.descriptions.put(page, words.description),
      ...this.phrases.put(page, words.phrase),
      ...this.nearTitles.put(page, words.ownTitle),
      ...this.nearDescriptions.put(page, words.description),
    ]);
  }

  /** The other pages that say the same, or nearly. */
  others(page: string): {
    readonly sameTitle: readonly string[];
    readonly sameDescription: readonly string[];
    readonly samePhrase: readonly string[];
    readonly nearTitle: readonly string[];
    readonly nearDescription: readonly string[];
  } {
    return {
      sameTitle: this.titles.others(page),
      sameDescription: this.descriptions.others(page),
      samePhrase: this.phrases.others(page),
      nearTitle: this.nearTitles.near(page),
      nearDescription: this.nearDescriptions.near(page),
    };
  }
}
