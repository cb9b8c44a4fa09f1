import type { PageId } from '../source/index.ts';
/** What stands above each page in its address: its folders' own pages, by their names. */
export class TrailIndex {
  private readonly pages = new Map<string, { readonly address: string; readonly name: string }>();
  private readonly byAddress = new Map<string, { readonly id: PageId; readonly name: string }>();
  /** Pages below each folder, so that a page is put in without a look at all others. */
  private readonly below = new Map<string, Set<string>>();

  /** Puts a page in. Gives the pages below it, whose trail it is part of, where it is another one than before. */
  put(id: PageId, address: string, name: string): string[] {
    const before = this.pages.get(id);
    if (before?.address === address && before.name === name) return [];
    if (before && this.byAddress.get(before.address)?.id === id) this.byAddress.delete(before.address);
    if (before?.address !== address) {
      if (before) for (const folder of foldersAbove(before.address)) this.below.get(folder)?.delete(id);
      for (const folder of foldersAbove(address)) (this.below.get(folder) ?? this.below.set(folder, new Set()).get(folder))?.add(id);
    }
    this.pages.set(id, { address, name });
    this.byAddress.set(address, { id, name });
    const touched = new Set<string>();
    for (const folder of new Set([before?.address, address]))
      if (folder !== undefined && folder !== '/') for (const other of this.below.get(folder) ?? []) touched.add(other);
    touched.delete(id);
    return [...touched];
  }

  /** The pages on the way from home to an address, home first. A folder without a page of its own is left out. */
  above(address: string): readonly { readonly name: string; readonly address: string }[] {
    return foldersAbove(address).flatMap((folder) => {
      const page = this.byAddress.get(folder);
      return page ? [{ name: page.name, address: folder }] : [];
    });
  }
}

/** The folders that an address lies in, the root first; a folder does not lie in itself. */
function foldersAbove(address: string): string[] {
  const found: string[] = [];
  for (let at = address.indexOf('/'); at >= 0 && at < address.length - 1; at = address.indexOf('/', at + 1)) found.push(address.slice(0, at + 1));
  return found;
}
