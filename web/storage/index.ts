export {
  lastingDatabase,
  openDatabase,
  type Database,
  type SiteRecord,
  type SiteSummary,
  type StoredAside,
  type StoredBytes,
  type StoredFile,
} from './database.ts';
export {
  appendEntries,
  dropAside,
  entriesAfter,
  latestEntries,
  listAside,
  loadDocument,
  loadHistory,
  loadManifest,
  notYetWritten,
  putAside,
  saveManifest,
  shortenJournal,
  goneHow,
  SiteGone,
  writeSnapshot,
  type DocumentState,
} from './documents.ts';
export { clearSite, eachPage, listFiles, loadBytes, saveFiles, sweep } from './files.ts';
export { keepRows, loadRows, type KeptRows } from './rows.ts';
export { arrivalLock, updateSite } from './sites.ts';
