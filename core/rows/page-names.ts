import { roughSentences } from '../language/index.ts';
import { documentTitle, mainHeading, type PageFacts } from '../page/index.ts';
import { addressOf, titleParts, withoutPageEnding } from '../site/index.ts';
import { percentDecoded, textNumber, type PageId } from '../source/index.ts';

/** On so many pages a sentence is a banner's, and says nothing of any of them. */
const BANNER = 3;

/** What pages of a site have in common, and so does not tell them apart: told once, from the files as they were brought in. */
export class PageNames {
  private readonly headings = new Map<string, number>();
  private readonly parts = new Map<string, number>();
  /** Sentences by a number made of them: tens of thousands of texts are not kept for the sake of a count. */
  private readonly sentences = new Map<number, number>();

  constructor(pages: Iterable<PageFacts>) {
    for (const facts of pages) {
      count(this.headings, folded(mainHeading(facts) ?? ''));
      for (const part of new Set(titleParts(documentTitle(facts)?.text ?? '').map(folded))) count(this.parts, part);
      for (const sentence of new Set([...facts.paragraphs, ...facts.loose].flatMap(roughSentences).map(textNumber))) count(this.sentences, sentence);
    }
    for (const [sentence, times] of this.sentences) if (times < BANNER) this.sentences.delete(sentence);
  }

  /** What a page is called where its heading does not tell it apart: its title's own part, else the end of its address. Undefined where the heading does. */
  nameOf(id: PageId, facts: PageFacts): string | undefined {
    const heading = mainHeading(facts);
    const shared = (counts: ReadonlyMap<string, number>, text: string): boolean => (counts.get(folded(text)) ?? 0) > 1;
    if (heading !== undefined && !shared(this.headings, heading)) return undefined;
    const parts = titleParts(documentTitle(facts)?.text ?? '').map((part) => part.trim());
    const own = parts.find((part) => part !== '' && !shared(this.parts, part));
    if (own !== undefined) return own;
    if (heading === undefined) return undefined;
    const last = addressOf(id).split('/').filter(Boolean).pop();
    return last === undefined ? undefined : `${heading} (${withoutPageEnding(percentDecoded(last))})`;
  }

  /** The sentences of a page that stand on many: banners, notices, what a template says. */
  commonIn(facts: PageFacts): string[] {
    return [...facts.paragraphs, ...facts.loose].flatMap(roughSentences).filter((sentence) => this.sentences.has(textNumber(sentence)));
  }
}

function count<K>(counts: Map<K, number>, key: K): void {
  counts.set(key, (counts.get(key) ?? 0) + 1);
}

function folded(text: string): string {
  return text.trim().toLowerCase();
}
