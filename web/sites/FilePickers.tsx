import { Archive, FolderOpen } from 'lucide-react';
import { useRef } from 'react';
import { messageOf } from '../../core/source/index.ts';
import type { Bringing } from '../analysis/index.ts';
import { fromArchive, fromFolder, fromInput } from './picking.ts';

/** The two ways to hand over files: a folder, by handle where the browser has such, and a ZIP. */
export function FilePickers({
  names,
  accept,
  disabled,
  quiet = false,
  onBring,
  onFailure,
}: {
  readonly names: { readonly folder: string; readonly archive: string };
  readonly accept: string;
  readonly disabled: boolean;
  /** Another way goes before. */
  readonly quiet?: boolean;
  readonly onBring: (bringing: Bringing, folder?: FileSystemDirectoryHandle) => Promise<void>;
  readonly onFailure: (why: string) => void;
}) {
  const folderInput = useRef<HTMLInputElement>(null);
  const archiveInput = useRef<HTMLInputElement>(null);
  const pickFolder = async (): Promise<void> => {
    if (!window.showDirectoryPicker) return folderInput.current?.click();
    try {
      const folder = await window.showDirectoryPicker({ mode: 'read' });
      await onBring(await fromFolder(folder), folder);
    } catch (error) {
      if ((error as Error).name !== 'AbortError') onFailure(messageOf(error));
    }
  };
  return (
    <>
      <button type="button" className={`btn gap-2 ${quiet ? 'btn-outline-ink' : 'btn-primary'}`} disabled={disabled} onClick={() => void pickFolder()}>
        <FolderOpen size={17} aria-hidden /> {names.folder}
      </button>
      <button type="button" className="btn btn-outline-ink gap-2" disabled={disabled} onClick={() => archiveInput.current?.click()}>
        <Archive size={17} aria-hidden /> {names.archive}
      </button>
      <input
        ref={folderInput}
        type="file"
        className="hidden"
        aria-label={names.folder}
        multiple
        {...{ webkitdirectory: '' }}
        onChange={(event) => event.target.files && void onBring(fromInput(event.target.files)).then(() => (event.target.value = ''))}
      />
      <input
        ref={archiveInput}
        type="file"
        className="hidden"
        aria-label={names.archive}
        accept={accept}
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          event.target.value = '';
          if (file) void fromArchive(file).then((bringing) => onBring(bringing));
        }}
      />
    </>
  );
}
