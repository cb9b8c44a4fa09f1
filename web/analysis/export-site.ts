import { deflateSync, Zip, ZipPassThrough, zipSync } from 'fflate';
import { PROJECT_ENTRY, PROJECT_FILES, PROJECT_FORMAT, type ProjectFile } from '../../core/exchange/index.ts';
import type { LeftOut } from '../../core/page/index.ts';
import { ownBytes, shipments, written, type WorkingCopy } from '../../core/release/index.ts';
import { toHex, type FilePath } from '../../core/source/index.ts';
import { filesId, loadBytes, type Database, type StoredFile } from '../storage/index.ts';

/** One file as it goes out. */
export interface OutFile {
  readonly path: FilePath;
  readonly bytes: Uint8Array;
  readonly modified: number | undefined;
  /** The octets of its name where they are not those of `path` in UTF-8. */
  readonly oldName?: Uint8Array | undefined;
  /** What was meant and could not be written into it. */
  readonly left: readonly LeftOut[];
}

/** An edit that cannot be made in a file, by where the file goes. */
export interface LeftInFile extends LeftOut {
  readonly path: FilePath;
}

/** The bytes of a file of the site by its path and their hash; undefined where no version that is kept has them. */
export type BytesOf = (path: FilePath, hash: string) => Promise<Uint8Array | undefined>;

/** Bytes as the versions of a site have them: the one that is open is asked first. */
export function bytesIn(db: Database, siteId: string, open: number): BytesOf {
  let others: readonly number[] | undefined;
  const inVersion = async (version: number, path: FilePath, hash: string): Promise<Uint8Array | undefined> => {
    const id = filesId(siteId, version);
    return (await db.get('files', [id, path]))?.hash === hash ? loadBytes(db, id, path) : undefined;
  };
  return async (path, hash) => {
    const here = await inVersion(open, path, hash);
    if (here) return here;
    others ??= [0, ...((await db.get('sites', siteId))?.versions ?? []).map(({ number }) => number)].filter((number) => number !== open).reverse();
    for (const version of others) {
      const there = await inVersion(version, path, hash);
      if (there) return there;
    }
    return undefined;
  };
}

/** The files of a working copy, one after the other, as they go out. `paths` limits it to some, by where they go. */
export async function* outFiles(bytesOf: BytesOf, copy: WorkingCopy, files: readonly StoredFile[], paths?: ReadonlySet<string>): AsyncGenerator<OutFile> {
  const known = new Map(files.map((file) => [file.path, file]));
  for (const shipment of shipments(copy)) {
    const { path } = shipment;
    if (paths && !paths.has(path)) continue;
    if ('text' in shipment) {
      yield { path, bytes: ownBytes(path, shipment.text), modified: undefined, left: [] };
      continue;
    }
    const { from, hash } = shipment;
    const here = known.get(from);
    const file = here?.hash === hash ? here : undefined;
    const bytes = await bytesOf(from, hash);
    // A file that is left out by itself would be gone from the site.
    if (!bytes) throw new Error(`The bytes of ${from} are not kept in this browser.`);
    yield { path, modified: file?.modified, oldName: path === shipment.from ? file?.oldName : undefined, ...written(bytes, shipment.edits) };
  }
}

/** An entry that is packed in one go: the streaming packer sets up a large window for each file, which small files never fill. */
class WholeDeflate extends ZipPassThrough {
  constructor(path: FilePath) {
    super(path);
    this.compression = 8;
  }
  protected override process(chunk: Uint8Array, final: boolean): void {
    this.ondata(null, deflateSync(chunk, { level: 6 }), final);
  }
}

/** Packs files into a ZIP, piece by piece. `stamp` dates those that have no date of their own. */
export async function packZip(
  files: AsyncIterable<OutFile>,
  stamp: Date,
  onFile?: (count: number) => void,
): Promise<{ zip: Blob; count: number; left: readonly LeftInFile[] }> {
  const pieces: BlobPart[] = [];
  const left: LeftInFile[] = [];
  let failure: Error | undefined;
  let count = 0;
  const names = new OldNames();
  const zip = new Zip((error, data) => {
    if (error) failure = error;
    else pieces.push(names.put(data) as Uint8Array<ArrayBuffer>);
  });
  for await (const file of files) {
    const name = file.oldName ? names.standIn(file.oldName) : file.path;
    const entry = /\.(jpe?g|png|gif|webp|avif|woff2?|zip|gz|mp[34]|pdf)$/i.test(file.path) ? new ZipPassThrough(name) : new WholeDeflate(name);
    entry.mtime = asLocal(file.modified ?? stamp.getTime() - stamp.getTimezoneOffset() * 60_000);
    zip.add(entry);
    entry.push(file.bytes, true);
    for (const one of file.left) left.push({ path: file.path, ...one });
    count++;
    onFile?.(count);
    if (failure) throw failure;
  }
  zip.end();
  return { zip: new Blob(pieces, { type: 'application/zip' }), count, left };
}

/**
 * Names in an old code page, which the packer cannot write: it is given as many plain characters for each, and they are put right in what comes out of it. In
 * the local header and in the central directory a name stands behind a record of fixed length (APPNOTE, 4.3.7 and 4.3.12).
 */
class OldNames {
  readonly #names: Uint8Array[] = [];

  /** As many ASCII characters as the name has octets, none of which any file is called by. */
  standIn(name: Uint8Array): string {
    this.#names.push(name);
    return '\u0001'.repeat(name.length);
  }

  #local = 0;
  #central = 0;
  /** A piece of the packer's output with the names put right in place. */
  put(piece: Uint8Array): Uint8Array {
    if (this.#names.length === 0) return piece;
    const view = new DataView(piece.buffer, piece.byteOffset, piece.byteLength);
    if (piece.length >= 30 && view.getUint32(0, true) === 0x04034b50 && piece[30] === 1) piece.set(this.#names[this.#local++] as Uint8Array, 30);
    for (let at = 0; at + 46 <= piece.length && view.getUint32(at, true) === 0x02014b50;) {
      if (piece[at + 46] === 1) piece.set(this.#names[this.#central++] as Uint8Array, at + 46);
      at += 46 + view.getUint16(at + 28, true) + view.getUint16(at + 30, true) + view.getUint16(at + 32, true);
    }
    return piece;
  }
}

/** The years that a ZIP can say (APPNOTE, 4.4.6): a file that is older, or from the future, is dated as near as can be. */
const FIRST_TIME = Date.UTC(1980, 0, 1);
const LAST_TIME = Date.UTC(2099, 11, 31);

/** Dates are read from ZIPs as UTC, so they are written that way too. */
function asLocal(time: number): Date {
  const date = new Date(Math.min(LAST_TIME, Math.max(FIRST_TIME, time)));
  return new Date(date.getUTCFullYear(), date.getUTCMonth(), date.getUTCDate(), date.getUTCHours(), date.getUTCMinutes(), date.getUTCSeconds());
}

/** Files bundled by their hashes, for the host. */
export function bundle(files: readonly { hash: string; bytes: Uint8Array }[]): Uint8Array<ArrayBuffer> {
  return zipSync(Object.fromEntries(files.map(({ hash, bytes }) => [hash, [bytes, { level: 0 }] as const]))) as Uint8Array<ArrayBuffer>;
}

/** The whole project as one file. */
export async function packProject(
  db: Database,
  siteId: string,
  project: Omit<ProjectFile, 'format' | 'version' | 'files'>,
  files: readonly StoredFile[],
  stamp: Date,
): Promise<Blob> {
  const description: ProjectFile = {
    format: 'jolly-beacon-project',
    version: PROJECT_FORMAT.version,
    ...project,
    files: files.map(({ path, modified, oldName }) => ({ path, modified: modified ?? null, ...(oldName ? { oldName: toHex(oldName) } : {}) })),
  };
  async function* content(): AsyncGenerator<OutFile> {
    yield { path: PROJECT_ENTRY, bytes: new TextEncoder().encode(JSON.stringify(description)), modified: undefined, left: [] };
    for (const file of files) {
      const bytes = await loadBytes(db, siteId, file.path);
      if (bytes) yield { path: PROJECT_FILES + file.path, bytes, modified: file.modified, left: [] };
    }
  }
  return (await packZip(content(), stamp)).zip;
}
