import { useAsync } from '../ui/index.ts';
import { siteHost } from '../../core/site/index.ts';
import { listSites, useWorkspace, useWorkspaceApi } from '../workspace/index.ts';
import { wording } from './wording.ts';

/** Told before one site is released over another: which other sites in this browser have its address. */
export function SameAddress() {
  const workspace = useWorkspaceApi();
  const id = useWorkspace((state) => state.site?.id);
  const host = useWorkspace((state) => siteHost(state.document));
  const { value: names = [] } = useAsync(
    async () => {
      const { sites } = await listSites(workspace);
      return sites.filter((site) => site.id !== id && site.summary?.host === host && site.summary.release !== null).map(({ name }) => name);
    },
    `${id ?? ''} ${host}`,
  );
  if (names.length === 0) return null;
  return (
    <p className="notice notice-amber mb-3" role="status" data-testid="same-address">
      <strong>{names.map((name) => `“${name}”`).join(', ')}</strong> {wording.sameAddress}, <span className="mono">{host}</span>. {wording.sameAddressWhy}
    </p>
  );
}
