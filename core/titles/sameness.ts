/** Which pages share a text, kept up to date as texts change. Texts are compared without case and spacing; empty ones are nobody's. */
export class SamenessIndex {
  private readonly byText = new Map<string, Set<string>>();
  private readonly byPage = new Map<string, string>();

  /** Sets a page's text. Gives the pages whose sameness may have changed, the page itself among them. */
  put(page: string, text: string): Set<string> {
    const key = text.toLowerCase().replace(/\s+/g, ' ').trim();
    const old = this.byPage.get(page);
    const touched = new Set<string>([page]);
    if (old === key) return touched;
    if (old !== undefined) {
      const group = this.byText.get(old);
      group?.delete(page);
      for (const other of group ?? []) touched.add(other);
      if (group?.size === 0) this.byText.delete(old);
    }
    this.byPage.delete(page);
    if (key === '') return touched;
    this.byPage.set(page, key);
    const group = this.byText.get(key) ?? new Set<string>();
    for (const other of group) touched.add(other);
    group.add(page);
    this.byText.set(key, group);
    return touched;
  }

  /** The other pages with the same text, in order. */
  others(page: string): string[] {
    const key = this.byPage.get(page);
    return key === undefined ? [] : [...(this.byText.get(key) ?? [])].filter((other) => other !== page).sort();
  }
}
