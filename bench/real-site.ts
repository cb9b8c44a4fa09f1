import { existsSync, readdirSync } from 'node:fs';
import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';

/** The folder of a real site of over a thousand pages that Debian packages as documentation; undefined where none is installed. */
export function realSiteFolder(): string | undefined {
  const chosen = process.env['REAL_SITE'];
  if (chosen !== undefined) return chosen;
  const doc = '/usr/share/doc';
  const name = existsSync(doc) ? readdirSync(doc).find((one) => /^postgresql-doc-\d+$/.test(one) && existsSync(join(doc, one, 'html'))) : undefined;
  return name === undefined ? undefined : join(doc, name, 'html');
}

/** All files below a folder, by their path in it. */
export async function filesBelow(folder: string): Promise<Map<string, Uint8Array>> {
  const found = new Map<string, Uint8Array>();
  for (const entry of await readdir(folder, { recursive: true, withFileTypes: true })) {
    if (entry.isFile())
      found.set(join(entry.parentPath, entry.name).slice(folder.length + 1), new Uint8Array(await readFile(join(entry.parentPath, entry.name))));
  }
  return found;
}
