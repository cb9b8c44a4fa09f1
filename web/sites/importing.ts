import { useQuietNavigate } from '../components/index.ts';
import { messageOf } from '../../core/source/index.ts';
import { useState } from 'react';
import { REFUSAL_WORDS } from '../../core/wording/index.ts';
import type { Bringing } from '../analysis/index.ts';
import { note } from '../ui/index.ts';
import { bringInDemo, bringInSite, useWorkspaceApi } from '../workspace/index.ts';

let jobs = 0;

/** Brings sites in, and goes there. `onChange` is called when the list of sites is another. */
export function useImport(onChange: () => void) {
  const workspace = useWorkspaceApi();
  const navigate = useQuietNavigate();
  const [busy, setBusy] = useState<{ job: string; done: number; of: number }>();
  const [failure, setFailure] = useState<string>();
  /** What was brought without a page of its own, and the ZIPs in it. */
  const [inside, setInside] = useState<{ readonly bringing: Bringing; readonly paths: readonly string[] }>();

  const take = async (bringing: Bringing | undefined, folder?: FileSystemDirectoryHandle): Promise<void> => {
    if (!bringing) return;
    const job = `bring-${++jobs}`;
    setFailure(undefined);
    setInside(undefined);
    setBusy({ job, done: 0, of: 1 });
    try {
      const result = await bringInSite(workspace, job, bringing, (done, of) => setBusy((now) => now && { ...now, done, of }));
      if (!result.ok) {
        if (result.reason === 'cancelled') note(REFUSAL_WORDS['cancelled'] ?? '');
        else setFailure(REFUSAL_WORDS[result.reason] ?? REFUSAL_WORDS['failed']);
        if (result.inside) setInside({ bringing, paths: result.inside });
        return;
      }
      if (folder) await workspace.tools.db.put('sites', { ...result.site, folder });
      // Asked once there is something worth keeping; a browser that says no is asked again from the list.
      void navigator.storage.persist?.().catch(() => false);
      void navigate(`/s/${result.site.id}`);
    } catch (error) {
      setFailure(messageOf(error));
    } finally {
      setBusy(undefined);
      onChange();
    }
  };
  const demo = async (): Promise<void> => {
    setBusy({ job: 'demo', done: 0, of: 1 });
    try {
      await workspace.tools.outside.beginDemoAnew();
      void navigate(`/s/${(await bringInDemo(workspace)).id}`);
    } catch (error) {
      setFailure(messageOf(error));
      setBusy(undefined);
    }
  };
  return { take, demo, busy, inside, failure, setFailure };
}
