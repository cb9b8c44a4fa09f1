import { useState } from 'react';
import type { Finding } from '../../../core/checks/index.ts';
import type { PageRow } from '../../../core/rows/index.ts';
import { ignoreFinding, type Workspace } from '../../workspace/index.ts';

/** Lets a finding be here, with a reason for whoever comes after. */
export function FindingActions({ workspace, row, finding }: { readonly workspace: Workspace; readonly row: PageRow; readonly finding: Finding }) {
  const [asking, setAsking] = useState(false);
  const [reason, setReason] = useState('');
  if (!asking)
    return (
      <button type="button" className="link-act soft text-note !font-normal" onClick={() => setAsking(true)}>
        Let it be
      </button>
    );
  return (
    <form
      className="mt-1 flex gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        setAsking(false);
        ignoreFinding(workspace, row, finding, reason.trim() || 'Meant so');
      }}
      onKeyDown={(event) => event.key === 'Escape' && setAsking(false)}
    >
      <input
        className="input input-sm min-w-0 flex-1"
        autoFocus
        placeholder="Why? (Meant so)"
        aria-label="Why it may be so"
        maxLength={300}
        value={reason}
        onChange={(event) => setReason(event.target.value)}
      />
      <button type="submit" className="btn btn-sm btn-outline-ink">
        Let it be
      </button>
    </form>
  );
}
