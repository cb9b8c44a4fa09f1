import { contentChanged } from '../map/index.ts';
import { compareWithRelease, hostingOf, MANIFEST_FORMAT, type Manifest, type ReleasedFile, type WorkingCopy } from '../release/index.ts';
import type { Stages } from './engine.ts';
import type { SiteInputs } from './inputs.ts';
import { generated, outgoing, ways } from './stages/index.ts';

/** What would go out now. */
export function workingCopyOf({ document, files: brought }: SiteInputs, stages: Stages): WorkingCopy {
  const { out, own } = stages.results({ out: outgoing, own: generated });
  const files: Record<string, ReleasedFile> = {};
  for (const { path, hash } of brought.values()) files[path] = out.get(path) ?? { hash, edits: [] };
  return { files, own, hosting: hostingOf(document) };
}

/** The manifest of a release made now. */
export function manifestOf(inputs: SiteInputs, stages: Stages, number: number, at: number): Manifest {
  const { manifest: last, pages } = inputs;
  const copy = workingCopyOf(inputs, stages);
  const changedAt: Record<string, number> = { ...last?.changedAt };
  for (const { what, path } of compareWithRelease(copy, last)) {
    const file = copy.files[path];
    if (what === 'gone') delete changedAt[path];
    // Release 0 only says what is there already: nothing changed by it. And only what people read makes a page newer.
    else if (number > 0 && file && pages.has(path) && contentChanged(file, last?.files[path])) changedAt[path] = at;
  }
  const listed = [...stages.result(ways)].flatMap(([id, { afterRelease }]) => (afterRelease === 'listed' ? [id] : []));
  return { version: MANIFEST_FORMAT.version, number, ...copy, listed, changedAt };
}
