import { switchStory } from '../../core/site/index.ts';
import { counted, fullDate } from '../../core/wording/index.ts';
import { planOpening, switchSite, useTables, useWorkspace, useWorkspaceApi } from '../workspace/index.ts';
import { wording } from './wording.ts';

/** At each release while the site is kept from engines or visitors: that it is so, for how long, and the way to open it with this very release. */
export function OpeningReminder() {
  const workspace = useWorkspaceApi();
  const document = useTables('siteSwitch', 'releases', 'visitors');
  const wanted = useWorkspace((state) => state.numbers.wanted);
  const { here, live, shutBy, opensOn } = switchStory(document);
  const audience = document.tables.visitors['']?.audience ?? 'public';
  const today = workspace.tools.now().toISOString().slice(0, 10);
  const due = opensOn !== undefined && opensOn <= today;
  return (
    <>
      {here === 'shut' && (
        <div className="notice notice-bad mb-3 flex flex-wrap items-center gap-x-4 gap-y-2" data-testid="closed-reminder">
          <div className="min-w-0 flex-1 basis-64">
            <p className="display font-semibold">
              {due ? `You meant to open it on ${fullDate(`${opensOn}T12:00:00Z`)}` : 'This release keeps the site closed'}
            </p>
            <p className="text-small">
              {wording.closed}
              {live === 'shut' && shutBy && ` It would be the ${ordinal(shutBy.releases + 1)} closed release in a row.`} {counted(wanted, 'page')} you want
              found cannot be.
            </p>
          </div>
          <button type="button" className="btn btn-primary" onClick={() => switchSite(workspace)}>
            Open it with this release
          </button>
        </div>
      )}
      {here === 'planned' && (
        <div className="notice notice-amber mb-3 flex flex-wrap items-center gap-x-4 gap-y-2" data-testid="planned">
          <p className="min-w-0 flex-1 basis-64">{wording.planned}</p>
          <button type="button" className="btn btn-outline-ink" onClick={() => planOpening(workspace, false)}>
            Keep it closed
          </button>
        </div>
      )}
      {here === 'open' && live === 'shut' && <p className="notice notice-good mb-3">{wording.opens}</p>}
      {audience !== 'public' && <p className="notice notice-bad mb-3">{audience === 'draft' ? wording.draft : wording.restricted}</p>}
    </>
  );
}

function ordinal(number: number): string {
  const tail = number % 100 > 10 && number % 100 < 14 ? 'th' : ({ 1: 'st', 2: 'nd', 3: 'rd' }[number % 10] ?? 'th');
  return `${number}${tail}`;
}
