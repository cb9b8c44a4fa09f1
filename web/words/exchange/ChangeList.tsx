import type { PageId } from '../../../core/source/index.ts';
import { useState } from 'react';
import { PageLink } from '../../components/index.ts';
import { useWorkspace } from '../../workspace/index.ts';

const SHOWN = 60;

/** Pages with a text before and after. */
export function ChangeList({
  changes,
}: {
  readonly changes: readonly { readonly page: PageId; readonly before: string; readonly after: string; readonly what?: string }[];
}) {
  const byId = useWorkspace((state) => state.byId);
  const [most, setMost] = useState(SHOWN);
  return (
    <div className="panel overflow-hidden" data-testid="changes">
      <ul className="divide-y divide-line">
        {changes.slice(0, most).map((change, index) => (
          <li key={`${change.page} ${change.what ?? ''} ${index}`} className="px-4 py-2 text-plain">
            <p className="text-fine">
              <PageLink to="words" page={change.page} className="link-act soft !font-normal">
                {byId.get(change.page)?.name ?? change.page}
              </PageLink>
              {change.what !== undefined && <span className="soft"> · {change.what}</span>}
            </p>
            <del className="block text-faint" dir="auto">
              {change.before || <span className="no-underline">(empty)</span>}
            </del>
            <ins className="block font-medium no-underline" dir="auto">
              {change.after || '(empty)'}
            </ins>
          </li>
        ))}
      </ul>
      {changes.length > most && (
        <button type="button" className="link-act block w-full border-t border-line py-2 text-center" onClick={() => setMost(most + 400)}>
          {changes.length - most} more
        </button>
      )}
    </div>
  );
}
