export { addressOf, cleanOrigin, filesFor, isPageFile, linkedPath } from './addresses.ts';
export { all, applyChange, changeSchema, fieldsOf, invert, isIdle, set, takenBack, type Change, type SetField } from './changes.ts';
export { emptyDocument, LONGEST_TEXT, openDocument, siteDocumentSchema, TABLES, type RecordOf, type SiteDocument, type Table } from './document.ts';
export {
  effectiveDescription,
  effectiveIntent,
  effectiveKeywords,
  effectiveNoindex,
  effectiveSharePicture,
  effectiveShareText,
  effectiveShareTitle,
  effectiveTitle,
  kindIntent,
  patternFor,
  withoutOwn,
  type Effective,
  type EffectiveIntent,
  type PatternField,
} from './effective.ts';
export { effectiveAddress, effectiveFile, endingFault, endingFrom, endingOf, movedFile, moves } from './endings.ts';
export { firstFacts } from './first-facts.ts';
export { doEntry, fold, journalEntrySchema, NOTHING_TO_UNDO, redoEntry, replay, undoEntry, type JournalEntry, type UndoState } from './history.ts';
export { guessKind, KIND_INTENTS, KIND_NAMES, KINDS, type Intent, type Kind } from './kinds.ts';
export { leftover, numberAfterName } from './leftovers.ts';
export { kindOf, kindRules, pageName, ruleCatches, type KindRule, type SitePage } from './page.ts';
export { partValues, publishedOn, withoutSiteName } from './parts.ts';
export { altsOf, effectiveFacts, pageKey, passageKey, passagesOf, readLinks, writeLinks, type SetLink } from './passages.ts';
export { descriptionRooms, shareTextRoom, shareTitleRoom, tabRoom, titleRooms } from './rooms.ts';
export { isOpen, siteHost, siteOrigin } from './origin.ts';
