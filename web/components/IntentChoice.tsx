import { Moon, Sun } from 'lucide-react';
import { kindIntent, type Intent, KIND_TABLE } from '../../core/site/index.ts';
import type { PageRow } from '../../core/rows/index.ts';
import { Segments } from '../ui/index.ts';
import { setPageIntent, useWorkspace, useWorkspaceApi } from '../workspace/index.ts';

/** Should people find this page? Its own answer, or its kind's. */
export function IntentChoice({ row }: { readonly row: PageRow }) {
  const workspace = useWorkspaceApi();
  const own = useWorkspace((state) => state.document.tables.pages[row.id]?.intent) ?? 'kind';
  const byKind = useWorkspace((state) => kindIntent(state.document, row.kind).intent);
  return (
    <div className="mt-5">
      <p className="display mb-1.5 text-lead font-semibold">Should people find this page?</p>
      <Segments<Intent | 'kind'>
        label="Should people find this page?"
        value={own}
        onChange={(value) => setPageIntent(workspace, row.id, value === 'kind' ? null : value)}
        options={[
          {
            value: 'list',
            label: (
              <>
                <Sun size={15} aria-hidden /> Yes, list it
              </>
            ),
          },
          {
            value: 'out',
            label: (
              <>
                <Moon size={15} aria-hidden /> Keep it out
              </>
            ),
          },
          { value: 'kind', label: `As its kind: ${byKind === 'list' ? 'list' : 'keep out'}` },
        ]}
      />
      <p className="soft mt-1.5 text-note">
        Kind: {KIND_TABLE[row.kind].one.toLowerCase()}. {KIND_TABLE[row.kind].many} are {byKind === 'list' ? 'listed' : 'kept out'} unless a page says
        otherwise.
      </p>
    </div>
  );
}
