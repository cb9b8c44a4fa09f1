import { messageOf } from '../../core/source/index.ts';
import { CircleAlert, CloudOff, FileWarning, RotateCcw } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { counted, plural } from '../../core/wording/index.ts';
import { dropAside, listAside } from '../storage/index.ts';
import { download, note } from '../ui/index.ts';
import { exportSite, restoreSite, useWorkspace, useWorkspaceApi, type SaveTrouble } from '../workspace/index.ts';

/** What is the matter with saving, and what to do. */
const SAVING: Readonly<Record<SaveTrouble, string>> = {
  full: 'This browser has no room left. Delete a site you no longer need, or free some disk: it is tried again by itself.',
  closed: 'The connection to what this browser keeps was lost. It is taken up again by itself; if this stays, reload the program.',
  deleted: 'This site was deleted in another tab. It lies in the bin and can be had back.',
  missing: 'What this browser kept of this site is gone: somebody, or the browser itself, cleared it. What you see here exists only in this tab.',
  other: 'The browser refuses to save. It is tried again by itself.',
};

/** On every screen, while something stands between the owner's work and its being kept: what, and what to do about it. */
export function TroubleStrip() {
  const workspace = useWorkspaceApi();
  const site = useWorkspace((state) => state.site);
  const save = useWorkspace((state) => state.save);
  const trouble = useWorkspace((state) => state.trouble);
  const unsaved = useWorkspace((state) => state.unsaved);
  const worker = useWorkspace((state) => state.worker);
  const aside = useWorkspace((state) => state.aside);
  const [busy, setBusy] = useState(false);
  const [dismissed, setDismissed] = useState<string>();
  if (!site) return null;
  const asFile = async (): Promise<void> => {
    setBusy(true);
    try {
      download(await exportSite(workspace, site), `${site.name.replace(/[^\p{L}\p{N}]+/gu, '-')}.beacon`);
    } catch (error) {
      note(`Not saved as a file: ${messageOf(error)}`, {}, 'bad');
    } finally {
      setBusy(false);
    }
  };
  const asideAsFile = async (): Promise<void> => {
    const all = await listAside(workspace.tools.db, site.id);
    download(new Blob([JSON.stringify(all, null, 2)], { type: 'application/json' }), `${site.id}-set-aside.json`);
  };
  return (
    <>
      {save === 'failed' && (
        <Strip icon={<CircleAlert size={15} aria-hidden />} bad>
          <span className="min-w-0 flex-1" data-testid="not-saved">
            <strong>{unsaved > 0 ? `${counted(unsaved, 'change is', 'changes are')} not saved.` : 'Not saved.'}</strong> {SAVING[trouble ?? 'other']}
          </span>
          {trouble === 'deleted' ? (
            <Act onClick={() => void restoreSite(workspace, site)}>Have it back</Act>
          ) : (
            trouble !== 'missing' && <Act onClick={() => void workspace.writeAgain()}>Try now</Act>
          )}
          <Act onClick={() => void asFile()} disabled={busy}>
            {busy ? 'Packing …' : 'Save as a file'}
          </Act>
        </Strip>
      )}
      {worker === 'gone' && (
        <Strip icon={<CloudOff size={15} aria-hidden />} bad>
          <span className="min-w-0 flex-1" data-testid="no-worker">
            The part that reads the pages cannot be loaded: the program’s server is not running, or the program was updated. What you write is saved; checks and
            previews of other pages stand still.
          </span>
          <Act onClick={workspace.tools.startAnalysisAgain}>Try again</Act>
          <Act onClick={() => window.location.reload()}>Reload</Act>
        </Strip>
      )}
      {aside > 0 && dismissed !== site.id && (
        <Strip icon={<FileWarning size={15} aria-hidden />}>
          <span className="min-w-0 flex-1" data-testid="set-aside">
            {counted(aside, 'thing', 'things')} of what was saved could not be read and {plural(aside, 'was', 'were')} set aside. The rest is as you left it,
            and an exported project takes {plural(aside, 'it', 'them')} along for repair.
          </span>
          <Act onClick={() => void asideAsFile()}>Download</Act>
          <Act
            onClick={() => {
              setDismissed(site.id);
              void dropAside(workspace.tools.db, site.id);
            }}
          >
            Discard
          </Act>
        </Strip>
      )}
    </>
  );
}

function Strip({ icon, bad = false, children }: { readonly icon: ReactNode; readonly bad?: boolean; readonly children: ReactNode }) {
  return (
    <div className={`strip${bad ? ' shut' : ''}`} role="status">
      {icon}
      {children}
    </div>
  );
}

function Act({ onClick, disabled = false, children }: { readonly onClick: () => void; readonly disabled?: boolean; readonly children: ReactNode }) {
  return (
    <button type="button" className="strip-link" onClick={onClick} disabled={disabled}>
      {children}
    </button>
  );
}

/** In the foot, while the server is away: that it is, and a way to ask again. */
export function ServerAway() {
  const workspace = useWorkspaceApi();
  const server = useWorkspace((state) => state.server);
  if (server === 'there') return null;
  return (
    <button
      type="button"
      className="flex min-h-7 flex-none cursor-pointer items-center gap-1.5 font-semibold text-error"
      data-testid="server-away"
      title="The program’s server does not answer. Words and rules can be worked on; release, proof and watch wait for it."
      onClick={() =>
        void workspace.tools.outside
          .clock()
          .catch(() => note('The program’s server still does not answer. Start it again with npm start.', { id: 'server' }, 'bad'))
      }
    >
      <CloudOff size={14} aria-hidden /> Server away <RotateCcw size={13} aria-hidden />
    </button>
  );
}
