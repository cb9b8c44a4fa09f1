import type { PageFacts } from '../page/index.ts';
import type { EnginePolicy } from '../engines/index.ts';

/** What is known of the page that a canonical points at. */
export interface CanonicalTarget {
  /** What stands in the way of listing it: `gone` (404, 410, nothing there), `redirects`, `blocked` by robots.txt, says `noindex`, points `elsewhere` itself. */
  readonly trouble: 'gone' | 'redirects' | 'blocked' | 'noindex' | 'elsewhere' | undefined;
  /** Whether the two pages say much the same. */
  readonly alike: boolean;
}

/**
 * Whether an engine lists the target in place of the page. Of a target that is not known it is believed; one that is not there is never followed; and
 * engines that take a canonical for a hint follow it only between pages that are alike.
 */
export function followsCanonical(policy: Pick<EnginePolicy, 'canonical'>, target: CanonicalTarget | undefined): boolean {
  if (target === undefined) return true;
  if (target.trouble === 'gone') return false;
  return policy.canonical === 'order' || target.alike;
}

/** UTF-16 units of a page's first paragraphs by which pages are compared. */
const COMPARED = 600;

/** The words by which two pages are compared. */
export function comparedText(facts: PageFacts): string {
  return [...facts.headings.slice(0, 3).map((heading) => heading.text), ...facts.paragraphs].join(' ').slice(0, COMPARED);
}

/** Whether two such texts say much the same: three quarters of all their words are in both. */
export function alike(a: string, b: string): boolean {
  const words = (text: string): Set<string> => new Set(text.toLowerCase().match(/[\p{L}\p{N}]+/gu) ?? []);
  const [one, other] = [words(a), words(b)];
  const shared = [...one].filter((word) => other.has(word)).length;
  const all = one.size + other.size - shared;
  return all === 0 || shared / all >= 0.75;
}
