import type { FilePath } from '../../core/source/index.ts';
import type { PageEdit } from '../../core/page/index.ts';
import { beingSent, heldBack, IDLE, outPath, prepared, putOut, type Held, type Manifest, type ReleaseOrder } from '../../core/release/index.ts';
import { loadRelease, type Database, type StoredFile } from '../storage/index.ts';
import type { Analyst } from './analyst.ts';
import { bundle, outFiles, type BytesOf, type LeftInFile } from './export-site.ts';

/** What a release consists of: the working copy without what is to wait, or an earlier release once more. */
export interface ReleaseWish {
  readonly held?: Held;
  readonly from?: number;
}

/** What goes out: every path with the hash of its bytes, and what could not be written; what the host is told beside them. */
export interface Outgoing {
  readonly files: { path: FilePath; hash: string; size: number }[];
  readonly left: readonly LeftInFile[];
  readonly hosting: Readonly<Record<string, string>>;
}

/** The edits that are left out, by the file they are meant for. */
function leftByFile(left: readonly LeftInFile[]): ReadonlyMap<FilePath, readonly PageEdit[]> {
  const files = new Map<FilePath, PageEdit[]>();
  for (const { path, edit } of left) files.set(path, [...(files.get(path) ?? []), edit]);
  return files;
}

/** Bytes in one bundle. */
const BUNDLE = 12_000_000;

/** A release on its way: told, sent in bundles, and remembered once it is out. Whatever the owner types meanwhile, it stays what it was told to be. */
export class Sending {
  private order: ReleaseOrder = IDLE;
  private source: { readonly bytesOf: BytesOf; readonly files: readonly StoredFile[] } | undefined;

  constructor(
    private readonly db: Database,
    private readonly hash: (bytes: Uint8Array) => Promise<string>,
  ) {}

  /** The manifest of a wish. Throws where an earlier release is not kept. */
  private async manifestFor(its: Analyst, number: number, { held, from }: ReleaseWish): Promise<Manifest> {
    if (from === undefined) return heldBack(its.manifestFor(number), its.manifest, held ?? {});
    const kept = await loadRelease(this.db, its.siteId, from);
    if (!kept) throw new Error(`Release ${from} is not kept in this browser.`);
    return { ...kept.manifest, number };
  }

  /** Prepares a release; one that was prepared before and not put out gives way. */
  async outgoing(its: Analyst, number: number, wish: ReleaseWish, progress: (done: number, of: number) => void): Promise<Outgoing> {
    const manifest = await this.manifestFor(its, number, wish);
    const known = its.files;
    const here = new Map(known.map((file) => [file.path, file]));
    const bytesOf = its.bytesByHash;
    const files: { path: FilePath; hash: string; size: number }[] = [];
    const left: LeftInFile[] = [];
    // Only what is written anew, or is of another version, has to be hashed anew.
    const rewritten = new Set(Object.keys(manifest.own));
    for (const [path, file] of Object.entries(manifest.files)) {
      const out = outPath(path, file);
      const same = here.get(path);
      if (file.edits.length > 0 || same?.hash !== file.hash) rewritten.add(out);
      else if (!rewritten.has(out)) files.push({ path: out, hash: file.hash, size: same.size });
    }
    let done = 0;
    for await (const out of outFiles(bytesOf, manifest, known, rewritten)) {
      files.push({ path: out.path, hash: await this.hash(out.bytes), size: out.bytes.length });
      for (const one of out.left) left.push({ path: out.path, ...one });
      if (++done % 20 === 0) progress(done, rewritten.size);
    }
    this.source = { bytesOf, files: known };
    this.order = prepared(manifest, leftByFile(left));
    return { files, left, hosting: manifest.hosting ?? {} };
  }

  /** Bundles of the files with these hashes, to be sent one after the other. */
  async bundles(wanted: readonly { path: FilePath; hash: string }[]): Promise<Blob[]> {
    if (!this.source) throw new Error('no release was prepared');
    const paths = new Map(wanted.map(({ path, hash }) => [path, hash]));
    const blobs: Blob[] = [];
    let batch: { hash: string; bytes: Uint8Array }[] = [];
    let size = 0;
    const flush = (): void => {
      if (batch.length > 0) blobs.push(new Blob([bundle(batch)], { type: 'application/zip' }));
      batch = [];
      size = 0;
    };
    const sent = new Set<string>();
    for await (const out of outFiles(this.source.bytesOf, beingSent(this.order), this.source.files, new Set(paths.keys()))) {
      const hash = paths.get(out.path) as string;
      if (sent.has(hash)) continue;
      sent.add(hash);
      batch.push({ hash, bytes: out.bytes });
      size += out.bytes.length;
      if (size > BUNDLE) flush();
    }
    flush();
    return blobs;
  }

  /** It is out: what is to be remembered. */
  finish(): Manifest {
    const { order, manifest } = putOut(this.order);
    this.order = order;
    return manifest;
  }
}
