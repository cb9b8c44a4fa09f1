import { findingWords } from '../../../core/wording/index.ts';
import type { PageRow } from '../../../core/rows/index.ts';
import { fixFor, useWorkspaceApi } from '../../workspace/index.ts';

/** What the page's state does not tell: another engine takes it otherwise, or its canonicals contradict each other; each with its mend. */
export function ForOneEngine({ row }: { readonly row: PageRow }) {
  const workspace = useWorkspaceApi();
  return row.findings.map((finding) => {
    if (finding.code !== 'one-engine' && finding.code !== 'canonical-several') return null;
    const { headline, why } = findingWords(finding);
    const fix = fixFor(workspace, row, finding);
    return (
      <div key={finding.code} className="notice notice-amber mb-4 flex flex-wrap items-center gap-x-4 gap-y-2" data-testid={finding.code}>
        <div className="min-w-0 flex-1 basis-60">
          <p className="display font-semibold">{headline}</p>
          <p className="text-small [overflow-wrap:anywhere]">{why}</p>
        </div>
        {fix && (
          <button type="button" className="btn btn-primary" onClick={fix.run}>
            {fix.label}
          </button>
        )}
      </div>
    );
  });
}
