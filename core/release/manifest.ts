import { z } from 'zod';
import type { PageEdit } from '../page/index.ts';

/** What went out in a release: for each file its source's hash, and what was written into it; for our own files their text. */
export interface Manifest {
  readonly version: 1;
  readonly number: number;
  readonly files: Readonly<Record<string, { readonly hash: string; readonly edits: readonly PageEdit[] }>>;
  readonly own: Readonly<Record<string, string>>;
  /** Pages that engines could list as of this release: what "people can find" counts. */
  readonly listed: readonly string[];
  /** When each page's content last changed in a release, ms since 1970. */
  readonly changedAt: Readonly<Record<string, number>>;
}

const editSchema = z.union([
  z.strictObject({ kind: z.literal('title'), text: z.string() }),
  z.strictObject({ kind: z.literal('description'), text: z.string() }),
  z.strictObject({ kind: z.literal('noindex'), on: z.boolean() }),
  z.strictObject({ kind: z.literal('meta'), name: z.string(), content: z.string() }),
  z.strictObject({ kind: z.literal('json-ld'), graph: z.object({ '@context': z.string(), '@graph': z.array(z.looseObject({ '@id': z.string() })) }) }),
]);

/** Format version 1 of a saved manifest. */
export const manifestSchema: z.ZodType<Manifest> = z.strictObject({
  version: z.literal(1),
  number: z.number().int().nonnegative(),
  files: z.record(z.string(), z.strictObject({ hash: z.string(), edits: z.array(editSchema) })),
  own: z.record(z.string(), z.string()),
  listed: z.array(z.string()),
  changedAt: z.record(z.string(), z.number()),
});

/** One difference between the working copy and the last release. */
export interface ReleaseItem {
  readonly path: string;
  readonly what: 'new' | 'changed' | 'gone';
  readonly own: boolean;
  readonly edits: readonly PageEdit[];
}

/** What the working copy would put out. */
export type WorkingCopy = Pick<Manifest, 'files' | 'own'>;

/** What a release would change, in path order; our own files last. */
export function compareWithRelease(now: WorkingCopy, last: WorkingCopy | undefined): ReleaseItem[] {
  const items: ReleaseItem[] = [];
  for (const [path, file] of Object.entries(now.files)) {
    if (path in now.own) continue;
    const before = last?.files[path];
    if (!before || path in (last?.own ?? {})) {
      if (!before) items.push({ path, what: 'new', own: false, edits: file.edits });
    } else if (before.hash !== file.hash || !sameEdits(before.edits, file.edits)) items.push({ path, what: 'changed', own: false, edits: file.edits });
  }
  for (const path of Object.keys(last?.files ?? {})) if (!(path in now.files) && !(path in now.own)) items.push({ path, what: 'gone', own: false, edits: [] });
  items.sort((a, b) => (a.path < b.path ? -1 : 1));
  for (const [path, text] of Object.entries(now.own)) {
    const before = last?.own[path];
    if (before === text) continue;
    items.push({ path, what: before === undefined && !(path in (last?.files ?? {})) ? 'new' : 'changed', own: true, edits: [] });
  }
  return items;
}

/** Whether two sets of edits write the same. */
export function sameEdits(a: readonly PageEdit[], b: readonly PageEdit[]): boolean {
  return a === b || (a.length === b.length && JSON.stringify(a) === JSON.stringify(b));
}
