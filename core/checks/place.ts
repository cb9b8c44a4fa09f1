import { documentTitle, indexDirectives, metaDescription, robotsMetas, type PageFacts } from '../page/index.ts';
import type { Finding } from './finding.ts';

/** Where in the page's text a finding stands, as a UTF-16 offset; undefined for what is missing, or not in this page. */
export function findingPlace(finding: Finding, facts: PageFacts): number | undefined {
  switch (finding.code) {
    case 'title-leftover':
    case 'title-cut':
    case 'title-near':
    case 'title-same':
    case 'title-outside-head':
    case 'name-number':
      return documentTitle(facts)?.tag.start;
    case 'title-several':
      return facts.titles[1]?.tag.start;
    case 'description-same':
    case 'description-cut':
    case 'description-near':
      return metaDescription(facts)?.tag.start;
    case 'image-alt-missing':
      return facts.images.find((image) => image.alt === undefined && !image.decorative)?.tag.start;
    case 'heading-several':
      return facts.headings.filter((heading) => heading.level === 1 && heading.text !== '')[1]?.tag.start;
    case 'heading-order':
      return facts.headings.find((heading) => heading.level === finding.level && heading.text === finding.heading)?.tag.start;
    case 'keywords-many':
      return facts.metas.find((meta) => meta.inHead && meta.name === 'keywords')?.tag.start;
    case 'links-broken':
      return facts.anchors.find((anchor) => finding.paths.some((path) => path.endsWith(anchor.href.replace(/^[./]+|[?#].*$/g, ''))))?.tag.start;
    case 'lang-missing':
      return facts.htmlTag?.start;
    case 'shut-out':
      return noindexPlace(facts);
    case 'canonical-several':
      return facts.linkTags.filter((link) => link.inHead && link.rel.includes('canonical'))[1]?.tag.start;
    case 'title-missing':
    case 'description-missing':
    case 'heading-missing':
    case 'leaking':
    case 'half-hidden':
    case 'one-engine':
    case 'phrase-fought':
    case 'phrase-places':
    case 'links-none':
    case 'second-spelling':
    case 'charset-missing':
    case 'noscript-noindex':
    case 'template-left':
    case 'not-writable':
    case 'heading-wall':
    case 'text-thin':
    case 'sentence-long':
    case 'paragraph-long':
    case 'reading-hard':
    case 'wording-care':
      return undefined;
  }
}

/** Where a page says noindex. */
export function noindexPlace(facts: PageFacts): number | undefined {
  return robotsMetas(facts).find((meta) => indexDirectives(meta.content ?? '').noindex)?.tag.start;
}
