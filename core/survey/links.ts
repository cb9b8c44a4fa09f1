import { addressOf, basePath, filesFor, linkedPath } from '../site/index.ts';

/** Where one page's links lead. */
interface Links {
  /** Files of the site. */
  readonly files: readonly string[];
  /** Of these, the ones that an engine may go on to: a link to them does not say nofollow. */
  readonly followed: readonly string[];
  /** Address paths of this site at which no file answers. */
  readonly broken: readonly string[];
  /** How many lead to other sites. */
  readonly outside: number;
}

const NONE: Links = { files: [], followed: [], broken: [], outside: 0 };

/** Which pages link to which, by file, and what leads nowhere. Paths are those of the site as it was brought in. */
export class LinkIndex {
  private readonly links = new Map<string, Links>();
  private readonly inCounts = new Map<string, number>();
  private counted: { readonly from: string; readonly clicks: ReadonlyMap<string, number> } | undefined;

  constructor(
    private readonly host: string,
    private readonly hasFile: (path: string) => boolean,
  ) {}

  /** Sets a page's links; `base` is the `href` of its `base` element, `repaired` gives the path that a broken one is led to. Gives the files whose links in changed. */
  put(
    page: string,
    hrefs: readonly string[],
    base: string | undefined,
    repaired: (path: string) => string | undefined = () => undefined,
    unfollowed: readonly string[] = [],
  ): Set<string> {
    const own = addressOf(page);
    const from = basePath(base, own, this.host);
    const found = new Set<string>();
    const followed = new Set<string>();
    const silent = unfollowed.length === 0 ? undefined : new Set(unfollowed);
    const missing = new Set<string>();
    let outside = 0;
    for (const href of new Set(hrefs)) {
      const path = linkedPath(href, from, this.host);
      if (path === undefined) {
        if (/^\s*(https?:)?\/\//i.test(href)) outside++;
        continue;
      }
      // What is asked of a page behind the question mark does not make it another page here.
      const bare = path.replace(/\?.*$/s, '');
      const file = this.fileAt(bare) ?? this.fileAt(repaired(bare));
      if (file === undefined) missing.add(bare);
      else if (file !== page) {
        found.add(file);
        if (!silent?.has(href)) followed.add(file);
      }
    }
    this.counted = undefined;
    const before = this.links.get(page)?.files ?? [];
    for (const file of before) this.inCounts.set(file, (this.inCounts.get(file) ?? 1) - 1);
    for (const file of found) this.inCounts.set(file, (this.inCounts.get(file) ?? 0) + 1);
    const files = [...found];
    this.links.set(page, { files, followed: followed.size === files.length ? files : [...followed], broken: [...missing], outside });
    return new Set([...before.filter((file) => !found.has(file)), ...[...found].filter((file) => !before.includes(file))]);
  }

  private fileAt(path: string | undefined): string | undefined {
    return path === undefined ? undefined : filesFor(path).find((candidate) => this.hasFile(candidate));
  }

  /** How many other pages link to a file. */
  linksIn(file: string): number {
    return this.inCounts.get(file) ?? 0;
  }

  /** Where a page's links lead. */
  of(page: string): Links {
    return this.links.get(page) ?? NONE;
  }

  /** All links that lead nowhere: page, and the path as it was linked. */
  broken(): { readonly page: string; readonly path: string }[] {
    return [...this.links].flatMap(([page, { broken }]) => broken.map((path) => ({ page, path })));
  }

  /** How many clicks each file is from one of them, by the shortest way; files that no links lead to are left out. */
  clicks(from: string): ReadonlyMap<string, number> {
    if (this.counted?.from === from) return this.counted.clicks;
    const clicks = new Map([[from, 0]]);
    for (const [file, count] of clicks) for (const next of this.of(file).files) if (!clicks.has(next)) clicks.set(next, count + 1);
    this.counted = { from, clicks };
    return clicks;
  }

  /** The pages that link to a file. */
  linkers(file: string): string[] {
    return [...this.links].filter(([, { files }]) => files.includes(file)).map(([page]) => page);
  }
}
