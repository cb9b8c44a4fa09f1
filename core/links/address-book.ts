import type { AddressPath, FilePath, PageId } from '../source/index.ts';
import { isOwnAddress, isPageFile, moves, resolvePath, type SiteDocument } from '../site/index.ts';

/** What will answer at an address path of the site. `direct` where the path is the page's own address: under any other spelling engines list it again. */
export type Place =
  | { readonly kind: 'page'; readonly page: StandingPage; readonly direct: boolean }
  | { readonly kind: 'file'; readonly file: FilePath }
  /** A redirect to a folder, or from where a page was before it moved. */
  | { readonly kind: 'redirect' | 'moved'; readonly to: string; readonly page: StandingPage | undefined }
  | { readonly kind: 'nothing' };

/** A page as far as where it answers goes. */
export interface StandingPage {
  readonly id: PageId;
  /** Path at which it will answer. */
  readonly address: AddressPath;
  /** The file that it goes out as. */
  readonly file: FilePath;
}

/** Where everything of a site will answer once it is released: the one answer to "what is at this address", whoever asks. */
export class AddressBook {
  private readonly byFile = new Map<string, StandingPage>();
  private readonly byAddress = new Map<string, StandingPage>();
  private readonly left: ReadonlyMap<string, string>;

  /** `imported` tells which files the site has, by the paths they came under. */
  constructor(
    document: SiteDocument,
    pages: Iterable<StandingPage>,
    private readonly imported: (path: FilePath) => boolean,
  ) {
    for (const page of pages) {
      this.byFile.set(page.file, page);
      this.byAddress.set(page.address, page);
    }
    // A page that stands there goes before what leads on from there.
    const led = Object.entries(document.tables.redirects).flatMap(([file, { to }]) => (to && isPageFile(file) && !imported(file) ? [{ file, to }] : []));
    this.left = new Map([...led, ...moves(document)].flatMap(({ file, to }) => (this.byFile.has(file) ? [] : [[file, to]])));
  }

  /** What will answer at a path, with or without a query. */
  at(path: AddressPath): Place {
    const page = this.byAddress.get(path);
    if (page) return { kind: 'page', page, direct: true };
    const found = resolvePath(path, (file) => this.byFile.has(file) || this.left.has(file) || this.imported(file));
    if (found.kind === 'nothing') return found;
    const [there, to] = [this.byFile.get(found.file), this.left.get(found.file)];
    if (to !== undefined && !there) return { kind: 'moved', to, page: this.byAddress.get(to) };
    if (found.kind === 'redirect') return { kind: 'redirect', to: found.to, page: there };
    if (there) return { kind: 'page', page: there, direct: isOwnAddress(path, found.file) };
    return { kind: 'file', file: found.file };
  }
}
