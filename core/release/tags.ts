import { CRAWLERS } from '../engines/index.ts';
import { canonicalLinks, patchPage, readSource, type PageEdit, type PageFacts, type PatchRefusal } from '../page/index.ts';
import { respell, type SourceText } from '../source/index.ts';

/** What a page's head will say to engines and to programs that draw cards, in the very bytes that are released. */
export type ReleasedTags =
  | {
      readonly ok: true;
      /** Source of each tag, in order. */
      readonly tags: readonly string[];
      /** How many edits are made for it. */
      readonly edits: number;
    }
  | { readonly ok: false; readonly reason: PatchRefusal };

const NAMES = new Set(['description', 'keywords', 'robots', ...CRAWLERS.map((crawler) => crawler.toLowerCase())]);

/** The tags of a page once edits are written into it: read back from what the patch makes of it. */
export function releasedTags(source: SourceText, facts: PageFacts, edits: readonly PageEdit[]): ReleasedTags {
  const patched = patchPage(source, facts, edits);
  if (!patched.ok) return patched;
  const out = patched.splices.length === 0 ? source : respell(source, patched.bytes);
  const reading = readSource(out);
  if (!reading.ok) return { ok: false, reason: 'unreadable' };
  const { metas, titles } = reading.facts;
  const ranges = [
    ...titles.slice(0, 1).map(({ tag }) => ({ ...tag, close: '</title>' })),
    ...metas
      .filter(({ name, property, inHead }) => inHead && (property !== undefined || (name !== undefined && NAMES.has(name))))
      .map(({ tag }) => ({ ...tag, close: '' })),
    ...canonicalLinks(reading.facts).map(({ tag }) => ({ ...tag, close: '' })),
  ].sort((a, b) => a.start - b.start);
  return { ok: true, tags: ranges.map(({ start, end, close }) => out.text.slice(start, end) + close), edits: edits.length };
}
