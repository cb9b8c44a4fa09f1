/** Whether a page's own words say that there is nothing here, although it answers 200. Only short pages are asked: a long one has something to say. */
export function saysNotFound(title: string, headings: readonly string[], wordCount: number): boolean {
  if (wordCount > 60) return false;
  const says = /\b(404|not found|page (does not|doesn['’]t) exist|nicht gefunden|page introuvable|no encontrada)\b/i;
  return says.test(title) || headings.some((heading) => says.test(heading));
}
