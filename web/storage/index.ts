export {
  lastingDatabase,
  openDatabase,
  type Database,
  type SiteRecord,
  type SiteSummary,
  type SiteVersion,
  type StoredAside,
  type StoredBytes,
  type StoredFile,
  type StoredRelease,
} from './database.ts';
export {
  appendEntries,
  dropAside,
  dropRelease,
  entriesAfter,
  latestEntries,
  listAside,
  loadDocument,
  loadHistory,
  keptReleases,
  loadManifest,
  loadRelease,
  notYetWritten,
  putAside,
  saveManifest,
  shortenJournal,
  goneHow,
  SiteGone,
  writeSnapshot,
  type DocumentState,
} from './documents.ts';
export { clearSite, dropFiles, eachPage, pagesFrom, filesId, keepVersion, listFiles, loadBytes, saveFiles, sweep } from './files.ts';
export { keepRows, loadRows, type KeptRows } from './rows.ts';
export { arrivalLock, updateSite } from './sites.ts';
