import { messageOf, type FilePath } from '../../core/source/index.ts';
import { FolderInput, Package, PackageOpen } from 'lucide-react';
import { useState } from 'react';
import type { ReleaseItem } from '../../core/release/index.ts';
import { counted, PATCH_REFUSALS } from '../../core/wording/index.ts';
import { onProgress } from '../analysis/index.ts';
import { Busy, download, note } from '../ui/index.ts';
import { useWorkspace, useWorkspaceApi } from '../workspace/index.ts';
import { wording } from './wording.ts';

/** The files for a host of one's own: as a ZIP, or back into the folder they came from. */
export function FilesOut({ items, onMarked }: { readonly items: readonly ReleaseItem[]; readonly onMarked: () => void }) {
  const workspace = useWorkspaceApi();
  const site = useWorkspace((state) => state.site);
  const [busy, setBusy] = useState<{ done: number; of: number }>();
  const zip = async (what: 'changed' | 'all'): Promise<void> => {
    setBusy({ done: 0, of: 1 });
    try {
      await workspace.whenIdle();
      const packed = await workspace.tools.analysis.zip(
        what,
        onProgress((done, of) => setBusy({ done, of })),
      );
      download(packed.zip, `${fileName(site?.name)}-${what === 'all' ? 'whole' : 'changed'}.zip`);
      const [first] = packed.left;
      note(
        `${counted(packed.count, 'file')} in the ZIP.${first ? ` ${counted(packed.left.length, 'change')} could not be written, the first on ${first.path}: ${PATCH_REFUSALS[first.reason]}.` : ''}`,
      );
    } catch (error) {
      note(`No ZIP was made: ${messageOf(error)}`, {}, 'bad');
    } finally {
      setBusy(undefined);
    }
  };
  const intoFolder = async (): Promise<void> => {
    try {
      const folder = site?.folder ?? (await window.showDirectoryPicker?.({ mode: 'readwrite' }));
      if (!folder) return;
      if ((await folder.requestPermission?.({ mode: 'readwrite' })) === 'denied')
        return void note('The browser was not allowed to write into the folder. Nothing was written.', {}, 'bad');
      await workspace.whenIdle();
      const files = await workspace.tools.analysis.changedFiles();
      for (const { path, bytes } of files) await writeInto(folder, path, bytes);
      note(`${counted(files.length, 'file')} written into ${folder.name}.`, {}, 'good');
    } catch (error) {
      if ((error as Error).name !== 'AbortError') note(`Not all was written: ${messageOf(error)}`, {}, 'bad');
    }
  };
  const changed = items.filter((item) => item.what !== 'gone').length;
  return (
    <section className="mt-5">
      <h2>
        {wording.files} <span className="soft text-note font-normal">{wording.filesWhy}</span>
      </h2>
      <div className="mt-2 grid gap-2">
        <button
          type="button"
          className="btn btn-outline-ink justify-start gap-2.5"
          disabled={changed === 0 || busy !== undefined}
          onClick={() => void zip('changed')}
        >
          <PackageOpen size={17} aria-hidden /> ZIP of what changed {changed > 0 && `(${changed})`}
        </button>
        <button type="button" className="btn btn-outline-ink justify-start gap-2.5" disabled={busy !== undefined} onClick={() => void zip('all')}>
          <Package size={17} aria-hidden /> ZIP of the whole site
        </button>
        {'showDirectoryPicker' in window && (
          <button
            type="button"
            className="btn btn-outline-ink justify-start gap-2.5"
            disabled={changed === 0 || busy !== undefined}
            onClick={() => void intoFolder()}
          >
            <FolderInput size={17} aria-hidden /> {site?.folder ? `Write into ${site.folder.name}` : 'Write into a folder'}
          </button>
        )}
      </div>
      {busy && (
        <div className="mt-2">
          <Busy what="Packing" {...busy} />
        </div>
      )}
      {changed > 0 && (
        <p className="soft mt-2 text-note">
          Put live by hand?{' '}
          <button type="button" className="link-act" onClick={onMarked}>
            Count it as released
          </button>
        </p>
      )}
    </section>
  );
}

async function writeInto(folder: FileSystemDirectoryHandle, path: FilePath, bytes: Uint8Array): Promise<void> {
  const parts = path.split('/');
  let at = folder;
  for (const part of parts.slice(0, -1)) at = await at.getDirectoryHandle(part, { create: true });
  const file = await at.getFileHandle(parts.at(-1) as string, { create: true });
  // The writable swaps the file in whole when it closes: a failure leaves the old one.
  const writable = await file.createWritable();
  await writable.write(bytes as Uint8Array<ArrayBuffer>);
  await writable.close();
}

function fileName(name = 'site'): string {
  return (
    name
      .toLowerCase()
      .replace(/[^\p{L}\p{N}]+/gu, '-')
      .replace(/^-|-$/g, '') || 'site'
  );
}
