import { isOwnAddress, moves, resolvePath, type SiteDocument } from '../site/index.ts';

/** What will answer at an address path of the site. `direct` where the path is the page's own address: under any other spelling engines list it again. */
export type Place<Page> =
  | { readonly kind: 'page'; readonly page: Page; readonly direct: boolean }
  | { readonly kind: 'file'; readonly file: string }
  /** A redirect to a folder, or from where a page was before it moved. */
  | { readonly kind: 'redirect' | 'moved'; readonly to: string; readonly page: Page | undefined }
  | { readonly kind: 'nothing' };

interface Standing {
  readonly id: string;
  /** Path at which it will answer. */
  readonly address: string;
}

/** Where everything of a site will answer once it is released: the one answer to "what is at this address", whoever asks. */
export class Whereabouts<Page extends Standing> {
  private readonly byFile = new Map<string, Page>();
  private readonly byAddress = new Map<string, Page>();
  private readonly left: ReadonlyMap<string, string>;

  /** `fileOf` tells as what file a page goes out; `brought` the files of the site, by the paths they came under. */
  constructor(
    document: SiteDocument,
    pages: Iterable<Page>,
    fileOf: (page: Page) => string,
    private readonly brought: (path: string) => boolean,
  ) {
    for (const page of pages) {
      this.byFile.set(fileOf(page), page);
      this.byAddress.set(page.address, page);
    }
    this.left = new Map(moves(document).flatMap(({ file, to }) => (this.byFile.has(file) ? [] : [[file, to]])));
  }

  /** What will answer at a path, with or without a query. */
  at(path: string): Place<Page> {
    const page = this.byAddress.get(path);
    if (page) return { kind: 'page', page, direct: true };
    const found = resolvePath(path, (file) => this.byFile.has(file) || this.left.has(file) || this.brought(file));
    if (found.kind === 'nothing') return found;
    const [there, to] = [this.byFile.get(found.file), this.left.get(found.file)];
    if (to !== undefined && !there) return { kind: 'moved', to, page: this.byAddress.get(to) };
    if (found.kind === 'redirect') return { kind: 'redirect', to: found.to, page: there };
    if (there) return { kind: 'page', page: there, direct: isOwnAddress(path, found.file) };
    return { kind: 'file', file: found.file };
  }
}
