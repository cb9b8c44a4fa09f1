import { compareWithRelease, sourceDiff, written, type Hunk, type Manifest, type ReleaseItem, type WorkingCopy } from '../../core/release/index.ts';
import { isPageFile } from '../../core/site/index.ts';
import { decodeBytes, decodeSource, type FilePath } from '../../core/source/index.ts';
import { loadRelease, type Database } from '../storage/index.ts';
import type { BytesOf } from './export-site.ts';

/** A release by its number, or the working copy as it would go out now. */
export type ReleaseRef = number | 'now';

/** Reads releases that are kept, and puts two of them side by side. */
export class Releases {
  constructor(
    private readonly db: Database,
    private readonly siteId: string,
    private readonly bytesByHash: () => BytesOf,
    private readonly now: () => WorkingCopy,
  ) {}

  /** What differs in the second from the first. Undefined where one of them is not kept. */
  async compare(before: ReleaseRef, after: ReleaseRef): Promise<readonly ReleaseItem[] | undefined> {
    const [old, now] = await Promise.all([this.copyOf(before), this.copyOf(after)]);
    return old && now && compareWithRelease(now, old);
  }

  /** One file line by line, from one to the other. Undefined for bytes that are no text, or too far apart. */
  async diff(path: FilePath, own: boolean, before: ReleaseRef, after: ReleaseRef): Promise<readonly Hunk[] | undefined> {
    const [old, now] = await Promise.all([this.copyOf(before), this.copyOf(after)]);
    return this.differenceIn(path, own, old, now);
  }

  /** The same between copies that are at hand. */
  async differenceIn(path: FilePath, own: boolean, old: WorkingCopy | undefined, now: WorkingCopy | undefined): Promise<readonly Hunk[] | undefined> {
    if (!own && !isPageFile(path)) return undefined;
    const [was, is] = await Promise.all([this.textOf(old, path), this.textOf(now, path)]);
    return sourceDiff(was, is);
  }

  private async copyOf(ref: ReleaseRef): Promise<WorkingCopy | undefined> {
    return ref === 'now' ? this.now() : (await this.manifest(ref))?.manifest;
  }

  manifest(number: number): Promise<{ readonly manifest: Manifest; readonly version: number } | undefined> {
    return loadRelease(this.db, this.siteId, number);
  }

  /** A file as it stands in a release; empty where it does not. */
  private async textOf(copy: WorkingCopy | undefined, path: FilePath): Promise<string> {
    const ours = copy?.own[path];
    if (ours !== undefined) return ours;
    const file = copy?.files[path];
    const bytes = file && (await this.bytesByHash()(path, file.hash));
    if (!bytes) return '';
    return isPageFile(path) ? decodeBytes(written(bytes, file.edits).bytes, decodeSource(bytes).encoding.name) : decodeBytes(bytes, 'utf-8');
  }
}
