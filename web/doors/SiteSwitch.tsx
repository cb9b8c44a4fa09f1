import { isOpen } from '../../core/site/index.ts';
import { shortDate } from '../../core/wording/index.ts';
import { switchSite, useWorkspace, useWorkspaceApi } from '../workspace/index.ts';
import { W } from './wording.ts';

/** The one switch for the whole site, with since when it stands so. */
export function SiteSwitch() {
  const workspace = useWorkspaceApi();
  const open = useWorkspace((state) => isOpen(state.document));
  const since = useWorkspace((state) => state.document.tables.doors['']?.since);
  return (
    <section className={`notice ${open ? '' : 'notice-bad'}`}>
      <label className="flex cursor-pointer items-start gap-3.5">
        <input type="checkbox" role="switch" className="toggle toggle-success mt-0.5 flex-none" checked={open} onChange={() => switchSite(workspace)} />
        <span>
          <span className="display block font-semibold">{open ? W.openTitle : W.closedTitle}</span>
          <span className="soft block text-[13px]">
            {since && `Since ${shortDate(since)}. `}
            {open ? W.openWhy : W.closedWhy}
          </span>
        </span>
      </label>
    </section>
  );
}
