// `npm run bench`: each figure beside a peer or a limit, measured in the same run.
import { existsSync } from 'node:fs';
import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { openingRows, shellRows, typingRows } from './browser-rows.ts';
import { readingRow, robotsRow, sitemapRows, zipRow } from './core-rows.ts';
import { generateSite } from './generate-site.ts';
import { print, type Row } from './measure.ts';

/** A real site that Debian packages as documentation; the rows on it are left out where it is not installed. */
const REAL = process.env['REAL_SITE'] ?? '/usr/share/doc/postgresql-doc-15/html';

const encoded = (site: ReadonlyMap<string, string>): Map<string, Uint8Array> => new Map([...site].map(([path, text]) => [path, new TextEncoder().encode(text)]));
async function filesBelow(folder: string): Promise<Map<string, Uint8Array>> {
  const found = new Map<string, Uint8Array>();
  for (const entry of await readdir(folder, { recursive: true, withFileTypes: true })) if (entry.isFile()) found.set(join(entry.parentPath, entry.name).slice(folder.length + 1), new Uint8Array(await readFile(join(entry.parentPath, entry.name))));
  return found;
}

const rows: Row[] = [];
const made = encoded(generateSite(1200));
const real = existsSync(REAL) ? await filesBelow(REAL) : undefined;
rows.push(readingRow('generated', [...made].filter(([path]) => path.endsWith('.html')).map(([, bytes]) => bytes)));
if (real) rows.push(readingRow('real', [...real].filter(([path]) => path.endsWith('.html')).map(([, bytes]) => bytes)));
rows.push(robotsRow(), ...sitemapRows(), await zipRow(made));
if (!process.argv.includes('--core')) {
  rows.push(...(await shellRows()));
  rows.push(...(await openingRows(real ? 'real' : 'generated', real ?? made)));
  rows.push(...(await typingRows(encoded(generateSite(5000)))));
}
print(rows);
