/** What stands above each page in its address: its folders' own pages, by their names. */
export class TrailIndex {
  private readonly pages = new Map<string, { readonly address: string; readonly name: string }>();
  private readonly byAddress = new Map<string, { readonly id: string; readonly name: string }>();

  /** Puts a page in. Gives the pages below it, whose trail it is part of, where it is another one than before. */
  put(id: string, address: string, name: string): string[] {
    const before = this.pages.get(id);
    if (before?.address === address && before.name === name) return [];
    if (before && this.byAddress.get(before.address)?.id === id) this.byAddress.delete(before.address);
    this.pages.set(id, { address, name });
    this.byAddress.set(address, { id, name });
    const folders = [before?.address, address].filter((one) => one?.endsWith('/') === true && one !== '/');
    return folders.length === 0
      ? []
      : [...this.pages].flatMap(([other, page]) => (other !== id && folders.some((folder) => page.address.startsWith(folder as string)) ? [other] : []));
  }

  /** The pages on the way from home to an address, home first. A folder without a page of its own is left out. */
  above(address: string): readonly { readonly name: string; readonly address: string }[] {
    const found: { readonly name: string; readonly address: string }[] = [];
    for (let at = address.indexOf('/'); at >= 0 && at < address.length - 1; at = address.indexOf('/', at + 1)) {
      const folder = address.slice(0, at + 1);
      const page = this.byAddress.get(folder);
      if (page && folder !== address) found.push({ name: page.name, address: folder });
    }
    return found;
  }
}
