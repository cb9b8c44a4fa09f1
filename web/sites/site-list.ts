import { messageOf } from '../../core/source/index.ts';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { SiteRecord } from '../storage/index.ts';
import { note, useHotkey, useLatest } from '../ui/index.ts';
import { clearForGood, deleteSite, listSites, restoreSite, useWorkspaceApi } from '../workspace/index.ts';

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
  // Each starts its writing when it is called, and the database writes in that order: deleted, undone and deleted again is deleted.
  const act = (written: Promise<void>): void =>
    void written.then(
      () => {
        setFailure(undefined);
        refresh();
      },
      (error) => setFailure(messageOf(error)),
    );
  const undo = (): void => {
    const site = deleted.current.pop();
    if (!site) return note('Nothing to undo here.', { id: 'undo' });
    act(restoreSite(workspace, site).then(() => note(`“${site.name}” is back.`, { id: 'undo' })));
  };
  useHotkey('mod+z', undo);
  const remove = (site: SiteRecord): void => {
    deleted.current.push(site);
    act(
      deleteSite(workspace, site).then(() => {
        onGone();
        note(`“${site.name}” was moved to the bin.`, { id: 'undo', duration: 12_000, action: { label: 'Undo', onClick: undo } });
      }),
    );
  };
  const restore = (site: SiteRecord): void => act(restoreSite(workspace, site));
  const clear = (site: SiteRecord): void => act(clearForGood(workspace, site));
  return { sites: list?.sites, bin: list?.bin ?? [], refresh, remove, restore, clear, failure };
}
