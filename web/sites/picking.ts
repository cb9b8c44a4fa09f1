import type { FilePath } from '../../core/source/index.ts';
import type { Bringing, PickedFile } from '../analysis/index.ts';

/** Files of a folder that was picked through the file input. */
export function fromInput(files: FileList): Bringing {
  const picked = [...files].map((file): PickedFile => ({ path: file.webkitRelativePath || file.name, file }));
  return { kind: 'files', name: picked[0]?.path.split('/')[0] ?? 'site', files: picked };
}

/** All files below a folder handle. */
export async function fromFolder(folder: FileSystemDirectoryHandle): Promise<Bringing> {
  const files: PickedFile[] = [];
  const visit = async (at: FileSystemDirectoryHandle, path: FilePath): Promise<void> => {
    for await (const entry of at.values()) {
      if (entry.kind === 'file') files.push({ path: path + entry.name, file: await (entry as FileSystemFileHandle).getFile() });
      else if (!/^(\.git|node_modules)$/.test(entry.name)) await visit(entry as FileSystemDirectoryHandle, `${path}${entry.name}/`);
    }
  };
  await visit(folder, '');
  return { kind: 'files', name: folder.name, files };
}

export async function fromArchive(file: File): Promise<Bringing> {
  return { kind: 'archive', name: file.name, bytes: new Uint8Array(await file.arrayBuffer()), file };
}

/** A ZIP that lies in what was brought: in a ZIP, or among the files of a folder. */
export async function fromInside(bringing: Bringing, path: FilePath): Promise<Bringing | undefined> {
  if (bringing.kind === 'archive')
    // A ZIP within the inner one is not gone down to: it is opened by hand.
    return bringing.file && ({ ...(await fromArchive(bringing.file)), name: path.split('/').at(-1) as string, inside: path } as Bringing);
  const found = bringing.kind === 'files' ? bringing.files.find((one) => one.path === path || one.path.endsWith(`/${path}`)) : undefined;
  return found && fromArchive(found.file);
}

/** What was dropped: one ZIP, or folders and files. Undefined where it was nothing of the sort. */
export async function fromDrop(data: DataTransfer): Promise<Bringing | undefined> {
  const entries = [...data.items].flatMap((item) => item.webkitGetAsEntry() ?? []);
  const [only] = entries;
  if (entries.length === 1 && only?.isFile && /\.(zip|beacon)$/i.test(only.name)) return fromArchive(await fileOf(only as FileSystemFileEntry));
  const files: PickedFile[] = [];
  const visit = async (entry: FileSystemEntry): Promise<void> => {
    if (entry.isFile) files.push({ path: entry.fullPath.replace(/^\//, ''), file: await fileOf(entry as FileSystemFileEntry) });
    else for (const child of await childrenOf(entry as FileSystemDirectoryEntry)) await visit(child);
  };
  for (const entry of entries) await visit(entry);
  return files.length === 0 ? undefined : { kind: 'files', name: only?.name ?? 'site', files };
}

function fileOf(entry: FileSystemFileEntry): Promise<File> {
  return new Promise((resolve, reject) => entry.file(resolve, reject));
}

async function childrenOf(folder: FileSystemDirectoryEntry): Promise<FileSystemEntry[]> {
  const reader = folder.createReader();
  const all: FileSystemEntry[] = [];
  for (;;) {
    const some = await new Promise<FileSystemEntry[]>((resolve, reject) => reader.readEntries(resolve, reject));
    if (some.length === 0) return all;
    all.push(...some);
  }
}
