import type { PageEdit } from '../page/index.ts';
import type { FilePath } from '../source/index.ts';
import { outPath, type Manifest } from './manifest.ts';

/** How far a release has come. What it consists of is fixed when it is prepared: the owner may go on typing. */
export type ReleaseOrder =
  | { readonly step: 'idle' }
  /** Its files were told; they are being sent. */
  | { readonly step: 'prepared'; readonly manifest: Manifest };

export const IDLE: ReleaseOrder = { step: 'idle' };

/**
 * A release is prepared; one that was prepared before and never put out gives way. Edits that could not be made (`left`, by where their page goes) are not
 * told as made: what was meant stays open.
 */
export function prepared(manifest: Manifest, left: ReadonlyMap<FilePath, readonly PageEdit[]>): ReleaseOrder {
  const files = Object.fromEntries(
    Object.entries(manifest.files).map(([path, file]) => {
      const out = left.get(outPath(path, file));
      return [path, out ? { ...file, edits: file.edits.filter((edit) => !out.includes(edit)) } : file];
    }),
  );
  return { step: 'prepared', manifest: { ...manifest, files } };
}

/** What is sent: of the release that was prepared. Throws where none was. */
export function beingSent(order: ReleaseOrder): Manifest {
  if (order.step !== 'prepared') throw new Error('no release was prepared');
  return order.manifest;
}

/** It is out: what is to be remembered, and the order as it is then. Throws where none was prepared, so that none is remembered twice. */
export function putOut(order: ReleaseOrder): { readonly order: ReleaseOrder; readonly manifest: Manifest } {
  return { order: IDLE, manifest: beingSent(order) };
}

/** The manifest of a site as it was brought in: all of it is live as it came, but for files made since (`except`). */
export function broughtInManifest(whole: Manifest, except: ReadonlySet<string>): Manifest {
  return {
    ...whole,
    own: {},
    hosting: {},
    changedAt: {},
    listed: whole.listed.filter((id) => !except.has(id)),
    files: Object.fromEntries(Object.entries(whole.files).flatMap(([path, file]) => (except.has(path) ? [] : [[path, { ...file, edits: [] }]]))),
  };
}
