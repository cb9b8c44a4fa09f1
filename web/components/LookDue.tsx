import { Link } from 'react-router';
import { nextLook } from '../../core/site/index.ts';
import { fullDate } from '../../core/wording/index.ts';
import { useRoute } from './navigation.ts';
import { useWorkspace, useWorkspaceApi } from '../workspace/index.ts';

/** A month after the live site was looked at last: that it is worth another look. */
export function LookDue() {
  const { linkToView } = useRoute();
  const looks = useWorkspace((state) => state.document.tables.looks);
  const today = useWorkspaceApi().tools.now().toISOString();
  const due = nextLook(looks);
  if (due === undefined || due > today) return null;
  return (
    <p className="notice my-3 flex flex-wrap items-center gap-x-4 gap-y-1" data-testid="look-due">
      <span className="min-w-0 flex-1 basis-64">The live site was last held against what is meant on {fullDate(looks['']?.at ?? '')}, over a month ago.</span>
      <Link className="link-act" to={linkToView('release', 'live')}>
        See what is out there
      </Link>
    </p>
  );
}
