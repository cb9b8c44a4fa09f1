import { Link } from 'react-router';
import type { IdentityGap } from '../../core/structured-data/index.ts';
import { useRoute } from '../components/index.ts';
import { useWorkspaceApi } from '../workspace/index.ts';
import { switchMarkup } from './commands.ts';
import { GAPS, wording } from './wording.ts';

/** Says that nothing is written yet, what is still missing for it, and offers to begin. */
export function NotWritten({ waits }: { readonly waits: readonly IdentityGap[] }) {
  const workspace = useWorkspaceApi();
  const { linkToView } = useRoute();
  return (
    <div className="notice notice-amber mb-5 flex flex-wrap items-center justify-between gap-3">
      <p className="max-w-prose">
        <strong>{wording.off}</strong> {waits.length === 0 ? wording.offWhy : `First say ${waits.map((gap) => GAPS[gap]).join(' and ')}: every page names it.`}
      </p>
      {waits.length === 0 ? (
        <button type="button" className="btn btn-primary" onClick={() => switchMarkup(workspace, true)}>
          {wording.turnOn}
        </button>
      ) : (
        <Link className="btn btn-primary" to={linkToView('meaning', 'who')}>
          Say who is behind it
        </Link>
      )}
    </div>
  );
}
