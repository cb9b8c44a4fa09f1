import { z } from 'zod';
import { broughtUpToDate, type SavedFormat } from '../saved/index.ts';
import type { FilePath } from '../source/index.ts';
import { SNIPPET_PLACES, type PageEdit } from '../page/index.ts';
import { redirectPageTarget } from './redirects.ts';
import { goneForGood, outgoingHeaderRules, type PathMatch, type SiteDocument } from '../site/index.ts';

/** A file as it went out: its source's hash, what was written into it, and where it went if not to its own place. `content` is the hash of the bytes that first said its words, where other bytes say the same. */
export interface ReleasedFile {
  readonly hash: string;
  readonly edits: readonly PageEdit[];
  readonly to?: string | undefined;
  readonly content?: string | undefined;
}

/** Where a file stands once it is out. */
export function outPath(path: string, file: Pick<ReleasedFile, 'to'>): string {
  return file.to ?? path;
}

const move = z.strictObject({ from: z.string(), to: z.string() });
/** The shape of each sort of edit: one for every sort there is, so that no release is saved which cannot be opened again. */
const EDIT_SHAPES = {
  title: z.strictObject({ kind: z.literal('title'), text: z.string() }),
  description: z.strictObject({ kind: z.literal('description'), text: z.string() }),
  noindex: z.strictObject({ kind: z.literal('noindex'), on: z.boolean() }),
  directives: z.strictObject({ kind: z.literal('directives'), name: z.string(), wanted: z.record(z.string(), z.string()) }),
  canonical: z.strictObject({ kind: z.literal('canonical'), href: z.string() }),
  'no-refresh': z.strictObject({ kind: z.literal('no-refresh') }),
  charset: z.strictObject({ kind: z.literal('charset') }),
  lang: z.strictObject({ kind: z.literal('lang'), lang: z.string() }),
  'one-title': z.strictObject({ kind: z.literal('one-title'), text: z.string() }),
  'one-heading': z.strictObject({ kind: z.literal('one-heading') }),
  meta: z.strictObject({ kind: z.literal('meta'), name: z.string(), content: z.string(), beside: z.literal(true).optional() }),
  property: z.strictObject({ kind: z.literal('property'), property: z.string(), content: z.string() }),
  alt: z.strictObject({ kind: z.literal('alt'), start: z.number(), was: z.string().nullable(), now: z.string() }),
  passage: z.strictObject({
    kind: z.literal('passage'),
    start: z.number(),
    was: z.string(),
    now: z.string().nullable(),
    links: z.array(z.strictObject({ words: z.string(), nth: z.number(), href: z.string() })),
  }),
  addresses: z.strictObject({ kind: z.literal('addresses'), origin: z.string(), page: move, moved: z.array(move), was: z.string().optional() }),
  'json-ld': z.strictObject({
    kind: z.literal('json-ld'),
    graph: z.object({ '@context': z.string(), '@graph': z.array(z.looseObject({ '@id': z.string() })) }),
  }),
  'no-markup': z.strictObject({ kind: z.literal('no-markup') }),
  snippet: z.strictObject({ kind: z.literal('snippet'), id: z.string(), place: z.enum(SNIPPET_PLACES), code: z.string() }),
} satisfies { readonly [K in PageEdit['kind']]: z.ZodType<{ readonly kind: K }> };
const editSchema = z.discriminatedUnion('kind', [
  ...(Object.values(EDIT_SHAPES) as [(typeof EDIT_SHAPES)['title'], ...(typeof EDIT_SHAPES)[PageEdit['kind']][]]),
]);

/** The format of a saved manifest. Version 2 knows more kinds of edits, and files that move; version 3 still more edits, and what the host is told beside the files; version 4 that markup is taken out, and which bytes say the same words; version 5 snippets; version 6 proofs that stand beside others, and addresses that are gone for good. */
export const MANIFEST_FORMAT = {
  name: 'manifest',
  version: 6,
  migrations: { 1: (saved) => saved, 2: (saved) => saved, 3: (saved) => saved, 4: (saved) => saved, 5: (saved) => saved },
} as const satisfies SavedFormat;

const manifestShape = z.strictObject({
  version: z.literal(MANIFEST_FORMAT.version),
  number: z.number().int().nonnegative(),
  files: z.record(z.string(), z.strictObject({ hash: z.string(), edits: z.array(editSchema), to: z.string().optional(), content: z.string().optional() })),
  /** Our own files, with their text. */
  own: z.record(z.string(), z.string()),
  /** What the host is told beside the files, by sort; see `hostingOf`. */
  hosting: z.record(z.string(), z.string()).optional(),
  /** Pages that engines could list as of this release: what "people can find" counts. */
  listed: z.array(z.string()),
  /** When each page's content last changed in a release, ms since 1970. */
  changedAt: z.record(z.string(), z.number()),
});

/** What went out in a release: for each file its source's hash, and what was written into it; for our own files their text. */
export interface Manifest extends DeepReadonly<Omit<z.infer<typeof manifestShape>, 'files'>> {
  readonly files: Readonly<Record<string, ReleasedFile>>;
}
type DeepReadonly<T> = T extends object ? { readonly [K in keyof T]: DeepReadonly<T[K]> } : T;

/** A saved manifest of any version. */
export const manifestSchema: z.ZodType<Manifest> = z.preprocess((saved) => {
  const led = broughtUpToDate(MANIFEST_FORMAT, saved);
  return led.ok ? led.value : saved;
}, manifestShape) as unknown as z.ZodType<Manifest>;

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
  /** What is written into it as it is out. */
  readonly before: readonly PageEdit[];
  /** The file itself, as it was brought in, is another one than what is out. */
  readonly source: boolean;
  /** It is out at another place than where it goes. */
  readonly moves: boolean;
  /** It is a page of ours that leads on, or led: it goes with the page that it leads to. */
  readonly leads?: true;
}

/** What the working copy would put out. */
export type WorkingCopy = Pick<Manifest, 'files' | 'own' | 'hosting'>;

/** Whether a file as it would go out is not what is out. */
export function differsFromRelease(path: string, now: ReleasedFile, before: ReleasedFile | undefined): boolean {
  return before === undefined || before.hash !== now.hash || outPath(path, before) !== outPath(path, now) || !sameEdits(before.edits, now.edits);
}

/** What a release would change about one file; undefined where it is out as it is, or where a file of ours stands in its place (`isOurs`). */
export function itemOf(path: string, file: ReleasedFile, last: WorkingCopy | undefined, isOurs: (out: string) => boolean): ReleaseItem | undefined {
  const out = outPath(path, file);
  const before = last?.files[path];
  if (isOurs(out) || !differsFromRelease(path, file, before)) return undefined;
  if (before && outPath(path, before) in (last?.own ?? {})) return undefined;
  const source = before !== undefined && before.hash !== file.hash;
  return {
    path,
    out,
    what: before ? 'changed' : 'new',
    own: false,
    edits: file.edits,
    before: before?.edits ?? [],
    source,
    moves: before !== undefined && outPath(path, before) !== out,
  };
}

const NONE = { edits: [], before: [], source: false, moves: false } as const;

const leads = (...texts: readonly (string | undefined)[]): { readonly leads?: true } =>
  texts.some((text) => text !== undefined && redirectPageTarget(text) !== undefined) ? { leads: true } : {};

/** What a release would change besides files that it puts out: those that are gone, our own, and what the host is told. `now.files` need only say where each goes. */
export function otherItems(now: WorkingCopy, last: WorkingCopy | undefined): { readonly gone: readonly ReleaseItem[]; readonly ours: readonly ReleaseItem[] } {
  const standing = new Set([...Object.entries(now.files).map(([path, file]) => outPath(path, file)), ...Object.keys(now.own)]);
  const gone = Object.entries(last?.files ?? {}).flatMap(([path, file]): ReleaseItem[] => {
    const out = outPath(path, file);
    return path in now.files || standing.has(out) ? [] : [{ path, out, what: 'gone', own: false, ...NONE }];
  });
  const ours = Object.entries(now.own).flatMap(([path, text]): ReleaseItem[] => {
    const before = last?.own[path];
    if (before === text) return [];
    return [{ path, out: path, what: before === undefined && !(path in (last?.files ?? {})) ? 'new' : 'changed', own: true, ...NONE, ...leads(text, before) }];
  });
  // What the program wrote and does not write any more is taken away; where a file that was brought in stands there too, that one shows again.
  const removed = Object.keys(last?.own ?? {}).flatMap((path): ReleaseItem[] =>
    path in now.own ? [] : [{ path, out: path, what: standing.has(path) ? 'changed' : 'gone', own: true, ...NONE, ...leads(last?.own[path]) }],
  );
  const told = [...new Set([...Object.keys(now.hosting ?? {}), ...Object.keys(last?.hosting ?? {})])].flatMap((sort): ReleaseItem[] =>
    now.hosting?.[sort] === last?.hosting?.[sort] ? [] : [{ path: sort, out: sort, what: 'changed', own: true, hosting: true, ...NONE }],
  );
  return { gone, ours: [...ours, ...removed, ...told] };
}

/** What a release would change, in path order; our own files last. */
export function compareWithRelease(now: WorkingCopy, last: WorkingCopy | undefined): ReleaseItem[] {
  const { gone, ours } = otherItems(now, last);
  const files = Object.entries(now.files).flatMap(([path, file]) => itemOf(path, file, last, (out) => out in now.own) ?? []);
  return inReleaseOrder([...files, ...gone], ours);
}

/** The order in which a release is told, whatever order things came about in: the site's files by path, then ours by path, then what the host is told. */
export function inReleaseOrder(files: readonly ReleaseItem[], ours: readonly ReleaseItem[]): ReleaseItem[] {
  const byPath = (items: readonly ReleaseItem[]): ReleaseItem[] =>
    [...items].sort((a, b) => (a.path === b.path ? (a.out < b.out ? -1 : Number(a.out > b.out)) : a.path < b.path ? -1 : 1));
  return [...byPath(files), ...byPath(ours.filter(({ hosting }) => !hosting)), ...byPath(ours.filter(({ hosting }) => hosting))];
}

/** What the host is told beside the files, as texts that can be compared: who can visit, which files get headers, and which addresses are gone for good. Nothing where all is as usual. */
export function hostingOf(document: SiteDocument): Record<string, string> {
  const { audience, password } = document.tables.visitors[''] ?? {};
  const headers = outgoingHeaderRules(document);
  const gone = goneForGood(document);
  return {
    ...(audience && audience !== 'public' ? { visitors: audience === 'restricted' ? `${audience}\n${password ?? ''}` : audience } : {}),
    ...(headers.length > 0 ? { headers: JSON.stringify(headers.map(({ path, match, values }) => ({ path, match, values }))) } : {}),
    ...(gone.length > 0 ? { gone: JSON.stringify(gone) } : {}),
  };
}

/** What the host is told beside the files, read back from `hostingOf`. */
export function hostingFrom(hosting: Readonly<Record<string, string>>): {
  readonly audience: 'draft' | 'restricted' | 'public';
  readonly password: string | undefined;
  readonly headers: readonly { readonly path: string; readonly match: PathMatch; readonly values: readonly string[] }[];
  /** Files whose addresses answer 410. */
  readonly gone: readonly FilePath[];
} {
  const [audience = 'public', password] = (hosting['visitors'] ?? 'public').split('\n');
  const headers = JSON.parse(hosting['headers'] ?? '[]') as { path: string; match: PathMatch; values: string[] }[];
  const gone = JSON.parse(hosting['gone'] ?? '[]') as FilePath[];
  return { audience: audience as 'draft' | 'restricted' | 'public', password: audience === 'restricted' ? password : undefined, headers, gone };
}

/** Whether two sets of edits write the same. */
export function sameEdits(a: readonly PageEdit[], b: readonly PageEdit[]): boolean {
  return a === b || (a.length === b.length && JSON.stringify(a) === JSON.stringify(b));
}
