const KEPT = 'jolly-beacon crawl';
/** The crawl that was begun last in this tab for a site, or for a new one: a reload finds it again. */
export const keptCrawl = (of: string): string | undefined => sessionStorage.getItem(`${KEPT} ${of}`) ?? undefined;
/** Remembers a crawl, or forgets it. */
export function keepCrawl(of: string, id: string | undefined): void {
  if (id === undefined) sessionStorage.removeItem(`${KEPT} ${of}`);
  else sessionStorage.setItem(`${KEPT} ${of}`, id);
}
/** Whether a crawl was begun in this tab, and what it brought was not taken yet. */
export const hasCrawl = (of: string): boolean => keptCrawl(of) !== undefined;
