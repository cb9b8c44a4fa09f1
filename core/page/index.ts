export { readPage, readSource, readSourceByTree, type ReadOptions } from './read.ts';
export {
  PAGE_LIMITS,
  type AnchorFact,
  type HeadingFact,
  type ImageFact,
  type JsonLdFact,
  type LinkTagFact,
  type MetaFact,
  type PageFacts,
  type PageReading,
  type PageRefusal,
  type TitleFact,
} from './facts.ts';
export { graphIds, holds, patchPage, type PageEdit, type PatchRefusal, type PatchResult } from './patch.ts';
export { headerDirectives, indexDirectives, strictest, type IndexDirectives } from './directives.ts';
export { canonicalHrefs, CRAWLERS, documentTitle, metaDescription, metaDirectives, robotsMetas } from './views.ts';
export { escapeAttribute, escapeText, scriptJson } from './escape.ts';
export { passagesIn, type Passage, type PassageEdit } from './passages.ts';
export { relative, type AddressesEdit } from './relink.ts';
