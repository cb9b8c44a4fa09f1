import { baseAddress, documentTitle, refreshTarget, type PageFacts } from '../page/index.ts';
import { plainAddress } from '../source/index.ts';

/** Whether a page's own words say that there is nothing here, although it answers 200. Only short pages are asked: a long one has something to say. */
export function saysNotFound(title: string, headings: readonly string[], wordCount: number): boolean {
  if (wordCount > 60) return false;
  const says = /\b(404|not found|page (does not|doesn['’]t) exist|nicht gefunden|page introuvable|no encontrada)\b/i;
  return says.test(title) || headings.some((heading) => says.test(heading));
}

/** How an answer of 200 gives itself away: it says "not found", or it says nothing at all. */
export function softNotFound(facts: PageFacts): 'not-found' | 'empty' | undefined {
  const shows = facts.images.length + facts.frames.length + facts.forms + facts.media > 0;
  if (facts.wordCount === 0 && !shows) return 'empty';
  const headings = facts.headings.map((heading) => heading.text);
  return saysNotFound(documentTitle(facts)?.text ?? '', headings, facts.wordCount) ? 'not-found' : undefined;
}

/** Where a page sends its visitors by itself (`meta http-equiv=refresh`, HTML standard, 4.2.5.3); undefined where it does not. `address` is the page's own. */
export function refreshOf(facts: PageFacts, address: string): { readonly seconds: number; readonly to: string; readonly place: number } | undefined {
  const [base, own] = [baseAddress(facts, address), plainAddress(address)];
  for (const meta of facts.metas) {
    const said = refreshTarget(meta);
    if (!said || !URL.canParse(said.to, base)) continue;
    const target = plainAddress(new URL(said.to, base).href);
    // One to itself, with a fragment or without, only loads the page anew.
    if (target !== undefined && target !== own) return { seconds: said.seconds, to: target, place: meta.tag.start };
  }
  return undefined;
}
