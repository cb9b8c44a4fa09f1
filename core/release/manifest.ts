import { z } from 'zod';
import type { PageEdit } from '../page/index.ts';
import { outgoingHeaderRules, type SiteDocument } from '../site/index.ts';

/** A file as it went out: its source's hash, what was written into it, and where it went if not to its own place. */
export interface ReleasedFile {
  readonly hash: string;
  readonly edits: readonly PageEdit[];
  readonly to?: string | undefined;
}

/** Where a file stands once it is out. */
export function outPath(path: string, file: Pick<ReleasedFile, 'to'>): string {
  return file.to ?? path;
}

/** What went out in a release: for each file its source's hash, and what was written into it; for our own files their text. */
export interface Manifest {
  /** Version 2 knows more kinds of edits, and files that move; version 3 still more edits, and what the host is told beside the files. */
  readonly version: 1 | 2 | 3;
  readonly number: number;
  readonly files: Readonly<Record<string, ReleasedFile>>;
  readonly own: Readonly<Record<string, string>>;
  /** What the host is told beside the files, by sort; see `hostingOf`. */
  readonly hosting?: Readonly<Record<string, string>> | undefined;
  /** Pages that engines could list as of this release: what "people can find" counts. */
  readonly listed: readonly string[];
  /** When each page's content last changed in a release, ms since 1970. */
  readonly changedAt: Readonly<Record<string, number>>;
}

const move = z.strictObject({ from: z.string(), to: z.string() });
const editSchema = z.union([
  z.strictObject({ kind: z.literal('title'), text: z.string() }),
  z.strictObject({ kind: z.literal('description'), text: z.string() }),
  z.strictObject({ kind: z.literal('noindex'), on: z.boolean() }),
  z.strictObject({ kind: z.literal('directives'), name: z.string(), wanted: z.record(z.string(), z.string()) }),
  z.strictObject({ kind: z.literal('canonical'), href: z.string() }),
  z.strictObject({ kind: z.literal('no-refresh') }),
  z.strictObject({ kind: z.literal('charset') }),
  z.strictObject({ kind: z.literal('lang'), lang: z.string() }),
  z.strictObject({ kind: z.literal('one-title'), text: z.string() }),
  z.strictObject({ kind: z.literal('one-heading') }),
  z.strictObject({ kind: z.literal('meta'), name: z.string(), content: z.string() }),
  z.strictObject({ kind: z.literal('property'), property: z.string(), content: z.string() }),
  z.strictObject({ kind: z.literal('alt'), start: z.number(), was: z.string().nullable(), now: z.string() }),
  z.strictObject({
    kind: z.literal('passage'),
    start: z.number(),
    was: z.string(),
    now: z.string().nullable(),
    links: z.array(z.strictObject({ words: z.string(), nth: z.number(), href: z.string() })),
  }),
  z.strictObject({ kind: z.literal('addresses'), origin: z.string(), page: move, moved: z.array(move), was: z.string().optional() }),
  z.strictObject({ kind: z.literal('json-ld'), graph: z.object({ '@context': z.string(), '@graph': z.array(z.looseObject({ '@id': z.string() })) }) }),
]);

/** Format version 3 of a saved manifest; earlier ones had less to say. */
export const manifestSchema: z.ZodType<Manifest> = z.strictObject({
  version: z.union([z.literal(1), z.literal(2), z.literal(3)]),
  number: z.number().int().nonnegative(),
  files: z.record(z.string(), z.strictObject({ hash: z.string(), edits: z.array(editSchema), to: z.string().optional() })),
  own: z.record(z.string(), z.string()),
  hosting: z.record(z.string(), z.string()).optional(),
  listed: z.array(z.string()),
  changedAt: z.record(z.string(), z.number()),
});

/** One difference between the working copy and the last release. */
export interface ReleaseItem {
  /** The file as it was brought in, or our own file. */
  readonly path: string;
  /** Where it goes: the same, unless its address changed. */
  readonly out: string;
  readonly what: 'new' | 'changed' | 'gone';
  readonly own: boolean;
  /** It is no file but something that the host is told. */
  readonly hosting?: true;
  readonly edits: readonly PageEdit[];
}

/** What the working copy would put out. */
export type WorkingCopy = Pick<Manifest, 'files' | 'own' | 'hosting'>;

/** What a release would change, in path order; our own files last. */
export function compareWithRelease(now: WorkingCopy, last: WorkingCopy | undefined): ReleaseItem[] {
  const items: ReleaseItem[] = [];
  for (const [path, file] of Object.entries(now.files)) {
    const out = outPath(path, file);
    if (out in now.own) continue;
    const before = last?.files[path];
    if (!before || outPath(path, before) in (last?.own ?? {})) {
      if (!before) items.push({ path, out, what: 'new', own: false, edits: file.edits });
    } else if (before.hash !== file.hash || outPath(path, before) !== out || !sameEdits(before.edits, file.edits))
      items.push({ path, out, what: 'changed', own: false, edits: file.edits });
  }
  const standing = new Set([...Object.entries(now.files).map(([path, file]) => outPath(path, file)), ...Object.keys(now.own)]);
  for (const [path, file] of Object.entries(last?.files ?? {})) {
    const out = outPath(path, file);
    if (!(path in now.files) && !standing.has(out)) items.push({ path, out, what: 'gone', own: false, edits: [] });
  }
  items.sort((a, b) => (a.path < b.path ? -1 : 1));
  for (const [path, text] of Object.entries(now.own)) {
    const before = last?.own[path];
    if (before === text) continue;
    items.push({ path, out: path, what: before === undefined && !(path in (last?.files ?? {})) ? 'new' : 'changed', own: true, edits: [] });
  }
  for (const sort of new Set([...Object.keys(now.hosting ?? {}), ...Object.keys(last?.hosting ?? {})]))
    if (now.hosting?.[sort] !== last?.hosting?.[sort]) items.push({ path: sort, out: sort, what: 'changed', own: true, hosting: true, edits: [] });
  return items;
}

/** What the host is told beside the files, as texts that can be compared: who can visit, and which files get headers. Nothing where all is as usual. */
export function hostingOf(document: SiteDocument): Record<string, string> {
  const { audience, password } = document.tables.visitors[''] ?? {};
  const headers = outgoingHeaderRules(document);
  return {
    ...(audience && audience !== 'public' ? { visitors: audience === 'restricted' ? `${audience}\n${password ?? ''}` : audience } : {}),
    ...(headers.length > 0 ? { headers: JSON.stringify(headers.map(({ path, match, values }) => ({ path, match, values }))) } : {}),
  };
}

/** Whether two sets of edits write the same. */
export function sameEdits(a: readonly PageEdit[], b: readonly PageEdit[]): boolean {
  return a === b || (a.length === b.length && JSON.stringify(a) === JSON.stringify(b));
}
