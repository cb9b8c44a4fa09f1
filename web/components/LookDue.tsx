import { Link } from 'react-router';
import { isUnseen, nextLook } from '../../core/site/index.ts';
import { fullDate } from '../../core/wording/index.ts';
import { useRoute } from './navigation.ts';
import { useWorkspace, useWorkspaceApi } from '../workspace/index.ts';

/** That the live site is worth a look: of pages that nobody looked at, and a month after the last. */
export function LookDue() {
  const { linkToView } = useRoute();
  const looks = useWorkspace((state) => state.document.tables.looks);
  const today = useWorkspaceApi().tools.now().toISOString();
  const unseen = useWorkspace((state) => isUnseen(state.document));
  const due = nextLook(looks);
  if (!unseen && (due === undefined || due > today)) return null;
  return (
    <p className="notice my-3 flex flex-wrap items-center gap-x-4 gap-y-1" data-testid="look-due">
      <span className="min-w-0 flex-1 basis-64">
        {unseen
          ? 'These pages come from your list, and nobody has looked at them yet. Once they are looked at, you see which answer and what they say.'
          : `The live site was last held against what is meant on ${fullDate(looks['']?.at ?? '')}, over a month ago.`}
      </span>
      <Link className="link-act" to={linkToView('release', 'live')}>
        {unseen ? 'Look at the live site' : 'See what is out there'}
      </Link>
    </p>
  );
}
