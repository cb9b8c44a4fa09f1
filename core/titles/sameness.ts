import type { PageId } from '../source/index.ts';
/** Which pages share a text, kept up to date as texts change. Texts are compared without case and spacing; empty ones are nobody's. */
export class SamenessIndex {
  /** By text: its page, or its pages where there are several, which is rare. */
  private readonly byText = new Map<string, string | Set<string>>();
  private readonly byPage = new Map<string, string>();

  /** Sets a page's text. Gives the pages whose sameness may have changed, the page itself among them. */
  put(page: PageId, text: string): Set<string> {
    const key = text.toLowerCase().replace(/\s+/g, ' ').trim();
    const old = this.byPage.get(page);
    const touched = new Set<string>([page]);
    if (old === key) return touched;
    if (old !== undefined) {
      const group = this.byText.get(old);
      if (typeof group === 'string') this.byText.delete(old);
      else {
        group?.delete(page);
        for (const other of group ?? []) touched.add(other);
        if (group?.size === 0) this.byText.delete(old);
      }
    }
    this.byPage.delete(page);
    if (key === '') return touched;
    this.byPage.set(page, key);
    const group = this.byText.get(key);
    if (group === undefined) this.byText.set(key, page);
    else {
      const several = typeof group === 'string' ? new Set([group]) : group;
      for (const other of several) touched.add(other);
      this.byText.set(key, several.add(page));
    }
    return touched;
  }

  /** The other pages with the same text, in order. */
  others(page: PageId): string[] {
    const group = this.byText.get(this.byPage.get(page) ?? '');
    return group === undefined || typeof group === 'string' ? [] : [...group].filter((other) => other !== page).sort();
  }
}
