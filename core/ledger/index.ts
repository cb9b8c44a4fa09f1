export { cellChange, cellText, columnName, EDITABLE, isEditable, READ_ONLY, type CellFault, type EditableColumn, type LedgerColumn } from './columns.ts';
export { TakenPlaces } from './taken-places.ts';
export { readBlock, spreadBlock, writeBlock } from './block.ts';
export {
  addressKey,
  changesOf,
  DELIMITERS,
  dryRun,
  guessEncoding,
  guessMapping,
  readTable,
  writeCsv,
  type DryRun,
  type RefusedRow,
  type Mapping,
  type ReadTable,
} from './csv.ts';
export { PATTERN_FAULTS, readySearch, type PatternFault, type ReadySearch, type Search } from './replace.ts';
export {
  fileForAddress,
  listedFiles,
  readList,
  typedPage,
  withLinkTo,
  type AddressList,
  type ListedFile,
  type ListedPage,
  type TypedFault,
} from './listed-pages.ts';
export { markupAmong, PASTE_FIELDS, pasteItems, pasteValue, tickFor, type ChangedField, type PasteField, type PasteItem } from './paste.ts';
