export { useReport, useWorkspace, useWorkspaceApi, WorkspaceContext } from './context.tsx';
export { nextNumber, release, type ReleaseOutcome, type ReleaseStep } from './release.ts';
export { bringInDemo, bringInSite, deleteSite, exportSite, firstSite, listSites, rememberSite, renameSite, restoreSite } from './sites.ts';
export { Workspace, type About, type WorkspaceState, type WorkspaceTools } from './store.ts';
export {
  hideProperly,
  isKeptFrom,
  keepFrom,
  moveRule,
  openPage,
  planOpening,
  say,
  setInMap,
  setKindIntent,
  setPageIntent,
  setPageIntents,
  switchSite,
} from './mends.ts';
