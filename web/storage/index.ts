export { openDatabase, type Database, type SiteRecord, type StoredBytes, type StoredFile } from './database.ts';
export {
  appendEntries,
  latestEntries,
  loadDocument,
  loadManifest,
  notYetWritten,
  saveManifest,
  shortenJournal,
  writeSnapshot,
  type DocumentState,
} from './documents.ts';
export { clearSite, eachPage, listFiles, loadBytes, saveFiles } from './files.ts';
