export { addressOf, cleanOrigin, filesFor, isPageFile, linkedPath } from './addresses.ts';
export { all, applyChange, changeSchema, fieldsOf, invert, isIdle, set, type Change, type SetField } from './changes.ts';
export { emptyDocument, LONGEST_TEXT, openDocument, siteDocumentSchema, TABLES, type RecordOf, type SiteDocument, type Table } from './document.ts';
export {
  effectiveDescription,
  effectiveIntent,
  effectiveNoindex,
  effectiveTitle,
  isOpen,
  kindIntent,
  siteHost,
  siteOrigin,
  type Effective,
  type EffectiveIntent,
} from './effective.ts';
export { firstFacts } from './first-facts.ts';
export { doEntry, fold, journalEntrySchema, NOTHING_TO_UNDO, redoEntry, replay, undoEntry, type JournalEntry, type UndoState } from './history.ts';
export { guessKind, KIND_INTENTS, KINDS, type Intent, type Kind } from './kinds.ts';
export { leftover, numberAfterName } from './leftovers.ts';
