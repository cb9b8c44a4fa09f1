import { z } from 'zod';
import { broughtUpToDate, isSaved, type SavedFormat } from '../saved/index.ts';
import { manifestSchema } from '../release/index.ts';
import { applyChange, journalEntrySchema, openDocument, siteDocumentSchema, type JournalEntry, type SetAside, type SiteDocument } from '../site/index.ts';

/** Name of the description inside a project file, which is a ZIP; the site's own files lie under `files/`. */
export const PROJECT_ENTRY = 'project.json';
export const PROJECT_FILES = 'files/';

/**
 * The format of a project file: everything there is about one site. `history` leads from a start to the document, entry by entry, so that undo goes on;
 * `aside` is what could not be read any more. Version 1 had neither. What is inside has versions of its own.
 */
export const PROJECT_FORMAT = { name: 'project file', version: 2, migrations: { 1: (saved) => saved } } as const satisfies SavedFormat;

export const projectSchema = z.strictObject({
  format: z.literal('jolly-beacon-project'),
  version: z.literal(PROJECT_FORMAT.version),
  name: z.string().max(200),
  savedAt: z.string(),
  document: siteDocumentSchema,
  history: z.strictObject({ start: z.unknown(), entries: z.array(z.unknown()) }).optional(),
  aside: z.array(z.strictObject({ table: z.string(), key: z.string(), value: z.unknown(), problem: z.string() })).optional(),
  manifest: manifestSchema.nullable(),
  files: z.array(
    z.strictObject({
      path: z.string(),
      modified: z.number().nullable(),
      /** The octets of its name in the ZIP it came in, in hexadecimal, where they were in an old code page. */
      oldName: z
        .string()
        .regex(/^(?:[0-9a-f]{2})+$/)
        .optional(),
    }),
  ),
});
export type ProjectFile = z.infer<typeof projectSchema>;

/** A project file as it was opened: of its history, what leads to its very document; `aside` holds what could not be read, of earlier and of now. */
export interface OpenedProject extends Omit<ProjectFile, 'history' | 'aside' | 'document'> {
  readonly document: SiteDocument;
  readonly start: SiteDocument;
  readonly entries: readonly JournalEntry[];
  readonly aside: readonly SetAside[];
}

/** Opens the description of a project file; the reason where it cannot be. */
export function openProject(
  json: string,
): { ok: true; project: OpenedProject } | { ok: false; reason: 'not-a-project' | 'newer-version' | 'damaged'; detail: string } {
  let value: unknown;
  try {
    value = JSON.parse(json);
  } catch {
    return { ok: false, reason: 'not-a-project', detail: 'project.json is not JSON' };
  }
  if (!isSaved(value) || value['format'] !== 'jolly-beacon-project') return { ok: false, reason: 'not-a-project', detail: '' };
  const led = broughtUpToDate(PROJECT_FORMAT, value);
  if (!led.ok) return led;
  // The document is brought up to date by its own rules.
  const opened = openDocument(value['document']);
  if (!opened.ok) return opened;
  const { document } = opened;
  const parsed = projectSchema.safeParse({ ...(led.value as object), document });
  if (!parsed.success) return { ok: false, reason: 'damaged', detail: z.prettifyError(parsed.error) };
  const { history, aside = [], ...rest } = parsed.data;
  const project = { ...rest, document, aside: [...aside, ...(opened.aside ?? [])] as SetAside[] };
  return { ok: true, project: { ...project, ...historyOf(history, document) } };
}

/** The history where it can be read whole and leads to the document; else none, and the document is its own start. */
function historyOf(history: ProjectFile['history'], document: SiteDocument): Pick<OpenedProject, 'start' | 'entries'> {
  const none = { start: document, entries: [] };
  const start = history && openDocument(history.start);
  const entries = history && z.array(journalEntrySchema).safeParse(history.entries);
  if (!start?.ok || !entries?.success) return none;
  const end = applyChange(start.document, { kind: 'all', changes: entries.data.map((entry) => entry.change) });
  return sorted(end) === sorted(document) ? { start: start.document, entries: entries.data } : none;
}

/** A document as text that does not depend on the order in which its records came to be. */
function sorted(document: SiteDocument): string {
  return JSON.stringify(document, (_key, value: unknown) =>
    typeof value === 'object' && value !== null && !Array.isArray(value)
      ? Object.fromEntries(Object.entries(value).sort(([a], [b]) => (a < b ? -1 : 1)))
      : value,
  );
}
