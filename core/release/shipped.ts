import { gzipSync } from 'fflate';
import { patchAsFarAsPossible, readSource, type PageEdit, type Patched } from '../page/index.ts';
import { decodeSource, type FilePath } from '../source/index.ts';
import { outPath, type WorkingCopy } from './manifest.ts';

/** One thing that goes out: a file of ours with its text, or a file that was brought in with what is written into it. */
export type Shipment =
  | { readonly path: FilePath; readonly text: string }
  | { readonly path: FilePath; readonly from: string; readonly hash: string; readonly edits: readonly PageEdit[] };

/** Everything that goes out, by where it goes: ours first, then what was brought in, as far as ours does not stand in its place. */
export function shipments(copy: WorkingCopy): Shipment[] {
  const ours = Object.entries(copy.own).map(([path, text]) => ({ path, text }));
  const theirs = Object.entries(copy.files).flatMap(([from, file]) => {
    const path = outPath(from, file);
    return path in copy.own ? [] : [{ path, from, hash: file.hash, edits: file.edits }];
  });
  return [...ours, ...theirs];
}

/** A page's bytes with all edits made that can be made, and those that cannot; the very same bytes where none is. */
export function written(bytes: Uint8Array, edits: readonly PageEdit[]): Pick<Patched, 'bytes' | 'left'> {
  if (edits.length === 0) return { bytes, left: [] };
  const source = decodeSource(bytes);
  const reading = readSource(source);
  if (!reading.ok) return { bytes, left: edits.map((edit) => ({ edit, reason: 'unreadable' })) };
  const { bytes: out, left } = patchAsFarAsPossible(source, reading.facts, edits);
  return { bytes: out, left };
}

/** A file of ours as it goes out. Packed copies have no date in them, so that the same text gives the same bytes. */
export function ownBytes(path: FilePath, text: string): Uint8Array {
  const bytes = new TextEncoder().encode(text);
  return path.endsWith('.gz') ? gzipSync(bytes, { mtime: 0, level: 9 }) : bytes;
}
