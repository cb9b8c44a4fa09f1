import type { PageFacts } from '../page/index.ts';
import { percentDecoded } from '../source/index.ts';
import type { PhraseTexts } from './coverage.ts';

/** The texts of a page in which its phrase is looked for; `facts` as they will be. */
export function textsOf(facts: PageFacts, said: { readonly title: string; readonly description: string; readonly address: string }): PhraseTexts {
  const main = facts.headings.find((heading) => heading.level === 1 && heading.text !== '');
  return {
    title: said.title,
    description: said.description,
    address: percentDecoded(said.address),
    heading: main?.text ?? '',
    firstParagraph: facts.paragraphs[0] ?? '',
    subHeadings: facts.headings.filter((heading) => heading !== main).map((heading) => heading.text),
    alts: facts.images.flatMap((image) => (image.alt ? [image.alt] : [])),
  };
}
