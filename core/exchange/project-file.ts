import { z } from 'zod';
import { manifestSchema } from '../release/index.ts';
import { openDocument, siteDocumentSchema } from '../site/index.ts';

/** Name of the description inside a project file, which is a ZIP; the site's own files lie under `files/`. */
export const PROJECT_ENTRY = 'project.json';
export const PROJECT_FILES = 'files/';

/** Format version 1 of a project file: everything there is about one site. */
export const projectSchema = z.strictObject({
  format: z.literal('jolly-beacon-project'),
  version: z.literal(1),
  name: z.string().max(200),
  savedAt: z.string(),
  document: siteDocumentSchema,
  manifest: manifestSchema.nullable(),
  files: z.array(z.strictObject({ path: z.string(), modified: z.number().nullable() })),
});
export type ProjectFile = z.infer<typeof projectSchema>;

/** Opens the description of a project file; the reason where it cannot be. */
export function openProject(
  json: string,
): { ok: true; project: ProjectFile } | { ok: false; reason: 'not-a-project' | 'newer-version' | 'damaged'; detail: string } {
  let value: unknown;
  try {
    value = JSON.parse(json);
  } catch {
    return { ok: false, reason: 'not-a-project', detail: 'project.json is not JSON' };
  }
  const { format, version } = (value ?? {}) as { format?: unknown; version?: unknown };
  if (format !== 'jolly-beacon-project') return { ok: false, reason: 'not-a-project', detail: '' };
  if (typeof version === 'number' && version > 1) return { ok: false, reason: 'newer-version', detail: `version ${version}` };
  // The document has its own version inside, and is brought up to date by its own rules.
  const opened = openDocument((value as { document?: unknown }).document);
  if (!opened.ok) return opened;
  const parsed = projectSchema.safeParse({ ...(value as object), document: opened.document });
  return parsed.success ? { ok: true, project: parsed.data } : { ok: false, reason: 'damaged', detail: z.prettifyError(parsed.error) };
}
