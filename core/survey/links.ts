import { addressOf, filesFor, linkedPath } from '../site/index.ts';

/** Which pages link to which, by file, and what leads nowhere. */
export class LinkIndex {
  private readonly targets = new Map<string, readonly string[]>();
  private readonly inCounts = new Map<string, number>();
  /** Links to addresses of this site at which no file answers: page, and the path as it was linked. */
  readonly broken: { readonly page: string; readonly path: string }[] = [];

  constructor(
    private readonly host: string,
    private readonly hasFile: (path: string) => boolean,
  ) {}

  /** Takes a page's links in; `base` is the `href` of its `base` element, if any. */
  add(page: string, hrefs: readonly string[], base: string | undefined): void {
    const own = addressOf(page);
    const from = base === undefined ? own : (linkedPath(base, own, this.host) ?? own);
    const found = new Set<string>();
    const missing = new Set<string>();
    for (const href of new Set(hrefs)) {
      const path = linkedPath(href, from, this.host);
      if (path === undefined) continue;
      const file = filesFor(path).find((candidate) => this.hasFile(candidate));
      if (file === undefined) missing.add(path);
      else if (file !== page) found.add(file);
    }
    this.targets.set(page, [...found]);
    for (const file of found) this.inCounts.set(file, (this.inCounts.get(file) ?? 0) + 1);
    for (const path of missing) this.broken.push({ page, path });
  }

  /** How many other pages link to a file. */
  linksIn(file: string): number {
    return this.inCounts.get(file) ?? 0;
  }

  /** The pages that link to a file. */
  linkers(file: string): string[] {
    return [...this.targets].filter(([, files]) => files.includes(file)).map(([page]) => page);
  }
}
