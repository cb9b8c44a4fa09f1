export { beingSent, broughtInManifest, IDLE, prepared, putOut, type ReleaseOrder } from './release-order.ts';
export { sourceDiff, type Hunk } from './difference.ts';
export { editsFor } from './edits.ts';
export { canWait, editKey, fieldChanges, heldBack, itemKey, type FieldChange, type Held } from './partial.ts';
export { MADE_AT, ownMadeAt, takeFieldBack, takeOwnBack, type MadeAt } from './take-back.ts';
export {
  compareWithRelease,
  inReleaseOrder,
  differsFromRelease,
  itemOf,
  otherItems,
  hostingFrom,
  hostingOf,
  MANIFEST_FORMAT,
  manifestSchema,
  outPath,
  sameEdits,
  type Manifest,
  type ReleasedFile,
  type ReleaseItem,
  type WorkingCopy,
} from './manifest.ts';
export { effectiveRobots, formerAddresses, generatedFiles, redirectPages, ROBOTS_FILE, serverWishes, type ImportedFiles } from './generated-files.ts';
export { deadRedirects, type DeadRedirect } from './dead-redirects.ts';
export { REDIRECT_FORMS, redirectPage, redirectPageTarget, goneRules, redirectRules, type Redirect, type RedirectForm } from './redirects.ts';
export { SITEMAP_PAGE, sitemapPage, type MapSection, type Template } from './sitemap-page.ts';
export { ownBytes, shipments, written, type Shipment } from './shipped.ts';
export { releasedTags, type ReleasedTags } from './tags.ts';
export { headerServerRules, type HeaderForm } from './header-rules.ts';
export { driftOf, LIVE_FIELDS, liveFields, meantFields, type DriftField, type LiveField, type LiveFields, type LivePage } from './drift.ts';
export { SERVER_FILE, serverBlockLines, withServerBlock, type ServerWishes } from './server-file.ts';
