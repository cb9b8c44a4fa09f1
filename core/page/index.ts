export { collapse } from './white-space.ts';
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
  type TimeFact,
  type TitleFact,
} from './facts.ts';
export { holds, patchPage, type PageEdit, type PatchRefusal, type PatchResult } from './patch.ts';
export { patchAsFarAsPossible, type LeftOut, type Patched } from './stand-alone.ts';
export {
  directiveWords,
  IMAGE_PREVIEWS,
  indexDirectives,
  mergeDirectives,
  readHeader,
  strictest,
  type DirectiveFamily,
  type ImagePreview,
  type IndexDirectives,
} from './directives.ts';
export { partOfPage, SNIPPET_PLACES, snippetOccurrences, snippetStands, type SnippetEdit, type SnippetPlace } from './snippet-edits.ts';
export { changedBySnippet } from './judge-snippet.ts';
export { SAYINGS, type Saying } from './sayings.ts';
export { spareHeadings, type TemplateEdit } from './template-edits.ts';
export type { Unwritable } from './facts.ts';
export { ownPart } from './frame.ts';
export { holdsPage } from './leftovers.ts';
export { plannedMetas, type DirectivesEdit, type NoindexEdit, type PlannedMeta } from './robots-metas.ts';
export {
  baseAddress,
  canonicalHrefs,
  canonicalLinks,
  documentTitle,
  mainHeading,
  withoutMark,
  metaDescription,
  refreshMetas,
  refreshTarget,
  robotsMetas,
  shownFiles,
  type ShownFile,
} from './views.ts';
export { asciiReferences, escapeAttribute, escapeText, jsonLdScript, scriptJson } from './escape.ts';
export { metaTag } from './head-tags.ts';
export { passagesIn, type Passage, type PassageEdit } from './passages.ts';
export type { WrittenGraph } from './write-graph.ts';
export { relative, type AddressesEdit } from './relink.ts';
export { inlineStyleReferences, styleReferences } from './style-references.ts';
