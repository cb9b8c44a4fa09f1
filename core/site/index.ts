export { addressOf, cleanOrigin, isPage, isPageFile, isProgramFile, linkedPath, linkResolver, withoutPageEnding } from './addresses.ts';
export {
  all,
  applyChange,
  changeSchema,
  differenceOf,
  fieldsOf,
  invert,
  isIdle,
  LONGEST_KEY,
  set,
  takenBack,
  whyNot,
  type Change,
  type SetField,
} from './changes.ts';
export {
  DOCUMENT_FORMAT,
  emptyDocument,
  markupKey,
  openDocument,
  siteDocumentSchema,
  type OpenedDocument,
  type SetAside,
  type SiteDocument,
} from './document.ts';
export { LONGEST_TEXT, TABLES, type RecordOf, type Table } from './tables.ts';
export {
  effectiveDescription,
  effectiveKeywords,
  effectiveSharePicture,
  effectiveShareText,
  effectiveShareTitle,
  effectiveTitle,
  patternFor,
  withoutOwn,
  type Effective,
  type PatternField,
} from './effective.ts';
export { effectiveAddress, effectiveFile, endingFault, endingFrom, endingOf, movedFile, movedSpellings, moves } from './endings.ts';
export { firstFacts, guessNames } from './first-facts.ts';
export {
  doEntry,
  fold,
  journalEntrySchema,
  NOTHING_TO_UNDO,
  redoEntry,
  replay,
  undoEntry,
  type JournalEntry,
  type UndoState,
  type UndoStep,
} from './history.ts';
export { crawlerIntent, effectiveIntent, effectiveNoindex, kindIntent, robotsEdits, type EffectiveIntent } from './intent.ts';
export { kindsInFolders, type PageInFolder } from './folder-kinds.ts';
export { ARCHIVES, guessKind, KIND_TABLE, KINDS, type Intent, type Kind } from './kinds.ts';
export { wantedInMap, type WantedInMap } from './in-map.ts';
export { leftover, nameWithoutNumber, numberAfterName } from './leftovers.ts';
export { kindOf, kindRules, pageName, pathRules, ruleCatches, spares, type KindRule, type PathRule, type SitePage } from './page.ts';
export { claimId, claimsOf, proofFiles, withoutClaim, type Claim } from './claims.ts';
export { changesVersion, versionOf } from './versions.ts';
export { titleParts } from './title-parts.ts';
export { movedRule, orderBehind } from './rule-order.ts';
export { authorOf, changedOn, partValues, publishedOn, withoutSiteName } from './parts.ts';
export { altsOf, effectiveFacts, pageKey, passageKey, passagesOf, readLinks, needsCharset, writeLinks, type SetLink } from './passages.ts';
export { descriptionLimit, descriptionLimits, shareTextLimit, shareTitleLimit, tabLimit, titleLimit, titleLimits } from './text-limits.ts';
export { formerHost, formerOrigin, isClosed, isOpen, mainAddressChange, siteHost, siteOrigin, switchStory, type SwitchStory } from './origin.ts';
export { homeFile, isOwnAddress, resolvePath, spellingsOf, type Resolved } from './resolve.ts';
export {
  directiveEdits,
  directiveFor,
  saidByDirective,
  effectiveDirectives,
  EVERY_CRAWLER,
  headerRules,
  headersFor,
  outgoingHeaderRules,
  DIRECTIVE_FIELDS,
  directivesKey,
  directivesOf,
  type HeaderRule,
  type DirectiveField,
  type DirectiveValue,
  type PageDirectives,
} from './directives.ts';
export { goneForGood } from './gone.ts';
export { isFor, snippetEdits, snippetsOf, type Snippet } from './snippets.ts';
export { FREE_DOMAIN, HOST_ADDRESS, HOST_NAME, isFreeName, unicodeHost } from './domain.ts';
export {
  neededRecords,
  readDomain,
  recordsDomain,
  registrableDomain,
  twinHost,
  zoneLines,
  type DomainFault,
  type DomainName,
  type NeededRecord,
} from './own-domain.ts';
export { checkRecord, type CheckedRecord, type RecordAnswer, type RecordStanding } from './record-check.ts';
export { isUnseen, LOOK_AGAIN, nextLook } from './looks.ts';
export { PATH_MATCHES, type PathMatch } from './path-match.ts';
export { rulesFromHeaders, allFromHeaders, rulesFromNewHeaders, wordsFromHeaders } from './answered-headers.ts';
