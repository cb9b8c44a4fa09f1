import { Link } from 'react-router';
import { isOpen, switchStory } from '../../../core/site/index.ts';
import { fullDate } from '../../../core/wording/index.ts';
import { useRoute } from '../../components/index.ts';
import { planOpening, switchSite, useTables, useWorkspaceApi } from '../../workspace/index.ts';
import { switchWords, wording } from '../wording.ts';

/** The one switch for the whole site: how it stands here and out there, since when and by which release, and what is planned. */
export function SiteSwitch({ full = false }: { readonly full?: boolean }) {
  const workspace = useWorkspaceApi();
  const { linkToView } = useRoute();
  const document = useTables('siteSwitch', 'releases', 'visitors');
  const story = switchStory(document);
  const words = switchWords(story, fullDate);
  const audience = document.tables.visitors['']?.audience ?? 'public';
  return (
    <section className={`notice ${story.here === 'open' ? '' : 'notice-bad'}`} aria-label="The switch for the whole site">
      <label className="flex cursor-pointer items-start gap-3.5">
        <input
          type="checkbox"
          role="switch"
          className="toggle toggle-success mt-0.5 flex-none"
          // One name whichever way it stands: what it is now is told by its being on or off.
          aria-label={wording.switchName}
          checked={isOpen(document) && story.here !== 'planned'}
          onChange={() => switchSite(workspace)}
        />
        <span>
          <span className="display block font-semibold">{words.title}</span>
          <span className="soft block text-note">{words.why}</span>
        </span>
      </label>
      {words.live !== '' && (
        <p className="mt-1.5 text-note" data-testid="switch-live">
          {words.live}
        </p>
      )}
      {story.here !== 'open' && (
        <label className="mt-2 flex min-h-8 items-center gap-2 text-small">
          <input
            type="checkbox"
            className="checkbox checkbox-sm"
            checked={story.here === 'planned'}
            onChange={(event) => planOpening(workspace, event.target.checked)}
          />
          {wording.planNext}
        </label>
      )}
      {audience !== 'public' && !full && (
        <p className="mt-2 text-note">
          {audience === 'draft' ? wording.draftShort : wording.restrictedShort}{' '}
          <Link className="link-act" to={linkToView('doors', 'site')}>
            Who can visit
          </Link>
        </p>
      )}
    </section>
  );
}
