import { readableAddress } from '../../core/source/index.ts';
import type { ReactNode } from 'react';
import { isEnough } from '../../core/checks/index.ts';
import { siteHost } from '../../core/site/index.ts';
import type { PageRow } from '../../core/rows/index.ts';
import { counted, STATE_WORDS } from '../../core/wording/index.ts';
import { useWorkspace } from '../workspace/index.ts';
import { PageName } from './PageName.tsx';
import { StateSign } from './StateSign.tsx';

/** The head of a page's sheet: name, address, state, and what is at its right. */
export function PageHead({ row, children }: { readonly row: PageRow; readonly children?: ReactNode }) {
  const host = useWorkspace((state) => siteHost(state.document));
  const toMend = row.findings.filter((finding) => finding.code !== 'shut-out' && finding.code !== 'leaking' && finding.code !== 'half-hidden').length;
  return (
    <header className="mb-4">
      <div className="flex flex-wrap items-start justify-between gap-x-4 gap-y-2">
        <h1>
          <PageName row={row} />
        </h1>
        {children}
      </div>
      <div className="mt-1.5 flex flex-wrap items-center gap-x-3 gap-y-1">
        <span className="mono soft break-all">
          {host}
          {readableAddress(row.address)}
        </span>
        <span className="inline-flex items-center gap-1.5 text-note" data-testid="page-state">
          <StateSign state={row.state} silent />
          <span>
            {STATE_WORDS[row.state].name.toLowerCase()}
            {toMend > 0 && row.state !== 'shut-out' && `, ${counted(toMend, 'thing')} open`}
          </span>
        </span>
        {row.pending && <span className="text-note text-amber-ink">waits for release</span>}
      </div>
      {isEnough(row.findings) && row.state === 'findable' && <p className="mt-2 text-note text-green">Good enough, stop here. What is left is polish.</p>}
    </header>
  );
}
