import { useEffect, useState } from 'react';
import { siteHost } from '../../core/site/index.ts';
import { listSites, useWorkspace, useWorkspaceApi } from '../workspace/index.ts';
import { wording } from './wording.ts';

/** Told before one site is released over another: which other sites in this browser have its address. */
export function SameAddress() {
  const workspace = useWorkspaceApi();
  const id = useWorkspace((state) => state.site?.id);
  const host = useWorkspace((state) => siteHost(state.document));
  const [names, setNames] = useState<readonly string[]>([]);
  useEffect(() => {
    let current = true;
    listSites(workspace).then(
      ({ sites }) =>
        current && setNames(sites.filter((site) => site.id !== id && site.summary?.host === host && site.summary.release !== null).map(({ name }) => name)),
      () => undefined,
    );
    return () => {
      current = false;
    };
  }, [workspace, id, host]);
  if (names.length === 0) return null;
  return (
    <p className="notice notice-amber mb-3" role="status" data-testid="same-address">
      <strong>{names.map((name) => `“${name}”`).join(', ')}</strong> {wording.sameAddress}, <span className="mono">{host}</span>. {wording.sameAddressWhy}
    </p>
  );
}
