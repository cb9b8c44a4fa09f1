import { createContext, useContext, useEffect, useMemo, useState } from 'react';
import { useStore } from 'zustand';
import { WorkerLost } from '../analysis/index.ts';
import type { SiteDocument, Table } from '../../core/site/index.ts';
import type { WorkspaceState } from './state.ts';
import type { Workspace } from './store.ts';

/** The one workspace, handed down by the app. */
export const WorkspaceContext = createContext<Workspace | undefined>(undefined);

export function useWorkspaceApi(): Workspace {
  const workspace = useContext(WorkspaceContext);
  if (!workspace) throw new Error('no workspace above this component');
  return workspace;
}

/** A piece of the workspace's state; draws again only when that piece changes. */
export function useWorkspace<T>(select: (state: WorkspaceState) => T): T {
  return useStore(useWorkspaceApi().store, select);
}

/**
 * The document, as far as some of its tables go: draws again only when one of these changes. What is read of other tables may be of yesterday, so all that
 * what is drawn depends on are named.
 */
export function useTables(...tables: readonly Table[]): SiteDocument {
  const names = tables.join(' ');
  const select = useMemo(() => {
    let kept: SiteDocument | undefined;
    return ({ document }: WorkspaceState): SiteDocument => {
      if (kept === undefined || names.split(' ').some((table) => kept?.tables[table as Table] !== document.tables[table as Table])) kept = document;
      return kept;
    };
  }, [names]);
  return useWorkspace(select);
}

/** A report from the worker, fetched anew whenever the survey has looked again. Undefined until it is there. */
export function useReport<T>(fetchReport: (workspace: Workspace) => Promise<T>, key = ''): T | undefined {
  const workspace = useWorkspaceApi();
  const surveyed = useWorkspace((state) => state.surveyed);
  const siteId = useWorkspace((state) => state.site?.id);
  const [report, setReport] = useState<{ key: string; value: T }>();
  const [failure, setFailure] = useState<Error>();
  const whole = `${siteId ?? ''} ${key}`;
  useEffect(() => {
    let current = true;
    fetchReport(workspace).then(
      (value) => current && setReport({ key: whole, value }),
      // A worker that died answers when it is back, and then the survey has looked again. All else is for the boundary above to say.
      (error: unknown) => current && !(error instanceof WorkerLost) && setFailure(error as Error),
    );
    return () => {
      current = false;
    };
    // The fetching function is made anew at each drawing; what it depends on is in the key.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [workspace, surveyed, whole]);
  if (failure) throw failure;
  return report?.key === whole ? report.value : undefined;
}
