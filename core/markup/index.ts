export { attribute, elementsIn, isElement, isText, pageTree, tagRange, textContent, tokens, type Element, type PageTree } from './dom.ts';
export {
  isSchemaName,
  itemsWithin,
  MARKUP_LIMITS,
  resolved,
  schemaName,
  textOf,
  type MarkupItem,
  type MarkupReading,
  type MarkupTrouble,
  type MarkupValue,
  type Syntax,
} from './item.ts';
export { readJson, type JsonReading } from './json.ts';
export { readJsonLd } from './json-ld.ts';
export { readMicrodata } from './microdata.ts';
export { readRdfa } from './rdfa.ts';
export { readMarkup, syntaxesOf, typesIn } from './read.ts';
