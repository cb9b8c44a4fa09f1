export { useReport, useTables, useWorkspace, useWorkspaceApi, WorkspaceContext } from './context.tsx';
export { addPage, bringVersion, leaveVersion, rememberSource, takeVersion, type Coming } from './new-version.ts';
export { nextNumber, release, type ReleaseOutcome, type ReleaseStep } from './release.ts';
export {
  BIN_DAYS,
  bringInDemo,
  bringInSite,
  clearForGood,
  deleteSite,
  exportSite,
  firstSite,
  listSites,
  rememberSite,
  renameSite,
  restoreSite,
  sweepLeftovers,
} from './sites.ts';
export type { SaveTrouble } from './trouble.ts';
export type { About, Told, WorkspaceState, WorkspaceTools } from './state.ts';
export { Workspace } from './store.ts';
export {
  hideProperly,
  ignoreFinding,
  unignore,
  isKeptFrom,
  keepFrom,
  makeHome,
  moveRule,
  openPage,
  linkByOneAddress,
  planOpening,
  say,
  setInMap,
  setKindIntent,
  setPageIntent,
  setPageIntents,
  switchSite,
} from './commands.ts';
export { fixFor, type FixPlaces } from './quick-fixes.ts';
