import { messageOf } from '../../core/source/index.ts';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { SiteRecord } from '../storage/index.ts';
import { note, useHotkey, useLatest } from '../ui/index.ts';
import { deleteSite, listSites, restoreSite, useWorkspaceApi } from '../workspace/index.ts';

/** The sites in this browser, those in the bin, and the way there and back. `onGone` is called once a site went. */
export function useSiteList(onGone: () => void) {
  const workspace = useWorkspaceApi();
  const [failure, setFailure] = useState<string>();
  const latest = useLatest();
  const [list, setList] = useState<{ readonly sites: readonly SiteRecord[]; readonly bin: readonly SiteRecord[] }>();
  const refresh = useCallback(() => latest(listSites(workspace), setList, (error) => setFailure(messageOf(error))), [workspace, latest]);
  useEffect(refresh, [refresh]);
  // Another tab may bring a site in, rename or delete one.
  useEffect(() => workspace.tools.listen(refresh), [workspace, refresh]);
  const deleted = useRef<SiteRecord[]>([]);
  const going = useRef<Promise<unknown>>(Promise.resolve());
  const undo = (): void => {
    const site = deleted.current.pop();
    if (!site) return note('Nothing to undo here.', { id: 'undo' });
    // One that is on its way out is had back once it is there.
    void going.current.then(() => restoreSite(workspace, site)).then(refresh);
    note(`“${site.name}” is back.`, { id: 'undo' });
  };
  useHotkey('mod+z', undo);
  const remove = async (site: SiteRecord): Promise<void> => {
    deleted.current.push(site);
    const gone = deleteSite(workspace, site);
    going.current = gone.catch(() => undefined);
    await gone;
    refresh();
    onGone();
    note(`“${site.name}” was moved to the bin.`, { id: 'undo', duration: 12_000, action: { label: 'Undo', onClick: undo } });
  };
  return { sites: list?.sites, bin: list?.bin ?? [], refresh, remove, failure };
}
